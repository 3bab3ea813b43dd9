package org.evensheen.app.kit;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.core.footing.FootingReview;
import org.evensheen.core.instruments.LinePattern;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.measure.Measures;

/** The Kit's instruments. */
record KitPage(List<Card> cards, List<Choice> probes, Filled fresh, UUID key, int dueForCheck) {
    /** An instrument. */
    record Card(
            long id,
            int revision,
            String name,
            String probe,
            String reads,
            String place,
            String pattern,
            String unit,
            String asks,
            String checkValue,
            String checkTolerance,
            String check,
            boolean checkBad,
            boolean checkable,
            String code,
            UUID key,
            Filled filled) {

        /** What stands in a field: as typed if it came back, else as stored. */
        public String in(String field) {
            return filled.in(
                    field,
                    switch (field) {
                        case "name" -> name;
                        case "probe" -> code;
                        case "place" -> place;
                        case "pattern" -> pattern;
                        case "unit" -> unit;
                        case "asks" -> asks;
                        case "checkValue" -> checkValue;
                        case "checkTolerance" -> checkTolerance;
                        default -> throw new IllegalArgumentException(field);
                    });
        }

        /** What is wrong with a field; empty if nothing is. */
        public String wrong(String field) {
            return filled.wrong(field);
        }
    }

    record Choice(String code, String label) {}

    /** A raw line with how it reads. */
    record Line(String raw, String reads, boolean fits) {}

    /** Something to say. */
    record Said(String text, boolean problem) {
        static Said problem(String text) {
            return new Said(text, true);
        }
    }

    /** What to do first, in a sentence. */
    public String heading() {
        if (cards.isEmpty()) {
            return "No instrument is linked yet.";
        }
        return switch (dueForCheck) {
            case 0 -> "Every instrument holds its check.";
            case 1 -> "One instrument wants a check.";
            default -> dueForCheck + " instruments want a check.";
        };
    }

    static KitPage of(List<Instrument> linked, Filled filled, Instant now) {
        List<Card> cards = linked.stream().map(i -> card(i, filled, now)).toList();
        return new KitPage(
                cards,
                Stream.of(Probe.values())
                        .map(p -> new Choice(p.code(), p.label()))
                        .toList(),
                filled.sent("new") ? filled : Filled.NOTHING,
                UUID.randomUUID(),
                (int) cards.stream().filter(Card::checkBad).count());
    }

    static Card card(Instrument i, Filled filled, Instant now) {
        boolean late = i.check().isPresent()
                && i.lastCheck()
                        .filter(c ->
                                c.held() && Duration.between(c.at(), now).toDays() <= FootingReview.GAUGE_CHECK_HOLDS)
                        .isEmpty();
        return new Card(
                i.id(),
                i.revision(),
                i.name(),
                i.probe().label(),
                Measures.all().stream()
                        .filter(m -> m.probe().equals(Optional.of(i.probe())))
                        .findFirst()
                        .map(m -> "fills “%s”".formatted(m.label().toLowerCase(Locale.ROOT)))
                        .orElse("reads "
                                + (i.probe() == Probe.AIR
                                        ? "°C and %"
                                        : i.probe().unit())),
                i.address().replaceFirst("^(tcp|serial):", ""),
                i.pattern().written(),
                i.unit(),
                i.asks(),
                i.check().map(k -> Figures.typed(k.shouldBe())).orElse(""),
                i.check().map(k -> Figures.typed(k.tolerance())).orElse(""),
                check(i, now),
                late,
                i.check().isPresent(),
                i.probe().code(),
                UUID.randomUUID(),
                filled.sent("link" + i.id()) ? filled : Filled.NOTHING);
    }

    private static String check(Instrument i, Instant now) {
        if (i.check().isEmpty()) {
            return "Nothing known to check it with.";
        }
        return i.lastCheck()
                .map(c -> "%s %s: said %s for %s ± %s %s."
                        .formatted(
                                c.held() ? "Held" : "Failed",
                                ago(Duration.between(c.at(), now)),
                                Figures.compact(c.said(), 4),
                                Figures.compact(c.against().shouldBe(), 4),
                                Figures.compact(c.against().tolerance(), 2),
                                i.probe().unit()))
                .orElse("Never checked.");
    }

    private static String ago(Duration since) {
        if (since.toMinutes() < 1) {
            return "just now";
        }
        return (since.toDays() > 0
                        ? Figures.count(since.toDays(), "day", "days")
                        : since.toMinutes() > 59
                                ? Figures.count(since.toHours(), "hour", "hours")
                                : Figures.count(since.toMinutes(), "minute", "minutes"))
                + " ago";
    }

    static Said checked(Instrument i, double said) {
        Instrument.Known known = i.check().orElseThrow();
        String numbers = "%s for %s ± %s %s"
                .formatted(
                        Figures.compact(said, 4),
                        Figures.compact(known.shouldBe(), 4),
                        Figures.compact(known.tolerance(), 2),
                        i.probe().unit());
        return known.holds(said)
                ? new Said("It holds: " + numbers + ".", false)
                : Said.problem("It is off: " + numbers
                        + ". Set it right and check it again; until then its readings carry a warning.");
    }

    static List<Line> lines(Instrument instrument, List<String> raw) {
        return raw.stream().map(line -> line(instrument, line)).toList();
    }

    private static Line line(Instrument instrument, String raw) {
        Optional<LinePattern.Line> fits = instrument.pattern().read(raw);
        if (fits.isEmpty()) {
            return new Line(raw, "does not fit the pattern", false);
        }
        Optional<Double> value = instrument
                .probe()
                .canonical(fits.get().value(), fits.get().unit().orElse(instrument.unit()));
        return value.map(v -> new Line(
                        raw,
                        Figures.withUnit(
                                        Figures.compact(v, 4),
                                        instrument.probe().unit())
                                + fits.get()
                                        .second()
                                        .map(s -> ", " + Figures.compact(s, 3) + " %")
                                        .orElse("")
                                + (fits.get().steady() ? ", steady" : ""),
                        true))
                .orElseGet(() -> new Line(
                        raw,
                        "unit “%s” is not one of its own"
                                .formatted(fits.get().unit().orElse("")),
                        false));
    }
}
