package org.evensheen.app.verdicts;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Missing;
import org.evensheen.app.studies.OutcomeWords;
import org.evensheen.app.studies.Study;
import org.evensheen.core.comparing.Kept;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Contender;

/**
 * How one number of the verdict was worked out.
 *
 * @param steps the arithmetic with its numbers, in order
 * @param rests what it takes for granted, and the source of the method
 */
record Workings(String title, String value, String formula, List<String> steps, String rests) {

    /**
     * @param of mean, benefit, retention, place, chance, pair or least
     * @throws Missing for anything else, or for a product that is not in the verdict
     */
    static Workings of(Study study, Verdict verdict, String of, int product, int other) {
        Writer writer = new Writer(study, verdict);
        return switch (of) {
            case "mean" -> writer.mean(writer.result(product));
            case "benefit" -> writer.benefit(writer.result(product));
            case "retention" -> writer.retention(writer.result(product));
            case "place" -> writer.place(writer.result(product));
            case "chance" -> writer.chance();
            case "pair" -> writer.pair(product, other);
            case "least" -> writer.least();
            default -> throw new Missing("There is no number called “" + of + "”.");
        };
    }

    private static final int MOST_TOLD = 10;

    private record Writer(Study study, Verdict verdict) {

        Verdict.Result result(int product) {
            return verdict.results().stream()
                    .filter(r -> r.contender().number() == product)
                    .findFirst()
                    .orElseThrow(() -> new Missing("That product is not in this verdict."));
        }

        private Measure measure() {
            return verdict.measure();
        }

        private String name(Contender contender) {
            return contender.name();
        }

        Workings mean(Verdict.Result result) {
            return new Workings(
                    "Mean of " + name(result.contender()),
                    Figures.difference(measure(), verdict.mean(result)),
                    "mean over sections, rows taken out by least squares: section mean = product + row",
                    steps(result.contender()),
                    scatter());
        }

        Workings benefit(Verdict.Result result) {
            List<String> steps = new ArrayList<>(steps(result.contender()));
            verdict.bare().ifPresent(b -> {
                steps.addAll(steps(bare()));
                double product = result.mean().value();
                steps.add(
                        measure().benefitIsShare()
                                ? "1 − %s / %s = %s"
                                        .formatted(n(product), n(b.value()), Figures.number(1 - product / b.value(), 3))
                                : "%s − %s = %s".formatted(n(product), n(b.value()), n(product - b.value())));
            });
            return new Workings(
                    "Benefit of " + name(result.contender()),
                    result.benefit()
                                    .value()
                                    .map(b -> Figures.benefit(measure(), b.value()))
                                    .orElse("none")
                            + result.benefit()
                                    .value()
                                    .map(b -> ", " + Figures.benefitRange(measure(), b.interval()))
                                    .orElse(""),
                    measure().benefitIsShare()
                            ? "1 − product / bare, both read that day"
                            : "product − bare, both read that day",
                    steps,
                    (measure().benefitIsShare()
                                    ? "95 % interval after Fieller (1954), for a ratio of two means. "
                                    : "95 % t interval. ")
                            + scatter());
        }

