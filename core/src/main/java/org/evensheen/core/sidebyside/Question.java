package org.evensheen.core.sidebyside;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Quality;

/**
 * Something that is asked of every place, or of pairs of them.
 *
 * @param code in addresses and the database: small letters, digits and hyphens
 * @param label on the sheet: "glide"
 * @param ask a sentence to the person: "Which glides better under the mitt?"
 * @param how how to look or feel, a sentence
 * @param form how it is answered
 * @param measure what is read; empty for a question about pairs and for a step of a ladder
 * @param after the move that it follows; {@link #FIRST} if none has to be made
 * @param usual whether it is asked unless somebody drops it
 * @param better what the better of two does: "glides better"
 * @param best what the best of several does: "glides best"
 * @param later when it falls due after its move; empty if at once
 */
public record Question(
        String code,
        String label,
        String ask,
        String how,
        Form form,
        Optional<Measure> measure,
        String after,
        boolean usual,
        String better,
        String best,
        Optional<Later> later) {
    /** Before any move. */
    public static final String FIRST = "";

    private static final Map<Quality, Set<String>> OF_PAIRS = Map.of(
            Quality.SLICKNESS, Set.of("glide", "slick", "glide-quarter"),
            Quality.WATER, Set.of("water"),
            Quality.GLOSS, Set.of("gloss", "tone", "finish", "clear", "look"));

    /** What it tells a reader of: what its measure does, or what is preferred. */
    public Optional<Quality> quality() {
        return measure.isPresent()
                ? measure.flatMap(Measure::quality)
                : OF_PAIRS.entrySet().stream()
                        .filter(e -> e.getValue().contains(code))
                        .map(Map.Entry::getKey)
                        .findFirst();
    }

    /** How it is answered. */
    public enum Form {
        /** This, that, or no difference. */
        PAIR,
        /** A level from 0 to 5, place by place. */
        LEVEL,
        /** A number, place by place. */
        NUMBER,
        /** The top of the foam, at minutes, all places together. */
        MARKS,
        /** Whether a place still stands after a step of a ladder. */
        RUNG
    }
}
