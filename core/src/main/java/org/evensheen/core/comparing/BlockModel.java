package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.QRDecomposition;
import org.hipparchus.linear.RealMatrix;

/**
 * Least squares of section means on treatment + block, for one response or several at once, by QR.
 *
 * <p>Treatments have a column each; blocks are coded to sum to zero, so a treatment's coefficient is its mean over all
 * blocks weighted alike. With several responses (fresh and today, say) the residual covariance between them is
 * estimated too. Treatments that no chain of shared blocks joins fall into groups of their own: between groups a difference
 * of treatments can't be told from one of blocks, and is not {@linkplain #comparable comparable}. Blocks are left out, and
 * {@link #rows()} says so, where they would leave no degree of freedom to a scatter of their own.
 *
 * <p>Assumes independent scatter between sections, alike for all treatments, near normal.
 */
public final class BlockModel {

    /** One section: its treatment and block (any numbers), and its mean for each response. */
    public record Unit(int treatment, int block, double... responses) {}

    /** A column of the design: 1 on the sections of a block, −1 on those of the last block of its group. */
    private record Column(int block, int last) {
        double code(int of) {
            return of == block ? 1 : of == last ? -1 : 0;
        }
    }

    private static final double RANK = 1e-10;

    private final List<Integer> treatments;
    private final Map<Integer, Integer> groups;
    private final RealMatrix coefficients;
    private final RealMatrix unscaled;
    private final RealMatrix scatter;
    private final double freedom;
    private final List<Column> blocks;
    private final Rows rows;

    /** What became of the blocks: none to take out, taken out, or left in for want of sections. */
    public enum Rows {
        NONE,
        TAKEN_OUT,
        LEFT_IN
    }

    private BlockModel(
            List<Integer> treatments,
            Map<Integer, Integer> groups,
            RealMatrix coefficients,
            RealMatrix unscaled,
            RealMatrix scatter,
            double freedom,
            List<Column> blocks,
            Rows rows) {
        this.treatments = treatments;
        this.groups = groups;
        this.coefficients = coefficients;
        this.unscaled = unscaled;
        this.scatter = scatter;
        this.freedom = freedom;
        this.blocks = blocks;
        this.rows = rows;
    }

    /**
     * Fits the model.
     *
     * @param units one or more sections, all with the same number of responses
     */
    public static BlockModel fit(List<Unit> units) {
        BlockModel blocked = fitBlocked(units);
        return blocked.freedom > 0 || blocked.rows == Rows.NONE
                ? blocked
                : solve(units, blocked.groups, List.of(), Rows.LEFT_IN);
    }

    /**
     * Fits the model with its blocks, also where they leave no degree of freedom: for scatter from elsewhere.
     *
     * @param units one or more sections, all with the same number of responses
     */
    static BlockModel fitBlocked(List<Unit> units) {
        if (units.isEmpty()) {
            throw new IllegalArgumentException("no sections, no model");
        }
        Map<Integer, Integer> groups = groups(units);
        List<Column> blocks = blockColumns(units, groups);
        return solve(units, groups, blocks, blocks.isEmpty() ? Rows.NONE : Rows.TAKEN_OUT);
    }

    /** The group of every treatment: those joined by a chain of shared blocks have one number. */
    private static Map<Integer, Integer> groups(List<Unit> units) {
        Map<Integer, Integer> ofTreatment = new TreeMap<>();
        Map<Integer, Integer> ofBlock = new HashMap<>();
        for (Unit unit : units) {
            Integer one = ofTreatment.get(unit.treatment());
            Integer other = ofBlock.get(unit.block());
            int joined = one != null ? one : other != null ? other : unit.treatment();
            if (other != null && other != joined) {
                ofTreatment.replaceAll((t, g) -> g.equals(other) ? joined : g);
                ofBlock.replaceAll((b, g) -> g.equals(other) ? joined : g);
            }
            ofTreatment.put(unit.treatment(), joined);
            ofBlock.put(unit.block(), joined);
        }
        return ofTreatment;
    }

