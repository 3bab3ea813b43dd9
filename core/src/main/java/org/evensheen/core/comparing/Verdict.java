package org.evensheen.core.comparing;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Occasion;

/**
 * Who is best, second and indistinguishable on one measure at one moment of a study, and how sure that is.
 *
 * @param at the occasion that is judged
 * @param results products read on it, best mean first
 * @param pairs every pair of them, in the order of the results
 * @param unread products not read on it
 * @param bare the mean of the bare sections on it; empty if bare was not read
 * @param scatter where the scatter between sections comes from; empty if there is none, and then nothing can be told
 *     apart
 * @param blocked whether rows could be taken into account
 * @param leastDetectable difference between two products that would be found four times in five
 */
public record Verdict(
        Measure measure,
        Occasion at,
        List<Result> results,
        List<Pair> pairs,
        List<Contender> unread,
        Optional<Estimate> bare,
        Optional<Scatter> scatter,
        boolean blocked,
        OptionalDouble leastDetectable) {

    /**
     * One product.
     *
     * @param place 1 for the best; products that can't be told apart share one
     * @param mean over sections, adjusted for rows
     * @param benefit against bare: a share of the bare reading, or a difference in the score unit
     * @param retention share of the first benefit that is left; empty on the first day or without a fresh reading
     * @param chances of place 1, 2, …; empty without scatter
     */
    public record Result(
            Contender contender,
            int place,
            int sections,
            Estimate mean,
            Optional<Ratio> benefit,
            Optional<Ratio> retention,
            List<Double> chances) {}

    /**
     * Two products.
     *
     * @param better number of the contender with the better mean
     * @param worse number of the other
     * @param difference how much better, in the score unit, 0 or more
     * @param p raw two-sided p
     * @param adjusted Holm-adjusted over all pairs
     */
    public record Pair(int better, int worse, Estimate difference, double p, double adjusted) {
        public static final double APART = 0.05;

        public boolean apart() {
            return adjusted < APART;
        }

        public boolean joins(int one, int other) {
            return better == one && worse == other || better == other && worse == one;
        }
    }

    /**
     * The scatter between sections that the intervals rest on.
     *
     * @param deviation standard deviation in the score unit
     * @param borrowedFrom the earlier studies it was taken from; empty when it is the study's own
     * @param bareOnly whether it rests on the bare sections alone, as no product has two sections
     */
    public record Scatter(double deviation, double freedom, Optional<String> borrowedFrom, boolean bareOnly) {}

    public Optional<Result> result(Contender contender) {
        return results.stream().filter(r -> r.contender().equals(contender)).findFirst();
    }

    /** Whether two products can be told apart. */
    public boolean apart(Result one, Result other) {
        return pairs.stream()
                .anyMatch(p -> p.apart()
                        && p.joins(one.contender().number(), other.contender().number()));
    }
}
