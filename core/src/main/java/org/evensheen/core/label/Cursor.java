package org.evensheen.core.label;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.evensheen.core.label.Unread.Sure;
import org.evensheen.core.units.Decimal;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;

/** Reads a part of a label line from left to right. */
final class Cursor {
    private static final String DASHES = "-–—−";

    /** Names of units of a family, longest first, so that "min" is not read as "m". */
    private static final List<Name> NAMES = names();

    private record Name(String text, Unit unit) {}

    final String text;
    int at;
    Sure sure = Sure.GUESS;

    /** What a price is in that says no currency; none if it has to say one. */
    final Optional<Currency> home;

    Cursor(String text, Optional<Currency> home) {
        this.text = Decimal.latin(text);
        this.home = home;
    }

    Cursor(String text, int at) {
        this(text, Optional.empty());
        this.at = at;
    }

    private static List<Name> names() {
        List<Name> names = new ArrayList<>();
        for (Unit unit : Unit.values()) {
            unit.names().forEach(n -> names.add(new Name(n.toLowerCase(Locale.ROOT), unit)));
        }
        names.sort(Comparator.comparingInt((Name n) -> -n.text.length()));
        return List.copyOf(names);
    }

    Cursor blanks() {
        while (at < text.length() && isBlank(text.charAt(at))) {
            at++;
        }
        return this;
    }

    private static boolean isBlank(char c) {
        return Character.isWhitespace(c) || Character.isSpaceChar(c);
    }

    boolean done() {
        return blanks().at >= text.length();
    }

    /** What stands after here, as far as the next blank. */
    String next() {
        int end = blanks().at;
        while (end < text.length() && !isBlank(text.charAt(end))) {
            end++;
        }
        return text.substring(at, end);
    }

    String rest() {
        return text.substring(blanks().at).strip();
    }

    Unread fail(String message) {
        int start = blanks().at;
        int length = Math.max(1, next().length());
        return new Unread(start, Math.min(Math.max(text.length(), start + 1), start + length), sure, message);
    }

    Unread fail(int from, String message) {
        return new Unread(from, Math.max(at, from + 1), sure, message);
    }

    /** Goes past a word, or several with blanks between, if they stand here as whole words. */
    boolean word(String wanted) {
        int from = blanks().at;
        int here = from;
        for (String piece : wanted.split(" ")) {
            while (here > from && here < text.length() && isBlank(text.charAt(here))) {
                here++;
            }
            if (!text.regionMatches(true, here, piece, 0, piece.length())) {
                return false;
            }
            here += piece.length();
        }
        char last = wanted.charAt(wanted.length() - 1);
        if (Character.isLetter(last) && here < text.length() && Character.isLetter(text.charAt(here))) {
            return false;
        }
        at = here;
        return true;
    }

    boolean anyWord(String... wanted) {
        for (String word : wanted) {
            if (word(word)) {
                return true;
            }
        }
        return false;
    }

    boolean dash() {
        if (!done() && DASHES.indexOf(text.charAt(at)) >= 0) {
            at++;
            return true;
        }
        return word("to");
    }

    /** Letters from here on, without going past them. */
    String letters() {
        int end = blanks().at;
        while (end < text.length() && Character.isLetter(text.charAt(end))) {
            end++;
        }
        return text.substring(at, end);
    }

    boolean numberAhead() {
        return Decimal.end(text, blanks().at) > at;
    }

    BigDecimal number() {
        int from = blanks().at;
        int end = Decimal.end(text, from);
        if (end == from) {
            throw fail("A number is wanted here.");
        }
        at = end;
        try {
            BigDecimal read = Decimal.read(text.substring(from, end));
            if (read.precision() - read.scale() > 12 || read.scale() > 12) {
                throw fail(from, "That is out of all measure. Check the number.");
            }
            return read;
        } catch (Decimal.Ambiguous e) {
            sure = Sure.SHAPE;
            throw fail(from, e.getMessage());
        } catch (NumberFormatException e) {
            sure = Sure.SHAPE;
            throw fail(from, "“%s” is not a number. Check its points and commas.".formatted(text.substring(from, end)));
        }
    }

    /** A number, or a range that runs upwards. */
    Span span() {
        int from = blanks().at;
        return spanFrom(from, number().doubleValue());
    }

    Span spanFrom(int from, double low) {
        int before = at;
        if (!dash() || !numberAhead()) {
            at = before;
            return Span.of(low);
        }
        return upwards(from, low, number().doubleValue());
    }

    Span upwards(int from, double low, double high) {
        if (high < low) {
            sure = Sure.SHAPE;
            throw fail(from, "This range runs downwards. Write %s.".formatted(new Span(high, low).written()));
        }
        return new Span(low, high);
    }

    /** Goes past a unit of one of these families. */
    Optional<Unit> unit(Unit.Family... families) {
        blanks();
        for (Name name : NAMES) {
            int end = at + name.text.length();
            boolean here = text.regionMatches(true, at, name.text, 0, name.text.length())
                    && (end >= text.length() || !Character.isLetter(text.charAt(end)));
            if (here && List.of(families).contains(name.unit.family())) {
                at = end;
                return Optional.of(name.unit);
            }
        }
        return Optional.empty();
    }

    /** Fails unless everything was read. */
    void end() {
        if (!done()) {
            throw new Unread(
                    at,
                    text.length(),
                    sure,
                    "“%s” is not read here. Put a ; before it if it is another claim.".formatted(shortened(rest())));
        }
    }

    static String shortened(String text) {
        return text.length() <= 30 ? text : text.substring(0, 30) + "…";
    }
}
