package org.evensheen.core.sidebyside;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;

/**
 * One large step of an afternoon.
 *
 * <p>Its key names it for good: {@code before/A}, {@code dose/1}, {@code do/1/wash}, {@code gone/A}, {@code foam/1}, {@code glide/A/B}, {@code glide/B/A/again},
 * {@code glide/A/C/more}. What belongs to it is told below it, see {@link Detail}.
 *
 * @param round 1 for the first, more after sides were exchanged
 * @param places codes at hand: all of a round, one, or a pair in drawn order
 * @param answer what was said last, by whomever; empty while it is open
 * @param since when its move was done, for a look that falls due later; empty else, or while it was not done
 */
public record Step(
        String key,
        Type type,
        int round,
        List<String> places,
        Optional<Question> question,
        Optional<Move> move,
        Optional<Said> answer,
        Optional<Instant> since) {

    /** What a step is. */
    public enum Type {
        /** Whether something not meant for paint goes on paint. */
        PAINT,
        /** How dirty a place is before anything. */
        BEFORE,
        /** How much of what goes on each. */
        DOSE,
        /** Something is done to all. */
        DO,
        PAIR,
        LEVEL,
        NUMBER,
        MARKS,
        /** Whether a place still stands after a step of a ladder. */
        RUNG
    }

    public boolean done() {
        return answer.isPresent();
    }

    /** Whether it is a pair that is asked a second time. */
    public boolean again() {
        return key.endsWith("/again");
    }

    /** The step that it follows, if that decides when it is due. */
    public Optional<String> base() {
        return question.flatMap(Question::later)
                .map(l -> "do/%d/%s".formatted(round, question.orElseThrow().after()));
    }

    /** When it falls due; empty if it does at once, or while its move was not done. */
    public Optional<Instant> due(ZoneId zone) {
        return question.flatMap(Question::later).flatMap(l -> since.map(s -> l.due(s, zone)));
    }

    /** Whether it is still to come. */
    public boolean waits(Instant now, ZoneId zone) {
        return due(zone).filter(d -> d.isAfter(now)).isPresent();
    }
}
