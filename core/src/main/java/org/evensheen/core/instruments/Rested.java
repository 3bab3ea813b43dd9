package org.evensheen.core.instruments;

/**
 * What an instrument at rest says, and what its display leaves open. After the guide to the expression of uncertainty in measurement
 * (GUM, JCGM 100:2008, 4.3.7): whatever may lie anywhere within ±a has a standard uncertainty of a/√3.
 *
 * @param value in the instrument's unit
 * @param standard standard uncertainty by its unrest and its last digit, in the same unit; how true the instrument is, it does not know
 */
public record Rested(double value, double standard) {
    private static final double EVENLY = Math.sqrt(3);

    /**
     * A value on a display.
     *
     * @param unrest standard deviation of what it showed while it rested, 0 or more; not divided by their number, as what comes in quick
     *     succession moves together
     * @param step of the last digit
     */
    public static Rested shown(double value, double unrest, double step) {
        return new Rested(value, Math.hypot(unrest, step / 2 / EVENLY));
    }

    /**
     * Standard uncertainty with an instrument that a check found within a tolerance.
     *
     * @param tolerance give or take, 0 or more; 0 where nothing is known of it
     */
    public double within(double tolerance) {
        return Math.hypot(standard, tolerance / EVENLY);
    }
}
