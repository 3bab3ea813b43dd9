package org.evensheen.core.slickness;

import java.util.List;
import org.hipparchus.stat.descriptive.DescriptiveStatistics;

/**
 * A whole pull of the sled as a gauge saw it (ASTM D1894 in outline): the first peak is what it took to set the sled off, the plateau's
 * mean is the steady pull, the plateau's standard deviation over its mean the stick–slip.
 *
 * <p>The sled is loaded while the force is above a third of the trace's median loaded force. The first peak is the highest force
 * before it first falls below nine tenths of it. The plateau runs from where the force has come down to the second half's median
 * after the peak, to a twentieth before the end of the load.
 *
 * @param peak first peak, N
 * @param plateau mean of the plateau, N, above 0
 * @param stickSlip standard deviation over mean of the plateau
 * @param uncertainty of the plateau's mean, N: the standard error of the means of {@value #PARTS} parts of it in turn, as neighbouring
 *     samples are not independent; 0 where it is too short to tell
 * @param from index of the plateau's first sample
 * @param to index after its final one
 */
public record PullTrace(double peak, double plateau, double stickSlip, double uncertainty, int from, int to) {
    /** Fewest samples under load. */
    public static final int LEAST = 12;

    private static final int PARTS = 5;
    private static final double LOADED = 1 / 3.0;
    private static final double OVER_THE_TOP = 0.9;

    /** A trace that is no pull; the message says why and what to do. */
    public static final class NoPull extends Exception {
        private static final long serialVersionUID = 1;

        NoPull(String message) {
            super(message);
        }
    }

    /**
     * Reads a trace.
     *
     * @param newtons samples at even times, N, as the gauge sent them; pulls below zero count as above
     * @throws NoPull if it never took up load, or is too short
     */
    public static PullTrace of(List<Double> newtons) throws NoPull {
        double[] force = newtons.stream().mapToDouble(Math::abs).toArray();
        double top = java.util.Arrays.stream(force).max().orElse(0);
        if (top < 0.3) {
            throw new NoPull("The gauge felt no pull. Hook it to the sled, press Take, and draw.");
        }
        double typical = median(force, i -> force[i] > top * LOADED);
        int begin = 0;
        while (force[begin] <= typical * LOADED) {
            begin++;
        }
        int end = force.length;
        while (force[end - 1] <= typical * LOADED) {
            end--;
        }
        if (end - begin < LEAST) {
            throw new NoPull("That pull was too short to tell its plateau. Draw the sled for two seconds at least.");
        }
        int peakAt = begin;
        for (int i = begin; i < end && force[i] >= force[peakAt] * OVER_THE_TOP; i++) {
            peakAt = force[i] > force[peakAt] ? i : peakAt;
        }
        int half = (begin + end) / 2;
        double later = median(force, i -> i >= half);
        int from = peakAt;
        while (from < half && force[from] > later) {
            from++;
        }
        int to = Math.max(from + LEAST / 2, end - Math.max(1, (end - begin) / 20));
        DescriptiveStatistics plateau = new DescriptiveStatistics();
        for (int i = from; i < Math.min(to, end); i++) {
            plateau.addValue(force[i]);
        }
        return new PullTrace(
                Math.max(force[peakAt], plateau.getMean()),
                plateau.getMean(),
                plateau.getStandardDeviation() / plateau.getMean(),
                uncertainty(plateau.getValues()),
                from,
                Math.min(to, end));
    }

    private static double uncertainty(double[] plateau) {
        int length = plateau.length / PARTS;
        DescriptiveStatistics means = new DescriptiveStatistics();
        for (int part = 0; part < PARTS && length > 1; part++) {
            means.addValue(java.util.Arrays.stream(plateau, part * length, (part + 1) * length)
                    .average()
                    .orElseThrow());
        }
        return means.getN() < PARTS ? 0 : means.getStandardDeviation() / Math.sqrt(PARTS);
    }

    private static double median(double[] force, java.util.function.IntPredicate which) {
        DescriptiveStatistics some = new DescriptiveStatistics();
        for (int i = 0; i < force.length; i++) {
            if (which.test(i)) {
                some.addValue(force[i]);
            }
        }
        return some.getPercentile(50);
    }
}
