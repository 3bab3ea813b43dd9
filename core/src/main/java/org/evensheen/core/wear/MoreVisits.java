package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.hipparchus.distribution.continuous.NormalDistribution;

/**
 * How much surer further visits make the difference between the lives of two products, by rehearsal: lives of sections that go on are drawn from what is believed of them, seen at the visits
 * only, and go through the same model as real ones.
 */
public final class MoreVisits {
    /** Studies rehearsed. */
    public static final int STUDIES = 20;

    private MoreVisits() {}

    /**
     * The share that is left of the variance of {@code ln(T₁/T₂)} after so many visits more, the mean of {@value #STUDIES} rehearsed studies and 1 at most: while nothing is spent, visits
     * make nothing surer.
     *
     * @param lives of two products
     * @param span exposure at the latest visit, above 0
     * @param every exposure from visit to visit, above 0
     * @param times how many visits more, each from 1
     * @throws IllegalArgumentException if it is not about two products
     */
    public static double[] left(List<Life> lives, double span, double every, List<Integer> times, long seed) {
        Lives now = Lives.fit(lives, span);
        if (now.products().size() != 2 || !(every > 0)) {
            throw new IllegalArgumentException("two products are compared, from visit to visit");
        }
        double[][] believed = now.draws(seed);
        double before = variance(believed);
        double[] left = new double[times.size()];
        if (lives.stream().noneMatch(Life::goesOn)) {
            Arrays.fill(left, 1);
            return left;
        }
        Random random = new Random(seed);
        for (int study = 0; study < STUDIES; study++) {
            int truth = random.nextInt(Lives.DRAWS);
            double[] ends = ends(lives, now, believed, truth, random);
            for (int i = 0; i < left.length; i++) {
                List<Life> seen = seen(lives, ends, span, every, times.get(i));
                double after =
                        variance(Lives.fit(seen, span + times.get(i) * every).draws(seed));
                left[i] += Math.min(1, after / before);
            }
        }
        return Arrays.stream(left).map(l -> l / STUDIES).toArray();
    }

    /** When each section ends; those that go on are drawn from where they are now. */
    private static double[] ends(List<Life> lives, Lives now, double[][] believed, int truth, Random random) {
        NormalDistribution normal = new NormalDistribution();
        double[] ends = new double[lives.size()];
        for (int i = 0; i < ends.length; i++) {
            Life life = lives.get(i);
            double middle = believed[now.products().indexOf(life.contender())][truth]
                    + Math.log(now.rows().getOrDefault(life.row(), 1.0));
            double sigma = now.sigma();
            double reached = life.low() > 0 ? normal.cumulativeProbability((Math.log(life.low()) - middle) / sigma) : 0;
            double share = Math.min(1 - 1e-9, reached + (1 - reached) * random.nextDouble());
            ends[i] = life.goesOn()
                    ? Math.exp(middle + sigma * normal.inverseCumulativeProbability(Math.max(1e-9, share)))
                    : life.high();
        }
        return ends;
    }

    private static List<Life> seen(List<Life> lives, double[] ends, double span, double every, int visits) {
        List<Life> seen = new ArrayList<>();
        for (int i = 0; i < ends.length; i++) {
            Life life = lives.get(i);
            if (!life.goesOn()) {
                seen.add(life);
                continue;
            }
            int visit = Math.max(1, (int) Math.ceil((ends[i] - span) / every));
            boolean spent = visit <= visits;
            double low = spent && visit == 1 ? life.low() : span + (spent ? visit - 1 : visits) * every;
            seen.add(new Life(
                    life.section(),
                    life.contender(),
                    life.row(),
                    low,
                    spent ? span + visit * every : Double.POSITIVE_INFINITY));
        }
        return seen;
    }

    private static double variance(double[][] draws) {
        double mean = 0;
        for (int d = 0; d < draws[0].length; d++) {
            mean += (draws[0][d] - draws[1][d]) / draws[0].length;
        }
        double sum = 0;
        for (int d = 0; d < draws[0].length; d++) {
            double off = draws[0][d] - draws[1][d] - mean;
            sum += off * off;
        }
        return sum / (draws[0].length - 1);
    }
}
