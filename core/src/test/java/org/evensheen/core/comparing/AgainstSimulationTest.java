package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.evensheen.core.comparing.BlockModel.Unit;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.linear.MatrixUtils;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Formulas held against seeded simulation, or against a second way to the same number. */
class AgainstSimulationTest {

    @ParameterizedTest
    @ValueSource(ints = {2, 5, 20})
    void twoProductsChanceOfFirstPlaceIsTheTailOfTheTDistribution(int freedom) {
        double[] means = {10, 10.6};
        var covariance = MatrixUtils.createRealDiagonalMatrix(new double[] {0.08, 0.10});
        double[][] chances = PlaceChances.of(means, covariance, freedom, false, 11);
        double expected = new TDistribution(freedom).cumulativeProbability(0.6 / Math.sqrt(0.18));
        assertThat(chances[0][0]).isCloseTo(expected, within(0.015));
        assertThat(chances[1][0]).isCloseTo(1 - chances[0][0], within(1e-12));
        double[][] turned = PlaceChances.of(means, covariance, freedom, true, 11);
        assertThat(turned[1][0]).as("when more is better").isCloseTo(expected, within(0.015));
    }

    @Test
    void theSameSeedDrawsTheSameChancesAndAnotherNearlyTheSame() {
        double[] means = {9, 9.2, 9.1, 11};
        var covariance = MatrixUtils.createRealIdentityMatrix(4).scalarMultiply(0.05);
        double[][] once = PlaceChances.of(means, covariance, 6, false, 1);
        assertThat(Arrays.deepEquals(once, PlaceChances.of(means, covariance, 6, false, 1)))
                .isTrue();
        double[][] other = PlaceChances.of(means, covariance, 6, false, 2);
        assertThat(other[0][0]).isCloseTo(once[0][0], within(0.025));
        for (double[] row : once) {
            assertThat(Arrays.stream(row).sum()).isCloseTo(1, within(1e-12));
        }
    }

    @Test
    void theLeastDetectableDifferenceIsFoundFourTimesInFive() {
        Random random = new Random(3);
        double scatter = 0.4;
        int sections = 4;
        double error = scatter * Math.sqrt(2.0 / sections);
        double difference = LeastDetectable.difference(error, 2 * (sections - 1));
        int found = 0;
        int studies = 4000;
        for (int i = 0; i < studies; i++) {
            List<Unit> units = new ArrayList<>();
            for (int s = 0; s < sections; s++) {
                units.add(new Unit(0, 1, 10 + scatter * random.nextGaussian()));
                units.add(new Unit(1, 1, 10 + difference + scatter * random.nextGaussian()));
            }
            Estimate estimate = BlockModel.fit(units)
                    .contrast()
                    .plus(1, 1, 0)
                    .plus(-1, 0, 0)
                    .estimate();
            found += estimate.p() < 0.05 ? 1 : 0;
        }
        assertThat(found / (double) studies).isCloseTo(LeastDetectable.POWER, within(0.02));
    }

    @Test
    void fiellersIntervalCoversTheRatioNinetyFiveTimesInAHundred() {
        Random random = new Random(8);
        int held = 0;
        int studies = 3000;
        double freedom = 6;
        for (int i = 0; i < studies; i++) {
            double scale = 0;
            for (int k = 0; k < freedom; k++) {
                scale += Math.pow(random.nextGaussian(), 2);
            }
            double shared = random.nextGaussian();
            double n = 4.5 + 0.5 * (0.6 * shared + 0.8 * random.nextGaussian());
            double d = 9 + 0.7 * shared;
            double s = scale / freedom;
            held += Ratio.fieller(n, d, 0.25 * s, 0.21 * s, 0.49 * s, freedom)
                            .interval()
                            .filter(interval -> interval.holds(0.5))
                            .isPresent()
                    ? 1
                    : 0;
        }
        assertThat(held / (double) studies).isCloseTo(0.95, within(0.012));
    }

    @Test
    void anIncompleteLayoutStillTakesRowsOut() {
        Random random = new Random(5);
        double[] row = {0, 1.5, -2, 0.7};
        List<Unit> units = new ArrayList<>();
        int[][] stands = {{0, 1, 3}, {0, 2, 3}, {1, 2, 3}, {0, 1, 2}};
        for (int block = 0; block < 4; block++) {
            for (int treatment : stands[block]) {
                units.add(new Unit(treatment, block, 10 + 2 * treatment + row[block]));
            }
        }
        BlockModel exact = BlockModel.fit(units);
        assertThat(exact.contrast().plus(1, 3, 0).plus(-1, 0, 0).value()).isCloseTo(6, within(1e-9));
        assertThat(exact.variance()).isCloseTo(0, within(1e-18));
        List<Unit> shuffled = new ArrayList<>(units);
        java.util.Collections.shuffle(shuffled, random);
        assertThat(BlockModel.fit(shuffled).contrast().plus(1, 2, 0).value())
                .as("the order of sections does not matter")
                .isCloseTo(exact.contrast().plus(1, 2, 0).value(), within(1e-9));
    }

    @Test
    void holmNeverAdjustsDownKeepsTheOrderAndEqualsBonferroniForTheSmallest() {
        Random random = new Random(6);
        for (int round = 0; round < 300; round++) {
            double[] p = random.doubles(1 + random.nextInt(20)).map(x -> x * x).toArray();
            double[] adjusted = Holm.adjust(p);
            int smallest = 0;
            for (int i = 0; i < p.length; i++) {
                assertThat(adjusted[i]).isBetween(p[i], 1.0);
                smallest = p[i] < p[smallest] ? i : smallest;
                for (int j = 0; j < p.length; j++) {
                    assertThat(p[i] < p[j] && adjusted[i] > adjusted[j]).isFalse();
                }
            }
            assertThat(adjusted[smallest]).isCloseTo(Math.min(1, p[smallest] * p.length), within(1e-12));
        }
    }
}
