package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** Lives as intervals: the worked numbers, and what is said of few, equal or endless ones. */
class LivesTest {
    private static final double ON = Double.POSITIVE_INFINITY;

    /** A (0) 8–10, 4–6, 6–8, 10–12; B (1) 4–6, 2–4, 2–4, 6–8; C (2) 10–12, > 12, 6–8, > 12. */
    private static List<Life> worked() {
        double[][][] intervals = {
            {{8, 10}, {4, 6}, {6, 8}, {10, 12}},
            {{4, 6}, {2, 4}, {2, 4}, {6, 8}},
            {{10, 12}, {12, ON}, {6, 8}, {12, ON}}
        };
        List<Life> lives = new ArrayList<>();
        for (int p = 0; p < intervals.length; p++) {
            for (int i = 0; i < intervals[p].length; i++) {
                lives.add(new Life("" + p + i, p, 1, intervals[p][i][0], intervals[p][i][1]));
            }
        }
        return lives;
    }

    @Test
    void theMaximumIsTheWorkedOne() {
        Lives.Point plain = Lives.maximum(worked(), false);
        assertThat(plain.medians()).containsExactly(new double[] {7.678, 4.265, 11.688}, within(1e-3));
        assertThat(plain.sigma()).isCloseTo(0.3260, within(1e-4));
        assertThat(plain.log()).isCloseTo(-16.3025, within(1e-4));
        Lives.Point weak = Lives.maximum(worked(), true);
        assertThat(weak.medians()).containsExactly(new double[] {7.681, 4.271, 11.659}, within(1e-3));
        assertThat(weak.sigma()).isCloseTo(0.3202, within(1e-4));
    }

    @Test
    void whatIsToldLiesAroundTheMaximumAndCarriesBothUncertainties() {
        Lives lives = Lives.fit(worked(), 12);
        Lives.Told a = lives.told(0);
        assertThat(a.median().orElseThrow()).isCloseTo(7.68, within(0.15));
        assertThat(a.interval().low()).isBetween(5.0, 6.0);
        assertThat(a.interval().high()).isBetween(10.5, 12.5);
        assertThat(lives.sigma()).isBetween(0.28, 0.42);
        assertThat(lives.chanceBelow(0, 7.68)).isCloseTo(0.5, within(0.06));
        assertThat(lives.chanceBelow(0, a.interval().low())).isCloseTo(0.025, within(1e-3));
        assertThat(lives.chanceBelow(0, a.interval().high())).isCloseTo(0.975, within(1e-3));
        Lives.Ranking ranking = lives.ranking(1);
        assertThat(ranking.ranked()).containsExactly(2, 0, 1);
        Lives.Pair ab = ranking.pairs().get(2);
        assertThat(ab.longer()).isZero();
        assertThat(ab.ratio().orElseThrow()).isCloseTo(7.681 / 4.271, within(0.1));
        assertThat(ab.interval().low()).isLessThan(ab.ratio().orElseThrow());
        assertThat(ranking.places()).as("C and A can't be told apart").containsExactly(1, 1, 2);
        assertThat(ranking.chances().get(0).stream().mapToDouble(c -> c).sum()).isCloseTo(1, within(1e-9));
        assertThat(lives.ranking(1)).as("the same seed, the same draws").isEqualTo(ranking);
    }

    /** Nothing is said beyond twice the span, and what goes on everywhere has no median. */
    @Test
    void aProductThatIsSpentNowhereHasOnlyALowerEnd() {
        Lives lives = Lives.fit(List.of(new Life("A", 0, 1, 12, ON), new Life("B", 0, 1, 12, ON)), 12);
        Lives.Told told = lives.told(0);
        assertThat(told.median()).isEqualTo(OptionalDouble.empty());
        assertThat(told.interval().high()).isInfinite();
        assertThat(told.interval().low()).as("ln 12 − 0.76 σ and more").isBetween(8.5, 9.8);
        assertThat(told.goOn()).isEqualTo(2);
        assertThat(lives.chanceBelow(0, 24))
                .as("what lies beyond is not squeezed in")
                .isBetween(0.2, 0.6);
        assertThat(lives.chanceBelow(0, 6)).isLessThan(0.01);
    }

