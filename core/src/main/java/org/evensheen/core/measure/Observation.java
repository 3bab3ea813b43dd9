package org.evensheen.core.measure;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * One thing seen on a place, checked on construction: a value that could not be real can't be built.
 *
 * <p>It has one line, in the database, in files and in bundles: parts as {@code name=value}, with semicolons between; a series as
 * {@code minute:value} with commas between. {@code amount=2.12;width=1.6}, {@code series=0:92,1:78,5:48}. A lone number may stand
 * without its name.
 *
 * @param values one for each part of the measure, in order
 */
public record Observation(Measure measure, List<Value> values) {
    /** Longest line that is looked at. */
    public static final int LONGEST = 600;

    private static final int MOST_MARKS = 40;
    private static final double LAST_MINUTE = 600;

    /**
     * @throws IllegalArgumentException if a value is missing, out of its part's limits, or could not be real with the others
     */
    public Observation {
        values = List.copyOf(values);
        if (measure.readAs() != measure) {
            throw new IllegalArgumentException("%s is worked out from %s".formatted(measure, measure.readAs()));
        }
        if (values.size() != measure.parts().size()) {
            throw new IllegalArgumentException(
                    "%s has %d parts".formatted(measure, measure.parts().size()));
        }
        for (int i = 0; i < values.size(); i++) {
            check(measure, measure.parts().get(i), values.get(i));
        }
        measure.check(values);
    }

    private static void check(Measure measure, Part part, Value value) {
        if (part instanceof Part.Number n && value instanceof Value.Number v) {
            within(measure, n.unit(), n.lowest(), n.highest(), v.value());
            require(!n.whole() || v.value() == Math.rint(v.value()), "a %s is a whole number".formatted(n.what()));
        } else if (part instanceof Part.Choice c && value instanceof Value.Chosen v) {
            require(
                    c.options().stream().anyMatch(o -> o.code().equals(v.code())),
                    "there is no %s “%s”".formatted(c.name(), v.code()));
        } else if (part instanceof Part.Series s && value instanceof Value.Series v) {
            require(v.marks().size() >= 2 && v.marks().size() <= MOST_MARKS, "a series has 2 to 40 marks");
            double before = -1;
            for (Value.Mark mark : v.marks()) {
                require(
                        mark.minute() > before && mark.minute() <= LAST_MINUTE,
                        "minutes rise, from 0 to 600, and stand once each");
                before = mark.minute();
                within(measure, s.unit(), s.lowest(), s.highest(), mark.value());
            }
            require(v.marks().get(0).minute() == 0, "a series begins at minute 0");
        } else {
            throw new IllegalArgumentException("%s of %s is not a %s"
                    .formatted(part.name(), measure, value.getClass().getSimpleName()));
        }
    }

    private static void within(Measure measure, String unit, double lowest, double highest, double value) {
        require(
                value >= lowest && value <= highest,
                "%s lies between %s and %s %s, not at %s"
                        .formatted(measure, plain(lowest), plain(highest), unit, plain(value)));
    }

    private static void require(boolean holds, String otherwise) {
        if (!holds) {
            throw new IllegalArgumentException(otherwise);
        }
    }

    /** The number that is averaged and compared; see {@link Measure#score}. */
    public OptionalDouble score(double areaSquareMetres) {
        return measure.score(this, areaSquareMetres);
    }

    /** The first number of it: what was typed, or a grade, or the first mark of a series. */
    public double amount() {
        return values.stream()
                .flatMap(v -> v instanceof Value.Number n
                        ? java.util.stream.Stream.of(n.value())
                        : v instanceof Value.Series s
                                ? java.util.stream.Stream.of(s.marks().get(0).value())
                                : java.util.stream.Stream.empty())
                .findFirst()
                .orElseGet(() -> values.stream()
                        .map(v -> ((Value.Chosen) v).code())
                        .filter(c -> c.matches("\\d{1,3}"))
                        .map(Double::valueOf)
                        .findFirst()
                        .orElse(0.0));
    }

    /** The number of a part. */
    public double number(String part) {
        return ((Value.Number) value(part)).value();
    }

    /** What was chosen of a part. */
    public String chosen(String part) {
        return ((Value.Chosen) value(part)).code();
    }

    /** The marks of a part. */
    public List<Value.Mark> marks(String part) {
        return ((Value.Series) value(part)).marks();
    }

    /** The marks of its series; empty if it has none. */
    public List<Value.Mark> series() {
        return values.stream()
                .filter(Value.Series.class::isInstance)
                .findFirst()
                .map(v -> ((Value.Series) v).marks())
                .orElse(List.of());
    }

