package org.evensheen.app.studies;

import java.time.Instant;
import java.util.Optional;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;

/**
 * A reading as kept.
 *
 * @param strike who struck it, when and why; empty while it stands
 * @param replaces id of the reading that it corrected
 */
public record KeptReading(
        long id, Reading reading, Instant keptAt, String keptBy, Optional<Long> replaces, Optional<Strike> strike) {
    public KeptReading {
        reading = reading.by(keptBy);
    }

    /** Who struck a reading, when, and why. */
    public record Strike(Instant at, String by, String because) {}

    public boolean stands() {
        return strike.isEmpty();
    }

    public Occasion occasion() {
        return reading.at();
    }
}
