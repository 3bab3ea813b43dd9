package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.evensheen.core.comparing.CumulativeLogit.Graded;
import org.evensheen.core.comparing.Davidson.Tally;
import org.evensheen.core.comparing.LotPermutation.Lot;
import org.junit.jupiter.api.Test;

class OrdersAndPairsTest {
    /** MEASURES 14. */
    @Test
    void theWorkedBallots() {
        List<Tally> tallies = List.of(new Tally(0, 1, 11, 4, 5), new Tally(0, 2, 14, 2, 4), new Tally(1, 2, 8, 6, 6));
        Davidson likely = Davidson.fit(3, tallies, false);
        assertThat(likely.worths()).containsExactly(new double[] {0.9783, -0.2588, -0.7195}, within(5e-5));
        assertThat(likely.tie()).isCloseTo(0.7927, within(5e-5));
        assertThat(likely.log()).isCloseTo(-57.9934, within(5e-5));
        double[][] differences = {{0, 1, 1.2371, 0.4929}, {0, 2, 1.6979, 0.5211}, {1, 2, 0.4608, 0.4582}};
        for (double[] d : differences) {
            Estimate difference = likely.difference((int) d[0], (int) d[1]);
            assertThat(difference.value()).isCloseTo(d[2], within(1e-4));
            assertThat(difference.standardError()).isCloseTo(d[3], within(1e-4));
        }
        Davidson weak = Davidson.fit(3, tallies, true);
        assertThat(weak.worths()).containsExactly(new double[] {0.8689, -0.2293, -0.6395}, within(1e-4));
        assertThat(weak.tie()).isCloseTo(0.7832, within(1e-4));
    }

    @Test
    void whoWinsEverythingHasNoLikeliestWorthButAWeakPriorGivesOne() {
        List<Tally> sweep = List.of(new Tally(0, 1, 5, 0, 0));
        assertThatIllegalStateException().isThrownBy(() -> Davidson.fit(2, sweep, false));
        assertThat(Davidson.fit(2, sweep, true).difference(0, 1).value()).isBetween(1.0, 3.0);
    }

    /** MEASURES 14. */
    @Test
    void theWorkedGrades() {
        double[][] grades = {{4, 3, 4}, {2, 3, 2}, {1, 1, 0}};
        List<Graded> graded = new ArrayList<>();
        for (int product = 0; product < 3; product++) {
            for (double grade : grades[product]) {
                graded.add(new Graded(product, 0, grade));
            }
        }
        CumulativeLogit fit = CumulativeLogit.fit(graded);
        assertThat(fit.effects()).containsExactly(new double[] {1.885, 0.135, -2.021}, within(5e-4));
        assertThat(fit.log()).isCloseTo(-10.5305, within(5e-5));
        assertThat(CumulativeLogit.fit(graded.stream()
                                .map(g -> new Graded(g.treatment(), 0, Math.exp(g.grade())))
                                .toList())
                        .effects())
                .as("only the order of grades counts")
                .containsExactly(fit.effects(), within(1e-6));
    }

    @Test
    void aHardBlockIsTakenOutOfTheGrades() {
        List<Graded> graded = new ArrayList<>();
        for (int block = 0; block < 4; block++) {
            graded.add(new Graded(0, block, 4 - block));
            if (block != 0) {
                graded.add(new Graded(1, block, 3 - block));
            }
        }
        assertThat(CumulativeLogit.fit(graded).effects()[0])
                .as("better in every block")
                .isGreaterThan(0.7);
        assertThat(CumulativeLogit.fit(graded.stream()
                                .map(g -> new Graded(g.treatment(), 0, 2))
                                .toList())
                        .effects())
                .as("all alike")
                .containsExactly(new double[] {0, 0}, within(1e-9));
    }

    private static Lot lot(boolean first, int block, double score) {
        return new Lot(first, block, score);
    }

    @Test
    void threeBlocksOfOnePairNeverGoBelowAQuarter() {
        List<Lot> clear = new ArrayList<>();
        for (int block = 0; block < 3; block++) {
            clear.add(lot(true, block, 4));
            clear.add(lot(false, block, 0));
        }
        assertThat(LotPermutation.p(clear)).isEqualTo(0.25);
        clear.add(lot(true, 3, 4));
        clear.add(lot(false, 3, 0));
        assertThat(LotPermutation.p(clear)).isEqualTo(0.125);
        assertThat(LotPermutation.p(List.of(lot(true, 0, 4), lot(false, 1, 0))))
                .as("no other lots were possible")
                .isEqualTo(1);
    }

    /** Three of each in one block: 20 lots, and only one other differs as much. */
    @Test
    void lotsWithinABlockAreCountedHoweverManyThereAre() {
        List<Lot> six = new ArrayList<>();
        List<Lot> many = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            six.add(lot(i < 3, 0, i < 3 ? 3 + i % 2 : i % 3));
        }
        assertThat(LotPermutation.p(six)).isEqualTo(0.1);
        for (int i = 0; i < 40; i++) {
            many.add(lot(i < 20, 0, i < 20 ? 1 : 0));
        }
        assertThat(LotPermutation.p(many))
                .as("one lot of C(40, 20) and its opposite")
                .isCloseTo(2 / 137_846_528_820.0, within(1e-18));
    }

    /** Equal products are told apart no oftener than promised, whatever the blocks do. */
    @Test
    void equalsAreToldApartAtMostAsOftenAsPromised() {
        Random random = new Random(8);
        int below = 0;
        int studies = 2000;
        for (int s = 0; s < studies; s++) {
            List<Lot> lots = new ArrayList<>();
            for (int block = 0; block < 6; block++) {
                int hard = random.nextInt(3);
                for (int i = 0; i < 4; i++) {
                    lots.add(lot(i % 2 == 0, block, Math.max(0, random.nextInt(5) - hard)));
                }
            }
            below += LotPermutation.p(lots) < 0.05 ? 1 : 0;
        }
        assertThat(below / (double) studies).isLessThan(0.055);
    }

    @Test
    void holmStepsDownAndNeverFalls() {
        assertThat(Holm.adjust(new double[] {0.01, 0.04, 0.03, 0.005}))
                .containsExactly(new double[] {0.03, 0.06, 0.06, 0.02}, within(1e-12));
        assertThat(Holm.adjust(new double[] {0.6, 0.7})).containsExactly(1, 1);
    }
}
