package org.evensheen.app.readings;

import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Selection;
import org.evensheen.app.studies.Standing;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyScreen;
import org.evensheen.app.studies.TypedEntry;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Observation;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.SessileDrop;
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
                        selection.at().day(),
                        selection.at().stage(),
                        repeat,
                        typed.observation().get()))
                : study;
        Standing standing = fits ? screen.supposed(supposed, selection) : screen.standing(study, selection);
        model.addAttribute("standing", standing);
        model.addAttribute("hint", hint(supposed, selection, typed, fits, screen));
    }

    private static String hint(Study study, Selection selection, TypedEntry typed, boolean fits, StudyScreen screen) {
        if (!fits) {
            return screen.effect(study, selection);
        }
        String effect = screen.effect(study, selection);
        if (selection.measure() == Measure.DROP && typed.observation().get() instanceof Observation.DropShape drop) {
            boolean flattened = SessileDrop.flattened(drop.widthMm());
            return "%s × %s mm is a contact angle of %s%s."
                    .formatted(
                            Figures.typed(drop.heightMm()),
                            Figures.typed(drop.widthMm()),
                            Figures.number(drop.score(1), 1) + "°",
                            flattened
                                    ? ", gravity reckoned in for clean water; soap or residue makes it doubtful"
                                    : "");
        }
        if (selection.measure() == Measure.LEFT_BEHIND) {
            return "That is %s on this section."
                    .formatted(Figures.score(
                            Measure.LEFT_BEHIND,
                            typed.observation().get().score(selection.section().areaSquareMetres())));
        }
        return effect.isEmpty() ? "" : "Would make: " + effect;
    }
}
