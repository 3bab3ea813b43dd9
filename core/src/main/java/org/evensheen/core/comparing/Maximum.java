package org.evensheen.core.comparing;

import java.util.function.ToDoubleFunction;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;

/**
 * The maximum of a smooth log likelihood, penalised or not, with the inverse of its curvature: the one engine for orders, pairs and lives.
 *
 * <p>Newton's method with a step that is halved until it gains, and a ridge where the curvature is not downward. Derivatives by central differences.
 *
 * @param at where it is
 * @param value of the log likelihood there
 * @param covariance inverse of the observed information
 */
public record Maximum(double[] at, double value, RealMatrix covariance) {
    private static final int MOST_STEPS = 200;
    private static final double NEAR = 1e-9;
    private static final double NUDGE = 1e-4;
    private static final double LEAST_SHARE = 1e-10;

    /**
     * Finds it.
     *
     * @param log the log likelihood; may be minus infinity away from {@code start}
     * @throws IllegalArgumentException if it is not finite at the start
     * @throws IllegalStateException if it has no maximum that can be found
     */
    public static Maximum of(ToDoubleFunction<double[]> log, double[] start) {
        double[] at = start.clone();
        double value = log.applyAsDouble(at);
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("the likelihood must be finite at the start");
        }
        for (int step = 0; step < MOST_STEPS; step++) {
            RealVector slope = slope(log, at);
            RealVector way = uphill(curvature(log, at), slope);
            double share = 1;
            double[] next = moved(at, way, share);
            double there = log.applyAsDouble(next);
            while (!(there > value) && share > LEAST_SHARE) {
                share /= 2;
                next = moved(at, way, share);
                there = log.applyAsDouble(next);
            }
            if (!(there > value) || there - value < NEAR * NEAR && way.getNorm() < NEAR) {
                return new Maximum(at, value, inverse(curvature(log, at)));
            }
            at = next;
            value = there;
        }
        throw new IllegalStateException("the likelihood has no maximum that can be found");
    }

    private static double[] moved(double[] from, RealVector way, double share) {
        double[] to = from.clone();
        for (int i = 0; i < to.length; i++) {
            to[i] += share * way.getEntry(i);
        }
        return to;
    }

    private static double shifted(ToDoubleFunction<double[]> log, double[] at, int i, double a, int j, double b) {
        double[] to = at.clone();
        to[i] += a;
        to[j] += b;
        return log.applyAsDouble(to);
    }

    private static RealVector slope(ToDoubleFunction<double[]> log, double[] at) {
        RealVector slope = new ArrayRealVector(at.length);
        double nudge = NUDGE / 10;
        for (int i = 0; i < at.length; i++) {
            slope.setEntry(i, (shifted(log, at, i, nudge, i, 0) - shifted(log, at, i, -nudge, i, 0)) / (2 * nudge));
        }
        return slope;
    }

    /** Minus the second derivatives. */
    private static RealMatrix curvature(ToDoubleFunction<double[]> log, double[] at) {
        RealMatrix curvature = new Array2DRowRealMatrix(at.length, at.length);
        double here = log.applyAsDouble(at);
        for (int i = 0; i < at.length; i++) {
            double own = shifted(log, at, i, NUDGE, i, 0) - 2 * here + shifted(log, at, i, -NUDGE, i, 0);
            curvature.setEntry(i, i, -own / (NUDGE * NUDGE));
            for (int j = 0; j < i; j++) {
                double mixed = shifted(log, at, i, NUDGE, j, NUDGE)
                        - shifted(log, at, i, NUDGE, j, -NUDGE)
                        - shifted(log, at, i, -NUDGE, j, NUDGE)
                        + shifted(log, at, i, -NUDGE, j, -NUDGE);
                double second = -mixed / (4 * NUDGE * NUDGE);
                curvature.setEntry(i, j, second);
                curvature.setEntry(j, i, second);
            }
        }
        return curvature;
    }

    private static RealVector uphill(RealMatrix curvature, RealVector slope) {
        double ridge = 0;
        while (true) {
            try {
                RealMatrix ridged = curvature.add(MatrixUtils.createRealIdentityMatrix(slope.getDimension())
                        .scalarMultiply(ridge));
                return new CholeskyDecomposition(ridged, 1e-6, 1e-12)
                        .getSolver()
                        .solve(slope);
            } catch (MathRuntimeException e) {
                ridge = ridge == 0 ? 1e-4 : 10 * ridge;
                if (ridge > 1e12) {
                    throw new IllegalStateException("the likelihood has no way up", e);
                }
            }
        }
    }

    private static RealMatrix inverse(RealMatrix curvature) {
        try {
            return new CholeskyDecomposition(curvature, 1e-6, 1e-12).getSolver().getInverse();
        } catch (MathRuntimeException e) {
            throw new IllegalStateException("the likelihood is flat where it is highest", e);
        }
    }
}
