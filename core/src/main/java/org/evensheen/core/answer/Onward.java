package org.evensheen.core.answer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.evensheen.core.measure.Quality;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.random.Well19937a;

/**
 * Ways of going on, rehearsed against each other: how often each would part the first two of an answer.
 *
 * <p>A rehearsal draws what is true from what is believed now, reads it once more the way that is tried, and puts both together: with {@code m} and {@code v} the mean and variance of the
 * difference now and {@code λ} the share of {@code v} that the way leaves, the mean moves to {@code m + (1 − λ)(truth − m) + √(λ(1 − λ)v)·z} and {@code λv} stays. It parts the two if either is then ahead in
 * {@value Weighed#APART} of the draws. Qualities that a way leaves alike are taken together, with what they share.
 *
 * <p>Source: H. Raiffa, R. Schlaifer, Applied Statistical Decision Theory, 1961 (preposterior analysis of a normal mean); MEASURES 11.
 */
public final class Onward {
    /** Studies rehearsed for each way. */
    public static final int STUDIES = 2000;
    /** Share of rehearsals from which a way is said to settle it: as often as a study is planned to find what it looks for. */
    public static final double MOSTLY = 0.8;
    /** So often each way is tried. */
    public static final List<Integer> TIMES = List.of(1, 2, 4, 8);

    private Onward() {}

    /** What is done more. */
    public enum Kind {
        /** More sections of the two, with first readings. */
        SECTIONS,
        /** More visits to the sections there are. */
        VISITS,
        /** The study once more, with so many sections of each of the two. */
        AGAIN,
        /** More rounds of all, with sides exchanged. */
        ROUNDS,
        /** More rounds of the two alone. */
        TWO_ALONE,
        /** More meetings of the two like those there were. */
        MEETINGS
    }

    /**
     * A way of going on.
     *
     * @param times how often, from 1
     * @param minutes hands at work, in all; 0 or more
     * @param weeks until it is done; 0 for one within a day
     * @param left share of what is uncertain, as a variance, that it leaves of a quality, above 0 and up to 1; 1 of those that are not in it
     */
    public record Way(Kind kind, int times, double minutes, double weeks, Map<Quality, Double> left) {
        public Way {
            if (times < 1 || !(minutes >= 0) || !(weeks >= 0)) {
                throw new IllegalArgumentException("a way of going on takes its time");
            }
            if (left.values().stream().anyMatch(l -> !(l > 0 && l <= 1))) {
                throw new IllegalArgumentException("nothing makes less sure than before, nor quite sure");
            }
        }
    }

    /** A way with the share of rehearsals in which it parts the two. */
    public record Rehearsed(Way way, double parts) {}

    /** What a share of what is uncertain stands for: {@code have} readings alike now, {@code more} to come. */
    public static double left(double have, double more) {
        return have / (have + more);
    }

    /** Rehearses each way for the first two; nothing if the first stands alone, or nothing is ranked. */
    public static List<Rehearsed> rehearse(Weighed weighed, List<Way> ways, long seed) {
        if (weighed.first().size() < 2) {
            return List.of();
        }
        int leader = weighed.lines().get(0).contender();
        int second = weighed.lines().get(1).contender();
        return ways.stream()
                .map(way -> new Rehearsed(way, parts(groups(weighed, leader, second, way.left()), seed)))
                .toList();
    }

    /**
     * What is left alike of a difference.
     *
     * @param draws of the difference
     * @param left share of their variance that stays
     */
    public record Group(double[] draws, double left) {}

    private static List<Group> groups(Weighed weighed, int leader, int second, Map<Quality, Double> left) {
        double sum = weighed.scales().stream()
                .mapToInt(s -> weighed.profile().weight(s.quality()))
                .sum();
        Map<Double, double[]> groups = new TreeMap<>();
        for (QualityScale s : weighed.scales()) {
            double weight = weighed.profile().weight(s.quality()) / sum;
            double[] one = s.draws().get(leader);
            double[] other = s.draws().get(second);
            double[] into = groups.computeIfAbsent(left.getOrDefault(s.quality(), 1.0), l -> new double[one.length]);
            for (int d = 0; d < into.length; d++) {
                into[d] += weight * (one[d] - other[d]);
            }
        }
        return groups.entrySet().stream()
                .map(e -> new Group(e.getValue(), e.getKey()))
                .toList();
    }

    /** Share of rehearsals in which a difference, the sum of groups with as many draws each, is parted from 0. */
    public static double parts(List<Group> groups, long seed) {
        double critical = new NormalDistribution().inverseCumulativeProbability(Weighed.APART);
        double[] means = groups.stream().mapToDouble(g -> mean(g.draws())).toArray();
        double[] variances = IntStream.range(0, means.length)
                .mapToDouble(i -> variance(groups.get(i).draws(), means[i]))
                .toArray();
        double stays = 0;
        for (int i = 0; i < means.length; i++) {
            stays += groups.get(i).left() * variances[i];
        }
        double far = critical * Math.sqrt(stays);
        Well19937a random = new Well19937a(seed);
        int parted = 0;
        for (int study = 0; study < STUDIES; study++) {
            int truth = random.nextInt(groups.get(0).draws().length);
            double found = 0;
            for (int i = 0; i < means.length; i++) {
                double left = groups.get(i).left();
                found += means[i]
                        + (1 - left) * (groups.get(i).draws()[truth] - means[i])
                        + Math.sqrt(left * (1 - left) * variances[i]) * random.nextGaussian();
            }
            parted += Math.abs(found) > far ? 1 : 0;
        }
        return parted / (double) STUDIES;
    }

    private static double mean(double[] values) {
        double sum = 0;
        for (double v : values) {
            sum += v;
        }
        return sum / values.length;
    }

    private static double variance(double[] values, double mean) {
        double sum = 0;
        for (double v : values) {
            sum += (v - mean) * (v - mean);
        }
        return sum / Math.max(1, values.length - 1);
    }

    /** The one of the least work that parts the two most of the time; empty if none does. */
    public static Optional<Rehearsed> least(List<Rehearsed> all) {
        return all.stream()
                .filter(r -> r.parts() >= MOSTLY)
                .min(Comparator.comparingDouble((Rehearsed r) -> r.way().minutes())
                        .thenComparingDouble(r -> r.way().weeks()));
    }

    /** Of each kind the first that parts the two most of the time, else the most that was tried of it; the least work first, those that part them before the rest. */
    public static List<Rehearsed> eachKind(List<Rehearsed> all) {
        List<Rehearsed> of = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            List<Rehearsed> own = all.stream()
                    .filter(r -> r.way().kind() == kind)
                    .sorted(Comparator.comparingInt(r -> r.way().times()))
                    .toList();
            own.stream()
                    .filter(r -> r.parts() >= MOSTLY)
                    .findFirst()
                    .or(() -> own.stream().reduce((a, b) -> b))
                    .ifPresent(of::add);
        }
        of.sort(Comparator.comparing((Rehearsed r) -> r.parts() < MOSTLY)
                .thenComparingDouble(r -> r.way().minutes()));
        return List.copyOf(of);
    }
}
