package org.evensheen.app.shelf;

import java.util.ArrayList;
import java.util.List;
import org.evensheen.app.labels.ClaimWords;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.mixing.Calibration;

/**
 * A label line shown back: what was read in words, and the line itself with what could not be read marked at its place.
 *
 * @param pieces the whole line, cut where marks begin and end
 * @param claims what was read
 * @param problems what could not be, in order
 * @param odd where it contradicts itself
 */
record LineView(List<Piece> pieces, List<ClaimWords> claims, List<String> problems, List<String> odd) {

    /** A run of the line's characters. */
    record Piece(String text, boolean wrong) {}

    static LineView of(LabelLine.Outcome read, List<Calibration> calibrations) {
        List<Piece> pieces = new ArrayList<>();
        int at = 0;
        for (LabelLine.Problem problem : read.problems()) {
            pieces.add(new Piece(read.line().substring(at, problem.start()), false));
            pieces.add(new Piece(read.line().substring(problem.start(), problem.end()), true));
            at = problem.end();
        }
        pieces.add(new Piece(read.line().substring(at), false));
        return new LineView(
                read.problems().isEmpty() ? List.of() : pieces,
                ClaimWords.of(read.label(), calibrations),
                read.problems().stream()
                        .map(p -> "At “%s”: %s"
                                .formatted(shortened(read.line().substring(p.start(), p.end())), p.message()))
                        .toList(),
                ClaimWords.contradictions(read.label()));
    }

    private static String shortened(String text) {
        return text.length() <= 24 ? text : text.substring(0, 24) + "…";
    }
}
