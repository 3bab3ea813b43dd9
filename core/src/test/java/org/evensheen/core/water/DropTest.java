package org.evensheen.core.water;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    void asADropGrowsItsAngleNeverJumpsAndASmallOneIsNearlyACap() {
        assertThat(SessileDrop.contactAngle(0.2, 0.5)).isCloseTo(SphericalCap.contactAngle(0.2, 0.5), within(0.2));
        assertThat(SessileDrop.contactAngle(2.12, 1.6))
                .as("tall on a small base")
                .isCloseTo(150, within(0.5));
        for (double slimness : new double[] {0.2, 0.5, 0.9, 1.3}) {
            double before = SessileDrop.contactAngle(slimness * 0.3, 0.3);
            for (double width = 0.31; width < 2.6; width += 0.01) {
                double angle = SessileDrop.contactAngle(slimness * width, width);
                assertThat(angle).as("%s by %.2f mm", slimness, width).isBetween(before - 1e-6, before + 0.6);
                before = angle;
            }
        }
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
        assertThatIllegalArgumentException().isThrownBy(() -> SphericalCap.contactAngle(1, 0));
        assertThatIllegalArgumentException().isThrownBy(() -> SphericalCap.contactAngleOfVolume(0, 3));
        assertThatIllegalArgumentException().isThrownBy(() -> SphericalCap.contactAngleOfVolume(5, 0));
    }

    /** ρg·(w/2)²/γ is 0.13446 on 2 mm and passes 0.1 at 1.7248 mm. */
    @Test
    void gravityFlattensWideDrops() {
        assertThat(SessileDrop.bond(2)).isCloseTo(0.13446, within(1e-5));
        assertThat(SessileDrop.flattened(1.724)).isFalse();
        assertThat(SessileDrop.flattened(1.726)).isTrue();
    }

    @Test
    void waterLeftBehindIsMassOverArea() {
        assertThat(WaterLeft.gramsPerSquareMetre(13.5, 0.12)).isCloseTo(112.5, within(1e-9));
        assertThat(WaterLeft.gramsPerSquareMetre(0, 0.12)).isZero();
        assertThatIllegalArgumentException().isThrownBy(() -> WaterLeft.gramsPerSquareMetre(-1, 0.12));
        assertThatIllegalArgumentException().isThrownBy(() -> WaterLeft.gramsPerSquareMetre(13.5, 0));
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

    /** From 90 % of the level that counts on; on arrival if dirt hid nothing; nowhere if nothing is left, and not on another day's look. */
    @ParameterizedTest
    @CsvSource({"0, 1.8, 2, RINSED", "0, 1.79, 2, REWETTED", "1.9, 2, 2, ARRIVAL", "0, 0, 0,"})
    void itIsBackFromNineTenthsOn(double arrival, double rinsed, double rewetted, Stage back) {
        VisitLook look = new VisitLook(
                4, Map.of(Stage.FRESH, 4.0, Stage.ARRIVAL, arrival, Stage.RINSED, rinsed, Stage.REWETTED, rewetted));
        assertThat(look.cameBackAt()).isEqualTo(Optional.ofNullable(back));
    }

    @Test
    void kindsOfWaterAndWaysOfWettingAreKnownByTheirWords() {
        assertThat(WaterKind.ofCode("sheets")).contains(WaterKind.SHEETS);
        assertThat(WaterKind.ofCode("floods")).isEmpty();
        assertThat(Wetting.ofCode("low-pressure")).contains(Wetting.LOW_PRESSURE);
        assertThat(Wetting.ofCode("bucket")).isEmpty();
        assertThat(Wetting.noted(" Open stream, from the can")).contains(Wetting.OPEN_STREAM);
        assertThat(Wetting.noted("low-pressure")).contains(Wetting.LOW_PRESSURE);
        assertThat(Wetting.noted("dry mist")).isEmpty();
        assertThat(Wetting.UPRIGHT.label()).contains("upright");
    }

    @Test
    void gradesHaveWordsForBothKinds() {
        assertThat(WaterKind.SHEETS.gradeInWords(3)).isEqualTo("slower sheet");
        assertThat(WaterKind.REPELS.gradeInWords(0)).isEqualTo("wets like bare");
        assertThatIllegalArgumentException().isThrownBy(() -> WaterKind.REPELS.gradeInWords(5));
    }
}
