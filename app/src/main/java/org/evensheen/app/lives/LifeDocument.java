package org.evensheen.app.lives;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.evensheen.app.studies.Study;
import org.evensheen.core.comparing.Compared;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.wear.ByChemical;
import org.evensheen.core.wear.Curve;
import org.evensheen.core.wear.Fitted;
import org.evensheen.core.wear.Life;
import org.evensheen.core.wear.Lives;
import org.evensheen.core.wear.Promise;
import org.evensheen.core.wear.Wear;
import org.jspecify.annotations.Nullable;

/** Lives for programs, with all that they were worked out from; docs/formats.md describes it. An end that is open is null. */
record LifeDocument(
        String format,
        int method,
        String question,
        String measure,
        String axis,
        int until,
        @Nullable Double span,
        @Nullable Double sigma,
        Map<Integer, Double> rows,
        long seed,
        int draws,
        List<CurveEntry> curves,
        List<ProductEntry> products,
        Map<String, String> without,
        List<PairEntry> pairs,
        @Nullable Double logRankP,
        @Nullable OverEntry overTime,
        List<PromiseEntry> promises,
        ChemicalsEntry byChemical,
        List<String> found) {
    static final String FORMAT = "even-sheen-life/1";

    record CurveEntry(
            String section,
            int contender,
            int row,
            int coat,
            int appliedOnDay,
            String control,
            double firstEffect,
            List<PointEntry> points,
            @Nullable Double lifeAfter,
            @Nullable Double lifeBy) {}

    record PointEntry(
            int day,
            String stage,
            double x,
            double left,
            double smooth,
            @Nullable Double asItArrived) {}

    record ProductEntry(
            int contender,
            String name,
            @Nullable Integer place,
            int sections,
            int goOn,
            @Nullable Double medianLife,
            @Nullable Double low,
            @Nullable Double high,
            List<Double> chances,
            @Nullable Double tau,
            @Nullable Double k,
            @Nullable Integer checkpoints,
            @Nullable Double leftNow) {}

    record PairEntry(
            int longer,
            int shorter,
            @Nullable Double ratio,
            double low,
            @Nullable Double high,
            double p,
            boolean apart) {}

    record OverEntry(double over, double deviation, double freedom, List<MeanEntry> products) {}

    record MeanEntry(
            int contender,
            int place,
            double mean,
            @Nullable Double low,
            @Nullable Double high) {}

    record ChemicalsEntry(String state, List<LossEntry> losses, List<ChemicalEntry> chemicals) {}

    record LossEntry(String section, int contender, String chemical, double lost) {}

    record ChemicalEntry(
            String name,
            int place,
            double lost,
            @Nullable Double low,
            @Nullable Double high) {}

    record PromiseEntry(
            int contender,
            String axis,
            double claimed,
            double most,
            String state,
            @Nullable Double chance,
            double elapsed,
            @Nullable Double left) {}

    static LifeDocument of(Study study, Wear wear) {
        Optional<Lives> lives = wear.lives();
        Map<String, String> without = new TreeMap<>();
        wear.curves()
                .without()
                .forEach((number, why) ->
                        without.put(study.record().contenders().get(number).name(), word(why)));
        return new LifeDocument(
                FORMAT,
                Wear.METHOD,
                study.question(),
                wear.measure().code(),
                wear.axis().code(),
                wear.until(),
                lives.map(Lives::span).orElse(null),
                lives.map(Lives::sigma).orElse(null),
                lives.map(Lives::rows).orElse(Map.of()),
                study.record().seed(),
                Lives.DRAWS,
                wear.curves().curves().stream().map(LifeDocument::curve).toList(),
                lives.map(l -> l.products().stream()
                                .map(p -> product(study, wear, l, p))
                                .toList())
                        .orElse(List.of()),
                without,
                wear.ranking()
                        .map(r -> r.pairs().stream()
                                .map(p -> new PairEntry(
                                        p.longer(),
                                        p.shorter(),
                                        number(p.ratio()),
                                        p.interval().low(),
                                        Double.isFinite(p.interval().high())
                                                ? p.interval().high()
                                                : null,
                                        p.p(),
                                        p.apart()))
                                .toList())
                        .orElse(List.of()),
                number(wear.logRank()),
                wear.overTime()
                        .map(c -> new OverEntry(
                                wear.over(),
                                c.deviation(),
                                c.freedom(),
                                c.lines().stream()
                                        .map(l -> mean(l, c.freedom()))
                                        .toList()))
                        .orElse(null),
                wear.promises().stream().map(LifeDocument::promise).toList(),
                chemicals(wear.byChemical()),
                wear.curves().found().stream().map(LifeDocument::word).toList());
    }

    private static ChemicalsEntry chemicals(ByChemical by) {
        double freedom = by.compared().map(Compared::freedom).orElse(0.0);
        return new ChemicalsEntry(
                word(by.state()),
                by.losses().stream()
                        .map(l -> new LossEntry(
                                l.section(), l.contender(), by.chemicals().get(l.chemical()), l.lost()))
                        .toList(),
                by.compared().stream()
                        .flatMap(c -> c.lines().stream())
                        .map(l -> {
                            MeanEntry m = mean(l, freedom);
                            return new ChemicalEntry(
                                    by.chemicals().get(l.contender()), m.place(), m.mean(), m.low(), m.high());
                        })
                        .toList());
    }

    private static MeanEntry mean(Compared.Line l, double freedom) {
        Optional<Interval> i = freedom > 0 ? Optional.of(l.mean().interval()) : Optional.empty();
        return new MeanEntry(
                l.contender(),
                l.place(),
                l.mean().value(),
                i.map(Interval::low).orElse(null),
                i.map(Interval::high).orElse(null));
    }

    private static CurveEntry curve(Curve c) {
        Optional<Life> life = c.life();
        return new CurveEntry(
                c.section(),
                c.contender(),
                c.row(),
                c.coat(),
                c.from(),
                word(c.control()),
                c.first(),
                c.points().stream()
                        .map(p -> new PointEntry(
                                p.at().day(), p.at().look().code(), p.x(), p.left(), p.smooth(), number(p.arrival())))
                        .toList(),
                life.map(Life::low).orElse(null),
                life.map(Life::high).filter(Double::isFinite).orElse(null));
    }

    private static ProductEntry product(Study study, Wear wear, Lives lives, int number) {
        Lives.Told told = lives.told(number);
        Optional<Fitted> fitted = Optional.ofNullable(wear.fitted().get(number));
        Optional<Lives.Ranking> ranking = wear.ranking();
        return new ProductEntry(
                number,
                study.record().contenders().get(number).name(),
                ranking.map(r -> r.places().get(r.ranked().indexOf(number))).orElse(null),
                told.sections(),
                told.goOn(),
                number(told.median()),
                told.interval().low(),
                Double.isFinite(told.interval().high()) ? told.interval().high() : null,
                ranking.map(r -> r.chances().get(r.ranked().indexOf(number))).orElse(List.of()),
                fitted.map(Fitted::tau).orElse(null),
                fitted.map(Fitted::k).orElse(null),
                fitted.map(Fitted::checkpoints).orElse(null),
                fitted.map(f -> f.left(f.span())).orElse(null));
    }

    private static PromiseEntry promise(Promise p) {
        return new PromiseEntry(
                p.contender(),
                p.axis().code(),
                p.claimed(),
                p.most(),
                word(p.state()),
                number(p.chance()),
                p.elapsed(),
                number(p.left()));
    }

    private static @Nullable Double number(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
