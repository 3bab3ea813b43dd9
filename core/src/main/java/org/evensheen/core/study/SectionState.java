package org.evensheen.core.study;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.measure.Measure;

/**
 * What a section is like on a day: read that day, or estimated from the readings around it.
 *
 * @param value in the measure's score unit
 * @param read whether it was read on that very day; otherwise it is an estimate, drawn lighter
 * @param from the occasion of the reading, or of the last reading before the day
 */
public record SectionState(double value, boolean read, Occasion from) {

    /**
     * The state of a section on a day. Between two readings it is estimated along a straight line; after the last one it
     * is the last one.
     *
     * @return empty before the first reading of the measure on this section
     */
    public static Optional<SectionState> on(StudyRecord study, Section section, Measure measure, int day) {
        List<Occasion> read = study.occasionsRead(section, measure);
        Optional<Occasion> last = read.stream().filter(o -> o.day() <= day).max(Comparator.naturalOrder());
        return last.map(before -> {
            double value = study.mean(section, before, measure).orElseThrow().mean();
            if (before.day() == day) {
                return new SectionState(value, true, before);
            }
            return read.stream()
                    .filter(o -> o.day() > day)
                    .findFirst()
                    .filter(after -> !before.stage().untouched())
                    .map(after -> {
                        double later = study.mean(section, after, measure)
                                .orElseThrow()
                                .mean();
                        double share = (day - before.day()) / (double) (after.day() - before.day());
                        return new SectionState(value + share * (later - value), false, before);
                    })
                    .orElse(new SectionState(value, false, before));
        });
    }
}
