package org.evensheen.app.plans;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import org.evensheen.core.comparing.Rehearsal;
import org.evensheen.core.comparing.Rehearsal.Case;
import org.evensheen.core.comparing.Rehearsal.Outcome;
import org.evensheen.core.comparing.Rehearsal.Supposed;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Effort;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Runs rehearsals in the background, one after another. */
@Component
class Rehearsals {
    static final int STUDIES = 2000;
    static final int FOR_THE_CURVE = 100;
    static final int FOR_MORE = 500;
    static final int FOR_EQUALS = 400;
    private static final int MORE = 3;
    private static final int WEEKS_MORE = 3;

    private static final Logger LOG = LoggerFactory.getLogger(Rehearsals.class);

    private final RehearsalStore store;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "rehearsal");
        thread.setDaemon(true);
        return thread;
    });

    Rehearsals(RehearsalStore store) {
        this.store = store;
    }

    @PreDestroy
    void stop() {
        worker.shutdownNow();
    }

    /** Begins a rehearsal of a design; an earlier one of the same plan is given up. */
    void begin(long plan, int version, Design design, Case of) {
        UUID run = UUID.randomUUID();
        store.begin(plan, version, run, STUDIES + MORE * FOR_MORE + FOR_EQUALS);
        worker.submit(() -> {
            try {
                rehearse(run, design, of).ifPresent(found -> store.finish(run, found));
            } catch (RuntimeException e) {
                LOG.error("Rehearsal of plan {} broke", plan, e);
                store.end(plan, "broken");
            }
        });
    }

    private Optional<Found> rehearse(UUID run, Design design, Case of) {
        AtomicBoolean cancelled = new AtomicBoolean();
        Steps steps = new Steps(run, cancelled);
        Optional<Outcome> main = steps.run(of, STUDIES, FOR_THE_CURVE);
        Map<Integer, Supposed> alike = new HashMap<>();
        of.truth().keySet().forEach(n -> alike.put(n, of.truth().get(0)));
        Optional<Outcome> equals = main.flatMap(m -> steps.run(with(of, alike), FOR_EQUALS, 0));
        List<Found.More> more = new ArrayList<>();
        for (Variant variant : variants(design, of)) {
            if (!cancelled.get()) {
                steps.run(variant.of, FOR_MORE, 0)
                        .ifPresent(o -> more.add(new Found.More(
                                variant.what,
                                o.right(),
                                o.width(),
                                variant.effort.hours() - design.effort().hours(),
                                variant.effort.millilitres() - design.effort().millilitres())));
            }
        }
        String best = of.contenders().stream()
                .filter(c -> !c.isControl())
                .min(java.util.Comparator.comparingDouble(c -> leftOver(of, c.number())))
                .orElseThrow()
                .name();
        return cancelled.get() || main.isEmpty()
                ? Optional.empty()
                : Optional.of(Found.of(
                        best,
                        of.measure().scoreUnit(),
                        main.get(),
                        equals.flatMap(e -> e.equalsApart().isPresent()
                                        ? Optional.of(e.equalsApart().getAsDouble())
                                        : Optional.empty())
                                .orElse(0.0),
                        more));
    }

    /** The true reading of a product on the last visit. */
    private static double leftOver(Case of, int number) {
        Supposed supposed = of.truth().get(number);
        int fresh = of.plan().visits().stream()
                .filter(v -> v.stage() == Stage.FRESH)
                .mapToInt(Occasion::day)
                .findFirst()
                .orElse(0);
        return of.bare()
                + (supposed.fresh() - of.bare()) * Math.exp(-(of.plan().lastDay() - fresh) / 7.0 / supposed.weeks());
    }

    private record Variant(String what, Case of, Effort effort) {}

    private static List<Variant> variants(Design design, Case of) {
        int visits = design.calendar().plan(design.protocol()).visits().size();
        List<Integer> moreSections = design.counts().stream().map(c -> c + 1).toList();
        Plan plan = of.plan();
        Plan repeats = new Plan(
                List.of(new Plan.Planned(of.measure(), plan.repeatsOf(of.measure()) + 1)),
                plan.visits(),
                plan.course());
        List<Occasion> longer = new ArrayList<>(plan.visits());
        longer.add(new Occasion(plan.lastDay() + 7 * WEEKS_MORE, Stage.REWETTED));
        int sections = of.sections().size();
        Effort once = design.effort();
        return List.of(
                new Variant(
                        "One more section each",
                        new Case(
                                of.contenders(),
                                Rehearsal.oneMoreEach(of.sections()),
                                plan,
                                of.measure(),
                                of.bare(),
                                of.truth(),
                                of.betweenSections(),
                                of.betweenRepeats(),
                                of.seed()),
                        Effort.of(design.protocol(), design.entrants(), moreSections, visits)),
                new Variant(
                        "One more repeat",
                        with(of, repeats),
                        new Effort(
                                once.hours() + sections * visits * of.measure().seconds() / 3600,
                                0,
                                0,
                                once.millilitres(),
                                List.of())),
                new Variant(
                        "Three more weeks",
                        with(of, new Plan(plan.measures(), longer, plan.course())),
                        Effort.of(design.protocol(), design.entrants(), design.counts(), visits + 1)));
    }

    private static Case with(Case of, Plan plan) {
        return new Case(
                of.contenders(),
                of.sections(),
                plan,
                of.measure(),
                of.bare(),
                of.truth(),
                of.betweenSections(),
                of.betweenRepeats(),
                of.seed());
    }

    private static Case with(Case of, Map<Integer, Supposed> truth) {
        return new Case(
                of.contenders(),
                of.sections(),
                of.plan(),
                of.measure(),
                of.bare(),
                truth,
                of.betweenSections(),
                of.betweenRepeats(),
                of.seed());
    }

    /** The measure that a design can be rehearsed on. */
    static Optional<Measure> measure(Design design) {
        return Measures.read().stream()
                .filter(m -> m.rehearsedBare().isPresent()
                        && design.protocol().measures().stream().anyMatch(p -> p.measure() == m))
                .reduce((first, last) -> last);
    }

    /** Runs one rehearsal after another and adds their progress up; told a few times a second, as the page asks no oftener. */
    private final class Steps {
        private static final long PACE = 150_000_000;
        private final UUID run;
        private final AtomicBoolean cancelled;
        private int before;
        private long told;

        Steps(UUID run, AtomicBoolean cancelled) {
            this.run = run;
            this.cancelled = cancelled;
        }

        Optional<Outcome> run(Case of, int studies, int each) {
            Optional<Outcome> outcome = Rehearsal.run(of, studies, each, this::tell, cancelled::get);
            before += studies;
            return outcome;
        }

        private synchronized void tell(int done) {
            if (System.nanoTime() - told > PACE) {
                told = System.nanoTime();
                if (!store.progress(run, before + done)) {
                    cancelled.set(true);
                }
            }
        }
    }
}
