package org.evensheen.app.runsheet;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.readings.ReadingStore;
import org.evensheen.app.studies.ApplicationStore;
import org.evensheen.app.studies.HappeningStore;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.core.label.Claim;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.WaterGrade;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.SectionDose;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.runsheet.Mark;
import org.evensheen.core.runsheet.RunSheet;
import org.evensheen.core.runsheet.Step;
import org.evensheen.core.study.Deviation;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Stage;
import org.evensheen.core.units.Span;
import org.evensheen.core.water.WaterKind;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes steps of a day: keeps the mark and everything that follows from it, all or nothing, once. */
@Component
class RunKeeper {
    private static final int LONGEST_NOTE = 200;

    private final RunStore store;
    private final ReadingStore readings;
    private final ApplicationStore applications;
    private final HappeningStore happenings;
    private final NoteKeeper notes;
    private final StageGrades grades;
    private final TransactionTemplate transaction;

    RunKeeper(
            RunStore store,
            ReadingStore readings,
            ApplicationStore applications,
            HappeningStore happenings,
            NoteKeeper notes,
            StageGrades grades,
            TransactionTemplate transaction) {
        this.store = store;
        this.readings = readings;
        this.applications = applications;
        this.happenings = happenings;
        this.notes = notes;
        this.grades = grades;
        this.transaction = transaction;
    }

    /**
     * What became of it.
     *
     * @param problems what is wrong with what was typed, by field; empty if it was kept
     */
    record Outcome(String said, Map<String, String> problems) {
        static Outcome done(String said) {
            return new Outcome(said, Map.of());
        }

        static Outcome wrong(String field, String problem) {
            return new Outcome("", Map.of(field, problem));
        }
    }

    /** Everything that a request brought: fields as typed, when, by whom. */
    record Sent(String step, Map<String, String> typed, Instant at, UUID key, Hands hands) {
        String in(String field) {
            return typed.getOrDefault(field, "").strip();
        }

        boolean passed() {
            return in("passed").equals("true");
        }
    }

    Outcome take(Run run, Sent sent) {
        Optional<Step> step = run.step(sent.step());
        if (step.isEmpty() && !run.kept().step(sent.step()).isPresent()) {
            return AirForm.isAir(sent.step()) ? notes.air(run, sent) : Outcome.wrong("step", unknown(run, sent));
        }
        if (step.filter(s -> s.kind() == Step.Kind.CONDITIONS).isPresent()) {
            return notes.air(run, sent);
        }
        if (step.filter(s -> s.kind() == Step.Kind.CHECK).isPresent()) {
            return notes.check(run, sent);
        }
        Optional<String> shut = step.filter(s -> s.kind() == Step.Kind.GATE).flatMap(s -> shut(run, s));
        if (shut.isPresent() && !sent.passed()) {
            return Outcome.wrong("note", shut.get());
        }
        if (sent.passed() && sent.in("note").isEmpty()) {
            return Outcome.wrong("note", "Say why you go on all the same, in a word or two. The study carries it.");
        }
        if (sent.in("note").length() > LONGEST_NOTE || sent.in("used").length() > LONGEST_NOTE) {
            return Outcome.wrong("note", "A note may have 200 characters.");
        }
        Optional<Step> look = step.filter(s -> s.kind() == Step.Kind.LOOK);
        if (look.isPresent() && !sent.in("grade").matches("[0-4]")) {
            return Outcome.wrong("grade", "Say what the water does: lies flat, breaks up, or beads.");
        }
        Given given = Given.of(run, step, sent);
        Optional<Outcome> wrong = given.wrong().or(() -> notes.acidity(sent)).or(() -> unspread(run, step));
        return wrong.orElseGet(() -> mark(run, sent, step, given.amount()));
    }

    /** Why a step that is not on the sheet can't be taken. */
    private static String unknown(Run run, Sent sent) {
        if (sent.step().isEmpty()) {
            return "The form came without its step. Open the run sheet again and take it there; nothing was kept.";
        }
        return run.sealed().stream().anyMatch(s -> s.key().equals(sent.step()))
                ? "What goes where is under the key. Ask for it on the run sheet first; nothing was kept."
                : "There is no step “%s” on the sheet of day %d, or no longer. Look at the sheet afresh; nothing was kept."
                        .formatted(Sheet.shown(sent.step()), run.day());
    }

    /** A section can't be finished whose spreading does not stand: somebody undid it, or it was never noted. */
    private static Optional<Outcome> unspread(Run run, Optional<Step> step) {
        return step.filter(s -> s.kind() == Step.Kind.FINISH && s.open())
                .filter(s ->
                        run.kept().step(s.key().replace("/finish", "/spread")).isEmpty())
                .map(s -> Outcome.wrong(
                        "step",
                        "Spreading on %s was undone or never noted, so there is no wait to tell. Note the spreading first, then this."
                                .formatted(String.join(", ", s.sections()))));
    }

