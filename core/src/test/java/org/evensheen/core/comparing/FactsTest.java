package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.comparing.Rehearsal.Supposed;
import org.evensheen.core.comparing.Verdict.Pair;
import org.evensheen.core.comparing.Verdict.Result;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a verdict, an estimate and a supposition say of themselves. */
class FactsTest {

    /** Three products three times: 9, 9.2 and 14 N with a little scatter that differs from row to row. */
    private static Verdict verdict() {
        double[] level = {9, 9.2, 14, 18};
        double[][] off = {{0.1, -0.1, 0}, {-0.2, 0.1, 0.1}, {0.1, 0.1, -0.2}, {0, -0.1, 0.1}};
        List<Section> grid = Studies.grid(4, 3);
        StudyRecord study = Studies.study(
                3,
                grid,
                Studies.pulls(grid, Studies.FRESH, s -> level[s.contender()] + off[s.contender()][s.row() - 1]));
        return Judge.verdict(study, Measures.PULL, 1, Optional.empty()).orElseThrow();
    }

    @Test
    void aVerdictKnowsWhoIsToldApartFromWhom() {
        Verdict v = verdict();
        Result first = v.results().get(0);
        Result second = v.results().get(1);
        Result last = v.results().get(2);
        assertThat(first.contender().number()).isZero();
        assertThat(v.apart(first, second)).isFalse();
        assertThat(v.apart(first, last)).isTrue();
        assertThat(v.apart(last, first)).as("either way round").isTrue();
        assertThat(v.comparable(first.contender(), last.contender())).isTrue();
        assertThat(v.result(second.contender())).contains(second);
        assertThat(v.result(Studies.contenders(3).get(3)))
                .as("bare has no result")
                .isEmpty();
        assertThat(v.scatter().orElseThrow().borrowed()).isFalse();
        assertThat(v.ofAnOrder()).isFalse();
        assertThat(v.mean(first)).isCloseTo(9, within(0.05));
    }

    @Test
    void aPairIsToldFromTheWorseToTheBetterAndBothWaysRoundIsTheSamePair() {
        Verdict v = verdict();
        Pair pair = v.pairs().stream().filter(p -> p.joins(0, 2)).findFirst().orElseThrow();
        assertThat(pair.joins(2, 0)).isTrue();
        assertThat(pair.joins(0, 1)).isFalse();
        assertThat(pair.joins(2, 2)).isFalse();
        assertThat(pair.joins(0, 0)).isFalse();
        Verdict.Told told = v.told(pair);
        assertThat(told.value()).as("less pull is better").isCloseTo(5, within(0.1));
        assertThat(told.low()).isBetween(4.0, told.value());
        assertThat(told.high()).isBetween(told.value(), 6.0);
        assertThat(told.ratio()).isFalse();
        assertThat(v.leastTold(pair).orElseThrow()).isBetween(0.2, 1.5);
        assertThat(v.leastToldApart().orElseThrow()).isEqualTo(v.mostToldApart().orElseThrow(), within(1e-9));
        Pair order =
                new Pair(0, 1, new Estimate(1.5, 0.3, 4), Optional.empty(), 0.2, 0.2, false, OptionalDouble.empty());
        assertThat(v.told(order)).as("an order has no interval").isEqualTo(new Verdict.Told(1.5, 1.5, 1.5, false));
        assertThat(v.leastTold(order)).isEmpty();
    }

    @Test
    void anEstimateHasItsIntervalAndItsP() {
        Estimate t = new Estimate(2, 1, 4);
        assertThat(t.interval().low()).isCloseTo(2 - 2.7764, within(1e-4));
        assertThat(t.interval().high()).isCloseTo(2 + 2.7764, within(1e-4));
        assertThat(t.p()).as("of t on four degrees").isCloseTo(0.1161, within(1e-4));
        Estimate z = new Estimate(-1.959964, 1, Double.POSITIVE_INFINITY);
        assertThat(z.p()).isCloseTo(0.05, within(1e-6));
        assertThat(z.interval().high()).isCloseTo(0, within(1e-6));
        assertThat(new Estimate(-3.919928, 2, Double.POSITIVE_INFINITY).p()).isCloseTo(0.05, within(1e-6));
        assertThat(new Estimate(0, 0, 3).p()).isEqualTo(1);
        assertThat(new Estimate(0.1, 0, 3).p()).isZero();
    }

