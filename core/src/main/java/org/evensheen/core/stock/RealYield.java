package org.evensheen.core.stock;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evensheen.core.cost.PerUse;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;

/**
 * What a bottle really does: volume used up by uses logged, beside what its label promises (MEASURES 16).
 *
 * @param job what it was used for most often; the same bottle may be a wash and a drying aid
 * @param uses how many were logged for it, one a car
 * @param each what one takes of a bottle
 * @param promised cars that the label promises of it
 */
public record RealYield(String job, int uses, PerUse each, OptionalDouble promised) {
    /** The job of an ordinary wash. */
    public static final String WASH = "wash";

    /** Uses from which on a mean tells something. */
    private static final int LEAST = 2;

    /**
     * A use of a car.
     *
     * @param ml product, mL, above 0
     */
    public record Use(String job, double ml) {}

    /**
     * The yield of the job logged most often.
     *
     * @param bottleMl what the bottle in use holds, mL; 0 if there is none
     * @return empty for fewer than two uses of one job, or without a bottle
     */
    public static Optional<RealYield> of(List<Use> uses, double bottleMl, Label label) {
        if (!(bottleMl > 0)) {
            return Optional.empty();
        }
        return uses.stream()
                .collect(Collectors.groupingBy(Use::job, TreeMap::new, Collectors.averagingDouble(Use::ml)))
                .entrySet()
                .stream()
                .max(Comparator.comparing(e -> count(uses, e.getKey())))
                .filter(e -> count(uses, e.getKey()) >= LEAST)
                .map(e -> new RealYield(
                        e.getKey(),
                        (int) count(uses, e.getKey()),
                        new PerUse(e.getValue(), bottleMl, Optional.empty()),
                        label.promised(Claim.Yield.Of.CARS, bottleMl)));
    }

    private static long count(List<Use> uses, String job) {
        return uses.stream().filter(u -> u.job.equals(job)).count();
    }
}
