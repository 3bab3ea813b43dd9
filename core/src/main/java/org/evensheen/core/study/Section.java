package org.evensheen.core.study;

/**
 * A place: a taped piece of a bed, or a part, an item or a run with a name, on a sketch.
 *
 * @param code what is written on its tape: a letter, or two when letters run out
 * @param contender number of the contender that is on it
 * @param row the block it belongs to, from 1
 * @param xMm left edge from the bed's or the sketch's left edge, mm
 * @param yMm upper edge from its upper edge, mm
 * @param byHand whether a person chose the place instead of the lot
 * @param name what it is called if it is no taped section: left half, jar 2; else empty
 */
public record Section(
        String code,
        int contender,
        int row,
        double xMm,
        double yMm,
        double widthMm,
        double heightMm,
        boolean byHand,
        String name) {

    public Section {
        if (!(widthMm > 0 && heightMm > 0)) {
            throw new IllegalArgumentException("section " + code + " has no area");
        }
    }

    /** A taped section. */
    public Section(
            String code,
            int contender,
            int row,
            double xMm,
            double yMm,
            double widthMm,
            double heightMm,
            boolean byHand) {
        this(code, contender, row, xMm, yMm, widthMm, heightMm, byHand, "");
    }

    /** The same place, called by a name instead of being taped. */
    public Section named(String called) {
        return new Section(code, contender, row, xMm, yMm, widthMm, heightMm, byHand, called);
    }

    /** Area of a taped section; not a number for a place on a sketch, which has none. */
    public double areaSquareMetres() {
        return name.isEmpty() ? widthMm * heightMm / 1e6 : Double.NaN;
    }

    /** Its middle from the left edge of the bed, mm. */
    public double middleX() {
        return xMm + widthMm / 2;
    }

    /** Its middle from the upper edge of the bed, mm. */
    public double middleY() {
        return yMm + heightMm / 2;
    }

    /** The code, with the name if it has one: "A", "B, left half". */
    public String called() {
        return name.isEmpty() ? code : code + ", " + name;
    }
}
