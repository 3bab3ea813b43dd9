package org.evensheen.app.beds;

import java.time.LocalDate;
import java.util.Optional;

/**
 * A section of a study on a bed, and what may still be on it.
 *
 * @param product what was put there; empty for a bare section
 * @param until the last planned day of its study
 * @param claimedWeeks how long the label says it lasts, at most
 */
public record PlaceInUse(
        long study,
        String question,
        String code,
        Optional<String> product,
        double xMm,
        double yMm,
        double widthMm,
        double heightMm,
        LocalDate from,
        LocalDate until,
        Optional<Double> claimedWeeks) {

    /** Whether its study still runs on a day. */
    public boolean runsOn(LocalDate day) {
        return !until.isBefore(day);
    }

    /** Whether a rectangle lies on it, in part at least. */
    public boolean meets(double x, double y, double width, double height) {
        return x < xMm + widthMm && xMm < x + width && y < yMm + heightMm && yMm < y + height;
    }
}
