package org.evensheen.core.label;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.core.label.Unread.Sure;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.Place;
import org.evensheen.core.mixing.Reading;
import org.evensheen.core.units.Decimal;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;

/** How a dose is written. */
final class DoseRules {
    private static final String[] NEAT = {"ready to use", "ready-to-use", "neat", "undiluted"};

    /** As many digits as a printed label can hold and be read again. */
    private static final MathContext WRITABLE = new MathContext(12);

    private DoseRules() {}

    static Dose dose(Cursor c) {
        if (c.anyWord(NEAT)) {
            c.sure = Sure.SHAPE;
            return new Dose.ReadyToUse();
        }
        int from = c.blanks().at;
        if (!c.numberAhead()) {
            throw c.fail("A dose is wanted here, like 1:240, 5 %, 30 mL in 5 L, 2 caps in 10 L or 3 sprays per panel.");
        }
        double first = c.number().doubleValue();
        Optional<Reading> told = told(c);
        if (told.isPresent()) {
            return ratio(c, from, first, told.get());
        }
        int before = c.at;
        if (c.word("to") && toRatio(c)) {
            return ratio(c, from, first, Reading.PARTS);
        }
        c.at = before;
        Span span = c.spanFrom(from, first);
        told = told(c);
        return told.isPresent() ? partsOf(c, from, span, told.get()) : amount(c, from, span);
    }

    /** Whether what follows makes a ratio of the number before, as in 1:240, 1+240 and 1 in 240. */
    private static Optional<Reading> told(Cursor c) {
        if (c.word(":") || c.word("+")) {
            return Optional.of(Reading.PARTS);
        }
        int before = c.at;
        if (c.word("in") && c.numberAhead()) {
            return Optional.of(Reading.SHARE);
        }
        c.at = before;
        return Optional.empty();
    }

    /** Several parts of product in one amount, as in 3–5 in 500. */
    private static Dose partsOf(Cursor c, int from, Span parts, Reading told) {
        int ahead = c.blanks().at;
        Dose.Dilution most = (Dose.Dilution) ratio(c, from, parts.high(), told);
        int end = c.at;
        c.at = ahead;
        Dose.Dilution least = (Dose.Dilution) ratio(c, from, parts.low(), told);
        c.at = end;
        double total = parts.low() * least.n().low();
        boolean oneTotal = Math.abs(parts.high() * most.n().low() - total) < 1e-6 * total;
        if (least.n().low() < least.n().high() || !oneTotal) {
            throw c.fail(from, "Write one range only, for one part of product, like 1:100–150.");
        }
        return new Dose.Dilution(new Span(most.n().low(), least.n().high()), most.reading());
    }

    /** Whether "256 to" goes on as a ratio: with a lone number, not with one that has a unit, as in "1 to 3 mL". */
    private static boolean toRatio(Cursor c) {
        int before = c.at;
        boolean lone = false;
        if (c.numberAhead()) {
            c.number();
            lone = c.done() || c.next().startsWith(",") || c.next().startsWith(")");
        }
        c.at = before;
        return lone;
    }

    private static Dose ratio(Cursor c, int from, double first, Reading told) {
        c.sure = Sure.SHAPE;
        double n = c.number().doubleValue();
        if (n == 0 || (told == Reading.SHARE && n == 1)) {
            throw c.fail(
                    from,
                    "%s holds no water. Write “ready to use” if it is used as it comes."
                            .formatted(c.text.substring(from, c.at)));
        }
        if (first == 0) {
            throw c.fail(from, "That holds no product. Write 1:%s.".formatted(Decimal.write(n)));
        }
        if (told == Reading.SHARE && first >= n) {
            throw c.fail(from, "More product than mix. Write it for one part of product, like 1 in 10.");
        }
        // 10:1 and 256 to 1 are said of the water, 2:30 of two parts of product.
        n = first == 1
                ? n
                : BigDecimal.valueOf(Math.max(first, n))
                        .divide(BigDecimal.valueOf(Math.min(first, n)), WRITABLE)
                        .doubleValue();
        double other = n;
        int before = c.at;
        if (c.dash()) {
            int again = c.blanks().at;
            if (c.numberAhead() && c.number().doubleValue() == 1 && (c.word(":") || c.word("in"))) {
                again = c.blanks().at;
            }
            c.at = again;
            other = c.number().doubleValue();
        } else {
            c.at = before;
        }
        Reading reading = c.anyWord("in total", "of mix") ? Reading.SHARE : told;
        Span span = new Span(Math.min(n, other), Math.max(n, other));
        if (span.high() > Dose.MOST_PARTS || span.low() <= (reading == Reading.PARTS ? 0 : 1)) {
            throw c.fail(
                    from,
                    "A ratio runs from 1:0.01 to 1:%s. Check the number.".formatted(Decimal.write(Dose.MOST_PARTS)));
        }
        return new Dose.Dilution(span, reading);
    }

