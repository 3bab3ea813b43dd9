package org.evensheen.core.answer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.measure.Quality;

/**
 * Products ranked for a reader: the weighted mean of their scores on all qualities that were measured on every one of them.
 *
 * <p>Chances are counted over draws that carry every quality's uncertainty; two products share a place unless one is ahead of the other in {@value #APART} of the draws. The interval of a total adds the halves of
 * its parts' intervals in quadrature, as qualities are read apart from each other.
 *
 * @param lines best total first
 * @param scales qualities that count, with a weight above 0
 * @param unweighed qualities that matter to the reader, but were not measured on all products
 * @param shares of what parts the products, by quality: they sum to 1; negative where a quality works against the rest; empty if all have one total
 * @param draws of the totals, by contender
 * @param margins how far each weight could move before the order of totals changes
 */
public record Weighed(
        Profile profile,
        List<Line> lines,
        List<QualityScale> scales,
        List<Quality> unweighed,
        Map<Quality, Double> shares,
        Map<Integer, double[]> draws,
        Map<Quality, Margin> margins) {
    /** Share of draws from which two are told apart: two-sided at 95 %. */
    public static final double APART = 0.975;

    /**
     * A product.
     *
     * @param place 1 for the best; those that can't be told apart share one
     * @param chances of place 1, 2, …
     */
    public record Line(int contender, int place, double total, Interval interval, List<Double> chances) {}

    /**
     * Between which weights of a quality, the others as they are, the order stays.
     *
     * @param low empty if it stays down to 0
     * @param high empty if it stays however much it weighs
     */
    public record Margin(OptionalDouble low, OptionalDouble high) {}

    /**
     * Weighs.
     *
     * @param products numbers of the products that are ranked
     */
    public static Weighed of(Profile profile, List<Integer> products, List<QualityScale> scales) {
        List<QualityScale> counting = scales.stream()
                .filter(s -> profile.weight(s.quality()) > 0)
                .filter(s -> s.products().containsAll(products))
                .toList();
        Set<Quality> wanting = new TreeSet<>(profile.weights().keySet());
        wanting.removeIf(q -> profile.weight(q) == 0 || counting.stream().anyMatch(s -> s.quality() == q));
        double sum =
                counting.stream().mapToInt(s -> profile.weight(s.quality())).sum();
        if (sum == 0 || products.size() < 2) {
            return new Weighed(profile, List.of(), counting, List.copyOf(wanting), Map.of(), Map.of(), Map.of());
        }
        double[][] drawn = drawn(profile, products, counting, sum);
        Map<Integer, Double> totals = new TreeMap<>();
        products.forEach(p -> totals.put(p, total(profile, counting, p, sum)));
        List<Integer> ranked = products.stream()
                .sorted(Comparator.comparingDouble((Integer p) -> -totals.get(p)))
                .toList();
        double[][] chances = chances(drawn);
        List<Line> lines = new ArrayList<>();
        int place = 1;
        for (int i = 0; i < ranked.size(); i++) {
            int at = products.indexOf(ranked.get(i));
            int better = 0;
            for (int j = 0; j < i; j++) {
                better += ahead(drawn[products.indexOf(ranked.get(j))], drawn[at]) >= APART ? 1 : 0;
            }
            place = Math.max(place, 1 + better);
            List<Double> own = new ArrayList<>();
            for (double chance : chances[at]) {
                own.add(chance);
            }
            lines.add(new Line(
                    ranked.get(i),
                    place,
                    totals.get(ranked.get(i)),
                    interval(profile, counting, ranked.get(i), sum),
                    List.copyOf(own)));
        }
        return new Weighed(
                profile,
                List.copyOf(lines),
                counting,
                List.copyOf(wanting),
                shares(profile, products, counting, totals, sum),
                byContender(products, drawn),
                margins(profile, ranked, counting));
    }

    private static Map<Integer, double[]> byContender(List<Integer> products, double[][] drawn) {
        Map<Integer, double[]> draws = new TreeMap<>();
        for (int i = 0; i < drawn.length; i++) {
            draws.put(products.get(i), drawn[i]);
        }
        return draws;
    }

    private static double total(Profile profile, List<QualityScale> scales, int product, double sum) {
        return scales.stream()
                        .mapToDouble(s -> profile.weight(s.quality())
                                * s.scores().get(product).score())
                        .sum()
                / sum;
    }

    private static Interval interval(Profile profile, List<QualityScale> scales, int product, double sum) {
        double below = 0;
        double above = 0;
        for (QualityScale s : scales) {
            QualityScale.Scored scored = s.scores().get(product);
            double weight = profile.weight(s.quality()) / sum;
            below += Math.pow(weight * (scored.score() - scored.interval().low()), 2);
            above += Math.pow(weight * (scored.interval().high() - scored.score()), 2);
        }
        double total = total(profile, scales, product, sum);
        return new Interval(total - Math.sqrt(below), total + Math.sqrt(above));
    }

    private static double[][] drawn(Profile profile, List<Integer> products, List<QualityScale> scales, double sum) {
        int draws = scales.get(0).draws().get(products.get(0)).length;
        double[][] all = new double[products.size()][draws];
        for (QualityScale s : scales) {
            double weight = profile.weight(s.quality()) / sum;
            for (int i = 0; i < all.length; i++) {
                double[] score = s.draws().get(products.get(i));
                for (int d = 0; d < draws; d++) {
                    all[i][d] += weight * score[d];
                }
            }
        }
        return all;
    }

    private static double ahead(double[] one, double[] other) {
        int ahead = 0;
        for (int d = 0; d < one.length; d++) {
            ahead += one[d] > other[d] ? 1 : 0;
        }
        return ahead / (double) one.length;
    }

    private static double[][] chances(double[][] drawn) {
        int n = drawn.length;
        int draws = drawn[0].length;
        int[] counts = new int[n * n];
        int[] better = new int[n];
        double[] one = new double[n];
        for (int d = 0; d < draws; d++) {
            for (int i = 0; i < n; i++) {
                one[i] = drawn[i][d];
                better[i] = 0;
            }
            for (int i = 1; i < n; i++) {
                for (int j = 0; j < i; j++) {
                    if (one[i] > one[j]) {
                        better[j]++;
                    } else {
                        better[i]++;
                    }
                }
            }
            for (int i = 0; i < n; i++) {
                counts[i * n + better[i]]++;
            }
        }
        double[][] chances = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < n; k++) {
                chances[i][k] = counts[i * n + k] / (double) draws;
            }
        }
        return chances;
    }

    /** Cov(part, total)/Var(total) over the products. */
    private static Map<Quality, Double> shares(
            Profile profile,
            List<Integer> products,
            List<QualityScale> scales,
            Map<Integer, Double> totals,
            double sum) {
        double mean = totals.values().stream().mapToDouble(t -> t).average().orElse(0);
        double variance = totals.values().stream()
                .mapToDouble(t -> (t - mean) * (t - mean))
                .sum();
        Map<Quality, Double> shares = new EnumMap<>(Quality.class);
        if (variance < 1e-12) {
            return shares;
        }
        for (QualityScale s : scales) {
            double weight = profile.weight(s.quality()) / sum;
            shares.merge(
                    s.quality(),
                    products.stream()
                                    .mapToDouble(p -> weight * s.scores().get(p).score() * (totals.get(p) - mean))
                                    .sum()
                            / variance,
                    Double::sum);
        }
        return shares;
    }

    private static Map<Quality, Margin> margins(Profile profile, List<Integer> ranked, List<QualityScale> scales) {
        Map<Quality, Margin> margins = new EnumMap<>(Quality.class);
        for (QualityScale moved : scales) {
            double now = profile.weight(moved.quality());
            double low = Double.NEGATIVE_INFINITY;
            double high = Double.POSITIVE_INFINITY;
            for (int i = 0; i + 1 < ranked.size(); i++) {
                int better = ranked.get(i);
                int worse = ranked.get(i + 1);
                double rest = scales.stream()
                        .filter(s -> s != moved)
                        .mapToDouble(s -> profile.weight(s.quality()) * gap(s, better, worse))
                        .sum();
                double own = gap(moved, better, worse);
                if (Math.abs(own) > 1e-12) {
                    double turns = -rest / own;
                    if (own > 0) {
                        low = Math.max(low, turns);
                    } else {
                        high = Math.min(high, turns);
                    }
                }
            }
            margins.put(
                    moved.quality(),
                    new Margin(
                            low > 0 && low <= now ? OptionalDouble.of(low) : OptionalDouble.empty(),
                            Double.isFinite(high) ? OptionalDouble.of(Math.max(now, high)) : OptionalDouble.empty()));
        }
        return margins;
    }

    private static double gap(QualityScale scale, int better, int worse) {
        return scale.scores().get(better).score() - scale.scores().get(worse).score();
    }

    /** Who is first, alone or together. */
    public List<Integer> first() {
        return lines.stream().filter(l -> l.place() == 1).map(Line::contender).toList();
    }

    /** How often each is ahead of all others. */
    public double chanceFirst(int contender) {
        return lines.stream()
                .filter(l -> l.contender() == contender)
                .mapToDouble(l -> l.chances().get(0))
                .findFirst()
                .orElse(0);
    }
}
