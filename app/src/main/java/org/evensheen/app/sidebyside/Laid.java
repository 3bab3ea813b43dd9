package org.evensheen.app.sidebyside;

import java.time.LocalDate;
import java.util.List;
import org.evensheen.app.beds.Bed;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.sidebyside.First;
import org.evensheen.core.study.Section;

/**
 * An afternoon as it was left: what lies where, and what was seen there first, for a study that goes on with it.
 *
 * @param bed a sketch of its places
 * @param places after the last round, contenders by number
 * @param names of the contenders, by number
 * @param day when it was begun
 */
public record Laid(Bed bed, List<Section> places, List<String> names, LocalDate day, List<First> first) {

    /** What can be looked at again on another day. */
    public List<Measure> lasting() {
        return measures().stream().filter(Measure::lasts).toList();
    }

    /** What was read. */
    public List<Measure> measures() {
        return first.stream().map(f -> f.seen().measure()).distinct().toList();
    }
}
