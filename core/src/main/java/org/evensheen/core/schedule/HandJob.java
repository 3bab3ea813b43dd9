package org.evensheen.core.schedule;

import java.util.OptionalDouble;
import org.evensheen.core.units.Span;

/**
 * What one section asks of a pair of hands: spread, wait inside a window, then buff or rinse. Times in seconds, counted from now.
 *
 * @param key names it among all, as a section's code
 * @param readyAt before this it must not be begun; 0 or below for at once
 * @param spread how long spreading takes, above 0
 * @param window how long after the end of spreading finishing must begin; empty ends do not occur, a product without a wait has
 *     none and no finish either
 * @param finish how long buffing or rinsing takes; 0 if there is nothing to finish
 * @param spreadEnd when spreading ended or will end, if it has begun already; then only the finish is left
 */
public record HandJob(String key, double readyAt, double spread, Span window, double finish, OptionalDouble spreadEnd) {

    public HandJob {
        if (!(spread > 0 && finish >= 0 && window.low() >= 0)) {
            throw new IllegalArgumentException("spreading takes time, waits and finishes are not below zero: " + key);
        }
    }

    /** One that is not begun. */
    public HandJob(String key, double readyAt, double spread, Span window, double finish) {
        this(key, readyAt, spread, window, finish, OptionalDouble.empty());
    }

    boolean begun() {
        return spreadEnd.isPresent();
    }

    /** Whether swapping the two would change nothing but their names. */
    boolean alike(HandJob other) {
        return !begun()
                && !other.begun()
                && readyAt == other.readyAt
                && spread == other.spread
                && finish == other.finish
                && window.equals(other.window);
    }
}
