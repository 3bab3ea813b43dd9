package org.evensheen.app.beds;

import java.util.List;
import java.util.Optional;

/**
 * What sections are taped on.
 *
 * @param outline corners in mm, "x,y x,y …"; empty for a plain rectangle
 */
public record Bed(long id, String name, double widthMm, double heightMm, Optional<String> outline, List<Zone> zones) {

    /** A part of the bed that lives differently. */
    public record Zone(String kind, String label, double xMm, double yMm, double widthMm, double heightMm) {}
}
