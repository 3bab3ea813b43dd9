package org.evensheen.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.evensheen.core.schedule.HandPlan.Act;
import org.evensheen.core.schedule.HandPlan.Kind;
import org.evensheen.core.units.Span;
import org.junit.jupiter.api.Test;

class PairOfHandsTest {
    private static final double SMALL = 1e-6;

    private static HandJob job(String key, double spread, double least, double most, double finish) {
        return new HandJob(key, 0, spread, new Span(least, most), finish);
    }

    /** Every order there is, each with its earliest times by relaxing all constraints until nothing moves. */
    private static double soonestByTryingAll(List<HandJob> jobs) {
        return orders(jobs.size(), new ArrayList<>(), new int[jobs.size()]).stream()
                .mapToDouble(order -> relaxed(jobs, order))
                .min()
                .orElseThrow();
    }

    private static List<int[]> orders(int n, List<Integer> so, int[] used) {
        List<int[]> all = new ArrayList<>();
        if (so.size() == 2 * n) {
            all.add(so.stream().mapToInt(Integer::intValue).toArray());
            return all;
        }
        for (int j = 0; j < n; j++) {
            if (used[j] < 2) {
                used[j]++;
                so.add(j);
                all.addAll(orders(n, so, used));
                so.remove(so.size() - 1);
                used[j]--;
            }
        }
        return all;
    }

    private static double relaxed(List<HandJob> jobs, int[] order) {
        double[] start = new double[order.length];
        int[] first = new int[jobs.size()];
        java.util.Arrays.fill(first, -1);
        boolean[] finishing = new boolean[order.length];
        for (int i = 0; i < order.length; i++) {
            finishing[i] = first[order[i]] >= 0;
            first[order[i]] = finishing[i] ? first[order[i]] : i;
        }
        for (int pass = 0; pass <= 2 * order.length; pass++) {
            boolean moved = false;
            for (int i = 0; i < order.length; i++) {
                HandJob job = jobs.get(order[i]);
                double at = Math.max(start[i], finishing[i] ? 0 : job.readyAt());
                if (i > 0) {
                    HandJob before = jobs.get(order[i - 1]);
                    at = Math.max(at, start[i - 1] + (finishing[i - 1] ? before.finish() : before.spread()));
                }
                if (finishing[i]) {
                    int s = first[order[i]];
                    at = Math.max(at, start[s] + job.spread() + job.window().low());
                    double needed = at - job.window().high() - job.spread();
                    if (needed > start[s] + SMALL) {
                        start[s] = needed;
                        moved = true;
                    }
                }
                if (at > start[i] + SMALL) {
                    start[i] = at;
                    moved = true;
                }
            }
            if (!moved) {
                int last = order.length - 1;
                return start[last] + jobs.get(order[last]).finish();
            }
        }
        return Double.MAX_VALUE;
    }

    private static void keepsEverything(List<HandJob> jobs, HandPlan plan) {
        double free = 0;
        for (Act act : plan.acts()) {
            assertThat(act.start()).as("hands are free for %s", act).isGreaterThanOrEqualTo(free - SMALL);
            free = act.end();
        }
        for (HandJob job : jobs) {
            Act finish = plan.act(job.key(), Kind.FINISH).orElseThrow();
            double spread = job.spreadEnd()
                    .orElseGet(
                            () -> plan.act(job.key(), Kind.SPREAD).orElseThrow().end());
            assertThat(finish.start() - spread)
                    .as("wait of %s", job.key())
                    .isBetween(job.window().low() - SMALL, job.window().high() + SMALL);
        }
    }

    @Property(tries = 60)
    void endsAsSoonAsTheBestOfAllOrders(@ForAll @IntRange(min = 1, max = 4) int n, @ForAll long seed) {
        Random random = new Random(seed);
        List<HandJob> jobs = IntStream.range(0, n)
                .mapToObj(i -> {
                    int least = random.nextInt(120);
                    return new HandJob(
                            "S" + i,
                            random.nextInt(3) == 0 ? random.nextInt(90) : 0,
                            10 + random.nextInt(50),
                            new Span(least, least + random.nextInt(60)),
                            10 + random.nextInt(60));
                })
                .toList();

        HandPlan plan = PairOfHands.plan(jobs);

        keepsEverything(jobs, plan);
        assertThat(plan.soonest()).isTrue();
        assertThat(plan.end()).isCloseTo(soonestByTryingAll(jobs), org.assertj.core.api.Assertions.within(1e-4));
    }

    @Test
    void worksInsideALongWaitInsteadOfStandingStill() {
        List<HandJob> jobs =
                List.of(job("paste", 30, 300, 600, 40), job("mist", 20, 30, 60, 25), job("seal", 30, 60, 180, 35));

        HandPlan plan = PairOfHands.plan(jobs);

        keepsEverything(jobs, plan);
        assertThat(plan.acts().get(0).key()).isEqualTo("paste");
        assertThat(plan.end()).as("no longer than the paste alone").isEqualTo(30 + 300 + 40);
    }

