package org.evensheen.core.wear;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A promise of a label to last, against what was found.
 *
 * @param axis what it is counted in: weeks or washes
 * @param said as the label says it
 * @param claimed the least that it promises on that axis: of a range its lower end
 * @param most the upper end of a range; the same where there is none
 * @param state how it stands
 * @param chance that it holds; empty where there is none to give
 * @param elapsed share of it that is over, from 0
 * @param left share of the first effect that is left at the latest visit, by the product's curve; empty without one
 */
public record Promise(
        int contender,
        Axis axis,
        String said,
        double claimed,
        double most,
        State state,
        OptionalDouble chance,
        double elapsed,
        OptionalDouble left) {
    /** From this chance on it holds up, or is on course. */
    public static final double HOLDS = 0.9;
    /** Up to this chance it falls short, or is behind. */
    public static final double SHORT = 0.1;

    /** How a promise stands. */
    public enum State {
        HOLDS_UP,
        FALLS_SHORT,
        NOT_SETTLED,
        /** Its time is not over, and the curve keeps it. */
        ON_COURSE,
        /** Its time is not over, and the curve breaks it. */
        BEHIND,
        /** Its time lies beyond twice what was observed. */
        TOO_EARLY,
        /** It is counted in something that nobody logged. */
        NOT_LOGGED,
        /** There is no curve of it. */
        NO_CURVE
    }

    /** How a promise stands by a product's lives, or while its time is not over by its curve. */
    static Promise of(
            int contender, Axis axis, String said, double claimed, double most, Lives lives, Optional<Fitted> fitted) {
        double edge = Math.min(claimed, Lives.BEYOND * lives.span());
        double holds = 1 - lives.chanceBelow(contender, edge);
        double elapsed = fitted.map(Fitted::span).orElse(lives.span()) / claimed;
        OptionalDouble left =
                fitted.map(f -> OptionalDouble.of(f.left(f.span()))).orElse(OptionalDouble.empty());
        if (holds <= SHORT) {
            return new Promise(
                    contender, axis, said, claimed, most, State.FALLS_SHORT, OptionalDouble.of(holds), elapsed, left);
        }
        if (claimed > Lives.BEYOND * lives.span()) {
            return new Promise(
                    contender, axis, said, claimed, most, State.TOO_EARLY, OptionalDouble.empty(), elapsed, left);
        }
        if (elapsed >= 1) {
            double kept = lives.chanceAtLeast(contender, claimed);
            return new Promise(
                    contender,
                    axis,
                    said,
                    claimed,
                    most,
                    kept >= HOLDS ? State.HOLDS_UP : State.NOT_SETTLED,
                    OptionalDouble.of(kept),
                    elapsed,
                    left);
        }
        OptionalDouble course = fitted.map(f -> f.chanceLeftAt(claimed)).orElse(OptionalDouble.empty());
        State state = course.isEmpty()
                ? State.NOT_SETTLED
                : course.getAsDouble() >= HOLDS
                        ? State.ON_COURSE
                        : course.getAsDouble() <= SHORT ? State.BEHIND : State.NOT_SETTLED;
        return new Promise(
                contender,
                axis,
                said,
                claimed,
                most,
                state,
                course.isPresent() ? course : OptionalDouble.of(holds),
                elapsed,
                left);
    }
}
