package org.evensheen.core.units;

import java.math.BigDecimal;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Decimal numbers as labels and spreadsheets write them: digits of any script, point or comma for decimals, groups of three
 * set off by point, comma, space or apostrophe. What can mean two things is refused, never guessed.
 */
public final class Decimal {
    private static final String GROUPING = " \u00a0\u202f'’٬";
    private static final Pattern SHAPE = Pattern.compile(
            "\\d{1,3}(?:[" + GROUPING + "]\\d{3})+(?![\\d])(?:[.,٫]\\d+)?|\\d+(?:[.,٫]\\d+)*|[.,٫]\\d+");

    private Decimal() {}

    /** It can be read as two different numbers; the message says how to write either. */
    public static final class Ambiguous extends RuntimeException {
        Ambiguous(String written, String grouped, String decimal) {
            super("“%s” can be %s or %s. Write %s or %s.".formatted(written, grouped, decimal, grouped, decimal));
        }
    }

    /** Where a number at a place ends; the place itself if there is none. */
    public static int end(String text, int from) {
        Matcher shape = SHAPE.matcher(text).region(from, text.length());
        return shape.lookingAt() ? shape.end() : from;
    }

    /** Digits of other scripts as 0 to 9, one for one, so that places stay where they are. */
    public static String latin(String text) {
        if (text.chars().noneMatch(c -> c > '9' && Character.isDigit(c))) {
            return text;
        }
        StringBuilder latin = new StringBuilder(text);
        for (int i = 0; i < latin.length(); i++) {
            if (Character.isDigit(latin.charAt(i))) {
                latin.setCharAt(i, (char) ('0' + Character.digit(latin.charAt(i), 10)));
            }
        }
        return latin.toString();
    }

    /**
     * The number written.
     *
     * @param written all of it a number, as {@link #end} found it
     * @throws Ambiguous if a single point or comma has three digits after it, as in 1,250
     * @throws NumberFormatException if it is not a number
     */
    public static BigDecimal read(String written) {
        String text = latin(written).replaceAll("[" + GROUPING + "]", "").replace('٫', ',');
        int comma = text.lastIndexOf(',');
        int point = text.lastIndexOf('.');
        if (comma < 0 && point < 0) {
            return new BigDecimal(text);
        }
        char last = comma > point ? ',' : '.';
        boolean both = comma >= 0 && point >= 0;
        boolean repeated = text.indexOf(last) != text.lastIndexOf(last);
        if (both) {
            char group = last == ',' ? '.' : ',';
            String whole = text.substring(0, text.lastIndexOf(last));
            if (repeated || !whole.matches("[1-9]\\d{0,2}(?:[.,]\\d{3})+")) {
                throw new NumberFormatException(written);
            }
            return new BigDecimal(text.replace(String.valueOf(group), "").replace(last, '.'));
        }
        if (repeated) {
            if (!text.matches("[1-9]\\d{0,2}(?:[.,]\\d{3})+")) {
                throw new NumberFormatException(written);
            }
            return new BigDecimal(text.replace(String.valueOf(last), ""));
        }
        if (text.length() == written.length() && written.indexOf('٫') < 0 && text.matches("[1-9]\\d{0,2}[.,]\\d{3}")) {
            String plain = text.replace(',', '.');
            throw new Ambiguous(
                    written,
                    plain.replace(".", ""),
                    new BigDecimal(plain).setScale(4).toPlainString());
        }
        return new BigDecimal(text.replace(last, '.'));
    }

    /** A number in the shortest form that {@link #read} reads back as the same. */
    public static String write(double value) {
        BigDecimal exact = new BigDecimal(Double.toString(value)).stripTrailingZeros();
        return write(exact.scale() < 0 ? exact.setScale(0) : exact);
    }

    /** A number with its own decimals, in a form that {@link #read} reads back as the same. */
    public static String write(BigDecimal value) {
        String plain = value.toPlainString();
        return plain.matches("-?[1-9]\\d{0,2}\\.\\d{3}") ? plain + "0" : plain;
    }
}
