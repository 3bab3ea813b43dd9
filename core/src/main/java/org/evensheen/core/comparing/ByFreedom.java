package org.evensheen.core.comparing;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.DoubleUnaryOperator;

/** A number that follows from degrees of freedom alone, worked out once for each; thousands of rehearsed studies share one. */
final class ByFreedom {
    private static final int MOST = 500;

    private final DoubleUnaryOperator work;
    private final Map<Double, Double> known = new ConcurrentHashMap<>();

    ByFreedom(DoubleUnaryOperator work) {
        this.work = work;
    }

    double of(double freedom) {
        Double there = known.get(freedom);
        if (there != null) {
            return there;
        }
        double value = work.applyAsDouble(freedom);
        if (known.size() < MOST) {
            known.put(freedom, value);
        }
        return value;
    }
}
