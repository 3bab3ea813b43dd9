package org.evensheen.core.mixing;

/**
 * What one cap, pump or spray of a product holds.
 *
 * @param mlEach mL, 0.01 to 250
 */
public record Calibration(Counter counter, double mlEach) {
    public static final double LEAST = 0.01;
    public static final double MOST = 250;

    public Calibration {
        if (!(mlEach >= LEAST && mlEach <= MOST)) {
            throw new IllegalArgumentException(
                    "a %s holds %s to %s mL, not %s".formatted(counter.word(), LEAST, MOST, mlEach));
        }
    }

    /**
     * By weighing: mL each = mass lost / (count × density).
     *
     * @param gramsLost what the bottle lost, g, above 0
     * @param count how many were given, from 1
     * @param density g/mL, above 0
     */
    public static Calibration weighed(Counter counter, double gramsLost, int count, double density) {
        if (!(gramsLost > 0 && count >= 1 && density > 0)) {
            throw new IllegalArgumentException("weighing wants a loss, a count and a density above zero");
        }
        return new Calibration(counter, gramsLost / (count * density));
    }
}
