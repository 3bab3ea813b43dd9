package org.evensheen.core.water;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;
import org.evensheen.core.study.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DropTest {
    @ParameterizedTest
    @CsvSource({"1.5, 3.0, 90.00", "2.0, 3.6, 96.03"})
    void capOfACircle(double height, double width, double degrees) {
        assertThat(SphericalCap.contactAngle(height, width)).isCloseTo(degrees, within(0.005));
    }

    @ParameterizedTest
    @CsvSource({"5, 2.6, 93.13", "20, 3.4, 112.25"})
    void capOfAKnownVolume(double microlitres, double width, double degrees) {
        assertThat(SphericalCap.contactAngleOfVolume(microlitres, width)).isCloseTo(degrees, within(0.005));
    }

    @ParameterizedTest
    @CsvSource({"1.5, 3.0, 94.07", "2.0, 3.6, 103.33", "2.2, 6.4, 78.80", "0.8, 5.0, 37.58"})
    void profileFlattenedByGravity(double height, double width, double degrees) {
        assertThat(SessileDrop.contactAngle(height, width)).isCloseTo(degrees, within(0.005));
    }

    @Test
    void aSmallDropIsACapAndTheTwoMeetWhereTheBondNumberIsSmall() {
        assertThat(SessileDrop.contactAngle(0.4, 1.0)).isEqualTo(SphericalCap.contactAngle(0.4, 1.0));
        double width = 2 * Math.sqrt((SessileDrop.BOND_LIMIT + 1e-6) / SessileDrop.CAPILLARY);
        assertThat(SessileDrop.contactAngle(0.5, width)).isCloseTo(SphericalCap.contactAngle(0.5, width), within(1.5));
    }

    @Test
    void gravityAlwaysAddsToTheCapAndATallerDropStandsSteeper() {
        for (double width : new double[] {2, 3, 4, 5, 6.5, 8, 12, 20}) {
            List<Double> angles = DoubleStream.iterate(0.1, h -> h < Math.min(0.62 * width, 4.2), h -> h + 0.1)
                    .map(h -> SessileDrop.contactAngle(h, width))
                    .boxed()
                    .toList();
            assertThat(angles).as("width %s mm", width).isSorted().allMatch(a -> a > 0 && a < 180);
            assertThat(SessileDrop.contactAngle(0.1, width)).isGreaterThan(SphericalCap.contactAngle(0.1, width));
        }
    }

    @Test
    void noDropOfWaterIsThatTall() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> SessileDrop.contactAngle(9, 20))
                .withMessageContaining("9.00 mm tall");
        assertThatIllegalArgumentException().isThrownBy(() -> SphericalCap.contactAngle(0, 3));
    }

    @Test
    void waterLeftBehindIsMassOverArea() {
        assertThat(WaterLeft.gramsPerSquareMetre(13.5, 0.12)).isCloseTo(112.5, within(1e-9));
        assertThatIllegalArgumentException().isThrownBy(() -> WaterLeft.gramsPerSquareMetre(-1, 0.12));
    }

    @Test
    void behaviourThatReturnsAfterAWashWasMaskedTheRestIsWorn() {
        VisitLook look =
                new VisitLook(4, Map.of(Stage.ARRIVAL, 1.0, Stage.RINSED, 1.5, Stage.WASHED, 2.8, Stage.REWETTED, 3.0));
        assertThat(look.worn()).hasValue(1.0);
        assertThat(look.masked()).hasValue(2.0);
        assertThat(look.cameBackAt()).contains(Stage.WASHED);
        assertThat(new VisitLook(4, Map.of(Stage.ARRIVAL, 1.0)).worn()).isEmpty();
    }

    @Test
    void gradesHaveWordsForBothKinds() {
        assertThat(WaterKind.SHEETS.gradeInWords(3)).isEqualTo("slower sheet");
        assertThat(WaterKind.REPELS.gradeInWords(0)).isEqualTo("wets like bare");
        assertThatIllegalArgumentException().isThrownBy(() -> WaterKind.REPELS.gradeInWords(5));
    }
}