    @Test
    void ordersSixteenSectionsOfEightProductsNearTheSoonestEnd() {
        double[][] labels = {{60, 180}, {30, 60}, {300, 600}, {10, 30}, {10, 60}, {120, 240}, {45, 90}, {0, 60}};
        List<HandJob> jobs = IntStream.range(0, 16)
                .mapToObj(i -> job("S" + i, 35, labels[i % 8][0], labels[i % 8][1], 45))
                .toList();

        HandPlan plan = PairOfHands.plan(jobs);

        keepsEverything(jobs, plan);
        assertThat(plan.end()).as("hands rest at most a twentieth").isLessThan(16 * (35 + 45) * 1.05);
        assertThat(plan.end()).isGreaterThanOrEqualTo(plan.bound());
    }

    @Test
    void saysWhichWindowCanNotBeKeptAndMissesItByAsLittleAsPossible() {
        HandJob waiting = new HandJob("G", 0, 30, new Span(30, 60), 40, OptionalDouble.of(-50));
        HandJob alsoWaiting = new HandJob("K", 0, 30, new Span(30, 60), 40, OptionalDouble.of(-48));
        HandJob open = job("M", 30, 30, 60, 40);

        HandPlan plan = PairOfHands.plan(List.of(open, waiting, alsoWaiting), 0);

        assertThat(plan.acts().get(0).key()).isEqualTo("G");
        assertThat(plan.acts().get(1).key()).isEqualTo("K");
        assertThat(plan.missed()).containsExactly(new HandPlan.Missed("K", 28));
    }

    @Test
    void whatWaitsAlreadyIsFinishedInTimeHoweverMuchElseCouldBeBegun() {
        List<HandJob> jobs = new ArrayList<>();
        jobs.add(new HandJob("begun", 0, 24, new Span(10, 30), 30, OptionalDouble.of(-5)));
        for (int i = 0; i < 9; i++) {
            jobs.add(job("p" + i, 24 + i, 60 * (1 + i % 3), 180 * (1 + i % 3), 30));
        }

        HandPlan plan = PairOfHands.plan(jobs);

        assertThat(plan.missed()).isEmpty();
        assertThat(plan.act("begun", HandPlan.Kind.FINISH).orElseThrow().start())
                .isBetween(5.0, 25.0);
    }

    @Test
    void doesNotStandStillWhileThereIsSomethingToSpread() {
        List<HandJob> jobs = new ArrayList<>();
        jobs.add(new HandJob("G", 0, 11, new Span(300, 600), 13, OptionalDouble.of(-40)));
        jobs.add(new HandJob("F", 0, 11, new Span(300, 600), 13, OptionalDouble.of(-11)));
        jobs.add(new HandJob("J", 0, 11, new Span(60, 180), 13, OptionalDouble.of(0)));
        jobs.add(job("A", 11, 60, 180, 13));
        jobs.add(job("M", 11, 30, 60, 13));
        jobs.add(job("K", 11, 30, 60, 13));
        jobs.add(job("D", 11, 10, 30, 13));
        jobs.add(job("E", 11, 10, 60, 13));

        HandPlan plan = PairOfHands.plan(jobs);

        assertThat(plan.end()).as("the paste decides when it is over").isBetween(301.9, 302.1);
        assertThat(plan.acts().get(0).start()).isZero();
        double shortWaits = plan.acts().stream()
                .filter(a -> !a.key().equals("G") && !a.key().equals("F"))
                .mapToDouble(HandPlan.Act::end)
                .max()
                .orElseThrow();
        assertThat(shortWaits).as("all else is over with hardly a rest").isLessThan(5 * 11 + 6 * 13 + 20);
    }

    @Test
    void cutsABatchBetweenBlocksSoThatItEndsByALimit() {
        List<List<HandJob>> blocks = List.of(
                List.of(job("A", 30, 30, 60, 40), job("B", 30, 30, 60, 40)),
                List.of(job("C", 30, 30, 60, 40), job("D", 30, 30, 60, 40)));

        assertThat(PairOfHands.groupsWithin(blocks, 10_000, PairOfHands::plan)).isEqualTo(2);
        assertThat(PairOfHands.groupsWithin(blocks, 200, PairOfHands::plan)).isEqualTo(1);
        assertThat(PairOfHands.groupsWithin(blocks, 60, PairOfHands::plan)).isZero();
    }

    @Test
    void learnsTheHandsPaceFromTheirMedian() {
        assertThat(HandPace.timed(List.of(1.5, 9.0)).factor()).isEqualTo(1);
        assertThat(HandPace.timed(List.of(1.5, 1.4, 9.0)).factor()).isEqualTo(1.5);
        assertThat(HandPace.USUAL.spread(0.25)).isEqualTo(12 + 90 * 0.25);
    }
}
