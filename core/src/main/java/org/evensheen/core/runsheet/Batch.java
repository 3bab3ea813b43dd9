package org.evensheen.core.runsheet;

import java.time.Instant;
import java.util.List;
import org.evensheen.core.schedule.HandPace;
import org.evensheen.core.schedule.HandPlan;
import org.evensheen.core.schedule.WaitAim;

/**
 * Sections that one pair of hands works on in one go, with start times.
 *
 * @param begun whether anything of it was marked
 * @param anchor the moment that the plan's seconds count from
 * @param plan what is left of it
 * @param aim which end of the labels' waits it goes for
 * @param pace how fast the hands are taken to be
 * @param later sections that are better left for a second go, as they would not be done by the limit
 */
public record Batch(
        String title, boolean begun, Instant anchor, HandPlan plan, WaitAim aim, HandPace pace, List<String> later) {
    public Batch {
        later = List.copyOf(later);
    }

    /** When an act begins. */
    public Instant at(double seconds) {
        return anchor.plusMillis(Math.round(seconds * 1000));
    }

    public Instant end() {
        return at(plan.end());
    }
}
