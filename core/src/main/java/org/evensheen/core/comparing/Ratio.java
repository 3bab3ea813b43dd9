package org.evensheen.core.comparing;

import java.util.Optional;

/**
 * A number with its 95 % interval, where the evidence gives one. Ratios of two estimates get Fieller's interval, which
 * is exact for jointly normal estimates and has no ends when the denominator can't be told from 0.
 *
 * <p>Source: E. C. Fieller, "Some problems in interval estimation", 1954.
 */
public record Ratio(double value, Optional<Interval> interval) {

    static Ratio of(Estimate estimate) {
        return new Ratio(estimate.value(), Optional.of(estimate.interval()));
    }

    static Ratio without(double value) {
        return new Ratio(value, Optional.empty());
    }

    /**
     * Fieller's interval for numerator / denominator.
     *
     * @param n value of the numerator
     * @param d value of the denominator, not 0
     * @param nn variance of the numerator
     * @param nd their covariance
     * @param dd variance of the denominator
     * @param freedom degrees of freedom behind the variances
     */
    static Ratio fieller(double n, double d, double nn, double nd, double dd, double freedom) {
        double t = Estimate.critical(freedom);
        double a = d * d - t * t * dd;
        double b = n * d - t * t * nd;
        double c = n * n - t * t * nn;
        double root = Math.max(0, b * b - a * c);
        if (a <= 0) {
            return without(n / d);
        }
        double half = Math.sqrt(root);
        return new Ratio(n / d, Optional.of(new Interval((b - half) / a, (b + half) / a)));
    }
}
