package org.evensheen.app.verdicts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Missing;
import org.evensheen.app.studies.Study;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.comparing.Ratio;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;

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
                    Figures.difference(measure(), result.mean().value()),
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
                                    .map(b -> Figures.benefit(measure(), b.value()))
                                    .orElse("none")
                            + result.benefit()
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
            Ratio left = result.retention().orElseThrow(() -> new Missing("Nothing was kept to compare with yet."));
            List<String> steps = new ArrayList<>();
            for (Contender contender : List.of(result.contender(), bare())) {
                for (Section section : study.record().sectionsOf(contender).toList()) {
                    fresh(section)
                            .ifPresent(then -> now(section)
                                    .ifPresent(now -> steps.add("%s on %s: %s fresh, %s on day %d"
                                            .formatted(
                                                    name(contender),
                                                    section.code(),
                                                    n(then),
                                                    n(now),
                                                    verdict.at().day()))));
                }
            }
            steps.add("today's benefit over the first one = " + Figures.number(left.value(), 3));
            return new Workings(
                    "What is left of " + name(result.contender()),
                    Figures.percent(left.value())
                            + left.interval()
                                    .map(i -> ", " + Figures.percentRange(i))
                                    .orElse(", no interval: its first effect can't be told from none"),
                    measure().benefitIsShare()
                            ? "(1 − product/bare) today / (1 − product/bare) when fresh; bare read on each day"
                            : "(bare − product) today / (bare − product) when fresh; bare read on each day",
                    steps,
                    "Spent at 25 % or below. Sections read on both days only; the two days' readings of a section go together. "
                            + "95 % interval after Fieller, to first order. " + scatter());
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
                    "Shown to be better: Holm-adjusted p below 0.05 over all pairs. Products joined by tape can't be told apart.");
        }

        Workings chance() {
            return new Workings(
                    "Chance of each place",
                    "10" + "\u202f" + "000 draws",
                    "means drawn from their joint t distribution, ranked, counted",
                    List.of(
                            study.judgedByCode()
                                    ? "The seed is stored with the study; it is shown once the key is open, as the lots follow from it."
                                    : "Seed stored with the study: %d"
                                            .formatted(study.record().seed())),
                    "The draws know only this study and this measure. " + scatter());
        }

        Workings pair(int product, int other) {
            Verdict.Pair pair = verdict.pairs().stream()
                    .filter(p -> p.joins(product, other))
                    .findFirst()
                    .orElseThrow(() -> new Missing("Those two are not set against each other here."));
            Interval interval = pair.difference().interval();
            return new Workings(
                    "%s before %s".formatted(byNumber(pair.better()), byNumber(pair.worse())),
                    "%s, %s"
                            .formatted(
                                    Figures.difference(
                                            measure(), pair.difference().value()),
                                    Figures.differenceRange(measure(), interval)),
                    "difference of adjusted means; t = difference / standard error",
                    List.of(
                            "standard error %s, %s degrees of freedom"
                                    .formatted(
                                            n2(pair.difference().standardError()),
                                            Figures.number(pair.difference().freedom(), 0)),
                            "p %s, times Holm's factor: %s".formatted(Figures.p(pair.p()), Figures.p(pair.adjusted())),
                            pair.apart() ? "Below 0.05: told apart." : "Not below 0.05: can't be told apart."),
                    "Holm (1979) over %d pairs. ".formatted(verdict.pairs().size()) + scatter());
        }

        Workings least() {
            return new Workings(
                    "Least detectable difference",
                    verdict.leastDetectable().isPresent()
                            ? Figures.difference(
                                    measure(), verdict.leastDetectable().getAsDouble())
                            : "none",
                    "the true difference whose t test at 5 % has power 80 % (noncentral t)",
                    verdict.pairs().stream()
                            .limit(1)
                            .map(p -> "standard error of a difference %s, %s degrees of freedom"
                                    .formatted(
                                            n2(p.difference().standardError()),
                                            Figures.number(p.difference().freedom(), 0)))
                            .toList(),
                    "For one pair on its own; with Holm's adjustment a little more is needed. More sections lower it, more repeats hardly do. "
                            + scatter());
        }

        private List<String> steps(Contender contender) {
            List<String> steps = new ArrayList<>();
            for (Section section : study.record().sectionsOf(contender).toList()) {
                study.record()
                        .mean(section, verdict.at(), measure())
                        .ifPresent(s -> steps.add("%s on %s, row %d: %s, mean of %s"
                                .formatted(
                                        name(contender),
                                        section.code(),
                                        section.row(),
                                        n(s.mean()),
                                        Figures.count(s.count(), "repeat", "repeats"))));
            }
            return steps;
        }

        private Contender bare() {
            return study.record().contenders().stream()
                    .filter(Contender::isBare)
                    .findFirst()
                    .orElseThrow(() -> new Missing("There is no bare section in this study."));
        }

        private Optional<Double> fresh(Section section) {
            return study.record()
                    .firstRead(section, Stage.FRESH, measure())
                    .flatMap(o -> study.record().mean(section, o, measure()))
                    .map(Spread::mean);
        }

        private Optional<Double> now(Section section) {
            return study.record().mean(section, verdict.at(), measure()).map(Spread::mean);
        }

        private String scatter() {
            return verdict.scatter()
                    .map(s -> "Scatter between sections %s with %s degrees of freedom, %s%s."
                            .formatted(
                                    n2(s.deviation()),
                                    Figures.number(s.freedom(), 0),
                                    s.borrowedFrom()
                                            .map(from -> "borrowed from " + from)
                                            .orElse(s.bareOnly() ? "from the bare sections alone" : "from this study"),
                                    verdict.blocked() ? ", rows taken out" : ""))
                    .orElse("There is no scatter between sections to go by, so there is no interval.");
        }

        private String byNumber(int contender) {
            return name(study.record().contenders().get(contender));
        }

        private String n(double value) {
            return Figures.difference(measure(), value);
        }

        private String n2(double value) {
            return Figures.withUnit(Figures.number(value, 2), measure().scoreUnit());
        }
    }
}
