package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.evensheen.core.label.ProductKind;

/** The share of foam that is left after five minutes, R5, from the same readings as {@link Foam}. */
final class FoamLeft extends Measure {
    private static final double MINUTES = 5;

    private static final Words WORDS = new Words(
            "Foam at 5 min",
            "foam left after five minutes",
            "foam reading",
            "foam readings",
            "",
            "share left at 5 min",
            "keeps more than bare by",
            "",
            "a jar or an upright strip, a ruler, and a clock",
            "Worked out from the foam readings.",
            "Foam at 5 min");

    @Override
    public Measure readAs() {
        return Measures.FOAM;
    }

    @Override
    public List<Part> parts() {
        return readAs().parts();
    }

    @Override
    public OptionalDouble score(Observation seen, double areaSquareMetres) {
        return Foam.curve(seen).shareAt(MINUTES);
    }

    @Override
    public String code() {
        return "foam-at-5";
    }

    @Override
    public Words words() {
        return WORDS;
    }

    @Override
    public String scoreUnit() {
        return "of 1";
    }

    @Override
    public int scoreDecimals() {
        return 2;
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
        return 0;
    }

    @Override
    public int usualRepeats() {
        return 0;
    }

    @Override
    public Set<ProductKind> askedFor() {
        return Kinds.SOAPS;
    }

    @Override
    public Scale scale() {
        return Scale.SHARE;
    }

    @Override
    public boolean needsBare() {
        return false;
    }
}
