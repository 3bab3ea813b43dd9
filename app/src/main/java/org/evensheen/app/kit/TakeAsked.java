package org.evensheen.app.kit;

import java.util.Optional;

/**
 * An instrument is about to be read.
 *
 * @param forCheck whether something known is held to it
 * @param place what it is held to; empty outside of a study
 * @param product what it is dipped into; empty if it is not
 * @param spent g that should have left the bottle on the scale by now, 0 before it is used; empty if no bottle is weighed
 */
public record TakeAsked(
        Instrument instrument,
        boolean forCheck,
        Optional<Place> place,
        Optional<Long> product,
        Optional<Double> spent) {

    /** A place in a study. */
    public record Place(long study, int day, String stage, String section, String measure, int repeat) {}
}
