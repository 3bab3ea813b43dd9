package org.evensheen.app.kit;

import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Holds something known to an instrument and keeps what it says of it. */
@Component
public class Checking {
    private final InstrumentStore store;
    private final ApplicationEventPublisher events;

    Checking(InstrumentStore store, ApplicationEventPublisher events) {
        this.store = store;
        this.events = events;
    }

    /**
     * What came of a check.
     *
     * @param said in the probe's unit; empty if the instrument could not be read
     * @param problem why, and what to do; empty if it could
     */
    public record Outcome(Optional<Double> said, String problem) {}

    /**
     * Checks an instrument whose link says what it is checked with.
     *
     * @param key of the request: a check is kept once
     */
    public Outcome check(Instrument instrument, UUID key, String by) {
        events.publishEvent(new TakeAsked(instrument, true, Optional.empty(), Optional.empty(), Optional.empty()));
        try {
            double said = Taking.atRest(instrument).value();
            store.checked(instrument, said, key, by);
            return new Outcome(Optional.of(said), "");
        } catch (Link.Lost e) {
            return new Outcome(Optional.empty(), String.valueOf(e.getMessage()));
        }
    }
}
