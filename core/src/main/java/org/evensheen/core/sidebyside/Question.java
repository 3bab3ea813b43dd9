package org.evensheen.core.sidebyside;

import java.util.Optional;
import org.evensheen.core.measure.Measure;

/**
 * Something that is asked of every place, or of pairs of them.
 *
 * @param code in addresses and the database: small letters and hyphens
 * @param label on the sheet: "glide"
 * @param ask a sentence to the person: "Which glides better under the mitt?"
 * @param how how to look or feel, a sentence
 * @param measure what is read; empty for a question about pairs
 * @param after the move that it follows; {@link #FIRST} if none has to be made
 * @param usual whether it is asked unless somebody drops it
 * @param better what the better of two does: "glides better"
 * @param best what the best of several does: "glides best"
 */
public record Question(
        String code,
        String label,
        String ask,
        String how,
        Optional<Measure> measure,
        String after,
        boolean usual,
        String better,
        String best) {
    /** Before any move. */
    public static final String FIRST = "";

    /** How it is answered. */
    public enum Form {
        /** This, that, or no difference. */
        PAIR,
        /** A level from 0 to 5, place by place. */
        LEVEL,
        /** A number, place by place. */
        NUMBER,
        /** The top of the foam, at minutes, all places together. */
        MARKS
    }

    public Form form() {
        return measure.map(m -> m.parts().stream().anyMatch(p -> p instanceof org.evensheen.core.measure.Part.Series)
                        ? Form.MARKS
                        : m instanceof org.evensheen.core.measure.Level ? Form.LEVEL : Form.NUMBER)
                .orElse(Form.PAIR);
    }
}
