package org.evensheen.core.comparing;

/** Why a number of a verdict is not there. */
public enum Absent {
    /** The study has no bare section. */
    NO_BARE_SECTION,
    /** Bare was not read at the moment that is judged. */
    BARE_NOT_READ,
    /** No row that was read joins it to bare, so that the two can't be told from their rows. */
    BARE_NOT_COMPARABLE,
    /** These are the first readings: nothing can be lost yet. */
    FIRST_READINGS,
    /** No section of it was read both when fresh and at the moment that is judged. */
    NOT_READ_WHEN_FRESH,
    /** Neither was bare read on the day of its fresh reading, nor was it read on its own place before it went on. */
    NO_CONTROL_WHEN_FRESH,
    /** For its fresh readings the bed was wetted in another way. */
    WETTED_OTHERWISE,
    /** Its first effect can't be told from none. */
    NO_FIRST_EFFECT,
    /** Its first effect went the wrong way: it made things worse. */
    MADE_WORSE,
    /** It is meant to let water run off in a sheet, so that the angle of a drop is no mark of it. */
    SHEETS,
    /** Scores of this kind have no share that is left. */
    NOT_KEPT,
    /** What is graded is an order: it has no amount that could be set against bare. */
    AN_ORDER,
    /** Nothing shows how much sections scatter. */
    NO_SCATTER
}
