package org.evensheen.core.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.StringLength;
import org.hipparchus.stat.descriptive.DescriptiveStatistics;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class InstrumentLinesTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "F {value} {unit}         | F +9.81 N        | 9.81  | N  |",
                "F {value} {unit}         | F   -  9,81N     | -9.81 | N  |",
                "T={value};H={second};    | T= 15.2;H=66;    | 15.2  |    | 66",
                "{any} {value} {unit}     | CH1 00012.5 gf   | 12.5  | gf |",
                "{value}                  | .5               | 0.5   |    |",
                "T {value} {unit} H {second} % | T 15.2 °C H 66 % | 15.2 | °C | 66"
            })
    void readsWhatItsPatternSays(String pattern, String line, double value, String unit, Double second)
            throws Exception {
        LinePattern.Line read = LinePattern.of(pattern).read(line).orElseThrow();

        assertThat(read.value()).isEqualTo(value);
        assertThat(read.unit()).isEqualTo(Optional.ofNullable(unit));
        assertThat(read.second()).isEqualTo(Optional.ofNullable(second));
    }

    @Test
    void takesASteadyMarkOnlyWhereOneStands() throws Exception {
        LinePattern pattern = LinePattern.of("M {value} {unit} {steady}");

        assertThat(pattern.read("M 12.40 g ok").orElseThrow().steady()).isTrue();
        assertThat(pattern.read("M 12.40 g").orElseThrow().steady()).isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "F {valu}          | There is no {valu}",
                "F {unit}          | Say where the number stands",
                "{value} {value}   | is there twice",
                "F {value} }       | A brace stands alone"
            })
    void refusesAPatternWithItsRemedy(String pattern, String saying) {
        assertThatThrownBy(() -> LinePattern.of(pattern)).hasMessageContaining(saying.strip());
    }

    @Property
    void neverReadsRubbishAndNeverTakesLong(@ForAll @StringLength(max = 500) String rubbish) throws Exception {
        Optional<LinePattern.Line> read = LinePattern.of("F {value} {unit}").read("#" + rubbish);

        assertThat(read).isEmpty();
    }

    @Property
    void readsBackWhatAGaugePrints(@ForAll @DoubleRange(min = -500, max = 500) double force) throws Exception {
        String printed = String.format(java.util.Locale.ROOT, "F %+.2f N", force);

        assertThat(LinePattern.of("F {value} {unit}")
                        .read(printed)
                        .orElseThrow()
                        .value())
                .isCloseTo(force, within(0.0051));
    }

    @Test
    void knowsItsUnitsAndNoOthers() {
        assertThat(Probe.FORCE.canonical(1, "kgf")).contains(9.80665);
        assertThat(Probe.SCALE.canonical(1, "oz")).contains(28.349523125);
        assertThat(Probe.SURFACE.canonical(77, "F").orElseThrow()).isCloseTo(25, within(1e-9));
        assertThat(Probe.FORCE.canonical(1, "kPa")).isEmpty();
        assertThat(Probe.PH.plausible(15)).isFalse();
    }

    @Test
    void waitsUntilAValueRestsAndGivesItsMean() {
        Steadiness steadiness = new Steadiness(0.5, 0.1);
        double[] swinging = {30, 10, 24, 18, 21.5, 20.4, 20.05, 20.0, 19.98, 20.02, 20.0, 20.01, 19.99};
        Optional<Rested> steady = Optional.empty();
        int at = 0;
        while (steady.isEmpty() && at < swinging.length) {
            steady = steadiness.add(at * 0.1, swinging[at], 0.01);
            at++;
        }

        assertThat(at).as("half a second of rest after 20.05").isEqualTo(12);
        assertThat(steady.orElseThrow().value()).isCloseTo(20.01, within(0.01));
        assertThat(steady.orElseThrow().standard()).isCloseTo(0.026, within(0.003));
    }

    /** Instruments that are off by anything their check allows, restless, and round what they show. */
    @Test
    void saysHowFarAReadingMayBeFromTheTruth() throws Exception {
        Random random = new Random(7);
        LinePattern pattern = LinePattern.of("M {value} g");
        double tolerance = 0.3;
        DescriptiveStatistics offs = new DescriptiveStatistics();
        DescriptiveStatistics claimed = new DescriptiveStatistics();
        for (int i = 0; i < 4000; i++) {
            double truth = 20 + random.nextDouble();
            double bias = tolerance * (2 * random.nextDouble() - 1);
            Steadiness steadiness = new Steadiness(0.5, 5);
            Optional<Rested> rested = Optional.empty();
            for (int at = 0; rested.isEmpty(); at++) {
                LinePattern.Line line = pattern.read(
                                String.format(Locale.ROOT, "M %.1f g", truth + bias + 0.1 * random.nextGaussian()))
                        .orElseThrow();
                assertThat(line.step()).isCloseTo(0.1, within(1e-12));
                rested = steadiness.add(at * 0.1, line.value(), line.step());
            }
            offs.addValue(rested.get().value() - truth);
            claimed.addValue(rested.get().within(tolerance));
        }
        assertThat(claimed.getMean())
                .as("never less than how far readings were off, and little more")
                .isBetween(offs.getStandardDeviation(), offs.getStandardDeviation() * 1.35);
    }

    /** With a matcher that goes back, this takes longer than the sun burns. */
    @Test
    void aPatternOfManyPlacesForAnythingIsMatchedInTimeThatGrowsWithTheLine() throws Exception {
        LinePattern greedy = LinePattern.of("{any}".repeat(38) + "{value}");
        String line = "1 ".repeat(LinePattern.LONGEST_LINE / 2 - 1) + "x!";
        Optional<LinePattern.Line> read = assertTimeoutPreemptively(Duration.ofSeconds(20), () -> greedy.read(line));
        assertThat(read).isEmpty();
        assertThat(greedy.read("a b c 12.5").orElseThrow().value()).isPositive();
    }
}
