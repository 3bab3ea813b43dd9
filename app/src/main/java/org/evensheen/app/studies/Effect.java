package org.evensheen.app.studies;

import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.core.slickness.SectionSlickness;
import org.evensheen.core.slickness.Slickness;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/** What a section's reading says against bare of its day and against its own first reading, in words. */
final class Effect {
    private Effect() {}

    /** One line under the field: how much easier than bare, and what is left of the first slickness. */
    static String words(StudyRecord study, Section section, Occasion at, Measure measure) {
        if (measure != Measure.PULL
                || at.stage() == Stage.BARE
                || study.contenderOn(section).isBare()
                || study.mean(section, at, measure).isEmpty()) {
            return "";
        }
        Optional<SectionSlickness> slickness = SectionSlickness.of(study, section, at);
        if (slickness.isEmpty()) {
            return "Read a bare section the same day, and this says how much is left.";
        }
        String eased = "%s easier than bare that day."
                .formatted(Figures.percent(slickness.get().benefit()));
        return slickness
                .get()
                .retention()
                .map(left -> "%s of its first slickness left; spent is %s. %s"
                        .formatted(Figures.percent(left), Figures.percent(Slickness.SPENT), eased))
                .orElse(eased);
    }

    /** What a row of the Slate is set against: bare of the day, or its own fresh reading. */
    static String against(StudyRecord study, Section section, Occasion at, Measure measure) {
        String bare = study.contenderOn(section).isBare()
                ? ""
                : SectionSlickness.bareOn(study, at, measure).stream()
                        .mapToObj(b -> "bare " + Figures.score(measure, b))
                        .findFirst()
                        .orElse("");
        if (measure == Measure.PULL || measure == Measure.LEFT_BEHIND) {
            return bare;
        }
        return study.firstRead(section, Stage.FRESH, measure)
                .filter(o -> o.compareTo(at) < 0)
                .flatMap(o -> study.mean(section, o, measure).map(Spread::mean))
                .map(fresh -> "was " + Figures.score(measure, fresh))
                .orElse(bare);
    }
}
