package org.evensheen.core.comparing;

import java.util.Arrays;
import java.util.List;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.RealMatrix;

/**
 * Grades as an order: {@code P(grade ≤ k) = 1/(1 + exp(−(α_k − e − b)))}, e the effect of the product, b that of the block.
 *
 * <p>Effects of products sum to zero, each with the prior N(0, 1.5²); those of blocks likewise; thresholds α are free. What is told is the
 * maximum of the posterior with the inverse of its curvature. It says by how much products differ on a scale of its own; whether they can be told apart is
 * left to {@link LotPermutation}, which assumes nothing of the kind.
 *
 * <p>Source: P. McCullagh 1980; A. Agresti, Analysis of Ordinal Categorical Data, 2010.
 */
final class CumulativeLogit {
    /** Standard deviation of the prior of an effect. */
    static final double PRIOR = 1.5;

    /**
     * A place with its grade.
     *
     * @param treatment from 0
     * @param block from 0
     * @param grade any number; only the order of grades counts
     */
    record Graded(int treatment, int block, double grade) {}

    private final double[] effects;
    private final RealMatrix covariance;
    private final double log;

    private CumulativeLogit(double[] effects, RealMatrix covariance, double log) {
        this.effects = effects;
        this.covariance = covariance;
        this.log = log;
    }

    /**
     * Fits the model.
     *
     * @param graded one or more places; treatments and blocks numbered from 0 without gaps
     */
    static CumulativeLogit fit(List<Graded> graded) {
        int treatments = 1 + graded.stream().mapToInt(Graded::treatment).max().orElseThrow();
        int blocks = 1 + graded.stream().mapToInt(Graded::block).max().orElseThrow();
        double[] levels =
                graded.stream().mapToDouble(Graded::grade).distinct().sorted().toArray();
        int free = treatments - 1 + blocks - 1;
        double[] start = new double[free + Math.max(0, levels.length - 1)];
        if (levels.length > 1) {
            start[free] = -(levels.length - 2) / 2.0;
        }
        Maximum maximum = Maximum.of(x -> log(x, graded, treatments, blocks, levels), start);
        RealMatrix all = new Array2DRowRealMatrix(treatments, start.length);
        for (int t = 0; t < treatments - 1; t++) {
            all.setEntry(t, t, 1);
            all.setEntry(treatments - 1, t, -1);
        }
        return new CumulativeLogit(
                summing(maximum.at(), 0, treatments),
                all.multiply(maximum.covariance()).multiplyTransposed(all),
                maximum.value());
    }

    /** Effects that sum to zero, from all but the last. */
    private static double[] summing(double[] x, int from, int count) {
        double[] effects = new double[count];
        double sum = 0;
        for (int i = 0; i < count - 1; i++) {
            effects[i] = x[from + i];
            sum += effects[i];
        }
        effects[count - 1] = -sum;
        return effects;
    }

    private static double log(double[] x, List<Graded> graded, int treatments, int blocks, double[] levels) {
        double[] effect = summing(x, 0, treatments);
        double[] block = summing(x, treatments - 1, blocks);
        double[] threshold = new double[levels.length - 1];
        int first = treatments + blocks - 2;
        for (int k = 0; k < threshold.length; k++) {
            threshold[k] = k == 0 ? x[first] : threshold[k - 1] + Math.exp(x[first + k]);
        }
        double sum = 0;
        for (Graded g : graded) {
            int level = Arrays.binarySearch(levels, g.grade());
            double shift = effect[g.treatment()] + block[g.block()];
            double upper = level == levels.length - 1 ? 1 : logistic(threshold[level] - shift);
            double lower = level == 0 ? 0 : logistic(threshold[level - 1] - shift);
            sum += Math.log(upper - lower);
        }
        return sum - penalty(effect) - penalty(block);
    }

    private static double penalty(double[] effects) {
        double sum = 0;
        for (double effect : effects) {
            sum += effect * effect;
        }
        return sum / (2 * PRIOR * PRIOR);
    }

    private static double logistic(double z) {
        return 1 / (1 + Math.exp(-z));
    }

    /** Effects of the treatments, summing to zero; more is a higher grade. */
    double[] effects() {
        return effects.clone();
    }

    /** Covariance of the effects; singular, as they sum to zero. */
    RealMatrix covariance() {
        return covariance;
    }

    /** Log posterior at its maximum, without the priors' constants. */
    double log() {
        return log;
    }
}
