package org.evensheen.core.mixing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MixingTest {

    @ParameterizedTest
    @CsvSource({"12000, 240, 49.79, 50.00", "1000, 9, 100.00, 111.11"})
    void bothReadingsOfARatio(double total, double n, double parts, double share) {
        assertThat(Mix.of(total, Reading.PARTS.share(n)).productMl()).isCloseTo(parts, within(0.005));
        assertThat(Mix.of(total, Reading.SHARE.share(n)).productMl()).isCloseTo(share, within(0.005));
    }

    @Test
    void aDoseInUsUnitsIsTheSameMix() {
        Dose dose = new Dose.PerVolume(new Span(1, 3), Unit.US_FLUID_OUNCE, 5, Unit.US_GALLON);
        Span perLitre = dose.shares(List.of()).orElseThrow().times(1000);
        assertThat(perLitre.low()).isCloseTo(1.562, within(0.001));
        assertThat(perLitre.high()).isCloseTo(4.687, within(0.001));
    }

    @Test
    void aFoamBottleIsThinnedOnceMoreAtTheNozzle() {
        FoamBottle bottle = new FoamBottle(1000, 90, 7200 / 60.0);
        double atPanel = bottle.shareAtPanel(Reading.PARTS.share(9));
        assertThat(atPanel).isCloseTo(0.00926, within(0.000005));
        assertThat(1 / atPanel).isCloseTo(108, within(0.01));
        assertThatThrownBy(() -> new FoamBottle(1000, 5, 120)).hasMessageContaining("draws");
    }

    @Test
    void aSprayIsCalibratedByWeighing() {
        Calibration spray = Calibration.weighed(Counter.SPRAY, 24, 20, 0.96);
        assertThat(spray.mlEach()).isCloseTo(1.25, within(1e-12));
        Dose dose = new Dose.CountedOn(Counter.SPRAY, new Span(2, 4), Place.PANEL);
        assertThat(dose.onPlace(List.of(spray))).contains(new Span(2.5, 5));
        assertThat(dose.onPlace(List.of())).as("not weighed yet").isEmpty();
        assertThatThrownBy(() -> Calibration.weighed(Counter.CAP, 0, 10, 1)).hasMessageContaining("above zero");
    }

    @ParameterizedTest
    @CsvSource({"9.5, ABOVE, 1.9, true", "6, ABOVE, 1.2, false", "5.04, WITHIN, 1, false", "1, BELOW, 0.5, false"})
    void whatWasDoneAgainstTheLabel(double done, Departure.Side side, double factor, boolean grave) {
        Departure departure = Departure.of(done, new Span(2, 5));
        assertThat(departure.side()).isEqualTo(side);
        assertThat(departure.factor()).isCloseTo(factor, within(1e-9));
        assertThat(departure.grave()).isEqualTo(grave);
    }

    @Test
    void aStrengthIsToldInTheLabelsOwnForm() {
        List<Calibration> known = List.of(new Calibration(Counter.CAP, 25));
        assertThat(new Dose.Dilution(new Span(100, 400), Reading.SHARE).at(0.004, 3, known))
                .contains(new Dose.Dilution(Span.of(250), Reading.SHARE));
        assertThat(new Dose.Percent(Span.of(5)).at(0.0312, 3, known)).contains(new Dose.Percent(Span.of(3.12)));
        assertThat(new Dose.Counted(Counter.CAP, Span.of(2), 10, Unit.LITRE).at(0.01, 3, known))
                .contains(new Dose.Counted(Counter.CAP, Span.of(4), 10, Unit.LITRE));
        assertThat(new Dose.ReadyToUse().at(0.5, 3, known)).isEmpty();
    }

    @Property
    void mixingConservesVolume(
            @ForAll @DoubleRange(min = 1, max = 200_000) double total,
            @ForAll @DoubleRange(min = 0, max = 1) double share) {
        Mix mix = Mix.of(total, share);
        assertThat(mix.totalMl()).isCloseTo(total, within(total * 1e-12));
        assertThat(mix.productMl()).isBetween(0.0, total);
    }

    @Property
    void bothReadingsAgreeAsThePartsGrow(@ForAll @DoubleRange(min = 1.01, max = 90_000) double n) {
        double parts = Reading.PARTS.share(n);
        double share = Reading.SHARE.share(n);
        assertThat(share / parts - 1).as("by one part in n").isCloseTo(1 / n, within(1e-9));
        assertThat(Reading.PARTS.partsFor(parts)).isCloseTo(n, within(n * 1e-9));
        assertThat(Reading.SHARE.partsFor(share)).isCloseTo(n, within(n * 1e-9));
    }
}
