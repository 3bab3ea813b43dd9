package org.evensheen.app.answers;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A report of a study for programs, {@value #FORMAT}: what its pages print, and no number that they don't.
 *
 * @param readings hash of the readings that it rests on, SHA-256
 * @param seal hash over all of it but the seal itself and the reviewer's own words, SHA-256: a later report of the same data and method has the same
 */
public record Report(
        String format,
        String question,
        String bed,
        String firstDay,
        int day,
        String reader,
        String answer,
        String more,
        Trust trust,
        List<Place> places,
        List<Reader> readers,
        List<String> scales,
        List<String> money,
        List<Advised> advice,
        List<String> promises,
        List<String> notTested,
        List<String> method,
        List<String> deviations,
        List<String> disclosure,
        List<String> cautions,
        Map<String, Integer> methods,
        String readings,
        String seal) {
    /** What an afternoon is judged by, among {@link #methods}. */
    static final String SIDE_BY_SIDE = "side-by-side";

    /** What a league, or where a product stands in it, is worked out by. */
    static final String LEAGUE = "league";

    /** On what, and when. */
    String when() {
        return ofAStudy() ? "%s, day %d".formatted(bed, day) : "%s, %s".formatted(bed, firstDay);
    }

    boolean sideBySide() {
        return methods.containsKey(SIDE_BY_SIDE);
    }

    /** Whether it is of a study, with places on one scale; else what was found stands line by line. */
    boolean ofAStudy() {
        return !sideBySide() && !methods.containsKey(LEAGUE);
    }

    /** What stands over the lines. */
    String listed() {
        return sideBySide() ? "What was seen" : ofAStudy() ? "The scales" : "Where they stand";
    }

    /** What stands over what is not among them, or doesn't agree. */
    String besides() {
        return sideBySide() || ofAStudy() ? "Not in it" : "Worth knowing";
    }

    static final String FORMAT = "even-sheen-report/1";

    public record Trust(String footing, String meaning, List<String> why) {}

    /**
     * A place: of a study bare is 0 and the reference 100, of a league the middle of the table is 0.
     *
     * @param chanceFirst none in a league, where nothing is drawn
     * @param scores by quality, in a study only
     */
    public record Place(
            int place,
            String product,
            double total,
            double low,
            double high,
            @Nullable Double chanceFirst,
            Map<String, Double> scores) {}

    public record Reader(String reader, String first) {}

    /** @param overruled what the reviewer says against what was derived; empty if nothing */
    public record Advised(String product, String advice, String reason, String overruled) {}

    Report sealed(String by) {
        return new Report(
                format,
                question,
                bed,
                firstDay,
                day,
                reader,
                answer,
                more,
                trust,
                places,
                readers,
                scales,
                money,
                advice,
                promises,
                notTested,
                method,
                deviations,
                disclosure,
                cautions,
                methods,
                readings,
                by);
    }
}
