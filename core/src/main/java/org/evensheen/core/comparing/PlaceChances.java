package org.evensheen.core.comparing;

import java.util.Arrays;
import org.hipparchus.distribution.continuous.ChiSquaredDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.EigenDecompositionSymmetric;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.random.Well19937a;

/**
 * Each contender's chance of each place, by seeded draws. The same seed gives the same chances on every machine.
 *
 * <p>True means are taken to lie around a common one with a spread of their own, {@code θᵢ ~ N(μ, τ²)}, {@code μ} flat, and are
 * seen with the model's errors, {@code y ~ N(θ, σ²C)}, {@code ν·s²/σ² ~ χ²(ν)}. What is drawn is therefore pulled towards the rest
 * the more, the less the products differ beside their scatter: without that, a leader of a close field is promised too much. τ is
 * not known; its ratio to the standard error of a mean has a half-Cauchy prior of scale {@value #SCALE}, and it is integrated over
 * together with σ.
 *
 * <p>Only differences matter for places, so the model is turned into contrasts that are independent: with {@code A} orthonormal
 * and orthogonal to 1, {@code A·C·Aᵀ = U·diag(d)·Uᵀ} and {@code w = Uᵀ·A·y}, each {@code w_k ~ N(0, σ²d_k + τ²)}, and given those
 * {@code ψ_k ~ N(κw_k, κσ²d_k)} with {@code κ = τ²/(τ² + σ²d_k)}.
 *
 * <p>Source: D. V. Lindley and A. F. M. Smith 1972; A. Gelman 2006, on half-Cauchy priors for a spread.
 */
final class PlaceChances {
    static final int DRAWS = 10_000;
    /** Scale of the prior of τ, in standard errors of a mean. */
    static final double SCALE = 1.5;

    private static final int SIGMAS = 24;
    private static final int RATIOS = 60;
    private static final double LEAST_RATIO = 0.02;
    private static final double MOST_RATIO = 60;

    private PlaceChances() {}

    /**
     * @param means estimated means, one per contender, two or more
     * @param unscaled covariance of the means where sections scatter with variance 1
     * @param variance estimated between sections, above 0
     * @param freedom behind the variance, above 0
     * @return chance of contender i at place k, rows and columns from 0; every row sums to 1
     */
    static double[][] of(
            double[] means, RealMatrix unscaled, double variance, double freedom, boolean moreIsBetter, long seed) {
        int n = means.length;
        if (n == 1) {
            return new double[][] {{1}};
        }
        double[][] counts = new double[n][n];
        draw(means, unscaled, variance, freedom, seed, (draw, drawn) -> count(drawn, moreIsBetter, counts));
        for (double[] row : counts) {
            Arrays.setAll(row, k -> row[k] / DRAWS);
        }
        return counts;
    }

    /** What is done with a draw; the array is used again for the next. */
    private interface Taken {
        void take(int draw, double[] drawn);
    }

    /**
     * The draws themselves: true means, one row a contender, around the average of the estimated ones. A shift that all have in common changes no place and is not drawn.
     *
     * @see #of
     */
    static double[][] draws(double[] means, RealMatrix unscaled, double variance, double freedom, long seed) {
        double middle = Arrays.stream(means).average().orElse(0);
        double[][] all = new double[means.length][DRAWS];
        if (means.length == 1) {
            Arrays.fill(all[0], means[0]);
            return all;
        }
        draw(means, unscaled, variance, freedom, seed, (draw, drawn) -> {
            for (int i = 0; i < drawn.length; i++) {
                all[i][draw] = middle + drawn[i];
            }
        });
        return all;
    }

