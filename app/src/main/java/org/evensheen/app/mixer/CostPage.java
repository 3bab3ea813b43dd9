package org.evensheen.app.mixer;

import static org.evensheen.app.page.Figures.svg;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.mixer.CostRows.Row;
import org.evensheen.app.page.Figures;
import org.evensheen.core.cost.Costs;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.Rate;
import org.evensheen.core.label.Claim;
import org.jspecify.annotations.Nullable;

/**
 * The cost of a job, product by product.
 *
 * @param sentence which is cheapest, and why
 */
record CostPage(
        Asked asked,
        List<Choice> jobs,
        List<Choice> bases,
        String sentence,
        List<Line> rows,
        List<Line> open,
        List<String> rates,
        @Nullable String unrated,
        Map<String, String> problems) {

    /** What is asked: the job, and what all rows take for granted, as typed. */
    record Asked(String job, String per, String currency, String fill, String car, String panels) {}

    /** A job or a basis to choose. */
    record Choice(String code, String text, boolean chosen) {}

    /** What costs are counted for. */
    enum Basis {
        USE("use"),
        CAR("car"),
        PANEL("panel"),
        LITRE("litre");

        private final String code;

        Basis(String code) {
            this.code = code;
        }

        static Basis of(String code) {
            return java.util.Arrays.stream(values())
                    .filter(b -> b.code.equals(code))
                    .findFirst()
                    .orElse(CAR);
        }

        Money of(Costs costs) {
            return switch (this) {
                case USE -> costs.perUse();
                case CAR -> costs.perCar();
                case PANEL -> costs.perPanel();
                case LITRE -> costs.perLitre();
            };
        }
    }

    /** A row as shown: its bar 100 wide at the dearest. */
    record Line(
            String key,
            String address,
            String name,
            String what,
            String cost,
            String bar,
            boolean first,
            String takes,
            List<Field> fields,
            boolean open) {}

    /** An assumption of a row: what was typed over it, what counts without, and what is wrong. */
    record Field(String name, String label, String typed, String used, String problem) {}

    static CostPage of(
            Asked asked,
            CostRows.Common common,
            List<CostStore.Job> jobs,
            CostRows reckoned,
            List<Row> rows,
            List<Rate> rates,
            Map<String, String> problems) {
        Basis basis = Basis.of(asked.per);
        List<Row> costed = rows.stream().filter(r -> r.costs().isPresent()).toList();
        double dearest = costed.isEmpty()
                ? 1
                : basis.of(costed.get(costed.size() - 1).costs().orElseThrow())
                        .amount()
                        .doubleValue();
        List<Line> lines = new ArrayList<>();
        for (Row row : costed) {
            lines.add(line(row, common, basis, dearest, lines.isEmpty() && costed.size() > 1, reckoned));
        }
        return new CostPage(
                asked,
                jobs.stream()
                        .map(j -> new Choice(
                                j.name(),
                                "%s (%d)".formatted(j.name(), j.products()),
                                j.name().equalsIgnoreCase(asked.job)))
                        .toList(),
                java.util.Arrays.stream(Basis.values())
                        .map(b -> new Choice(b.code, words(b, common), b == basis))
                        .toList(),
                sentence(costed, basis, common),
                lines,
                rows.stream()
                        .filter(r -> r.costs().isEmpty())
                        .map(r -> line(r, common, basis, 1, false, reckoned))
                        .toList(),
                rates.stream()
                        .map(r -> "1 %s was %s %s on %s"
                                .formatted(
                                        r.from(), r.worth().stripTrailingZeros().toPlainString(), r.to(), r.on()))
                        .toList(),
                reckoned.unrated.stream()
                        .findFirst()
                        .map(java.util.Currency::getCurrencyCode)
                        .orElse(null),
                problems);
    }

    private static String words(Basis basis, CostRows.Common common) {
        return switch (basis) {
            case USE ->
                common.fillMl().isPresent()
                        ? "a fill of " + Figures.volume(common.fillMl().getAsDouble())
                        : "a fill of its vessel";
            case CAR -> "a car";
            case PANEL -> "a panel";
            case LITRE -> "a litre of mix";
        };
    }

    private static Line line(
            Row row, CostRows.Common common, Basis basis, double dearest, boolean first, CostRows reckoned) {
        List<Field> fields = List.of(
                field("dose", "Strength", row.dose().print(), row, reckoned),
                field("car", "Mix a car", Figures.volume(row.carMl()), row, reckoned),
                field("price", "Price", row.price().map(Money::print).orElse("18.40 EUR"), row, reckoned));
        Optional<Costs> costs = row.costs();
        String from = row.bundle().isEmpty() ? row.size() : row.size() + " from " + row.bundle();
        return new Line(
                row.key(),
                "/shelf/" + row.product().id(),
                row.product().name(),
                "%s, %s".formatted(from, row.dose().print()),
                costs.map(c -> Figures.money(basis.of(c)))
                        .orElse(row.price().isEmpty() ? "no price told" : "no rate told"),
                svg(costs.map(c -> 100 * basis.of(c).amount().doubleValue() / dearest)
                        .orElse(0.0)),
                first,
                takes(row, common),
                fields,
                fields.stream().anyMatch(f -> !f.problem.isEmpty()));
    }

    private static Field field(String what, String label, String used, Row row, CostRows reckoned) {
        String name = what + row.key();
        return new Field(name, label, reckoned.typed(name), used, reckoned.problems.getOrDefault(name, ""));
    }

    private static String takes(Row row, CostRows.Common common) {
        StringBuilder words = new StringBuilder();
        words.append("%s a car%s"
                .formatted(
                        Figures.volume(row.carMl()),
                        row.share() < 1
                                ? ", " + Figures.millilitres(row.carMl() * row.share()) + " of it product"
                                : ""));
        row.price().ifPresent(p -> words.append("; %s for %s".formatted(Figures.money(p), row.size())));
        row.costs().ifPresent(c -> {
            if (c.carsPerBottle() < 1) {
                words.append("; the bottle is smaller than one car takes");
            } else {
                words.append("; %s a bottle".formatted(Figures.count((long) c.carsPerBottle(), "car", "cars")));
            }
            row.promisedCars()
                    .ifPresent(p -> words.append(", %s promised: %s as much a car"
                            .formatted(Figures.compact(p, 3), Figures.times(p / c.carsPerBottle()))));
            row.product()
                    .label()
                    .one(Claim.Lasts.class)
                    .filter(l ->
                            row.dose().onPlace(row.product().calibrations()).isPresent())
                    .ifPresent(l -> words.append("; %s a protected week, if it lasts as claimed"
                            .formatted(
                                    Figures.money(c.perProtectedWeek(l.weeks().middle())))));
        });
        return words.toString();
    }

    /** Which is cheapest, how the next product compares, and whether its litre or its dose makes the difference. */
    private static String sentence(List<Row> rows, Basis basis, CostRows.Common common) {
        if (rows.isEmpty()) {
            return "No product with a price offers this job yet.";
        }
        Row best = rows.get(0);
        Money cost = basis.of(best.costs().orElseThrow());
        String first = "%s in %s is cheapest: %s for %s."
                .formatted(best.product().name(), best.size(), Figures.money(cost), words(basis, common));
        return rows.stream()
                .filter(r -> r.product().id() != best.product().id())
                .findFirst()
                .map(next -> first + " " + against(next, best, basis))
                .orElse(
                        rows.size() == 1
                                ? "Only " + best.product().name() + " has a price for this job: " + Figures.money(cost)
                                        + " for " + words(basis, common) + "."
                                : first);
    }

    private static String against(Row next, Row best, Basis basis) {
        double ratio = basis.of(next.costs().orElseThrow()).amount().doubleValue()
                / basis.of(best.costs().orElseThrow()).amount().doubleValue();
        double litre = perMl(next) / perMl(best);
        double takes = ratio / litre;
        return "%s costs %s as much: its bottle %s for each mL, and the job takes %s."
                .formatted(
                        next.product().name(),
                        Figures.times(ratio),
                        compared(litre, "costs the same", "costs %s as much"),
                        compared(takes, "as much of it", "%s as much of it"));
    }

    private static double perMl(Row row) {
        return row.costs().orElseThrow().perLitre().amount().doubleValue() / row.share();
    }

    private static String compared(double ratio, String same, String differs) {
        return Math.abs(ratio - 1) < 0.02 ? same : differs.formatted(Figures.times(ratio));
    }
}
