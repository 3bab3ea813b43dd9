package org.evensheen.core.runsheet;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.runsheet.Step.Part;
import org.evensheen.core.schedule.HandPlanner;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;

/**
 * A day's work in the order that works.
 *
 * @param steps taken ones too; the first open one is next, unless its time has not come and a later one's has
 * @param clocks what runs by itself now
 * @param batches what the hands do to the sections when, in order; empty if nothing is applied
 * @param taken readings that are in, by part of the day; they are no steps any more
 */
public record RunSheet(
        List<Step> steps, List<Clock> clocks, List<Batch> batches, Map<Step.Part, Integer> taken, int readingsAsked) {
    /** The step that puts a chemical on. */
    public static final String DOSING = "dose/on";

    public RunSheet {
        steps = List.copyOf(steps);
        clocks = List.copyOf(clocks);
        batches = List.copyOf(batches);
    }

    /** The sheet of a day, as things stand. */
    public static RunSheet of(RunDay day, HandPlanner hands) {
        List<Step> steps = new ArrayList<>();
        List<Clock> clocks = new ArrayList<>();
        List<Batch> batches = new ArrayList<>();
        Occasions occasions = new Occasions(day);
        List<Calendar.Kind> kinds = kinds(day);
        if (!kinds.isEmpty()) {
            steps.add(air("air", "Everything that is done today is read against it."));
        }
        for (Calendar.Kind kind : kinds) {
            switch (kind) {
                case CHECK ->
                    steps.add(Step.simple(
                            "check",
                            Part.CHECK,
                            Step.Kind.CHECK,
                            "Hang the known weight on the force gauge",
                            "Hook it, let it hang still, then take the reading.",
                            "A check holds for eight weeks; pulls without one are worth less.",
                            List.of()));
                case STRIP -> steps.addAll(WashParts.strip(day));
                case BARE -> {
                    steps.addAll(BarePart.looks(day));
                    steps.addAll(occasions.readings(Stage.BARE, Part.BARE));
                }
                case APPLY -> new ApplyPart(day, hands).into(steps, clocks, batches);
                case COAT -> {
                    if (!kinds.contains(Calendar.Kind.APPLY)) {
                        new ApplyPart(day, hands).into(steps, clocks, batches);
                    }
                }
                case CURE -> {}
                case FRESH -> {
                    WashParts.cureGate(day).ifPresent(steps::add);
                    steps.addAll(occasions.readings(Stage.FRESH, Part.FRESH));
                }
                case WASH -> steps.addAll(WashParts.wash(day, "wash", Part.WASH));
                case DOSE -> WashParts.dose(day, steps, clocks);
                case VISIT -> {
                    steps.addAll(WashParts.visit(day, occasions.begun(Stage.REWETTED)));
                    steps.addAll(occasions.readings(Stage.REWETTED, Part.VISIT));
                }
            }
        }
        List<Step> told = steps.stream()
                .map(s -> s.open() ? day.mark(s.key()).map(s::taken).orElse(s) : s)
                .filter(s -> s.open() || s.kind() != Step.Kind.READ)
                .toList();
        return new RunSheet(told, clocks, batches, occasions.taken(), occasions.asked());
    }

    /** The same without what the hands do to single sections, and without the clocks of that: it tells what is on each. */
    public RunSheet withoutActs() {
        List<Step> kept = steps.stream().filter(s -> s.act().isEmpty()).toList();
        return new RunSheet(
                kept, clocks.stream().filter(c -> c.sections().isEmpty()).toList(), List.of(), taken, readingsAsked);
    }

    /** Readings that are in, of those that the day asks for. */
    public int readingsDone() {
        return taken.values().stream().mapToInt(n -> n).sum();
    }

    /** Steps that the hands do to single sections. */
    public List<Step> acts() {
        return steps.stream().filter(s -> s.act().isPresent()).toList();
    }

    static Step air(String key, String why) {
        return Step.simple(
                key,
                Part.AIR,
                Step.Kind.CONDITIONS,
                "How are the air and the panel?",
                "Thermometer in the shade, the other on the panel.",
                why,
                List.of());
    }

    /** Kinds of work of the day, in the order in which they are done. */
    private static List<Calendar.Kind> kinds(RunDay day) {
        List<Calendar.Kind> kinds = new ArrayList<>();
        day.works().stream().filter(w -> w.day() == day.day()).forEach(w -> kinds.add(w.kind()));
        for (Occasion visit : day.study().plan().visits()) {
            if (visit.day() == day.day()) {
                kinds.add(
                        switch (visit.stage()) {
                            case BARE -> Calendar.Kind.BARE;
                            case FRESH -> Calendar.Kind.FRESH;
                            default -> Calendar.Kind.VISIT;
                        });
            }
        }
        return kinds.stream().distinct().sorted().toList();
    }

    /** What a step notches on the tape when it is done. */
    public static Optional<Happening.Kind> notch(Step step) {
        return switch (step.kind()) {
            case CONDITIONS -> Optional.of(Happening.Kind.WEATHER_NOTED);
            case SPREAD -> Optional.of(Happening.Kind.APPLIED);
            default ->
                step.key().endsWith("/washed")
                        ? Optional.of(Happening.Kind.WASHED)
                        : step.key().equals(DOSING) ? Optional.of(Happening.Kind.DOSED) : Optional.empty();
        };
    }

    /** The stage of a visit that a step shows, where sections may be graded as they look then; empty for other steps. */
    public static Optional<Stage> shows(Step step) {
        return switch (step.key()) {
            case "visit/arrival" -> Optional.of(Stage.ARRIVAL);
            case "visit/rinse" -> Optional.of(Stage.RINSED);
            case "visit/foam" -> Optional.of(Stage.FOAMED);
            case "visit/washed" -> Optional.of(Stage.WASHED);
            default -> Optional.empty();
        };
    }

    /** The step to take now: the first open one whose time has come, or the one whose time comes first. */
    public Optional<Step> next(Instant now) {
        List<Step> open = steps.stream().filter(Step::open).toList();
        Optional<Step> first = open.stream().findFirst();
        if (first.flatMap(Step::from).filter(f -> f.isAfter(now)).isEmpty()) {
            return first;
        }
        Part part = first.orElseThrow().part();
        List<Step> here = open.stream().takeWhile(s -> s.part() == part).toList();
        return here.stream()
                .filter(s -> s.from().filter(f -> f.isAfter(now)).isEmpty())
                .findFirst()
                .or(() -> here.stream().min(Comparator.comparing(s -> s.from().orElse(Instant.MIN))));
    }

    public boolean finished() {
        return steps.stream().noneMatch(Step::open);
    }
}
