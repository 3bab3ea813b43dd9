package org.evensheen.core.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import org.evensheen.core.comparing.Drawn;
import org.evensheen.core.comparing.Estimate;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.measure.Quality;
import org.junit.jupiter.api.Test;

/** Every quality on one scale, weighed for a reader, against what it costs. */
class AnswerTest {
    private static final int DRAWS = 4000;

    private static double[] around(double middle, double spread, long seed) {
        Random random = new Random(seed);
        return random.doubles(DRAWS)
                .map(u -> middle + spread * random.nextGaussian())
                .toArray();
    }

    /** Means of products 0, 1, …, more being better, with so much standard error. */
    private static Drawn drawn(Optional<Double> bare, double error, double... means) {
        List<Integer> products = new ArrayList<>();
        List<Estimate> estimates = new ArrayList<>();
        double[][] draws = new double[means.length][];
        for (int i = 0; i < means.length; i++) {
            products.add(i);
            estimates.add(new Estimate(means[i], error, Double.POSITIVE_INFINITY));
            draws[i] = around(means[i], error, 31L * i + Arrays.hashCode(means));
        }
        return new Drawn(products, estimates, bare, new double[means.length][means.length], 8, draws);
    }

    private static QualityScale scale(Quality quality, double error, double... scores) {
        return QualityScale.of(quality, "test", drawn(Optional.of(0.0), error, scores), Optional.of(0))
                .orElseThrow();
    }

    @Test
    void bareIsZeroAndTheReferenceAHundred() {
        QualityScale s = QualityScale.of(
                        Quality.SLICKNESS, "pull", drawn(Optional.of(-18.0), 0.5, -10, -14, -8, -19), Optional.of(0))
                .orElseThrow();
        assertThat(s.scores().get(0).score()).isCloseTo(100, within(1e-9));
        assertThat(s.scores().get(1).score()).isCloseTo(50, within(1e-9));
        assertThat(s.scores().get(2).score()).isCloseTo(125, within(1e-9));
        assertThat(s.scores().get(3).score()).as("worse than bare").isCloseTo(-12.5, within(1e-9));
        assertThat(s.scores().get(1).interval().high()).isCloseTo(50 + 1.96 * 0.5 / 8 * 100, within(0.01));
        assertThat(s.referred() && s.bottom()).isTrue();
    }

    @Test
    void withoutAReferenceTheBestIsAHundredAndWithoutGainThereIsNoScale() {
        QualityScale s = QualityScale.of(Quality.GLOSS, "gloss", drawn(Optional.of(80.0), 1, 85, 90), Optional.empty())
                .orElseThrow();
        assertThat(s.top()).isEqualTo(1);
        assertThat(s.referred()).isFalse();
        assertThat(s.scores().get(0).score()).isCloseTo(50, within(1e-9));
        assertThat(QualityScale.of(Quality.GLOSS, "gloss", drawn(Optional.of(80.0), 1, 79, 90), Optional.of(0)))
                .as("a reference no better than bare")
                .isEmpty();
        QualityScale unzeroed = QualityScale.of(
                        Quality.FOAM, "foam", drawn(Optional.empty(), 1, 2, 4, 3), Optional.empty())
                .orElseThrow();
        assertThat(unzeroed.bottom()).isFalse();
        assertThat(unzeroed.scores().get(0).score()).isCloseTo(0, within(1e-9));
        assertThat(QualityScale.of(Quality.GLOSS, "g", drawn(Optional.of(1.0), 1, 3, 900), Optional.of(0))
                        .orElseThrow()
                        .scores()
                        .get(1)
                        .score())
                .as("one quality can't drown all others")
                .isEqualTo(QualityScale.MOST);
    }

    @Test
    void livesScoreByTheirRatioAndCostTheOtherWayRound() {
        Map<Integer, double[]> logs =
                new TreeMap<>(Map.of(0, around(Math.log(10), 0.1, 1), 1, around(Math.log(5), 0.1, 2)));
        assertThat(QualityScale.ofLogs(Quality.LIFE, "life", logs, true, Optional.of(0))
                        .orElseThrow()
                        .scores()
                        .get(1)
                        .score())
                .isCloseTo(50, within(1.0));
        assertThat(QualityScale.ofLogs(Quality.COST, "cost", logs, false, Optional.of(0))
                        .orElseThrow()
                        .scores()
                        .get(1)
                        .score())
                .isCloseTo(200, within(4.0));
    }