    /** How many times as long something lasts that is nowhere spent is not told; that it lasts longer may be. */
    @Test
    void aRatioToWhatGoesOnIsOpen() {
        List<Life> lives = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            lives.add(new Life("A" + i, 0, 1, 12, ON));
            lives.add(new Life("B" + i, 1, 1, 2, 4));
            lives.add(new Life("C" + i, 2, 1, 12, ON));
        }
        List<Lives.Pair> pairs = Lives.fit(lives, 12).ranking(3).pairs();
        for (Lives.Pair p : pairs) {
            assertThat(p.ratio()).isEmpty();
            assertThat(p.interval().high()).isInfinite();
            assertThat(p.apart()).isEqualTo(p.shorter() == 1);
        }
        assertThat(pairs.stream().filter(Lives.Pair::apart))
                .hasSize(2)
                .allMatch(p -> p.interval().low() > 1.5);
    }

    @Test
    void oneSectionEachStillCarriesTheScatterOfSections() {
        Lives lives = Lives.fit(List.of(new Life("A", 0, 1, 8, 10), new Life("B", 1, 1, 8, 10)), 12);
        double width =
                lives.told(0).interval().high() / lives.told(0).interval().low();
        assertThat(width).as("σ of 0.3 alone makes exp(4 × 0.3)").isGreaterThan(2.5);
        assertThat(lives.ranking(1).places()).containsExactly(1, 1);
    }

    /** Rows that live differently are taken out where there are enough sections, and never where there are not. */
    @Test
    void rowsAreTakenOutWhereTheyLeaveFreedom() {
        List<Life> lives = new ArrayList<>();
        for (int p = 0; p < 4; p++) {
            for (int row = 1; row <= 3; row++) {
                double at = (6 + p) * (row == 1 ? 0.6 : row == 2 ? 1 : 1.5);
                lives.add(new Life("" + p + row, p, row, at - 0.5, at + 0.5));
            }
        }
        Lives fit = Lives.fit(lives, 20);
        assertThat(fit.rows().get(1)).isBetween(0.55, 0.75);
        assertThat(fit.rows().get(3)).isBetween(1.35, 1.65);
        List<Life> sameRow = lives.stream()
                .map(l -> new Life(l.section(), l.contender(), 1, l.low(), l.high()))
                .toList();
        assertThat(fit.sigma()).isLessThan(0.75 * Lives.fit(sameRow, 20).sigma());
        assertThat(Lives.fit(lives.subList(0, 6), 20).rows()).isEmpty();
    }

    @Test
    void survivalStepsDownAtTheVisitsAtWhichSectionsWereFoundSpent() {
        List<Life> lives = List.of(
                new Life("A", 0, 1, 6, 7),
                new Life("B", 0, 1, 8, 9),
                new Life("C", 0, 1, 8, 9),
                new Life("D", 0, 1, 10, 11),
                new Life("E", 0, 1, 12, ON),
                new Life("F", 0, 1, 12, ON));
        List<Survival.Step> steps = Survival.steps(lives);
        assertThat(steps).extracting(Survival.Step::at).containsExactly(7.0, 9.0, 11.0);
        assertThat(steps.stream().mapToDouble(Survival.Step::share).toArray())
                .containsExactly(new double[] {0.8333, 0.5, 0.3333}, within(5e-5));
        assertThat(steps.get(1).interval().high())
                .as("Greenwood: 0.5 + 1.96 √(0.25 (1/30 + 2/15))")
                .isCloseTo(0.9001, within(1e-4));
        assertThat(Survival.logRankP(lives))
                .as("one product has nothing to differ from")
                .isEmpty();
    }

    /** Two groups of four: Σ(observed − expected)² over the hypergeometric variance, worked out a second way. */
    @Test
    void logRankIsThatOfTheTextbook() {
        List<Life> lives = List.of(
                new Life("A", 0, 1, 1, 2),
                new Life("B", 0, 1, 2, 3),
                new Life("C", 0, 1, 3, 4),
                new Life("D", 0, 1, 5, ON),
                new Life("E", 1, 1, 4, 5),
                new Life("F", 1, 1, 5, 6),
                new Life("G", 1, 1, 7, ON),
                new Life("H", 1, 1, 7, ON));
        Survival.LogRank test = Survival.logRank(lives);
        assertThat(test.freedom()).isEqualTo(1);
        assertThat(test.statistic()).isCloseTo(LOG_RANK, within(1e-4));
        assertThat(test.p()).isCloseTo(LOG_RANK_P, within(1e-4));
    }

    private static final double LOG_RANK = 2.69716;
    private static final double LOG_RANK_P = 0.10053;
}
