package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import org.evensheen.core.label.ProductKind;

/** Something seen or felt on a place as a level from 0 to 5, each with a word. An order, not an amount. */
public final class Level extends Measure {
    /** The highest level. */
    public static final int MOST = 5;

    private final String code;
    private final boolean more;
    private final List<String> said;
    private final Words words;
    private final List<Part> parts;

    /**
     * @param more whether a higher level is better
     * @param said what each level is called, from 0 to 5
     */
    Level(String code, String label, String at, boolean more, String how, List<String> said) {
        this.code = code;
        this.more = more;
        this.said = List.copyOf(said);
        if (said.size() != MOST + 1) {
            throw new IllegalArgumentException("a level has words from 0 to 5: " + code);
        }
        words = new Words(
                label,
                at,
                label.toLowerCase(java.util.Locale.ROOT),
                label.toLowerCase(java.util.Locale.ROOT),
                label,
                "level",
                "levels",
                "",
                "",
                how,
                label);
        parts = List.of(new Part.Choice(
                Part.FIRST,
                label,
                IntStream.rangeClosed(0, MOST)
                        .mapToObj(n -> new Part.Option("" + n, said.get(n), "" + n))
                        .toList(),
                "A level runs from 0 to 5. Choose one."));
    }

    /** The word of a level. */
    public String said(int level) {
        return said.get(level);
    }

    /**
     * A level as seen.
     *
     * @param level 0 to 5
     */
    public Observation seen(int level) {
        return new Observation(this, List.of(new Value.Chosen("" + level)));
    }

    @Override
    public String code() {
        return code;
    }

    @Override
    public Words words() {
        return words;
    }

    @Override
    public List<Part> parts() {
        return parts;
    }

    @Override
    public OptionalDouble score(Observation seen, double areaSquareMetres) {
        return OptionalDouble.of(Integer.parseInt(seen.chosen(Part.FIRST)));
    }

    @Override
    public String scoreUnit() {
        return "of 5";
    }

    @Override
    public int scoreDecimals() {
        return 1;
    }

    @Override
    public Optional<Quality> quality() {
        return Afternoon.quality(code);
    }

    @Override
    public boolean moreIsBetter() {
        return more;
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
    public boolean lasts() {
        return Afternoon.LASTING.contains(code);
    }

    @Override
    public boolean needsBare() {
        return false;
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
        return Set.of();
    }
}
