package org.evensheen.core.answer;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.evensheen.core.comparing.Drawn;
import org.evensheen.core.comparing.Estimate;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.measure.Quality;

/**
 * One quality of all products on a scale with bare at 0 and the reference at 100; without a reference the best is at 100.
 *
 * <p>The ends are where they were found and are held fixed: a score is {@code 100·(m − bare)/(reference − bare)}, its interval that of {@code m}. Life and cost have their zero by nature; cost is turned, so that
 * half the price scores twice as much.
 *
 * @param top number of the contender at 100
 * @param referred whether that is the study's reference; else it is the best
 * @param bottom whether 0 is bare; else the worst product
 * @param scores by contender
 * @param draws of the same, by contender
 */
public record QualityScale(
        Quality quality,
        String source,
        int top,
        boolean referred,
        boolean bottom,
        Map<Integer, Scored> scores,
        Map<Integer, double[]> draws) {
    /** Nothing scores more, so that one quality can't drown all others. */
    public static final double MOST = 300;
    /** Nor less. */
    public static final double LEAST = -100;

    /** A product's score. */
    public record Scored(double score, Interval interval) {}

    /** Why there is no scale. */
    public enum Without {
        /** The reference is no better than bare, or nothing is. */
        NOTHING_GAINED,
        /** Fewer than two products were measured so that they can be compared. */
        TOO_FEW
    }

    /**
     * From a measure.
     *
     * @param reference number of the reference; empty without one
     */
    public static Optional<QualityScale> of(Quality quality, String source, Drawn drawn, Optional<Integer> reference) {
        double[] means = drawn.means().stream().mapToDouble(Estimate::value).toArray();
        int best = IntStream.range(0, means.length)
                .reduce((a, b) -> means[b] > means[a] ? b : a)
                .orElse(0);
        Optional<Integer> referred =
                reference.map(r -> drawn.products().indexOf(r)).filter(i -> i >= 0);
        int top = referred.orElse(best);
        double zero = drawn.bare().orElse(Arrays.stream(means).min().orElse(0));
        double unit = (means[top] - zero) / 100;
        if (means.length < 2 || !(unit > 1e-9 * Math.max(1, Math.abs(zero)))) {
            return Optional.empty();
        }
        Map<Integer, Scored> scores = new TreeMap<>();
        Map<Integer, double[]> draws = new TreeMap<>();
        for (int i = 0; i < means.length; i++) {
            int number = drawn.products().get(i);
            Interval interval = drawn.means().get(i).interval();
            scores.put(
                    number,
                    new Scored(
                            kept((means[i] - zero) / unit),
                            new Interval(kept((interval.low() - zero) / unit), kept((interval.high() - zero) / unit))));
            draws.put(
                    number,
                    Arrays.stream(drawn.draws()[i])
                            .map(v -> kept((v - zero) / unit))
                            .toArray());
        }
        return Optional.of(new QualityScale(
                quality,
                source,
                drawn.products().get(top),
                referred.isPresent(),
                drawn.bare().isPresent(),
                scores,
                draws));
    }

    /**
     * From amounts above 0 of which the logarithm was drawn: lives, or what a week costs.
     *
     * @param logs draws of the logarithm, by contender
     * @param more whether more is better; else half as much scores twice
     */
    public static Optional<QualityScale> ofLogs(
            Quality quality, String source, Map<Integer, double[]> logs, boolean more, Optional<Integer> reference) {
        if (logs.size() < 2) {
            return Optional.empty();
        }
        Map<Integer, double[]> turned = new TreeMap<>();
        logs.forEach((number, log) ->
                turned.put(number, more ? log : Arrays.stream(log).map(v -> -v).toArray()));
        Map<Integer, Double> middles = new TreeMap<>();
        turned.forEach((number, log) -> middles.put(number, quantile(log, 0.5)));
        int best = middles.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .orElseThrow()
                .getKey();
        Optional<Integer> referred = reference.filter(middles::containsKey);
        int top = referred.orElse(best);
        double unit = middles.get(top);
        Map<Integer, Scored> scores = new TreeMap<>();
        Map<Integer, double[]> draws = new TreeMap<>();
        turned.forEach((number, log) -> {
            double[] score =
                    Arrays.stream(log).map(v -> kept(100 * Math.exp(v - unit))).toArray();
            double tail = (1 - Interval.LEVEL) / 2;
            scores.put(
                    number,
                    new Scored(
                            kept(100 * Math.exp(middles.get(number) - unit)),
                            new Interval(quantile(score, tail), quantile(score, 1 - tail))));
            draws.put(number, score);
        });
        return Optional.of(new QualityScale(quality, source, top, referred.isPresent(), true, scores, draws));
    }

    static double quantile(double[] values, double share) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return quantileOfSorted(sorted, share);
    }

    static double quantileOfSorted(double[] sorted, double share) {
        double at = share * (sorted.length - 1);
        int low = (int) Math.floor(at);
        int high = Math.min(sorted.length - 1, low + 1);
        return sorted[low] + (at - low) * (sorted[high] - sorted[low]);
    }

    private static double kept(double score) {
        return Math.max(LEAST, Math.min(MOST, score));
    }

    /** Products that are scored on it. */
    public List<Integer> products() {
        return new ArrayList<>(scores.keySet());
    }
}
