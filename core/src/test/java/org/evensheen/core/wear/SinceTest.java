package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Happening.Kind;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.junit.jupiter.api.Test;

/** Follow-ups: one visit against the one before. */
class SinceTest {
    /** A later visit is set against the one before, however long ago, bare of each day taken out; what the day does to all sections is no change. */
    @Test
    void whatChangedSinceTheVisitBeforeStandsSectionBySection() {
        List<Section> grid = Studies.grid(3, 2);
        List<Reading> readings = new ArrayList<>();
        for (Section s : grid) {
            boolean bare = s.contender() == 2;
            double[] left = s.contender() == 0 ? new double[] {1, 0.8, 0.3} : new double[] {1, 0.9, 0.85};
            int[] days = {1, 14, 400};
            double[] dry = {18, 20, 12};
            for (int i = 0; i < days.length; i++) {
                double share = 0.5 * left[i] + (s.row() == 1 || i < 2 ? 0 : 0.02);
                readings.add(new Reading(
                        s.code(),
                        days[i],
                        i == 0 ? Stage.FRESH : Stage.REWETTED,
                        1,
                        Measures.PULL.of(dry[i] * (bare ? 1 : 1 - share))));
            }
        }
        StudyRecord study = new StudyRecord(
                7, Studies.contenders(2), grid, Studies.plan(1), List.of(new Happening(0, Kind.APPLIED)), readings);
        Curves curves = Curves.of(study, Measures.PULL, Axis.WEEKS, 500);
        Since since = Since.of(curves, 500).orElseThrow();
        assertThat(since.then()).hasValue(14);
        assertThat(since.now()).isEqualTo(400);
        assertThat(since.lines()).hasSize(4);
        for (Since.Line line : since.lines()) {
            double lost = line.contender() == 0 ? -0.25 : -0.025;
            assertThat(line.change()).isCloseTo(lost + (line.row() == 1 ? 0 : 0.02), within(1e-9));
        }
        assertThat(since.compared().orElseThrow().lines())
                .filteredOn(l -> l.contender() == 0)
                .allSatisfy(l -> assertThat(l.mean().value()).isCloseTo(-0.24, within(1e-9)));
        Since first = Since.of(curves, 20).orElseThrow();
        assertThat(first.then()).as("against the first readings").isEmpty();
        assertThat(first.lines())
                .allSatisfy(l -> assertThat(l.change()).isCloseTo(l.contender() == 0 ? -0.1 : -0.05, within(1e-9)));
        assertThat(Since.of(curves, 10)).as("nothing was read twice yet").isEmpty();
    }
}
