package org.evensheen.app.lives;

import static org.evensheen.app.page.Figures.svg;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.wear.Curve;
import org.evensheen.core.wear.Fitted;
import org.evensheen.core.wear.Lives;
import org.evensheen.core.wear.Promise;
import org.jspecify.annotations.Nullable;

/**
 * A product's life drawn: what is left falling over a steel tape that counts what wears it. Across it is per cent of the strip's length; up and down it is per cent of the
 * curve's height, 0 at the top.
 *
 * @param lines a path for each section, in a box of 100 by 100
 * @param fit the curve, a path in the same box; empty without one
 * @param band where the curve lies, a closed path; empty without scatter
 * @param dots what was read
 * @param life where on the tape it is spent; null if that can't be told
 * @param median where on the tape, per cent; empty without one
 * @param claims marks of the label on the tape
 */
record Strip(
        List<String> lines,
        String fit,
        String band,
        List<Dot> dots,
        String spentY,
        @Nullable Zone life,
        String median,
        List<Mark> claims,
        List<Mark> marks,
        String ticks) {
    /** Top and bottom of the drawn share. */
    private static final double TOP = 1.12;

    private static final double BOTTOM = -0.12;
    private static final int STEPS = 48;

    /** A reading; hollow as it arrived, before it was washed. */
    record Dot(String x, String y, boolean hollow, String title) {}

    /** A stretch of the tape, per cent. */
    record Zone(String from, String width) {}

    /** A mark on the tape, per cent, with its figure; {@code state} of the promise it stands for. */
    record Mark(String at, String figure, String state, String anchor) {}

    private static double up(double left) {
        return 100 * (TOP - Math.max(BOTTOM, Math.min(TOP, left))) / (TOP - BOTTOM);
    }

    /** How far the tape of a study reaches, and the step of its figures. */
    record Scale(double most, double step) {
        static Scale of(double reach) {
            double rough = reach / 6;
            double power = Math.pow(10, Math.floor(Math.log10(rough)));
            double step = power * (rough / power > 5 ? 10 : rough / power > 2 ? 5 : rough / power > 1 ? 2 : 1);
            return new Scale(reach, step);
        }

        double across(double x) {
            return 100 * Math.max(0, Math.min(most, x)) / most;
        }
    }

    static Strip of(
            List<Curve> curves,
            Optional<Fitted> fitted,
            Optional<Lives.Told> told,
            List<Promise> promises,
            Scale scale,
            java.util.function.Function<Curve.Point, String> title) {
        List<Dot> dots = new ArrayList<>();
        for (Curve c : curves) {
            for (Curve.Point p : c.points()) {
                dots.add(new Dot(
                        svg(scale.across(p.x())) + "%",
                        svg(up(p.left())) + "%",
                        false,
                        c.section() + ", " + title.apply(p) + ": " + Figures.percent(p.left())));
                p.arrival()
                        .ifPresent(a -> dots.add(new Dot(
                                svg(scale.across(p.x())) + "%",
                                svg(up(a)) + "%",
                                true,
                                c.section() + ", " + title.apply(p) + ", as it arrived: " + Figures.percent(a))));
            }
        }
        double reach =
                fitted.map(f -> Math.min(scale.most(), Lives.BEYOND * f.span())).orElse(0.0);
        return new Strip(
                curves.stream().map(c -> line(c, scale)).toList(),
                fitted.map(f -> path(f::left, reach, scale)).orElse(""),
                fitted.filter(f -> f.band(1).isPresent())
                        .map(f -> band(f, reach, scale))
                        .orElse(""),
                dots,
                svg(up(Curve.SPENT)) + "%",
                told.map(t -> zone(t.interval(), scale)).orElse(null),
                told.flatMap(t -> t.median().isPresent()
                                ? Optional.of(svg(scale.across(t.median().getAsDouble())) + "%")
                                : Optional.empty())
                        .orElse(""),
                promises.stream().map(p -> mark(p, scale)).toList(),
                marks(scale),
                ticks(scale));
    }

    private static Mark mark(Promise p, Scale scale) {
        double at = scale.across(p.claimed());
        return new Mark(
                svg(at) + "%",
                p.claimed() > scale.most()
                        ? "label: " + LifeWords.claimed(p.claimed()) + " →"
                        : "label: " + LifeWords.claimed(p.claimed()),
                p.state().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'),
                at > 80 ? "end" : at < 12 ? "start" : "middle");
    }

    private static Zone zone(Interval interval, Scale scale) {
        double from = scale.across(interval.low());
        return new Zone(svg(from) + "%", svg(scale.across(interval.high()) - from) + "%");
    }

    private static String line(Curve curve, Scale scale) {
        return "M0," + svg(up(1))
                + curve.points().stream()
                        .map(p -> "L" + svg(scale.across(p.x())) + "," + svg(up(p.left())))
                        .collect(Collectors.joining());
    }

    private static String path(java.util.function.DoubleUnaryOperator left, double reach, Scale scale) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i <= STEPS; i++) {
            double x = reach * i / STEPS;
            path.append(i == 0 ? "M" : "L")
                    .append(svg(scale.across(x)))
                    .append(",")
                    .append(svg(up(left.applyAsDouble(x))));
        }
        return path.toString();
    }

    private static String band(Fitted f, double reach, Scale scale) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i <= 2 * STEPS + 1; i++) {
            boolean upper = i <= STEPS;
            double x = reach * (upper ? i : 2 * STEPS + 1 - i) / STEPS;
            Interval band = x == 0 ? new Interval(1, 1) : f.band(x).orElseThrow();
            path.append(i == 0 ? "M" : "L")
                    .append(svg(scale.across(x)))
                    .append(",")
                    .append(svg(up(upper ? band.high() : band.low())));
        }
        return path.append("Z").toString();
    }

    static List<Mark> marks(Scale scale) {
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i * scale.step() <= scale.most() * 1.0001; i++) {
            double at = scale.across(i * scale.step());
            marks.add(new Mark(
                    svg(at) + "%",
                    Figures.compact(i * scale.step(), 4),
                    "",
                    at > 97 ? "end" : at < 2 ? "start" : "middle"));
        }
        return marks;
    }

    private static String ticks(Scale scale) {
        StringBuilder path = new StringBuilder();
        double fine = scale.step() / 4;
        for (int i = 0; i * fine <= scale.most() * 1.0001; i++) {
            path.append("M").append(svg(scale.across(i * fine))).append(i % 4 == 0 ? ",0V10" : ",5V10");
        }
        return path.toString();
    }
}
