package org.evensheen.app.mixer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import org.evensheen.app.labels.Product;
import org.evensheen.app.mixer.CostStore.Bundled;
import org.evensheen.core.cost.Costs;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.Rate;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.PriceLine;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.Place;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.TypedVolume;

/** The same job across products and sizes, each with what is taken for granted. */
final class CostRows {
    private static final double WHEELS = 4;

    /**
     * What all rows take for granted, unless a row says otherwise. What nobody typed follows from each product's own kind and label, so
     * that no product's cost depends on which others are there.
     *
     * @param fillMl one fill of the vessel, as typed for all
     * @param carMl of mix for a car, as typed for all
     * @param panels of a car
     */
    record Common(OptionalDouble fillMl, OptionalDouble carMl, double panels, Currency currency) {}

    /** What a job mostly takes: a fill and the mix for a car, mL. */
    private record Usual(double fillMl, double carMl) {}

    /** A bucket or a foam bottle does a car; what is sprayed takes some 20 mL a panel. */
    private static Usual usual(Product product, Claim.Use use) {
        return switch (MixSetup.usual(product, Optional.of(use))) {
            case "bucket" -> new Usual(12_000, 12_000);
            case "foam-bottle" -> new Usual(1000, 1000);
            default -> new Usual(500, 240);
        };
    }

    /**
     * A product in one size.
     *
     * @param key names its fields in the form
     * @param bundle the bundle its price comes from; empty for a price of its own
     * @param costs empty where the price is missing, or is in a currency without a rate
     */
    record Row(
            String key,
            Product product,
            Claim.Use use,
            String size,
            double sizeMl,
            String bundle,
            Dose dose,
            double share,
            double carMl,
            Optional<Money> price,
            Optional<Costs> costs) {
        /** How many cars its label promises of that size. */
        OptionalDouble promisedCars() {
            return product.label().promised(Claim.Yield.Of.CARS, sizeMl);
        }
    }

    private final Common common;
    private final List<Rate> rates;
    private final Map<String, String> typed;

    /** Problems by field name. */
    final Map<String, String> problems = new LinkedHashMap<>();

    /** Currencies that want a rate. */
    final Set<Currency> unrated = new LinkedHashSet<>();

    CostRows(Common common, List<Rate> rates, Map<String, String> typed) {
        this.common = common;
        this.rates = rates;
        this.typed = typed;
    }

    /** Every row, the cheapest by a measure of cost first; rows without costs last. */
    List<Row> of(List<Product> products, String job, List<Bundled> bundled, Function<Costs, Money> by) {
        List<Row> rows = new ArrayList<>();
        for (Product product : products) {
            product.use(job).ifPresent(use -> {
                int number = 0;
                for (Claim.Offer offer : product.label().offers()) {
                    row(product, use, offer.sized(), offer.ml(), "", offer.price(), number++)
                            .ifPresent(rows::add);
                }
                for (Bundled part : bundled) {
                    if (part.product() == product.id()) {
                        row(
                                        product,
                                        use,
                                        volume(part.sizeMl()),
                                        part.sizeMl(),
                                        part.bundle(),
                                        Optional.of(part.paid()),
                                        number++)
                                .ifPresent(rows::add);
                    }
                }
            });
        }
        rows.sort(Comparator.comparing(
                (Row r) -> r.costs.map(by).map(Money::amount).orElse(null),
                Comparator.nullsLast(Comparator.naturalOrder())));
        return rows;
    }

    private static String volume(double ml) {
        return org.evensheen.app.page.Figures.volume(ml);
    }

    private Optional<Row> row(
            Product product,
            Claim.Use use,
            String size,
            double sizeMl,
            String bundle,
            Optional<Money> told,
            int number) {
        String key = product.id() + "-" + number;
        Dose dose = dose(key, use.dose());
        Optional<Span> shares = dose.shares(product.calibrations());
        if (shares.isEmpty()) {
            return Optional.empty();
        }
        double share = Math.sqrt(shares.get().low() * shares.get().high());
        double carMl = carMl(key, dose, product, use);
        double fillMl = common.fillMl().orElse(usual(product, use).fillMl());
        Optional<Money> price = price(key, told);
        Optional<Money> converted = price.flatMap(p -> converted(p));
        return Optional.of(new Row(
                key,
                product,
                use,
                size,
                sizeMl,
                bundle,
                dose,
                share,
                carMl,
                price,
                converted.map(p -> Costs.of(new Costs.Assumed(share, carMl, common.panels, fillMl), p, sizeMl))));
    }

    private Optional<Money> converted(Money price) {
        Optional<Money> converted = Rate.convert(price, common.currency, rates);
        if (converted.isEmpty()) {
            unrated.add(price.currency());
        }
        return converted;
    }

    /** What a row's field says; empty if it is left as it is. */
    String typed(String field) {
        return typed.getOrDefault(field, "").strip();
    }

    private Dose dose(String key, Dose labelled) {
        String text = typed("dose" + key);
        if (text.isEmpty()) {
            return labelled;
        }
        LabelLine.TypedDose read = LabelLine.readDose(text);
        read.problem().ifPresent(p -> problems.put("dose" + key, p.message()));
        return read.dose().orElse(labelled);
    }

    private double carMl(String key, Dose dose, Product product, Claim.Use use) {
        String text = typed("car" + key);
        if (!text.isEmpty()) {
            TypedVolume read = TypedVolume.read(text, "car", 1, 1_000_000);
            if (read instanceof TypedVolume.Read ml) {
                return ml.ml();
            }
            problems.put("car" + key, ((TypedVolume.Refused) read).message());
        }
        return dose.onPlace(product.calibrations())
                .map(ml -> ml.middle() * places(dose.countedFor().orElse(Place.PANEL)) * coats(product))
                .orElseGet(() -> common.carMl().orElse(usual(product, use).carMl() * coats(product)));
    }

    /** Coats that go on, as the label asks; what washes is not put on in coats. */
    private static int coats(Product product) {
        return product.kind().washes()
                ? 1
                : product.label()
                        .one(Claim.Coats.class)
                        .map(c -> (int) c.number().high())
                        .orElse(1);
    }

    private double places(Place place) {
        return switch (place) {
            case CAR -> 1;
            case WHEEL, TYRE -> WHEELS;
            case PANEL, SECTION, TOWEL -> common.panels;
        };
    }

    private Optional<Money> price(String key, Optional<Money> told) {
        String text = typed("price" + key);
        if (text.isEmpty()) {
            return told;
        }
        PriceLine.Typed read = PriceLine.read(text, Optional.of(common.currency));
        read.problem().ifPresent(p -> problems.put("price" + key, p));
        return read.price().or(() -> told);
    }
}
