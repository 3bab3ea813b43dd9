package org.evensheen.core.wear;

import java.util.stream.IntStream;
import org.hipparchus.special.Erf;

/** How likely a life is that is known as an interval, where lives are lognormal. */
final class Likely {
    private static final double ROOT = Math.sqrt(2);
    private static final double EDGE = 9;
    private static final int PER_UNIT = 1000;
    private static final double[] ABOVE = IntStream.rangeClosed(0, (int) (2 * EDGE * PER_UNIT) + 1)
            .mapToDouble(i -> Erf.erfc(((double) i / PER_UNIT - EDGE) / ROOT) / 2)
            .toArray();

    private Likely() {}

    /** Chance that a normal lies above, straight between a thousand known places to each unit: within 3e-8, and in the tails within 1e-5 of itself. */
    static double above(double z) {
        if (z <= -EDGE || z >= EDGE) {
            return z < 0 ? 1 : 0;
        }
        double place = (z + EDGE) * PER_UNIT;
        int cell = (int) place;
        return ABOVE[cell] + (place - cell) * (ABOVE[cell + 1] - ABOVE[cell]);
    }

    /** Its log likelihood, the median on the log scale. */
    static double log(Life life, double median, double sigma) {
        double low = life.low() == 0 ? Double.NEGATIVE_INFINITY : (Math.log(life.low()) - median) / sigma;
        double high = life.goesOn() ? Double.POSITIVE_INFINITY : (Math.log(life.high()) - median) / sigma;
        return Math.log(Math.max(1e-300, between(low, high)));
    }

    /** Chance that a normal lies between two ends. */
    private static double between(double low, double high) {
        return low > 0
                ? (Erf.erfc(low / ROOT) - (Double.isInfinite(high) ? 0 : Erf.erfc(high / ROOT))) / 2
                : ((Double.isInfinite(high) ? 2 : Erf.erfc(-high / ROOT))
                                - (Double.isInfinite(low) ? 0 : Erf.erfc(-low / ROOT)))
                        / 2;
    }
}
