package org.evensheen.core.study;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Which chemical a dose put on which sections, as its note says: {@code iron wash on A D F; tar remover on B C}. A chemical that no sections are named for went on
 * every one.
 *
 * @param given in the order written; empty where the note names no chemical
 */
public record Dosing(List<Given> given) {
    private static final Pattern ON = Pattern.compile("(.+) on ([A-Z]{1,2}\\d*(?:[ ,]+[A-Z]{1,2}\\d*)*|every section)");

    /** @param sections codes; empty for every section */
    public record Given(String chemical, Set<String> sections) {
        boolean on(String code) {
            return sections.isEmpty() || sections.contains(code);
        }
    }

    /** Reads a note. */
    public static Dosing read(String note) {
        List<Given> given = new ArrayList<>();
        for (String part : note.split(";")) {
            String text = part.strip();
            Matcher on = ON.matcher(text);
            if (on.matches()) {
                given.add(new Given(
                        on.group(1).strip(),
                        on.group(2).equals("every section")
                                ? Set.of()
                                : Arrays.stream(on.group(2).split("[ ,]+"))
                                        .filter(c -> !c.isEmpty())
                                        .collect(Collectors.toCollection(LinkedHashSet::new))));
            } else if (!text.isEmpty()) {
                given.add(new Given(text, Set.of()));
            }
        }
        return new Dosing(List.copyOf(given));
    }

    /** The same as it is written. */
    public String print() {
        return given.stream()
                .map(g -> g.chemical() + " on "
                        + (g.sections().isEmpty() ? "every section" : String.join(" ", g.sections())))
                .collect(Collectors.joining("; "));
    }

    /** Whether anything went on a section: a note that names no chemical speaks of every section. */
    public boolean reached(String code) {
        return given.isEmpty() || given.stream().anyMatch(g -> g.on(code));
    }

    /** The one chemical that went on a section; empty if none is named, or several were. */
    public Optional<String> on(String code) {
        List<Given> all = given.stream().filter(g -> g.on(code)).toList();
        return all.size() == 1 ? Optional.of(all.get(0).chemical()) : Optional.empty();
    }
}
