package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.evensheen.core.comparing.Verdict.Pair;
import org.evensheen.core.comparing.Verdict.Result;
import org.evensheen.core.comparing.Verdict.Scatter;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/**
 * Judges one measure of a study at one moment.
 *
 * <p>Repeats are averaged within a section; section means go through {@link BlockModel}; pairs get Holm-adjusted t
 * tests; a product's place is one more than the number of products shown to be better. Scatter between sections is the
 * model's own, or the house's where the study has none. Repeat scatter is never used for it.
 */
public final class Judge {
    private static final int TODAY = 0;
    private static final int FRESH = 1;

    private final StudyRecord study;
    private final Measure measure;
    private final Occasion at;
    private final boolean withChances;

    private Judge(StudyRecord study, Measure measure, Occasion at, boolean withChances) {
        this.study = study;
        this.measure = measure;
        this.at = at;
        this.withChances = withChances;
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
            throw new IllegalArgumentException(measure.label() + " is graded, not measured; it has no block model");
        }
        return study.judgedBy(day, measure).map(at -> new Judge(study, measure, at, true).judge(house));
    }

    /** The same verdict without the chances of places, which take ten thousand draws: for judging thousands of rehearsed studies. */
    static Optional<Verdict> places(StudyRecord study, Measure measure, int day) {
        return study.judgedBy(day, measure).map(at -> new Judge(study, measure, at, false).judge(Optional.empty()));
    }

    private Verdict judge(Optional<HouseScatter> house) {
        BlockModel own = BlockModel.fit(units(false));
        boolean scattered = own.freedom() > 0 && own.variance() > 0;
        boolean borrow = !scattered && house.isPresent();
        BlockModel model =
                borrow ? own.withScatter(house.get().variance(), house.get().freedom()) : own;
        Optional<Scatter> scatter = scattered || borrow
                ? Optional.of(new Scatter(
                        Math.sqrt(model.variance()),
                        model.freedom(),
                        house.filter(h -> borrow).map(HouseScatter::source),
                        !borrow && noneTwice()))
                : Optional.empty();

        List<Contender> ranked = model.treatments().stream()
                .map(n -> study.contenders().get(n))
                .filter(c -> !c.isBare())
                .sorted(Comparator.comparingDouble(
                        c -> (measure.moreIsBetter() ? -1 : 1) * mean(model, c).value()))
                .toList();
        List<Pair> pairs = scatter.isPresent() ? pairs(model, ranked) : List.of();
        double[][] chances = scatter.isPresent() && withChances ? chances(model, ranked) : new double[ranked.size()][0];
        Optional<BlockModel> kept = keeping(borrow ? house : Optional.empty());
        Optional<Integer> bare = bareNumber(model);

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
                    bare.map(b -> benefit(model, contender.number(), b)),
                    kept.flatMap(k -> retention(k, contender.number())),
                    Arrays.stream(chances[i]).boxed().toList()));
        }
        List<Contender> unread = study.contenders().stream()
                .filter(c -> !c.isBare() && !model.treatments().contains(c.number()))
                .toList();
        return new Verdict(
                measure,
                at,
                results,
                pairs,
                unread,
                bare.map(b -> mean(model, study.contenders().get(b))),
                scatter,
                model.blocked(),
                least(pairs));
    }

    private java.util.stream.Stream<Section> read(Contender contender) {
        return study.sectionsOf(contender)
                .filter(s -> study.mean(s, at, measure).isPresent());
    }

    private boolean noneTwice() {
        return study.contenders().stream().filter(c -> !c.isBare()).noneMatch(c -> read(c).count() > 1);
    }

    /** Section means today, or fresh and today for sections read both times. */
    private List<BlockModel.Unit> units(boolean withFresh) {
        List<BlockModel.Unit> units = new ArrayList<>();
        for (Section section : study.sections()) {
            study.mean(section, at, measure).ifPresent(today -> {
                if (!withFresh) {
                    units.add(new BlockModel.Unit(section.contender(), section.row(), today.mean()));
                } else {
                    fresh(section)
                            .ifPresent(fresh -> units.add(
                                    new BlockModel.Unit(section.contender(), section.row(), today.mean(), fresh)));
                }
            });
        }
        return units;
    }

    /** First fresh reading of a section; a bare section that was not read then lends its bare one. */
    private Optional<Double> fresh(Section section) {
        Optional<Occasion> first = study.firstRead(section, Stage.FRESH, measure);
        if (first.isEmpty() && study.contenderOn(section).isBare()) {
            first = study.firstRead(section, Stage.BARE, measure);
        }
        return first.flatMap(o -> study.mean(section, o, measure)).map(spread -> spread.mean());
    }

    private static Estimate mean(BlockModel model, Contender contender) {
        return model.contrast().plus(1, contender.number(), 0).estimate();
    }

    private Optional<Integer> bareNumber(BlockModel model) {
        return model.treatments().stream()
                .filter(n -> study.contenders().get(n).isBare())
                .findFirst();
    }

    private Ratio benefit(BlockModel model, int product, int bare) {
        BlockModel.Contrast above = model.contrast().plus(1, bare, 0).plus(-1, product, 0);
        if (measure.benefitIsShare()) {
            return model.ratio(
                    BlockModel.Linear.of(above),
                    BlockModel.Linear.of(model.contrast().plus(1, bare, 0)));
        }
        Estimate gain = model.contrast().plus(1, product, 0).plus(-1, bare, 0).estimate();
        return model.freedom() > 0 ? Ratio.of(gain) : Ratio.without(gain.value());
    }

    private Optional<BlockModel> keeping(Optional<HouseScatter> house) {
        List<BlockModel.Unit> both = at.stage() == Stage.FRESH ? List.of() : units(true);
        if (both.isEmpty()) {
            return Optional.empty();
        }
        BlockModel model = BlockModel.fit(both);
        return Optional.of(
                house.map(h -> model.withScatter(h.variance(), h.freedom())).orElse(model));
    }

    /** Retention; none where the first effect can't be told from no effect at all. */
    private Optional<Ratio> retention(BlockModel kept, int product) {
        Optional<Integer> bare = bareNumber(kept);
        if (bare.isEmpty() || !kept.treatments().contains(product)) {
            return Optional.empty();
        }
        Ratio ratio = kept.ratio(gain(kept, product, bare.get(), TODAY), gain(kept, product, bare.get(), FRESH));
        boolean nothingToKeep = kept.freedom() > 0 && ratio.interval().isEmpty();
        return Double.isFinite(ratio.value()) && !nothingToKeep ? Optional.of(ratio) : Optional.empty();
    }

    /** Benefit against bare of the same day: the share {@code 1 − p/b}, or the difference {@code b − p}. */
    private BlockModel.Linear gain(BlockModel kept, int product, int bare, int response) {
        if (!measure.benefitIsShare()) {
            return BlockModel.Linear.of(kept.contrast().plus(1, bare, response).plus(-1, product, response));
        }
        double p = kept.contrast().plus(1, product, response).value();
        double b = kept.contrast().plus(1, bare, response).value();
        return new BlockModel.Linear(
                1 - p / b, kept.contrast().plus(-1 / b, product, response).plus(p / (b * b), bare, response));
    }

    private List<Pair> pairs(BlockModel model, List<Contender> ranked) {
        List<Estimate> differences = new ArrayList<>();
        List<int[]> who = new ArrayList<>();
        int sign = measure.moreIsBetter() ? 1 : -1;
        for (int i = 0; i < ranked.size(); i++) {
            for (int j = i + 1; j < ranked.size(); j++) {
                int better = ranked.get(i).number();
                int worse = ranked.get(j).number();
                who.add(new int[] {better, worse});
                differences.add(model.contrast()
                        .plus(sign, better, 0)
                        .plus(-sign, worse, 0)
                        .estimate());
            }
        }
        double[] raw = differences.stream().mapToDouble(Estimate::p).toArray();
        double[] adjusted = Holm.adjust(raw);
        return IntStream.range(0, raw.length)
                .mapToObj(k -> new Pair(who.get(k)[0], who.get(k)[1], differences.get(k), raw[k], adjusted[k]))
                .toList();
    }

    private double[][] chances(BlockModel model, List<Contender> ranked) {
        int[] rows = ranked.stream()
                .mapToInt(c -> model.treatments().indexOf(c.number()))
                .toArray();
        double[] means =
                ranked.stream().mapToDouble(c -> mean(model, c).value()).toArray();
        long seed = study.seed() * 31 + measure.ordinal() * 1009L + at.day();
        return PlaceChances.of(
                means,
                model.covarianceOfMeans().getSubMatrix(rows, rows),
                model.freedom(),
                measure.moreIsBetter(),
                seed);
    }

    private static OptionalDouble least(List<Pair> pairs) {
        double[] errors = pairs.stream()
                .mapToDouble(p -> p.difference().standardError())
                .sorted()
                .toArray();
        return errors.length == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(LeastDetectable.difference(
                        errors[errors.length / 2], pairs.get(0).difference().freedom()));
    }
}
