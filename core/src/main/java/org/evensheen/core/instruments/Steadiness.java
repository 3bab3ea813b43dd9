package org.evensheen.core.instruments;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.OptionalDouble;

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
     * @return the steady value once it rests
     */
    public OptionalDouble add(double at, double value) {
        last.addLast(new double[] {at, value});
        while (last.size() > 1 && at - second()[0] >= seconds) {
            last.removeFirst();
        }
        double low = last.stream().mapToDouble(v -> v[1]).min().orElseThrow();
        double high = last.stream().mapToDouble(v -> v[1]).max().orElseThrow();
        boolean rests = last.size() >= LEAST && at - last.getFirst()[0] >= seconds && high - low <= tolerance;
        return rests ? last.stream().mapToDouble(v -> v[1]).average() : OptionalDouble.empty();
    }

    private double[] second() {
        var from = last.iterator();
        from.next();
        return from.next();
    }
}
