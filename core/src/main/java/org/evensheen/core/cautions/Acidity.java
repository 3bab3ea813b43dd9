package org.evensheen.core.cautions;

import java.util.Optional;
import org.evensheen.core.units.Span;

/**
 * What a pH says. Limits after the classes of the Globally Harmonized System for skin corrosion (pH ≤ 2, ≥ 11.5), drawn in to
 * 4 and 10 because a strip reads to a whole unit and hands are wet.
 */
public final class Acidity {
    /** At or below this a product is handled as an acid. */
    public static final double ACID = 4;

    /** At or above this a product is handled as alkaline. */
    public static final double ALKALINE = 10;

    /** A strip this far outside a label's pH is far from it: more than its own step of one. */
    public static final double FAR = 1;

    private Acidity() {}

    /** The hazard that a pH from 0 to 14 makes, whatever the label says. */
    public static Optional<Hazard> hazard(double ph) {
        return ph <= ACID ? Optional.of(Hazard.ACID) : ph >= ALKALINE ? Optional.of(Hazard.ALKALINE) : Optional.empty();
    }

    /** How far a reading lies outside a label's span, in pH; 0 inside it. */
    public static double beyond(double read, Span label) {
        return Math.max(0, Math.max(label.low() - read, read - label.high()));
    }

    /** Whether a reading is far from the label. */
    public static boolean far(double read, Span label) {
        return beyond(read, label) > FAR;
    }
}
