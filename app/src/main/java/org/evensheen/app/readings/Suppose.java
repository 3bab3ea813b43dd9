package org.evensheen.app.readings;

import java.util.OptionalDouble;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Selection;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyScreen;
import org.evensheen.app.studies.TypedEntry;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.StudyRecord;
import org.springframework.ui.Model;

/** What a reading would do, while it is still being typed. */
final class Suppose {
    private Suppose() {}

    static void fill(Study study, Selection selection, int repeat, TypedEntry typed, StudyScreen screen, Model model) {
        StudyRecord record = study.record();
        boolean fits = typed.observation().isPresent()
                && record.readings(selection.section(), selection.at(), selection.measure()).stream()
                        .noneMatch(r -> r.repeat() == repeat);
        Study supposed = fits
                ? study.with(new Reading(
                        selection.section().code(),
                        selection.at(),
                        repeat,
                        typed.observation().get()))
                : study;
        String standing = fits ? screen.supposed(supposed, selection) : screen.standing(study, selection);
        model.addAttribute("standing", standing);
        model.addAttribute("hint", hint(supposed, selection, typed, fits, screen));
    }

    private static String told(Observation seen) {
        return Figures.seen(seen);
    }

    private static String hint(Study study, Selection selection, TypedEntry typed, boolean fits, StudyScreen screen) {
        if (!fits) {
            return screen.effect(study, selection);
        }
        String effect = screen.effect(study, selection);
        Observation seen = typed.observation().get();
        OptionalDouble score = seen.score(selection.section().areaSquareMetres());
        if (seen.measure().scoreIsNews()) {
            return score.isPresent()
                    ? "%s: %s %s%s."
                            .formatted(
                                    seen.told(),
                                    seen.measure().words().score(),
                                    Figures.difference(seen.measure(), score.getAsDouble()),
                                    seen.measure().doubt(seen))
                    : "%s: more stands at the last mark than is reckoned with; go on until half is gone if you can."
                            .formatted(seen.told());
        }
        String converted = typed.inAnotherUnit() ? "That is %s. ".formatted(told(seen)) : "";
        return converted + (effect.isEmpty() ? "" : "Would make: " + effect);
    }
}
