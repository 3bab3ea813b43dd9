package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import org.evensheen.core.comparing.Estimate;
import org.evensheen.core.comparing.Interval;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;

/**
 * The curve of a product: {@code R(x) = exp(−(x/τ)^k)}, least squares over the visits of all its sections; {@code k} is 1 until there are six checkpoints.
 *
 * <p>Each section has a τ of its own with the product's k; how their logarithms scatter, pooled over all products, gives the band. Without two sections of any product there is none.
 *
 * @param tau at which 37 % are left, geometric mean over the sections
 * @param k how it bends
 * @param checkpoints visits it rests on
 * @param logTau mean of ln τ with its standard error; freedom 0 without scatter
 * @param span exposure at its latest visit
 */
public record Fitted(double tau, double k, int checkpoints, Estimate logTau, double span) {
    /** From so many checkpoints on k is fitted too. */
    public static final int BENDS_FROM = 6;

    /** How near a least is looked for; k within so much while it is searched, τ finer. */
    private static final double COARSE = 1e-4;

    private static final double FINE = 1e-7;
    private static final double LEAST_K = 0.4;
    private static final double MOST_K = 4;
    /** Curves that hardly fall tell no τ beyond so many times their span. */
    private static final double MOST_SPANS = 60;

    /** Fits all products that have a visit, with their scatter pooled. */
    public static Map<Integer, Fitted> all(List<Curve> curves) {
        Map<Integer, List<Curve>> byProduct = new HashMap<>();
        curves.stream()
                .filter(c -> c.points().stream().anyMatch(p -> p.x() > 0))
                .forEach(c -> byProduct
                        .computeIfAbsent(c.contender(), k -> new ArrayList<>())
                        .add(c));
        Map<Integer, Double> bends = new HashMap<>();
        Map<Integer, double[]> logs = new HashMap<>();
        double squares = 0;
        int freedom = 0;
        for (Map.Entry<Integer, List<Curve>> product : byProduct.entrySet()) {
            List<Curve> own = product.getValue();
            double k = checkpoints(own) < BENDS_FROM ? 1 : bend(own);
            double[] log =
                    own.stream().mapToDouble(c -> Math.log(tau(List.of(c), k))).toArray();
            double mean = java.util.Arrays.stream(log).average().orElseThrow();
            squares += java.util.Arrays.stream(log)
                    .map(l -> (l - mean) * (l - mean))
                    .sum();
            freedom += log.length - 1;
            bends.put(product.getKey(), k);
            logs.put(product.getKey(), log);
        }
        Map<Integer, Fitted> fitted = new HashMap<>();
        for (Map.Entry<Integer, List<Curve>> product : byProduct.entrySet()) {
            double[] log = logs.get(product.getKey());
            double mean = java.util.Arrays.stream(log).average().orElseThrow();
            double error = freedom > 0 ? Math.sqrt(squares / freedom / log.length) : 0;
            fitted.put(
                    product.getKey(),
                    new Fitted(
                            Math.exp(mean),
                            bends.get(product.getKey()),
                            checkpoints(product.getValue()),
                            new Estimate(mean, error, freedom),
                            span(product.getValue())));
        }
        return fitted;
    }

    private static double span(List<Curve> curves) {
        return curves.stream()
                .flatMap(c -> c.points().stream())
                .mapToDouble(Curve.Point::x)
                .max()
                .orElseThrow();
    }

    private static int checkpoints(List<Curve> curves) {
        return (int) curves.stream()
                .flatMap(c -> c.points().stream())
                .map(Curve.Point::x)
                .filter(x -> x > 0)
                .distinct()
                .count();
    }

    private static double bend(List<Curve> curves) {
        return least(k -> misfit(curves, tau(curves, k, COARSE), k), LEAST_K, MOST_K, COARSE);
    }

    private static double tau(List<Curve> curves, double k) {
        return tau(curves, k, FINE);
    }

    private static double tau(List<Curve> curves, double k, double tolerance) {
        double span = span(curves);
        return Math.exp(least(
                l -> misfit(curves, Math.exp(l), k),
                Math.log(span / MOST_SPANS),
                Math.log(span * MOST_SPANS),
                tolerance));
    }

    private static double misfit(List<Curve> curves, double tau, double k) {
        double sum = 0;
        for (Curve c : curves) {
            for (Curve.Point p : c.points()) {
                double off = p.left() - Math.exp(-Math.pow(p.x() / tau, k));
                sum += off * off;
            }
        }
        return sum;
    }

    private static double least(DoubleUnaryOperator of, double low, double high, double tolerance) {
        return new BrentOptimizer(tolerance, tolerance / 100)
                .optimize(
                        new MaxEval(300),
                        new UnivariateObjectiveFunction(of::applyAsDouble),
                        GoalType.MINIMIZE,
                        new SearchInterval(low, high))
                .getPoint();
    }

    /** Share left at an exposure. */
    public double left(double x) {
        return Math.exp(-Math.pow(x / tau, k));
    }

    /** Where the product's curve lies at an exposure with 95 % chance; empty without scatter. */
    public Optional<Interval> band(double x) {
        if (logTau.freedom() < 1) {
            return Optional.empty();
        }
        Interval log = logTau.interval();
        return Optional.of(new Interval(
                Math.exp(-Math.pow(x / Math.exp(log.low()), k)), Math.exp(-Math.pow(x / Math.exp(log.high()), k))));
    }

    /** Exposure at which a quarter is left: {@code τ(−ln R)^(1/k)}. */
    public double spentAt() {
        return at(tau, k, Curve.SPENT);
    }

    /** Exposure at which a share is left, by the curve. */
    static double at(double tau, double k, double share) {
        return tau * Math.pow(-Math.log(share), 1 / k);
    }

    /** Chance that more than a quarter is left at an exposure; empty without scatter, or beyond twice what was observed. */
    public OptionalDouble chanceLeftAt(double x) {
        if (logTau.freedom() < 1 || logTau.standardError() == 0 || x > Lives.BEYOND * span) {
            return OptionalDouble.empty();
        }
        double t = (Math.log(spentAt()) - Math.log(x)) / logTau.standardError();
        return OptionalDouble.of(new TDistribution(logTau.freedom()).cumulativeProbability(t));
    }
}
