package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evensheen.core.comparing.Interval;
import org.hipparchus.distribution.continuous.ChiSquaredDistribution;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.linear.SingularValueDecomposition;

/**
 * How many sections still go on, as counted at visits: a section counts as spent at the visit at which it was found so.
 *
 * <p>Source: E. L. Kaplan, P. Meier 1958; M. Greenwood 1926; the log-rank test as in R. Peto, J. Peto 1972.
 */
public final class Survival {
    private Survival() {}

    /**
     * A step of the curve.
     *
     * @param at exposure at which sections were found spent
     * @param atRisk sections that went on until then
     * @param spent of these
     * @param share that goes on after it
     * @param interval of that share with 95 % chance (Greenwood); empty intervals stand as the share itself
     */
    public record Step(double at, int atRisk, int spent, double share, Interval interval) {}

    /** Share that goes on, step by step (Kaplan & Meier). */
    public static List<Step> steps(Collection<Life> lives) {
        Map<Double, Long> spent = lives.stream()
                .filter(l -> !l.goesOn())
                .collect(Collectors.groupingBy(Life::high, TreeMap::new, Collectors.counting()));
        double z = new NormalDistribution().inverseCumulativeProbability(0.5 + Interval.LEVEL / 2);
        List<Step> steps = new ArrayList<>();
        double share = 1;
        double greenwood = 0;
        for (Map.Entry<Double, Long> at : spent.entrySet()) {
            int risk = (int) lives.stream().filter(l -> seen(l) >= at.getKey()).count();
            long d = at.getValue();
            share *= 1 - (double) d / risk;
            greenwood += risk == d ? 0 : d / ((double) risk * (risk - d));
            double half = z * share * Math.sqrt(greenwood);
            steps.add(new Step(
                    at.getKey(),
                    risk,
                    (int) d,
                    share,
                    new Interval(Math.max(0, share - half), Math.min(1, share + half))));
        }
        return steps;
    }

    private static double seen(Life life) {
        return life.goesOn() ? life.low() : life.high();
    }

    /**
     * Whether products last alike.
     *
     * @param statistic chi-squared
     * @param p chance of one as large if all last alike; for few sections a rough one
     */
    public record LogRank(double statistic, int freedom, double p) {}

    /** The log-rank test over all products; empty p where nothing was spent or only one product is there. */
    public static OptionalDouble logRankP(Collection<Life> lives) {
        if (lives.isEmpty()) {
            return OptionalDouble.empty();
        }
        LogRank test = logRank(lives);
        return test.freedom() == 0 ? OptionalDouble.empty() : OptionalDouble.of(test.p());
    }

    static LogRank logRank(Collection<Life> lives) {
        List<Integer> products =
                lives.stream().map(Life::contender).distinct().sorted().toList();
        int n = products.size();
        double[] beyond = new double[n];
        RealMatrix covariance = new Array2DRowRealMatrix(n, n);
        for (double t : lives.stream()
                .filter(l -> !l.goesOn())
                .mapToDouble(Life::high)
                .distinct()
                .sorted()
                .toArray()) {
            double[] risk = new double[n];
            double[] spent = new double[n];
            for (Life l : lives) {
                int p = products.indexOf(l.contender());
                risk[p] += seen(l) >= t ? 1 : 0;
                spent[p] += !l.goesOn() && l.high() == t ? 1 : 0;
            }
            double all = java.util.Arrays.stream(risk).sum();
            double d = java.util.Arrays.stream(spent).sum();
            for (int i = 0; i < n; i++) {
                beyond[i] += spent[i] - d * risk[i] / all;
                for (int j = 0; j < n && all > 1; j++) {
                    covariance.addToEntry(
                            i, j, d * (all - d) / (all - 1) * (risk[i] / all) * ((i == j ? 1 : 0) - risk[j] / all));
                }
            }
        }
        SingularValueDecomposition parts = new SingularValueDecomposition(covariance);
        int freedom = (int) java.util.Arrays.stream(parts.getSingularValues())
                .filter(v -> v > 1e-9)
                .count();
        if (freedom == 0) {
            return new LogRank(0, 0, 1);
        }
        RealVector u = new ArrayRealVector(beyond);
        double statistic = u.dotProduct(parts.getSolver().solve(u));
        return new LogRank(
                statistic, freedom, 1 - new ChiSquaredDistribution(freedom).cumulativeProbability(statistic));
    }
}
