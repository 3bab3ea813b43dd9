package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;

/**
 * How many visits it takes until a promise to last is settled, by rehearsal: sections' lives are drawn around a supposed truth, seen at the visits only, and go through the same model as
 * real ones.
 *
 * @param claimed weeks that are promised
 * @param everyWeeks weeks from visit to visit
 * @param steps one a visit
 */
public record Settling(double claimed, double everyWeeks, List<Step> steps) {
    /** Studies rehearsed for each truth. */
    public static final int STUDIES = 100;
    /** A truth that falls short, as a share of what is promised. */
    public static final double SHORT = 0.5;
    /** A truth that holds up, as a share of what is promised. */
    public static final double LONG = 1.5;
    /** Share of studies from which a visit is said to settle it. */
    public static final double MOSTLY = 0.8;

    /**
     * A visit.
     *
     * @param number from 1
     * @param fallsShort share of studies that say so rightly, if it lasts {@link #SHORT} times what is promised
     * @param holdsUp share that say so rightly, if it lasts {@link #LONG} times
     */
    public record Step(int number, double fallsShort, double holdsUp) {}

    /**
     * Rehearses.
     *
     * @param sections of the product, from 1
     * @param everyWeeks above 0
     * @param visits how many are looked at, from 1
     * @param claimed weeks, above 0
     * @throws IllegalArgumentException if one of these is not so
     */
    public static Settling rehearse(int sections, double everyWeeks, int visits, double claimed, long seed) {
        if (sections < 1 || visits < 1 || !(everyWeeks > 0) || !(claimed > 0)) {
            throw new IllegalArgumentException("a rehearsal needs sections, visits and a promise");
        }
        double[] fallsShort =
                shares(sections, everyWeeks, visits, claimed, SHORT * claimed, Promise.State.FALLS_SHORT, seed);
        double[] holdsUp =
                shares(sections, everyWeeks, visits, claimed, LONG * claimed, Promise.State.HOLDS_UP, seed + 1);
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < visits; i++) {
            steps.add(new Step(i + 1, fallsShort[i], holdsUp[i]));
        }
        return new Settling(claimed, everyWeeks, List.copyOf(steps));
    }

    private static double[] shares(
            int sections, double every, int visits, double claimed, double truth, Promise.State wanted, long seed) {
        Random random = new Random(seed);
        int[] right = new int[visits];
        for (int study = 0; study < STUDIES; study++) {
            double[] lives = random.doubles(sections)
                    .map(u -> truth * Math.exp(Lives.PRIOR_SIGMA * normal(u)))
                    .toArray();
            for (int visit = 1; visit <= visits; visit++) {
                if (state(lives, every, visit, claimed) == wanted) {
                    right[visit - 1]++;
                }
            }
        }
        return Arrays.stream(right).mapToDouble(n -> n / (double) STUDIES).toArray();
    }

    private static double normal(double u) {
        return new org.hipparchus.distribution.continuous.NormalDistribution()
                .inverseCumulativeProbability(Math.max(1e-9, u));
    }

    private static Promise.State state(double[] truth, double every, int visit, double claimed) {
        double span = visit * every;
        List<Life> seen = new ArrayList<>();
        for (int i = 0; i < truth.length; i++) {
            double before = Math.floor(truth[i] / every) * every;
            seen.add(
                    truth[i] > span
                            ? new Life("s" + i, 0, i + 1, span, Double.POSITIVE_INFINITY)
                            : new Life("s" + i, 0, i + 1, Math.min(before, span - every), before + every));
        }
        boolean nothing = seen.stream().allMatch(Life::goesOn);
        // Nothing spent, and its time beyond what may be said: no need to work it out.
        return nothing && claimed > Lives.BEYOND * span
                ? Promise.State.TOO_EARLY
                : Promise.of(0, Axis.WEEKS, "", claimed, claimed, Lives.fit(seen, span), Optional.empty())
                        .state();
    }

    /** The first visit from which most studies say rightly that it falls short; empty if none does. */
    public OptionalInt fallsShortBy() {
        return by(true);
    }

    /** The first visit from which most studies say rightly that it holds up; empty if none does. */
    public OptionalInt holdsUpBy() {
        return by(false);
    }

    private OptionalInt by(boolean falling) {
        int last = steps.size();
        while (last > 0
                && (falling
                                ? steps.get(last - 1).fallsShort()
                                : steps.get(last - 1).holdsUp())
                        >= MOSTLY) {
            last--;
        }
        return last == steps.size() ? OptionalInt.empty() : OptionalInt.of(last + 1);
    }
}
