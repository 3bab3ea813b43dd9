package org.evensheen.core.measure;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.label.ProductKind;

/** One number that is counted, timed or weighed on a place, compared among products without bare: wipes, seconds until clear, grams held. */
public final class Plain extends Measure {
    private final String code;
    private final boolean more;
    private final Scale scale;
    private final Words words;
    private final List<Part> parts;
    private final String unit;
    private final int decimals;

    Plain(
            String code,
            String label,
            String at,
            String what,
            Scale scale,
            String unit,
            double highest,
            boolean more,
            String how) {
        this.code = code;
        this.more = more;
        this.scale = scale;
        this.unit = unit;
        decimals = scale == Scale.COUNT ? 0 : 1;
        String small = label.toLowerCase(Locale.ROOT);
        words = new Words(label, at, small, small, label, small, "", "", "", how, label);
        double lowest = scale == Scale.LOG ? 0.1 : 0;
        parts = List.of(new Part.Number(Part.FIRST, label, what, unit, lowest, highest, scale == Scale.COUNT));
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
        return OptionalDouble.of(seen.number(Part.FIRST));
    }

    @Override
    public String scoreUnit() {
        return unit;
    }

    @Override
    public int scoreDecimals() {
        return decimals;
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
        return scale;
    }

    @Override
    public Optional<Probe> probe() {
        return Stream.of(Probe.SCALE, Probe.SURFACE)
                .filter(p -> p.unit().equals(unit))
                .findFirst();
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
        return 15;
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
