package org.evensheen.app.runsheet;

import static org.evensheen.app.page.Figures.svg;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.core.runsheet.Batch;
import org.evensheen.core.runsheet.Step;
import org.evensheen.core.schedule.HandPace;
import org.evensheen.core.schedule.HandPlan;

/**
 * Who is doing what when: a line for each section of a batch, spreading as a full bar, waiting as a thin line, finishing as a hatched
 * bar; along the top the hands themselves on a steel tape of minutes.
 *
 * @param nowX where now is; empty before the batch is begun
 */
record StripDrawing(
        String title,
        String spoken,
        String viewBox,
        String height,
        List<Tick> ticks,
        List<Bar> hands,
        List<Row> rows,
        String nowX,
        String footLine,
        String how) {
    private static final double WIDTH = 420;
    private static final double LEFT = 34;
    private static final double ROW = 21;
    private static final double TOP = 46;
    private static final int MOST = 20;

    /** A minute on the tape; every fifth or tenth has a figure. */
    record Tick(String x, String y, String figure) {}

    /** A bar of work. */
    record Bar(String x, String width, boolean finish) {}

    /** A section: its bars as paths. */
    record Row(String code, String y, String spread, String resting, String finish, boolean over) {}

    static StripDrawing of(Batch batch, Run run) {
        HandPlan plan = batch.plan();
        Instant from = batch.begun()
                ? run.input().now().isBefore(batch.anchor()) ? run.input().now() : batch.anchor()
                : batch.anchor();
        double length = Math.max(60, seconds(from, batch.end()));
        double unit = (WIDTH - LEFT - 6) / length;
        List<String> keys =
                plan.acts().stream().map(HandPlan.Act::key).distinct().toList();
        List<Row> rows = new ArrayList<>();
        for (String key : keys.subList(0, Math.min(MOST, keys.size()))) {
            rows.add(row(key, rows.size(), batch, run, from, unit));
        }
        double height = TOP + ROW * rows.size() + 4;
        double now = seconds(from, run.input().now());
        return new StripDrawing(
                batch.title(),
                spoken(batch, run),
                "0 0 %s %s".formatted(svg(WIDTH), svg(height)),
                svg(height),
                ticks(length, unit),
                plan.acts().stream()
                        .map(a -> new Bar(
                                svg(LEFT + unit * seconds(from, batch.at(a.start()))),
                                svg(Math.max(1, unit * (a.end() - a.start()) - 0.8)),
                                a.kind() == HandPlan.Kind.FINISH))
                        .toList(),
                rows,
                batch.begun() && now >= 0 && now <= length ? svg(LEFT + unit * now) : "",
                foot(batch, run),
                how(batch));
    }

    private static Row row(String key, int n, Batch batch, Run run, Instant from, double unit) {
        Optional<HandPlan.Act> spread = batch.plan().act(key, HandPlan.Kind.SPREAD);
        Optional<HandPlan.Act> finish = batch.plan().act(key, HandPlan.Kind.FINISH);
        double y = TOP + ROW * n;
        double waitFrom = spread.map(a -> seconds(from, batch.at(a.end())))
                .or(() -> run.step(key + "/spread").flatMap(Step::mark).map(m -> Math.max(0, seconds(from, m.at()))))
                .orElse(0.0);
        return new Row(
                key.substring(key.indexOf('/') + 1),
                svg(y + 13),
                spread.map(a -> bar(seconds(from, batch.at(a.start())), a, y, unit))
                        .orElse(""),
                finish.map(a -> "M%s,%sH%s"
                                .formatted(
                                        svg(LEFT + unit * waitFrom),
                                        svg(y + 9),
                                        svg(LEFT + unit * seconds(from, batch.at(a.start())))))
                        .orElse(""),
                finish.map(a -> bar(seconds(from, batch.at(a.start())), a, y, unit))
                        .orElse(""),
                batch.plan().missed().stream().anyMatch(m -> m.key().equals(key)));
    }

    private static String bar(double start, HandPlan.Act act, double y, double unit) {
        return "M%s,%sh%sv13h%sZ"
                .formatted(
                        svg(LEFT + unit * start),
                        svg(y + 2.5),
                        svg(Math.max(1.5, unit * (act.end() - act.start()) - 0.8)),
                        svg(-Math.max(1.5, unit * (act.end() - act.start()) - 0.8)));
    }

    private static List<Tick> ticks(double length, double unit) {
        int minutes = (int) (length / 60);
        int step = minutes > 60 ? 10 : minutes > 12 ? 5 : 1;
        int fine = Math.max(1, step / 5);
        List<Tick> ticks = new ArrayList<>();
        for (int minute = 0; minute <= minutes; minute += fine) {
            boolean figured = minute % step == 0;
            ticks.add(new Tick(svg(LEFT + unit * 60 * minute), figured ? "9" : "5", figured ? minute + "" : ""));
        }
        return ticks;
    }

    private static String foot(Batch batch, Run run) {
        String end = batch.begun()
                ? "Over at %s if the hands keep on.".formatted(Times.clock(batch.end(), run))
                : "%s from the first section to the last."
                        .formatted(Times.span(Duration.between(batch.anchor(), batch.end())));
        double spare = batch.plan().end() - batch.plan().bound();
        String sure = batch.plan().soonest()
                ? "No order ends sooner."
                : "No order can end more than %s sooner.".formatted(Times.span(Duration.ofSeconds(Math.round(spare))));
        return end + " " + sure;
    }

    private static String how(Batch batch) {
        double factor = batch.pace().factor();
        return String.format(
                Locale.ROOT,
                "Spreading a section is taken as %.0f s and %.0f s for each m², buffing as %.0f s and %.0f s for each m², %s. Waits are planned for %s. Of the orders that keep every label's window the one that ends soonest is shown; what waits already comes before what is not begun.",
                HandPace.BASE,
                HandPace.SPREAD_EACH,
                HandPace.BASE,
                HandPace.FINISH_EACH,
                factor == 1
                        ? "until three sections have been timed"
                        : "times %s, the median of what was timed today".formatted(Figures.number(factor, 2)),
                batch.aim().words());
    }

    /** The order in words. */
    private static String spoken(Batch batch, Run run) {
        return batch.plan().acts().stream()
                .sorted(Comparator.comparingDouble(HandPlan.Act::start))
                .limit(40)
                .map(a -> "%s %s %s after the start"
                        .formatted(
                                a.kind() == HandPlan.Kind.SPREAD ? "spread" : "finish",
                                a.key().substring(a.key().indexOf('/') + 1),
                                Times.span(Duration.ofSeconds(Math.round(a.start())))))
                .reduce((a, b) -> a + ", " + b)
                .orElse("nothing left");
    }

    private static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }
}
