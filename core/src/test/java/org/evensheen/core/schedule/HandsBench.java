package org.evensheen.core.schedule;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import org.evensheen.core.units.Span;

/** Times plans for one pair of hands; run by bench/hands, not by the tests. */
final class HandsBench {
    private static final double[][] LABELS = {
        {60, 180}, {30, 60}, {300, 600}, {10, 30}, {10, 60}, {120, 240}, {45, 90}, {5, 60}
    };

    private HandsBench() {}

    public static void main(String[] arguments) {
        Random random = new Random(4);
        List<HandJob> sixteen = jobs(random);
        double cold = once(() -> PairOfHands.plan(sixteen));
        double four = median(() -> PairOfHands.plan(jobs(random).subList(0, 4)));
        double[] order = new double[40];
        double worst = 0;
        double idle = 0;
        for (int i = 0; i < order.length; i++) {
            List<HandJob> jobs = jobs(random);
            HandPlan[] plan = new HandPlan[1];
            order[i] = once(() -> plan[0] = PairOfHands.plan(jobs));
            worst = Math.max(worst, order[i]);
            idle = Math.max(idle, plan[0].end() / plan[0].bound() - 1);
        }
        double again = median(() -> PairOfHands.plan(underWay(jobs(random)), 20));
        System.out.printf("4 sections, looked through to the end     %8.1f ms   1.0x%n", four);
        System.out.printf(
                "16 sections of 8 products, first in a JVM %8.1f ms %5.1fx   budget 1000 ms: %.2f of it%n",
                cold, cold / four, cold / 1000);
        System.out.printf(
                "16 sections, the slowest of 40            %8.1f ms %5.1fx   budget 1000 ms: %.2f of it%n",
                worst, worst / four, worst / 1000);
        System.out.printf(
                "anew from the middle, 10 left             %8.1f ms %5.1fx   budget 300 ms: %.2f of it%n",
                again, again / four, again / 300);
        System.out.printf("at most %.1f %% above what no order can go below%n", 100 * idle);
    }

    private static List<HandJob> jobs(Random random) {
        return IntStream.range(0, 16)
                .mapToObj(i -> new HandJob(
                        "S" + i,
                        0,
                        20 + random.nextInt(25),
                        new Span(LABELS[i % 8][0], LABELS[i % 8][1]),
                        25 + random.nextInt(30)))
                .toList();
    }

    /** Six are done, one waits, the rest is to come. */
    private static List<HandJob> underWay(List<HandJob> jobs) {
        List<HandJob> left = new ArrayList<>(jobs.subList(7, 16));
        HandJob paste = jobs.get(2);
        left.add(new HandJob("waits", 0, paste.spread(), paste.window(), paste.finish(), OptionalDouble.of(-200)));
        return left;
    }

    private static double once(Runnable run) {
        long start = System.nanoTime();
        run.run();
        return (System.nanoTime() - start) / 1e6;
    }

    private static double median(Runnable run) {
        return IntStream.range(0, 15)
                .mapToDouble(i -> once(run))
                .sorted()
                .skip(7)
                .findFirst()
                .orElseThrow();
    }
}
