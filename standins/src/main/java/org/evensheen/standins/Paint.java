package org.evensheen.standins;

/**
 * The truth of a painted bed and of the hand that reads it. Scatter is a standard deviation, as a share of the
 * bare value; for angles as a share of 100°.
 *
 * @param pull pull on bare paint on a reference day, N
 * @param angle contact angle on bare paint, degrees
 * @param left water left behind on bare paint, g/m²
 * @param betweenSections scatter from place to place
 * @param rowStep how much the value grows from one row to the next below, as such a share
 * @param betweenRepeats scatter of repeats
 * @param warmth scatter from day to day that all sections share, as a share
 */
public record Paint(
        double pull,
        double angle,
        double left,
        double betweenSections,
        double rowStep,
        double betweenRepeats,
        double warmth) {
    /** Gloss of bare paint at 60°, GU: a clear coat in fair order. */
    public double gloss() {
        return 82;
    }
}