    private Value value(String part) {
        return IntStream.range(0, values.size())
                .filter(i -> measure.parts().get(i).name().equals(part))
                .mapToObj(values::get)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("%s has no part %s".formatted(measure, part)));
    }

    /** What a form would hold for it, field by field. */
    public Map<String, String> typed() {
        Map<String, String> typed = new LinkedHashMap<>();
        for (int i = 0; i < values.size(); i++) {
            Part part = measure.parts().get(i);
            if (part instanceof Part.Series s && values.get(i) instanceof Value.Series v) {
                v.marks().forEach(m -> typed.put(s.name() + "-" + plain(m.minute()), plain(m.value())));
            } else {
                typed.put(part.name(), text(values.get(i)));
            }
        }
        return typed;
    }

    /** Its one line. */
    public String line() {
        return IntStream.range(0, values.size())
                .mapToObj(i -> measure.parts().get(i).name() + "=" + text(values.get(i)))
                .collect(Collectors.joining(";"));
    }

    private static String text(Value value) {
        if (value instanceof Value.Number n) {
            return plain(n.value());
        }
        if (value instanceof Value.Chosen c) {
            return c.code();
        }
        return ((Value.Series) value)
                .marks().stream()
                        .map(m -> plain(m.minute()) + ":" + plain(m.value()))
                        .collect(Collectors.joining(","));
    }

    /** What was seen, short: 9.8, 2.12×1.6, 3 beads, 92–48. */
    public String told() {
        List<String> told = new ArrayList<>();
        for (int i = values.size() - 1; i >= 0; i--) {
            if (measure.parts().get(i) instanceof Part.Choice c && values.get(i) instanceof Value.Chosen v) {
                c.options().stream()
                        .filter(o -> o.code().equals(v.code()))
                        .map(Part.Option::told)
                        .filter(t -> !t.isEmpty())
                        .forEach(told::add);
            }
        }
        String numbers = values.stream()
                .filter(v -> !(v instanceof Value.Chosen))
                .map(v -> v instanceof Value.Series s
                        ? plain(s.marks().get(0).value()) + "–"
                                + plain(s.marks().get(s.marks().size() - 1).value())
                        : text(v))
                .collect(Collectors.joining("×"));
        return (numbers + " " + String.join(" ", told)).strip();
    }

    /**
     * Reads a line.
     *
     * @throws IllegalArgumentException if it is none of this measure
     */
    public static Observation read(Measure measure, String line) {
        require(line.length() <= LONGEST, "that is far too long for a reading");
        Map<String, String> fields = new LinkedHashMap<>();
        for (String field : line.strip().split(";", -1)) {
            int sign = field.indexOf('=');
            String name = sign < 0 ? Part.FIRST : field.substring(0, sign).strip();
            require(
                    measure.parts().stream().anyMatch(p -> p.name().equals(name)),
                    "%s has no part “%s”".formatted(measure, name));
            require(fields.put(name, field.substring(sign + 1).strip()) == null, "“%s” is there twice".formatted(name));
        }
        List<Value> values = new ArrayList<>();
        for (Part part : measure.parts()) {
            String text = fields.get(part.name());
            require(text != null, "%s is missing".formatted(part.name()));
            values.add(value(part, text));
        }
        return new Observation(measure, values);
    }

    private static Value value(Part part, String text) {
        if (part instanceof Part.Choice) {
            return new Value.Chosen(text);
        }
        if (part instanceof Part.Number) {
            return new Value.Number(parsed(text));
        }
        List<Value.Mark> marks = new ArrayList<>();
        for (String mark : text.split(",", -1)) {
            String[] sides = mark.split(":", -1);
            require(sides.length == 2, "“%s” is no mark; write minute:value".formatted(mark));
            marks.add(new Value.Mark(parsed(sides[0]), parsed(sides[1])));
        }
        return new Value.Series(marks);
    }

    private static double parsed(String text) {
        require(text.strip().matches("\\d{1,9}(\\.\\d{1,20})?([eE]-?\\d{1,3})?"), "“%s” is no number".formatted(text));
        return Double.parseDouble(text.strip());
    }

    /** The shortest decimal that reads back as the same number. */
    private static String plain(double value) {
        BigDecimal exact = new BigDecimal(Double.toString(value)).stripTrailingZeros();
        return (exact.scale() < 0 ? exact.setScale(0) : exact).toPlainString();
    }
}
