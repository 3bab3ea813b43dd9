package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.water.WaterKind;

/** Grade by eye, 0 (wets like bare) to 4 (as fresh), after the water kind is chosen. An order, not an amount. */
public final class WaterGrade extends Measure {
    private static final String KIND = "kind";

    private static final Words WORDS = new Words(
            "By eye",
            "the look of water",
            "grade by eye",
            "grades by eye",
            "Grade by eye",
            "grade",
            "grades",
            "",
            "the hose or sprayer",
            "Wet it, and set it against its own first look.",
            "By eye");
    private static final List<Part> PARTS = List.of(
            new Part.Choice(
                    KIND,
                    "What does the water do?",
                    List.of(
                            new Part.Option("repels", "repels, in beads", "beads"),
                            new Part.Option("sheets", "sheets, as one film", "sheet")),
                    "First say what the water does: repels or sheets."),
            new Part.Choice(
                    Part.FIRST,
                    "Grade",
                    IntStream.iterate(4, n -> n >= 0, n -> n - 1)
                            .mapToObj(n -> new Part.Option("" + n, inWords(n), "" + n))
                            .toList(),
                    "Grades are whole numbers from 0 to 4."));

    @Override
    public String code() {
        return "grade";
    }

    @Override
    public Words words() {
        return WORDS;
    }

    @Override
    public List<Part> parts() {
        return PARTS;
    }

    @Override
    public boolean wetted() {
        return true;
    }

    @Override
    public boolean looksAtWater() {
        return true;
    }

    @Override
    public String scoreUnit() {
        return "of 4";
    }

    @Override
    public int scoreDecimals() {
        return 1;
    }

    @Override
    public boolean againstItsFirst() {
        return true;
    }

    @Override
    public Optional<Quality> quality() {
        return Optional.of(Quality.WATER);
    }

    @Override
    public boolean moreIsBetter() {
        return true;
    }

    @Override
    public double seconds() {
        return 20;
    }

    @Override
    public int usualRepeats() {
        return 1;
    }

    @Override
    public Set<ProductKind> askedFor() {
        return Kinds.COATS;
    }

    private static String inWords(int grade) {
        return switch (grade) {
            case 3 -> "slower or looser";
            case 1 -> "barely";
            default -> WaterKind.REPELS.gradeInWords(grade);
        };
    }

    /**
     * A grade.
     *
     * @param grade 0 to 4
     */
    public static Observation seen(WaterKind kind, int grade) {
        return new Observation(
                Measures.WATER_GRADE, List.of(new Value.Chosen(kind.code()), new Value.Chosen("" + grade)));
    }

    /** What the water does, as it was said with a grade; empty for an observation of another measure. */
    public static java.util.Optional<WaterKind> kind(Observation seen) {
        return seen.measure() instanceof WaterGrade ? WaterKind.ofCode(seen.chosen(KIND)) : java.util.Optional.empty();
    }

    @Override
    public OptionalDouble score(Observation seen, double areaSquareMetres) {
        return OptionalDouble.of(Integer.parseInt(seen.chosen(Part.FIRST)));
    }

    @Override
    public Scale scale() {
        return Scale.ORDER;
    }

    @Override
    public boolean byEye() {
        return true;
    }

    @Override
    public OptionalDouble bareUpTo() {
        return OptionalDouble.of(0);
    }
}
