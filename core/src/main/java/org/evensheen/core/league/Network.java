package org.evensheen.core.league;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.evensheen.core.comparing.Estimate;
import org.hipparchus.distribution.continuous.ChiSquaredDistribution;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;

/**
 * Products that may never have met, compared through those that both met: {@code y = Xβ + e}, {@code e ~ N(0, V)}, by generalised least squares. {@code y} holds each meeting's
 * differences to its first product, and {@code V} their covariance, in which that product is shared (contrast-based network estimate). The inconsistency
 * {@code Q = (y − Xβ)ᵀV⁻¹(y − Xβ)} has as many degrees of freedom as there are differences beyond those needed.
 *
 * <p>Only products that meetings join are compared; each such part stands by itself. Chances and places treat the estimate as normal.
 *
 * <p>Source: G. Lu and A. E. Ades 2006; MEASURES 9 and 17.
 */
public final class Network {
    /** At this level a single look stands out. */
    public static final double LOOK = 0.05;

    private final List<Part> parts;

    private Network(List<Part> parts) {
        this.parts = parts;
    }

    /** Two products of a part, the better first. */
    public record Between(String better, String worse, Estimate difference) {
        /** Whether 0 lies outside its 95 % interval. */
        public boolean apart() {
            return difference.interval().low() > 0;
        }
    }

    /**
     * A product.
     *
     * @param place 1 for the best of its part; those that can't be told apart share one
     * @param value against the middle of its part
     * @param meetings how many it took part in
     */
    public record Line(String product, int place, Estimate value, int meetings) {}

    /**
     * A product that a meeting shows otherwise beside the rest of that meeting than all the others do.
     *
     * @param off by how much, in standard errors; above 0 where the meeting shows it better
     * @param p two-sided, of this look alone
     * @param sure whether it stands out among all such looks (Bonferroni, at 5 %)
     */
    public record Odd(String source, String product, double off, double p, boolean sure) {}

    /**
     * Products that meetings join.
     *
     * @param lines best first
     * @param q inconsistency
     * @param freedom behind it; 0 where nothing is known twice
     * @param p chance of as much or more if all agree; 1 without freedom
     * @param odd what meetings show otherwise than the rest, each by itself at 5 %, the farthest off first
     * @param looks how many such looks were taken; one in twenty would stand out by chance
     */
    public record Part(
            List<Line> lines,
            double q,
            int freedom,
            double p,
            List<Odd> odd,
            int looks,
            Map<String, Integer> index,
            double[] beta,
            double[][] covariance) {
        /** Two of its products, the better first. */
        public Between between(String one, String other) {
            Estimate d = estimate(index.get(one), index.get(other), beta, covariance);
            return d.value() >= 0
                    ? new Between(one, other, d)
                    : new Between(other, one, new Estimate(-d.value(), d.standardError(), d.freedom()));
        }
    }

    private static Estimate estimate(int i, int j, double[] beta, double[][] c) {
        return new Estimate(
                beta[i] - beta[j], Math.sqrt(Math.max(0, c[i][i] + c[j][j] - 2 * c[i][j])), Double.POSITIVE_INFINITY);
    }

    /** Works it out. */
    public static Network of(List<Meeting> meetings) {
        List<Part> parts = new ArrayList<>();
        for (List<Meeting> joined : joined(meetings)) {
            parts.add(part(joined));
        }
        parts.sort(Comparator.comparingInt((Part p) -> -p.lines().size()));
        return new Network(List.copyOf(parts));
    }

    /** Parts that nothing joins, the largest first. */
    public List<Part> parts() {
        return parts;
    }

    private static List<List<Meeting>> joined(List<Meeting> meetings) {
        Map<String, Integer> group = new HashMap<>();
        List<List<Meeting>> groups = new ArrayList<>();
        for (Meeting m : meetings) {
            List<Integer> met = m.products().stream()
                    .map(group::get)
                    .filter(g -> g != null)
                    .distinct()
                    .toList();
            List<Meeting> into = new ArrayList<>(List.of(m));
            met.forEach(g -> {
                into.addAll(groups.get(g));
                groups.set(g, List.of());
            });
            groups.add(into);
            into.forEach(x -> x.products().forEach(p -> group.put(p, groups.size() - 1)));
        }
        return groups.stream().filter(g -> !g.isEmpty()).toList();
    }

