package org.evensheen.core.comparing;

import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/**
 * What the readings on one section say, while they are being taken: no interval, as one section has none.
 *
 * @param benefit share of bare that day that it takes off
 * @param retention share of its first benefit that is left; empty on its first day, without bare on that day, or without a first benefit
 */
public record SectionEffect(double benefit, Optional<Double> retention) {

    /** Empty on bare sections, before anything is applied, until bare was read that day, and for measures whose benefit is no share. */
    public static Optional<SectionEffect> of(StudyRecord study, Section section, Occasion at, Measure measure) {
        Optional<Double> now = mean(study, section, at, measure);
        OptionalDouble bareNow = bareOn(study, at, measure);
        if (!measure.benefitIsShare()
                || now.isEmpty()
                || !(bareNow.orElse(0) > 0)
                || at.stage().untouched()
                || study.contenderOn(section).isControl()) {
            return Optional.empty();
        }
        double benefit = 1 - now.get() / bareNow.getAsDouble();
        return Optional.of(new SectionEffect(
                benefit,
                study.firstRead(section, Stage.FRESH, measure)
                        .filter(first -> first.compareTo(at) < 0)
                        .filter(first -> study.wettedAlike(measure, first.day(), at.day()))
                        .flatMap(first -> first(study, section, first, measure))
                        .map(first -> benefit / first)));
    }

    /** The first benefit, if there was one. */
    private static Optional<Double> first(StudyRecord study, Section section, Occasion at, Measure measure) {
        double bare = bareOn(study, at, measure).orElse(0);
        return mean(study, section, at, measure).filter(fresh -> bare > fresh).map(fresh -> 1 - fresh / bare);
    }

    private static Optional<Double> mean(StudyRecord study, Section section, Occasion at, Measure measure) {
        return study.mean(section, at, measure).map(Spread::mean);
    }

    /** Mean of the bare sections on a day: at the same stage, or else at a judged one. */
    public static OptionalDouble bareOn(StudyRecord study, Occasion at, Measure measure) {
        return study.occasionsRead(measure).stream()
                .filter(o -> o.day() == at.day() && (o.look().equals(at.look()) || study.counts(o)))
                .sorted(Comparator.comparing(o -> !o.look().equals(at.look())))
                .map(o -> study.bareSections()
                        .flatMap(s -> study.mean(s, o, measure).stream())
                        .mapToDouble(Spread::mean)
                        .average())
                .filter(OptionalDouble::isPresent)
                .findFirst()
                .orElse(OptionalDouble.empty());
    }
}
