package org.evensheen.core.sidebyside;

import java.util.Arrays;
import java.util.Optional;

/**
 * What a place took, over the places of a contender: mL or minutes.
 *
 * @param mean above 0
 * @param error standard error of the mean as a share of it; 0 where there is one place only, so that nothing tells
 */
public record Each(double mean, double error) {
    public Each {
        if (!(mean > 0 && error >= 0)) {
            throw new IllegalArgumentException("a place takes something");
        }
    }

    /** From what each place took; empty if nothing was noted, or nothing taken. */
    static Optional<Each> of(double[] taken) {
        double mean = Arrays.stream(taken).average().orElse(0);
        if (!(mean > 0)) {
            return Optional.empty();
        }
        double squares = Arrays.stream(taken).map(t -> (t - mean) * (t - mean)).sum();
        int n = taken.length;
        return Optional.of(new Each(mean, n < 2 ? 0 : Math.sqrt(squares / (n - 1) / n) / mean));
    }
}
