package org.evensheen.core.slickness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import org.evensheen.core.comparing.SectionEffect;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.junit.jupiter.api.Test;

class SlicknessTest {
    private final Sled sled = new Sled(2.5);

    @Test
    void frictionIsPullOverWeight() {
        assertThat(sled.friction(10.40)).isCloseTo(0.4242, within(5e-5));
    }

    @Test
    void pullsBothWaysGiveFrictionAndTiltOfASlopingPanel() {
        Sled.Tilted tilted = sled.frictionBothWays(11.076, 8.510);
        assertThat(tilted.friction()).isCloseTo(0.400, within(5e-4));
        assertThat(tilted.degrees()).isCloseTo(3.0, within(0.05));
    }

    @Test
    void aTiltingBoardGivesTheTangent() {
        assertThat(Sled.frictionOfTiltingBoard(45)).isCloseTo(1, within(1e-12));
        assertThatIllegalArgumentException().isThrownBy(() -> Sled.frictionOfTiltingBoard(90));
    }

    @Test
    void retentionIsTheShareOfTheFirstBenefitThatIsLeft() {
        assertThat(Slickness.retention(18.2, 8.6, 18.2, 12.9)).isCloseTo(0.552, within(5e-4));
        assertThat(Slickness.benefit(9.1, 18.2)).isEqualTo(0.5);
    }

    @Test
    void retentionDoesNotMindAWarmDayThatScalesEverything() {
        double warm = 0.93;
        assertThat(Slickness.retention(18.2, 8.6, warm * 18.2, warm * 12.9))
                .isCloseTo(Slickness.retention(18.2, 8.6, 18.2, 12.9), within(1e-12));
    }

    @Test
    void aProductWithoutAnEffectHasNothingToKeep() {
        assertThatIllegalArgumentException().isThrownBy(() -> Slickness.retention(18, 18, 18, 17));
        assertThatIllegalArgumentException().isThrownBy(() -> new Sled(0));
        assertThatIllegalArgumentException().isThrownBy(() -> sled.frictionBothWays(60, 0));
    }

    @Test
    void aSectionIsSetAgainstBareOfEachDayAndSaysNothingWithoutIt() {
        List<Section> sections = Studies.grid(2, 1);
        List<Reading> fresh = Studies.pulls(sections, Studies.FRESH, s -> s.contender() == 1 ? 18.2 : 8.6);
        List<Reading> warm = Studies.pulls(sections, Studies.LATER, s -> 0.93 * (s.contender() == 1 ? 18.2 : 12.9));
        StudyRecord study = Studies.study(
                1, sections, Stream.concat(fresh.stream(), warm.stream()).toList());
        SectionEffect slickness = SectionEffect.of(study, sections.get(0), Studies.LATER, Measures.PULL)
                .orElseThrow();
        assertThat(slickness.retention().orElseThrow()).isCloseTo(0.552, within(5e-4));
        assertThat(slickness.benefit()).isCloseTo(1 - 12.9 / 18.2, within(1e-12));
        assertThat(SectionEffect.of(study, sections.get(0), Studies.FRESH, Measures.PULL)
                        .orElseThrow()
                        .retention())
                .as("on its first day there is nothing to retain")
                .isEmpty();
        assertThat(SectionEffect.of(study, sections.get(1), Studies.LATER, Measures.PULL))
                .as("bare")
                .isEmpty();
        StudyRecord without = Studies.study(1, sections, List.of(warm.get(0)));
        assertThat(SectionEffect.of(without, sections.get(0), Studies.LATER, Measures.PULL))
                .isEmpty();
    }
}
