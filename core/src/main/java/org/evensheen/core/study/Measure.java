package org.evensheen.core.study;

import java.util.Optional;
import java.util.stream.Stream;

/** What is read on a section. Each measure has one unit, one way up, and a range outside which a reading is refused. */
public enum Measure {
    /** Force to draw the weighted sled at steady speed, N. Less is slicker. */
    PULL("pull", "Pull", "N", 0.1, 200, 1, false),
    /** Height and width of a resting drop, mm; its score is the contact angle, degrees. More repels more. */
    DROP("drop", "Drop", "mm", 0.05, 10, 0, true),
    /** Water blotted off a section after a set wait, g; its score is g/m². Less is better for either water kind. */
    LEFT_BEHIND("left-behind", "Left behind", "g", 0, 2000, 0, false),
    /** Grade by eye, 0 (wets like bare) to 4 (as fresh), after the water kind is chosen. */
    WATER_GRADE("grade", "By eye", "of 4", 0, 4, 1, true),
    /**
     * Specular gloss at 60°, GU, as in ISO 2813. More shines more. One angle only: readings at another can't be compared with these.
     */
    GLOSS("gloss", "Gloss", "GU", 0, 200, 1, true);

    private final String code;
    private final String label;
    private final String unit;
    private final double lowest;
    private final double highest;
    private final int scoreDecimals;
    private final boolean moreIsBetter;

    Measure(
            String code,
            String label,
            String unit,
            double lowest,
            double highest,
            int scoreDecimals,
            boolean moreIsBetter) {
        this.code = code;
        this.label = label;
        this.unit = unit;
        this.lowest = lowest;
        this.highest = highest;
        this.scoreDecimals = scoreDecimals;
        this.moreIsBetter = moreIsBetter;
    }

    /** The word used in addresses, files and the database. */
    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    /** Unit of what is typed. */
    public String unit() {
        return unit;
    }

    /** Unit of the score that is compared: N, degrees, g/m², grades or GU. */
    public String scoreUnit() {
        return switch (this) {
            case PULL -> "N";
            case DROP -> "°";
            case LEFT_BEHIND -> "g/m²";
            case WATER_GRADE -> "of 4";
            case GLOSS -> "GU";
        };
    }

    /** Lowest value that may be typed, in {@link #unit()}. */
    public double lowest() {
        return lowest;
    }

    /** Highest value that may be typed, in {@link #unit()}. */
    public double highest() {
        return highest;
    }

    public int scoreDecimals() {
        return scoreDecimals;
    }

    public boolean moreIsBetter() {
        return moreIsBetter;
    }

    /** Whether section means of this measure may go through the block model; grades by eye are ranks, not amounts. */
    public boolean comparable() {
        return this != WATER_GRADE;
    }

    /** Whether the benefit against bare is a share of the bare reading (pull, water left) or a plain difference. */
    public boolean benefitIsShare() {
        return this == PULL || this == LEFT_BEHIND;
    }

    public static Optional<Measure> ofCode(String code) {
        return Stream.of(values()).filter(m -> m.code.equals(code)).findFirst();
    }
}
