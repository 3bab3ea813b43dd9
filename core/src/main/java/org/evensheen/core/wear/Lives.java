package org.evensheen.core.wear;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.comparing.Maximum;
import org.hipparchus.random.Well19937a;

/**
 * Lives known as intervals, through a lognormal accelerated-life model: {@code ln T = μ(product) + β(row) + σ·z}, one σ.
 *
 * <p>σ has the weak prior {@code ln σ ~ N(ln 0.3, 0.5²)}, so that few sections can't drive it to nothing. A median life is flat in its logarithm, from what the sections leave possible up
 * to eight times what was observed; beyond twice that nothing is said. Both are integrated over, on a grid of σ and for each product of μ, as products are independent once σ is known. Rows, where
 * they leave freedom, are taken out at the maximum of all together, shrunk by N(0, 0.3²); in a balanced design a product's median does not depend on them.
 *
 * <p>Source: W. Q. Meeker, L. A. Escobar, Statistical Methods for Reliability Data, 1998, ch. 8; MEASURES 8.
 */
public final class Lives {
    /** Nothing is said of lives beyond so many times what was observed. */
    public static final double BEYOND = 2;
    /** How far a median is thought to reach at most, in spans; wide enough that what lies beyond {@link #BEYOND} is not squeezed into what is told. */
    private static final double REACH = 8;

    /** Draws behind ratios and places, with a stored seed. */
    public static final int DRAWS = 10_000;

    static final double PRIOR_SIGMA = 0.3;
    private static final double PRIOR_SPREAD = 0.5;
    private static final int SIGMAS = 31;
    private static final int MEDIANS = 201;

    private final List<Life> lives;
    private final double most;
    private final List<Integer> products;
    private final Map<Integer, Double> rows;
    private final double[] sigma = new double[SIGMAS];
    private final double[] weight = new double[SIGMAS];
    private final Map<Integer, double[]> medians = new HashMap<>();
    /** By product, for each σ the cumulative share below the end of each cell of μ. */
    private final Map<Integer, double[][]> below = new HashMap<>();

    private final double span;

    private Lives(List<Life> lives, double span) {
        this.lives = lives;
        this.span = span;
        most = Math.log(REACH * span);
        products = lives.stream().map(Life::contender).distinct().sorted().toList();
        rows = RowEffects.of(lives, products, span);
        double[] logWeight = new double[SIGMAS];
        for (int s = 0; s < SIGMAS; s++) {
            double z = -3 + 6.0 * s / (SIGMAS - 1);
            sigma[s] = PRIOR_SIGMA * Math.exp(PRIOR_SPREAD * z);
            logWeight[s] = -z * z / 2;
        }
        for (int product : products) {
            integrate(product, logWeight);
        }
        double top = Arrays.stream(logWeight).max().orElseThrow();
        double sum = 0;
        for (int s = 0; s < SIGMAS; s++) {
            weight[s] = Math.exp(logWeight[s] - top);
            sum += weight[s];
        }
        for (int s = 0; s < SIGMAS; s++) {
            weight[s] /= sum;
        }
    }

    /**
     * Fits lives.
     *
     * @param lives one a section, one or more
     * @param span exposure at the latest visit of any of them, above 0
     */
    public static Lives fit(List<Life> lives, double span) {
        if (lives.isEmpty() || !(span > 0)) {
            throw new IllegalArgumentException("lives of one section at least, over some span");
        }
        return new Lives(List.copyOf(lives), span);
    }

    /** The likelihood of the product's sections over its cells of μ, cumulated, for each σ; what they weigh goes onto {@code logWeight}. */
    private void integrate(int product, double[] logWeight) {
        List<Life> own = lives.stream().filter(l -> l.contender() == product).toList();
        double least = own.stream()
                        .mapToDouble(l -> Math.log(Math.max(l.low(), l.goesOn() ? l.low() : l.high() / 8)))
                        .min()
                        .orElseThrow()
                - 1.5;
        double from = Math.min(least, most - 1);
        double[] median = new double[MEDIANS];
        for (int m = 0; m < MEDIANS; m++) {
            median[m] = from + (most - from) * (m + 0.5) / MEDIANS;
        }
        medians.put(product, median);
        double[][] cumulated = new double[SIGMAS][MEDIANS];
        double[] ends = own.stream()
                .flatMapToDouble(l -> DoubleStream.of(l.low(), l.high())
                        .filter(e -> e > 0 && !Double.isInfinite(e))
                        .map(e -> Math.log(e) - rows.getOrDefault(l.row(), 0.0)))
                .distinct()
                .toArray();
        int[] low = own.stream().mapToInt(l -> at(ends, l, l.low())).toArray();
        int[] high = own.stream().mapToInt(l -> at(ends, l, l.high())).toArray();
        double[] above = new double[ends.length];
        for (int s = 0; s < SIGMAS; s++) {
            double[] log = new double[MEDIANS];
            double top = Double.NEGATIVE_INFINITY;
            for (int m = 0; m < MEDIANS; m++) {
                for (int e = 0; e < ends.length; e++) {
                    above[e] = Likely.above((ends[e] - median[m]) / sigma[s]);
                }
                double seen = 1;
                for (int i = 0; i < low.length; i++) {
                    seen *= Math.max(LEAST, (low[i] < 0 ? 1 : above[low[i]]) - (high[i] < 0 ? 0 : above[high[i]]));
                    if (seen < SMALL) {
                        log[m] += Math.log(seen);
                        seen = 1;
                    }
                }
                log[m] += Math.log(seen);
                top = Math.max(top, log[m]);
            }
            double sum = 0;
            for (int m = 0; m < MEDIANS; m++) {
                sum += Math.exp(log[m] - top);
                cumulated[s][m] = sum;
            }
            for (int m = 0; m < MEDIANS; m++) {
                cumulated[s][m] /= sum;
            }
            logWeight[s] += top + Math.log(sum / MEDIANS);
        }
        below.put(product, cumulated);
    }

