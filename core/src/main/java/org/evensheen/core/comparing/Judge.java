package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.evensheen.core.comparing.BlockModel.Linear;
import org.evensheen.core.comparing.Verdict.Entered;
import org.evensheen.core.comparing.Verdict.Pair;
import org.evensheen.core.comparing.Verdict.Result;
import org.evensheen.core.comparing.Verdict.Scatter;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.StudyRecord;
import org.hipparchus.linear.RealMatrix;

/**
 * Judges one measure of a study at one moment.
 *
 * <p>Repeats are averaged within a section; section means go through {@link BlockModel}; pairs are told apart all at once by
 * {@link MaxT}; a product's place is one more than the number of products shown to be better. Scatter between sections is the
 * model's own, or the house's where the study has none. Repeat scatter is never used for it.
 */
public final class Judge {
    /** Scatter below this share of the readings is rounding of the machine, and shows nothing. */
    private static final double NOISE = 1e-9;

    private final StudyRecord study;
    private final Measure measure;
    private final Occasion at;
    private final boolean withChances;
    private final Scale.Turn turn;

    private Judge(StudyRecord study, Measure measure, Occasion at, boolean withChances) {
        this.study = study;
        this.measure = measure;
        this.at = at;
        this.withChances = withChances;
        turn = measure.scale().linear() ? measure.scale().turn(scores()) : Scale.Turn.NONE;
    }

    /**
     * The verdict on the latest judged occasion up to a day.
     *
     * @param house scatter to fall back on if the study has one section per product and one bare
     * @return empty if fewer than two products were ever read on one occasion by then
     * @throws IllegalArgumentException for a measure that is not {@linkplain Measure#comparable() comparable}
     */
    public static Optional<Verdict> verdict(StudyRecord study, Measure measure, int day, Optional<HouseScatter> house) {
        if (!measure.comparable()) {
            throw new IllegalArgumentException(measure.label() + " is of pairs, not of places");
        }
        return study.judgedBy(day, measure).map(at -> {
            Judge judge = new Judge(study, measure, at, true);
            return measure.scale().linear() ? judge.judge(house) : judge.order();
        });
    }

    /**
     * What is true of each product, as far as it is known: for weighing it with other qualities. The same model as {@link #verdict}; empty without scatter, where not all can be compared,
     * and for orders, which are no amounts.
     */
    public static Optional<Drawn> drawn(StudyRecord study, Measure measure, int day, Optional<HouseScatter> house) {
        return measure.comparable()
                ? study.judgedBy(day, measure).flatMap(at -> {
                    Judge judge = new Judge(study, measure, at, true);
                    return measure.scale().linear() ? judge.drawn(house) : judge.drawnOrder();
                })
                : Optional.empty();
    }

    /** By the scale behind the grades; empty where nothing stands on two places, so that a product can't be told from its place. */
    private Optional<Drawn> drawnOrder() {
        List<Entered> entered = entered();
        List<Contender> products = entered.stream()
                .map(e -> study.contenders().get(e.contender()))
                .distinct()
                .filter(c -> !c.isControl())
                .toList();
        BlockModel rows = BlockModel.fit(entered.stream()
                .map(e -> new BlockModel.Unit(e.contender(), e.row(), 0))
                .toList());
        boolean twice = entered.stream().map(Entered::contender).distinct().count() < entered.size();
        if (products.size() < 2 || !twice || !together(products, groups(rows))) {
            return Optional.empty();
        }
        return Optional.of(new OrderJudge(entered, measure.moreIsBetter(), seed())
                .drawn(n -> study.contenders().get(n).isControl()));
    }

    /** The same verdict without the chances of places, which take ten thousand draws: for judging thousands of rehearsed studies. */
    static Optional<Verdict> places(StudyRecord study, Measure measure, int day) {
        return study.judgedBy(day, measure).map(at -> new Judge(study, measure, at, false).judge(Optional.empty()));
    }

