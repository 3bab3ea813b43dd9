package org.evensheen.app.studies;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.page.Units;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.Part;
import org.evensheen.core.measure.TypedReading;
import org.evensheen.core.units.UnitSystem;

/**
 * What a person typed for a reading, with what is wrong with it; nothing typed is lost.
 *
 * @param typed by field
 * @param problems by field
 * @param observation what it means, if it means something
 */
public record TypedEntry(
        Measure measure,
        Map<String, String> typed,
        String because,
        Map<String, String> problems,
        String becauseProblem,
        Optional<Observation> observation) {

    public static TypedEntry blank(Measure measure) {
        return new TypedEntry(measure, Map.of(), "", Map.of(), "", Optional.empty());
    }

    static TypedEntry of(Observation seen) {
        return new TypedEntry(seen.measure(), inOwnUnits(seen), "", Map.of(), "", Optional.of(seen));
    }

    /** As it was kept; a number stands with its unit where the form is in another, so that saving it again changes nothing. */
    private static Map<String, String> inOwnUnits(Observation seen) {
        Map<String, String> typed = new LinkedHashMap<>(seen.typed());
        for (Part part : seen.measure().parts()) {
            if (part instanceof Part.Number n && Units.now().shown(n.unit()).differs()) {
                typed.computeIfPresent(n.name(), (name, value) -> value + " " + n.unit());
            }
        }
        return typed;
    }

    /** The units that a bare number is in: those of the form it was typed into, or of whoever looks. */
    private UnitSystem system() {
        String sent = typed.get(TypedReading.UNITS);
        return sent == null ? Units.now() : UnitSystem.ofCode(sent);
    }

    /** What sets drafts in these units apart; nothing for metric ones. */
    String draft() {
        return measure.number().filter(n -> system().shown(n.unit()).differs()).isPresent()
                ? "/" + system().code()
                : "";
    }

    /** Reads what was typed. */
    public static TypedEntry read(Measure measure, Map<String, String> typed, String because) {
        TypedReading read = TypedReading.of(measure, typed);
        return new TypedEntry(measure, typed, because, read.problems(), "", read.seen());
    }

    /** The first thing that is wrong; empty if nothing is. */
    public String problem() {
        return problems.values().stream().findFirst().orElse("");
    }

    /** The same, with a problem at its first field. */
    public TypedEntry refused(String problem) {
        Map<String, String> more = new LinkedHashMap<>(problems);
        more.put(TypedReading.firstField(measure), problem);
        return new TypedEntry(measure, typed, because, more, becauseProblem, Optional.empty());
    }

    /** The same, asking for a reason. */
    public TypedEntry withoutReason() {
        return new TypedEntry(
                measure, typed, because, problems, "Say why, in a word or two; it stays in the record.", observation);
    }

    /** Whether a number was typed in another unit than its own, and was converted. */
    public boolean inAnotherUnit() {
        return measure.number()
                .filter(n -> {
                    String suffix = in(n.name()).replaceAll("[-+\\d.,\\s]", "");
                    return !suffix.isEmpty()
                            && !suffix.equalsIgnoreCase(system().shown(n.unit()).unit());
                })
                .isPresent();
    }

    private String in(String field) {
        return typed.getOrDefault(field, "");
    }

    /** Its numbers as fields. */
    public List<Slate.Field> fields() {
        List<Slate.Field> fields = new ArrayList<>();
        for (Part part : measure.parts()) {
            if (part instanceof Part.Number n) {
                fields.add(field(n.name(), n.label(), n.unit(), fields.isEmpty()));
            } else if (part instanceof Part.Series s) {
                for (int minute : s.minutes()) {
                    fields.add(field(s.field(minute), minute + " min", "", minute == 0));
                }
            }
        }
        return fields;
    }

    private Slate.Field field(String name, String label, String unit, boolean first) {
        return new Slate.Field(
                name,
                label,
                system().shown(unit).unit(),
                in(name),
                problems.getOrDefault(name, ""),
                first,
                system().code());
    }

    /**
     * Its choices; where a measure has no numbers, the last is made by the tap that keeps the reading.
     *
     * @param otherwise what stands chosen where nothing was
     */
    public List<Slate.Choices> choices(Map<String, String> otherwise) {
        List<Part.Choice> all = measure.parts().stream()
                .filter(Part.Choice.class::isInstance)
                .map(Part.Choice.class::cast)
                .toList();
        boolean only = all.size() == measure.parts().size();
        return all.stream()
                .map(c -> new Slate.Choices(
                        c.name(),
                        c.label(),
                        only && c == all.get(all.size() - 1),
                        problems.getOrDefault(c.name(), ""),
                        c.options().stream()
                                .map(o -> new Slate.Choice(
                                        o.code(),
                                        o.label(),
                                        "",
                                        o.code()
                                                .equals(typed.getOrDefault(
                                                        c.name(), otherwise.getOrDefault(c.name(), "")))))
                                .toList()))
                .toList();
    }
}