    private static void draw(
            double[] means, RealMatrix unscaled, double variance, double freedom, long seed, Taken taken) {
        int n = means.length;
        RealMatrix basis = helmert(n);
        RealMatrix turned = basis.multiply(unscaled).multiplyTransposed(basis);
        EigenDecompositionSymmetric eigen =
                new EigenDecompositionSymmetric(turned.add(turned.transpose()).scalarMultiply(0.5));
        RealMatrix turn = eigen.getV().transposeMultiply(basis);
        double[] w = turn.operate(means);
        double[] d = eigen.getEigenvalues();
        Cells cells = Cells.of(w, d, variance, freedom);
        Well19937a random = new Well19937a(seed);
        double[][] back = turn.getData();
        double[] drawn = new double[n];
        for (int draw = 0; draw < DRAWS; draw++) {
            int cell = cells.at(random.nextDouble());
            Arrays.fill(drawn, 0);
            for (int k = 0; k < n - 1; k++) {
                double seen = cells.sigma2[cell] * d[k];
                double kept = cells.tau2[cell] / (cells.tau2[cell] + seen);
                double psi = kept * w[k] + Math.sqrt(kept * seen) * random.nextGaussian();
                for (int i = 0; i < n; i++) {
                    drawn[i] += back[k][i] * psi;
                }
            }
            taken.take(draw, drawn);
        }
    }

    private static void count(double[] drawn, boolean moreIsBetter, double[][] counts) {
        for (int i = 0; i < drawn.length; i++) {
            int better = 0;
            for (int j = 0; j < drawn.length; j++) {
                if (j != i && (moreIsBetter ? drawn[j] > drawn[i] : drawn[j] < drawn[i])) {
                    better++;
                }
            }
            counts[i][better]++;
        }
    }

    /** Orthonormal rows that are orthogonal to 1, n − 1 of them. */
    private static RealMatrix helmert(int n) {
        RealMatrix rows = new Array2DRowRealMatrix(n - 1, n);
        for (int k = 1; k < n; k++) {
            double scale = 1 / Math.sqrt(k * (k + 1.0));
            for (int i = 0; i < k; i++) {
                rows.setEntry(k - 1, i, scale);
            }
            rows.setEntry(k - 1, k, -k * scale);
        }
        return rows;
    }

    /** Pairs of σ² and τ² with what the evidence says for each, added up. */
    private record Cells(double[] sigma2, double[] tau2, double[] upTo) {

        static Cells of(double[] w, double[] d, double variance, double freedom) {
            double typical = Arrays.stream(d).average().orElseThrow();
            double[] sigma2 = new double[SIGMAS * RATIOS];
            double[] tau2 = new double[SIGMAS * RATIOS];
            double[] log = new double[SIGMAS * RATIOS];
            ChiSquaredDistribution chi = new ChiSquaredDistribution(freedom);
            for (int s = 0; s < SIGMAS; s++) {
                double ofScatter = freedom * variance / chi.inverseCumulativeProbability((s + 0.5) / SIGMAS);
                for (int r = 0; r < RATIOS; r++) {
                    double ratio = LEAST_RATIO * Math.pow(MOST_RATIO / LEAST_RATIO, r / (RATIOS - 1.0));
                    int cell = s * RATIOS + r;
                    sigma2[cell] = ofScatter;
                    tau2[cell] = ratio * ratio * ofScatter * typical;
                    log[cell] = Math.log(ratio / (1 + ratio * ratio / (SCALE * SCALE)));
                    for (int k = 0; k < w.length; k++) {
                        double of = ofScatter * d[k] + tau2[cell];
                        log[cell] -= 0.5 * (Math.log(of) + w[k] * w[k] / of);
                    }
                }
            }
            double most = Arrays.stream(log).max().orElseThrow();
            double[] upTo = new double[log.length];
            double sum = 0;
            for (int cell = 0; cell < log.length; cell++) {
                sum += Math.exp(log[cell] - most);
                upTo[cell] = sum;
            }
            return new Cells(sigma2, tau2, upTo);
        }

        int at(double share) {
            int found = Arrays.binarySearch(upTo, share * upTo[upTo.length - 1]);
            return Math.min(upTo.length - 1, found < 0 ? -found - 1 : found);
        }
    }
}