        Workings retention(Verdict.Result result) {
            Kept kept = result.retention()
                    .value()
                    .orElseThrow(() -> new Missing("Nothing is left to tell: "
                            + OutcomeWords.why(result.retention().absent().orElseThrow()) + "."));
            List<String> steps = kept.used().stream()
                    .map(u -> "%s on %s: %s%s fresh, %s on day %d"
                            .formatted(
                                    byNumber(u.contender()),
                                    u.section(),
                                    u.before().isPresent() ? n(u.before().getAsDouble()) + " before, " : "",
                                    n(u.fresh()),
                                    n(u.today()),
                                    verdict.at().day()))
                    .collect(Collectors.toCollection(ArrayList::new));
            steps.add("first effect, day %d: %s"
                    .formatted(
                            kept.freshDay(),
                            measure().benefitIsShare() && kept.control() == Kept.Control.BARE
                                    ? Figures.percent(kept.first().value())
                                    : n(kept.first().value())));
            steps.add("today's effect over the first one = "
                    + Figures.number(kept.share().value(), 3));
            return new Workings(
                    "What is left of " + name(result.contender()),
                    Figures.percent(kept.share().value())
                            + kept.share()
                                    .interval()
                                    .map(i -> ", " + Figures.percentRange(i))
                                    .orElse(", no interval: nothing shows how much sections scatter"),
                    kept.control() == Kept.Control.OWN_BEFORE
                            ? "(before − today) / (before − fresh), on the same place"
                            : measure().benefitIsShare()
                                    ? "(1 − product/bare) today / (1 − product/bare) when fresh; bare read on each day"
                                    : "(bare − product) today / (bare − product) when fresh; bare read on each day",
                    steps,
                    "Set against %s. Spent at 25 %% or below. Sections read on both days only; the two days' readings of a section go together. 95 %% interval after Fieller, to first order. "
                                    .formatted(OutcomeWords.control(kept.control()))
                            + scatter());
        }

        Workings place(Verdict.Result result) {
            List<String> steps = verdict.pairs().stream()
                    .filter(p -> p.worse() == result.contender().number() && p.apart())
                    .map(p -> "%s is shown to be better: adjusted p %s"
                            .formatted(byNumber(p.better()), Figures.p(p.adjusted())))
                    .collect(Collectors.toCollection(ArrayList::new));
            if (steps.isEmpty()) {
                steps.add("No product is shown to be better.");
            }
            return new Workings(
                    "Place of " + name(result.contender()),
                    String.valueOf(result.place()),
                    "1 + the number of products shown to be better",
                    steps,
                    "Shown to be better: p below 0.05 with all pairs compared at once. Products joined by tape can't be told apart.");
        }

        Workings chance() {
            return new Workings(
                    "Chance of each place",
                    "10" + "\u202f" + "000 draws",
                    "true means drawn from what the evidence allows, pulled towards each other as far as the products are alike; ranked, counted",
                    List.of(
                            study.judgedByCode()
                                    ? "The seed is stored with the study; it is shown once the key is open, as the lots follow from it."
                                    : "Seed stored with the study: %d"
                                            .formatted(study.record().seed())),
                    "Means have a spread of their own, which is estimated and integrated over; without it a leader of a close field is promised too much. A chance is right within 0.01 of what more draws would give. The draws know only this study and this measure. "
                            + scatter());
        }

        Workings pair(int product, int other) {
            Verdict.Pair pair = verdict.pairs().stream()
                    .filter(p -> p.joins(product, other))
                    .findFirst()
                    .orElseThrow(() -> new Missing("Those two are not set against each other here."));
            return verdict.ofAnOrder() ? ofAnOrder(pair) : ofAmounts(pair);
        }

        private String before(Verdict.Pair pair) {
            return "%s before %s".formatted(byNumber(pair.better()), byNumber(pair.worse()));
        }

        private String told(Verdict.Pair pair) {
            return pair.apart() ? "Below 0.05: told apart." : "Not below 0.05: can't be told apart.";
        }

        private Workings ofAnOrder(Verdict.Pair pair) {
            return new Workings(
                    before(pair),
                    "p " + Figures.p(pair.adjusted()),
                    "how often would the grades differ as much, had the lots within each row fallen otherwise? Every lot is counted",
                    Stream.of(
                                    steps(study.record().contenders().get(pair.better())).stream(),
                                    steps(study.record().contenders().get(pair.worse())).stream(),
                                    Stream.of(
                                            "p %s; over all %s by Holm's steps %s"
                                                    .formatted(
                                                            Figures.p(pair.p()),
                                                            Figures.count(
                                                                    verdict.pairs()
                                                                            .size(),
                                                                    "pair",
                                                                    "pairs"),
                                                            Figures.p(pair.adjusted())),
                                            told(pair)))
                            .flatMap(s -> s)
                            .toList(),
                    scatter());
        }