    private static Dose amount(Cursor c, int from, Span span) {
        if (c.word("%") || c.anyWord("per cent", "percent")) {
            c.sure = Sure.SHAPE;
            if (span.high() > 100) {
                throw c.fail(from, "A mix can't hold more than 100 % product.");
            }
            if (span.low() == 0) {
                throw c.fail(from, "0 % is plain water. Write the least the label allows.");
            }
            return new Dose.Percent(span);
        }
        Optional<Counter> counter = Counter.named(c.letters());
        if (counter.isPresent()) {
            c.at += c.letters().length();
            return counted(c, from, counter.get(), span);
        }
        Optional<Unit> unit = c.unit(Unit.Family.VOLUME);
        if (unit.isPresent()) {
            return volume(c, from, span, unit.get());
        }
        if (c.unit(Unit.Family.MASS).isPresent() && link(c)) {
            c.sure = Sure.SHAPE;
            throw c.fail(from, "A dose by weight is not mL. Weigh 100 mL of it, and write the dose in mL.");
        }
        throw c.fail("A unit is wanted here: %, mL, caps, pumps or sprays.");
    }

    private static boolean link(Cursor c) {
        return c.anyWord("in", "per", "to", "for", "on", "a") || c.word("/");
    }

    private static Dose counted(Cursor c, int from, Counter counter, Span span) {
        c.sure = Sure.SHAPE;
        aboveZero(c, from, span);
        if (!link(c)) {
            throw c.fail(
                    from,
                    "Say what that is for: %s %s in 10 L, or per panel, section, wheel or car."
                            .formatted(span.written(), counter.words()));
        }
        Optional<Place> place = place(c);
        if (place.isPresent()) {
            return new Dose.CountedOn(counter, span, place.get());
        }
        double in = c.numberAhead() ? c.number().doubleValue() : 1;
        return new Dose.Counted(counter, span, positive(c, from, in), volumeUnit(c));
    }

    private static Dose volume(Cursor c, int from, Span span, Unit unit) {
        if (!link(c)) {
            throw c.fail("In how much, or per what? Write it like 30 mL in 5 L, or 10 mL per panel.");
        }
        c.sure = Sure.SHAPE;
        aboveZero(c, from, span);
        Optional<Place> place = place(c);
        if (place.isPresent()) {
            return new Dose.VolumeOn(span, unit, place.get());
        }
        double in = positive(c, from, c.numberAhead() ? c.number().doubleValue() : 1);
        Unit inUnit = volumeUnit(c);
        if (c.anyWord("of water", "water")) {
            double water = inUnit.toCanonical(in);
            return new Dose.Dilution(
                    new Span(water / unit.toCanonical(span.high()), water / unit.toCanonical(span.low())),
                    Reading.PARTS);
        }
        if (unit.toCanonical(span.high()) > inUnit.toCanonical(in)) {
            throw c.fail(from, "That is more than 100 %: more product than mix. Check the units.");
        }
        return new Dose.PerVolume(span, unit, in, inUnit);
    }

    private static Optional<Place> place(Cursor c) {
        Optional<Place> place = Place.named(c.letters());
        place.ifPresent(p -> c.at += c.letters().length());
        return place;
    }

    private static Unit volumeUnit(Cursor c) {
        return c.unit(Unit.Family.VOLUME)
                .orElseThrow(() -> c.fail("A volume or a place is wanted here: mL, L, US fl oz, US gal, or %s."
                        .formatted(
                                Arrays.stream(Place.values()).map(Place::word).collect(Collectors.joining(", ")))));
    }

    private static void aboveZero(Cursor c, int from, Span span) {
        positive(c, from, span.low());
    }

    private static double positive(Cursor c, int from, double amount) {
        if (!(amount > 0)) {
            throw c.fail(from, "A dose is above zero. Write the least the label allows.");
        }
        return amount;
    }
}
