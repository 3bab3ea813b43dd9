package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.water.WaterLeft;

/** Water blotted off a section after a set wait, g; its score is g/m². Less is better for either water kind. */
final class LeftBehind extends Measure {
    private static final Words WORDS = new Words(
            "Left behind",
            "water left behind",
            "reading of water left",
            "readings of water left",
            "Water left behind",
            "water left",
            "leaves less water than bare by",
            "less water than on bare that day",
            "weighed towels and the scale",
            "Blot the section with a weighed towel; what it gained is what stayed.",
            "Water left");
    private static final List<Part> PARTS =
            List.of(new Part.Number(Part.FIRST, "Towel gained", "water's mass", "g", 0, 2000, false));
    /** Bare paint keeps about so much, g/m². */
    private static final double BARE = 110;

    @Override
    public String code() {
        return "left-behind";
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
        return "g/m²";
    }

    @Override
    public int scoreDecimals() {
        return 0;
    }

    @Override
    public Optional<Quality> quality() {
        return Optional.of(Quality.WATER);
    }

    @Override
    public boolean moreIsBetter() {
        return false;
    }

    @Override
    public double seconds() {
        return 90;
    }

    @Override
    public int usualRepeats() {
        return 1;
    }

    @Override
    public Set<ProductKind> askedFor() {
        return Kinds.COATS;
    }

    @Override
    public OptionalDouble score(Observation seen, double areaSquareMetres) {
        return areaSquareMetres > 0
                ? OptionalDouble.of(WaterLeft.gramsPerSquareMetre(seen.number(Part.FIRST), areaSquareMetres))
                : OptionalDouble.empty();
    }

    @Override
    public boolean benefitIsShare() {
        return true;
    }

    @Override
    public Optional<Probe> probe() {
        return Optional.of(Probe.SCALE);
    }

    @Override
    public OptionalDouble rehearsedBare() {
        return OptionalDouble.of(BARE);
    }

    @Override
    public boolean growsWithArea() {
        return true;
    }

    @Override
    public Drawing drawing() {
        return Drawing.SHEET;
    }

    @Override
    public boolean scoreIsNews() {
        return true;
    }
}
