package org.evensheen.core.measure;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.core.units.TypedNumber;
import org.evensheen.core.units.UnitSystem;

/**
 * A reading as a person types it, part by part.
 *
 * @param problems what is wrong, by field, with the remedy; empty if it could be read
 * @param seen what it means, if it means something
 */
public record TypedReading(Map<String, String> problems, Optional<Observation> seen) {

    /** The field that says which units a bare number is in, by {@link UnitSystem#code}; metric where there is none. */
    public static final String UNITS = "units";

    /** Reads the fields of a measure; what is there beside them and {@link #UNITS} is not looked at. */
    public static TypedReading of(Measure measure, Map<String, String> typed) {
        UnitSystem system = UnitSystem.ofCode(typed.getOrDefault(UNITS, ""));
        Map<String, String> problems = new LinkedHashMap<>();
        List<Value> values = new ArrayList<>();
        for (Part part : measure.parts()) {
            if (part instanceof Part.Number n) {
                number(system, problems, n.name(), n, typed.getOrDefault(n.name(), ""))
                        .ifPresent(v -> values.add(new Value.Number(v)));
            } else if (part instanceof Part.Choice c) {
                choice(problems, c, typed.getOrDefault(c.name(), "")).ifPresent(values::add);
            } else if (part instanceof Part.Series s) {
                series(system, problems, s, typed).ifPresent(values::add);
            }
        }
        if (problems.isEmpty()) {
            try {
                return new TypedReading(Map.of(), Optional.of(new Observation(measure, values)));
            } catch (IllegalArgumentException e) {
                problems.put(
                        firstField(measure),
                        (measure.parts().size() > 1 ? "Check the numbers: " : "Check the number: ") + e.getMessage()
                                + ".");
            }
        }
        return new TypedReading(Map.copyOf(problems), Optional.empty());
    }

    /** The field that a problem of the whole reading stands at. */
    public static String firstField(Measure measure) {
        Part first = measure.number()
                .map(Part.class::cast)
                .orElse(measure.parts().get(measure.parts().size() - 1));
        return first instanceof Part.Series s ? s.field(s.minutes().get(0)) : first.name();
    }

    private static Optional<Double> number(
            UnitSystem system, Map<String, String> problems, String field, Part.Number n, String typed) {
        TypedNumber read = system.read(typed, n.what(), n.unit(), n.lowest(), n.highest());
        if (read instanceof TypedNumber.Read value) {
            return Optional.of(value.value());
        }
        problems.put(field, ((TypedNumber.Refused) read).message());
        return Optional.empty();
    }

    private static Optional<Value> choice(Map<String, String> problems, Part.Choice c, String typed) {
        Optional<Value> chosen = c.options().stream()
                .map(Part.Option::code)
                .filter(code -> code.equals(typed.strip()))
                .findFirst()
                .map(Value.Chosen::new);
        if (chosen.isEmpty()) {
            problems.put(c.name(), c.otherwise());
        }
        return chosen;
    }

    private static Optional<Value> series(
            UnitSystem system, Map<String, String> problems, Part.Series s, Map<String, String> typed) {
        List<Value.Mark> marks = new ArrayList<>();
        for (int minute : s.minutes()) {
            String text = typed.getOrDefault(s.field(minute), "");
            if (!text.isBlank()) {
                Part.Number at =
                        new Part.Number(s.field(minute), s.label(), s.what(), s.unit(), s.lowest(), s.highest(), false);
                number(system, problems, s.field(minute), at, text)
                        .ifPresent(v -> marks.add(new Value.Mark(minute, v)));
            }
        }
        if (problems.isEmpty() && (marks.size() < 2 || marks.get(0).minute() > 0)) {
            problems.put(
                    s.field(s.minutes().get(0)),
                    "Type the %s at minute 0 and at one minute later at least; leave the others empty if they were not read."
                            .formatted(s.what()));
        }
        return marks.size() < 2 ? Optional.empty() : Optional.of(new Value.Series(marks));
    }
}
