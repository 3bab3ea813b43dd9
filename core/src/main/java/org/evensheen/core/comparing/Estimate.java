package org.evensheen.core.comparing;

import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.distribution.continuous.TDistribution;

/**
 * An estimate from a linear model with its standard error.
 *
 * @param standardError 0 or more, same unit as the value
 * @param freedom degrees of freedom behind the standard error, above 0
 */
public record Estimate(double value, double standardError, double freedom) {

    /** Two-sided 95 % t interval. */
    public Interval interval() {
        double half = critical(freedom) * standardError;
        return new Interval(value - half, value + half);
    }

    /** Two-sided p of the hypothesis that the true value is 0. */
    public double p() {
        if (standardError == 0) {
            return value == 0 ? 1 : 0;
        }
        if (Double.isInfinite(freedom)) {
            return 2 * new NormalDistribution().cumulativeProbability(-Math.abs(value / standardError));
        }
        return 2 * new TDistribution(freedom).cumulativeProbability(-Math.abs(value / standardError));
    }

    /** The t value that leaves 2.5 % above it. */
    static double critical(double freedom) {
        return Double.isInfinite(freedom) ? NORMAL : CRITICAL.of(freedom);
    }

    private static final double NORMAL =
            new NormalDistribution().inverseCumulativeProbability(0.5 + Interval.LEVEL / 2);

    private static final ByFreedom CRITICAL =
            new ByFreedom(f -> new TDistribution(f).inverseCumulativeProbability(0.5 + Interval.LEVEL / 2));
}
