package org.evensheen.core.comparing;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What is left of a product's first effect, and what that was worked out from.
 *
 * @param share today's effect over the first one
 * @param control what it was set against
 * @param freshDay day of the fresh readings
 * @param first the first effect: a share of bare, or a difference in the score unit
 * @param used the readings that entered: the product's sections, and those of bare where it is the control
 */
public record Kept(Ratio share, Control control, int freshDay, Estimate first, List<Used> used) {

    /** What an effect is set against. */
    public enum Control {
        /** Bare sections, read on each of the two days. */
        BARE,
        /** The same section before anything went on; day and temperature are in it. */
        OWN_BEFORE
    }

    /**
     * Means of one section in the score unit.
     *
     * @param before read before anything went on; there only where that is the control
     */
    public record Used(String section, int contender, OptionalDouble before, double fresh, double today) {}
}
