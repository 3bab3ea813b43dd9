package org.evensheen.core.comparing;

import java.util.Comparator;
import java.util.stream.IntStream;

/** Holm's step-down adjustment for several comparisons at once (S. Holm, 1979): for exact tests, which have no common critical value. */
final class Holm {
    private Holm() {}

    /**
     * Adjusted p values: the k-th smallest of m is multiplied by m − k + 1, never falls, and never exceeds 1.
     *
     * @param p raw p values, each 0 to 1
     * @return adjusted values in the order given
     */
    static double[] adjust(double[] p) {
        int[] order = IntStream.range(0, p.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> p[i]))
                .mapToInt(Integer::intValue)
                .toArray();
        double[] adjusted = new double[p.length];
        double running = 0;
        for (int k = 0; k < order.length; k++) {
            running = Math.max(running, Math.min(1, p[order[k]] * (p.length - k)));
            adjusted[order[k]] = running;
        }
        return adjusted;
    }
}
