package org.evensheen.core.comparing;

import java.util.List;

/**
 * Scatter between sections known from earlier replicated studies, for a study that can't estimate its own.
 *
 * @param variance between sections, in the measure's score unit squared, above 0
 * @param freedom degrees of freedom behind it, above 0
 * @param lenders the studies it comes from
 */
public record HouseScatter(double variance, double freedom, List<Lender> lenders) {
    public HouseScatter {
        if (!(variance > 0 && freedom > 0)) {
            throw new IllegalArgumentException("borrowed scatter needs a variance and degrees of freedom above 0");
        }
    }

    /**
     * A study that lends its scatter.
     *
     * @param study its number
     * @param day the day of that study whose readings were taken
     * @param variance between its sections
     * @param freedom degrees of freedom behind that
     */
    public record Lender(long study, int day, double variance, double freedom) {}
}