    private static final Profile HALF =
            new Profile("x", "Half and half", Map.of(Quality.LIFE, 5, Quality.GLOSS, 5, Quality.FOAM, 3));

    @Test
    void totalsAreWeightedMeansOfWhatWasMeasuredOnAll() {
        Weighed w = Weighed.of(
                HALF,
                List.of(0, 1, 2),
                List.of(scale(Quality.LIFE, 2, 100, 40, 90), scale(Quality.GLOSS, 2, 100, 120, 60)));
        assertThat(w.lines()).extracting(Weighed.Line::contender).containsExactly(0, 1, 2);
        assertThat(w.lines())
                .extracting(Weighed.Line::total)
                .usingElementComparator((a, b) -> Math.abs(a - b) < 1e-9 ? 0 : 1)
                .containsExactly(100.0, 80.0, 75.0);
        assertThat(w.unweighed()).containsExactly(Quality.FOAM);
        assertThat(w.lines().get(0).interval().high() - 100)
                .as("halves in quadrature")
                .isCloseTo(1.96 * Math.sqrt(2) * 0.5 * 2, within(0.01));
        assertThat(w.shares().values().stream().mapToDouble(d -> d).sum()).isCloseTo(1, within(1e-9));
        // Parts 50, 20, 45 and 50, 60, 30 around totals 100, 80, 75 with mean 85: 200 and 150 of 350.
        assertThat(w.shares().get(Quality.LIFE)).isCloseTo(200.0 / 350, within(1e-9));
        assertThat(w.chanceFirst(0)).isGreaterThan(0.99);
        assertThat(w.lines()).extracting(Weighed.Line::place).containsExactly(1, 2, 3);
    }

    @Test
    void aMarginIsWhereTheOrderTurns() {
        Weighed w = Weighed.of(
                HALF,
                List.of(0, 1, 2),
                List.of(scale(Quality.LIFE, 2, 100, 40, 90), scale(Quality.GLOSS, 2, 100, 120, 60)));
        // 0 stays before 1 while 60·life > 20·gloss; 1 before 2 while 60·gloss > 50·life.
        assertThat(w.margins().get(Quality.LIFE).low().orElseThrow()).isCloseTo(5 / 3.0, within(1e-9));
        assertThat(w.margins().get(Quality.LIFE).high().orElseThrow()).isCloseTo(6, within(1e-9));
        assertThat(w.margins().get(Quality.GLOSS).low().orElseThrow()).isCloseTo(250 / 60.0, within(1e-9));
        assertThat(w.margins().get(Quality.GLOSS).high().orElseThrow()).isCloseTo(15, within(1e-9));
        List<Integer> order = w.lines().stream().map(Weighed.Line::contender).toList();
        for (int weight = 0; weight <= Profile.MOST; weight++) {
            Weighed moved = Weighed.of(HALF.with(Quality.LIFE, weight), List.of(0, 1, 2), w.scales());
            boolean stays =
                    moved.lines().stream().map(Weighed.Line::contender).toList().equals(order);
            assertThat(stays).as("life at %d", weight).isEqualTo(weight > 5 / 3.0 && weight <= 6);
        }
    }

    @Test
    void equalsShareAPlaceAndNothingMeasuredRanksNobody() {
        Weighed w = Weighed.of(HALF, List.of(0, 1), List.of(scale(Quality.LIFE, 20, 100, 99)));
        assertThat(w.first()).containsExactly(0, 1);
        assertThat(w.chanceFirst(0) + w.chanceFirst(1)).isCloseTo(1, within(1e-9));
        assertThat(Weighed.of(HALF, List.of(0, 1), List.of()).lines()).isEmpty();
        assertThat(Weighed.of(HALF, List.of(0, 1, 7), List.of(scale(Quality.LIFE, 1, 100, 50)))
                        .lines())
                .as("not measured on all")
                .isEmpty();
        assertThatThrownBy(() -> new Profile("n", "None", Map.of(Quality.LIFE, 0)))
                .hasMessageContaining("matter");
        assertThatThrownBy(() -> new Profile("n", "None", Map.of(Quality.LIFE, 11)))
                .hasMessageContaining("weight");
    }

