package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.comparing.Absent;
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.comparing.SectionEffect;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.FootingReview;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Happening.Kind;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.Wetting;
import org.evensheen.core.wear.Curves.Oddity;
import org.junit.jupiter.api.Test;

/** Only looks that were wetted in the same way are set against each other. */
class WettedAlikeTest {
    private final List<Section> grid = Studies.grid(2, 1);
    private final List<Happening> happened = new ArrayList<>(List.of(new Happening(0, Kind.APPLIED)));
    private final List<Reading> readings = new ArrayList<>();

    private void pull(String section, int day, Stage stage, double newtons) {
        readings.add(new Reading(section, day, stage, 1, Measures.PULL.of(newtons)));
    }

    private StudyRecord study() {
        return new StudyRecord(7, Studies.contenders(1), grid, Studies.plan(1), happened, readings);
    }

    private Curve only() {
        return Curves.of(study(), Measures.PULL, Axis.WEEKS, 4000).curves().get(0);
    }

    /** Water that is left is set against the first readings only where the bed was wetted in the same way; pulls don't care. */
    @Test
    void looksWettedInDifferentWaysAreNeverSetAgainstEachOther() {
        for (int day : List.of(1, 28, 56)) {
            Stage stage = day == 1 ? Stage.FRESH : Stage.REWETTED;
            water("A1", day, stage, 2);
            water("B1", day, stage, 9);
            pull("A1", day, stage, 8);
            pull("B1", day, stage, 18);
        }
        assertThat(left().curves().get(0).points()).as("nothing says how").hasSize(2);
        happened.add(new Happening(1, Kind.WETTED, "mist, from a hand's width"));
        assertThat(left().curves().get(0).points())
                .as("as before, until something else is said")
                .hasSize(2);
        happened.add(new Happening(56, Kind.WETTED, "Open stream"));
        Curves curves = left();
        assertThat(curves.curves().get(0).points())
                .extracting(p -> p.at().day())
                .containsExactly(28);
        assertThat(curves.found()).containsExactly(Oddity.WETTED_OTHERWISE);
        assertThat(only().points()).as("pulls").hasSize(2);
        assertThat(Showed.on(study(), Measures.LEFT_BEHIND, 28)).hasSize(1);
        assertThat(Showed.on(study(), Measures.LEFT_BEHIND, 56)).isEmpty();
        assertThat(Showed.on(study(), Measures.PULL, 56)).hasSize(1);
        assertThat(MethodChange.between(study(), Measures.LEFT_BEHIND, 56))
                .containsExactly(new MethodChange(MethodChange.Kind.WETTING, "a fine mist", "an open stream"));
        assertThat(MethodChange.between(study(), Measures.LEFT_BEHIND, 28)).isEmpty();
        Occasion last = new Occasion(56, Stage.REWETTED);
        Section a = grid.get(0);
        assertThat(SectionEffect.of(study(), a, last, Measures.LEFT_BEHIND)
                        .orElseThrow()
                        .retention())
                .isEmpty();
        assertThat(SectionEffect.of(study(), a, last, Measures.PULL)
                        .orElseThrow()
                        .retention())
                .isPresent();
        assertThat(retention(Measures.LEFT_BEHIND, 56)).isEqualTo(Optional.of(Absent.WETTED_OTHERWISE));
        assertThat(retention(Measures.PULL, 56)).isNotEqualTo(Optional.of(Absent.WETTED_OTHERWISE));
        assertThat(FootingReview.of(study(), Measures.LEFT_BEHIND, 56))
                .extracting(f -> f.kind(), f -> f.numbers())
                .contains(tuple(
                        Finding.Kind.WETTED_OTHERWISE, "Day 1 was wetted by a fine mist, day 56 by an open stream."));
        assertThat(FootingReview.of(study(), Measures.LEFT_BEHIND, 28))
                .extracting(Finding::kind)
                .doesNotContain(Finding.Kind.WETTED_OTHERWISE);
        assertThat(new Happening(3, Kind.WETTED, "by hand").wetting()).isEmpty();
        assertThat(new Happening(3, Kind.WASHED, "mist").wetting()).isEmpty();
        assertThat(Wetting.noted(" low pressure, rose")).contains(Wetting.LOW_PRESSURE);
    }

    /** Why nothing is said to be left of the first of two products. */
    private Optional<Absent> retention(Measure measure, int day) {
        List<Reading> two = new ArrayList<>();
        for (int at : List.of(1, day)) {
            Stage stage = at == 1 ? Stage.FRESH : Stage.REWETTED;
            for (String section : List.of("A1", "B1", "C1")) {
                two.add(new Reading(section, at, stage, 1, measure.of(section.equals("C1") ? 18 : 6 + at / 20.0)));
            }
        }
        StudyRecord study =
                new StudyRecord(7, Studies.contenders(2), Studies.grid(3, 1), Studies.plan(1), happened, two);
        return Judge.verdict(study, measure, day, Optional.empty())
                .orElseThrow()
                .results()
                .get(0)
                .retention()
                .absent();
    }

    private void water(String section, int day, Stage stage, double grams) {
        readings.add(new Reading(section, day, stage, 1, Measures.LEFT_BEHIND.of(grams)));
    }

    private Curves left() {
        return Curves.of(study(), Measures.LEFT_BEHIND, Axis.WEEKS, 4000);
    }
}
