package org.evensheen.core.slickness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class PullTraceTest {

    /** Slack, a rise to a peak, down to a plateau with a saw of stick and slip on it, slack again. */
    private static List<Double> pull(double peak, double plateau, double saw, long seed) {
        Random random = new Random(seed);
        List<Double> newtons = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            newtons.add(0.02 * random.nextGaussian());
        }
        for (int i = 1; i <= 10; i++) {
            newtons.add(peak * i / 10);
        }
        for (int i = 0; i < 120; i++) {
            newtons.add(plateau + saw * (i % 2 == 0 ? 1 : -1) + 0.01 * random.nextGaussian());
        }
        for (int i = 0; i < 20; i++) {
            newtons.add(0.02 * random.nextGaussian());
        }
        return newtons;
    }

    @Property(tries = 200)
    void findsPeakPlateauAndStickSlip(
            @ForAll @DoubleRange(min = 3, max = 30) double plateau,
            @ForAll @DoubleRange(min = 1.05, max = 1.5) double over,
            @ForAll @DoubleRange(min = 0, max = 0.04) double saw,
            @ForAll long seed)
            throws Exception {
        PullTrace trace = PullTrace.of(pull(plateau * over, plateau, plateau * saw, seed));

        assertThat(trace.peak()).isCloseTo(plateau * over, within(0.05));
        assertThat(trace.plateau()).isCloseTo(plateau, within(0.01 * plateau));
        assertThat(trace.stickSlip()).isCloseTo(saw, within(0.012));
    }

    @Test
    void itsUncertaintyIsAsLargeAsThePlateausRealError() throws Exception {
        double squares = 0;
        for (int seed = 0; seed < 300; seed++) {
            PullTrace trace = PullTrace.of(pull(10.3, 10, 0, seed));
            squares += Math.pow((trace.plateau() - 10) / trace.uncertainty(), 2);
        }
        assertThat(Math.sqrt(squares / 300))
                .as("four degrees of freedom make it 1.4")
                .isBetween(1.1, 1.9);
    }

    @Test
    void takesAPullTheOtherWayRoundAsAPull() throws Exception {
        List<Double> reversed = pull(11, 9.8, 0, 4).stream().map(f -> -f).toList();

        assertThat(PullTrace.of(reversed).plateau()).isCloseTo(9.8, within(0.05));
    }

    @Test
    void saysWhatIsNoPull() {
        assertThatThrownBy(() -> PullTrace.of(List.of(0.01, -0.02, 0.03))).hasMessageContaining("felt no pull");
        assertThatThrownBy(() -> PullTrace.of(List.of(0.0, 0.0, 9.0, 9.5, 9.2, 0.0)))
                .hasMessageContaining("two seconds");
    }

    /** From 0.3 N on it is a pull, and from a dozen samples under load it has a plateau. */
    @Test
    void aPullBeginsAtThreeTenthsOfANewtonAndADozenSamples() throws Exception {
        assertThat(PullTrace.of(steady(0.3, PullTrace.LEAST)).plateau()).isCloseTo(0.3, within(1e-12));
        assertThatThrownBy(() -> PullTrace.of(steady(0.299, PullTrace.LEAST))).hasMessageContaining("felt no pull");
        assertThatThrownBy(() -> PullTrace.of(steady(9, PullTrace.LEAST - 1))).hasMessageContaining("two seconds");
    }

    /** A load that stays the same, slack before and after. */
    private static List<Double> steady(double newtons, int samples) {
        List<Double> trace = new ArrayList<>(List.of(0.0, 0.0));
        for (int i = 0; i < samples; i++) {
            trace.add(newtons);
        }
        trace.addAll(List.of(0.0, 0.0));
        return trace;
    }
}