    private Optional<Drawn> drawn(Optional<HouseScatter> house) {
        List<Entered> entered = entered();
        BlockModel own = BlockModel.fit(units(entered));
        boolean scattered = scattered(own, entered);
        if (!scattered && house.isEmpty()) {
            return Optional.empty();
        }
        BlockModel model = scattered ? own : lent(entered, house.orElseThrow());
        List<Contender> products = model.treatments().stream()
                .map(n -> study.contenders().get(n))
                .filter(c -> !c.isControl())
                .toList();
        if (products.size() < 2 || !together(products, groups(model))) {
            return Optional.empty();
        }
        double sign = measure.moreIsBetter() ? 1 : -1;
        double[] means =
                products.stream().mapToDouble(c -> mean(model, c).value()).toArray();
        double[][] draws =
                PlaceChances.draws(means, covariance(model, products), model.variance(), model.freedom(), seed());
        return Optional.of(new Drawn(
                products.stream().map(Contender::number).toList(),
                products.stream()
                        .map(c -> new Estimate(
                                sign * mean(model, c).value(), mean(model, c).standardError(), model.freedom()))
                        .toList(),
                bare(model).map(b -> sign * mean(model, b).value()),
                covariance(model, products).scalarMultiply(model.variance()).getData(),
                model.freedom(),
                Arrays.stream(draws)
                        .map(row -> Arrays.stream(row).map(v -> sign * v).toArray())
                        .toArray(double[][]::new)));
    }

    private static List<BlockModel.Unit> units(List<Entered> entered) {
        return entered.stream()
                .map(e -> new BlockModel.Unit(e.contender(), e.row(), e.turned()))
                .toList();
    }

    private static boolean scattered(BlockModel own, List<Entered> entered) {
        return own.freedom() > 0 && Math.sqrt(own.variance()) > NOISE * largest(entered);
    }

    private static BlockModel lent(List<Entered> entered, HouseScatter house) {
        return BlockModel.fitBlocked(units(entered)).withScatter(house.variance(), house.freedom());
    }

    private Verdict judge(Optional<HouseScatter> house) {
        List<Entered> entered = entered();
        BlockModel own = BlockModel.fit(units(entered));
        boolean scattered = scattered(own, entered);
        Optional<HouseScatter> lent = scattered ? Optional.empty() : house;
        BlockModel model = lent.map(h -> lent(entered, h)).orElse(own);
        Optional<Scatter> scatter = scattered || lent.isPresent()
                ? Optional.of(new Scatter(
                        Math.sqrt(model.variance()),
                        model.freedom(),
                        lent.map(HouseScatter::lenders).orElse(List.of()),
                        lent.isEmpty() && noneTwice()))
                : Optional.empty();

        List<Contender> ranked = model.treatments().stream()
                .map(n -> study.contenders().get(n))
                .filter(c -> !c.isControl())
                .sorted(Comparator.comparingDouble(
                        c -> (measure.moreIsBetter() ? -1 : 1) * mean(model, c).value()))
                .toList();
        List<List<Integer>> groups = groups(model);
        Optional<MaxT> simultaneous = scatter.flatMap(s -> maxT(model, ranked));
        List<Pair> pairs = simultaneous.map(t -> pairs(model, ranked, t)).orElse(List.of());
        boolean chancesKnown = scatter.isPresent() && withChances && together(ranked, groups);
        double[][] chances = chancesKnown ? chances(model, ranked) : new double[ranked.size()][0];
        Optional<Keeping> keeping =
                turn != Scale.Turn.NONE ? Optional.empty() : Optional.of(new Keeping(study, measure, at, lent));

        List<Result> results = new ArrayList<>();
        int place = 1;
        for (int i = 0; i < ranked.size(); i++) {
            Contender contender = ranked.get(i);
            int shownBetter = (int) pairs.stream()
                    .filter(p -> p.worse() == contender.number() && p.apart())
                    .count();
            place = Math.max(place, shownBetter + 1);
            results.add(new Result(
                    contender,
                    place,
                    (int) read(contender).count(),
                    mean(model, contender),
                    benefit(model, contender),
                    keeping.map(k -> k.of(contender)).orElse(Answer.none(Absent.NOT_KEPT)),
                    Arrays.stream(chances[i]).boxed().toList()));
        }
        return new Verdict(
                measure,
                at,
                turn,
                entered,
                results,
                pairs,
                groups,
                study.contenders().stream()
                        .filter(c -> !c.isControl() && !model.treatments().contains(c.number()))
                        .toList(),
                bare(model).map(b -> mean(model, b)),
                scatter,
                model.rows(),
                model.blockEffects(),
                simultaneous.map(t -> new Verdict.Simultaneous(t.critical())));
    }

