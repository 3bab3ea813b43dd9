package org.evensheen.core.comparing;

/** A 95 % confidence interval, in the unit of what it belongs to. */
public record Interval(double low, double high) {
    public static final double LEVEL = 0.95;

    public Interval {
        if (!(low <= high)) {
            throw new IllegalArgumentException("an interval from " + low + " to " + high + " is upside down");
        }
    }

    public boolean holds(double value) {
        return low <= value && value <= high;
    }
}
