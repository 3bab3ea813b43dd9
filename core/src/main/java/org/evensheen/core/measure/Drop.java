package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.water.SessileDrop;

/** Height and width of a resting drop, mm; its score is the contact angle, degrees. More repels more. */
final class Drop extends Measure {
    private static final String WIDTH = "width";
    /** Contact angle above which water on a stripped section does not lie flat, degrees. */
    private static final double FLAT = 45;

    private static final Words WORDS = new Words(
            "Drop",
            "beading",
            "drop",
            "drops",
            "",
            "contact angle",
            "stands drops up by",
            "",
            "a dropper, and a ruler or the camera at panel height",
            "One drop from the dropper, seen from the side at panel height.",
            "Drops");
    private static final List<Part> PARTS = List.of(
            new Part.Number(Part.FIRST, "Height", "drop's height", "mm", 0.05, 10, false),
            new Part.Number(WIDTH, "Width of the base", "drop's width", "mm", 0.2, 30, false));

    @Override
    public String code() {
        return "drop";
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
    public boolean looksAtWater() {
        return true;
    }

    @Override
    public String scoreUnit() {
        return "°";
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
        return true;
    }

    @Override
    public double seconds() {
        return 60;
    }

    @Override
    public int usualRepeats() {
        return 2;
    }

    @Override
    public Set<ProductKind> askedFor() {
        return Kinds.COATS;
    }

    @Override
    public OptionalDouble score(Observation seen, double areaSquareMetres) {
        return OptionalDouble.of(SessileDrop.contactAngle(seen.number(Part.FIRST), seen.number(WIDTH)));
    }

    @Override
    void check(List<Value> values) {
        SessileDrop.contactAngle(((Value.Number) values.get(0)).value(), ((Value.Number) values.get(1)).value());
    }

    @Override
    public String doubt(Observation seen) {
        return SessileDrop.flattened(seen.number(WIDTH))
                ? ", gravity reckoned in for clean water; soap or residue makes it doubtful"
                : "";
    }

    @Override
    public boolean judgesSheeting() {
        return false;
    }

    @Override
    public OptionalDouble bareUpTo() {
        return OptionalDouble.of(FLAT);
    }

    @Override
    public Drawing drawing() {
        return Drawing.DROP;
    }

    @Override
    public boolean scoreIsNews() {
        return true;
    }
}
