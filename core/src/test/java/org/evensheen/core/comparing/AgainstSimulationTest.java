package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.evensheen.core.comparing.BlockModel.Unit;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Formulas held against seeded simulation, or against a second way to the same number. */
class AgainstSimulationTest {
    private static final NormalDistribution NORMAL = new NormalDistribution();

    private static RealMatrix diagonal(double... variances) {
        return MatrixUtils.createRealDiagonalMatrix(variances);
    }

    @Test
    void theSameSeedDrawsTheSameChancesAndAnotherNearlyTheSame() {
        double[] means = {9, 9.2, 9.1, 11};
        RealMatrix unscaled = MatrixUtils.createRealIdentityMatrix(4);
        double[][] once = PlaceChances.of(means, unscaled, 0.05, 6, false, 1);
        assertThat(Arrays.deepEquals(once, PlaceChances.of(means, unscaled, 0.05, 6, false, 1)))
                .isTrue();
        double[][] other = PlaceChances.of(means, unscaled, 0.05, 6, false, 2);
        assertThat(other[0][0]).isCloseTo(once[0][0], within(0.025));
        for (double[] row : once) {
            assertThat(Arrays.stream(row).sum()).isCloseTo(1, within(1e-12));
        }
        double[][] turned = PlaceChances.of(means, unscaled, 0.05, 6, true, 1);
        assertThat(turned[3][0]).as("when more is better").isGreaterThan(0.97);
    }

    @Test
    void aLeaderOfACloseFieldIsPromisedLessThanTheEvidenceAloneWouldAndAClearOneNearlyAsMuch() {
        double t = 1.0;
        double[][] close = PlaceChances.of(new double[] {-t, 0}, diagonal(0.5, 0.5), 1, 200, false, 4);
        double alone = new NormalDistribution().cumulativeProbability(t);
        assertThat(close[0][0]).isBetween(0.6, alone - 0.03);
        assertThat(PlaceChances.of(new double[] {-5, 0}, diagonal(0.5, 0.5), 1, 200, false, 4)[0][0])
                .isGreaterThan(0.995);
    }

    /**
     * True means drawn with spreads of 0.5, 1.3 and 3 standard errors: of the chances that lie near each other, as many come true as
     * promised, within 5 points.
     */
    @ParameterizedTest
    @CsvSource({"4, 3", "5, 2", "8, 2"})
    void whatIsPromisedOfPlacesComesTrue(int products, int rows) {
        double[] spreads = {0.5, 1.3, 3};
        int studies = 600;
        double[] promised = new double[20];
        double[] came = new double[20];
        int[] counts = new int[20];
        for (int number = 0; number < studies; number++) {
            Random random = new Random(number * 7919L + products);
            double spread = spreads[number % 3] / Math.sqrt(rows);
            double[] truth = random.doubles(products)
                    .map(u -> spread * NORMAL.inverseCumulativeProbability(u))
                    .toArray();
            double[] seen = Arrays.stream(truth)
                    .map(v -> v + random.nextGaussian() / Math.sqrt(rows))
                    .toArray();
            int freedom = products * (rows - 1);
            double variance = random.ints(freedom, 0, 1 << 30)
                            .mapToDouble(i -> Math.pow(random.nextGaussian(), 2))
                            .sum()
                    / freedom;
            double[][] chances = PlaceChances.of(
                    seen,
                    MatrixUtils.createRealIdentityMatrix(products).scalarMultiply(1.0 / rows),
                    variance,
                    freedom,
                    false,
                    number);
            for (int i = 0; i < products; i++) {
                double own = truth[i];
                int place = (int) Arrays.stream(truth).filter(v -> v < own).count();
                for (int k = 0; k < products; k++) {
                    int bin = Math.min(19, (int) (chances[i][k] * 20));
                    promised[bin] += chances[i][k];
                    came[bin] += k == place ? 1 : 0;
                    counts[bin]++;
                }
            }
        }
        for (int bin = 0; bin < 20; bin++) {
            double n = counts[bin];
            if (n > 0) {
                double p = promised[bin] / n;
                assertThat(came[bin] / n)
                        .as("of %d promises near %.3f", counts[bin], p)
                        .isCloseTo(p, within(0.05 + 2.5 * Math.sqrt(p * (1 - p) / n)));
            }
        }
    }

    @Test
    void rowsThatAreProductsTellNothingApart() {
        Random random = new Random(12);
        List<Unit> units = new ArrayList<>();
        for (int product = 0; product < 4; product++) {
            for (int section = 0; section < 3; section++) {
                units.add(new Unit(product, product, 10 + 3 * product + random.nextGaussian()));
            }
        }
        BlockModel apart = BlockModel.fit(units);
        assertThat(apart.comparable(0, 1)).isFalse();
        assertThat(apart.comparable(2, 2)).isTrue();
        units.add(new Unit(0, 1, 13));
        BlockModel joined = BlockModel.fit(units);
        assertThat(joined.comparable(0, 1)).as("a shared row joins them").isTrue();
        assertThat(joined.comparable(0, 2)).isFalse();
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
}