    /** τ 9 is spent after 12.48 weeks; what an earlier study suggests is kept within 2 and 98 %. */
    @Test
    void whatIsSupposedIsToldInWeeksToSpent() {
        assertThat(new Supposed(8, 9).weeksToSpent()).isCloseTo(12.477, within(1e-3));
        assertThat(Supposed.spentAfter(8, 12.477).weeks()).isCloseTo(9, within(1e-3));
        Supposed seen = Supposed.seen(20, 18, 9, 18, 13.5, 6);
        assertThat(seen.fresh()).as("half of bare, as then").isCloseTo(10, within(1e-9));
        assertThat(seen.weeks()).as("half was left after six weeks").isCloseTo(6 / Math.log(2), within(1e-9));
        assertThat(Supposed.seen(20, 18, 9, 18, 18, 6).weeks()).isCloseTo(6 / -Math.log(0.02), within(1e-9));
        assertThat(Supposed.seen(20, 18, 9, 18, 5, 6).weeks()).isCloseTo(6 / -Math.log(0.98), within(1e-9));
    }

    /** Chances of places, held against drawing the same hierarchy plainly: spread half-Cauchy over the typical error, scatter by chi-squared. */
    @ParameterizedTest
    @CsvSource({"0 0.3 2, true, 6", "0 0 0, true, 4", "5 4.2 4, false, 9"})
    void chancesOfPlacesAreThoseOfTheHierarchy(String means, boolean more, double freedom) {
        double[] m = java.util.Arrays.stream(means.split(" "))
                .mapToDouble(Double::parseDouble)
                .toArray();
        double[][] chances = PlaceChances.of(
                m,
                org.hipparchus.linear.MatrixUtils.createRealIdentityMatrix(3).scalarMultiply(0.5),
                0.8,
                freedom,
                more,
                3);
        double[][] plain = plainly(m, 0.5 * 0.8, freedom, more);
        for (int i = 0; i < 3; i++) {
            assertThat(java.util.Arrays.stream(chances[i]).sum()).isCloseTo(1, within(1e-9));
            for (int place = 0; place < 3; place++) {
                assertThat(chances[i][place]).as("%d at place %d", i, place).isCloseTo(plain[i][place], within(0.025));
            }
        }
    }

    /** Weighted draws: the spread and the scatter from their priors, weighed by how well they explain the contrasts. */
    private static double[][] plainly(double[] means, double variance, double freedom, boolean more) {
        java.util.Random random = new java.util.Random(11);
        double typical = Math.sqrt(variance);
        double[][] counted = new double[3][3];
        double all = 0;
        double grand = java.util.Arrays.stream(means).average().orElseThrow();
        for (int draw = 0; draw < 400_000; draw++) {
            double chi = 0;
            for (int k = 0; k < (int) freedom; k++) {
                chi += Math.pow(random.nextGaussian(), 2);
            }
            double error2 = variance * freedom / chi;
            double tau2 = Math.pow(PlaceChances.SCALE * Math.tan(Math.PI / 2 * random.nextDouble()), 2) * error2;
            double total = error2 + tau2;
            double squares = 0;
            for (double m : means) {
                squares += (m - grand) * (m - grand);
            }
            double weight = Math.exp(-squares / (2 * total)) / total;
            double kept = tau2 / total;
            double[] truth = new double[3];
            double middle = 0;
            double[] noise = new double[3];
            for (int i = 0; i < 3; i++) {
                noise[i] = Math.sqrt(kept * error2) * random.nextGaussian();
                middle += noise[i] / 3;
            }
            for (int i = 0; i < 3; i++) {
                truth[i] = kept * (means[i] - grand) + noise[i] - middle;
            }
            for (int i = 0; i < 3; i++) {
                int place = 0;
                for (int j = 0; j < 3; j++) {
                    place += j != i && (more ? truth[j] > truth[i] : truth[j] < truth[i]) ? 1 : 0;
                }
                counted[i][place] += weight;
            }
            all += weight;
        }
        for (double[] row : counted) {
            for (int p = 0; p < 3; p++) {
                row[p] /= all;
            }
        }
        assertThat(typical).isPositive();
        return counted;
    }
}
