package org.evensheen.core.runsheet;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.core.runsheet.Step.Asked;
import org.evensheen.core.runsheet.Step.Part;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/** The readings of a day: one instrument is carried round all sections before the next is picked up. */
final class Occasions {
    private final RunDay day;
    private final Map<Part, Integer> taken = new EnumMap<>(Part.class);
    private int asked;

    Occasions(RunDay day) {
        this.day = day;
    }

    /** Whether anything was read at a stage of the day. */
    boolean begun(Stage stage) {
        return day.study().readings().stream().anyMatch(r -> r.day() == day.day() && r.stage() == stage);
    }

    /** Readings that are wanting. */
    List<Step> readings(Stage stage, Part part) {
        StudyRecord study = day.study();
        Occasion at = new Occasion(day.day(), stage);
        List<Step> steps = new ArrayList<>();
        for (Plan.Planned planned : study.plan().measures()) {
            for (Section section : study.sections()) {
                List<Integer> there = study.readings(section, at, planned.measure()).stream()
                        .map(Reading::repeat)
                        .toList();
                for (int repeat = 1; repeat <= planned.repeats(); repeat++) {
                    asked++;
                    if (there.contains(repeat)) {
                        taken.merge(part, 1, Integer::sum);
                    } else {
                        steps.add(step(part, section, new Asked(stage, planned.measure(), repeat)));
                    }
                }
            }
        }
        return steps;
    }

    private static Step step(Part part, Section section, Asked asked) {
        return new Step(
                "read/%s/%s/%s/%d"
                        .formatted(asked.stage().code(), asked.measure().code(), section.code(), asked.repeat()),
                part,
                Step.Kind.READ,
                asked.measure().label(),
                asked.measure().words().how(),
                "",
                List.of(section.code()),
                Optional.empty(),
                Optional.of(asked),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** Readings that are in, by part of the day. */
    Map<Part, Integer> taken() {
        return Map.copyOf(taken);
    }

    int asked() {
        return asked;
    }
}
