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
        if (!measure.benefitIsShare()) {
            return inUnits(Math.min(0, min(ends)), Math.max(0, max(ends)));
        }
        double most = Math.min(1.5, Math.max(0.25, max(ends)));
        double least = Math.max(-0.5, Math.min(0, min(ends)));
        return new Axis(
                least - MARGIN * (most - least), most + MARGIN * (most - least), most - least > 0.5 ? 0.25 : 0.1);
    }

    /** An axis in the score unit with some four marks at round numbers. */
    private static Axis inUnits(double least, double most) {
        double span = Math.max(most - least, 1e-3);
        double rough = span / 4;
        double power = Math.pow(10, Math.floor(Math.log10(rough)));
        double step = power * (rough / power > 5 ? 10 : rough / power > 2 ? 5 : rough / power > 1 ? 2 : 1);
        return new Axis(least - MARGIN * span, least + span * (1 + MARGIN), step);
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
                                        : Figures.about(i * step, measure.scoreUnit(), 3)))
                .toList();
    }
}
