package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.evensheen.core.comparing.BlockModel.Unit;
import org.hipparchus.stat.inference.TTest;
import org.junit.jupiter.api.Test;

class BlockModelTest {

    /** A complete block layout: three treatments in four rows. */
    private static final double[][] ROWS = {{9.1, 11.0, 17.9}, {9.6, 11.2, 18.6}, {9.2, 11.6, 18.1}, {9.9, 11.9, 19.0}};

    private static List<Unit> units() {
        List<Unit> units = new ArrayList<>();
        for (int row = 0; row < ROWS.length; row++) {
            for (int treatment = 0; treatment < 3; treatment++) {
                units.add(new Unit(treatment, row, ROWS[row][treatment]));
            }
        }
        return units;
    }

    @Test
    void inCompleteBlocksMeansArePlainMeansAndScatterIsThatOfTheTwoWayTable() {
        BlockModel model = BlockModel.fit(units());
        assertThat(model.rows()).isEqualTo(BlockModel.Rows.TAKEN_OUT);
        assertThat(model.freedom()).isEqualTo(6);
        assertThat(model.contrast().plus(1, 0, 0).value()).isCloseTo(9.45, within(1e-12));
        double interaction = 0;
        double grand = mean(ROWS[0], ROWS[1], ROWS[2], ROWS[3]);
        for (double[] row : ROWS) {
            for (int t = 0; t < 3; t++) {
                int column = t;
                double columnMean = List.of(ROWS).stream()
                        .mapToDouble(r -> r[column])
                        .average()
                        .orElseThrow();
                double residual = row[t] - mean(row) - columnMean + grand;
                interaction += residual * residual;
            }
        }
        assertThat(model.variance()).isCloseTo(interaction / 6, within(1e-12));
    }

    @Test
    void twoTreatmentsInPairsAreAPairedTTest() {
        List<Unit> pairs = units().stream().filter(u -> u.treatment() < 2).toList();
        BlockModel model = BlockModel.fit(pairs);
        Estimate difference = model.contrast().plus(1, 1, 0).plus(-1, 0, 0).estimate();
        double[] one = {9.1, 9.6, 9.2, 9.9};
        double[] other = {11.0, 11.2, 11.6, 11.9};
        assertThat(difference.p()).isCloseTo(new TTest().pairedTTest(one, other), within(1e-12));
    }

    @Test
    void withOneSectionEachAndTwoBareTheScatterIsThatOfBareAndRowsAreLeftOut() {
        BlockModel model =
                BlockModel.fit(List.of(new Unit(0, 1, 9), new Unit(1, 2, 12), new Unit(2, 1, 18), new Unit(2, 2, 19)));
        assertThat(model.rows()).isEqualTo(BlockModel.Rows.LEFT_IN);
        assertThat(model.freedom()).isEqualTo(1);
        assertThat(model.variance()).isCloseTo(0.5, within(1e-12));
    }

    @Test
    void aRatioGetsFiellersIntervalAndNoneWhenItsDenominatorMayBeZero() {
        Ratio ratio = Ratio.fieller(9, 18, 0.04, 0, 0.09, 6);
        Interval interval = ratio.interval().orElseThrow();
        double t = 2.4469118;
        for (double end : List.of(interval.low(), interval.high())) {
            assertThat(Math.pow(9 - end * 18, 2)).isCloseTo(t * t * (0.04 + end * end * 0.09), within(1e-4));
        }
        assertThat(interval.holds(0.5)).isTrue();
        assertThat(Ratio.fieller(1, 0.1, 0.04, 0, 0.09, 6).interval()).isEmpty();
    }

    @Test
    void theLeastDetectableDifferenceHasEightyPerCentPower() {
        assertThat(LeastDetectable.standardErrors(Estimate.critical(1e5), 1e5))
                .isCloseTo(1.959964 + 0.841621, within(1e-3));
        assertThat(LeastDetectable.standardErrors(Estimate.critical(5), 5)).isBetween(3.4, 3.6);
        double λ = LeastDetectable.standardErrors(Estimate.critical(8), 8);
        assertThat(LeastDetectable.power(λ, Estimate.critical(8), 8)).isCloseTo(0.8, within(1e-6));
        assertThat(LeastDetectable.power(0, Estimate.critical(8), 8)).isCloseTo(0.05, within(1e-6));
    }

    private static double mean(double[]... rows) {
        return List.of(rows).stream()
                .flatMapToDouble(java.util.Arrays::stream)
                .average()
                .orElseThrow();
    }
}
