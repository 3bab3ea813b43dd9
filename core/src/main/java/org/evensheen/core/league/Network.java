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

    /**
     * A meeting's differences to its first product.
     *
     * @param at of each product, its number in the part
     */
    private record Rows(Meeting meeting, int[] at, double[] y, RealMatrix v) {
        static Rows of(Meeting m, Map<String, Integer> index) {
            double[] y = new double[m.products().size() - 1];
            for (int i = 0; i < y.length; i++) {
                y[i] = m.means().get(i + 1) - m.means().get(0);
            }
            return new Rows(m, m.products().stream().mapToInt(index::get).toArray(), y, differences(m));
        }

        double[] residual(double[] beta) {
            double[] r = new double[y.length];
            for (int i = 0; i < r.length; i++) {
                r[i] = y[i] - (beta[at[i + 1]] - beta[at[0]]);
            }
            return r;
        }

        /** Covariance of the same differences as the whole part has them. */
        double fitted(double[][] c, int i, int j) {
            return c[at[i + 1]][at[j + 1]] - c[at[i + 1]][at[0]] - c[at[0]][at[j + 1]] + c[at[0]][at[0]];
        }
    }

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
        double[][] normal = new double[n][n];
        double[] right = new double[n];
        int count = 0;
        List<Rows> rows = new ArrayList<>();
        for (Meeting m : meetings) {
            Rows r = Rows.of(m, index);
            double[][] weight = inverse(r.v()).getData();
            for (int a = 0; a < r.y().length; a++) {
                for (int b = 0; b < r.y().length; b++) {
                    add(normal, right, r, a, b, weight[a][b]);
                }
            }
            rows.add(r);
            count += r.y().length;
        }
        // The first product by name is the zero of the parameters.
        RealMatrix reduced = new Array2DRowRealMatrix(normal, false).getSubMatrix(1, n - 1, 1, n - 1);
        RealMatrix covariance = inverse(reduced);
        double[] beta = new double[n];
        System.arraycopy(covariance.operate(java.util.Arrays.copyOfRange(right, 1, n)), 0, beta, 1, n - 1);
        double[][] full = new double[n][n];
        for (int k = 1; k < n; k++) {
            System.arraycopy(covariance.getRow(k - 1), 0, full[k], 1, n - 1);
        }
        double q = 0;
        for (Rows r : rows) {
            double[] residual = r.residual(beta);
            RealVector vector = new ArrayRealVector(residual, false);
            q += vector.dotProduct(inverse(r.v()).operate(vector));
        }
        int freedom = count - (n - 1);
        double p = freedom > 0 ? 1 - new ChiSquaredDistribution(freedom).cumulativeProbability(q) : 1;
        List<Odd> odd = freedom > 0 ? odd(rows, beta, full) : List.of();
        return new Part(lines(index, beta, full, meetings), q, freedom, p, odd, looks(meetings), index, beta, full);
    }

    /** Adds what two differences of a meeting say together, weighed. */
    private static void add(double[][] normal, double[] right, Rows r, int a, int b, double weight) {
        int[] at = r.at();
        normal[at[a + 1]][at[b + 1]] += weight;
        normal[at[a + 1]][at[0]] -= weight;
        normal[at[0]][at[b + 1]] -= weight;
        normal[at[0]][at[0]] += weight;
        right[at[a + 1]] += weight * r.y()[b];
        right[at[0]] -= weight * r.y()[b];
    }

    /**
     * Each product of a meeting, set against the others of that meeting: with {@code r} the meeting's residuals and {@code S = V − X·C·Xᵀ} their covariance, {@code cᵀr/√(cᵀSc)}. It equals the
     * test of that difference against an estimate made without the meeting.
     */
    private static List<Odd> odd(List<Rows> rows, double[] beta, double[][] covariance) {
        List<Odd> all = new ArrayList<>();
        NormalDistribution normal = new NormalDistribution();
        int looks = looks(rows.stream().map(Rows::meeting).toList());
        for (Rows r : rows) {
            double[] residual = r.residual(beta);
            int k = residual.length;
            for (int product = 0; product < (k == 1 ? 1 : k + 1); product++) {
                double[] c = new double[k];
                java.util.Arrays.fill(c, -1.0 / k);
                if (product > 0) {
                    c[product - 1] = 1;
                }
                double variance = 0;
                double own = 0;
                double value = 0;
                for (int i = 0; i < k; i++) {
                    value += c[i] * residual[i];
                    for (int j = 0; j < k; j++) {
                        own += c[i] * c[j] * r.v().getEntry(i, j);
                        variance += c[i] * c[j] * (r.v().getEntry(i, j) - r.fitted(covariance, i, j));
                    }
                }
                if (variance > 1e-9 * own) {
                    double off = value / Math.sqrt(variance);
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
        Map<String, Integer> took = new HashMap<>();
        meetings.forEach(m -> m.products().forEach(p -> took.merge(p, 1, Integer::sum)));
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
                    took.getOrDefault(product, 0)));
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

    private static RealMatrix inverse(RealMatrix m) {
        return m.getRowDimension() == 1
                ? new Array2DRowRealMatrix(new double[][] {{1 / m.getEntry(0, 0)}})
                : m.getRowDimension() < 60
                        ? new LUDecomposition(m).getSolver().getInverse()
                        : new CholeskyDecomposition(m, 1e-6, 0).getSolver().getInverse();
    }
}
