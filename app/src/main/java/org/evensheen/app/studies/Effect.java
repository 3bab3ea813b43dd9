package org.evensheen.app.studies;

import java.util.Comparator;
import java.util.Optional;
import org.evensheen.app.page.Figures;
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

    /** One line under the field: what is left of the first slickness. */
    static String words(StudyRecord study, Section section, Occasion at, Measure measure) {
        Optional<Double> now = mean(study, section, at, measure);
        if (now.isEmpty() || study.contenderOn(section).isBare() || at.stage() == Stage.BARE) {
            return "";
        }
        Optional<Double> bareNow = bare(study, at, measure);
        if (bareNow.isEmpty()) {
            return "Read a bare section today, and this says how much is left.";
        }
        Optional<Occasion> first = study.firstRead(section, Stage.FRESH, measure);
        if (measure == Measure.PULL) {
            String eased =
                    "%s easier than bare today".formatted(Figures.percent(Slickness.benefit(now.get(), bareNow.get())));
            return first.filter(o -> o.compareTo(at) < 0)
                    .flatMap(o -> retention(study, section, o, bareNow.get(), now.get()))
                    .map(left -> "%s of its first slickness left; spent is 25 %%. %s."
                            .formatted(Figures.percent(left), eased))
                    .orElse(eased + ".");
        }
        return "";
    }

    private static Optional<Double> retention(
            StudyRecord study, Section section, Occasion fresh, double bareNow, double now) {
        Optional<Double> bareThen = bare(study, fresh, Measure.PULL);
        Optional<Double> first = mean(study, section, fresh, Measure.PULL);
        if (bareThen.isEmpty() || first.isEmpty() || bareThen.get().equals(first.get())) {
            return Optional.empty();
        }
        return Optional.of(Slickness.retention(bareThen.get(), first.get(), bareNow, now));
    }

    /** What a row of the Slate is set against: bare of the day, or its own fresh reading. */
    static String against(StudyRecord study, Section section, Occasion at, Measure measure) {
        boolean isBare = study.contenderOn(section).isBare();
        Optional<String> bare =
                isBare ? Optional.empty() : bare(study, at, measure).map(b -> "bare " + Figures.score(measure, b));
        if (measure == Measure.PULL || measure == Measure.LEFT_BEHIND) {
            return bare.orElse("");
        }
        return study.firstRead(section, Stage.FRESH, measure)
                .filter(o -> o.compareTo(at) < 0)
                .flatMap(o -> mean(study, section, o, measure))
                .map(fresh -> "was " + Figures.score(measure, fresh))
                .orElse(bare.orElse(""));
    }

    private static Optional<Double> mean(StudyRecord study, Section section, Occasion at, Measure measure) {
        return study.mean(section, at, measure).map(Spread::mean);
    }

    /** Mean of bare at an occasion, or at any other judged stage of the same day. */
    private static Optional<Double> bare(StudyRecord study, Occasion at, Measure measure) {
        return study.occasionsRead(measure).stream()
                .filter(o -> o.day() == at.day()
                        && (o.stage() == at.stage() || o.stage().judged()))
                .sorted(Comparator.comparing(o -> o.stage() != at.stage()))
                .map(o -> study.bareSections()
                        .flatMap(s -> mean(study, s, o, measure).stream())
                        .mapToDouble(Double::doubleValue)
                        .average())
                .filter(java.util.OptionalDouble::isPresent)
                .map(java.util.OptionalDouble::getAsDouble)
                .findFirst();
    }
}
