package org.evensheen.app.answers;

/**
 * What was published, or said otherwise about: where it is kept.
 *
 * @param column where that stands; nothing that anybody typed
 * @param key of a study, a comparison, a product; or what a table of the league was asked for
 */
public record Matter(String column, Object key) {
    static Matter study(long id) {
        return new Matter("study_id", id);
    }

    static Matter comparison(long id) {
        return new Matter("comparison_id", id);
    }

    public static Matter product(long id) {
        return new Matter("product_id", id);
    }

    public static Matter league(String asked) {
        return new Matter("league", asked);
    }
}
