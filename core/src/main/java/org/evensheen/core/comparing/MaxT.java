package org.evensheen.core.comparing;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.random.SobolSequenceGenerator;
import org.hipparchus.special.Gamma;

/**
 * The largest of the t statistics of all compared pairs when no two treatments differ: the single-step max-t method, which for
 * a balanced design is Tukey's.
 *
 * <p>With {@code z} the differences over their true standard errors and {@code s} estimated over true scatter
 * ({@code ν·s² ~ χ²(ν)}), {@code P(max|t| ≤ c) = E[1 − F_χ²(ν·m²/c²)]} over {@code m = max|z|}. Where all pairs are alike, {@code m} is
 * the range of independent normals and is integrated; else it is taken over a Sobol sequence, which gives three steady digits.
 * It follows from the design alone, so it is worked out once for each.
 *
 * <p>Source: J. W. Tukey 1953; F. Bretz, T. Hothorn, P. Westfall, Multiple Comparisons Using R, 2010, ch. 3.
 */
final class MaxT {
    /** Chance that any of the pairs is told apart where none differ. */
    static final double LEVEL = 1 - Interval.LEVEL;

    private static final NormalDistribution NORMAL = new NormalDistribution();
    private static final double WIDEST = 9;
    private static final double STEP = 0.03;
    private static final int BINS = (int) (WIDEST / STEP);
    private static final double LEAST_SHARE = 1e-8;
    /** Where p is known exactly; its logarithm is straight between. */
    private static final int NODES = 96;

    private static final double STRETCH = 6;
    private static final double LEAST = 1e-12;
    private static final int MOST_POINTS = 65_536;
    private static final int LEAST_POINTS = 4_096;
    private static final double WORK = 5e6;
    private static final double ALIKE = 1e-9;
    private static final int MOST_KNOWN = 200;
    private static final Map<Design, MaxT> KNOWN = new ConcurrentHashMap<>();

    /** A design up to scale. */
    private record Design(List<Double> covariance, List<List<Integer>> pairs, double freedom) {}

    private final double freedom;
    private final double[] share;
    private final double critical;
    private final double toldApart;
    private final double[] logLevel;

    private MaxT(double[] share, double freedom) {
        this.share = share;
        this.freedom = freedom;
        critical = Math.exp(new BrentSolver(1e-7)
                .solve(200, log -> Math.log(Math.max(LEAST, above(Math.exp(log))) / LEVEL), 0, 9));
        toldApart = LeastDetectable.standardErrors(critical, freedom);
        logLevel = new double[NODES];
        Arrays.setAll(logLevel, k -> Math.log(Math.max(LEAST, above(at(k)))));
    }

    /**
     * The distribution for a design.
     *
     * @param covariance of the treatment means, up to a factor
     * @param pairs rows of that matrix that are compared, one or more pairs
     * @param freedom degrees of freedom behind the scatter, above 0
     */
    static MaxT of(RealMatrix covariance, List<List<Integer>> pairs, double freedom) {
        Design design = new Design(rounded(covariance), pairs, freedom);
        MaxT known = KNOWN.get(design);
        if (known == null) {
            known = work(covariance, pairs, freedom);
            if (KNOWN.size() < MOST_KNOWN) {
                KNOWN.put(design, known);
            }
        }
        return known;
    }

    /** The same, worked out afresh. */
    static MaxT work(RealMatrix covariance, List<List<Integer>> pairs, double freedom) {
        return new MaxT(
                alike(covariance, pairs) ? range(covariance.getRowDimension()) : drawn(covariance, pairs), freedom);
    }

    /** A pair is told apart when its |t| is above this. */
    double critical() {
        return critical;
    }

    /** Adjusted p of a pair: the chance that the largest |t| of all pairs would be above this one; below 0.05 just where {@code t} is above critical. */
    double adjusted(double t) {
        double place = NODES * t / (STRETCH + t);
        int below = (int) Math.min(NODES - 2.0, place);
        double between = Double.isFinite(t)
                ? Math.exp(logLevel[below] + Math.min(1, place - below) * (logLevel[below + 1] - logLevel[below]))
                : 0;
        return t > critical ? Math.min(between, Math.nextDown(LEVEL)) : Math.max(between, LEVEL);
    }