    private Outcome mark(Run run, Sent sent, Optional<Step> step, Optional<Double> given) {
        String said = transaction.execute(status -> {
            Mark mark =
                    new Mark(sent.step(), sent.passed(), sent.at(), sent.hands().name(), sent.in("note"));
            if (!store.mark(
                    run.study().id(), run.day(), new RunStore.Taken(mark, given, sent.in("used"), sent.key()))) {
                return already(run, sent);
            }
            return step.map(s -> follow(run, sent, s, given)).orElse("Kept.");
        });
        return Outcome.done(String.valueOf(said));
    }

    private static String already(Run run, Sent sent) {
        return run.kept()
                .step(sent.step())
                .filter(t -> !t.key().equals(sent.key()))
                .map(t -> "%s did this already, %s before you. Theirs stands."
                        .formatted(
                                t.mark().by(),
                                Times.span(Duration.between(t.mark().at(), sent.at()))))
                .orElse("Kept.");
    }

    /** Which chemical went on which sections, as the step said; nothing where it said none, or more than a note holds. */
    private static String dosed(Step step) {
        return step.title().contains(" on ") && step.title().length() <= LONGEST_NOTE ? step.title() : "";
    }

    /** What follows from a step; what to say of it. */
    private String follow(Run run, Sent sent, Step step, Optional<Double> given) {
        RunSheet.notch(step)
                .filter(kind -> kind != Happening.Kind.APPLIED
                        || run.study().record().happenings().stream()
                                .noneMatch(h -> h.kind() == kind && h.day() == run.day()))
                .ifPresent(kind -> happenings.keep(
                        run.study().id(),
                        new Happening(run.day(), kind, kind == Happening.Kind.DOSED ? dosed(step) : ""),
                        derived(sent.key(), "notch"),
                        sent.hands().name()));
        return switch (step.kind()) {
            case LOOK -> look(run, sent, step);
            case GATE -> gate(run, sent, step);
            case SPREAD -> {
                if (run.step(step.key().replace("/spread", "/finish")).isEmpty()) {
                    applied(
                            run,
                            sent,
                            step,
                            new RunStore.Taken(
                                    new Mark(step.key(), false, sent.at(), "", ""),
                                    given,
                                    sent.in("used"),
                                    sent.key()));
                }
                yield "Spread on %s.".formatted(step.sections().get(0));
            }
            case FINISH ->
                applied(
                        run,
                        sent,
                        step,
                        run.kept()
                                .step(step.key().replace("/finish", "/spread"))
                                .orElse(null));
            case TASK -> notes.ph(run, sent, step).orElseGet(() -> grades.keep(run, sent, step));
            default -> "Done.";
        };
    }

    private String look(Run run, Sent sent, Step step) {
        String section = step.sections().get(0);
        int grade = Integer.parseInt(sent.in("grade"));
        Reading seen = new Reading(section, run.day(), Stage.BARE, 1, WaterGrade.seen(WaterKind.REPELS, grade));
        UUID key = derived(sent.key(), "look");
        Optional<KeptReading> before = run.study().readings().stream()
                .filter(KeptReading::stands)
                .filter(k -> k.reading().section().equals(section)
                        && k.reading().day() == run.day()
                        && k.reading().stage() == Stage.BARE
                        && k.reading().repeat() == 1
                        && k.reading().measure().equals(Measures.WATER_GRADE))
                .findFirst();
        if (before.isPresent()) {
            readings.correct(
                    run.study().id(), before.get().id(), seen, key, sent.hands(), "stripped and looked at again");
        } else {
            readings.keep(run.study().id(), seen, key, sent.hands());
        }
        return grade == 0 ? "%s lies flat.".formatted(section) : "%s is not bare: strip it again.".formatted(section);
    }

    private String gate(Run run, Sent sent, Step step) {
        if (!sent.passed()) {
            return "The gate is open.";
        }
        Deviation.Kind kind = step.key().startsWith("gate/residue")
                ? Deviation.Kind.RESIDUE_GATE
                : switch (step.key()) {
                    case "gate/bare" -> Deviation.Kind.BARE_GATE;
                    case "gate/cure" -> Deviation.Kind.CURE_GATE;
                    default -> Deviation.Kind.WEATHER;
                };
        String where = step.sections().isEmpty() || kind == Deviation.Kind.WEATHER
                ? ""
                : " (" + String.join(", ", step.sections()) + ")";
        store.keep(
                run.study().id(),
                new Deviation(run.day(), kind, Optional.empty(), cut(sent.in("note") + where)),
                sent.at(),
                derived(sent.key(), "deviation"),
                sent.hands());
        return "Gone on all the same. The study carries it.";
    }

