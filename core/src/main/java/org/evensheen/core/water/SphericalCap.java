package org.evensheen.core.water;

import org.hipparchus.analysis.solvers.BrentSolver;

/** Contact angle of a drop so small that gravity does not flatten it: its profile is an arc of a circle. */
public final class SphericalCap {
    private SphericalCap() {}

    /**
     * Contact angle from a side photo or a ruler: {@code θ = 2·atan(2h/w)}.
     *
     * @param heightMm height of the drop, mm, above 0
     * @param widthMm width of its base, mm, above 0
     * @return degrees, between 0 and 180
     */
    public static double contactAngle(double heightMm, double widthMm) {
        requireAboveZero("height", heightMm);
        requireAboveZero("width", widthMm);
        return Math.toDegrees(2 * Math.atan(2 * heightMm / widthMm));
    }

    /**
     * Contact angle of a drop of known volume on a measured base, from {@code V = πh(3a² + h²)/6} with {@code a = w/2}.
     *
     * @param volumeMicrolitres volume, µL (the same as mm³), above 0
     * @param widthMm width of the base, mm, above 0
     * @return degrees, between 0 and 180
     */
    public static double contactAngleOfVolume(double volumeMicrolitres, double widthMm) {
        requireAboveZero("volume", volumeMicrolitres);
        requireAboveZero("width", widthMm);
        double a = widthMm / 2;
        double tallest = Math.cbrt(6 * volumeMicrolitres / Math.PI);
        double height = new BrentSolver(1e-12)
                .solve(200, h -> Math.PI * h * (3 * a * a + h * h) / 6 - volumeMicrolitres, 0, tallest);
        return contactAngle(height, widthMm);
    }

    private static void requireAboveZero(String what, double value) {
        if (!(value > 0)) {
            throw new IllegalArgumentException("a drop's " + what + " must be above 0, not " + value);
        }
    }
}