        private Workings ofAmounts(Verdict.Pair pair) {
            return new Workings(
                    before(pair),
                    "%s, %s"
                            .formatted(
                                    Figures.told(measure(), verdict.told(pair)),
                                    Figures.toldRange(measure(), verdict.told(pair))),
                    "difference of adjusted means; t = difference / standard error",
                    List.of(
                            "standard error %s, %s degrees of freedom"
                                    .formatted(
                                            n2(pair.difference().standardError()),
                                            Figures.number(pair.difference().freedom(), 0)),
                            "t must exceed %s for any of %s to be told apart: p %s, alone it would be %s"
                                    .formatted(
                                            Figures.number(
                                                    verdict.simultaneous()
                                                            .orElseThrow()
                                                            .critical(),
                                                    2),
                                            Figures.count(verdict.pairs().size(), "pair", "pairs"),
                                            Figures.p(pair.adjusted()),
                                            Figures.p(pair.p())),
                            "told apart four times in five if it were truly "
                                    + Figures.size(
                                            measure(), verdict.leastTold(pair).orElseThrow()),
                            told(pair)),
                    "Single-step max-t over all pairs (Tukey's where sections are even), so that interval and verdict never differ. "
                            + scatter());
        }

        Workings least() {
            if (verdict.ofAnOrder()) {
                return new Workings(
                        "What the lots can tell",
                        OutcomeWords.toldApart(measure(), verdict),
                        "the smallest p that the lots of two products allow, over all pairs by Holm's steps",
                        verdict.pairs().stream()
                                .map(p -> "%s and %s: p %s"
                                        .formatted(byNumber(p.better()), byNumber(p.worse()), Figures.p(p.adjusted())))
                                .limit(MOST_TOLD)
                                .toList(),
                        scatter());
            }
            return new Workings(
                    "Difference that would be told apart",
                    OutcomeWords.toldApart(measure(), verdict),
                    "the true difference whose |t| exceeds the critical value of all pairs with 80 % chance (noncentral t)",
                    verdict.pairs().stream()
                            .map(p -> "%s and %s: standard error %s, told apart from %s"
                                    .formatted(
                                            byNumber(p.better()),
                                            byNumber(p.worse()),
                                            n2(p.difference().standardError()),
                                            Figures.size(
                                                    measure(),
                                                    verdict.leastTold(p).orElseThrow())))
                            .limit(MOST_TOLD)
                            .toList(),
                    "With all pairs compared at once, as the verdict does. More sections lower it, more repeats hardly do. "
                            + scatter());
        }

        private List<String> steps(Contender contender) {
            return verdict.entered().stream()
                    .filter(e -> e.contender() == contender.number())
                    .map(e -> "%s on %s, row %d: %s, mean of %s"
                            .formatted(
                                    name(contender),
                                    e.section(),
                                    e.row(),
                                    n(e.mean()),
                                    Figures.count(e.repeats(), "repeat", "repeats")))
                    .toList();
        }

        private Contender bare() {
            return study.record().contenders().stream()
                    .filter(Contender::isBare)
                    .findFirst()
                    .orElseThrow(() -> new Missing("There is no bare section in this study."));
        }

        private String scatter() {
            if (verdict.ofAnOrder()) {
                return "Grades are an order: effects by a cumulative logit with a weak prior give the ranking and its chances (McCullagh 1980), the lots alone tell apart.";
            }
            return verdict.scatter()
                    .map(s -> "Scatter between sections %s with %s degrees of freedom, %s%s."
                            .formatted(
                                    n2(s.deviation()),
                                    Figures.number(s.freedom(), 0),
                                    OutcomeWords.source(s),
                                    OutcomeWords.rows(verdict.rows())))
                    .orElse("There is no scatter between sections to go by, so there is no interval.");
        }

        private String byNumber(int contender) {
            return name(study.record().contenders().get(contender));
        }

        private String n(double value) {
            return Figures.difference(measure(), value);
        }

        private String n2(double value) {
            return Figures.quantity(value, measure().scoreUnit(), 2);
        }
    }
}
