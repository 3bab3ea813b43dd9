package org.evensheen.core.slickness;

import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/**
 * What the pulls on one section say, while they are being taken: no interval, as one section has none.
 *
 * @param benefit share by which it is easier than bare that day
 * @param retention share of its first benefit that is left; empty on its first day or without bare on that day
 */
public record SectionSlickness(double benefit, Optional<Double> retention) {

    /** Empty on bare sections, before anything is applied, and until bare was read that day. */
    public static Optional<SectionSlickness> of(StudyRecord study, Section section, Occasion at) {
        Optional<Double> now = mean(study, section, at);
        OptionalDouble bareNow = bareOn(study, at, Measure.PULL);
        if (now.isEmpty()
                || bareNow.isEmpty()
                || at.stage() == Stage.BARE
                || study.contenderOn(section).isBare()) {
            return Optional.empty();
        }
        return Optional.of(new SectionSlickness(
                Slickness.benefit(now.get(), bareNow.getAsDouble()),
                study.firstRead(section, Stage.FRESH, Measure.PULL)
                        .filter(first -> first.compareTo(at) < 0)
                        .flatMap(first -> retention(study, section, first, bareNow.getAsDouble(), now.get()))));
    }

    private static Optional<Double> retention(
            StudyRecord study, Section section, Occasion first, double bareNow, double now) {
        OptionalDouble bareThen = bareOn(study, first, Measure.PULL);
        double fresh = mean(study, section, first).orElseThrow();
        return bareThen.isEmpty() || bareThen.getAsDouble() == fresh
                ? Optional.empty()
                : Optional.of(Slickness.retention(bareThen.getAsDouble(), fresh, bareNow, now));
    }

    private static Optional<Double> mean(StudyRecord study, Section section, Occasion at) {
        return study.mean(section, at, Measure.PULL).map(Spread::mean);
    }

    /** Mean of the bare sections on a day: at the same stage, or else at a judged one. */
    public static OptionalDouble bareOn(StudyRecord study, Occasion at, Measure measure) {
        return study.occasionsRead(measure).stream()
                .filter(o -> o.day() == at.day()
                        && (o.stage() == at.stage() || o.stage().judged()))
                .sorted(Comparator.comparing(o -> o.stage() != at.stage()))
                .map(o -> study.bareSections()
                        .flatMap(s -> study.mean(s, o, measure).stream())
                        .mapToDouble(Spread::mean)
                        .average())
                .filter(OptionalDouble::isPresent)
                .findFirst()
                .orElse(OptionalDouble.empty());
    }
}
