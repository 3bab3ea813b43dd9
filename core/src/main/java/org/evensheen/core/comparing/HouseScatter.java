package org.evensheen.core.comparing;

/**
 * Scatter between sections known from earlier replicated studies, for a study that can't estimate its own.
 *
 * @param variance between sections, in the measure's score unit squared, above 0
 * @param freedom degrees of freedom behind it, above 0
 * @param source which studies it comes from, in words for the reader
 */
public record HouseScatter(double variance, double freedom, String source) {
    public HouseScatter {
        if (!(variance > 0 && freedom > 0)) {
            throw new IllegalArgumentException("borrowed scatter needs a variance and degrees of freedom above 0");
        }
    }
}
