package org.evensheen.app.runsheet;

import static org.evensheen.app.page.Figures.svg;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.kit.Instrument;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.mixing.SectionDose;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.runsheet.Batch;
import org.evensheen.core.runsheet.Clock;
import org.evensheen.core.runsheet.Step;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.Span;
import org.evensheen.core.weather.PanelAir;

/**
 * A day's run sheet.
 *
 * @param now the server's clock, ms, against which devices count down
 * @param words how far the day is
 * @param parts of the day, with how much of each is done
 * @param said what was just done or refused
 */
record RunPage(
        long study,
        int day,
        boolean ahead,
        String when,
        String question,
        String bed,
        long now,
        long revision,
        String words,
        List<PartView> parts,
        List<StepView> steps,
        List<DoneView> done,
        List<ClockView> clocks,
        List<StripDrawing> strips,
        List<String> warnings,
        Panel panel,
        String air,
        List<DayLink> days,
        UUID key,
        String said) {
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final int MOST_STRIPS = 2;

    /** A part of the day. */
    record PartView(String label, int done, int all, boolean current) {}

    /** The bed with its sections. */
    record Panel(String viewBox, String width, String height, List<Patch> patches) {}

    record Patch(String code, String x, String y, String w, String h, String codeX, String codeY) {}

    /** Something that runs by itself; times in ms of the server's clock, 0 for none. */
    record ClockView(String step, String title, String code, long opens, long closes, String spoken) {}

    record DayLink(int day, String label, boolean here) {}

    /** A step that was taken. */
    record DoneView(String key, String title, String where, String what, UUID undo) {}

    /** An instrument that can fill a field. */
    record Take(long instrument, String name, String field) {}

    /** Something to choose, as a button that sends a value. */
    record Choice(String value, String label, boolean good) {}

    /**
     * A step that is open.
     *
     * @param big the amount, or what is read
     * @param opens and {@code closes} ms of the server's clock, 0 for none
     * @param low and {@code high} the label's window, s, from the mark of the step {@code after}
     * @param counter what is counted by tapping; empty if nothing is
     */
    record StepView(
            String key,
            String kind,
            String part,
            String tag,
            String sections,
            String title,
            String big,
            String bigNote,
            String detail,
            String why,
            String action,
            boolean next,
            boolean shut,
            long opens,
            long closes,
            String low,
            String high,
            String after,
            String counter,
            String aim,
            boolean weighable,
            List<Choice> choices,
            List<Take> takes,
            String stage,
            String measure,
            int repeat,
            String unit,
            UUID id,
            Filled filled) {}

    static RunPage of(Run run, Filled filled, String refusedStep, String said) {
        List<Step> all = run.sheet().steps();
        Optional<Step> next = run.sheet().next(run.input().now());
        List<StepView> open = all.stream()
                .filter(Step::open)
                .map(s -> view(
                        run,
                        s,
                        next.filter(s::equals).isPresent(),
                        s.key().equals(refusedStep) ? filled : Filled.NOTHING))
                .toList();
        return new RunPage(
                run.study().id(),
                run.day(),
                run.day() > run.today(),
                "day %d, %s".formatted(run.day(), DATE.format(run.study().dateOf(run.day()))),
                run.study().question(),
                run.study().bed().name(),
                run.input().now().toEpochMilli(),
                run.study().revision(),
                words(run),
                parts(run, next),
                open,
                all.stream().filter(s -> !s.open()).map(s -> done(run, s)).toList(),
                clocks(run),
                run.sheet().batches().stream()
                        .limit(MOST_STRIPS)
                        .map(b -> StripDrawing.of(b, run))
                        .toList(),
                warnings(run),
                panel(run),
                run.input()
                        .air()
                        .map(a -> AirForm.dew(a.air()) + " Noted " + Times.clock(a.at(), run) + ".")
                        .orElse(""),
                days(run),
                UUID.randomUUID(),
                said);
    }

    private static String words(Run run) {
        long open = run.sheet().steps().stream().filter(Step::open).count();
        if (run.sheet().steps().isEmpty()) {
            return "Nothing is planned for this day.";
        }
        return open == 0 ? "Everything for this day is done." : Figures.count(open, "step", "steps") + " to go";
    }

    private static List<PartView> parts(Run run, Optional<Step> next) {
        List<PartView> parts = new ArrayList<>();
        for (Step.Part part : Step.Part.values()) {
            List<Step> of =
                    run.sheet().steps().stream().filter(s -> s.part() == part).toList();
            if (!of.isEmpty()) {
                parts.add(new PartView(
                        part.label(),
                        (int) of.stream().filter(s -> !s.open()).count(),
                        of.size(),
                        next.filter(s -> s.part() == part).isPresent()));
            }
        }
        return parts;
    }

    private static List<String> warnings(Run run) {
        List<String> warnings = new ArrayList<>();
        run.input()
                .air()
                .filter(a -> run.sheet().steps().stream().anyMatch(s -> s.part() == Step.Part.APPLY))
                .ifPresent(a -> a.air().words(Entrant.limits(run.input().entrants())).stream()
                        .map(PanelAir.Word::text)
                        .forEach(warnings::add));
        for (Batch batch : run.sheet().batches()) {
            batch.plan()
                    .missed()
                    .forEach(m -> warnings.add(
                            "%s can't be finished inside its window any more: it will be %s late. Finish it first; what is not begun can wait for a second go."
                                    .formatted(
                                            m.key().substring(m.key().indexOf('/') + 1),
                                            Times.span(Duration.ofSeconds(Math.round(m.late()))))));
            if (!batch.later().isEmpty()) {
                warnings.add(
                        "%s Not all of it ends before that: leave %s for a second go, so that whole blocks are done together."
                                .formatted(run.limitWords().orElse(""), String.join(", ", batch.later())));
            }
        }
        return warnings.stream().distinct().toList();
    }

    static List<ClockView> clocks(Run run) {
        return run.sheet().clocks().stream().map(c -> clock(c, run)).toList();
    }

    private static ClockView clock(Clock clock, Run run) {
        return new ClockView(
                clock.step(),
                clock.title(),
                String.join(" ", clock.sections()),
                clock.opens().toEpochMilli(),
                clock.closes().map(Instant::toEpochMilli).orElse(0L),
                "%s %s from %s%s"
                        .formatted(
                                clock.title(),
                                String.join(", ", clock.sections()),
                                Times.clock(clock.opens(), run),
                                clock.closes()
                                        .map(c -> " until " + Times.clock(c, run))
                                        .orElse("")));
    }

    private static List<DayLink> days(Run run) {
        TreeSet<Integer> days = new TreeSet<>();
        run.study().works().forEach(w -> days.add(w.day()));
        run.study().record().plan().visits().forEach(v -> days.add(v.day()));
        Stream<Integer> near = Stream.of(
                        Optional.ofNullable(days.lower(run.day())),
                        Optional.of(run.day()),
                        Optional.ofNullable(days.higher(run.day())))
                .flatMap(Optional::stream);
        return near.map(d -> new DayLink(
                        d,
                        (d == run.today() ? "Today" : "Day " + d) + ", "
                                + DATE.format(run.study().dateOf(d)),
                        d == run.day()))
                .toList();
    }

    private static Panel panel(Run run) {
        double unit = 420 / run.study().bed().widthMm();
        List<Patch> patches = run.study().record().sections().stream()
                .map(s -> patch(s, unit))
                .toList();
        double height = run.study().bed().heightMm() * unit;
        return new Panel("0 0 420 " + svg(height), "420", svg(height), patches);
    }

    private static Patch patch(Section s, double unit) {
        return new Patch(
                s.code(),
                svg(s.xMm() * unit),
                svg(s.yMm() * unit),
                svg(s.widthMm() * unit),
                svg(s.heightMm() * unit),
                svg((s.xMm() + s.widthMm() / 2) * unit),
                svg((s.yMm() + s.heightMm() / 2) * unit + 7));
    }

    private static DoneView done(Run run, Step step) {
        String by = step.mark()
                .map(m -> "%s%s%s"
                        .formatted(
                                Times.clock(m.at(), run),
                                m.by().isEmpty() ? "" : ", " + m.by(),
                                m.note().isEmpty() ? "" : (m.passed() ? ": gone on, “" : ": “") + m.note() + "”"))
                .orElse("");
        return new DoneView(step.key(), title(run, step), String.join(", ", step.sections()), by, UUID.randomUUID());
    }

    private static String title(Run run, Step step) {
        String product = step.act()
                .map(a -> " " + a.layer().product() + (a.coat() > 1 ? ", coat " + a.coat() : ""))
                .orElse("");
        return step.title() + product;
    }

    private static StepView view(Run run, Step step, boolean next, Filled filled) {
        Optional<SectionDose> dose = step.kind() == Step.Kind.SPREAD ? run.dose(step) : Optional.empty();
        Optional<Step.Asked> asked = step.reading();
        Optional<Span> window = step.kind() == Step.Kind.FINISH ? RunKeeper.window(step) : Optional.empty();
        return new StepView(
                step.key(),
                step.kind().name().toLowerCase(Locale.ROOT),
                step.part().label(),
                step.sections().size() == 1 ? step.sections().get(0) : "",
                String.join(" ", step.sections()),
                asked.map(a -> reading(a)).orElse(title(run, step)),
                dose.map(d -> StepWords.amount(d, d.aim())).orElse(""),
                dose.map(d -> StepWords.range(
                                d, d.ml(step.act().orElseThrow().layer().calibrations())))
                        .orElse(window.map(w -> "Label: wait " + span(w) + ".").orElse("")),
                step.detail(),
                step.why(),
                action(step),
                next,
                step.kind() == Step.Kind.GATE && RunKeeper.shut(run, step).isPresent(),
                step.from().map(Instant::toEpochMilli).orElse(0L),
                step.until().map(Instant::toEpochMilli).orElse(0L),
                window.map(w -> Figures.typed(w.low())).orElse(""),
                window.map(w -> Figures.typed(w.high())).orElse(""),
                step.kind() == Step.Kind.FINISH ? step.key().replace("/finish", "/spread") : "",
                dose.map(d -> d.counter().map(Counter::word).orElse("mL")).orElse(""),
                dose.map(d -> Figures.compact(d.aim(), 2)).orElse(""),
                dose.isPresent(),
                choices(step, asked),
                takes(run, step, asked),
                asked.map(a -> a.stage().code()).orElse(""),
                asked.map(a -> a.measure().code()).orElse(""),
                asked.map(Step.Asked::repeat).orElse(0),
                asked.map(a -> a.measure().unit()).orElse(""),
                UUID.randomUUID(),
                filled);
    }

    private static String reading(Step.Asked asked) {
        String what = asked.measure() == Measure.WATER_GRADE
                ? "grade by eye"
                : asked.measure() == Measure.LEFT_BEHIND
                        ? "water left behind"
                        : asked.measure().label().toLowerCase(Locale.ROOT);
        String ordinal = Figures.ordinal(asked.repeat());
        return asked.measure() == Measure.LEFT_BEHIND || asked.measure() == Measure.WATER_GRADE
                ? Character.toUpperCase(what.charAt(0)) + what.substring(1)
                : ordinal + " " + what;
    }

    private static String span(Span seconds) {
        return seconds.single()
                ? Times.span(Duration.ofSeconds(Math.round(seconds.low())))
                : Times.span(Duration.ofSeconds(Math.round(seconds.low()))) + " to "
                        + Times.span(Duration.ofSeconds(Math.round(seconds.high())));
    }

    private static String action(Step step) {
        return switch (step.kind()) {
            case CONDITIONS -> "Note it";
            case CHECK -> "Check";
            case TASK, HOLD -> "Done";
            case LOOK -> "";
            case GATE -> "Go on";
            case SPREAD -> "Spread: the wait begins";
            case FINISH -> step.title() + " begins now";
            case READ -> "Keep";
        };
    }

    private static List<Choice> choices(Step step, Optional<Step.Asked> asked) {
        if (step.kind() == Step.Kind.LOOK) {
            return List.of(
                    new Choice("0", "Lies flat", true),
                    new Choice("1", "Breaks up", false),
                    new Choice("3", "Beads", false));
        }
        return asked.filter(a -> a.measure() == Measure.WATER_GRADE).isPresent()
                ? List.of(
                        new Choice("4", "as fresh", true),
                        new Choice("3", "slower or looser", true),
                        new Choice("2", "half of it", true),
                        new Choice("1", "barely", true),
                        new Choice("0", "wets like bare", true))
                : List.of();
    }

    private static List<Take> takes(Run run, Step step, Optional<Step.Asked> asked) {
        return run.study().instruments().stream()
                .flatMap(i -> field(step, asked, i).stream().map(field -> new Take(i.id(), i.name(), field)))
                .toList();
    }

    /** The field of a step that an instrument can fill. */
    private static Optional<String> field(Step step, Optional<Step.Asked> asked, Instrument i) {
        return switch (step.kind()) {
            case READ ->
                i.probe().measure().equals(asked.map(Step.Asked::measure)) ? Optional.of("amount") : Optional.empty();
            case CHECK ->
                i.probe().measure().equals(Optional.of(Measure.PULL)) ? Optional.of("said") : Optional.empty();
            case CONDITIONS ->
                Optional.ofNullable(
                        Map.of("air", "air", "surface", "panel").get(i.probe().code()));
            default -> Optional.empty();
        };
    }

    /** Parts that are not over, in a line. */
    public String partsSpoken() {
        return parts.stream()
                .map(p -> "%s: %d of %d".formatted(p.label(), p.done(), p.all()))
                .collect(Collectors.joining(", "));
    }
}
