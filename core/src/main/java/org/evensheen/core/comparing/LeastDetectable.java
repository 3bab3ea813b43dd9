package org.evensheen.core.comparing;

import org.hipparchus.analysis.integration.gauss.GaussIntegrator;
import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.special.Gamma;

/**
 * The least difference that a comparison would be likely to find.
 *
 * <p>Power of the two-sided 5 % t test against a true difference of {@code λ} standard errors is the noncentral t tail,
 * {@code ∫ f(s)·[Φ(λ − t·s) + Φ(−λ − t·s)] ds}, with {@code s} the ratio of estimated to true standard error
 * ({@code ν·s² ~ χ²(ν)}).
 */
public final class LeastDetectable {
    /** The power asked for. */
    public static final double POWER = 0.8;

    private static final GaussIntegratorFactory RULES = new GaussIntegratorFactory();
    private static final NormalDistribution NORMAL = new NormalDistribution();

    private LeastDetectable() {}

    /**
     * Least detectable difference at 80 % power.
     *
     * @param standardError of the difference, above 0
     * @param freedom degrees of freedom, 1 or more
     */
    public static double difference(double standardError, double freedom) {
        return standardError * STANDARD_ERRORS.of(freedom);
    }

    private static final ByFreedom STANDARD_ERRORS = new ByFreedom(freedom -> {
        double t = Estimate.critical(freedom);
        return new BrentSolver(1e-8).solve(200, λ -> power(λ, t, freedom) - POWER, 0, 4 * t + 10);
    });

    static double power(double standardErrors, double t, double freedom) {
        double logNorm = freedom / 2 * Math.log(freedom / 2) - Gamma.logGamma(freedom / 2) + Math.log(2);
        double reach = 8 / Math.sqrt(2 * freedom);
        GaussIntegrator rule = RULES.legendre(64, Math.max(0, 1 - reach), 1 + reach);
        return rule.integrate(s -> Math.exp(logNorm + (freedom - 1) * Math.log(s) - freedom * s * s / 2)
                * (NORMAL.cumulativeProbability(standardErrors - t * s)
                        + NORMAL.cumulativeProbability(-standardErrors - t * s)));
    }
}
