package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Numbers, one a section and more being better, through the block model: who is best, second and indistinguishable.
 *
 * @param lines contenders, best first
 * @param pairs every two of them that a row joins, in that order; empty without scatter
 * @param deviation standard deviation between sections; 0 without freedom
 * @param freedom degrees of freedom behind it
 */
public record Compared(List<Line> lines, List<Pair> pairs, double deviation, double freedom) {

    /** What one section came to. */
    public record Value(int contender, int row, double value) {}

    /**
     * A contender.
     *
     * @param place 1 for the best; those that can't be told apart share one
     */
    public record Line(int contender, int place, int sections, Estimate mean) {}

    /**
     * Two contenders.
     *
     * @param interval of the difference, all pairs at once
     * @param p over all pairs at once
     */
    public record Pair(int better, int worse, Estimate difference, Interval interval, double p, boolean apart) {}

    /** Compares; empty with fewer than two contenders. */
    public static Optional<Compared> of(List<Value> values) {
        List<Integer> numbers =
                values.stream().map(Value::contender).distinct().sorted().toList();
        if (numbers.size() < 2) {
            return Optional.empty();
        }
        BlockModel model = BlockModel.fit(values.stream()
                .map(v -> new BlockModel.Unit(v.contender(), v.row(), v.value()))
                .toList());
        List<Integer> ranked = numbers.stream()
                .sorted(Comparator.comparingDouble(
                        n -> -model.contrast().plus(1, n, 0).value()))
                .toList();
        List<Pair> pairs = model.freedom() > 0 && model.variance() > 0 ? pairs(model, numbers, ranked) : List.of();
        List<Line> lines = new ArrayList<>();
        int place = 1;
        for (int number : ranked) {
            place = Math.max(
                    place,
                    1
                            + (int) pairs.stream()
                                    .filter(p -> p.worse() == number && p.apart())
                                    .count());
            lines.add(new Line(
                    number,
                    place,
                    (int) values.stream().filter(v -> v.contender() == number).count(),
                    model.contrast().plus(1, number, 0).estimate()));
        }
        return Optional.of(new Compared(List.copyOf(lines), pairs, Math.sqrt(model.variance()), model.freedom()));
    }

    private static List<Pair> pairs(BlockModel model, List<Integer> numbers, List<Integer> ranked) {
        List<List<Integer>> joined = new ArrayList<>();
        for (int i = 0; i < numbers.size(); i++) {
            for (int j = i + 1; j < numbers.size(); j++) {
                if (model.comparable(numbers.get(i), numbers.get(j))) {
                    joined.add(List.of(i, j));
                }
            }
        }
        if (joined.isEmpty()) {
            return List.of();
        }
        MaxT simultaneous = MaxT.of(model.unscaledCovariance(), joined, model.freedom());
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < ranked.size(); i++) {
            for (int j = i + 1; j < ranked.size(); j++) {
                int better = ranked.get(i);
                int worse = ranked.get(j);
                if (model.comparable(better, worse)) {
                    Estimate difference = model.contrast()
                            .plus(1, better, 0)
                            .plus(-1, worse, 0)
                            .estimate();
                    double half = simultaneous.critical() * difference.standardError();
                    pairs.add(new Pair(
                            better,
                            worse,
                            difference,
                            new Interval(difference.value() - half, difference.value() + half),
                            simultaneous.adjusted(difference.value() / difference.standardError()),
                            difference.value() > half));
                }
            }
        }
        return List.copyOf(pairs);
    }
}
