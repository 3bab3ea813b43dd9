package org.evensheen.core.comparing;

import java.util.List;
import java.util.Optional;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.QRDecomposition;
import org.hipparchus.linear.RealMatrix;

/**
 * Least squares of section means on treatment + block, for one response or several at once, by QR.
 *
 * <p>Treatments have a column each; blocks are coded to sum to zero, so a treatment's coefficient is its mean over all
 * blocks weighted alike. With several responses (fresh and today, say) the residual covariance between them is
 * estimated too. Blocks are left out where they would leave no degree of freedom or can't be told from treatments.
 *
 * <p>Assumes independent scatter between sections, alike for all treatments, near normal.
 */
public final class BlockModel {

    /** One section: its treatment and block (any numbers), and its mean for each response. */
    public record Unit(int treatment, int block, double... responses) {}

    private static final double RANK = 1e-10;

    private final List<Integer> treatments;
    private final RealMatrix coefficients;
    private final RealMatrix unscaled;
    private final RealMatrix scatter;
    private final double freedom;
    private final boolean blocked;

    private BlockModel(
            List<Integer> treatments,
            RealMatrix coefficients,
            RealMatrix unscaled,
            RealMatrix scatter,
            double freedom,
            boolean blocked) {
        this.treatments = treatments;
        this.coefficients = coefficients;
        this.unscaled = unscaled;
        this.scatter = scatter;
        this.freedom = freedom;
        this.blocked = blocked;
    }

    /**
     * Fits the model.
     *
     * @param units one or more sections, all with the same number of responses
     */
    public static BlockModel fit(List<Unit> units) {
        if (units.isEmpty()) {
            throw new IllegalArgumentException("no sections, no model");
        }
        List<Integer> treatments =
                units.stream().map(Unit::treatment).distinct().sorted().toList();
        List<Integer> blocks =
                units.stream().map(Unit::block).distinct().sorted().toList();
        if (blocks.size() > 1 && units.size() - treatments.size() - blocks.size() + 1 > 0) {
            Optional<BlockModel> blocked = solve(units, treatments, blocks);
            if (blocked.isPresent()) {
                return blocked.get();
            }
        }
        return solve(units, treatments, blocks.subList(0, 1)).orElseThrow();
    }

    private static Optional<BlockModel> solve(List<Unit> units, List<Integer> treatments, List<Integer> blocks) {
        int columns = treatments.size() + blocks.size() - 1;
        double[][] design = new double[units.size()][columns];
        double[][] responses = new double[units.size()][];
        for (int i = 0; i < units.size(); i++) {
            Unit unit = units.get(i);
            responses[i] = unit.responses();
            design[i][treatments.indexOf(unit.treatment())] = 1;
            int block = blocks.size() > 1 ? blocks.indexOf(unit.block()) : 0;
            for (int b = 0; b < blocks.size() - 1; b++) {
                design[i][treatments.size() + b] = block == b ? 1 : block == blocks.size() - 1 ? -1 : 0;
            }
        }
        RealMatrix x = new Array2DRowRealMatrix(design, false);
        RealMatrix y = new Array2DRowRealMatrix(responses, false);
        QRDecomposition qr = new QRDecomposition(x, RANK);
        if (!qr.getSolver().isNonSingular()) {
            return Optional.empty();
        }
        RealMatrix beta = qr.getSolver().solve(y);
        RealMatrix r = qr.getR().getSubMatrix(0, columns - 1, 0, columns - 1);
        RealMatrix rInverse = MatrixUtils.inverse(r);
        RealMatrix residuals = y.subtract(x.multiply(beta));
        double freedom = units.size() - columns;
        RealMatrix scatter = residuals.transposeMultiply(residuals).scalarMultiply(freedom > 0 ? 1 / freedom : 0);
        return Optional.of(new BlockModel(
                treatments, beta, rInverse.multiplyTransposed(rInverse), scatter, freedom, blocks.size() > 1));
    }

