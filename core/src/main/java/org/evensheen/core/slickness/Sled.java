package org.evensheen.core.slickness;

/**
 * A weighted sled drawn over a section at steady speed.
 *
 * @param kilograms mass of sled and weight, kg, above 0
 */
public record Sled(double kilograms) {
    /** Standard gravity, m/s². */
    public static final double GRAVITY = 9.80665;

    public Sled {
        if (!(kilograms > 0)) {
            throw new IllegalArgumentException("the sled's mass must be above 0 kg");
        }
    }

    /**
     * Coefficient of friction on a level panel: {@code μ = F/(m·g)} (ASTM D1894 in outline).
     *
     * @param newtons steady pull, N
     */
    public double friction(double newtons) {
        return newtons / (kilograms * GRAVITY);
    }

    /**
     * Friction and tilt of a panel that is not level, from pulls both ways: {@code sin α = (F_up − F_down)/(2·m·g)},
     * {@code μ = (F_up + F_down)/(2·m·g·cos α)}.
     *
     * @throws IllegalArgumentException if the two pulls differ by more than the sled weighs twice over
     */
    public Tilted frictionBothWays(double upNewtons, double downNewtons) {
        double twiceWeight = 2 * kilograms * GRAVITY;
        double sine = (upNewtons - downNewtons) / twiceWeight;
        if (Math.abs(sine) >= 1) {
            throw new IllegalArgumentException(
                    "pulls of %s and %s N differ by more than this sled can explain".formatted(upNewtons, downNewtons));
        }
        double tilt = Math.asin(sine);
        return new Tilted((upNewtons + downNewtons) / (twiceWeight * Math.cos(tilt)), Math.toDegrees(tilt));
    }

    /**
     * Static friction by a tilting board: {@code μ = tan θ}.
     *
     * @param degrees tilt at which the sled starts to slide, 0 to below 90
     */
    public static double frictionOfTiltingBoard(double degrees) {
        if (!(degrees >= 0 && degrees < 90)) {
            throw new IllegalArgumentException("a board tilts between 0 and 90 degrees, not " + degrees);
        }
        return Math.tan(Math.toRadians(degrees));
    }

    /** Friction coefficient, and tilt of the panel in degrees. */
    public record Tilted(double friction, double degrees) {}
}
