package org.evensheen.core.schedule;

import java.util.List;

/**
 * How fast a pair of hands spreads and buffs. Without any experience it is taken as {@value #BASE} s a section and
 * {@value #SPREAD_EACH} s (spreading) or {@value #FINISH_EACH} s (buffing, rinsing) a square metre; what was timed today pulls it to the
 * hands that are at work: the factor is the median of timed over expected, so that one interruption does no harm.
 *
 * @param factor of the expected times, 0.25 to 4
 */
public record HandPace(double factor) {
    public static final HandPace USUAL = new HandPace(1);
    /** Seconds a section takes however small it is. */
    public static final double BASE = 12;

    /** Seconds a square metre of spreading takes beside. */
    public static final double SPREAD_EACH = 90;

    /** Seconds a square metre of buffing or rinsing takes beside. */
    public static final double FINISH_EACH = 130;

    private static final double FASTEST = 0.25;
    private static final int ENOUGH = 3;

    public HandPace {
        if (!(factor >= FASTEST && factor <= 1 / FASTEST)) {
            throw new IllegalArgumentException("hands are 0.25 to 4 times as slow as usual, not " + factor);
        }
    }

    /**
     * From what was timed: seconds taken over seconds expected at the usual pace. Fewer than three change nothing.
     */
    public static HandPace timed(List<Double> ratios) {
        if (ratios.size() < ENOUGH) {
            return USUAL;
        }
        List<Double> sorted = ratios.stream().sorted().toList();
        int middle = sorted.size() / 2;
        double median = sorted.size() % 2 == 1 ? sorted.get(middle) : (sorted.get(middle - 1) + sorted.get(middle)) / 2;
        return new HandPace(Math.max(FASTEST, Math.min(1 / FASTEST, median)));
    }

    /** What a place without an area is taken for, m²: a usual section. */
    private static final double USUAL_AREA = 0.12;

    private static double known(double squareMetres) {
        return Double.isNaN(squareMetres) ? USUAL_AREA : squareMetres;
    }

    /** Seconds to spread a section; a place without an area, not a number, is taken for a usual one. */
    public double spread(double squareMetres) {
        return factor * (BASE + SPREAD_EACH * known(squareMetres));
    }

    /** Seconds to buff or rinse a section; without an area as for {@link #spread}. */
    public double finish(double squareMetres) {
        return factor * (BASE + FINISH_EACH * known(squareMetres));
    }
}
