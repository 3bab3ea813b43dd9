package org.evensheen.core.wear;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.study.Occasion;

/**
 * What was left on one section, from its first readings until it was coated again.
 *
 * @param coat 1 for the first, one more for each time that something went on again later
 * @param from day on which it went on
 * @param first its first effect against its control, above 0 being better: a share of bare, or in the score unit
 * @param points by time, the first readings not among them
 */
public record Curve(
        String section, int contender, int row, int coat, int from, Control control, double first, List<Point> points) {
    /** Up to this share of its first effect a section is spent. */
    public static final double SPENT = 0.25;

    /** What a section was set against. */
    public enum Control {
        /** Bare sections read at the same moment. */
        BARE,
        /** Its own reading before anything went on; day and temperature are in it. */
        OWN_BEFORE
    }

    /**
     * A visit.
     *
     * @param x exposure since it went on, on the axis that was asked for
     * @param left share of the first effect; below 0 where it was worse than its control
     * @param smooth the same, never rising from visit to visit: the least squares fit that only falls
     * @param arrival share as it arrived, before it was washed; empty if it was not read then
     */
    public record Point(Occasion at, double x, double left, double smooth, OptionalDouble arrival) {}

    /** The first visit at which it was spent. */
    public Optional<Point> spent() {
        return points.stream().filter(p -> p.smooth() <= SPENT).findFirst();
    }

    /**
     * Its life: between the last visit before it was spent and the one at which it was; open to the right while it goes on. Empty without a visit, or if it was spent before anything of what is counted
     * was logged.
     */
    public Optional<Life> life() {
        double high = spent().map(Point::x).orElse(Double.POSITIVE_INFINITY);
        if (points.isEmpty() || !(high > 0)) {
            return Optional.empty();
        }
        // Of visits with nothing counted between them only the exposure is known, so it ends before theirs.
        double low = points.stream()
                .filter(p -> p.smooth() > SPENT && p.x() < high)
                .mapToDouble(Point::x)
                .max()
                .orElse(0);
        return Optional.of(new Life(section, contender, row, Math.max(0, low), high));
    }

    /** Mean share over the time from first readings to {@code until}, by the trapezium: straight between visits, 1 at the start. */
    public OptionalDouble mean(double until) {
        double area = 0;
        double x = 0;
        double left = 1;
        for (Point p : points) {
            double to = Math.min(p.x(), until);
            if (to > x) {
                double there = left + (p.left() - left) * (to - x) / (p.x() - x);
                area += (to - x) * (left + there) / 2;
            }
            if (p.x() >= until) {
                return until > 0 ? OptionalDouble.of(area / until) : OptionalDouble.empty();
            }
            x = p.x();
            left = p.left();
        }
        return OptionalDouble.empty();
    }
}
