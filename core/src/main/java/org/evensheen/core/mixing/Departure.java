package org.evensheen.core.mixing;

import org.evensheen.core.units.Span;

/**
 * How what was done stands to what a label allows.
 *
 * @param factor amount done over the label's upper end if above it, over its lower end if below it, else 1
 */
public record Departure(Side side, double factor) {
    /** Beyond this many times a label's upper dose a result is thin at most. */
    public static final double GRAVE = 1.25;

    /** Done amounts this near to an end of the label, relatively, are at that end: a measuring cup is no finer. */
    public static final double TOLERANCE = 0.01;

    /** On which side of the label's range. */
    public enum Side {
        BELOW,
        WITHIN,
        ABOVE
    }

    /**
     * Compares an amount with a range.
     *
     * @param done the amount done, above 0
     * @param allowed the label's range in the same unit, its ends above 0
     */
    public static Departure of(double done, Span allowed) {
        if (!(done > 0 && allowed.low() > 0)) {
            throw new IllegalArgumentException("a departure compares amounts above zero");
        }
        if (done > allowed.high() * (1 + TOLERANCE)) {
            return new Departure(Side.ABOVE, done / allowed.high());
        }
        if (done < allowed.low() * (1 - TOLERANCE)) {
            return new Departure(Side.BELOW, done / allowed.low());
        }
        return new Departure(Side.WITHIN, 1);
    }

    public boolean within() {
        return side == Side.WITHIN;
    }

    /** Whether it is more than {@link #GRAVE} times the label's upper end. */
    public boolean grave() {
        return side == Side.ABOVE && factor > GRAVE;
    }
}
