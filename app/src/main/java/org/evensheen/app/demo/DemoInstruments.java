package org.evensheen.app.demo;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.evensheen.app.kit.Checking;
import org.evensheen.app.kit.Instrument;
import org.evensheen.app.kit.InstrumentStore;
import org.evensheen.core.instruments.LinePattern;
import org.evensheen.core.instruments.Probe;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Links the demo to the simulated instruments, wherever they were started this time. */
@Component
@ConditionalOnProperty("even-sheen.demo")
class DemoInstruments {
    private static final Logger LOG = LoggerFactory.getLogger(DemoInstruments.class);
    private static final String WHO = "Demo";
    private static final int PATIENCE = 1000;

    private final InstrumentStore store;
    private final Checking checking;
    private final int first;

    DemoInstruments(InstrumentStore store, Checking checking, @Value("${even-sheen.standins}") int first) {
        this.store = store;
        this.checking = checking;
        this.first = first;
    }

    private record Told(
            String name, Probe probe, String pattern, String unit, String asks, Optional<Instrument.Known> check) {}

    /** In the order of their ports. */
    private static final List<Told> BENCH = List.of(
            new Told("Boat shed gauge", Probe.FORCE, "F {value} {unit}", "N", "", known(4.903, 0.1)),
            new Told("Fish scale", Probe.SCALE, "M {value} {unit} {steady}", "g", "", known(100, 0.3)),
            new Told("Gleam meter", Probe.REFLECTOMETER, "GL {value} {unit}", "GU", "read", known(92, 1.5)),
            new Told("Window thermometer", Probe.AIR, "T {value} {unit} H {second} %", "C", "", Optional.empty()),
            new Told("Panel thermometer", Probe.SURFACE, "S {value} {unit}", "C", "", Optional.empty()),
            new Told("Ditch pH meter", Probe.PH, "P {value} {unit}", "pH", "", known(7, 0.1)));

    private static Optional<Instrument.Known> known(double shouldBe, double tolerance) {
        return Optional.of(new Instrument.Known(shouldBe, tolerance));
    }

    /** Tells the hand that holds them what to do, in a line, and waits until it has. */
    void tell(String line) {
        try (Socket hand = new Socket(InetAddress.getLoopbackAddress(), first + BENCH.size())) {
            hand.setSoTimeout(PATIENCE);
            hand.getOutputStream().write((line + "\n").getBytes(StandardCharsets.US_ASCII));
            new BufferedReader(new InputStreamReader(hand.getInputStream(), StandardCharsets.US_ASCII)).readLine();
        } catch (IOException e) {
            LOG.info("The simulated hand is not there: {}", e.getMessage());
        }
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
                        key("instrument", told.name()),
                        WHO);
            } catch (LinePattern.Unfit e) {
                throw new IllegalStateException(e);
            }
        }
    }

    /** Checks each that has never been checked, as the reviewer would before the first day; all at once, as each has its own line. */
    void check() {
        if (first > 0) {
            CompletableFuture.allOf(store.linked().stream()
                            .filter(i -> i.check().isPresent() && i.lastCheck().isEmpty() && simulated(i))
                            .map(i -> CompletableFuture.runAsync(() -> checking.check(i, key("check", i.name()), WHO)))
                            .toArray(CompletableFuture[]::new))
                    .join();
            // What was hung on and laid down is put away again.
            tell("hang 0");
            tell("load 0");
        }
    }

    private static UUID key(String what, String name) {
        return UUID.nameUUIDFromBytes((what + " " + name).getBytes(StandardCharsets.UTF_8));
    }
}
