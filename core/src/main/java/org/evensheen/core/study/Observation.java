package org.evensheen.core.study;

import org.evensheen.core.water.SessileDrop;
import org.evensheen.core.water.WaterKind;
import org.evensheen.core.water.WaterLeft;

/** One thing seen on a section, checked on construction: a value that could not be real can't be built. */
public sealed interface Observation {

    Measure measure();

    /**
     * The number that is averaged and compared, in {@link Measure#scoreUnit()}.
     *
     * @param areaSquareMetres area of the section, m², above zero
     */
    double score(double areaSquareMetres);

    /** The value as it was typed, in {@link Measure#unit()}; for a drop its height. */
    double amount();

    /** Steady pull of the sled, N. */
    record Pull(double newtons) implements Observation {
        public Pull {
            check(Measure.PULL, newtons);
        }

        @Override
        public Measure measure() {
            return Measure.PULL;
        }

        @Override
        public double amount() {
            return newtons;
        }

        @Override
        public double score(double areaSquareMetres) {
            return newtons;
        }
    }

    /** A resting drop seen from the side: its height, and the width of the base it stands on, mm. */
    record DropShape(double heightMm, double widthMm) implements Observation {
        /** Narrowest and widest base of a drop that is accepted, mm. */
        public static final double NARROWEST = 0.2;

        public static final double WIDEST = 30;

        public DropShape {
            check(Measure.DROP, heightMm);
            if (!(widthMm >= NARROWEST && widthMm <= WIDEST)) {
                throw new IllegalArgumentException("a drop's width lies between 0.2 and 30 mm, not at " + widthMm);
            }
            SessileDrop.contactAngle(heightMm, widthMm);
        }

        @Override
        public Measure measure() {
            return Measure.DROP;
        }

        @Override
        public double amount() {
            return heightMm;
        }

        @Override
        public double score(double areaSquareMetres) {
            return SessileDrop.contactAngle(heightMm, widthMm);
        }
    }

    /** Water that stayed on the section, g, as mass gained by a weighed towel. */
    record LeftBehind(double grams) implements Observation {
        public LeftBehind {
            check(Measure.LEFT_BEHIND, grams);
        }

        @Override
        public Measure measure() {
            return Measure.LEFT_BEHIND;
        }

        @Override
        public double amount() {
            return grams;
        }

        @Override
        public double score(double areaSquareMetres) {
            return WaterLeft.gramsPerSquareMetre(grams, areaSquareMetres);
        }
    }

    /** A grade by eye: first the kind of water behaviour, then 0 to 4 against the section's own first clean reading. */
    record Graded(WaterKind kind, int grade) implements Observation {
        public Graded {
            check(Measure.WATER_GRADE, grade);
        }

        @Override
        public Measure measure() {
            return Measure.WATER_GRADE;
        }

        @Override
        public double amount() {
            return grade;
        }

        @Override
        public double score(double areaSquareMetres) {
            return grade;
        }
    }

    /** Specular gloss at 60°, GU, read at one spot of the section. */
    record Gloss(double units) implements Observation {
        public Gloss {
            check(Measure.GLOSS, units);
        }

        @Override
        public Measure measure() {
            return Measure.GLOSS;
        }

        @Override
        public double amount() {
            return units;
        }

        @Override
        public double score(double areaSquareMetres) {
            return units;
        }
    }

    private static void check(Measure measure, double value) {
        if (!(value >= measure.lowest() && value <= measure.highest())) {
            throw new IllegalArgumentException("%s lies between %s and %s %s, not at %s"
                    .formatted(measure.code(), measure.lowest(), measure.highest(), measure.unit(), value));
        }
    }
}
