package org.evensheen.app.kit;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.core.instruments.LinePattern;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.TypedNumber;

/**
 * The form of a link.
 *
 * @param draft empty if something is wrong
 * @param problems what is wrong, by field
 */
record LinkForm(Optional<InstrumentStore.Draft> draft, Map<String, String> problems) {

    static LinkForm read(Map<String, String> typed) {
        Map<String, String> problems = new LinkedHashMap<>();
        String name = PlainText.line(typed.getOrDefault("name", ""));
        if (!PlainText.readable(name) || name.length() > 60) {
            problems.put("name", "Give it a name of up to 60 characters, as you call it.");
        }
        Optional<Probe> probe = Probe.ofCode(typed.getOrDefault("probe", ""));
        if (probe.isEmpty()) {
            problems.put("probe", "Choose what it measures.");
        }
        String address = address(typed, problems);
        Optional<LinePattern> pattern = Optional.empty();
        try {
            pattern = Optional.of(LinePattern.of(typed.getOrDefault("pattern", "")));
            if (probe.filter(p -> p == Probe.AIR).isPresent() && !pattern.get().tellsSecond()) {
                problems.put(
                        "pattern", "Say where the humidity stands with {second}, like: T {value} {unit} H {second} %");
            }
        } catch (LinePattern.Unfit e) {
            problems.put("pattern", String.valueOf(e.getMessage()));
        }
        String unit = typed.getOrDefault("unit", "").strip();
        probe.filter(p -> p.canonical(1, unit).isEmpty())
                .ifPresent(p -> problems.put(
                        "unit",
                        "A %s speaks in one of: %s."
                                .formatted(
                                        p.label().toLowerCase(Locale.ROOT),
                                        p.unitNames().distinct().collect(Collectors.joining(", ")))));
        String asks = typed.getOrDefault("asks", "").strip();
        if (asks.length() > 40 || !asks.matches("[ -~]*")) {
            problems.put(
                    "asks", "What is sent to it is up to 40 plain characters; leave it empty if it speaks by itself.");
        }
        Optional<Instrument.Known> check = check(typed, problems);
        return problems.isEmpty()
                ? new LinkForm(
                        Optional.of(new InstrumentStore.Draft(
                                name, probe.orElseThrow(), address, pattern.orElseThrow(), unit, asks, check)),
                        problems)
                : new LinkForm(Optional.empty(), problems);
    }

    private static String address(Map<String, String> typed, Map<String, String> problems) {
        String place = typed.getOrDefault("place", "").strip();
        if (place.matches("[A-Za-z0-9._-]{1,100}:[1-9]\\d{0,4}")
                && Integer.parseInt(place.replaceFirst(".*:", "")) <= 65_535) {
            Reach.refused(place.replaceFirst(":\\d+$", "")).ifPresent(why -> problems.put("place", why));
            return "tcp:" + place;
        }
        if (place.matches("(/dev/[A-Za-z0-9/._-]{1,90}|COM\\d{1,3})@\\d{3,7}") && !place.contains("..")) {
            return "serial:" + place;
        }
        problems.put(
                "place",
                "Write a network place like 192.168.1.20:4001, or a serial port with its speed like /dev/ttyUSB0@9600 or COM3@9600.");
        return "";
    }

    private static Optional<Instrument.Known> check(Map<String, String> typed, Map<String, String> problems) {
        String value = typed.getOrDefault("checkValue", "").strip();
        String tolerance = typed.getOrDefault("checkTolerance", "").strip();
        if (value.isEmpty() && tolerance.isEmpty()) {
            return Optional.empty();
        }
        TypedNumber known = TypedNumber.read(value, "known value", "of its unit", 0, 100_000);
        TypedNumber off = TypedNumber.read(tolerance, "tolerance", "of its unit", 0.0001, 10_000);
        if (known instanceof TypedNumber.Refused refused) {
            problems.put("checkValue", refused.message());
        }
        if (off instanceof TypedNumber.Refused refused) {
            problems.put("checkTolerance", refused.message());
        }
        return known instanceof TypedNumber.Read k && off instanceof TypedNumber.Read t
                ? Optional.of(new Instrument.Known(k.value(), t.value()))
                : Optional.empty();
    }
}
