package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MaxTTest {
    private static final RealMatrix UNEVEN = new Array2DRowRealMatrix(new double[][] {
        {0.5, 0.1, 0, 0.05},
        {0.1, 1.0, 0.2, 0},
        {0, 0.2, 0.25, 0.1},
        {0.05, 0, 0.1, 2.0}
    });

    private static List<List<Integer>> allPairs(int n) {
        List<List<Integer>> pairs = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                pairs.add(List.of(i, j));
            }
        }
        return pairs;
    }

    private static MaxT even(int products, double freedom) {
        return MaxT.work(
                MatrixUtils.createRealIdentityMatrix(products).scalarMultiply(0.37), allPairs(products), freedom);
    }

    /** Tables of the studentized range at 5 %, over √2. */
    @ParameterizedTest
    @CsvSource({"3, 10, 3.8777", "4, 12, 4.1987", "5, 20, 4.2319", "8, 7, 5.8153", "12, 22, 5.1444", "3, 2, 8.3308"})
    void aBalancedDesignHasTukeysCriticalValue(int products, double freedom, double range) {
        assertThat(even(products, freedom).critical()).isCloseTo(range / Math.sqrt(2), within(0.0005 * range));
    }

    @Test
    void twoProductsHaveThePlainTTest() {
        MaxT two = even(2, 6);
        TDistribution t = new TDistribution(6);
        assertThat(two.critical()).isCloseTo(t.inverseCumulativeProbability(0.975), within(0.002));
        assertThat(two.adjusted(1.3)).isCloseTo(2 * t.cumulativeProbability(-1.3), within(0.002));
        assertThat(two.adjusted(0)).isEqualTo(1);
    }

    @Test
    void pFallsBelowFivePerCentJustAboveTheCriticalValueAndNeverRises() {
        for (MaxT design : List.of(even(5, 5), MaxT.work(UNEVEN, allPairs(4), 5))) {
            assertThat(design.adjusted(design.critical())).isGreaterThanOrEqualTo(MaxT.LEVEL);
            assertThat(design.adjusted(Math.nextUp(design.critical()))).isLessThan(MaxT.LEVEL);
            double before = 1;
            for (double t = 0; t < 100; t += 0.01) {
                assertThat(design.adjusted(t)).isBetween(0.0, before);
                before = design.adjusted(t);
            }
        }
    }

    @Test
    void anUnevenDesignHasTheCriticalValueOfItsOwnLargestT() {
        double freedom = 5;
        Random random = new Random(3);
        double[][] root =
                new org.hipparchus.linear.CholeskyDecomposition(UNEVEN).getL().getData();
        int studies = 200_000;
        double[] most = new double[studies];
        for (int s = 0; s < studies; s++) {
            double[] z = random.doubles(4).map(u -> random.nextGaussian()).toArray();
            double chi = 0;
            for (int k = 0; k < freedom; k++) {
                chi += Math.pow(random.nextGaussian(), 2);
            }
            double[] value = Arrays.stream(root)
                    .mapToDouble(row -> row[0] * z[0] + row[1] * z[1] + row[2] * z[2] + row[3] * z[3])
                    .toArray();
            for (List<Integer> p : allPairs(4)) {
                int i = p.get(0);
                int j = p.get(1);
                double error = Math.sqrt(UNEVEN.getEntry(i, i) + UNEVEN.getEntry(j, j) - 2 * UNEVEN.getEntry(i, j));
                most[s] = Math.max(most[s], Math.abs(value[i] - value[j]) / error / Math.sqrt(chi / freedom));
            }
        }
        Arrays.sort(most);
        assertThat(MaxT.work(UNEVEN, allPairs(4), freedom).critical())
                .isCloseTo(most[(int) (0.95 * studies)], within(0.03));
        assertThat(MaxT.work(UNEVEN, allPairs(4).subList(0, 1), freedom).critical())
                .as("one pair is compared alone")
                .isCloseTo(new TDistribution(freedom).inverseCumulativeProbability(0.975), within(0.005));
    }

    /** A true difference of the stated size is told apart four times in five, among all the others that are compared. */
    @ParameterizedTest
    @CsvSource({"4, 6", "5, 5", "8, 8"})
    void theStatedDifferenceIsToldApartFourTimesInFive(int products, int freedom) {
        MaxT design = even(products, freedom);
        Random random = new Random(products);
        int studies = 20_000;
        int found = 0;
        for (int s = 0; s < studies; s++) {
            double chi = 0;
            for (int k = 0; k < freedom; k++) {
                chi += Math.pow(random.nextGaussian(), 2);
            }
            double t = (design.toldApart() + random.nextGaussian()) / Math.sqrt(chi / freedom);
            found += Math.abs(t) > design.critical() ? 1 : 0;
        }
        assertThat(found / (double) studies).isCloseTo(0.8, within(0.01));
    }

    /** A design up to scale is worked out once. */
    @Test
    void theSameDesignIsWorkedOutOnce() {
        MaxT once = MaxT.of(UNEVEN, allPairs(4), 5);
        assertThat(MaxT.of(UNEVEN.scalarMultiply(3), allPairs(4), 5)).isSameAs(once);
        assertThat(MaxT.of(UNEVEN, allPairs(4), 6)).isNotSameAs(once);
        assertThat(MaxT.of(UNEVEN, allPairs(4).subList(1, 6), 5)).isNotSameAs(once);
    }
}
