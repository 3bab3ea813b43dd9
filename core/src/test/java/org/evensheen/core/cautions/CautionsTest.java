package org.evensheen.core.cautions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.evensheen.core.units.Span;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class CautionsTest {

    @ParameterizedTest
    @EnumSource(Hazard.class)
    void everyHazardSaysWhatToWearAndWhatNeverToDo(Hazard hazard) {
        assertThat(hazard.what()).endsWith(".");
        assertThat(hazard.wear()).isNotBlank();
        assertThat(hazard.never()).contains("Never");
        assertThat(Hazard.named(hazard.word().toUpperCase(java.util.Locale.ROOT)))
                .contains(hazard);
    }

    @Test
    void whatMustNotMeetIsToldWhicheverComesFirst() {
        Set<Hazard> wheel = Set.of(Hazard.ACID, Hazard.NOT_FOR_PAINT);
        Set<Hazard> iron = Set.of(Hazard.IRON_REMOVER);
        assertThat(Meeting.between(wheel, iron))
                .singleElement()
                .extracting(Meeting::danger)
                .asString()
                .contains("poisonous");
        assertThat(Meeting.between(iron, wheel)).isEqualTo(Meeting.between(wheel, iron));
        assertThat(Meeting.between(iron, Set.of(Hazard.SLIPPERY))).isEmpty();
        assertThat(Meeting.between(wheel, wheel)).as("a product meets itself").isEmpty();
        assertThat(Meeting.ALL).as("no pair twice").doesNotHaveDuplicates();
        assertThat(Meeting.between(List.of(Hazard.values()), List.of(Hazard.values())))
                .isEqualTo(Meeting.ALL);
    }

    @ParameterizedTest
    @CsvSource({"7.5, 0, false", "6, 0.5, false", "5, 1.5, true", "9.5, 2, true"})
    void aStripIsSetAgainstTheLabel(double read, double beyond, boolean far) {
        Span label = new Span(6.5, 7.5);
        assertThat(Acidity.beyond(read, label)).isEqualTo(beyond);
        assertThat(Acidity.far(read, label)).isEqualTo(far);
    }

    @Test
    void aStripMakesAHazardThatTheLabelForgot() {
        assertThat(Acidity.hazard(3)).contains(Hazard.ACID);
        assertThat(Acidity.hazard(7)).isEmpty();
        assertThat(Acidity.hazard(12)).contains(Hazard.ALKALINE);
    }
}
