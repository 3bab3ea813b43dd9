package org.evensheen.app.verdicts;

import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.evensheen.app.page.Figures;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measure;

/**
 * An axis for intervals: from a little below bare to the best there is.
 *
 * @param low left end, in the axis's unit
 * @param high right end, above {@code low}
 * @param step between marks
 */
record Axis(double low, double high, double step) {
    /** Retention: nothing left to all of it. */
    static final Axis UNIT = new Axis(0, 1.1, 0.25);

    private static final double MARGIN = 0.04;

    static Axis of(Measure measure, Optional<Verdict> verdict) {
        double[] ends = verdict.stream()
                .flatMap(v -> v.results().stream())
                .flatMap(r -> r.benefit().value().stream())
                .flatMapToDouble(b -> b.interval()
                        .map(i -> DoubleStream.of(i.low(), i.high()))
                        .orElse(DoubleStream.of(b.value())))
                .toArray();
        double whole = measure.benefitIsShare() ? 1 : 100;
        double most = Math.min(1.5 * whole, Math.max(0.25 * whole, max(ends)));
        double least = Math.max(-whole / 2, Math.min(0, min(ends)));
        double step = most - least > 0.5 * whole ? 0.25 * whole : 0.1 * whole;
        return new Axis(least - MARGIN * (most - least), most + MARGIN * (most - least), step);
    }

    private static double max(double[] values) {
        return java.util.Arrays.stream(values).max().orElse(0);
    }

    private static double min(double[] values) {
        return java.util.Arrays.stream(values).min().orElse(0);
    }

    /** Place of a value, per cent of the axis, kept on it. */
    double at(double value) {
        return Math.max(0, Math.min(100, 100 * (value - low) / (high - low)));
    }

    List<VerdictPage.Mark> marks(Measure measure) {
        int first = (int) Math.ceil(low / step);
        int last = (int) Math.floor(high / step);
        return IntStream.rangeClosed(first, last)
                .mapToObj(i -> new VerdictPage.Mark(
                        Figures.svg(at(i * step)) + "%",
                        i == 0
                                ? "bare"
                                : measure.benefitIsShare()
                                        ? Figures.percent(i * step)
                                        : Figures.withUnit(Figures.number(i * step, 0), measure.scoreUnit())))
                .toList();
    }
}
