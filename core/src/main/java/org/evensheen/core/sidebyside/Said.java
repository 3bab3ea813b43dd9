package org.evensheen.core.sidebyside;

import java.time.Instant;

/**
 * An answer, as it was given.
 *
 * @param step key of what it answers, see {@link Step}
 * @param value a level, a number, a code, {@code same}, {@code done}, {@code skip}, or words
 * @param by whose hands
 * @param knew whether they knew which is which
 */
public record Said(String step, String value, String by, boolean knew, Instant at) {
    /** Whoever passed it by. */
    public static final String SKIP = "skip";
    /** Something was done. */
    public static final String DONE = "done";
    /** What was said before is taken back; the step is open again. */
    public static final String UNDO = "undo";
    /** No difference between two. */
    public static final String SAME = "same";
    /** On a ladder: as before. */
    public static final String STANDS = "stands";
    /** On a ladder: there, but less. */
    public static final String WEAKER = "weaker";
    /** On a ladder: taken off. */
    public static final String GONE = "gone";
    /** What is not meant for paint goes on paint all the same. */
    public static final String PAINT = "paint";
    /** It goes on a piece that can be spared. */
    public static final String SPARE = "spare";
}
