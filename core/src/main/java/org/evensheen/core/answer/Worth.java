package org.evensheen.core.answer;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.evensheen.core.comparing.Interval;

/**
 * Cost against result: who is on the edge, where nothing is both cheaper and better. The result leaves cost out.
 *
 * @param points cheapest first
 */
public record Worth(List<Point> points) {

    /**
     * A product.
     *
     * @param cost in the currency of the study, the middle of what is likely
     * @param costs in which that lies with 95 % chance
     * @param result weighted score without cost
     * @param edge whether nothing is both cheaper and better
     * @param chance of that, over the draws
     * @param beatenBy the best of those that are cheaper and better; empty on the edge
     */
    public record Point(
            int contender,
            double cost,
            Interval costs,
            double result,
            Interval results,
            boolean edge,
            double chance,
            Optional<Integer> beatenBy) {}

    /**
     * Works it out.
     *
     * @param logs draws of the logarithm of what each costs, by contender
     */
    public static Worth of(Weighed result, Map<Integer, double[]> logs) {
        List<Weighed.Line> lines = result.lines().stream()
                .filter(l -> logs.containsKey(l.contender()))
                .toList();
        Map<Integer, double[]> sorted = new TreeMap<>();
        Map<Integer, Double> cost = new TreeMap<>();
        for (Weighed.Line line : lines) {
            double[] own = logs.get(line.contender()).clone();
            Arrays.sort(own);
            sorted.put(line.contender(), own);
            cost.put(line.contender(), Math.exp(QualityScale.quantileOfSorted(own, 0.5)));
        }
        double[] chances = chances(lines, result, logs);
        List<Point> points = new ArrayList<>();
        double tail = (1 - Interval.LEVEL) / 2;
        for (int i = 0; i < lines.size(); i++) {
            Weighed.Line line = lines.get(i);
            int own = line.contender();
            Optional<Integer> beaten = lines.stream()
                    .filter(l -> l.total() > line.total() && cost.get(l.contender()) < cost.get(own))
                    .map(Weighed.Line::contender)
                    .findFirst();
            points.add(new Point(
                    own,
                    cost.get(own),
                    new Interval(
                            Math.exp(QualityScale.quantileOfSorted(sorted.get(own), tail)),
                            Math.exp(QualityScale.quantileOfSorted(sorted.get(own), 1 - tail))),
                    line.total(),
                    line.interval(),
                    beaten.isEmpty(),
                    chances[i],
                    beaten));
        }
        points.sort(Comparator.comparingDouble(Point::cost));
        return new Worth(List.copyOf(points));
    }

    /** How often each is on the edge, over the draws. */
    private static double[] chances(List<Weighed.Line> lines, Weighed result, Map<Integer, double[]> logs) {
        int n = lines.size();
        double[][] total = new double[n][];
        double[][] cost = new double[n][];
        for (int i = 0; i < n; i++) {
            total[i] = result.draws().get(lines.get(i).contender());
            cost[i] = logs.get(lines.get(i).contender());
        }
        double[] on = new double[n];
        int draws = n == 0 ? 0 : total[0].length;
        for (int i = 0; i < n; i++) {
            boolean[] beaten = new boolean[draws];
            for (int j = 0; j < n; j++) {
                for (int d = 0; d < draws; d++) {
                    beaten[d] |= total[j][d] > total[i][d] && cost[j][d] < cost[i][d];
                }
            }
            for (boolean b : beaten) {
                on[i] += b ? 0 : 1.0 / draws;
            }
        }
        return on;
    }

    public Optional<Point> of(int contender) {
        return points.stream().filter(p -> p.contender() == contender).findFirst();
    }
}
