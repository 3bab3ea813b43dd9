package org.evensheen.app.runsheet;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.app.readings.ReadingStore;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.Part;
import org.evensheen.core.measure.WaterGrade;
import org.evensheen.core.runsheet.RunSheet;
import org.evensheen.core.runsheet.Step;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.water.WaterKind;
import org.springframework.stereotype.Component;

/** Grades by eye at the stages of a visit: as many sections as somebody cares to grade, kept with the step that shows them. */
@Component
class StageGrades {
    private static final String FIELD = "grade-";

    private final ReadingStore readings;

    StageGrades(ReadingStore readings) {
        this.readings = readings;
    }

    /** Codes of sections that may be graded at a step; none where the study does not grade. */
    static List<String> open(Run run, Step step) {
        Optional<Stage> stage =
                RunSheet.shows(step).filter(s -> run.study().record().plan().repeatsOf(Measures.WATER_GRADE) > 0);
        return stage.stream()
                .flatMap(s -> run.study().record().sections().stream()
                        .filter(section -> run.study()
                                .record()
                                .mean(section, new Occasion(run.day(), s), Measures.WATER_GRADE)
                                .isEmpty()))
                .map(Section::code)
                .toList();
    }

    /** Keeps what was graded; what to say of it. */
    String keep(Run run, RunKeeper.Sent sent, Step step) {
        Optional<Stage> stage = RunSheet.shows(step);
        List<String> kept = new ArrayList<>();
        List<String> taken = new ArrayList<>();
        for (Section section : run.study().record().sections()) {
            String grade = sent.in(FIELD + section.code());
            if (stage.isEmpty() || !grade.matches("[0-4]")) {
                continue;
            }
            Observation seen = WaterGrade.seen(kind(run, section), Integer.parseInt(grade));
            ReadingStore.Outcome outcome = readings.keep(
                    run.study().id(),
                    new Reading(section.code(), run.day(), stage.get(), 1, seen),
                    RunKeeper.derived(sent.key(), FIELD + section.code()),
                    sent.hands());
            (outcome == ReadingStore.Outcome.DONE ? kept : taken).add(section.code());
        }
        String graded = kept.isEmpty()
                ? "Done."
                : "Done, with %s graded %s."
                        .formatted(
                                Figures.count(kept.size(), "section", "sections"),
                                stage.orElseThrow().label());
        return taken.isEmpty()
                ? graded
                : graded + " " + String.join(", ", taken) + " had been graded already; that stands.";
    }

    /** What was chosen for a measure on a section before, or else the first of its options, so that it comes chosen. */
    static Map<String, String> before(Run run, Step step) {
        Map<String, String> chosen = new HashMap<>();
        step.reading().ifPresent(asked -> {
            asked.measure().parts().forEach(part -> {
                if (part instanceof Part.Choice choice) {
                    chosen.put(choice.name(), choice.options().get(0).code());
                }
            });
            run.study().record().readings().stream()
                    .filter(r -> step.sections().contains(r.section())
                            && r.measure().equals(asked.measure())
                            && !r.stage().untouched())
                    .forEach(r -> chosen.putAll(r.seen().typed()));
        });
        return chosen;
    }

    /** What the water does on a section, as it was said when it was graded first; before that as its product is known for. */
    private static WaterKind kind(Run run, Section section) {
        return run.study().record().readings().stream()
                .filter(r -> r.section().equals(section.code()) && !r.stage().untouched())
                .flatMap(r -> WaterGrade.kind(r.seen()).stream())
                .findFirst()
                .orElseGet(
                        () -> run.study().record().contenderOn(section).water().orElse(WaterKind.REPELS));
    }
}
