package org.evensheen.core.sidebyside;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.Claim;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.units.Span;

/**
 * What is known of a contender from its label on the Shelf.
 *
 * @param asked doses of its uses, in the order of the label; empty if none is known
 * @param calibrations mL of its caps, pumps and sprays
 * @param waitSeconds how long it stays on, s; empty if the label does not say
 * @param perMl the price of a mL, by the largest bottle with a price
 * @param sizeMl what that bottle holds, mL; else the largest there is
 * @param promised how many of what that bottle is said to do
 * @param notForPaint whether its label says it must not go on paint
 */
public record Bottle(
        List<Dose> asked,
        List<Calibration> calibrations,
        Optional<Span> waitSeconds,
        Optional<Money> perMl,
        OptionalDouble sizeMl,
        Map<Claim.Yield.Of, Double> promised,
        boolean notForPaint) {
    /** Only typed, or without a label. */
    public static final Bottle UNKNOWN = new Bottle(
            List.of(), List.of(), Optional.empty(), Optional.empty(), OptionalDouble.empty(), Map.of(), false);
}