    /** The same fit with scatter taken from elsewhere: independent responses, each of this variance. */
    BlockModel withScatter(double variance, double freedom) {
        RealMatrix borrowed = MatrixUtils.createRealIdentityMatrix(coefficients.getColumnDimension())
                .scalarMultiply(variance);
        return new BlockModel(treatments, coefficients, unscaled, borrowed, freedom, blocked);
    }

    /** Degrees of freedom left for the scatter between sections; 0 when there is nothing to estimate it from. */
    public double freedom() {
        return freedom;
    }

    /** Whether blocks are in the model. */
    public boolean blocked() {
        return blocked;
    }

    /** Variance between sections of the first response. */
    public double variance() {
        return scatter.getEntry(0, 0);
    }

    public List<Integer> treatments() {
        return treatments;
    }

    /** A weighted sum of treatment means over the responses. */
    Contrast contrast() {
        return new Contrast(
                new Array2DRowRealMatrix(coefficients.getRowDimension(), coefficients.getColumnDimension()));
    }

    /** Covariance of the first response's treatment means, for draws; order of {@link #treatments()}. */
    RealMatrix covarianceOfMeans() {
        int last = treatments.size() - 1;
        return unscaled.getSubMatrix(0, last, 0, last).scalarMultiply(variance());
    }

    /** Builds up {@code Σ weight · mean(treatment, response)}. */
    final class Contrast {
        private final RealMatrix weights;

        private Contrast(RealMatrix weights) {
            this.weights = weights;
        }

        Contrast plus(double weight, int treatment, int response) {
            weights.addToEntry(row(treatment), response, weight);
            return this;
        }

        double value() {
            double sum = 0;
            for (int i = 0; i < weights.getRowDimension(); i++) {
                for (int r = 0; r < weights.getColumnDimension(); r++) {
                    sum += weights.getEntry(i, r) * coefficients.getEntry(i, r);
                }
            }
            return sum;
        }

        /** Covariance with another contrast of the same model; summed by hand, as most weights are zero. */
        double covariance(Contrast other) {
            double sum = 0;
            for (int i = 0; i < weights.getRowDimension(); i++) {
                for (int r = 0; r < weights.getColumnDimension(); r++) {
                    double weight = weights.getEntry(i, r);
                    if (weight != 0) {
                        sum += weight * other.against(i, r);
                    }
                }
            }
            return sum;
        }

        private double against(int treatment, int response) {
            double sum = 0;
            for (int j = 0; j < weights.getRowDimension(); j++) {
                for (int r = 0; r < weights.getColumnDimension(); r++) {
                    double weight = weights.getEntry(j, r);
                    if (weight != 0) {
                        sum += weight * unscaled.getEntry(treatment, j) * scatter.getEntry(response, r);
                    }
                }
            }
            return sum;
        }

        Estimate estimate() {
            return new Estimate(value(), Math.sqrt(Math.max(0, covariance(this))), freedom);
        }

        private int row(int treatment) {
            int row = treatments.indexOf(treatment);
            if (row < 0) {
                throw new IllegalArgumentException("treatment " + treatment + " is not in the model");
            }
            return row;
        }
    }

    /** A number made of treatment means, and the contrast that it moves with when they move a little. */
    record Linear(double value, Contrast moves) {
        static Linear of(Contrast contrast) {
            return new Linear(contrast.value(), contrast);
        }
    }

    /** Fieller's ratio; for numbers that are not plain contrasts, to first order in the scatter. */
    Ratio ratio(Linear numerator, Linear denominator) {
        if (freedom <= 0) {
            return Ratio.without(numerator.value() / denominator.value());
        }
        return Ratio.fieller(
                numerator.value(),
                denominator.value(),
                numerator.moves().covariance(numerator.moves()),
                numerator.moves().covariance(denominator.moves()),
                denominator.moves().covariance(denominator.moves()),
                freedom);
    }
}
