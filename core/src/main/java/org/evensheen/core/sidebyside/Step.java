package org.evensheen.core.sidebyside;

import java.util.List;
import java.util.Optional;

/**
 * One large step of an afternoon.
 *
 * <p>Its key names it for good: {@code before/A}, {@code dose/1}, {@code do/1/wash}, {@code gone/A}, {@code foam/1}, {@code glide/A/B}, {@code glide/B/A/again}. Marks of
 * foam are told below it: {@code foam/A/0}.
 *
 * @param round 1 for the first, more after sides were exchanged
 * @param places codes at hand: all of a round, one, or a pair in drawn order
 * @param answer what was said last; empty while it is open
 */
public record Step(
        String key,
        Type type,
        int round,
        List<String> places,
        Optional<Question> question,
        Optional<Move> move,
        Optional<Said> answer) {

    /** What a step is. */
    public enum Type {
        /** How dirty a place is before anything. */
        BEFORE,
        /** How much of what goes on each. */
        DOSE,
        /** Something is done to all. */
        DO,
        PAIR,
        LEVEL,
        NUMBER,
        MARKS
    }

    public boolean done() {
        return answer.isPresent();
    }
}
