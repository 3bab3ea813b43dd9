package org.evensheen.app.kit;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.core.slickness.PullTrace;

/**
 * What an instrument gave.
 *
 * @param value in the probe's unit; of a pull its plateau
 * @param standard its standard uncertainty by what the instrument showed, in the same unit
 * @param second humidity beside an air temperature
 * @param samples of a whole pull, N; empty for others
 * @param hertz samples a second
 * @param said the final raw line
 */
record Taken(
        UUID id,
        double value,
        double standard,
        Optional<Double> second,
        Optional<PullTrace> pull,
        List<Double> samples,
        double hertz,
        String said) {
    Taken {
        samples = List.copyOf(samples);
    }
}
