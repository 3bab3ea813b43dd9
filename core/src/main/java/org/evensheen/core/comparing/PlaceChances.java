package org.evensheen.core.comparing;

import java.util.Arrays;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.random.Well19937a;

/**
 * Each contender's chance of each place, by seeded draws from what the evidence allows: the means' multivariate t
 * distribution. The same seed gives the same chances on every machine.
 */
final class PlaceChances {
    static final int DRAWS = 10_000;

    private PlaceChances() {}

    /**
     * @param means estimated means, one per contender
     * @param covariance of the means
     * @param freedom behind the covariance
     * @return chance of contender i at place k, rows and columns from 0; every row sums to 1
     */
    static double[][] of(double[] means, RealMatrix covariance, double freedom, boolean moreIsBetter, long seed) {
        int n = means.length;
        double[][] chances = new double[n][n];
        double[][] root = root(covariance);
        Well19937a random = new Well19937a(seed);
        double[] normal = new double[n];
        double[] drawn = new double[n];
        for (int draw = 0; draw < DRAWS; draw++) {
            for (int i = 0; i < n; i++) {
                normal[i] = random.nextGaussian();
            }
            double widen = Math.sqrt(freedom / chiSquared(random, freedom));
            for (int i = 0; i < n; i++) {
                double shift = 0;
                for (int j = 0; j <= i; j++) {
                    shift += root[i][j] * normal[j];
                }
                double value = means[i] + widen * shift;
                drawn[i] = moreIsBetter ? -value : value;
            }
            for (int i = 0; i < n; i++) {
                int better = 0;
                for (int j = 0; j < n; j++) {
                    if (drawn[j] < drawn[i] || drawn[j] == drawn[i] && j < i) {
                        better++;
                    }
                }
                chances[i][better]++;
            }
        }
        for (double[] row : chances) {
            Arrays.setAll(row, k -> row[k] / DRAWS);
        }
        return chances;
    }

    private static double[][] root(RealMatrix covariance) {
        int n = covariance.getRowDimension();
        if (covariance.getTrace() == 0) {
            return new double[n][n];
        }
        return new CholeskyDecomposition(covariance, 1e-9, 0).getL().getData();
    }

    /** Chi-squared by Marsaglia and Tsang's gamma method, so that large degrees of freedom cost no more than small. */
    private static double chiSquared(Well19937a random, double freedom) {
        double shape = freedom / 2;
        double boost = 1;
        if (shape < 1) {
            boost = Math.pow(random.nextDouble(), 1 / shape);
            shape += 1;
        }
        double d = shape - 1.0 / 3;
        double c = 1 / Math.sqrt(9 * d);
        while (true) {
            double x = random.nextGaussian();
            double v = Math.pow(1 + c * x, 3);
            if (v > 0 && Math.log(random.nextDouble()) < 0.5 * x * x + d - d * v + d * Math.log(v)) {
                return 2 * d * v * boost;
            }
        }
    }
}
