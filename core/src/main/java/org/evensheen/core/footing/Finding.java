package org.evensheen.core.footing;

/**
 * Something that limits how far a result can be trusted.
 *
 * @param numbers what was found, with its numbers
 * @param remedy what to do about it
 */
public record Finding(Kind kind, String numbers, String remedy) {

    /** What can be wrong, and the highest footing it allows. */
    public enum Kind {
        NO_BARE_SECTION("No bare section", Footing.ANECDOTE),
        NO_BARE_READING("No bare reading that day", Footing.ANECDOTE),
        BASELINE_NOT_BARE("Not bare at the start", Footing.ANECDOTE),
        BASELINE_UNPROVEN("Not proven bare at the start", Footing.THIN),
        ONE_SECTION_EACH("One section per product", Footing.THIN),
        PLACED_BY_HAND("Placed by hand", Footing.THIN),
        TOPPED_MIDWAY("Topped in mid-run", Footing.THIN),
        DOSE_BEYOND_LABEL("More than the label's dose", Footing.THIN),
        WAIT_OUTSIDE_LABEL("Buffed or wetted outside the window", Footing.THIN),
        NO_REFERENCE("No reference product", Footing.FAIR),
        NOT_BLOCKED("Rows not shared out", Footing.FAIR),
        SECTIONS_UNREAD("Sections not read", Footing.FAIR),
        GAUGE_UNCHECKED("Gauge not checked", Footing.FAIR),
        WEATHER_UNLOGGED("Weather not noted", Footing.FAIR),
        LABEL_DEPARTED("Label not followed", Footing.FAIR),
        LABEL_UNPROVEN("Label not known to be followed", Footing.FAIR),
        SOURCE_UNDISCLOSED("Source not told", Footing.FAIR);

        private final String title;
        private final Footing atMost;

        Kind(String title, Footing atMost) {
            this.title = title;
            this.atMost = atMost;
        }

        public String title() {
            return title;
        }

        public Footing atMost() {
            return atMost;
        }
    }
}
