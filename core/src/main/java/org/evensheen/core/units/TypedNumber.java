package org.evensheen.core.units;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A number as a person types it: point or comma for decimals, spaces around, its own unit after it or another of its kind, which is converted to four
 * digits. Anything else is refused with the remedy.
 */
public sealed interface TypedNumber {

    /** It could be read. */
    record Read(double value) implements TypedNumber {}

    /** It could not; the message says what is wrong and what to do. */
    record Refused(String message) implements TypedNumber {}

    /** Longest text that is looked at. */
    int LONGEST = 40;

    Pattern SHAPE = Pattern.compile("([+−-]?)(\\d+(?:[.,]\\d+)?|[.,]\\d+)\\s*(\\D*)");

    /**
     * Reads what was typed for a quantity.
     *
     * @param what the quantity, as the message should call it
     * @param unit the unit wanted
     * @param lowest lowest accepted value
     * @param highest highest accepted value
     */
    static TypedNumber read(String typed, String what, String unit, double lowest, double highest) {
        String text = typed.strip();
        if (text.isEmpty()) {
            return new Refused("Type the %s in %s.".formatted(what, unit));
        }
        Matcher shape = SHAPE.matcher(text.length() > LONGEST ? "" : text);
        if (!shape.matches()) {
            return new Refused("“%s” is not a number. Type the %s in %s, like %s."
                    .formatted(shortened(text), what, unit, example(lowest, highest)));
        }
        double value = Double.parseDouble(shape.group(2).replace(',', '.'));
        String suffix = shape.group(3).strip();
        if (!suffix.isEmpty() && !suffix.equalsIgnoreCase(unit)) {
            Optional<Unit> wanted = Stream.of(Unit.values())
                    .filter(u -> u.symbol().equals(unit))
                    .findFirst();
            Optional<Unit> other = wanted.flatMap(w -> Unit.named(w.family(), suffix));
            if (other.isEmpty()) {
                return new Refused("“%s” is not a unit that is read here. Type the %s in %s."
                        .formatted(shortened(suffix), what, unit));
            }
            value = Double.parseDouble(
                    plain(wanted.get().fromCanonical(other.get().toCanonical(value))));
        }
        boolean minus = !shape.group(1).isEmpty() && !shape.group(1).equals("+");
        if (minus && value != 0 && lowest >= 0) {
            return new Refused("A %s can't be below zero. Type it without the minus.".formatted(what));
        }
        value = minus ? -value : value;
        if (value < lowest || value > highest) {
            return new Refused("%s %s is out of reach: a %s lies between %s and %s %s. Check the decimal point."
                    .formatted(plain(value), unit, what, plain(lowest), plain(highest), unit));
        }
        return new Read(value);
    }

    private static String example(double lowest, double highest) {
        return plain(Math.max(lowest, Math.min(9.8, highest / 2)));
    }

    private static String plain(double value) {
        return new java.math.BigDecimal(value)
                .round(new java.math.MathContext(4))
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String shortened(String text) {
        return text.length() <= 24 ? text : text.substring(0, 24) + "…";
    }
}
