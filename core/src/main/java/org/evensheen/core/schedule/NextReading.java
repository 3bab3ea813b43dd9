package org.evensheen.core.schedule;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.StudyRecord;

/**
 * The reading to ask for next. One instrument is carried round all sections before the next is picked up: all repeats on
 * a section, then the next section, then the next measure.
 *
 * @param repeat 1 for the first
 * @param extra whether the plan asks for no more here and this would be one on top
 */
public record NextReading(Section section, Measure measure, int repeat, boolean extra) {

    /** The next repeat of one measure on one section. */
    public static NextReading on(StudyRecord study, Occasion at, Section section, Measure measure) {
        List<Integer> taken = study.readings(section, at, measure).stream()
                .map(Reading::repeat)
                .toList();
        int repeat = IntStream.iterate(1, n -> n + 1)
                .filter(n -> !taken.contains(n))
                .findFirst()
                .orElseThrow();
        return new NextReading(section, measure, repeat, repeat > study.plan().repeatsOf(measure));
    }

    /**
     * The next expected reading after work on one section with one measure.
     *
     * @param after the section just worked on; its missing repeats come first, then the sections after it, then those
     *     before it
     * @return empty when the plan asks for nothing more on this occasion
     */
    public static Optional<NextReading> after(
            StudyRecord study, Occasion at, Measure measure, Optional<Section> after) {
        List<Plan.Planned> measures = study.plan().measures();
        int first = IntStream.range(0, measures.size())
                .filter(i -> measures.get(i).measure() == measure)
                .findFirst()
                .orElse(0);
        int start = after.map(s -> study.sections().indexOf(s)).orElse(0);
        for (int m = 0; m < measures.size(); m++) {
            Measure asked = measures.get((first + m) % measures.size()).measure();
            int from = m == 0 ? start : 0;
            for (int s = 0; s < study.sections().size(); s++) {
                Section section =
                        study.sections().get((from + s) % study.sections().size());
                NextReading next = on(study, at, section, asked);
                if (!next.extra()) {
                    return Optional.of(next);
                }
            }
        }
        return Optional.empty();
    }
}
