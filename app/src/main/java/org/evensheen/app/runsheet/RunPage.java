package org.evensheen.app.runsheet;

import static org.evensheen.app.page.Figures.svg;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.app.studies.Slate;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.runsheet.Batch;
import org.evensheen.core.runsheet.Clock;
import org.evensheen.core.runsheet.RunDay;
import org.evensheen.core.runsheet.Step;
import org.evensheen.core.schedule.HandPlan;
import org.evensheen.core.study.Section;
import org.evensheen.core.weather.PanelAir;
import org.jspecify.annotations.Nullable;

/**
 * A day's run sheet.
 *
 * @param now the server's clock, ms, against which devices count down
 * @param words how far the day is
 * @param parts of the day, with how much of each is done
 * @param said what was just done or refused
 * @param asksForNames whether something is to be put on, and what goes where is under the key
 * @param sealedWords how far putting on is
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
        String said,
        boolean asksForNames,
        String sealedWords) {
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

    /**
     * An instrument that can fill a field.
     *
     * @param spent g that should have left a bottle by then; null if none is weighed
     */
    record Take(
            long instrument,
            String words,
            String field,
            @Nullable String spent) {}

    /** Something to choose, as a button that sends a value. */
    record Choice(String value, String label, boolean good) {}

    /**
     * A step that is open.
     *
     * @param big the amount, or what is read
     * @param opens and {@code closes} ms of the server's clock, 0 for none
     * @param low and {@code high} the label's window, s, from the mark of the step {@code after}
     * @param options what is chosen for a reading
     * @param fields what is typed for it
     * @param grades sections that may be graded with it
     * @param counter what is counted by tapping; empty if nothing is
     * @param acid the product that goes on and whose pH may be noted; 0 if there is none
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
            long acid,
            List<Choice> choices,
            List<Slate.Choices> options,
            List<Slate.Field> fields,
            List<Take> takes,
            List<String> grades,
            String stage,
            String measure,
            int repeat,
            UUID id,
            Filled filled) {}

    static RunPage of(Run run, Filled filled, String refusedStep, String said) {
        List<Step> all = run.sheet().steps();
        Optional<Step> next = run.sheet().next(run.input().now());
        List<StepView> open = all.stream()
                .filter(Step::open)
                .map(s -> StepViews.of(
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
                        .map(a -> "%s Noted %s. %s"
                                .formatted(
                                        AirForm.dew(a.air()),
                                        Times.clock(a.at(), run),
                                        besides(a, run).stream()
                                                .map(PanelAir.Word::text)
                                                .collect(Collectors.joining(" ")))
                                .strip())
                        .orElse(""),
                days(run),
                UUID.randomUUID(),
                said,
                asksForNames(run),
                sealedWords(run));
    }

    /** Whether there is something to put on whose names these hands would have to ask for. */
    private static boolean asksForNames(Run run) {
        return run.day() <= run.today() && run.sealed().stream().anyMatch(Step::open);
    }

    private static String sealedWords(Run run) {
        if (run.sealed().isEmpty()) {
            return "";
        }
        int all = sections(run.sealed().stream()).size();
        int open = sections(run.sealed().stream().filter(Step::open)).size();
        return open == 0
                ? "Everything is put on: %s. What, stays under the key."
                        .formatted(Figures.count(all, "section", "sections"))
                : "%d of %s to be put on.".formatted(open, Figures.count(all, "section", "sections"));
    }

    private static List<String> sections(Stream<Step> steps) {
        return steps.flatMap(s -> s.sections().stream()).distinct().sorted().toList();
    }

    /** How far the day is. */
    static String words(Run run) {
        long open = Stream.concat(run.sheet().steps().stream(), run.sealed().stream())
                .filter(Step::open)
                .count();
        if (run.sheet().steps().isEmpty() && run.sealed().isEmpty()) {
            return "Nothing is planned for this day.";
        }
        return open == 0 ? "Everything for this day is done." : Figures.count(open, "step", "steps") + " to go";
    }

    private static List<PartView> parts(Run run, Optional<Step> next) {
        List<PartView> parts = new ArrayList<>();
        for (Step.Part part : Step.Part.values()) {
            List<Step> of =
                    run.sheet().steps().stream().filter(s -> s.part() == part).toList();
            int read = run.sheet().taken().getOrDefault(part, 0);
            if (!of.isEmpty() || read > 0) {
                parts.add(new PartView(
                        part.label(),
                        read + (int) of.stream().filter(s -> !s.open()).count(),
                        read + of.size(),
                        next.filter(s -> s.part() == part).isPresent()));
            }
        }
        return parts;
    }

    /** What is worth knowing of the place, and in nobody's way. */
    private static List<PanelAir.Word> besides(RunDay.Noted noted, Run run) {
        return noted
                .site()
                .words(Entrant.shaded(run.input().entrants()), run.input().told())
                .stream()
                .filter(w -> w.standing() == PanelAir.Standing.CLOSE)
                .toList();
    }

    /** Windows that can't be kept any more, in one line. */
    private static Optional<String> missed(List<HandPlan.Missed> missed) {
        if (missed.isEmpty()) {
            return Optional.empty();
        }
        String each = missed.stream()
                .map(m -> "%s %s"
                        .formatted(
                                m.key().substring(m.key().indexOf('/') + 1),
                                Times.span(Duration.ofSeconds(Math.round(m.late())))))
                .collect(Collectors.joining(", "));
        boolean one = missed.size() == 1;
        return Optional.of(
                "%s can't be kept any more; late by at least: %s. Finish %s first; what is not begun can wait for a second go."
                        .formatted(one ? "A window" : missed.size() + " windows", each, one ? "it" : "them"));
    }

    private static List<String> warnings(Run run) {
        List<String> warnings = new ArrayList<>();
        run.input()
                .air()
                .filter(a -> run.sheet().steps().stream().anyMatch(s -> s.part() == Step.Part.APPLY))
                .ifPresent(a -> a.words(run.input().entrants(), run.input().told()).stream()
                        .filter(w -> !besides(a, run).contains(w))
                        .map(PanelAir.Word::text)
                        .forEach(warnings::add));
        for (Batch batch : run.sheet().batches()) {
            missed(batch.plan().missed()).ifPresent(warnings::add);
            if (!batch.later().isEmpty()) {
                warnings.add(
                        "%s Not all of it ends before that: leave %s for a second go, so that whole blocks are done together."
                                .formatted(run.limitWords().orElse(""), String.join(", ", batch.later())));
            }
        }
        return warnings.stream().distinct().toList();
    }

    static List<ClockView> clocks(Run run) {
        return run.sheet().clocks().stream()
                .sorted(Comparator.comparing(Clock::opens))
                .map(c -> clock(c, run))
                .toList();
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
        return new DoneView(
                step.key(), StepViews.title(run, step), String.join(", ", step.sections()), by, UUID.randomUUID());
    }

    /** How the dew point and its distance are worked out. */
    public String airHow() {
        return AirForm.HOW;
    }

    /** Parts that are not over, in a line. */
    public String partsSpoken() {
        return parts.stream()
                .map(p -> "%s: %d of %d".formatted(p.label(), p.done(), p.all()))
                .collect(Collectors.joining(", "));
    }
}
