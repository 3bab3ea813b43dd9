package org.evensheen.core.schedule;

import java.util.List;
import java.util.Optional;

/**
 * An order for one pair of hands, in seconds from now.
 *
 * @param acts in order; no two overlap
 * @param missed windows that can't be kept any more; empty unless something was spread already
 * @param bound no order that misses as little can end before this
 */
public record HandPlan(List<Act> acts, List<Missed> missed, double bound) {
    private static final double SMALL = 1e-6;

    /** A piece of work of the hands. */
    public record Act(String key, Kind kind, double start, double end) {}

    /** Which. */
    public enum Kind {
        SPREAD,
        FINISH
    }

    /**
     * A window that is missed.
     *
     * @param late seconds after its end that finishing can begin at best
     */
    public record Missed(String key, double late) {}

    public HandPlan {
        acts = List.copyOf(acts);
        missed = List.copyOf(missed);
    }

    public double end() {
        return acts.isEmpty() ? 0 : acts.get(acts.size() - 1).end();
    }

    /** Whether no order can end sooner. */
    public boolean soonest() {
        return end() <= bound + SMALL;
    }

    public Optional<Act> act(String key, Kind kind) {
        return acts.stream()
                .filter(a -> a.key().equals(key) && a.kind() == kind)
                .findFirst();
    }
}
