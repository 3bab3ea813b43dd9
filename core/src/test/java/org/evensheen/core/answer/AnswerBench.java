package org.evensheen.core.answer;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.Supplier;
import org.evensheen.core.comparing.Drawn;
import org.evensheen.core.comparing.Estimate;
import org.evensheen.core.league.Meeting;
import org.evensheen.core.league.Network;
import org.evensheen.core.measure.Quality;

/** Times a moved weight of 12 products on 8 qualities, and a league of 1 000 meetings among 2 000 products; run by bench/answer, not by the tests. */
final class AnswerBench {
    private static final int PRODUCTS = 12;
    private static final int DRAWS = 10_000;

    private AnswerBench() {}

    public static void main(String[] arguments) {
        Random random = new Random(1);
        List<QualityScale> scales = new ArrayList<>();
        List<Integer> products = new ArrayList<>();
        for (int i = 0; i < PRODUCTS; i++) {
            products.add(i);
        }
        for (Quality q : Quality.values()) {
            List<Estimate> means = new ArrayList<>();
            double[][] draws = new double[PRODUCTS][DRAWS];
            for (int i = 0; i < PRODUCTS; i++) {
                double mean = 40 + 60 * random.nextDouble();
                means.add(new Estimate(mean, 6, 20));
                Arrays.setAll(draws[i], d -> mean + 6 * random.nextGaussian());
            }
            scales.add(QualityScale.of(
                            q,
                            q.code(),
                            new Drawn(products, means, Optional.of(0.0), new double[PRODUCTS][PRODUCTS], 20, draws),
                            Optional.of(0))
                    .orElseThrow());
        }
        Map<Integer, double[]> cost = new TreeMap<>();
        for (int i : products) {
            double[] log = new double[DRAWS];
            double middle = random.nextDouble();
            Arrays.setAll(log, d -> middle + 0.2 * random.nextGaussian());
            cost.put(i, log);
        }
        Profile sea = Profile.shipped().get(0);
        double weight = median(() -> {
            Profile moved = sea.with(Quality.GLOSS, 7);
            Weighed all = Weighed.of(moved, products, scales);
            Worth worth = Worth.of(Weighed.of(moved.with(Quality.COST, 0), products, scales), cost);
            return all.lines().get(0).total() + worth.points().get(0).cost();
        });
        System.out.printf(
                "a moved weight, 12 products on 8 qualities with cost: %.1f ms, %.2f of 50%n", weight, weight / 50);
        List<Meeting> meetings = new ArrayList<>();
        for (int s = 0; s < 1000; s++) {
            int kind = s % 10;
            List<String> names = new ArrayList<>(List.of("kind " + kind + " reference"));
            while (names.size() < 4) {
                String name = "kind %d product %d".formatted(kind, random.nextInt(200));
                if (!names.contains(name)) {
                    names.add(name);
                }
            }
            List<List<Double>> covariance = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                List<Double> row = new ArrayList<>(List.of(0.0, 0.0, 0.0, 0.0));
                row.set(i, 0.1);
                covariance.add(row);
            }
            meetings.add(new Meeting(
                    "study " + s,
                    names,
                    List.of(random.nextGaussian(), random.nextGaussian(), random.nextGaussian(), random.nextGaussian()),
                    covariance));
        }
        double league = median(() -> (double) Network.of(meetings).parts().size());
        System.out.printf(
                "a league of 1 000 studies among 2 000 products of ten kinds: %.1f ms, %.2f of 250%n",
                league, league / 250);
    }

    private static double median(Supplier<Double> work) {
        double[] took = new double[15];
        double sum = 0;
        for (int i = 0; i < 10; i++) {
            sum += work.get();
        }
        for (int i = 0; i < took.length; i++) {
            long start = System.nanoTime();
            sum += work.get();
            took[i] = (System.nanoTime() - start) / 1e6;
        }
        Arrays.sort(took);
        if (Double.isNaN(sum)) {
            throw new IllegalStateException("nothing was worked out");
        }
        return took[took.length / 2];
    }
}
