package org.evensheen.core.instruments;

import com.google.re2j.Matcher;
import com.google.re2j.Pattern;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How an instrument's lines read: plain text with named places, as {@code F {value} {unit}} or {@code T={value};H={second};}.
 * {@code {value}} is the number wanted, {@code {second}} another one, {@code {unit}} the unit's name, {@code {steady}} a word or letter that
 * is there only when the instrument itself calls the value steady, {@code {any}} whatever may stand there. Blanks match any number of
 * blanks, none too.
 *
 * <p>Lines are matched in time that grows with their length only (RE2/J), however many places a pattern has: it may come from anywhere, and
 * so may the lines.
 */
public final class LinePattern {
    /** Longest pattern, and longest line that is looked at. */
    public static final int LONGEST = 200;

    public static final int LONGEST_LINE = 400;

    private static final Pattern PLACE = Pattern.compile("\\{([a-z]+)}");
    private static final String NUMBER = "[+-]?\\s*(?:\\d{1,12}(?:[.,]\\d{0,9})?|[.,]\\d{1,9})";

    private final String written;
    private final Pattern compiled;
    private final boolean unit;
    private final boolean second;
    private final boolean steady;

    /**
     * A line that fits.
     *
     * @param step of the value's last digit: 0.1 for 9.8
     */
    public record Line(double value, double step, Optional<Double> second, Optional<String> unit, boolean steady) {}

    /** A pattern that can't be used; the message says why and what to do. */
    public static final class Unfit extends Exception {
        private static final long serialVersionUID = 1;

        Unfit(String message) {
            super(message);
        }
    }

    private LinePattern(String written, Pattern compiled, List<String> places) {
        this.written = written;
        this.compiled = compiled;
        unit = places.contains("unit");
        second = places.contains("second");
        steady = places.contains("steady");
    }

    /** Reads a pattern. */
    public static LinePattern of(String written) throws Unfit {
        String text = written.strip();
        if (text.length() > LONGEST) {
            throw new Unfit("A pattern has at most %d characters.".formatted(LONGEST));
        }
        StringBuilder regex = new StringBuilder("\\s*");
        List<String> places = new ArrayList<>();
        Matcher place = PLACE.matcher(text);
        int done = 0;
        while (place.find()) {
            literal(regex, text.substring(done, place.start()));
            String name = place.group(1);
            if (places.contains(name) && !name.equals("any")) {
                throw new Unfit("{%s} is there twice. Use {any} for what is not wanted.".formatted(name));
            }
            places.add(name);
            regex.append(
                    switch (name) {
                        case "value" -> "(?P<value>" + NUMBER + ")";
                        case "second" -> "(?P<second>" + NUMBER + ")";
                        case "unit" -> "(?P<unit>[\\p{L}°%µ]{1,8})";
                        case "steady" -> "(?P<steady>\\S{0,12})";
                        case "any" -> "[^\\r\\n]{0,60}?";
                        default ->
                            throw new Unfit(
                                    "There is no {%s}. Places are {value}, {second}, {unit}, {steady} and {any}."
                                            .formatted(name));
                    });
            done = place.end();
        }
        literal(regex, text.substring(done));
        if (!places.contains("value")) {
            throw new Unfit("Say where the number stands with {value}, like: F {value} {unit}");
        }
        return new LinePattern(text, Pattern.compile(regex.append("\\s*").toString()), places);
    }

    private static void literal(StringBuilder regex, String text) throws Unfit {
        if (text.contains("{") || text.contains("}")) {
            throw new Unfit("A brace stands alone. Places are written like {value}.");
        }
        for (String part : text.split("(?<=\\s)(?=\\S)|(?<=\\S)(?=\\s)")) {
            if (!part.isEmpty()) {
                regex.append(part.isBlank() ? "\\s*" : Pattern.quote(part));
            }
        }
    }

    /** What a line says; empty if it does not fit. */
    public Optional<Line> read(String line) {
        if (line.length() > LONGEST_LINE) {
            return Optional.empty();
        }
        Matcher m = compiled.matcher(line);
        if (!m.matches()) {
            return Optional.empty();
        }
        return Optional.of(new Line(
                number(m.group("value")),
                Math.pow(10, -decimals(m.group("value"))),
                second ? Optional.of(number(m.group("second"))) : Optional.empty(),
                unit ? Optional.of(m.group("unit")) : Optional.empty(),
                steady && !m.group("steady").isEmpty()));
    }

    private static int decimals(String text) {
        int point = Math.max(text.indexOf('.'), text.indexOf(','));
        return point < 0 ? 0 : text.length() - point - 1;
    }

    private static double number(String text) {
        return Double.parseDouble(text.replaceAll("\\s", "").replace(',', '.'));
    }

    /** Whether lines say themselves that a value is steady. */
    public boolean tellsSteady() {
        return steady;
    }

    public boolean tellsSecond() {
        return second;
    }

    public String written() {
        return written;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof LinePattern pattern && pattern.written.equals(written);
    }

    @Override
    public int hashCode() {
        return written.hashCode();
    }

    @Override
    public String toString() {
        return written;
    }
}