    private static double largest(List<Entered> entered) {
        return entered.stream().mapToDouble(e -> Math.abs(e.turned())).max().orElse(0);
    }

    /** The verdict on an order. */
    private Verdict order() {
        List<Entered> entered = entered();
        List<Entered> ofProducts = entered.stream()
                .filter(e -> !study.contenders().get(e.contender()).isControl())
                .toList();
        OrderJudge order = new OrderJudge(ofProducts, measure.moreIsBetter(), seed());
        List<Integer> ranked = order.ranked();
        List<Pair> pairs = order.pairs(ranked);
        BlockModel rows = BlockModel.fit(entered.stream()
                .map(e -> new BlockModel.Unit(e.contender(), e.row(), 0))
                .toList());
        List<List<Integer>> groups = groups(rows);
        List<Contender> contenders =
                ranked.stream().map(n -> study.contenders().get(n)).toList();
        double[][] chances = together(contenders, groups) ? order.chances(ranked) : new double[ranked.size()][0];
        List<Result> results = new ArrayList<>();
        int place = 1;
        for (int i = 0; i < ranked.size(); i++) {
            int number = ranked.get(i);
            place = Math.max(
                    place,
                    1
                            + (int) pairs.stream()
                                    .filter(p -> p.worse() == number && p.apart())
                                    .count());
            results.add(new Result(
                    contenders.get(i),
                    place,
                    (int) read(contenders.get(i)).count(),
                    order.effect(number),
                    Answer.none(Absent.AN_ORDER),
                    Answer.none(Absent.NOT_KEPT),
                    Arrays.stream(chances[i]).boxed().toList()));
        }
        return new Verdict(
                measure,
                at,
                turn,
                entered,
                results,
                pairs,
                groups,
                study.contenders().stream()
                        .filter(c -> !c.isControl() && !ranked.contains(c.number()))
                        .toList(),
                Optional.empty(),
                Optional.empty(),
                rows.rows(),
                java.util.Map.of(),
                Optional.empty());
    }

    private long seed() {
        return study.seed() * 31 + measure.code().hashCode() + at.day();
    }

    private Stream<Section> read(Contender contender) {
        return study.sectionsOf(contender)
                .filter(s -> study.mean(s, at, measure).isPresent());
    }

    private boolean noneTwice() {
        return study.contenders().stream().filter(c -> !c.isControl()).noneMatch(c -> read(c).count() > 1);
    }

    private List<Entered> entered() {
        return study.sections().stream()
                .flatMap(section -> study.mean(section, at, measure).stream().map(spread -> entered(section, spread)))
                .toList();
    }

    private DoubleStream scores() {
        return study.sections().stream()
                .flatMap(section -> study.scores(section, at, measure).stream())
                .mapToDouble(Double::doubleValue);
    }

    private Entered entered(Section section, Spread spread) {
        Spread turned = Spread.of(
                study.scores(section, at, measure).stream().map(turn::to).toList());
        return new Entered(
                section.code(),
                section.contender(),
                section.row(),
                turn == Scale.Turn.NONE ? spread.mean() : turn.back(turned.mean()),
                turned.mean(),
                spread.count(),
                turned.deviation().orElse(0));
    }

    private static List<List<Integer>> groups(BlockModel model) {
        return List.copyOf(model.treatments().stream()
                .collect(Collectors.groupingBy(
                        t -> model.treatments().stream()
                                .filter(o -> model.comparable(o, t))
                                .findFirst()
                                .orElse(t),
                        TreeMap::new,
                        Collectors.toUnmodifiableList()))
                .values());
    }

    private static boolean together(List<Contender> ranked, List<List<Integer>> groups) {
        return groups.stream()
                .anyMatch(g -> ranked.stream().map(Contender::number).allMatch(g::contains));
    }

