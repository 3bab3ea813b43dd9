package org.evensheen.core.instruments;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import org.hipparchus.stat.descriptive.DescriptiveStatistics;

/**
 * Waits until an instrument that drifts or settles has come to rest: the last values, a window of time long and three at least, all lie
 * within a tolerance of each other; the steady value is their mean.
 */
public final class Steadiness {
    private static final int LEAST = 3;

    private final double seconds;
    private final double tolerance;
    private final Deque<double[]> last = new ArrayDeque<>();

    /**
     * @param seconds how long it must be at rest, above 0
     * @param tolerance how far apart values may be, in their unit, above 0
     */
    public Steadiness(double seconds, double tolerance) {
        if (!(seconds > 0 && tolerance > 0)) {
            throw new IllegalArgumentException("a rest has a length and a tolerance above zero");
        }
        this.seconds = seconds;
        this.tolerance = tolerance;
    }

    /**
     * Takes a value in.
     *
     * @param at seconds on any clock that does not run back
     * @param step of the display's last digit, in the value's unit
     * @return the steady value once it rests
     */
    public Optional<Rested> add(double at, double value, double step) {
        last.addLast(new double[] {at, value});
        while (last.size() > 1 && at - second()[0] >= seconds) {
            last.removeFirst();
        }
        DescriptiveStatistics shown = new DescriptiveStatistics();
        last.forEach(v -> shown.addValue(v[1]));
        boolean rests = last.size() >= LEAST
                && at - last.getFirst()[0] >= seconds
                && shown.getMax() - shown.getMin() <= tolerance;
        return rests
                ? Optional.of(Rested.shown(shown.getMean(), shown.getStandardDeviation(), step))
                : Optional.empty();
    }

    private double[] second() {
        var from = last.iterator();
        from.next();
        return from.next();
    }
}
