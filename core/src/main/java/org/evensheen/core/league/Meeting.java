package org.evensheen.core.league;

import java.util.List;
import org.evensheen.core.comparing.Estimate;

/**
 * What one study or comparison found between its products on one quality: means of which only differences count, more being better.
 *
 * @param source which study or comparison it was
 * @param products names, two or more, each once
 * @param means in that order, in a unit that all meetings share
 * @param covariance of the means; only that of their differences is used
 */
public record Meeting(String source, List<String> products, List<Double> means, List<List<Double>> covariance) {

    /** @throws IllegalArgumentException if there are not two products, one stands twice, or the sizes don't fit */
    public Meeting {
        products = List.copyOf(products);
        means = List.copyOf(means);
        covariance = covariance.stream().map(List::copyOf).toList();
        int n = products.size();
        if (n < 2 || products.stream().distinct().count() < n) {
            throw new IllegalArgumentException("a meeting is between two products or more, each once");
        }
        if (means.size() != n || covariance.size() != n || covariance.stream().anyMatch(row -> row.size() != n)) {
            throw new IllegalArgumentException("a meeting has a mean and a row of covariances for each product");
        }
    }

    /** Of two products, by their difference and its standard error, above 0. */
    public static Meeting ofTwo(String source, String one, String other, double difference, double error) {
        double half = error * error / 2;
        return new Meeting(
                source, List.of(one, other), List.of(difference, 0.0), List.of(List.of(half, 0.0), List.of(0.0, half)));
    }

    /**
     * How a product did beside all others of the meeting: its mean less theirs, as it was found.
     *
     * @throws IllegalArgumentException if it took no part
     */
    public Estimate besides(String product) {
        int own = products.indexOf(product);
        if (own < 0) {
            throw new IllegalArgumentException(product + " took no part");
        }
        int n = products.size();
        double value = 0;
        double variance = 0;
        for (int i = 0; i < n; i++) {
            value += weight(i, own) * means.get(i);
            for (int j = 0; j < n; j++) {
                variance += weight(i, own) * weight(j, own) * covariance.get(i).get(j);
            }
        }
        return new Estimate(value, Math.sqrt(Math.max(0, variance)), Double.POSITIVE_INFINITY);
    }

    private double weight(int i, int own) {
        return i == own ? 1 : -1.0 / (products.size() - 1);
    }

    /** Variance of the difference between two of its products, the mean over all pairs. */
    double pairVariance() {
        double sum = 0;
        int pairs = 0;
        for (int i = 0; i < products.size(); i++) {
            for (int j = 0; j < i; j++) {
                sum += covariance.get(i).get(i)
                        + covariance.get(j).get(j)
                        - 2 * covariance.get(i).get(j);
                pairs++;
            }
        }
        return sum / pairs;
    }
}
