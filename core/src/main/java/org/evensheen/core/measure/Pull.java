package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.label.ProductKind;

/** Force to draw the weighted sled at steady speed, N. Less is slicker. */
final class Pull extends Measure {
    private static final Words WORDS = new Words(
            "Pull",
            "slickness",
            "pull",
            "pulls",
            "",
            "pull",
            "eases the pull by",
            "easier than bare that day",
            "the weighted sled and the force gauge",
            "Draw the sled at a steady walk of the hand; the plateau counts.",
            "Pulls");
    private static final List<Part> PARTS =
            List.of(new Part.Number(Part.FIRST, "Steady pull", "pull", "N", 0.1, 200, false));
    /** Bare paint pulls about so much, N. */
    private static final double BARE = 18;

    @Override
    public String code() {
        return "pull";
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
        return "N";
    }

    @Override
    public int scoreDecimals() {
        return 1;
    }

    @Override
    public Optional<Quality> quality() {
        return Optional.of(Quality.SLICKNESS);
    }

    @Override
    public boolean moreIsBetter() {
        return false;
    }

    @Override
    public double seconds() {
        return 25;
    }

    @Override
    public int usualRepeats() {
        return 3;
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
    public boolean benefitIsShare() {
        return true;
    }

    @Override
    public Optional<Probe> probe() {
        return Optional.of(Probe.FORCE);
    }

    @Override
    public OptionalDouble rehearsedBare() {
        return OptionalDouble.of(BARE);
    }

    @Override
    public boolean lendsScatter() {
        return true;
    }

    @Override
    public Drawing drawing() {
        return Drawing.RUNNER;
    }
}
