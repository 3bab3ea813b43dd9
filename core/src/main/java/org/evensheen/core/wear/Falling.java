package org.evensheen.core.wear;

import java.util.Arrays;

/** The least squares fit that never rises, by pooling neighbours that do (M. Ayer, H. D. Brunk, G. M. Ewing, W. T. Reid, E. Silverman 1955). */
final class Falling {
    private Falling() {}

    static double[] fit(double[] values) {
        double[] sums = new double[values.length];
        int[] counts = new int[values.length];
        int blocks = 0;
        for (double value : values) {
            sums[blocks] = value;
            counts[blocks++] = 1;
            while (blocks > 1 && sums[blocks - 1] / counts[blocks - 1] > sums[blocks - 2] / counts[blocks - 2]) {
                blocks--;
                sums[blocks - 1] += sums[blocks];
                counts[blocks - 1] += counts[blocks];
            }
        }
        double[] fitted = new double[values.length];
        int at = 0;
        for (int b = 0; b < blocks; b++) {
            Arrays.fill(fitted, at, at + counts[b], sums[b] / counts[b]);
            at += counts[b];
        }
        return fitted;
    }
}
