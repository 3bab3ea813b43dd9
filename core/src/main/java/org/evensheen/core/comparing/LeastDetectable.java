package org.evensheen.core.comparing;

import org.hipparchus.analysis.integration.gauss.GaussIntegrator;
import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.special.Gamma;

/**
 * The difference that a comparison would tell apart four times in five.
 *
 * <p>Power of a two-sided t test with critical value {@code t} against a true difference of {@code λ} standard errors is the noncentral t tail,
 * {@code ∫ f(s)·[Φ(λ − t·s) + Φ(−λ − t·s)] ds}, with {@code s} the ratio of estimated to true standard error
 * ({@code ν·s² ~ χ²(ν)}).
 */
final class LeastDetectable {
    /** The power asked for. */
    static final double POWER = 0.8;

    private static final GaussIntegratorFactory RULES = new GaussIntegratorFactory();
    private static final NormalDistribution NORMAL = new NormalDistribution();

    private LeastDetectable() {}

    /**
     * The true difference, in standard errors, at which |t| exceeds a critical value with 80 % power.
     *
     * @param critical what |t| must exceed, above 0
     * @param freedom degrees of freedom, above 0
     */
    static double standardErrors(double critical, double freedom) {
        return new BrentSolver(1e-8).solve(200, λ -> power(λ, critical, freedom) - POWER, 0, 4 * critical + 10);
    }

    static double power(double standardErrors, double t, double freedom) {
        double logNorm = freedom / 2 * Math.log(freedom / 2) - Gamma.logGamma(freedom / 2) + Math.log(2);
        double reach = 8 / Math.sqrt(2 * freedom);
        GaussIntegrator rule = RULES.legendre(64, Math.max(0, 1 - reach), 1 + reach);
        return rule.integrate(s -> Math.exp(logNorm + (freedom - 1) * Math.log(s) - freedom * s * s / 2)
                * (NORMAL.cumulativeProbability(standardErrors - t * s)
                        + NORMAL.cumulativeProbability(-standardErrors - t * s)));
    }
}
