package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.WaterGrade;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Studies;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;

class ObserversTest {
    private static final List<Section> PLACES = Studies.grid(3, 2);

    private static Reading grade(int place, int repeat, int grade, String who) {
        return new Reading(
                PLACES.get(place).code(), Studies.LATER, repeat, WaterGrade.seen(WaterKind.REPELS, grade), who);
    }

    /** Ana 4, 3, 2 and 0 against Ben 3, 3, 0 and 1, each one's repeats averaged first: +1, 0, +2, −1, a mean of 0.5. */
    @Test
    void twoPeopleAreSetAgainstEachOtherOnThePlacesThatBothRead() {
        List<Reading> readings = new ArrayList<>();
        int[] ana = {4, 3, 2, 0, 4};
        int[] ben = {3, 3, 0, 1};
        for (int i = 0; i < ana.length; i++) {
            readings.add(grade(i, 1, ana[i], "Ana"));
        }
        for (int i = 0; i < ben.length; i++) {
            readings.add(grade(i, 1, ben[i], "Ben"));
        }
        readings.add(grade(2, 2, 2, "Ana"));
        readings.add(grade(2, 2, 0, "Ben"));
        readings.add(grade(5, 1, 2, "Cid"));
        var study = Studies.study(2, PLACES, readings);

        assertThat(Observers.of(study, Measures.WATER_GRADE, Studies.LATER))
                .singleElement()
                .satisfies(o -> {
                    assertThat(o.one() + " " + o.other()).isEqualTo("Ana Ben");
                    assertThat(o.places())
                            .as("Ana alone read the fifth, Cid the sixth")
                            .isEqualTo(4);
                    assertThat(o.alike()).isEqualTo(1);
                    assertThat(o.difference()).isCloseTo(0.5, within(1e-12));
                    assertThat(o.deviation().orElseThrow()).isCloseTo(Math.sqrt(5.0 / 3), within(1e-12));
                });
        assertThat(Observers.of(study, Measures.WATER_GRADE, Studies.FRESH)).isEmpty();
    }

    @Test
    void whoReadAnInstrumentDoesNotMatter() {
        var study = Studies.study(2, PLACES, Studies.pulls(PLACES, Studies.LATER, s -> 9));
        assertThat(Observers.of(study, Measures.PULL, Studies.LATER)).isEmpty();
    }
}
