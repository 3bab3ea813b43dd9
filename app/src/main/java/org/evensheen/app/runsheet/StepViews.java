package org.evensheen.app.runsheet;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.kit.Instrument;
import org.evensheen.app.labels.Product;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.app.runsheet.RunPage.Choice;
import org.evensheen.app.runsheet.RunPage.StepView;
import org.evensheen.app.runsheet.RunPage.Take;
import org.evensheen.app.studies.TypedEntry;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.measure.Words;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.mixing.SectionDose;
import org.evensheen.core.runsheet.RunSheet;
import org.evensheen.core.runsheet.Step;
import org.evensheen.core.units.Span;
import org.jspecify.annotations.Nullable;

/** Steps in the words and fields that the sheet shows them with. */
final class StepViews {
    private static final Map<String, String> TAKING = Map.of("before", "Before,", "after", "After,");

    private StepViews() {}

    static String title(Run run, Step step) {
        String product = step.act()
                .map(a -> " " + a.layer().product() + (a.coat() > 1 ? ", coat " + a.coat() : ""))
                .orElse("");
        return step.title() + product;
    }

    /** A step as it is shown; {@code next} if it is the one to take now. */
    static StepView of(Run run, Step step, boolean next, Filled filled) {
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
                dose.map(d -> StepWords.amount(d, d.aim()))
                        .or(() -> run.readable(step)
                                .map(p -> run.everywhere(run.input().chemicals().get(0)))
                                .filter(each -> !each.isEmpty())
                                .map(StepWords::each))
                        .orElse(""),
                dose.map(d -> StepWords.range(d, millilitres(run, step)))
                        .or(() -> window.map(w -> "Label: wait " + span(w) + "."))
                        .orElse(step.key().equals(RunSheet.DOSING) ? StepWords.chemicals(run) : ""),
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
                run.readable(step).map(Product::id).orElse(0L),
                looks(step),
                asked.map(a -> TypedEntry.blank(a.measure()).choices(StageGrades.before(run, step)))
                        .orElse(List.of()),
                asked.map(a -> TypedEntry.blank(a.measure()).fields()).orElse(List.of()),
                takes(run, step, asked),
                StageGrades.open(run, step),
                asked.map(a -> a.stage().code()).orElse(""),
                asked.map(a -> a.measure().code()).orElse(""),
                asked.map(Step.Asked::repeat).orElse(0),
                UUID.randomUUID(),
                filled);
    }

    private static String reading(Step.Asked asked) {
        Words words = asked.measure().words();
        return words.once().isEmpty() ? Figures.ordinal(asked.repeat()) + " " + words.one() : words.once();
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

    private static List<Choice> looks(Step step) {
        if (step.kind() == Step.Kind.LOOK) {
            return List.of(
                    new Choice("0", "Lies flat", true),
                    new Choice("1", "Breaks up", false),
                    new Choice("3", "Beads", false));
        }
        return List.of();
    }

    private static List<Take> takes(Run run, Step step, Optional<Step.Asked> asked) {
        return run.study().instruments().stream()
                .flatMap(i -> fields(run, step, asked, i).stream()
                        .map(field -> new Take(
                                i.id(),
                                TAKING.getOrDefault(field, "Take") + " by " + i.name(),
                                field,
                                spent(run, step, field))))
                .toList();
    }

    private static Optional<Span> millilitres(Run run, Step step) {
        return run.dose(step).flatMap(d -> d.ml(step.act().orElseThrow().layer().calibrations()));
    }

    private static @Nullable String spent(Run run, Step step, String field) {
        return switch (field) {
            case "before" -> "0";
            case "after" ->
                millilitres(run, step).map(ml -> Figures.typed(ml.middle())).orElse(null);
            default -> null;
        };
    }

    /** The fields of a step that an instrument can fill. */
    private static List<String> fields(Run run, Step step, Optional<Step.Asked> asked, Instrument i) {
        Probe probe = i.probe();
        return switch (step.kind()) {
            case READ ->
                asked.flatMap(a -> a.measure().probe()).equals(Optional.of(probe)) ? List.of("amount") : List.of();
            case CHECK -> probe == Probe.FORCE ? List.of("said") : List.of();
            case CONDITIONS ->
                probe == Probe.AIR ? List.of("air") : probe == Probe.SURFACE ? List.of("panel") : List.of();
            case SPREAD ->
                probe == Probe.SCALE && millilitres(run, step).isPresent() ? List.of("before", "after") : List.of();
            case TASK -> probe == Probe.PH && run.readable(step).isPresent() ? List.of("ph") : List.of();
            default -> List.of();
        };
    }
}
