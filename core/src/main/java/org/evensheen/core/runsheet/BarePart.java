package org.evensheen.core.runsheet;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.runsheet.Step.Kind;
import org.evensheen.core.runsheet.Step.Part;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;

/** Proving bare: every section is looked at; one that still beads is stripped and looked at again before the gate opens. */
final class BarePart {
    private static final String LOOK_WHY = "Whatever still beads is not bare, and everything after it is doubtful.";

    private final RunDay day;
    private final Occasion at;

    private BarePart(RunDay day) {
        this.day = day;
        at = new Occasion(day.day(), Stage.BARE);
    }

    static List<Step> looks(RunDay day) {
        return new BarePart(day).make();
    }

    private List<Step> make() {
        List<Step> steps = new ArrayList<>();
        boolean passed = day.mark(gateKey()).isPresent();
        List<Section> unproven = new ArrayList<>();
        List<Section> round = day.study().sections();
        for (int n = 1; !round.isEmpty(); n++) {
            List<Section> again = new ArrayList<>();
            List<Step> strips = new ArrayList<>();
            for (Section section : round) {
                boolean looked = day.mark(look(section, n)).isPresent() || n == 1 && lookedAt(section);
                if (!looked) {
                    unproven.add(section);
                    steps.add(Step.simple(
                            look(section, n),
                            Part.BARE,
                            Kind.LOOK,
                            n == 1 ? "Wet it. Does water lie flat?" : "Wet it again. Flat now?",
                            "Look along the panel, from low.",
                            LOOK_WHY,
                            List.of(section.code())));
                } else if (beads(section)) {
                    String key = "restrip/%s/%d".formatted(section.code(), n);
                    strips.add(Step.simple(
                            key,
                            Part.BARE,
                            Kind.TASK,
                            "Strip it again",
                            "Stripping wash or wipe, rinse, wipe down, dry. A fresh towel.",
                            LOOK_WHY,
                            List.of(section.code())));
                    if (day.mark(key).isPresent()) {
                        again.add(section);
                    } else {
                        unproven.add(section);
                    }
                }
            }
            steps.addAll(strips);
            round = again;
        }
        List<Step> wanted = passed
                ? steps.stream().filter(s -> day.mark(s.key()).isPresent()).toList()
                : steps;
        return Stream.concat(wanted.stream(), Stream.of(gate(unproven))).toList();
    }

    private static String look(Section section, int n) {
        return "look/%s/%d".formatted(section.code(), n);
    }

    private static String gateKey() {
        return "gate/bare";
    }

    private static Step gate(List<Section> unproven) {
        return Step.simple(
                gateKey(),
                Part.BARE,
                Kind.GATE,
                unproven.isEmpty() ? "Water lies flat everywhere" : "Not bare everywhere yet",
                unproven.isEmpty()
                        ? "Every section was looked at."
                        : "Still open: " + unproven.stream().map(Section::code).collect(Collectors.joining(", ")) + ".",
                "The bare readings are the zero of every later score.",
                unproven.stream().map(Section::code).toList());
    }

    /** Measures that tell whether a section is bare. */
    private static Stream<Measure> telling() {
        return Measures.all().stream().filter(m -> m.bareUpTo().isPresent());
    }

    private boolean lookedAt(Section section) {
        return telling().anyMatch(m -> day.study().mean(section, at, m).isPresent());
    }

    private boolean beads(Section section) {
        return telling()
                .anyMatch(m -> day.study()
                        .mean(section, at, m)
                        .filter(s -> s.mean() > m.bareUpTo().getAsDouble())
                        .isPresent());
    }
}
