package org.evensheen.core.foam;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.measure.Value.Mark;
import org.hipparchus.analysis.MultivariateFunction;
import org.hipparchus.optim.InitialGuess;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.nonlinear.scalar.ObjectiveFunction;
import org.hipparchus.optim.nonlinear.scalar.noderiv.NelderMeadSimplex;
import org.hipparchus.optim.nonlinear.scalar.noderiv.SimplexOptimizer;

/**
 * Foam at stated minutes, straight between its marks.
 *
 * <p>Sources: J. Ross and G. D. Miles 1941, ASTM D1173, for the share left at five minutes. With five marks or more a stretched exponential
 * {@code V(t) = V₀·exp(−(t/τ)^k)} is fitted by least squares.
 *
 * @param marks minutes from 0 on, rising, with height, mm, or volume, mL; the first above 0
 */
public record FoamCurve(List<Mark> marks) {
    private static final int LEAST_MARKS = 5;
    private static final int MOST_STEPS = 4000;

    public FoamCurve {
        marks = List.copyOf(marks);
        if (marks.isEmpty() || marks.get(0).minute() != 0 || !(marks.get(0).value() > 0)) {
            throw new IllegalArgumentException("foam begins at minute 0 with more than nothing");
        }
    }

    private double begun() {
        return marks.get(0).value();
    }

    /** Minutes until half of it is gone; empty if more than half stood at the last mark. */
    public OptionalDouble halfGone() {
        double half = begun() / 2;
        for (int i = 1; i < marks.size(); i++) {
            Mark before = marks.get(i - 1);
            Mark after = marks.get(i);
            if (after.value() <= half) {
                double share = (before.value() - half) / (before.value() - after.value());
                return OptionalDouble.of(before.minute() + share * (after.minute() - before.minute()));
            }
        }
        return OptionalDouble.empty();
    }

    /** Share of the first mark that stands at a minute; empty beyond the last mark. */
    public OptionalDouble shareAt(double minute) {
        for (int i = 1; i < marks.size(); i++) {
            Mark before = marks.get(i - 1);
            Mark after = marks.get(i);
            if (minute <= after.minute()) {
                double share = (minute - before.minute()) / (after.minute() - before.minute());
                return OptionalDouble.of((before.value() + share * (after.value() - before.value())) / begun());
            }
        }
        return OptionalDouble.empty();
    }

    /** Mean share over all minutes to the last mark. */
    public double meanShare() {
        double area = 0;
        for (int i = 1; i < marks.size(); i++) {
            Mark before = marks.get(i - 1);
            Mark after = marks.get(i);
            area += (before.value() + after.value()) / 2 * (after.minute() - before.minute());
        }
        return area / begun() / marks.get(marks.size() - 1).minute();
    }

    /**
     * A stretched exponential.
     *
     * @param minutes τ, above 0
     * @param stretch k, above 0
     */
    public record Fit(double begun, double minutes, double stretch) {
        /** Minutes until half is gone: {@code τ·(ln 2)^(1/k)}. */
        public double halfLife() {
            return minutes * Math.pow(Math.log(2), 1 / stretch);
        }

        public double at(double minute) {
            return begun * Math.exp(-Math.pow(minute / minutes, stretch));
        }
    }

    /** The stretched exponential nearest to the marks; empty with fewer than five. */
    public Optional<Fit> fit() {
        if (marks.size() < LEAST_MARKS) {
            return Optional.empty();
        }
        double guess = halfGone().orElse(2 * marks.get(marks.size() - 1).minute()) / Math.log(2);
        MultivariateFunction miss = p -> {
            Fit fit = new Fit(Math.exp(p[0]), Math.exp(p[1]), Math.exp(p[2]));
            return marks.stream()
                    .mapToDouble(m -> Math.pow((fit.at(m.minute()) - m.value()) / begun(), 2))
                    .sum();
        };
        double[] best = new SimplexOptimizer(1e-14, 1e-14)
                .optimize(
                        new MaxEval(MOST_STEPS),
                        new ObjectiveFunction(miss),
                        GoalType.MINIMIZE,
                        new InitialGuess(new double[] {Math.log(begun()), Math.log(Math.max(0.05, guess)), 0}),
                        new NelderMeadSimplex(3, 0.3))
                .getPoint();
        return Optional.of(new Fit(Math.exp(best[0]), Math.exp(best[1]), Math.exp(best[2])));
    }
}