    /** Why a gate can't be walked through as things stand. */
    static Optional<String> shut(Run run, Step gate) {
        if (gate.key().equals("gate/weather")) {
            return Optional.of(gate.detail() + " Wait, note the air afresh, or go on with a reason.");
        }
        if (!gate.sections().isEmpty()) {
            return Optional.of("%s %s not proven bare. Look, strip again, or go on with a reason."
                    .formatted(
                            String.join(", ", gate.sections()), gate.sections().size() == 1 ? "is" : "are"));
        }
        return gate.from()
                .filter(f -> f.isAfter(run.input().now()))
                .map(f ->
                        "The cure takes until %s. Wait for it, or go on with a reason.".formatted(Times.clock(f, run)));
    }

    /** Notes how a section was treated, against the label. */
    private String applied(Run run, Sent sent, Step step, RunStore.@org.jspecify.annotations.Nullable Taken spread) {
        Step.Act act = step.act().orElseThrow();
        Entrant entrant = run.input().entrants().get(act.contender());
        String code = step.sections().get(0);
        Optional<Double> waited = step.kind() == Step.Kind.FINISH && spread != null
                ? Optional.of(Math.max(
                        0.1, Duration.between(spread.mark().at(), sent.at()).toMillis() / 1000.0))
                : Optional.empty();
        Optional<Departure> departure =
                waited.flatMap(w -> act.window().filter(k -> k.low() > 0).map(window -> Departure.of(w, window)));
        String words = departure
                .filter(d -> !d.within())
                .map(d -> "Waited %s: %s the label's %s."
                        .formatted(
                                Times.span(seconds(waited.orElse(0.0))),
                                Figures.times(d.factor()),
                                d.side() == Departure.Side.ABOVE ? "longest" : "shortest"))
                .orElse(waited.map(w -> "Waited %s, as the label says.".formatted(Times.span(seconds(w))))
                        .orElse("Done."));
        boolean outermost =
                act.layer().equals(entrant.layers().get(entrant.layers().size() - 1));
        if (!outermost) {
            departure
                    .filter(d -> !d.within())
                    .ifPresent(d -> store.keep(
                            run.study().id(),
                            new Deviation(
                                    run.day(),
                                    Deviation.Kind.NOTED,
                                    Optional.of(code),
                                    cut("The layer underneath: " + words)),
                            sent.at(),
                            derived(sent.key(), "deviation"),
                            sent.hands()));
            return words;
        }
        Optional<SectionDose> dose = run.dose(step);
        Optional<Double> given = Optional.ofNullable(spread).flatMap(RunStore.Taken::given);
        Optional<Claim.Use> use = act.layer().label().uses().stream()
                .filter(u -> u.dose().countedFor().isPresent())
                .findFirst();
        Optional<Dose> done = dose.flatMap(d -> d.asLabelled(given.orElse(d.aim())));
        if (done.isEmpty() && waited.isEmpty() && !act.finalCoat()) {
            return words;
        }
        applications.keep(new ApplicationStore.Draft(
                run.study().id(),
                act.contender(),
                run.day(),
                use.map(Claim.Use::name).orElse(""),
                done,
                waited,
                act.finalCoat()
                        ? Optional.of(act.coat()
                                - entrant.coats().size()
                                + act.layer().coats())
                        : Optional.empty(),
                Optional.of(code),
                cut(StepWords.given(dose, given, spread == null ? "" : spread.used())),
                derived(sent.key(), "application"),
                sent.hands().name()));
        return words;
    }

    private static Duration seconds(double seconds) {
        return Duration.ofMillis(Math.round(seconds * 1000));
    }

    /** Undoes a step with everything that followed from it. */
    Outcome undo(Run run, Sent sent) {
        if (sent.step().isEmpty()) {
            return Outcome.wrong("step", "The form came without its step. Open the run sheet again and undo it there.");
        }
        transaction.executeWithoutResult(status -> store.undo(run.study().id(), run.day(), sent.step(), sent.hands())
                .ifPresent(key -> {
                    long study = run.study().id();
                    happenings.undo(study, derived(key, "notch"), sent.hands().name());
                    applications.undo(
                            study, derived(key, "application"), sent.hands().name());
                    store.undoDeviation(study, derived(key, "deviation"), sent.hands());
                    run.study().readings().stream()
                            .filter(KeptReading::stands)
                            .filter(k ->
                                    sent.step().startsWith("look/" + k.reading().section() + "/")
                                            && k.reading().day() == run.day()
                                            && k.reading().stage() == Stage.BARE
                                            && k.reading().measure().equals(Measures.WATER_GRADE))
                            .forEach(k -> readings.strike(study, k.id(), sent.hands(), "the look was undone"));
                }));
        return Outcome.done("Undone. It stays in the record as undone.");
    }

    /** What follows from a request has a key of its own that follows from the request's. */
    static UUID derived(UUID key, String what) {
        return UUID.nameUUIDFromBytes((key + " " + what).getBytes(StandardCharsets.UTF_8));
    }

    private static String cut(String text) {
        return text.length() <= LONGEST_NOTE ? text : text.substring(0, LONGEST_NOTE - 1) + "…";
    }

    /** The label's window of a step, s; empty if it says none. */
    static Optional<Span> window(Step step) {
        return step.act().flatMap(Step.Act::window);
    }
}
