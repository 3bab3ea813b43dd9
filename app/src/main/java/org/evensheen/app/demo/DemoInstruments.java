package org.evensheen.app.demo;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.kit.Instrument;
import org.evensheen.app.kit.InstrumentStore;
import org.evensheen.core.instruments.LinePattern;
import org.evensheen.core.instruments.Probe;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Links the demo to the simulated instruments, wherever they were started this time. */
@Component
@ConditionalOnProperty("even-sheen.demo")
class DemoInstruments {
    private static final String WHO = "Demo";

    private final InstrumentStore store;
    private final int first;

    DemoInstruments(InstrumentStore store, @Value("${even-sheen.standins}") int first) {
        this.store = store;
        this.first = first;
    }

    private record Told(
            String name, Probe probe, String pattern, String unit, String asks, Optional<Instrument.Known> check) {}

    /** In the order of their ports. */
    private static final List<Told> BENCH = List.of(
            new Told("Boat shed gauge", Probe.FORCE, "F {value} {unit}", "N", "", known(4.903, 0.1)),
            new Told("Fish scale", Probe.SCALE, "M {value} {unit} {steady}", "g", "", known(100, 0.3)),
            new Told("Gleam meter", Probe.GLOSS, "GL {value} {unit}", "GU", "read", known(92, 1.5)),
            new Told("Window thermometer", Probe.AIR, "T {value} {unit} H {second} %", "C", "", Optional.empty()),
            new Told("Panel thermometer", Probe.SURFACE, "S {value} {unit}", "C", "", Optional.empty()),
            new Told("Ditch pH meter", Probe.PH, "P {value} {unit}", "pH", "", known(7, 0.1)));

    private static Optional<Instrument.Known> known(double shouldBe, double tolerance) {
        return Optional.of(new Instrument.Known(shouldBe, tolerance));
    }

    /** The port of the hand that holds them; 0 if they were not started. */
    int hand() {
        return first == 0 ? 0 : first + BENCH.size();
    }

    /** Whether an instrument is one of them. */
    boolean simulated(Instrument instrument) {
        return first > 0
                && java.util.stream.IntStream.range(0, BENCH.size())
                        .anyMatch(i -> instrument.address().equals(address(i)));
    }

    private String address(int i) {
        return "tcp:127.0.0.1:" + (first + i);
    }

    void load() {
        if (first == 0) {
            return;
        }
        boolean linked = !store.linked().isEmpty();
        for (int i = 0; i < BENCH.size(); i++) {
            Told told = BENCH.get(i);
            if (linked) {
                store.moved(told.name(), address(i));
                continue;
            }
            try {
                store.keep(
                        new InstrumentStore.Draft(
                                told.name(),
                                told.probe(),
                                address(i),
                                LinePattern.of(told.pattern()),
                                told.unit(),
                                told.asks(),
                                told.check()),
                        UUID.nameUUIDFromBytes(("instrument " + told.name()).getBytes(StandardCharsets.UTF_8)),
                        WHO);
            } catch (LinePattern.Unfit e) {
                throw new IllegalStateException(e);
            }
        }
    }
}
