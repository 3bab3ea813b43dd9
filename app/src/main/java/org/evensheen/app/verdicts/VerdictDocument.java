package org.evensheen.app.verdicts;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.Study;
import org.evensheen.core.comparing.Absent;
import org.evensheen.core.comparing.Estimate;
import org.evensheen.core.comparing.HouseScatter;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.comparing.Kept;
import org.evensheen.core.comparing.Observers;
import org.evensheen.core.comparing.Ratio;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Contender;
import org.jspecify.annotations.Nullable;

/** A verdict for programs, to the last digit, with all that each number came from. docs/formats.md describes it. */
record VerdictDocument(
        String format,
        int method,
        String question,
        String measure,
        String unit,
        String scale,
        boolean moreIsBetter,
        @Nullable Integer day,
        @Nullable String stage,
        String footing,
        List<FindingEntry> findings,
        @Nullable Long seed,
        @Nullable String noSeed,
        DrawsEntry draws,
        @Nullable ScatterEntry scatter,
        @Nullable String noScatter,
        @Nullable Double criticalT,
        List<List<String>> comparable,
        String rows,
        Map<Integer, Double> rowEffects,
        List<SectionEntry> sections,
        @Nullable EstimateEntry bare,
        @Nullable String noBare,
        List<ProductEntry> products,
        List<PairEntry> pairs,
        List<String> unread,
        List<ObserversEntry> observers) {

    static final String FORMAT = "even-sheen-verdict/2";

    record FindingEntry(String kind, String atMost, String numbers, String remedy) {}

    /** How many draws the chances rest on, and the standard error that leaves in a chance of one half. */
    record DrawsEntry(int count, double standardError) {}

    record LenderEntry(long study, int day, double variance, double degreesOfFreedom) {
        static LenderEntry of(HouseScatter.Lender lender) {
            return new LenderEntry(lender.study(), lender.day(), lender.variance(), lender.freedom());
        }
    }

    record ScatterEntry(
            double deviation, double degreesOfFreedom, boolean ofBareAlone, List<LenderEntry> borrowedFrom) {}

    record SectionEntry(
            String section, String contender, int row, double mean, double turned, int count, double repeatDeviation) {}

    record EstimateEntry(
            double value,
            double standardError,
            @Nullable Double degreesOfFreedom,
            @Nullable Double low,
            @Nullable Double high) {
        static EstimateEntry of(Estimate e) {
            Optional<Interval> i = e.freedom() > 0 ? Optional.of(e.interval()) : Optional.empty();
            return new EstimateEntry(
                    e.value(),
                    e.standardError(),
                    Double.isInfinite(e.freedom()) ? null : e.freedom(),
                    i.map(Interval::low).orElse(null),
                    i.map(Interval::high).orElse(null));
        }
    }

    record RangeEntry(
            double value, @Nullable Double low, @Nullable Double high) {
        static RangeEntry of(Ratio r) {
            return new RangeEntry(
                    r.value(),
                    r.interval().map(Interval::low).orElse(null),
                    r.interval().map(Interval::high).orElse(null));
        }
    }

    record UsedEntry(
            String section, String contender, @Nullable Double before, double fresh, double today) {}

    record RetentionEntry(
            double value,
            @Nullable Double low,
            @Nullable Double high,
            String control,
            int freshDay,
            EstimateEntry firstEffect,
            List<UsedEntry> readings) {}

    record ProductEntry(
            String name,
            int place,
            int sections,
            EstimateEntry mean,
            @Nullable RangeEntry benefit,
            @Nullable String noBenefit,
            @Nullable RetentionEntry retention,
            @Nullable String noRetention,
            List<Double> chanceOfPlace) {}

    record PairEntry(
            String better,
            String worse,
            double difference,
            double standardError,
            @Nullable Double degreesOfFreedom,
            @Nullable Double low,
            @Nullable Double high,
            double p,
            double adjustedP,
            boolean toldApart,
            @Nullable Double toldApartFrom) {}

    /** What two people read on the same places, set against each other. */
    record ObserversEntry(
            String one,
            String other,
            int places,
            int alike,
            double difference,
            @Nullable Double deviation) {
        static ObserversEntry of(Observers o) {
            return new ObserversEntry(
                    o.one(), o.other(), o.places(), o.alike(), o.difference(), Writer.orNull(o.deviation()));
        }
    }

    static VerdictDocument of(Study study, Measure measure, int day, Judging.Outcome outcome) {
        return new Writer(study, measure, outcome, outcome.verdict()).write();
    }

    private record Writer(Study study, Measure measure, Judging.Outcome outcome, Optional<Verdict> verdict) {

        VerdictDocument write() {
            boolean closed = study.judgedByCode();
            return new VerdictDocument(
                    FORMAT,
                    Verdict.METHOD,
                    study.question(),
                    measure.code(),
                    measure.scoreUnit(),
                    verdict.map(v -> v.ofAnOrder() ? "order" : code(v.turn())).orElse("none"),
                    measure.moreIsBetter(),
                    verdict.map(v -> v.at().day()).orElse(null),
                    verdict.map(v -> v.at().look().code()).orElse(null),
                    Footing.under(outcome.findings()).word(),
                    findings(),
                    closed ? null : study.record().seed(),
                    closed ? "the key is closed, and the lots follow from the seed" : null,
                    new DrawsEntry(Verdict.DRAWS, 0.5 / Math.sqrt(Verdict.DRAWS)),
                    verdict.flatMap(Verdict::scatter).map(Writer::scatter).orElse(null),
                    verdict.filter(v -> v.scatter().isEmpty())
                            .map(v -> code(v.ofAnOrder() ? Absent.AN_ORDER : Absent.NO_SCATTER))
                            .orElse(null),
                    verdict.flatMap(Verdict::simultaneous)
                            .map(Verdict.Simultaneous::critical)
                            .orElse(null),
                    verdict.map(v -> v.groups().stream()
                                    .map(g -> g.stream().map(this::name).toList())
                                    .toList())
                            .orElse(List.of()),
                    verdict.map(v -> code(v.rows())).orElse("none"),
                    verdict.map(Verdict::rowEffects).orElse(Map.of()),
                    verdict.map(this::sections).orElse(List.of()),
                    verdict.flatMap(Verdict::bare).map(EstimateEntry::of).orElse(null),
                    verdict.filter(v -> v.bare().isEmpty())
                            .map(v -> code(bareAbsent()))
                            .orElse(null),
                    verdict.map(v -> v.results().stream().map(this::product).toList())
                            .orElse(List.of()),
                    verdict.map(v -> v.pairs().stream().map(this::pair).toList())
                            .orElse(List.of()),
                    verdict.map(v -> v.unread().stream().map(Contender::name).toList())
                            .orElse(List.of()),
                    verdict.map(v -> Observers.of(study.record(), measure, v.at()).stream()
                                    .map(ObserversEntry::of)
                                    .toList())
                            .orElse(List.of()));
        }

        private List<FindingEntry> findings() {
            return outcome.findings().stream()
                    .map(f -> new FindingEntry(code(f.kind()), f.kind().atMost().word(), f.numbers(), f.remedy()))
                    .toList();
        }

        private static ScatterEntry scatter(Verdict.Scatter s) {
            return new ScatterEntry(
                    s.deviation(),
                    s.freedom(),
                    s.bareOnly(),
                    s.lenders().stream().map(LenderEntry::of).toList());
        }

        private List<SectionEntry> sections(Verdict judged) {
            return judged.entered().stream()
                    .map(e -> new SectionEntry(
                            e.section(),
                            name(e.contender()),
                            e.row(),
                            e.mean(),
                            e.turned(),
                            e.repeats(),
                            e.deviation()))
                    .toList();
        }

        private Absent bareAbsent() {
            return study.record().bareSections().findAny().isEmpty() ? Absent.NO_BARE_SECTION : Absent.BARE_NOT_READ;
        }

        private ProductEntry product(Verdict.Result r) {
            return new ProductEntry(
                    r.contender().name(),
                    r.place(),
                    r.sections(),
                    EstimateEntry.of(r.mean()),
                    r.benefit().value().map(RangeEntry::of).orElse(null),
                    r.benefit().absent().map(Writer::code).orElse(null),
                    r.retention().value().map(this::retention).orElse(null),
                    r.retention().absent().map(Writer::code).orElse(null),
                    r.chances());
        }

        private RetentionEntry retention(Kept kept) {
            RangeEntry share = RangeEntry.of(kept.share());
            return new RetentionEntry(
                    share.value(),
                    share.low(),
                    share.high(),
                    code(kept.control()),
                    kept.freshDay(),
                    EstimateEntry.of(kept.first()),
                    kept.used().stream()
                            .map(u -> new UsedEntry(
                                    u.section(), name(u.contender()), orNull(u.before()), u.fresh(), u.today()))
                            .toList());
        }

        private PairEntry pair(Verdict.Pair p) {
            return new PairEntry(
                    name(p.better()),
                    name(p.worse()),
                    p.difference().value(),
                    p.difference().standardError(),
                    Double.isInfinite(p.difference().freedom())
                            ? null
                            : p.difference().freedom(),
                    p.interval().map(Interval::low).orElse(null),
                    p.interval().map(Interval::high).orElse(null),
                    p.p(),
                    p.adjusted(),
                    p.apart(),
                    orNull(p.least()));
        }

        private String name(int number) {
            return study.record().contenders().get(number).name();
        }

        private static @Nullable Double orNull(OptionalDouble value) {
            return value.isPresent() ? value.getAsDouble() : null;
        }

        private static String code(Enum<?> of) {
            return of.name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }
}
