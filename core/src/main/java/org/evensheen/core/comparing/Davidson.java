package org.evensheen.core.comparing;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.random.Well19937a;

/**
 * Worths from answers about pairs, ties among them: {@code P(i over j) = wᵢ/(wᵢ + wⱼ + ν√(wᵢwⱼ))}, a tie
 * {@code ν√(wᵢwⱼ)/(wᵢ + wⱼ + ν√(wᵢwⱼ))}.
 *
 * <p>Log-worths sum to zero. With few ballots each log-worth and ln ν have the prior N(0, 1), and the maximum is that of the posterior. Standard errors from the inverse of
 * the curvature.
 *
 * <p>Source: R. R. Davidson, "On extending the Bradley–Terry model to accommodate ties", 1970.
 */
public final class Davidson {

    /**
     * Answers about one pair.
     *
     * @param first and {@code second}: contenders, from 0
     * @param firstWins answers for the first
     * @param secondWins answers for the second
     * @param ties answers that there is no difference
     */
    public record Tally(int first, int second, int firstWins, int secondWins, int ties) {
        public Tally {
            if (first == second || first < 0 || second < 0 || firstWins < 0 || secondWins < 0 || ties < 0) {
                throw new IllegalArgumentException("a tally is of two contenders and has no negative counts");
            }
        }

        /** Together with more answers about the same pair in the same order. */
        public Tally plus(Tally more) {
            return new Tally(first, second, firstWins + more.firstWins, secondWins + more.secondWins, ties + more.ties);
        }
    }

    private final double[] worths;
    private final RealMatrix covariance;
    private final double tie;
    private final double log;

    private Davidson(double[] worths, RealMatrix covariance, double tie, double log) {
        this.worths = worths;
        this.covariance = covariance;
        this.tie = tie;
        this.log = log;
    }

    /**
     * Fits the model.
     *
     * @param contenders how many, 2 or more
     * @param prior whether the weak priors are taken
     * @throws IllegalStateException without priors, if a contender won or lost everything, so that there is no maximum
     */
    public static Davidson fit(int contenders, List<Tally> tallies, boolean prior) {
        double[] start = new double[contenders];
        Maximum maximum = Maximum.of(x -> log(x, contenders, tallies, prior), start);
        RealMatrix all = new Array2DRowRealMatrix(contenders, contenders);
        for (int i = 0; i < contenders - 1; i++) {
            all.setEntry(i, i, 1);
            all.setEntry(contenders - 1, i, -1);
        }
        return new Davidson(
                worths(maximum.at(), contenders),
                all.multiply(maximum.covariance()).multiplyTransposed(all),
                Math.exp(maximum.at()[contenders - 1]),
                maximum.value());
    }

    private static double[] worths(double[] x, int contenders) {
        double[] worths = Arrays.copyOf(x, contenders);
        worths[contenders - 1] = 0;
        worths[contenders - 1] = -Arrays.stream(worths).sum();
        return worths;
    }

    private static double log(double[] x, int contenders, List<Tally> tallies, boolean prior) {
        double[] worth = worths(x, contenders);
        double logTie = x[contenders - 1];
        double sum = 0;
        for (Tally t : tallies) {
            double a = worth[t.first];
            double b = worth[t.second];
            double even = logTie + (a + b) / 2;
            double most = Math.max(even, Math.max(a, b));
            double whole = most + Math.log(Math.exp(a - most) + Math.exp(b - most) + Math.exp(even - most));
            sum += t.firstWins * (a - whole) + t.secondWins * (b - whole) + t.ties * (even - whole);
        }
        return prior ? sum - (Arrays.stream(worth).map(w -> w * w).sum() + logTie * logTie) / 2 : sum;
    }

    /** Log-worths, summing to zero; more is preferred. */
    public double[] worths() {
        return worths.clone();
    }

    /** ν: how readily no difference is said. */
    public double tie() {
        return tie;
    }

    /** By how much the log-worth of one exceeds that of another, with its standard error; degrees of freedom without end. */
    public Estimate difference(int one, int other) {
        double variance =
                covariance.getEntry(one, one) + covariance.getEntry(other, other) - 2 * covariance.getEntry(one, other);
        return new Estimate(worths[one] - worths[other], Math.sqrt(variance), Double.POSITIVE_INFINITY);
    }

    /** Each contender's chance of being first, by seeded draws from the normal approximation at the maximum. */
    public double[] chancesOfFirst(long seed) {
        int n = worths.length;
        double[][] draws = draws(seed);
        double[] first = new double[n];
        for (int draw = 0; draw < PlaceChances.DRAWS; draw++) {
            int best = n - 1;
            for (int i = 0; i < n - 1; i++) {
                best = draws[i][draw] > draws[best][draw] ? i : best;
            }
            first[best] += 1.0 / PlaceChances.DRAWS;
        }
        return first;
    }

    /** Log-worths as drawn, a row a contender. */
    private double[][] draws(long seed) {
        int n = worths.length;
        // Log-worths sum to zero: their covariance has no root of full rank, that of all but the last has.
        double[][] root = new CholeskyDecomposition(covariance.getSubMatrix(0, n - 2, 0, n - 2), 1e-6, 0)
                .getL()
                .getData();
        Well19937a random = new Well19937a(seed);
        double[][] draws = new double[n][PlaceChances.DRAWS];
        double[] normal = new double[n - 1];
        for (int draw = 0; draw < PlaceChances.DRAWS; draw++) {
            Arrays.setAll(normal, k -> random.nextGaussian());
            double sum = 0;
            for (int i = 0; i < n - 1; i++) {
                double drawn = worths[i];
                for (int j = 0; j <= i; j++) {
                    drawn += root[i][j] * normal[j];
                }
                sum += drawn;
                draws[i][draw] = drawn;
            }
            draws[n - 1][draw] = -sum;
        }
        return draws;
    }

    /**
     * Log-worths as amounts of the scale behind the answers.
     *
     * @param numbers of the contenders, in the order in which they were fitted
     */
    public Drawn drawn(List<Integer> numbers, long seed) {
        return new Drawn(
                List.copyOf(numbers),
                IntStream.range(0, worths.length)
                        .mapToObj(i -> new Estimate(
                                worths[i], Math.sqrt(Math.max(0, covariance.getEntry(i, i))), Double.POSITIVE_INFINITY))
                        .toList(),
                Optional.empty(),
                covariance.getData(),
                Double.POSITIVE_INFINITY,
                draws(seed));
    }

    /** Covariance of the log-worths. */
    RealMatrix covariance() {
        return covariance;
    }

    /** Log likelihood at the maximum; with priors the log posterior without their constants. */
    public double log() {
        return log;
    }
}