    /** Place of a life's end among all; below 0 for one that is open. */
    private int at(double[] ends, Life life, double end) {
        if (!(end > 0) || Double.isInfinite(end)) {
            return -1;
        }
        double log = Math.log(end) - rows.getOrDefault(life.row(), 0.0);
        int at = 0;
        while (ends[at] != log) {
            at++;
        }
        return at;
    }

    /** Chances below this are as good as none; some of them multiplied are still a number. */
    private static final double LEAST = 1e-25;

    private static final double SMALL = 1e-250;

    static double square(double z) {
        return z * z / 2;
    }

    /** Log likelihood of medians (log) and ln σ, with the prior of σ if it is taken. */
    private static double joint(double[] x, List<Life> lives, List<Integer> products, boolean prior) {
        int n = products.size();
        double s = Math.exp(x[n]);
        double sum = 0;
        for (Life life : lives) {
            sum += Likely.log(life, x[products.indexOf(life.contender())], s);
        }
        return prior ? sum - square((x[n] - Math.log(PRIOR_SIGMA)) / PRIOR_SPREAD) : sum;
    }

    /**
     * The maximum over medians and σ without rows, as a plain fit gives it.
     *
     * @param medians by product in ascending order of numbers
     * @param log log likelihood there, with the prior of σ if it was taken
     */
    record Point(double[] medians, double sigma, double log) {}

    /**
     * The maximum.
     *
     * @throws IllegalStateException if all sections of a product go on, so that there is none
     */
    static Point maximum(List<Life> lives, boolean prior) {
        List<Integer> products =
                lives.stream().map(Life::contender).distinct().sorted().toList();
        int n = products.size();
        double[] start = new double[n + 1];
        for (int p = 0; p < n; p++) {
            int product = products.get(p);
            start[p] = lives.stream()
                    .filter(l -> l.contender() == product)
                    .mapToDouble(l -> Math.log(l.goesOn() ? 1.2 * l.low() : (l.low() + l.high()) / 2))
                    .average()
                    .orElseThrow();
        }
        start[n] = Math.log(PRIOR_SIGMA);
        Maximum at = Maximum.of(x -> joint(x, lives, products, prior), start);
        return new Point(Arrays.stream(at.at(), 0, n).map(Math::exp).toArray(), Math.exp(at.at()[n]), at.value());
    }

    /** Products with a life, by number. */
    public List<Integer> products() {
        return products;
    }

    /** What it rests on, one a section. */
    public List<Life> lives() {
        return lives;
    }

    /** Exposure at the latest visit. */
    public double span() {
        return span;
    }

    /** Rows as they were taken out, as factors on lives; empty if they were not. */
    public Map<Integer, Double> rows() {
        Map<Integer, Double> factors = new TreeMap<>();
        rows.forEach((row, effect) -> factors.put(row, Math.exp(effect)));
        return factors;
    }

    /** σ: how lives of sections of one product scatter, on the log scale; the middle of what is likely. */
    public double sigma() {
        double sum = 0;
        for (int s = 0; s < SIGMAS; s++) {
            sum += weight[s];
            if (sum >= 0.5) {
                return sigma[s];
            }
        }
        return sigma[SIGMAS - 1];
    }

    /** Chance that a product's median life is below an exposure, up to twice what was observed; beyond that it is no more than a guess. */
    public double chanceBelow(int product, double exposure) {
        double log = Math.log(exposure);
        double[] median = medians.get(product);
        double half = (median[1] - median[0]) / 2;
        double chance = 0;
        for (int s = 0; s < SIGMAS; s++) {
            double[] share = below.get(product)[s];
            double place = (log - median[0] + half) / (2 * half);
            int cell = (int) Math.floor(place);
            double under = cell < 0
                    ? 0
                    : cell >= MEDIANS
                            ? 1
                            : (cell == 0 ? 0 : share[cell - 1])
                                    + (place - cell) * (share[cell] - (cell == 0 ? 0 : share[cell - 1]));
            chance += weight[s] * under;
        }
        return chance;
    }

