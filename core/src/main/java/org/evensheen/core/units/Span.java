package org.evensheen.core.units;

/**
 * A range of amounts, both ends included; a single amount has two equal ends.
 *
 * @throws IllegalArgumentException if it runs downwards or an end is not finite
 */
public record Span(double low, double high) {
    public Span {
        if (!(low <= high) || Double.isInfinite(low) || Double.isInfinite(high)) {
            throw new IllegalArgumentException("a range runs upwards: " + low + " to " + high);
        }
    }

    public static Span of(double only) {
        return new Span(only, only);
    }

    public boolean single() {
        return low == high;
    }

    public double middle() {
        return (low + high) / 2;
    }

    public boolean holds(double amount) {
        return low <= amount && amount <= high;
    }

    /** "1–3", or "2" where both ends are equal. */
    public String written() {
        return single() ? Decimal.write(low) : Decimal.write(low) + "–" + Decimal.write(high);
    }

    /** Both ends times a positive factor. */
    public Span times(double factor) {
        return new Span(low * factor, high * factor);
    }
}
