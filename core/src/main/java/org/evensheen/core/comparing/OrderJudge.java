package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.evensheen.core.comparing.CumulativeLogit.Graded;
import org.evensheen.core.comparing.LotPermutation.Lot;
import org.evensheen.core.comparing.Verdict.Entered;
import org.evensheen.core.comparing.Verdict.Pair;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.random.Well19937a;

/**
 * Who is best on a measure that is an order: places by {@link CumulativeLogit}, told apart by {@link LotPermutation} only, Holm-adjusted over all pairs.
 *
 * <p>What was seen on one place, by one person or several, is one unit: its mean grade, which only has to stand in order with the others.
 */
final class OrderJudge {
    private final List<Entered> entered;
    private final List<Integer> products;
    private final boolean moreIsBetter;
    private final long seed;
    private final CumulativeLogit fit;

    /**
     * @param entered places of products; bare ones left out
     * @param moreIsBetter whether a higher grade is better
     */
    OrderJudge(List<Entered> entered, boolean moreIsBetter, long seed) {
        this.entered = entered;
        this.moreIsBetter = moreIsBetter;
        this.seed = seed;
        products = entered.stream().map(Entered::contender).distinct().sorted().toList();
        List<Integer> rows =
                entered.stream().map(Entered::row).distinct().sorted().toList();
        fit = CumulativeLogit.fit(entered.stream()
                .map(e -> new Graded(products.indexOf(e.contender()), rows.indexOf(e.row()), e.mean()))
                .toList());
    }

    /** The effect of a product; more is a higher grade. */
    Estimate effect(int product) {
        int i = products.indexOf(product);
        return new Estimate(
                fit.effects()[i], Math.sqrt(Math.max(0, fit.covariance().getEntry(i, i))), Double.POSITIVE_INFINITY);
    }

    /** Every pair, in the order of the ranking, the better first. */
    List<Pair> pairs(List<Integer> ranked) {
        List<int[]> who = new ArrayList<>();
        for (int i = 0; i < ranked.size(); i++) {
            for (int j = i + 1; j < ranked.size(); j++) {
                who.add(new int[] {ranked.get(i), ranked.get(j)});
            }
        }
        double[] raw = who.stream().mapToDouble(w -> p(w[0], w[1])).toArray();
        double[] adjusted = Holm.adjust(raw);
        return IntStream.range(0, raw.length)
                .mapToObj(k -> new Pair(
                        who.get(k)[0],
                        who.get(k)[1],
                        difference(who.get(k)[0], who.get(k)[1]),
                        Optional.empty(),
                        raw[k],
                        adjusted[k],
                        adjusted[k] < MaxT.LEVEL && better(who.get(k)[0], who.get(k)[1]),
                        OptionalDouble.empty()))
                .toList();
    }

    /** Whether the one that ranks higher also has the higher grades over all, so that the test does not speak for the other. */
    private boolean better(int one, int other) {
        return (mean(one) - mean(other)) * (moreIsBetter ? 1 : -1) > 0;
    }

    private double mean(int product) {
        return entered.stream()
                .filter(e -> e.contender() == product)
                .mapToDouble(Entered::mean)
                .average()
                .orElseThrow();
    }

    private Estimate difference(int better, int worse) {
        int i = products.indexOf(better);
        int j = products.indexOf(worse);
        RealMatrix c = fit.covariance();
        double sign = moreIsBetter ? 1 : -1;
        return new Estimate(
                sign * (fit.effects()[i] - fit.effects()[j]),
                Math.sqrt(Math.max(0, c.getEntry(i, i) + c.getEntry(j, j) - 2 * c.getEntry(i, j))),
                Double.POSITIVE_INFINITY);
    }

    private double p(int one, int other) {
        return LotPermutation.p(entered.stream()
                .filter(e -> e.contender() == one || e.contender() == other)
                .map(e -> new Lot(e.contender() == one, e.row(), e.mean()))
                .toList());
    }

    /** Products, the best first. */
    List<Integer> ranked() {
        return products.stream()
                .sorted(Comparator.comparingDouble(
                        p -> (moreIsBetter ? -1 : 1) * effect(p).value()))
                .toList();
    }

    /** Chance of each place by draws from the normal approximation at the maximum; rows in the order of {@code ranked}. */
    double[][] chances(List<Integer> ranked) {
        int n = ranked.size();
        double[][] draws = draws();
        int[] position = ranked.stream().mapToInt(products::indexOf).toArray();
        double[][] counts = new double[n][n];
        for (int draw = 0; draw < PlaceChances.DRAWS; draw++) {
            for (int r = 0; r < n; r++) {
                int before = 0;
                for (double[] other : draws) {
                    before += other[draw] > draws[position[r]][draw] ? 1 : 0;
                }
                counts[r][before]++;
            }
        }
        for (double[] row : counts) {
            Arrays.setAll(row, k -> row[k] / PlaceChances.DRAWS);
        }
        return counts;
    }

    /** Effects as drawn, more being better, a row for each of {@link #products}. */
    private double[][] draws() {
        int n = products.size();
        double[] effects = fit.effects();
        // Effects sum to zero: their covariance has no root of full rank, that of all but the last has.
        double[][] root = n < 2
                ? new double[0][0]
                : new org.hipparchus.linear.CholeskyDecomposition(
                                fit.covariance().getSubMatrix(0, n - 2, 0, n - 2), 1e-6, 0)
                        .getL()
                        .getData();
        Well19937a random = new Well19937a(seed);
        double sign = moreIsBetter ? 1 : -1;
        double[][] draws = new double[n][PlaceChances.DRAWS];
        double[] normal = new double[Math.max(0, n - 1)];
        for (int draw = 0; draw < PlaceChances.DRAWS; draw++) {
            Arrays.setAll(normal, k -> random.nextGaussian());
            double sum = 0;
            for (int i = 0; i < n - 1; i++) {
                double drawn = effects[i];
                for (int j = 0; j <= i; j++) {
                    drawn += root[i][j] * normal[j];
                }
                sum += drawn;
                draws[i][draw] = sign * drawn;
            }
            draws[n - 1][draw] = sign * -sum;
        }
        return draws;
    }

    /**
     * Effects of all that were graded as amounts of the scale behind the grades, more being better: what lies far apart is what grades hardly ever mix up.
     *
     * @param control which of them is the control, if one is
     */
    Drawn drawn(IntPredicate control) {
        double sign = moreIsBetter ? 1 : -1;
        double[][] draws = draws();
        List<Integer> others = products.stream().filter(p -> !control.test(p)).toList();
        int[] at = others.stream().mapToInt(products::indexOf).toArray();
        double[][] covariance = new double[at.length][at.length];
        for (int i = 0; i < at.length; i++) {
            for (int j = 0; j < at.length; j++) {
                covariance[i][j] = fit.covariance().getEntry(at[i], at[j]);
            }
        }
        return new Drawn(
                others,
                others.stream()
                        .map(p -> new Estimate(
                                sign * effect(p).value(), effect(p).standardError(), Double.POSITIVE_INFINITY))
                        .toList(),
                products.stream()
                        .filter(control::test)
                        .findFirst()
                        .map(p -> sign * effect(p).value()),
                covariance,
                Double.POSITIVE_INFINITY,
                Arrays.stream(at).mapToObj(i -> draws[i]).toArray(double[][]::new));
    }
}