    /**
     * Chance that a product's median life is at least an exposure, of what may be said: up to twice what was observed. What was nowhere spent is not believed to last for long.
     *
     * @param exposure up to twice what was observed
     */
    public double chanceAtLeast(int product, double exposure) {
        double known = chanceBelow(product, BEYOND * span);
        return known < 1e-9 ? 1 : Math.max(0, 1 - chanceBelow(product, exposure) / known);
    }

    private double quantile(int product, double share) {
        double[] median = medians.get(product);
        double half = (median[1] - median[0]) / 2;
        double low = median[0] - half;
        double high = median[MEDIANS - 1] + half;
        for (int step = 0; step < 50; step++) {
            double middle = (low + high) / 2;
            if (chanceBelow(product, Math.exp(middle)) < share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Math.exp((low + high) / 2);
    }

    /**
     * A product's median life.
     *
     * @param median as likely above as below; empty if it may well lie beyond twice what was observed
     * @param interval in which it lies with 95 % chance; its upper end is infinite where it reaches beyond twice what was observed
     * @param goOn how many of its sections go on
     */
    public record Told(int product, OptionalDouble median, Interval interval, int sections, int goOn) {}

    /** What can be told of a product's life. */
    public Told told(int product) {
        List<Life> own = lives.stream().filter(l -> l.contender() == product).toList();
        int goOn = (int) own.stream().filter(Life::goesOn).count();
        double edge = BEYOND * span;
        double tail = (1 - Interval.LEVEL) / 2;
        if (goOn == own.size()) {
            return new Told(
                    product, OptionalDouble.empty(), new Interval(atLeast(own), Double.POSITIVE_INFINITY), goOn, goOn);
        }
        double high = quantile(product, 1 - tail);
        double median = quantile(product, 0.5);
        return new Told(
                product,
                median > edge ? OptionalDouble.empty() : OptionalDouble.of(median),
                new Interval(quantile(product, tail), high > edge ? Double.POSITIVE_INFINITY : high),
                own.size(),
                goOn);
    }

    /** Where all go on: were the median shorter than this, there was a chance of less than 5 % to see that. */
    private double atLeast(List<Life> own) {
        double low = Math.log(span) - 10;
        double high = most;
        for (int step = 0; step < 60; step++) {
            double middle = (low + high) / 2;
            double seen = 0;
            for (int s = 0; s < SIGMAS; s++) {
                double log = 0;
                for (Life life : own) {
                    log += Likely.log(life, middle + rows.getOrDefault(life.row(), 0.0), sigma[s]);
                }
                seen += weight[s] * Math.exp(log);
            }
            if (seen < 1 - Interval.LEVEL) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Math.exp(low);
    }

    /**
     * Two products by their lives.
     *
     * @param ratio how many times as long the first lasts as the second, the middle of what is likely; empty while the first or both have no median
     * @param interval in which that lies with 95 % chance; without an upper end while the first has no median
     * @param p twice the chance that it is the other way round, over all pairs (Holm)
     */
    public record Pair(int longer, int shorter, OptionalDouble ratio, Interval interval, double p) {
        public boolean apart() {
            return p < 1 - Interval.LEVEL;
        }
    }

    /**
     * Products by their lives.
     *
     * @param ranked the longest first
     * @param places in that order; those that can't be told apart share one
     * @param chances of place 1, 2, … in that order
     */
    public record Ranking(List<Integer> ranked, List<Integer> places, List<List<Double>> chances, List<Pair> pairs) {}

    /** Who lasts longest, from seeded draws. */
    public Ranking ranking(long seed) {
        return new LifeRanking(products, draws(seed), goesOn()).ranking();
    }

    /** Products that have no median to tell. */
    private boolean[] goesOn() {
        boolean[] goesOn = new boolean[products.size()];
        for (int p = 0; p < products.size(); p++) {
            goesOn[p] = told(products.get(p)).median().isEmpty();
        }
        return goesOn;
    }

    /**
     * Median lives as they may be, on the log scale: one row a product in the order of {@link #products()}, {@value #DRAWS} draws.
     */
    public double[][] draws(long seed) {
        Well19937a random = new Well19937a(seed);
        double[][] drawn = new double[products.size()][DRAWS];
        double[] sums = weight.clone();
        Arrays.parallelPrefix(sums, Double::sum);
        // What is nowhere spent is drawn up to twice what was observed: how far beyond it lasts would be a guess.
        boolean[] goesOn = goesOn();
        for (int d = 0; d < DRAWS; d++) {
            int s = cell(sums, random.nextDouble() * sums[SIGMAS - 1]);
            for (int p = 0; p < products.size(); p++) {
                double[] median = medians.get(products.get(p));
                double[] share = below.get(products.get(p))[s];
                double top = goesOn[p] ? share[cell(median, Math.log(BEYOND * span))] : 1;
                int m = cell(share, random.nextDouble() * top);
                drawn[p][d] = median[m] + (random.nextDouble() - 0.5) * (median[1] - median[0]);
            }
        }
        return drawn;
    }

    private static int cell(double[] cumulated, double u) {
        int at = Arrays.binarySearch(cumulated, u);
        return Math.min(cumulated.length - 1, at < 0 ? -at - 1 : at);
    }
}