    private static Estimate mean(BlockModel model, Contender contender) {
        return model.contrast().plus(1, contender.number(), 0).estimate();
    }

    private Optional<Contender> bare(BlockModel model) {
        return model.treatments().stream()
                .map(n -> study.contenders().get(n))
                .filter(Contender::isBare)
                .findFirst();
    }

    private Answer<Ratio> benefit(BlockModel model, Contender product) {
        Optional<Contender> bare = bare(model);
        if (bare.isEmpty()) {
            return Answer.none(
                    study.bareSections().findAny().isEmpty() ? Absent.NO_BARE_SECTION : Absent.BARE_NOT_READ);
        }
        if (!model.comparable(product.number(), bare.get().number())) {
            return Answer.none(Absent.BARE_NOT_COMPARABLE);
        }
        int p = product.number();
        int b = bare.get().number();
        if (measure.benefitIsShare()) {
            return Answer.of(model.ratio(
                    Linear.of(model.contrast().plus(1, b, 0).plus(-1, p, 0)),
                    Linear.of(model.contrast().plus(1, b, 0))));
        }
        Estimate gain = model.contrast().plus(1, p, 0).plus(-1, b, 0).estimate();
        double from = mean(model, bare.get()).value();
        return Answer.of(
                model.freedom() > 0
                        ? new Ratio(
                                told(from, gain.value()),
                                Optional.of(new Interval(
                                        told(from, gain.interval().low()),
                                        told(from, gain.interval().high()))))
                        : Ratio.without(told(from, gain.value())));
    }

    /** A gain on bare as it is told: how many times as much, or a difference in the score unit. */
    private double told(double bare, double gain) {
        return turn.ratio() ? Math.exp(gain) : turn.back(bare + gain) - turn.back(bare);
    }

    private static RealMatrix covariance(BlockModel model, List<Contender> products) {
        int[] rows = products.stream()
                .mapToInt(c -> model.treatments().indexOf(c.number()))
                .toArray();
        return model.unscaledCovariance().getSubMatrix(rows, rows);
    }

    private static Optional<MaxT> maxT(BlockModel model, List<Contender> ranked) {
        List<Contender> products = ranked.stream()
                .sorted(Comparator.comparingInt(Contender::number))
                .toList();
        List<List<Integer>> compared = new ArrayList<>();
        for (int i = 0; i < products.size(); i++) {
            for (int j = i + 1; j < products.size(); j++) {
                if (model.comparable(products.get(i).number(), products.get(j).number())) {
                    compared.add(List.of(i, j));
                }
            }
        }
        return compared.isEmpty()
                ? Optional.empty()
                : Optional.of(MaxT.of(covariance(model, products), compared, model.freedom()));
    }

    private List<Pair> pairs(BlockModel model, List<Contender> ranked, MaxT simultaneous) {
        List<Pair> pairs = new ArrayList<>();
        int sign = measure.moreIsBetter() ? 1 : -1;
        for (int i = 0; i < ranked.size(); i++) {
            for (int j = i + 1; j < ranked.size(); j++) {
                int better = ranked.get(i).number();
                int worse = ranked.get(j).number();
                if (model.comparable(better, worse)) {
                    Estimate difference = model.contrast()
                            .plus(sign, better, 0)
                            .plus(-sign, worse, 0)
                            .estimate();
                    double error = difference.standardError();
                    double half = simultaneous.critical() * error;
                    pairs.add(new Pair(
                            better,
                            worse,
                            difference,
                            Optional.of(new Interval(difference.value() - half, difference.value() + half)),
                            difference.p(),
                            simultaneous.adjusted(Math.abs(difference.value() / error)),
                            difference.value() > half,
                            OptionalDouble.of(simultaneous.toldApart() * error)));
                }
            }
        }
        return pairs;
    }

    private double[][] chances(BlockModel model, List<Contender> ranked) {
        double[] means =
                ranked.stream().mapToDouble(c -> mean(model, c).value()).toArray();
        return PlaceChances.of(
                means, covariance(model, ranked), model.variance(), model.freedom(), measure.moreIsBetter(), seed());
    }
}
