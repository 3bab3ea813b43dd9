package org.evensheen.core.comparing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Occasion;

/**
 * Who is best, second and indistinguishable on one measure at one moment of a study, and how sure that is: facts, without words.
 *
 * @param at the occasion that is judged
 * @param turn how scores were turned before they were compared; means, differences and their errors are on that scale
 * @param entered the section means that were compared, in the order of the panel
 * @param results products read on it, best mean first
 * @param pairs every pair of them that can be compared, in the order of the results
 * @param groups contenders that can be compared with each other, by number; more than one where rows and products can't be told
 *     apart, and then nothing is said between groups
 * @param unread products not read on it
 * @param bare the mean of the bare sections on it; empty if bare was not read
 * @param scatter where the scatter between sections comes from; empty if there is none, and then nothing can be told
 *     apart
 * @param rows what became of the rows
 * @param rowEffects what each row adds, in the score unit; empty unless rows were taken out
 * @param simultaneous how all pairs are told apart at once; empty without scatter or without a pair
 */
public record Verdict(
        Measure measure,
        Occasion at,
        Scale.Turn turn,
        List<Entered> entered,
        List<Result> results,
        List<Pair> pairs,
        List<List<Integer>> groups,
        List<Contender> unread,
        Optional<Estimate> bare,
        Optional<Scatter> scatter,
        BlockModel.Rows rows,
        Map<Integer, Double> rowEffects,
        Optional<Simultaneous> simultaneous) {

    /** Raised whenever the same readings could give another verdict. */
    public static final int METHOD = 2;

    /** The draws behind the chances of places. */
    public static final int DRAWS = PlaceChances.DRAWS;

    /**
     * The mean of one section.
     *
     * @param mean in the score unit
     * @param turned the same on the scale that is compared
     * @param repeats how many readings it is the mean of
     * @param deviation of the repeats on the scale that is compared; 0 for one
     */
    public record Entered(
            String section, int contender, int row, double mean, double turned, int repeats, double deviation) {}

    /**
     * One product.
     *
     * @param place 1 for the best; products that can't be told apart share one
     * @param mean over sections, adjusted for rows
     * @param benefit against bare: a share of the bare reading, a difference in the score unit, or a ratio where that is what is told
     * @param retention share of the first benefit that is left
     * @param chances of place 1, 2, …; empty without scatter, or where not all can be compared
     */
    public record Result(
            Contender contender,
            int place,
            int sections,
            Estimate mean,
            Answer<Ratio> benefit,
            Answer<Kept> retention,
            List<Double> chances) {}

    /**
     * Two products.
     *
     * @param better number of the contender with the better mean
     * @param worse number of the other
     * @param difference how much better, on the scale that is compared, 0 or more
     * @param interval in which it lies with 95 % chance, all pairs at once; holds 0 just where the two can't be told apart; empty for an order
     * @param p raw two-sided p
     * @param adjusted p over all pairs at once
     * @param apart whether the two can be told apart
     * @param least the true difference that would be told apart four times in five, on the same scale; empty for an order
     */
    public record Pair(
            int better,
            int worse,
            Estimate difference,
            Optional<Interval> interval,
            double p,
            double adjusted,
            boolean apart,
            OptionalDouble least) {

        public boolean joins(int one, int other) {
            return better == one && worse == other || better == other && worse == one;
        }
    }

    /**
     * The scatter between sections that the intervals rest on.
     *
     * @param deviation standard deviation on the scale that is compared
     * @param lenders the earlier studies it was taken from; empty when it is the study's own
     * @param bareOnly whether it rests on the bare sections alone, as no product has two sections
     */
    public record Scatter(double deviation, double freedom, List<HouseScatter.Lender> lenders, boolean bareOnly) {
        public boolean borrowed() {
            return !lenders.isEmpty();
        }
    }

    /**
     * How all pairs are told apart at once.
     *
     * @param critical what |t| of a pair must exceed
     */
    public record Simultaneous(double critical) {}

    public Optional<Result> result(Contender contender) {
        return results.stream().filter(r -> r.contender().equals(contender)).findFirst();
    }

    /**
     * A difference as it is told: in the score unit, or as a ratio.
     *
     * @param ratio whether it is how many times as much
     */
    public record Told(double value, double low, double high, boolean ratio) {}

    /** Whether it is an order that is judged: effects are on a scale of their own, and only the lots tell apart. */
    public boolean ofAnOrder() {
        return !measure.scale().linear();
    }

    /** The mean of a product in the score unit; of an order, that of its places' grades. */
    public double mean(Result result) {
        return ofAnOrder()
                ? entered.stream()
                        .filter(e -> e.contender() == result.contender().number())
                        .mapToDouble(Entered::mean)
                        .average()
                        .orElseThrow()
                : turn.back(result.mean().value());
    }

    /** The difference of a pair as it is told; of an order, on the scale of its effects and without an interval. */
    public Told told(Pair pair) {
        if (pair.interval().isEmpty()) {
            double value = pair.difference().value();
            return new Told(value, value, value, false);
        }
        double worse = results.stream()
                .filter(r -> r.contender().number() == pair.worse())
                .findFirst()
                .orElseThrow()
                .mean()
                .value();
        return new Told(
                told(worse, pair.difference().value()),
                told(worse, pair.interval().get().low()),
                told(worse, pair.interval().get().high()),
                turn.ratio());
    }

    /** The difference that would be told apart for a pair, as it is told. */
    public OptionalDouble leastTold(Pair pair) {
        if (pair.least().isEmpty()) {
            return OptionalDouble.empty();
        }
        double least = pair.least().getAsDouble();
        return OptionalDouble.of(turn.ratio() ? Math.exp(least) : Math.abs(told(turn.to(mean(results.get(0))), least)));
    }

    private double told(double from, double difference) {
        if (turn.ratio()) {
            return Math.exp(difference);
        }
        int sign = measure.moreIsBetter() ? 1 : -1;
        return sign * (turn.back(from + sign * difference) - turn.back(from));
    }

    /** Whether two products can be told apart. */
    public boolean apart(Result one, Result other) {
        return pairs.stream()
                .anyMatch(p -> p.apart()
                        && p.joins(one.contender().number(), other.contender().number()));
    }

    /** Whether a row joins two contenders, so that they can be told from their rows. */
    public boolean comparable(Contender one, Contender other) {
        return groups.stream().anyMatch(g -> g.contains(one.number()) && g.contains(other.number()));
    }

    /** The smallest true difference of any pair that would be told apart four times in five; empty without pairs. */
    public OptionalDouble leastToldApart() {
        return pairs.stream().flatMapToDouble(p -> leastTold(p).stream()).min();
    }

    /** The largest such difference; another than the smallest where the design is uneven. */
    public OptionalDouble mostToldApart() {
        return pairs.stream().flatMapToDouble(p -> leastTold(p).stream()).max();
    }
}