    @Test
    void theEdgeIsWhereNothingIsBothCheaperAndBetter() {
        Weighed w = Weighed.of(HALF, List.of(0, 1, 2), List.of(scale(Quality.LIFE, 1, 100, 40, 90)));
        Map<Integer, double[]> cost = new TreeMap<>(Map.of(
                0, around(Math.log(4), 0.01, 1), 1, around(Math.log(1), 0.01, 2), 2, around(Math.log(5), 0.01, 3)));
        Worth worth = Worth.of(w, cost);
        assertThat(worth.points()).extracting(Worth.Point::contender).containsExactly(1, 0, 2);
        assertThat(worth.points()).extracting(Worth.Point::edge).containsExactly(true, true, false);
        assertThat(worth.of(2).orElseThrow().beatenBy()).contains(0);
        assertThat(worth.of(2).orElseThrow().chance()).isLessThan(0.01);
        assertThat(worth.of(0).orElseThrow().cost()).isCloseTo(4, within(0.05));
        Weighed cheap = Weighed.of(
                new Profile("c", "Cheap", Map.of(Quality.COST, 5)),
                List.of(0, 1, 2),
                List.of(QualityScale.ofLogs(Quality.COST, "cost", cost, false, Optional.of(0))
                        .orElseThrow()));
        List<Advice> advice = Advice.of(w, List.of(w, cheap), worth, Footing.FIRM);
        assertThat(advice)
                .extracting(Advice::kind)
                .containsExactly(Advice.Kind.KEEP, Advice.Kind.SKIP, Advice.Kind.ONLY_FOR);
        assertThat(advice.get(1).beatenBy()).contains(0);
        assertThat(advice.get(1).cheaperToo()).isTrue();
        assertThat(advice.get(2).onlyFor()).containsExactly("Cheap");
        assertThat(Advice.of(w, List.of(w), worth, Footing.FIRM).get(2).kind())
                .isEqualTo(Advice.Kind.IF_IT_MUST_COST_LESS);
        assertThat(Advice.of(w, List.of(w), worth, Footing.ANECDOTE))
                .extracting(Advice::kind)
                .containsOnly(Advice.Kind.OPEN);
    }

