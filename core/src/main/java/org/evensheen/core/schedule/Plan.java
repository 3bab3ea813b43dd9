package org.evensheen.core.schedule;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;

/**
 * What is to be read, how often, and when.
 *
 * @param measures in the order in which they are carried round the sections
 * @param visits planned occasions, in order
 * @param course which stages a day has, and which of them count
 */
public record Plan(List<Planned> measures, List<Occasion> visits, Course course) {
    public Plan {
        measures = List.copyOf(measures);
        visits = visits.stream().sorted().toList();
    }

    /** A plan of visits over weeks. */
    public Plan(List<Planned> measures, List<Occasion> visits) {
        this(measures, visits, Course.VISITS);
    }

    /** A measure with the repeats asked of every section, 1 to 20. */
    public record Planned(Measure measure, int repeats) {
        public Planned {
            if (repeats < 1 || repeats > 20) {
                throw new IllegalArgumentException("repeats run from 1 to 20, not " + repeats);
            }
        }
    }

    public boolean asksFor(Measure measure) {
        return measures.stream().anyMatch(p -> p.measure() == measure);
    }

    public int repeatsOf(Measure measure) {
        return measures.stream()
                .filter(p -> p.measure() == measure)
                .mapToInt(Planned::repeats)
                .findFirst()
                .orElse(1);
    }

    /** The measure that a verdict is asked of first: of those planned that can be compared, the last to be carried round. */
    public Optional<Measure> main() {
        return Stream.concat(
                        measures.stream()
                                .map(Planned::measure)
                                .filter(m -> !Measures.all().contains(m)),
                        Measures.all().stream())
                .filter(m -> m.comparable() && asksFor(m))
                .reduce((first, last) -> last);
    }

    public Optional<Occasion> visitOn(int day) {
        return visits.stream().filter(v -> v.day() == day).reduce((first, later) -> later);
    }

    /** The last planned day; 0 without visits. */
    public int lastDay() {
        return visits.isEmpty() ? 0 : visits.get(visits.size() - 1).day();
    }

    /**
     * The stage that a reading on a day most likely belongs to: the planned one; else bare before the first planned fresh
     * visit, and wetted again after it. In another course it is the last that counts.
     */
    public Stage stageOn(int day) {
        return visitOn(day)
                .map(Occasion::stage)
                .orElseGet(() -> course != Course.VISITS
                        ? course.last()
                        : visits.stream().anyMatch(v -> v.stage() == Stage.FRESH && v.day() > day)
                                ? Stage.BARE
                                : Stage.REWETTED);
    }
}