    /** A meeting's differences, with what they are the differences of. */
    private record Rows(Meeting meeting, int from, RealMatrix v) {}

    private static Part part(List<Meeting> unordered) {
        List<Meeting> meetings = unordered.stream()
                .sorted(Comparator.comparing(Meeting::source)
                        .thenComparing(m -> m.products().toString()))
                .toList();
        TreeSet<String> names = new TreeSet<>();
        meetings.forEach(m -> names.addAll(m.products()));
        Map<String, Integer> index = new LinkedHashMap<>();
        names.forEach(n -> index.put(n, index.size()));
        int n = index.size();
        int free = n - 1;
        RealMatrix normal = new Array2DRowRealMatrix(free, free);
        RealVector right = new ArrayRealVector(free);
        int count = 0;
        List<Rows> rows = new ArrayList<>();
        for (Meeting m : meetings) {
            RealMatrix v = differences(m);
            RealMatrix x = design(m, index, free);
            RealVector y = observed(m);
            RealMatrix weighed = x.transpose().multiply(inverse(v));
            normal = normal.add(weighed.multiply(x));
            right = right.add(weighed.operate(y));
            rows.add(new Rows(m, count, v));
            count += y.getDimension();
        }
        RealMatrix covariance = inverse(normal);
        double[] beta = covariance.operate(right).toArray();
        double[] all = new double[n];
        System.arraycopy(beta, 0, all, 1, free);
        double[][] full = new double[n][n];
        for (int i = 0; i < free; i++) {
            for (int j = 0; j < free; j++) {
                full[i + 1][j + 1] = covariance.getEntry(i, j);
            }
        }
        double q = 0;
        for (Rows r : rows) {
            RealVector residual = observed(r.meeting())
                    .subtract(design(r.meeting(), index, free).operate(new ArrayRealVector(beta)));
            double own = residual.dotProduct(inverse(r.v()).operate(residual));
            q += own;
        }
        int freedom = count - free;
        double p = freedom > 0 ? 1 - new ChiSquaredDistribution(freedom).cumulativeProbability(q) : 1;
        List<Odd> odd = freedom > 0 ? odd(rows, index, free, beta, covariance) : List.of();
        return new Part(lines(index, all, full, meetings), q, freedom, p, odd, looks(meetings), index, all, full);
    }

    /**
     * Each product of a meeting, set against the others of that meeting: with {@code r} the meeting's residuals and {@code S = V − X·C·Xᵀ} their covariance, {@code cᵀr/√(cᵀSc)}. It equals the
     * test of that difference against an estimate made without the meeting.
     */
    private static List<Odd> odd(
            List<Rows> rows, Map<String, Integer> index, int free, double[] beta, RealMatrix covariance) {
        List<Odd> all = new ArrayList<>();
        NormalDistribution normal = new NormalDistribution();
        int looks = looks(rows.stream().map(Rows::meeting).toList());
        for (Rows r : rows) {
            RealMatrix x = design(r.meeting(), index, free);
            RealVector residual = observed(r.meeting()).subtract(x.operate(new ArrayRealVector(beta)));
            RealMatrix s = r.v().subtract(x.multiply(covariance).multiplyTransposed(x));
            int k = residual.getDimension();
            for (int product = 0; product < (k == 1 ? 1 : k + 1); product++) {
                double[] c = new double[k];
                java.util.Arrays.fill(c, -1.0 / k);
                if (product > 0) {
                    c[product - 1] = 1;
                }
                RealVector contrast = new ArrayRealVector(c);
                double variance = contrast.dotProduct(s.operate(contrast));
                double own = contrast.dotProduct(r.v().operate(contrast));
                if (variance > 1e-9 * own) {
                    double off = contrast.dotProduct(residual) / Math.sqrt(variance);
                    double p = 2 * normal.cumulativeProbability(-Math.abs(off));
                    if (p < LOOK) {
                        all.add(new Odd(
                                r.meeting().source(), r.meeting().products().get(product), off, p, p * looks < LOOK));
                    }
                }
            }
        }
        all.sort(Comparator.comparingDouble(Odd::p));
        return List.copyOf(all);
    }

