package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.evensheen.core.foam.FoamCurve;
import org.evensheen.core.label.ProductKind;

/**
 * Foam as it stands: height or volume at stated minutes, in a jar after a set number of shakes or on an upright strip. Its score is the
 * minutes until half is gone, compared as ratios; foam that was not half gone by the last mark has none.
 */
final class Foam extends Measure {
    static final String SERIES = "series";

    private static final Words WORDS = new Words(
            "Foam",
            "lasting foam",
            "foam reading",
            "foam readings",
            "Foam, from minute 0",
            "half gone after",
            "outlasts bare by",
            "",
            "a jar or an upright strip, a ruler, and a clock",
            "Note its height or volume at each minute as the clock calls; what settles first counts too.",
            "Foam");
    private static final List<Part> PARTS = List.of(
            new Part.Choice(
                    "how",
                    "Where does it stand?",
                    List.of(
                            new Part.Option("jar-mm", "in a jar, mm", "in a jar"),
                            new Part.Option("jar-ml", "in a jar, mL", "in a jar"),
                            new Part.Option("strip", "on an upright strip, mm", "on a strip")),
                    "First say where the foam stands: in a jar, or on an upright strip."),
            new Part.Series(SERIES, "Foam", "foam", "mm or mL", 0, 5000, List.of(0, 1, 3, 5, 10)));

    @Override
    public String code() {
        return "foam";
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
        return "min";
    }

    @Override
    public int scoreDecimals() {
        return 1;
    }

    @Override
    public Optional<Quality> quality() {
        return Optional.of(Quality.FOAM);
    }

    @Override
    public boolean moreIsBetter() {
        return true;
    }

    @Override
    public double seconds() {
        return 120;
    }

    @Override
    public int usualRepeats() {
        return 0;
    }

    @Override
    public Set<ProductKind> askedFor() {
        return Kinds.SOAPS;
    }

    /** The curve that was seen. */
    static FoamCurve curve(Observation seen) {
        return new FoamCurve(seen.marks(SERIES));
    }

    @Override
    public OptionalDouble score(Observation seen, double areaSquareMetres) {
        return curve(seen).halfGone();
    }

    @Override
    void check(List<Value> values) {
        if (!(((Value.Series) values.get(1)).marks().get(0).value() > 0)) {
            throw new IllegalArgumentException("foam begins at minute 0 with more than nothing");
        }
    }

    @Override
    public Scale scale() {
        return Scale.LOG;
    }

    @Override
    public Drawing drawing() {
        return Drawing.CURVE;
    }

    @Override
    public boolean scoreIsNews() {
        return true;
    }

    @Override
    public boolean needsBare() {
        return false;
    }
}
