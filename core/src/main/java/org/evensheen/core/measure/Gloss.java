package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.label.ProductKind;

/**
 * Specular gloss at 60°, GU, as in ISO 2813. More shines more. One angle only: readings at another can't be compared with these.
 */
final class Gloss extends Measure {
    private static final Words WORDS = new Words(
            "Gloss",
            "gloss",
            "gloss reading",
            "gloss readings",
            "",
            "gloss",
            "shines more than bare by",
            "",
            "the gloss meter and its tile",
            "Set the meter down flat and dry at 60°, at a spot of its own each time; edges and swirls read low.",
            "Gloss");
    private static final List<Part> PARTS =
            List.of(new Part.Number(Part.FIRST, "At 60°", "gloss", "GU", 0, 200, false));
    /** Spots of a section that gloss is read at, at least; ISO 2813 asks for so many. */
    private static final int SPOTS = 3;

    @Override
    public String code() {
        return "gloss";
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
    public String scoreUnit() {
        return "GU";
    }

    @Override
    public int scoreDecimals() {
        return 1;
    }

    @Override
    public Optional<Quality> quality() {
        return Optional.of(Quality.GLOSS);
    }

    @Override
    public boolean moreIsBetter() {
        return true;
    }

    @Override
    public double seconds() {
        return 10;
    }

    @Override
    public int usualRepeats() {
        return 0;
    }

    @Override
    public Set<ProductKind> askedFor() {
        return Kinds.COATS;
    }

    @Override
    public OptionalDouble score(Observation seen, double areaSquareMetres) {
        return OptionalDouble.of(seen.number(Part.FIRST));
    }

    @Override
    public int leastRepeats() {
        return SPOTS;
    }

    @Override
    public String whyRepeats() {
        return "Gloss differs from spot to spot: read three or more on a section, or none.";
    }

    @Override
    public Optional<Probe> probe() {
        return Optional.of(Probe.REFLECTOMETER);
    }

    @Override
    public Drawing drawing() {
        return Drawing.GLEAM;
    }
}
