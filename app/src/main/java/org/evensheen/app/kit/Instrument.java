package org.evensheen.app.kit;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.instruments.LinePattern;
import org.evensheen.core.instruments.Probe;

/**
 * A linked instrument.
 *
 * @param address {@code tcp:host:port} or {@code serial:device@baud}
 * @param unit of its lines where they do not name one, and the one they must name where they do
 * @param asks sent before it speaks; empty if it speaks by itself
 * @param heldOn days on which a check of it held, the latest first
 * @param revision grows with every change
 */
public record Instrument(
        long id,
        String name,
        Probe probe,
        String address,
        LinePattern pattern,
        String unit,
        String asks,
        Optional<Known> check,
        Optional<Checked> lastCheck,
        List<LocalDate> heldOn,
        int revision) {

    /** Something known that it is checked with, in the probe's unit: what it should say, give or take. */
    public record Known(double shouldBe, double tolerance) {
        public boolean holds(double said) {
            return Math.abs(said - shouldBe) <= tolerance;
        }
    }

    /** A check that was made. */
    public record Checked(double said, Known against, Instant at) {
        public boolean held() {
            return against.holds(said);
        }
    }
}
