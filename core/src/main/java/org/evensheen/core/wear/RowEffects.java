package org.evensheen.core.wear;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.DoubleUnaryOperator;
import java.util.function.ToDoubleFunction;

/** What rows do to lives, on the log scale: shrunk by N(0, 0.3²), summing to zero. */
final class RowEffects {
    /** Degrees of freedom from which rows are taken out. */
    private static final int LEAST_FREEDOM = 3;

    private static final double SPREAD = 0.3;
    /** How far a median may lie from the span, on the log scale, before it is held back. */
    private static final double REACH = 1.5;
    /** Turns in which rows are found. */
    private static final int SWEEPS = 12;

    private RowEffects() {}

    /** Rows at the maximum of all together, σ as its prior has it: product after product and row after row in turn, each step uphill. */
    static Map<Integer, Double> of(List<Life> lives, List<Integer> products, double span) {
        List<Integer> rows = lives.stream().map(Life::row).distinct().sorted().toList();
        if (rows.size() < 2 || lives.size() - products.size() - rows.size() + 1 < LEAST_FREEDOM) {
            return Map.of();
        }
        double middle = Math.log(span);
        Map<Integer, Double> median = new HashMap<>();
        products.forEach(p -> median.put(p, middle - 0.7));
        Map<Integer, Double> effects = new TreeMap<>();
        rows.forEach(r -> effects.put(r, 0.0));
        for (int sweep = 0; sweep < SWEEPS; sweep++) {
            for (int p : products) {
                List<Life> own = lives.stream().filter(l -> l.contender() == p).toList();
                median.put(
                        p,
                        top(
                                m -> sum(own, l -> m + effects.get(l.row())) - Lives.square((m - middle) / REACH),
                                median.get(p)));
            }
            for (int r : rows) {
                List<Life> own = lives.stream().filter(l -> l.row() == r).toList();
                effects.put(
                        r,
                        top(
                                e -> sum(own, l -> median.get(l.contender()) + e) - Lives.square(e / SPREAD),
                                effects.get(r)));
            }
            double mean =
                    effects.values().stream().mapToDouble(e -> e).average().orElseThrow();
            effects.replaceAll((r, e) -> e - mean);
            median.replaceAll((p, m) -> m + mean);
        }
        return effects;
    }

    private static double sum(List<Life> lives, ToDoubleFunction<Life> median) {
        return lives.stream()
                .mapToDouble(l -> Likely.log(l, median.applyAsDouble(l), Lives.PRIOR_SIGMA))
                .sum();
    }

    /** Three of Newton's steps up a log-concave slope, none longer than one. */
    private static double top(DoubleUnaryOperator log, double from) {
        double at = from;
        for (int step = 0; step < 3; step++) {
            double nudge = 1e-3;
            double up = log.applyAsDouble(at + nudge);
            double here = log.applyAsDouble(at);
            double down = log.applyAsDouble(at - nudge);
            double slope = (up - down) / (2 * nudge);
            double curve = (up - 2 * here + down) / (nudge * nudge);
            double way = curve < -1e-6 ? -slope / curve : Math.signum(slope) * 0.5;
            at += Math.max(-1, Math.min(1, way));
        }
        return at;
    }
}
