package org.evensheen.standins;

/**
 * The truth of a product on paint: what it does when fresh, and how fast that goes.
 *
 * <p>Every effect is taken off the bare value and decays as {@code exp(−(t/τ)^k)}, t in weeks (Weibull).
 *
 * @param freshPull pull of the sled after cure on a reference day, N
 * @param freshAngle contact angle after cure, degrees
 * @param freshLeft water left behind after cure, g/m²
 * @param weeks τ, weeks until 37 % of the effect is left
 * @param shape k, 1 for steady decay, more for a late drop
 */
public record Coating(double freshPull, double freshAngle, double freshLeft, double weeks, double shape) {

    private static final double PER_NEWTON = 0.9;

    /** Gloss that it adds to paint when fresh, GU at 60°: a film that levels the paint's texture slickens and shines alike. */
    double gleam(Paint paint) {
        return PER_NEWTON * (paint.pull() - freshPull);
    }

    /** Share of the first effect that is left some days after the fresh reading. */
    public double left(double days) {
        return days <= 0 ? 1 : Math.exp(-Math.pow(days / 7 / weeks, shape));
    }
}
