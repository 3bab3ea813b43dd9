package org.evensheen.core.mixing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.units.Span;
import org.junit.jupiter.api.Test;

class SectionDoseTest {
    private static final List<Calibration> SPRAY = List.of(new Calibration(Counter.SPRAY, 1.2));

    private static SectionDose of(String label, double squareMetres, Optional<Double> labelled) {
        return SectionDose.of(LabelLine.readDose(label).dose().orElseThrow(), squareMetres, labelled)
                .orElseThrow();
    }

    @Test
    void scalesALabelsSectionToThisOne() {
        SectionDose dose = of("3–5 sprays per section", 0.18, Optional.of(0.36));

        assertThat(dose.amount()).isEqualTo(new Span(1.5, 2.5));
        assertThat(dose.aim()).as("whole sprays").isEqualTo(2);
        assertThat(dose.ml(SPRAY).orElseThrow().high()).isCloseTo(3.0, within(1e-9));
        assertThat(dose.asLabelled(2).orElseThrow().print()).isEqualTo("4 sprays per section");
    }

    @Test
    void takesASectionForASectionWithoutASizeAndAPanelForASquareMetre() {
        assertThat(of("4 sprays per section", 0.18, Optional.empty()).aim()).isEqualTo(4);
        SectionDose paste = of("3–5 mL per panel", 0.25, Optional.empty());
        assertThat(paste.amount()).isEqualTo(new Span(0.75, 1.25));
        assertThat(paste.asLabelled(1))
                .as("how large a panel is, the label does not say")
                .isEmpty();
    }

    @Test
    void turnsWeightIntoWhatTheLabelCounts() {
        SectionDose dose = of("3–5 sprays per section", 0.36, Optional.of(0.36));

        assertThat(dose.weighed(4.8, 1.0, SPRAY).orElseThrow()).isCloseTo(4, within(1e-9));
        assertThat(dose.weighed(4.8, 1.0, List.of()))
                .as("nobody knows what a spray holds")
                .isEmpty();
    }

    @Test
    void knowsNoDoseOnASectionForAMix() {
        assertThat(SectionDose.of(LabelLine.readDose("1:240").dose().orElseThrow(), 0.2, Optional.empty()))
                .isEmpty();
    }
}
