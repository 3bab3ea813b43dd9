package org.evensheen.core.wear;

/**
 * When a section was spent, as far as visits show: after {@code low}, by {@code high}.
 *
 * @param low exposure at the last visit with more than a quarter left; 0 if it was spent at the first
 * @param high exposure at the visit at which it was spent; infinite while it goes on
 */
public record Life(String section, int contender, int row, double low, double high) {
    public Life {
        if (!(low >= 0 && high > low)) {
            throw new IllegalArgumentException("a life runs forward, not from " + low + " to " + high);
        }
    }

    /** Whether it is not spent yet. */
    public boolean goesOn() {
        return Double.isInfinite(high);
    }
}
