package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.evensheen.core.comparing.Interval;

/**
 * Products ranked by drawn lives.
 *
 * @param products their numbers
 * @param drawn median lives on the log scale, product by product
 * @param goesOn products that have no median to tell
 */
record LifeRanking(List<Integer> products, double[][] drawn, boolean[] goesOn) {

    Lives.Ranking ranking() {
        int n = products.size();
        List<Integer> ranked = new ArrayList<>();
        for (int p = 0; p < n; p++) {
            ranked.add(p);
        }
        double[] middle = new double[n];
        for (int p = 0; p < n; p++) {
            middle[p] = Arrays.stream(drawn[p]).average().orElseThrow();
        }
        ranked.sort(Comparator.comparingDouble(p -> -middle[p]));
        List<Lives.Pair> pairs = holm(pairs(ranked));
        List<Integer> places = new ArrayList<>();
        int place = 1;
        for (int p : ranked) {
            int number = products.get(p);
            place = Math.max(
                    place,
                    1
                            + (int) pairs.stream()
                                    .filter(q -> q.shorter() == number && q.apart())
                                    .count());
            places.add(place);
        }
        return new Lives.Ranking(ranked.stream().map(products::get).toList(), places, chances(ranked), pairs);
    }

    private List<Lives.Pair> pairs(List<Integer> ranked) {
        List<Lives.Pair> pairs = new ArrayList<>();
        double tail = (1 - Interval.LEVEL) / 2;
        for (int i = 0; i < ranked.size(); i++) {
            for (int j = i + 1; j < ranked.size(); j++) {
                double[] one = drawn[ranked.get(i)];
                double[] other = drawn[ranked.get(j)];
                double[] difference = new double[Lives.DRAWS];
                int below = 0;
                for (int d = 0; d < Lives.DRAWS; d++) {
                    difference[d] = one[d] - other[d];
                    below += difference[d] < 0 ? 1 : 0;
                }
                Arrays.sort(difference);
                boolean open = goesOn[ranked.get(i)];
                boolean both = open && goesOn[ranked.get(j)];
                pairs.add(new Lives.Pair(
                        products.get(ranked.get(i)),
                        products.get(ranked.get(j)),
                        open ? OptionalDouble.empty() : OptionalDouble.of(Math.exp(difference[Lives.DRAWS / 2])),
                        new Interval(
                                both ? 0 : Math.exp(difference[(int) (tail * Lives.DRAWS)]),
                                open
                                        ? Double.POSITIVE_INFINITY
                                        : Math.exp(difference[(int) ((1 - tail) * Lives.DRAWS) - 1])),
                        both ? 1 : Math.min(1, 2.0 * Math.max(1, Math.min(below, Lives.DRAWS - below)) / Lives.DRAWS)));
            }
        }
        return pairs;
    }

    /** The same with p over all pairs at once (S. Holm 1979). */
    private static List<Lives.Pair> holm(List<Lives.Pair> pairs) {
        List<Lives.Pair> order =
                pairs.stream().sorted(Comparator.comparingDouble(Lives.Pair::p)).toList();
        Map<Lives.Pair, Double> adjusted = new HashMap<>();
        double running = 0;
        for (int k = 0; k < order.size(); k++) {
            running = Math.max(running, Math.min(1, order.get(k).p() * (order.size() - k)));
            adjusted.put(order.get(k), running);
        }
        return pairs.stream()
                .map(p -> new Lives.Pair(p.longer(), p.shorter(), p.ratio(), p.interval(), adjusted.get(p)))
                .toList();
    }

    private List<List<Double>> chances(List<Integer> ranked) {
        int n = products.size();
        double[][] counts = new double[n][n];
        for (int d = 0; d < Lives.DRAWS; d++) {
            for (int p = 0; p < n; p++) {
                int longer = 0;
                for (int q = 0; q < n; q++) {
                    longer += drawn[q][d] > drawn[p][d] || drawn[q][d] == drawn[p][d] && q < p ? 1 : 0;
                }
                counts[p][longer] += 1.0 / Lives.DRAWS;
            }
        }
        return ranked.stream()
                .map(p -> Arrays.stream(counts[p]).boxed().toList())
                .toList();
    }
}
