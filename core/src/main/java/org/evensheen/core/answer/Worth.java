package org.evensheen.core.answer;

import java.util.ArrayList;
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
        Map<Integer, Double> cost = new TreeMap<>();
        lines.forEach(l -> cost.put(l.contender(), Math.exp(QualityScale.quantile(logs.get(l.contender()), 0.5))));
        List<Point> points = new ArrayList<>();
        double tail = (1 - Interval.LEVEL) / 2;
        for (Weighed.Line line : lines) {
            int own = line.contender();
            Optional<Integer> beaten = lines.stream()
                    .filter(l -> l.total() > line.total() && cost.get(l.contender()) < cost.get(own))
                    .map(Weighed.Line::contender)
                    .findFirst();
            points.add(new Point(
                    own,
                    cost.get(own),
                    new Interval(
                            Math.exp(QualityScale.quantile(logs.get(own), tail)),
                            Math.exp(QualityScale.quantile(logs.get(own), 1 - tail))),
                    line.total(),
                    line.interval(),
                    beaten.isEmpty(),
                    chance(own, lines, result, logs),
                    beaten));
        }
        points.sort(Comparator.comparingDouble(Point::cost));
        return new Worth(List.copyOf(points));
    }

    private static double chance(int own, List<Weighed.Line> lines, Weighed result, Map<Integer, double[]> logs) {
        double[] total = result.draws().get(own);
        double[] cost = logs.get(own);
        int on = 0;
        for (int d = 0; d < total.length; d++) {
            boolean beaten = false;
            for (Weighed.Line other : lines) {
                beaten |= other.contender() != own
                        && result.draws().get(other.contender())[d] > total[d]
                        && logs.get(other.contender())[d] < cost[d];
            }
            on += beaten ? 0 : 1;
        }
        return on / (double) total.length;
    }

    public Optional<Point> of(int contender) {
        return points.stream().filter(p -> p.contender() == contender).findFirst();
    }
}