    /** Totals 100 and 90 with errors of 5 each: the difference has a variance of 50, and a way that leaves half moves its mean by √25 and is parted beyond 1.96 × 5. */
    @Test
    void waysOfGoingOnPartTheFirstTwoAsOftenAsTheirNumbersSay() {
        Weighed w = Weighed.of(HALF, List.of(0, 1), List.of(scale(Quality.LIFE, 5, 100, 90)));
        List<Onward.Rehearsed> all = Onward.rehearse(
                w,
                List.of(
                        way(Onward.Kind.SECTIONS, 1, 40, Quality.LIFE, 0.5),
                        way(Onward.Kind.SECTIONS, 2, 60, Quality.LIFE, 0.1),
                        way(Onward.Kind.VISITS, 1, 10, Quality.GLOSS, 0.01),
                        way(Onward.Kind.VISITS, 2, 20, Quality.LIFE, 0.08),
                        way(Onward.Kind.AGAIN, 1, 20, Quality.LIFE, 0.9)),
                3);
        assertThat(all.get(0).parts()).isCloseTo(0.516, within(0.03));
        assertThat(all.get(1).parts())
                .as("Φ((10 − 4.383)/6.708), and the other side")
                .isCloseTo(0.815, within(0.025));
        assertThat(all.get(2).parts()).as("what it reads does not matter here").isZero();
        assertThat(Onward.least(all).orElseThrow().way().kind()).isEqualTo(Onward.Kind.VISITS);
        assertThat(Onward.eachKind(all))
                .extracting(r -> r.way().kind(), r -> r.way().times())
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(Onward.Kind.VISITS, 2),
                        org.assertj.core.groups.Tuple.tuple(Onward.Kind.SECTIONS, 2),
                        org.assertj.core.groups.Tuple.tuple(Onward.Kind.AGAIN, 1));
        assertThat(Onward.rehearse(
                        Weighed.of(HALF, List.of(0, 1), List.of(scale(Quality.LIFE, 1, 100, 40))),
                        List.of(way(Onward.Kind.AGAIN, 1, 20, Quality.LIFE, 0.9)),
                        3))
                .as("the first stands alone")
                .isEmpty();
        assertThat(Onward.least(List.of(all.get(0)))).isEmpty();
        assertThat(Onward.left(2, 6)).isEqualTo(0.25);
        assertThatThrownBy(() -> way(Onward.Kind.AGAIN, 1, 20, Quality.LIFE, 0)).hasMessageContaining("quite sure");
        assertThatThrownBy(() -> way(Onward.Kind.AGAIN, 0, 20, Quality.LIFE, 0.5))
                .hasMessageContaining("time");
    }

    /** Half of each: 10 ± √50 and 4 ± √32 make 7 with a variance of 20.5; read again is the first alone, so its mean moves by 2.5, and 14.25 stay. */
    @Test
    void aWayMakesSurerOnlyWhatItReads() {
        Profile both = new Profile("b", "Both", Map.of(Quality.LIFE, 4, Quality.GLOSS, 4));
        Weighed w = Weighed.of(
                both, List.of(0, 1), List.of(scale(Quality.LIFE, 5, 100, 90), scale(Quality.GLOSS, 4, 100, 96)));
        Onward.Way life = way(Onward.Kind.VISITS, 1, 30, Quality.LIFE, 0.5);
        assertThat(Onward.rehearse(w, List.of(life), 3).get(0).parts()).isCloseTo(0.437, within(0.035));
        // Both read again: the mean moves by √10.25, and 10.25 stay.
        Onward.Way all = new Onward.Way(Onward.Kind.AGAIN, 1, 30, 0, Map.of(Quality.LIFE, 0.5, Quality.GLOSS, 0.5));
        assertThat(Onward.rehearse(w, List.of(all), 3).get(0).parts()).isCloseTo(0.590, within(0.035));
    }

    @Test
    void theLeastWorkIsTakenThenTheShortestWaitAndFourInFiveIsEnough() {
        Onward.Rehearsed slow =
                new Onward.Rehearsed(new Onward.Way(Onward.Kind.VISITS, 4, 60, 8, Map.of()), Onward.MOSTLY);
        Onward.Rehearsed soon = new Onward.Rehearsed(new Onward.Way(Onward.Kind.ROUNDS, 2, 60, 0, Map.of()), 0.9);
        Onward.Rehearsed less = new Onward.Rehearsed(new Onward.Way(Onward.Kind.ROUNDS, 1, 30, 0, Map.of()), 0.79);
        assertThat(Onward.least(List.of(slow, soon, less))).contains(soon);
        assertThat(Onward.least(List.of(slow, less))).contains(slow);
        assertThat(Onward.eachKind(List.of(soon, slow, less)))
                .as("of the rounds two, though one was tried after them")
                .containsExactly(slow, soon);
        assertThat(new Onward.Way(Onward.Kind.ROUNDS, 1, 0, 0, Map.of(Quality.LIFE, 1.0)).left())
                .as("nothing made surer, for nothing")
                .hasSize(1);
    }

    private static Onward.Way way(Onward.Kind kind, int times, double minutes, Quality of, double left) {
        return new Onward.Way(kind, times, minutes, 0, Map.of(of, left));
    }

    /** The share told agrees with sections that are drawn, read and tested one by one. */
    @Test
    void theShareToldIsThatOfStudiesCarriedOut() {
        Random random = new Random(11);
        int parted = 0;
        int studies = 4000;
        for (int study = 0; study < studies; study++) {
            // Three sections each were read, σ 6: the difference is believed to be 7 with a variance of 2·36/3. Two
            // more each are read.
            double truth = 7 + Math.sqrt(24) * random.nextGaussian();
            double more = truth + Math.sqrt(36) * random.nextGaussian();
            double all = (3 * 7 + 2 * more) / 5;
            parted += Math.abs(all) > 1.959964 * Math.sqrt(2 * 36 / 5.0) ? 1 : 0;
        }
        double told = Onward.parts(List.of(new Onward.Group(around(7, Math.sqrt(24), 5), Onward.left(3, 2))), 9);
        assertThat(told).isCloseTo(parted / (double) studies, within(0.03));
    }
}
