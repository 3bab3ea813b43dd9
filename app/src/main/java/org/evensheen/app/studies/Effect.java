package org.evensheen.app.studies;

import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.core.comparing.SectionEffect;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.slickness.Slickness;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/** What a section's reading says against bare of its day and against its own first reading, in words. */
final class Effect {
    private Effect() {}

    /** One line under the field: what it takes off bare, and what is left of its first effect. */
    static String words(StudyRecord study, Section section, Occasion at, Measure measure) {
        if (!measure.benefitIsShare()
                || at.stage().untouched()
                || study.contenderOn(section).isControl()
                || study.mean(section, at, measure).isEmpty()) {
            return "";
        }
        Optional<SectionEffect> effect = SectionEffect.of(study, section, at, measure);
        if (effect.isEmpty()) {
            return "Read a bare section the same day, and this says how much is left.";
        }
        String gained = "%s %s."
                .formatted(
                        Figures.percent(effect.get().benefit()), measure.words().gained());
        return effect.get()
                .retention()
                .map(left -> "%s of its first %s left; spent is %s. %s"
                        .formatted(
                                Figures.percent(left), measure.words().at(), Figures.percent(Slickness.SPENT), gained))
                .orElse(gained);
    }

    /** What a row of the Slate is set against: bare of the day, or its own fresh reading. */
    static String against(StudyRecord study, Section section, Occasion at, Measure measure) {
        String bare = study.contenderOn(section).isControl()
                ? ""
                : SectionEffect.bareOn(study, at, measure).stream()
                        .mapToObj(b -> "bare " + Figures.score(measure, b))
                        .findFirst()
                        .orElse("");
        if (measure.benefitIsShare()) {
            return bare;
        }
        return study.firstRead(section, Stage.FRESH, measure)
                .filter(o -> o.compareTo(at) < 0)
                .flatMap(o -> study.mean(section, o, measure).map(Spread::mean))
                .map(fresh -> "was " + Figures.score(measure, fresh))
                .orElse(bare);
    }
}
