package org.evensheen.app.plans;

import static org.evensheen.app.page.Figures.svg;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.core.comparing.Rehearsal.Case;
import org.evensheen.core.comparing.Rehearsal.Supposed;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;

/**
 * The rehearsal of a plan.
 *
 * @param wanting why it can't be rehearsed; empty if it can
 * @param percent how far a running one is; −1 if none runs
 * @param outdated whether the plan has changed since
 */
record RehearsalPage(
        long id,
        int version,
        String wanting,
        List<Line> lines,
        Line bare,
        Line sections,
        Line repeats,
        int percent,
        String state,
        boolean outdated,
        List<String> sentences,
        String curve,
        String curveWords,
        List<Mark> marks,
        List<MoreView> more) {
    private static final double WIDTH = 440;
    private static final double HEIGHT = 120;
    private static final double SECTIONS = 0.5;
    private static final double REPEATS = 0.25;
    private static final double EFFECT = 0.5;
    private static final double WEEKS = 10;

    /** A supposition: what stands if nothing is typed, and where that comes from. */
    record Line(
            int number,
            String name,
            String field,
            String typed,
            String otherwise,
            String spentField,
            String spentTyped,
            String spentOtherwise,
            String from,
            String wrong) {}

    /** A point of the curve. */
    record Mark(String x, String y, String words) {}

    /** What more of something buys. */
    record MoreView(String what, String right, String width, String cost) {}

    /** What is supposed and what stands against it. */
    record Supposing(RehearsalPage page, Optional<Case> of) {}

    static Supposing of(
            PlanStore.Version version,
            Design design,
            EarlierStore.Earlier earlier,
            Optional<RehearsalStore.Stored> stored) {
        Fields fields = new Fields(version.typed());
        Optional<Measure> measure = Rehearsals.measure(design);
        double scale = measure.map(m -> m.rehearsedBare().orElseThrow() / EarlierStore.BARE)
                .orElse(1.0);
        double bareOtherwise = earlier.bare() * scale;
        double sdOtherwise = earlier.scatter().map(s -> Math.sqrt(s.variance())).orElse(SECTIONS) * scale;
        double repeatsOtherwise = earlier.repeats().filter(r -> r > 0).orElse(REPEATS) * scale;
        double bare = fields.number("truthBare", "reading on bare", "", 1, 1000, bareOtherwise);
        double sd = fields.number("truthSections", "scatter", "", 0.001, 200, sdOtherwise);
        double repeats = fields.number("truthRepeats", "scatter", "", 0, 200, repeatsOtherwise);
        List<Line> lines = new ArrayList<>();
        Map<Integer, Supposed> truth = new HashMap<>();
        for (Entrant entrant : design.entrants()) {
            Contender c = entrant.contender();
            if (c.isControl()) {
                continue;
            }
            Optional<EarlierStore.Seen> seen = scale == 1
                    ? Optional.ofNullable(earlier.seen().get(c.name().toLowerCase(Locale.ROOT)))
                    : Optional.empty();
            Supposed otherwise = seen.map(EarlierStore.Seen::supposed)
                    .orElse(new Supposed(bareOtherwise * (EFFECT + 0.02 * c.number()), WEEKS - 0.4 * c.number()));
            String freshField = "fresh" + c.number();
            String spentField = "spent" + c.number();
            double fresh = fields.number(freshField, "first reading", "", 0.5, 1000, otherwise.fresh());
            double spent = fields.number(spentField, "time to spent", "weeks", 0.1, 1000, otherwise.weeksToSpent());
            truth.put(c.number(), Supposed.spentAfter(fresh, spent));
            lines.add(new Line(
                    c.number(),
                    c.name(),
                    freshField,
                    fields.in(freshField),
                    Figures.compact(otherwise.fresh(), 3),
                    spentField,
                    fields.in(spentField),
                    Figures.compact(otherwise.weeksToSpent(), 3),
                    seen.map(s -> "from “" + s.question() + "”").orElse("supposed; no earlier study has it"),
                    fields.problems().getOrDefault(freshField, fields.problems().getOrDefault(spentField, ""))));
        }
        String wanting = wanting(design, measure, fields);
        Optional<Case> rehearsed = wanting.isEmpty()
                ? Optional.of(new Case(
                        design.entrants().stream().map(Entrant::contender).toList(),
                        design.layout().orElseThrow().sections(),
                        plan(design, measure.orElseThrow()),
                        measure.orElseThrow(),
                        bare,
                        truth,
                        sd,
                        repeats,
                        design.seed()))
                : Optional.empty();
        Optional<Found> found = stored.flatMap(RehearsalStore.Stored::found);
        RehearsalPage page = new RehearsalPage(
                version.plan(),
                version.number(),
                wanting,
                lines,
                single(fields, "truthBare", bareOtherwise, "mean of bare in earlier studies"),
                single(
                        fields,
                        "truthSections",
                        sdOtherwise,
                        earlier.scatter()
                                .map(s -> "from "
                                        + Figures.count(
                                                s.lenders().size(),
                                                "earlier study with repeated sections",
                                                "earlier studies with repeated sections"))
                                .orElse("supposed; no study has replicates yet")),
                single(fields, "truthRepeats", repeatsOtherwise, "from repeats in the latest studies"),
                stored.filter(RehearsalStore.Stored::running)
                        .map(s -> 100 * s.done() / s.total())
                        .orElse(-1),
                stored.map(s -> s.state().equals("running") && s.stale() ? "broken" : s.state())
                        .orElse(""),
                stored.filter(s -> s.version() != version.number()).isPresent(),
                found.map(RehearsalPage::sentences).orElse(List.of()),
                found.map(f -> curve(f.byDay())).orElse(""),
                found.map(f -> "How often %s stands alone in first place, visit by visit: %s."
                                .formatted(
                                        f.best(),
                                        f.byDay().stream()
                                                .map(p -> "day %d %s".formatted(p.day(), Figures.percent(p.right())))
                                                .collect(Collectors.joining(", "))))
                        .orElse(""),
                found.map(f -> marks(f.byDay())).orElse(List.of()),
                found.map(f -> f.more().stream().map(m -> more(f, m)).toList()).orElse(List.of()));
        return new Supposing(page, rehearsed);
    }

    private static String wanting(Design design, Optional<Measure> measure, Fields fields) {
        if (!fields.problems().isEmpty()) {
            return "One of the numbers below needs another look.";
        }
        if (design.layout().isEmpty() || design.productCount() < 2) {
            return "Lay out two products or more first.";
        }
        if (measure.isEmpty()) {
            return "Only pulls and water left behind can be rehearsed. Plan one of them under Protocol.";
        }
        return "";
    }

    private static Plan plan(Design design, Measure measure) {
        Plan plan = design.calendar().plan(design.protocol());
        return new Plan(List.of(new Plan.Planned(measure, plan.repeatsOf(measure))), plan.visits(), plan.course());
    }

    private static Line single(Fields fields, String field, double otherwise, String from) {
        return new Line(
                0,
                "",
                field,
                fields.in(field),
                Figures.compact(otherwise, 3),
                "",
                "",
                "",
                from,
                fields.problems().getOrDefault(field, ""));
    }

    private static List<String> sentences(Found f) {
        return List.of(
                "%s stands alone in first place in %s of %d rehearsed studies, shares it in %s, and in %s another product comes first."
                        .formatted(
                                f.best(),
                                Figures.percent(f.right()),
                                f.studies(),
                                Figures.percent(Math.max(0, f.shared() - f.right())),
                                f.wrong() > 0 && f.wrong() < 0.005 ? "less than 1 %" : Figures.percent(f.wrong())),
                "Two that are truly alike are called different in %s of pairs."
                        .formatted(f.equalsApart() < 0.005 ? "less than 1 %" : Figures.percent(f.equalsApart())),
                "A difference comes out to ± %s; a true one of %s or more is told apart four times in five."
                        .formatted(
                                Figures.about(f.width(), f.unit(), 2),
                                Figures.about(f.leastDetectable(), f.unit(), 2)));
    }

    private static MoreView more(Found f, Found.More m) {
        String cost = "%s h%s"
                .formatted(
                        Figures.compact(m.hours(), 2),
                        m.millilitres() > 0.05 ? ", " + Figures.millilitres(m.millilitres()) : "");
        return new MoreView(
                m.what(),
                clear(f, m)
                        ? "%s instead of %s".formatted(Figures.percent(m.right()), Figures.percent(f.right()))
                        : "%s, no clear change".formatted(Figures.percent(m.right())),
                "± " + Figures.about(m.width(), f.unit(), 2),
                "costs " + cost);
    }

    /** Whether a change is beyond twice its sampling error. */
    private static boolean clear(Found f, Found.More m) {
        double p = (f.right() + m.right()) / 2;
        double error = Math.sqrt(p * (1 - p) * (1.0 / f.studies() + 1.0 / Rehearsals.FOR_MORE));
        return Math.abs(m.right() - f.right()) > 2 * error;
    }

    private static double last(List<Found.Point> points) {
        return points.isEmpty() ? 1 : Math.max(1, points.get(points.size() - 1).day());
    }

    private static String curve(List<Found.Point> points) {
        double last = last(points);
        return points.stream()
                .map(p -> svg(WIDTH * p.day() / last) + "," + svg(HEIGHT * (1 - p.right())))
                .collect(Collectors.joining(" "));
    }

    private static List<Mark> marks(List<Found.Point> points) {
        double last = last(points);
        return points.stream()
                .map(p -> new Mark(
                        svg(WIDTH * p.day() / last),
                        svg(HEIGHT * (1 - p.right())),
                        "Day %d: %s".formatted(p.day(), Figures.percent(p.right()))))
                .toList();
    }
}