    /** A column for every block but the last of each group: 1 on its sections, −1 on those of the last. */
    private static List<Column> blockColumns(List<Unit> units, Map<Integer, Integer> groups) {
        Map<Integer, TreeSet<Integer>> blocks = new TreeMap<>();
        units.forEach(u -> blocks.computeIfAbsent(groups.get(u.treatment()), g -> new TreeSet<>())
                .add(u.block()));
        List<Column> columns = new ArrayList<>();
        for (TreeSet<Integer> ofGroup : blocks.values()) {
            int last = ofGroup.last();
            for (int block : ofGroup.headSet(last)) {
                columns.add(new Column(block, last));
            }
        }
        return columns;
    }

    private static BlockModel solve(List<Unit> units, Map<Integer, Integer> groups, List<Column> blocks, Rows rows) {
        List<Integer> treatments = List.copyOf(groups.keySet());
        int columns = treatments.size() + blocks.size();
        double[][] design = new double[units.size()][columns];
        double[][] responses = new double[units.size()][];
        for (int i = 0; i < units.size(); i++) {
            Unit unit = units.get(i);
            responses[i] = unit.responses();
            design[i][treatments.indexOf(unit.treatment())] = 1;
            for (int b = 0; b < blocks.size(); b++) {
                design[i][treatments.size() + b] = blocks.get(b).code(unit.block());
            }
        }
        RealMatrix x = new Array2DRowRealMatrix(design, false);
        RealMatrix y = new Array2DRowRealMatrix(responses, false);
        QRDecomposition qr = new QRDecomposition(x, RANK);
        RealMatrix beta = qr.getSolver().solve(y);
        RealMatrix r = qr.getR().getSubMatrix(0, columns - 1, 0, columns - 1);
        RealMatrix rInverse = MatrixUtils.inverse(r);
        RealMatrix residuals = y.subtract(x.multiply(beta));
        double freedom = units.size() - columns;
        RealMatrix scatter = residuals.transposeMultiply(residuals).scalarMultiply(freedom > 0 ? 1 / freedom : 0);
        return new BlockModel(
                treatments, groups, beta, rInverse.multiplyTransposed(rInverse), scatter, freedom, blocks, rows);
    }

    /** The same fit with scatter taken from elsewhere: independent responses, each of this variance. */
    BlockModel withScatter(double variance, double freedom) {
        RealMatrix borrowed = MatrixUtils.createRealIdentityMatrix(coefficients.getColumnDimension())
                .scalarMultiply(variance);
        return new BlockModel(treatments, groups, coefficients, unscaled, borrowed, freedom, blocks, rows);
    }

    /** Degrees of freedom left for the scatter between sections; 0 when there is nothing to estimate it from. */
    public double freedom() {
        return freedom;
    }

    /** What became of the blocks. */
    public Rows rows() {
        return rows;
    }

    /** Whether a chain of shared blocks joins two treatments; if none does, their difference can't be told from one of blocks. */
    public boolean comparable(int one, int other) {
        return groups.get(one).equals(groups.get(other));
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

    /** Covariance of treatment means when sections scatter with variance 1; order of {@link #treatments()}. */
    RealMatrix unscaledCovariance() {
        int last = treatments.size() - 1;
        return unscaled.getSubMatrix(0, last, 0, last);
    }

    /** What each block adds to the first response, in the unit of the readings; sums to zero within a group. Empty unless taken out. */
    public Map<Integer, Double> blockEffects() {
        Map<Integer, Double> effects = new TreeMap<>();
        for (int b = 0; b < blocks.size(); b++) {
            double effect = coefficients.getEntry(treatments.size() + b, 0);
            effects.put(blocks.get(b).block(), effect);
            effects.merge(blocks.get(b).last(), -effect, Double::sum);
        }
        return effects;
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