    private static int looks(List<Meeting> meetings) {
        return meetings.stream()
                .mapToInt(m -> m.products().size() == 2 ? 1 : m.products().size())
                .sum();
    }

    private static List<Line> lines(
            Map<String, Integer> index, double[] beta, double[][] covariance, List<Meeting> meetings) {
        int n = beta.length;
        double mean = 0;
        for (double b : beta) {
            mean += b / n;
        }
        double[] rowMean = new double[n];
        double grand = 0;
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                rowMean[i] += covariance[i][j] / n;
            }
            grand += rowMean[i] / n;
        }
        List<String> ranked = index.keySet().stream()
                .sorted(Comparator.comparingDouble((String p) -> -beta[index.get(p)]))
                .toList();
        double critical = new NormalDistribution().inverseCumulativeProbability(0.975);
        List<Line> lines = new ArrayList<>();
        int place = 1;
        for (int i = 0; i < n; i++) {
            int at = index.get(ranked.get(i));
            int better = 0;
            for (int j = 0; j < i; j++) {
                int other = index.get(ranked.get(j));
                Estimate d = estimate(other, at, beta, covariance);
                better += d.value() > critical * d.standardError() ? 1 : 0;
            }
            place = Math.max(place, 1 + better);
            String product = ranked.get(i);
            lines.add(new Line(
                    product,
                    place,
                    new Estimate(
                            beta[at] - mean,
                            Math.sqrt(Math.max(0, covariance[at][at] - 2 * rowMean[at] + grand)),
                            Double.POSITIVE_INFINITY),
                    (int) meetings.stream()
                            .filter(m -> m.products().contains(product))
                            .count()));
        }
        return List.copyOf(lines);
    }

    /** Covariance of the differences to the first product. */
    private static RealMatrix differences(Meeting m) {
        int k = m.products().size() - 1;
        RealMatrix v = new Array2DRowRealMatrix(k, k);
        for (int i = 1; i <= k; i++) {
            for (int j = 1; j <= k; j++) {
                v.setEntry(
                        i - 1,
                        j - 1,
                        m.covariance().get(i).get(j)
                                - m.covariance().get(i).get(0)
                                - m.covariance().get(0).get(j)
                                + m.covariance().get(0).get(0));
            }
        }
        return v;
    }

    private static RealVector observed(Meeting m) {
        int k = m.products().size() - 1;
        RealVector y = new ArrayRealVector(k);
        for (int i = 1; i <= k; i++) {
            y.setEntry(i - 1, m.means().get(i) - m.means().get(0));
        }
        return y;
    }

    /** The first product by name is the zero of the parameters. */
    private static RealMatrix design(Meeting m, Map<String, Integer> index, int free) {
        int k = m.products().size() - 1;
        RealMatrix x = new Array2DRowRealMatrix(k, free);
        int base = index.get(m.products().get(0));
        for (int i = 1; i <= k; i++) {
            int own = index.get(m.products().get(i));
            if (own > 0) {
                x.addToEntry(i - 1, own - 1, 1);
            }
            if (base > 0) {
                x.addToEntry(i - 1, base - 1, -1);
            }
        }
        return x;
    }

    private static RealMatrix inverse(RealMatrix m) {
        return m.getRowDimension() == 1
                ? new Array2DRowRealMatrix(new double[][] {{1 / m.getEntry(0, 0)}})
                : m.getRowDimension() < 60
                        ? new LUDecomposition(m).getSolver().getInverse()
                        : new CholeskyDecomposition(m, 1e-6, 0).getSolver().getInverse();
    }
}
