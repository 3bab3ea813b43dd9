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
        NOT_COMPARABLE("Rows and products can't be told apart", Footing.ANECDOTE),
        BASELINE_NOT_BARE("Not bare at the start", Footing.ANECDOTE),
        BASELINE_UNPROVEN("Not proven bare at the start", Footing.THIN),
        OWN_BEFORE_ONCE("Set against itself before, on one place each", Footing.THIN),
        ONE_SECTION_EACH("One section per product", Footing.THIN),
        PLACED_BY_HAND("Placed by hand", Footing.THIN),
        TOPPED_MIDWAY("Topped in mid-run", Footing.THIN),
        STACKED_CHEMICALS("Chemicals stacked, and one of them in question", Footing.THIN),
        CURE_CUT_SHORT("Cure cut short", Footing.THIN),
        PLACE_IN_USE("Places where something may still be", Footing.THIN),
        GIFT_JUDGED_BY_EYE("A gift judged by eye with names known", Footing.THIN),
        DOSE_BEYOND_LABEL("More than the label's dose", Footing.THIN),
        WAIT_OUTSIDE_LABEL("Buffed or wetted outside the window", Footing.THIN),
        RESIDUE_LEFT("Read while residue may be on", Footing.THIN),
        OWN_BEFORE("Set against itself before", Footing.FAIR),
        NO_REFERENCE("No reference product", Footing.FAIR),
        NOT_BLOCKED("Rows not shared out", Footing.FAIR),
        ROWS_LEFT_IN("Rows not taken out", Footing.FAIR),
        ZONE_NOT_SHARED_OUT("Zones not shared out", Footing.FAIR),
        NOT_BLIND("By eye, with names known", Footing.FAIR),
        TOO_FEW_VISITS("Too few visits to tell how long", Footing.FAIR),
        CHEMICALS_UNBALANCED("Chemicals not balanced", Footing.FAIR),
        WETTED_OTHERWISE("Wetted in another way than when fresh", Footing.FAIR),
        OUT_OF_WEATHER("Applied outside the weather's limits", Footing.FAIR),
        DEVIATION_NOTED("Something went otherwise on the day", Footing.FAIR),
        RAIN_FORECAST("Rain forecast in the cure", Footing.FAIR),
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
