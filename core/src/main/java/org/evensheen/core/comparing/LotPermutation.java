package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Whether two products can be told apart by the lots alone: had the lots within each block fallen otherwise, how often would what was seen differ as much?
 *
 * <p>The statistic is the sum over blocks of what the first has above its share of the block's total; two-sided and exact. Lots with the same sum are counted
 * together, as grades have few sums, so that it is quick however many lots there are. Nothing is assumed of the grades but that the lots were drawn.
 *
 * <p>Source: R. A. Fisher 1935; E. J. G. Pitman 1937; M. Pagano and D. Tritchler 1983 for the counting.
 */
final class LotPermutation {
    /** Sums are counted together when they agree to this. */
    private static final double FINE = 1e-6;

    private LotPermutation() {}

    /**
     * A place of one of the two.
     *
     * @param first whether it holds the first of them
     */
    record Lot(boolean first, int block, double score) {}

    /** Two-sided p; 1 where no other lots were possible. */
    static double p(List<Lot> lots) {
        Map<Integer, List<Lot>> blocks = new TreeMap<>();
        lots.forEach(
                l -> blocks.computeIfAbsent(l.block(), b -> new ArrayList<>()).add(l));
        long observed = 0;
        Map<Long, Double> ways = Map.of(0L, 1.0);
        for (List<Lot> block : blocks.values()) {
            double mean = block.stream().mapToDouble(Lot::score).average().orElse(0);
            observed += block.stream()
                    .filter(Lot::first)
                    .mapToLong(l -> fine(l.score() - mean))
                    .sum();
            ways = joined(ways, waysOf(block, mean));
        }
        long far = Math.abs(observed);
        double all = ways.values().stream().mapToDouble(w -> w).sum();
        return ways.entrySet().stream()
                        .filter(w -> Math.abs(w.getKey()) >= far)
                        .mapToDouble(Map.Entry::getValue)
                        .sum()
                / all;
    }

    private static long fine(double score) {
        return Math.round(score / FINE);
    }

    /** In how many ways the first's places of a block could come to each sum. */
    private static Map<Long, Double> waysOf(List<Lot> block, double mean) {
        int chosen = (int) block.stream().filter(Lot::first).count();
        List<Map<Long, Double>> byCount = new ArrayList<>();
        for (int count = 0; count <= chosen; count++) {
            byCount.add(new HashMap<>());
        }
        byCount.get(0).put(0L, 1.0);
        for (Lot lot : block) {
            for (int count = chosen; count > 0; count--) {
                Map<Long, Double> to = byCount.get(count);
                byCount.get(count - 1)
                        .forEach((sum, ways) -> to.merge(sum + fine(lot.score() - mean), ways, Double::sum));
            }
        }
        return byCount.get(chosen);
    }

    private static Map<Long, Double> joined(Map<Long, Double> one, Map<Long, Double> other) {
        Map<Long, Double> joined = new HashMap<>();
        one.forEach((a, m) -> other.forEach((b, n) -> joined.merge(a + b, m * n, Double::sum)));
        return joined;
    }
}
