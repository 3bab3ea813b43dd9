package org.evensheen.core.study;

/**
 * A taped piece of a bed.
 *
 * @param code what is written on its tape: a letter, or two when letters run out
 * @param contender number of the contender that is on it
 * @param row the block it belongs to, from 1
 * @param xMm left edge from the bed's left edge, mm
 * @param yMm upper edge from the bed's upper edge, mm
 * @param byHand whether a person chose the place instead of the lot
 */
public record Section(
        String code, int contender, int row, double xMm, double yMm, double widthMm, double heightMm, boolean byHand) {

    public Section {
        if (!(widthMm > 0 && heightMm > 0)) {
            throw new IllegalArgumentException("section " + code + " has no area");
        }
    }

    public double areaSquareMetres() {
        return widthMm * heightMm / 1e6;
    }
}
