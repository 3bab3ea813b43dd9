package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/**
 * What was done otherwise at a later visit than at the first readings, so that a difference between them may come of that.
 *
 * @param first what it was at the first readings
 * @param later what it was at the visit
 */
public record MethodChange(Kind kind, String first, String later) {

    /** What was otherwise. */
    public enum Kind {
        /** Somebody else read. */
        OBSERVERS,
        /** More or fewer repeats on a section. */
        REPEATS,
        /** Sections that were read first were not read again. */
        SECTIONS,
        /** The bed was wetted in another way, so that the two are not set against each other. */
        WETTING
    }

    /** All that differs between the first readings and the visit of a day; nothing where one of them has no reading. */
    public static List<MethodChange> between(StudyRecord study, Measure measure, int day) {
        List<Reading> first = at(
                study,
                measure,
                study.readings().stream()
                        .filter(r -> r.at().stage() == Stage.FRESH
                                && r.seen().measure().readAs().equals(measure.readAs()))
                        .mapToInt(r -> r.at().day())
                        .min()
                        .orElse(-1),
                Stage.FRESH);
        List<Reading> later = at(study, measure, day, Stage.REWETTED);
        List<MethodChange> changes = new ArrayList<>();
        if (first.isEmpty() || later.isEmpty()) {
            return changes;
        }
        differ(changes, Kind.OBSERVERS, observers(first), observers(later));
        differ(changes, Kind.REPEATS, repeats(first), repeats(later));
        Set<String> missed = new TreeSet<>(sections(first));
        missed.removeAll(sections(later));
        if (!missed.isEmpty()) {
            changes.add(new MethodChange(Kind.SECTIONS, String.join(", ", sections(first)), String.join(", ", missed)));
        }
        int fresh = first.get(0).at().day();
        if (!study.wettedAlike(measure, fresh, day)) {
            changes.add(new MethodChange(
                    Kind.WETTING,
                    study.wettedOn(fresh).orElseThrow().label(),
                    study.wettedOn(day).orElseThrow().label()));
        }
        return changes;
    }

    private static void differ(List<MethodChange> changes, Kind kind, String first, String later) {
        if (!first.equals(later) && !first.isEmpty() && !later.isEmpty()) {
            changes.add(new MethodChange(kind, first, later));
        }
    }

    private static List<Reading> at(StudyRecord study, Measure measure, int day, Stage stage) {
        return study.readings().stream()
                .filter(r -> r.at().day() == day
                        && r.at().stage() == stage
                        && r.seen().measure().readAs().equals(measure.readAs()))
                .toList();
    }

    private static String observers(List<Reading> readings) {
        return readings.stream()
                .map(Reading::observer)
                .filter(o -> !o.isEmpty())
                .distinct()
                .sorted()
                .collect(Collectors.joining(", "));
    }

    /** The usual number on a section. */
    private static String repeats(List<Reading> readings) {
        return String.valueOf(
                Math.round((double) readings.size() / sections(readings).size()));
    }

    private static Set<String> sections(List<Reading> readings) {
        return readings.stream().map(Reading::section).collect(Collectors.toCollection(TreeSet::new));
    }
}