    /** Difference in standard errors that would be told apart with 80 % power. */
    double toldApart() {
        return toldApart;
    }

    /** The t at which p is known: even steps for small ones, ever wider above. */
    private static double at(int k) {
        double share = k / (double) NODES;
        return STRETCH * share / (1 - share);
    }

    private double above(double c) {
        if (c == 0) {
            return 1;
        }
        double sum = 0;
        for (int k = 0; k < BINS; k++) {
            if (share[k] > LEAST_SHARE) {
                double m = (k + 0.5) * STEP / c;
                sum += share[k] * Gamma.regularizedGammaP(freedom / 2, freedom * m * m / 2);
            }
        }
        return Math.max(0, Math.min(1, sum));
    }

    private static List<Double> rounded(RealMatrix covariance) {
        double scale = covariance.getTrace();
        return Arrays.stream(covariance.getData())
                .flatMapToDouble(Arrays::stream)
                .mapToObj(v -> Math.rint(v / scale * 1e8) / 1e8 + 0.0)
                .toList();
    }

    /** Whether all treatments are compared, with one variance and one covariance for all. */
    private static boolean alike(RealMatrix c, List<List<Integer>> pairs) {
        int n = c.getRowDimension();
        if (pairs.size() != n * (n - 1) / 2) {
            return false;
        }
        double first = variance(c, pairs.get(0));
        return pairs.stream().allMatch(p -> Math.abs(variance(c, p) / first - 1) < ALIKE);
    }

    private static double variance(RealMatrix c, List<Integer> pair) {
        int i = pair.get(0);
        int j = pair.get(1);
        return c.getEntry(i, i) + c.getEntry(j, j) - 2 * c.getEntry(i, j);
    }

    /** Shares of the range of n independent normals over √2, bin by bin: {@code P(range ≤ r) = n ∫ φ(z)·[Φ(z) − Φ(z − r)]^(n−1) dz}. */
    private static double[] range(int n) {
        double[] upTo = new double[BINS + 1];
        for (int k = 0; k <= BINS; k++) {
            double r = k * STEP * Math.sqrt(2);
            double sum = 0;
            double step = 0.125;
            for (double z = -6; z <= 6 + r; z += step) {
                sum += NORMAL.density(z)
                        * Math.pow(NORMAL.cumulativeProbability(z) - NORMAL.cumulativeProbability(z - r), n - 1.0);
            }
            upTo[k] = k == BINS ? 1 : Math.min(1, n * sum * step);
        }
        double[] share = new double[BINS];
        Arrays.setAll(share, k -> upTo[k + 1] - upTo[k]);
        return share;
    }

    private static double[] drawn(RealMatrix covariance, List<List<Integer>> pairs) {
        int n = covariance.getRowDimension();
        double[][] root = new CholeskyDecomposition(covariance, 1e-9, 0).getL().getData();
        double[] errors = pairs.stream()
                .mapToDouble(p -> Math.sqrt(variance(covariance, p)))
                .toArray();
        int points = (int) Math.max(LEAST_POINTS, Math.min(MOST_POINTS, WORK / pairs.size()));
        double[] share = new double[BINS];
        SobolSequenceGenerator sequence = new SobolSequenceGenerator(n);
        sequence.skipTo(1);
        double[] value = new double[n];
        for (int point = 0; point < points; point++) {
            double[] uniform = sequence.nextVector();
            for (int i = 0; i < n; i++) {
                uniform[i] = NORMAL.inverseCumulativeProbability(Math.max(1e-9, Math.min(1 - 1e-9, uniform[i])));
            }
            for (int i = 0; i < n; i++) {
                value[i] = 0;
                for (int j = 0; j <= i; j++) {
                    value[i] += root[i][j] * uniform[j];
                }
            }
            double most = 0;
            for (int p = 0; p < errors.length; p++) {
                List<Integer> pair = pairs.get(p);
                most = Math.max(most, Math.abs(value[pair.get(0)] - value[pair.get(1)]) / errors[p]);
            }
            share[Math.min(BINS - 1, (int) (most / STEP))] += 1.0 / points;
        }
        return share;
    }
}
