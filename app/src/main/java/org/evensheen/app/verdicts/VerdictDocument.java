package org.evensheen.app.verdicts;

import java.util.List;
import java.util.Optional;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.Study;
import org.evensheen.core.comparing.Estimate;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.comparing.Ratio;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Measure;
import org.jspecify.annotations.Nullable;

/** A verdict for programs, to the last digit. docs/formats.md describes it. */
record VerdictDocument(
        String format,
        String question,
        String measure,
        String unit,
        @Nullable Integer day,
        @Nullable String stage,
        String footing,
        List<FindingEntry> findings,
        @Nullable Long seed,
        @Nullable ScatterEntry scatter,
        @Nullable Double leastDetectableDifference,
        @Nullable EstimateEntry bare,
        List<ProductEntry> products,
        List<PairEntry> pairs,
        List<String> unread) {

    static final String FORMAT = "even-sheen-verdict/1";

    record FindingEntry(String kind, String atMost, String numbers, String remedy) {}

    record ScatterEntry(
            double deviation,
            double degreesOfFreedom,
            @Nullable String borrowedFrom,
            boolean rowsTakenOut) {}

    record EstimateEntry(double value, double standardError, double low, double high) {
        static EstimateEntry of(Estimate e) {
            Interval i =
                    e.freedom() > 0 ? e.interval() : new Interval(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
            return new EstimateEntry(e.value(), e.standardError(), i.low(), i.high());
        }
    }

    record RangeEntry(
            double value, @Nullable Double low, @Nullable Double high) {
        static @Nullable RangeEntry of(Optional<Ratio> ratio) {
            return ratio.map(r -> new RangeEntry(
                            r.value(),
                            r.interval().map(Interval::low).orElse(null),
                            r.interval().map(Interval::high).orElse(null)))
                    .orElse(null);
        }
    }

    record ProductEntry(
            String name,
            int place,
            int sections,
            double mean,
            @Nullable RangeEntry benefit,
            @Nullable RangeEntry retention,
            List<Double> chanceOfPlace) {}

    record PairEntry(
            String better, String worse, EstimateEntry difference, double p, double adjustedP, boolean toldApart) {}

    static VerdictDocument of(Study study, Measure measure, int day, Judging.Outcome outcome) {
        Optional<Verdict> verdict = outcome.verdict();
        return new VerdictDocument(
                FORMAT,
                study.question(),
                measure.code(),
                measure.scoreUnit(),
                verdict.map(v -> v.at().day()).orElse(null),
                verdict.map(v -> v.at().stage().code()).orElse(null),
                Footing.under(outcome.findings()).word(),
                outcome.findings().stream()
                        .map(f -> new FindingEntry(
                                f.kind()
                                        .name()
                                        .toLowerCase(java.util.Locale.ROOT)
                                        .replace('_', '-'),
                                f.kind().atMost().word(),
                                f.numbers(),
                                f.remedy()))
                        .toList(),
                study.judgedByCode() ? null : study.record().seed(),
                verdict.flatMap(v -> v.scatter()
                                .map(s -> new ScatterEntry(
                                        s.deviation(),
                                        s.freedom(),
                                        s.borrowedFrom().orElse(null),
                                        v.blocked())))
                        .orElse(null),
                verdict.flatMap(v -> v.leastDetectable().isPresent()
                                ? Optional.of(v.leastDetectable().getAsDouble())
                                : Optional.<Double>empty())
                        .orElse(null),
                verdict.flatMap(v -> v.bare().filter(b -> b.freedom() > 0).map(EstimateEntry::of))
                        .orElse(null),
                verdict.map(v -> v.results().stream()
                                .map(r -> new ProductEntry(
                                        r.contender().name(),
                                        r.place(),
                                        r.sections(),
                                        r.mean().value(),
                                        RangeEntry.of(r.benefit()),
                                        RangeEntry.of(r.retention()),
                                        r.chances()))
                                .toList())
                        .orElse(List.of()),
                verdict.map(v -> v.pairs().stream()
                                .map(p -> new PairEntry(
                                        name(study, p.better()),
                                        name(study, p.worse()),
                                        EstimateEntry.of(p.difference()),
                                        p.p(),
                                        p.adjusted(),
                                        p.apart()))
                                .toList())
                        .orElse(List.of()),
                verdict.map(v -> v.unread().stream().map(Contender::name).toList())
                        .orElse(List.of()));
    }

    private static String name(Study study, int number) {
        Contender contender = study.record().contenders().get(number);
        return contender.name();
    }
}
