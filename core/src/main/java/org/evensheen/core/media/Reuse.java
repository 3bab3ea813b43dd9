package org.evensheen.core.media;

import java.util.Collection;

/**
 * Whether an item may go back into its water, by how much of the dirt it let go when that was looked at.
 *
 * <p>Schools differ on sponges, mitts and towels; what an item was seen to do decides, not what it is. Rule of this house: an item that held a good part of
 * its dirt once may do so on the paint, so the worst look counts.
 */
public enum Reuse {
    /** Nobody looked at how it lets dirt go. */
    UNKNOWN,
    /** It holds its dirt: each face once, and never back. */
    NEVER_BACK,
    /** It lets part of it go: a face that has not been used for every pass, and rinsed well between panels. */
    FRESH_FACE,
    /** It lets dirt go: it may go back into its water. */
    BACK;

    /** The level of the face from which an item goes back, of 5: nearly all of the dirt is gone. */
    public static final int GOES_BACK = 4;
    /** The level below which it never does, of 5: less than half of the dirt is gone. */
    public static final int HOLDS = 3;

    /**
     * What the looks at its face allow.
     *
     * @param levels of the used face beside an unused one after five squeezes under water, 0 (holds all) to 5 (as unused)
     * @throws IllegalArgumentException if a level is none
     */
    public static Reuse of(Collection<Integer> levels) {
        if (levels.stream().anyMatch(l -> l < 0 || l > 5)) {
            throw new IllegalArgumentException("levels are 0 to 5");
        }
        return levels.stream()
                .min(Integer::compare)
                .map(worst -> worst >= GOES_BACK ? BACK : worst >= HOLDS ? FRESH_FACE : NEVER_BACK)
                .orElse(UNKNOWN);
    }

    /**
     * Share of the water held that one wring takes out.
     *
     * @param held g, above 0
     * @param left g after a wring, 0 to {@code held}
     * @throws IllegalArgumentException if there is more left than was held, or nothing was held
     */
    public static double wrungOut(double held, double left) {
        if (!(held > 0) || left < 0 || left > held) {
            throw new IllegalArgumentException("what is left is part of what was held");
        }
        return 1 - left / held;
    }
}
