package org.evensheen.core.foam;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import org.evensheen.core.measure.Value.Mark;
import org.junit.jupiter.api.Test;

class FoamCurveTest {
    private static FoamCurve curve(double... minuteAndValue) {
        return new FoamCurve(IntStream.range(0, minuteAndValue.length / 2)
                .mapToObj(i -> new Mark(minuteAndValue[2 * i], minuteAndValue[2 * i + 1]))
                .toList());
    }

    /** MEASURES 5. */
    @Test
    void theWorkedSeries() {
        FoamCurve foam = curve(0, 92, 1, 78, 3, 61, 5, 48, 10, 30);
        assertThat(foam.shareAt(5).orElseThrow()).isCloseTo(0.522, within(5e-4));
        assertThat(foam.halfGone().orElseThrow()).isCloseTo(5.56, within(5e-3));
        assertThat(foam.meanShare()).isCloseTo(0.574, within(5e-4));
    }

    @Test
    void foamThatStandsAtTheLastMarkHasNoHalfLife() {
        FoamCurve foam = curve(0, 100, 5, 51);
        assertThat(foam.halfGone()).isEmpty();
        assertThat(curve(0, 100, 5, 50).halfGone()).hasValue(5);
        assertThat(foam.shareAt(5).orElseThrow()).isEqualTo(0.51);
        assertThat(foam.shareAt(2.5).orElseThrow()).as("straight between marks").isEqualTo(0.755);
        assertThat(foam.shareAt(6)).isEmpty();
        assertThat(foam.fit()).as("fewer than five marks").isEmpty();
    }

    @Test
    void aStretchedExponentialIsFoundAgainFromItsMarks() {
        assertThat(new FoamCurve.Fit(100, 6.0, 0.9).halfLife()).isCloseTo(3.99, within(5e-3));
        for (double[] truth : new double[][] {{90, 6.0, 0.9}, {40, 2.5, 1.4}, {300, 15, 0.7}}) {
            FoamCurve.Fit made = new FoamCurve.Fit(truth[0], truth[1], truth[2]);
            FoamCurve.Fit found = new FoamCurve(IntStream.of(0, 1, 2, 3, 5, 8, 12)
                            .mapToObj(t -> new Mark(t, made.at(t)))
                            .toList())
                    .fit()
                    .orElseThrow();
            assertThat(found.minutes()).isCloseTo(made.minutes(), within(1e-3));
            assertThat(found.stretch()).isCloseTo(made.stretch(), within(1e-3));
            assertThat(found.halfLife()).isCloseTo(made.halfLife(), within(1e-3));
        }
    }

    @Test
    void foamBeginsWithSomething() {
        assertThatIllegalArgumentException().isThrownBy(() -> curve(0, 0, 1, 0));
        assertThatIllegalArgumentException().isThrownBy(() -> curve(1, 80, 2, 60));
        assertThatIllegalArgumentException().isThrownBy(() -> new FoamCurve(List.of()));
    }
}
