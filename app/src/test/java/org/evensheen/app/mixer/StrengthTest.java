package org.evensheen.app.mixer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.Mix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StrengthTest {

    private static Strength of(String dose) {
        return Strength.of(LabelLine.readDose(dose).dose().orElseThrow(), List.of())
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1:240|1:240",
                "1:100-400|1:200",
                "1:4-10|1:6",
                "1:10-20|1:14",
                "3-5 %|4 %",
                "30-60 mL in 10 L|40 mL in 10 L",
                "1 in 500|1 in 500"
            })
    void itBeginsWithARoundStrengthInsideTheLabel(String label, String usual) {
        assertThat(of(label).usual().orElseThrow().print()).isEqualTo(usual);
    }

    @Test
    void theSliderRunsFromAQuarterOfTheWeakestToFourTimesTheStrongest() {
        Strength strength = of("1:99-399");
        assertThat(strength.weakest()).isCloseTo(1 / 1600.0, within(1e-9));
        assertThat(strength.strongest()).isCloseTo(4 / 100.0, within(1e-9));
        assertThat(strength.dose(0).orElseThrow().print()).isEqualTo("1:1600");
        assertThat(strength.dose(Strength.STEPS).orElseThrow().print()).isEqualTo("1:24");
        assertThat(of("1:1").strongest())
                .as("never more product than there is room for")
                .isLessThanOrEqualTo(0.5);
    }

    @Test
    void nearTheLabelsEndsItSnapsToThem() {
        Strength strength = of("1:100-400");
        int end = (int) Math.round(strength.place(1 / 101.0));
        for (int place = end - 5; place <= end + 5; place++) {
            assertThat(strength.dose(place).orElseThrow().print()).isEqualTo("1:100");
        }
        assertThat(strength.dose(end + 20).orElseThrow().print()).isNotEqualTo("1:100");
    }

    @Test
    void placeAndDoseAreEachOthersInverse() {
        Strength strength = of("1:20-2000");
        for (int place = 0; place <= Strength.STEPS; place += 50) {
            Dose dose = strength.dose(place).orElseThrow();
            assertThat(strength.place(dose.shares(List.of()).orElseThrow().low()))
                    .isCloseTo(place, within(8.0));
        }
    }

    @Test
    void whatIsNotMixedHasNoSlider() {
        assertThat(Strength.of(new Dose.ReadyToUse(), List.of())).isEmpty();
        assertThat(Strength.of(LabelLine.readDose("2 caps in 10 L").dose().orElseThrow(), List.of()))
                .as("not before a cap is weighed")
                .isEmpty();
        assertThat(Strength.free(new Dose.ReadyToUse()).dose(500).orElseThrow().print())
                .startsWith("1:");
    }

    @ParameterizedTest
    @CsvSource({"49.8, 50", "50, 50", "50.1, 100", "0.4, 1", "2400, 2500", "9, 10", "12, 25"})
    void theCupIsTheSmallestThatHolds(double ml, double cup) {
        assertThat(VesselDrawing.cup(ml)).isEqualTo(cup);
    }

    @Test
    void theDrawingIsTheMeasurement() {
        VesselDrawing half = VesselDrawing.of("bucket", new Mix(5000, 5000));
        assertThat(half.productDepth()).isEqualTo("69");
        assertThat(half.waterDepth()).isEqualTo("69");
        assertThat(half.cupDepth()).as("a cup of 5 L is full").isEqualTo("138");
        VesselDrawing trace = VesselDrawing.of("bucket", Mix.of(12_000, 1 / 241.0));
        assertThat(Double.parseDouble(trace.productDepth()))
                .as("a trace is drawn as a line")
                .isEqualTo(2.5);
        assertThat(trace.ticks()).extracting(VesselDrawing.Tick::ml).containsExactly("10", "20", "30", "40", "50");
        assertThat(trace.spoken().replace('\u202f', ' '))
                .isEqualTo("49.8 mL of product and 11.95 L of water make 12 L");
    }
}
