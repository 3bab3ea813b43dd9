package org.evensheen.app.answers;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.labels.Product;
import org.evensheen.app.mixer.CostStore.Bundled;
import org.evensheen.app.page.Figures;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.PerUse;
import org.evensheen.core.cost.Rate;
import org.evensheen.core.label.Claim;
import org.evensheen.core.mixing.Dose;

/**
 * What products cost by where they come from: each size, alone or out of a kit, concentrate or ready to use; at the amounts that went on.
 *
 * @param lead the cheapest, and what the dearest way to the same would cost
 * @param lines the cheapest first
 */
record ByBottle(String lead, List<Line> lines) {

    /** A product in one size. */
    record Line(String product, String from, String cost, String does, boolean first) {}

    private record Row(Product product, String from, PerUse each, Money cost) {}

    /**
     * Works it out.
     *
     * @param used mL of product that a place took, by the product's name
     * @param place what a place is called
     */
    static ByBottle of(
            List<Product> products, List<Bundled> bundled, List<Rate> rates, Map<String, Double> used, String place) {
        List<Row> all = new ArrayList<>();
        for (Product p : products) {
            Double ml = used.get(p.name());
            if (ml != null && ml > 0) {
                p.label()
                        .offers()
                        .forEach(o -> o.price()
                                .ifPresent(price -> row(p, Figures.volume(o.ml()) + kind(p), ml, o.ml(), price)
                                        .ifPresent(all::add)));
                bundled.stream()
                        .filter(b -> b.product() == p.id())
                        .forEach(b -> row(
                                        p,
                                        "%s%s, out of “%s”".formatted(Figures.volume(b.sizeMl()), kind(p), b.bundle()),
                                        ml,
                                        b.sizeMl(),
                                        b.paid())
                                .ifPresent(all::add));
            }
        }
        Optional<Currency> currency = Purse.usual(all.stream().map(Row::cost).toList());
        List<Row> alike = all.stream()
                .flatMap(r -> Rate.convert(r.cost, currency.orElseThrow(), rates).stream()
                        .map(c -> new Row(r.product, r.from, r.each, c)))
                .sorted(Comparator.comparing((Row r) -> r.cost.amount()).thenComparing(Row::from))
                .toList();
        return new ByBottle(
                alike.isEmpty() ? "" : lead(alike, place),
                alike.stream()
                        .map(r -> new Line(
                                r.product.name(),
                                r.from,
                                "%s a %s".formatted(Figures.money(r.cost), place),
                                "does %s of these".formatted(Figures.compact(r.each.uses(), 2)),
                                r == alike.get(0)))
                        .toList());
    }

    private static Optional<Row> row(Product p, String from, double ml, double sizeMl, Money price) {
        PerUse each = new PerUse(ml, sizeMl, Optional.of(price));
        return each.cost(1).map(c -> new Row(p, from, each, c));
    }

    /** Whether it is mixed first, as its label says. */
    private static String kind(Product p) {
        List<Dose> doses = p.label().uses().stream().map(Claim.Use::dose).toList();
        return doses.isEmpty()
                ? ""
                : doses.stream().allMatch(d -> d instanceof Dose.ReadyToUse)
                        ? ", ready to use"
                        : doses.stream()
                                        .anyMatch(d -> d.shares(p.calibrations())
                                                .filter(s -> s.high() < 1)
                                                .isPresent())
                                ? " of concentrate"
                                : "";
    }

    private static String lead(List<Row> rows, String place) {
        Row best = rows.get(0);
        Row worst = rows.get(rows.size() - 1);
        String first = "As it was used, %s from %s is cheapest: %s a %s."
                .formatted(best.product.name(), best.from, Figures.money(best.cost), place);
        double times = worst.cost.amount().doubleValue()
                / Math.max(1e-12, best.cost.amount().doubleValue());
        return rows.size() < 2 || times < 1.05
                ? first
                : "%s %s from %s costs %s as much."
                        .formatted(first, worst.product.name(), worst.from, Figures.times(times));
    }
}
