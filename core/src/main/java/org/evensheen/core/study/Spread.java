package org.evensheen.core.study;

import java.util.List;
import java.util.OptionalDouble;

/**
 * Repeats on one section: how many, their mean, and their scatter. The scatter says how steady the hand was; it never
 * stands in for the scatter between sections.
 *
 * @param count 1 or more
 * @param mean in the measure's score unit
 * @param deviation sample standard deviation; empty for a single repeat
 */
public record Spread(int count, double mean, OptionalDouble deviation) {

    public static Spread of(List<Double> scores) {
        if (scores.isEmpty()) {
            throw new IllegalArgumentException("no repeats, no mean");
        }
        double mean = scores.stream().mapToDouble(Double::doubleValue).sum() / scores.size();
        if (scores.size() == 1) {
            return new Spread(1, mean, OptionalDouble.empty());
        }
        double squares =
                scores.stream().mapToDouble(s -> (s - mean) * (s - mean)).sum();
        return new Spread(scores.size(), mean, OptionalDouble.of(Math.sqrt(squares / (scores.size() - 1))));
    }
}
