package org.evensheen.core.runsheet;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evensheen.core.label.Claim;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.runsheet.Step.Act;
import org.evensheen.core.runsheet.Step.Kind;
import org.evensheen.core.runsheet.Step.Part;
import org.evensheen.core.schedule.HandJob;
import org.evensheen.core.schedule.HandPace;
import org.evensheen.core.schedule.HandPlan;
import org.evensheen.core.schedule.HandPlanner;
import org.evensheen.core.schedule.PairOfHands;
import org.evensheen.core.schedule.WaitAim;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.Span;
import org.evensheen.core.weather.Air;
import org.evensheen.core.weather.PanelAir;

/**
 * Applying: every coat of the day by one pair of hands. What is rinsed off goes first, in a batch of its own, as rinsing wets what is
 * beside it; further coats of the day follow when their labels let them. A batch is planned from the last thing that was done,
 * and anew as soon as the hands fall behind it.
 */
final class ApplyPart {
    /** So late is taken for a hand's own rhythm, s. */
    private static final long BEHIND = 10;

    /** After this a note of the air is old, s. */
    private static final long AIR_HOLDS = 3600;

    private static final Span AT_ONCE = new Span(0, 60);

    private final RunDay day;
    private final HandPlanner hands;
    private final WaitAim aim;
    private final HandPace pace;

    ApplyPart(RunDay day, HandPlanner hands) {
        this.day = day;
        this.hands = hands;
        aim = WaitAim.in(
                day.air().map(a -> a.air().air()), day.air().map(a -> a.air().panelCelsius()));
        pace = HandPace.timed(ratios());
    }

    /** A coat on a section. */
    private record Coating(Section section, Entrant entrant, Entrant.Coat coat, boolean finalCoat) {
        String key() {
            return "coat%d/%s".formatted(coat.number(), section.code());
        }

        String spread() {
            return key() + "/spread";
        }

        String finish() {
            return key() + "/finish";
        }

        Optional<Claim.Finish.How> how() {
            var label = coat.layer().label();
            Optional<Claim.Finish.How> how = label.one(Claim.Finish.class).map(Claim.Finish::how);
            return how.isEmpty() && label.one(Claim.Wait.class).isPresent()
                    ? Optional.of(Claim.Finish.How.BUFF)
                    : how.filter(h -> h != Claim.Finish.How.NO_BUFF);
        }

        boolean rinsed() {
            return how().filter(h -> h == Claim.Finish.How.RINSE_OFF).isPresent();
        }

        Optional<Span> window() {
            return coat.layer().label().one(Claim.Wait.class).map(Claim.Wait::seconds);
        }
    }

    /** Adds the steps, the clocks that run, and the batches. */
    void into(List<Step> steps, List<Clock> clocks, List<Batch> batches) {
        TreeMap<Integer, List<Coating>> groups = new TreeMap<>();
        for (Coating coating : coatings()) {
            groups.computeIfAbsent(2 * coating.coat().number() + (coating.rinsed() ? 0 : 1), k -> new ArrayList<>())
                    .add(coating);
        }
        boolean begun = groups.values().stream()
                .flatMap(List::stream)
                .anyMatch(c -> at(c.spread()).isPresent());
        boolean stale = day.air()
                .filter(a -> Duration.between(a.at(), day.now()).toSeconds() < AIR_HOLDS)
                .isEmpty();
        boolean taken = day.mark("air/apply").isPresent();
        if (taken || !begun && stale && day.mark("air").isPresent()) {
            steps.add(RunSheet.air(
                    "air/apply",
                    "Products go on within the labels' limits, and %s above the dew point."
                            .formatted(day.told().write(Air.CLEARANCE, "K"))));
        }
        day.air()
                .filter(a -> a.words(day.entrants(), day.told()).stream()
                        .anyMatch(w -> w.standing() == PanelAir.Standing.OUT))
                .filter(a -> !begun || day.mark("gate/weather").isPresent())
                .ifPresent(a -> steps.add(Step.simple(
                        "gate/weather",
                        Part.APPLY,
                        Kind.GATE,
                        "Not in this weather",
                        a.words(day.entrants(), day.told()).stream()
                                .filter(w -> w.standing() == PanelAir.Standing.OUT)
                                .findFirst()
                                .orElseThrow()
                                .text(),
                        "Wait for another window, or note the air afresh when it has changed.",
                        day.study().sections().stream().map(Section::code).toList())));
        Instant free = Instant.ofEpochSecond(day.now().getEpochSecond() / BEHIND * BEHIND);
        for (List<Coating> group : groups.values()) {
            free = split(group, free, steps, clocks, batches);
        }
        cured(groups.values().stream().flatMap(List::stream).toList()).ifPresent(clocks::add);
    }

    /** Once everything of the day is on: when the slowest of what needs no coat more has cured. */
    private Optional<Clock> cured(List<Coating> all) {
        return all.stream()
                .filter(c -> c.finalCoat() && all.stream().allMatch(this::over))
                .flatMap(c -> c.entrant().slowest().stream()
                        .flatMap(l -> at(c.finish()).or(() -> at(c.spread())).stream()
                                .map(t -> t.plusSeconds(Math.round(3600 * l.dryHours())))))
                .max(Comparator.naturalOrder())
                .filter(day.now()::isBefore)
                .map(t -> new Clock("", "Keep dry: cured", List.of(), t, Optional.empty()));
    }

    /** A batch that would not end by the limit is cut between blocks, so that what is done still compares like with like. */
    private Instant split(
            List<Coating> group, Instant free, List<Step> steps, List<Clock> clocks, List<Batch> batches) {
        List<List<Coating>> blocks = List.copyOf(group.stream()
                .collect(Collectors.groupingBy(c -> c.section().row(), TreeMap::new, Collectors.toList()))
                .values());
        if (day.limit().isEmpty() || blocks.size() < 2 || group.stream().allMatch(this::over)) {
            return batch(group, List.of(), free, steps, clocks, batches);
        }
        Instant from = free;
        int fit = PairOfHands.groupsWithin(
                blocks.stream()
                        .map(block -> jobs(block.stream().filter(c -> !over(c)).toList(), from))
                        .toList(),
                seconds(from, day.limit().get()),
                hands);
        if (fit == blocks.size()) {
            return batch(group, List.of(), free, steps, clocks, batches);
        }
        List<Coating> now = blocks.subList(0, Math.max(1, fit)).stream()
                .flatMap(List::stream)
                .toList();
        List<Coating> later = blocks.subList(Math.max(1, fit), blocks.size()).stream()
                .flatMap(List::stream)
                .toList();
        List<Coating> late = fit == 0 ? group : later;
        Instant done = batch(now, late.stream().map(c -> c.section().code()).toList(), free, steps, clocks, batches);
        return batch(later, List.of(), done, steps, clocks, batches);
    }

    private List<Coating> coatings() {
        List<Calendar.Work> today =
                day.works().stream().filter(w -> w.day() == day.day()).toList();
        boolean apply = today.stream().anyMatch(w -> w.kind() == Calendar.Kind.APPLY);
        List<Coating> all = new ArrayList<>();
        for (Entrant entrant : day.entrants()) {
            List<Entrant.Coat> coats = entrant.coats();
            for (Entrant.Coat coat : coats) {
                boolean due = apply && Calendar.daysAfter(coat) == 0
                        || today.stream()
                                .anyMatch(w -> w.kind() == Calendar.Kind.COAT
                                        && w.title().equals(Calendar.coatTitle(coat.number(), entrant.contender())));
                if (due) {
                    day.study()
                            .sectionsOf(entrant.contender())
                            .forEach(s -> all.add(new Coating(s, entrant, coat, coat.number() == coats.size())));
                }
            }
        }
        all.sort(Comparator.comparingInt((Coating c) -> c.section().row())
                .thenComparingInt(c -> day.study().sections().indexOf(c.section())));
        return all;
    }

    private Optional<Instant> at(String step) {
        return day.mark(step).map(Mark::at);
    }

    /** Plans one batch; when the hands are free after it. */
    private Instant batch(
            List<Coating> group,
            List<String> later,
            Instant free,
            List<Step> steps,
            List<Clock> clocks,
            List<Batch> batches) {
        List<Coating> open = group.stream().filter(c -> !over(c)).toList();
        Optional<Instant> last = day.marks().stream()
                .filter(m -> m.step().startsWith("coat"))
                .map(Mark::at)
                .max(Comparator.naturalOrder());
        boolean begun = group.stream().anyMatch(c -> at(c.spread()).isPresent());
        Instant anchor = begun ? last.orElse(free) : free;
        double busy = begun ? busy(anchor, group) : 0;
        HandPlan plan = hands.plan(jobs(open, anchor), busy);
        if (begun
                && !plan.acts().isEmpty()
                && day.now()
                        .isAfter(anchor.plusMillis(
                                Math.round(1000 * (plan.acts().get(0).start() + BEHIND))))) {
            Instant from =
                    anchor.plusSeconds(Duration.between(anchor, day.now()).toSeconds() / BEHIND * BEHIND);
            plan = hands.plan(
                    jobs(open, from),
                    Math.max(0, busy - Duration.between(anchor, from).toSeconds()));
            anchor = from;
        }
        Coating first = group.get(0);
        String title = first.coat().number() == 1
                ? first.rinsed() ? "What is rinsed off" : "First coats"
                : "Coat " + first.coat().number();
        Batch batch = new Batch(title, begun, anchor, plan, aim, pace, later);
        if (!open.isEmpty()) {
            batches.add(batch);
        }
        List<Step> acts = new ArrayList<>();
        for (Coating c : group) {
            acts.add(spread(c, batch));
            c.how().ifPresent(how -> acts.add(finish(c, how, batch, clocks)));
        }
        acts.sort(Comparator.comparing((Step s) -> at(s.key()).orElse(Instant.MAX))
                .thenComparing(s -> begins(s, batch)));
        steps.addAll(acts);
        if (group.stream().anyMatch(Coating::rinsed)) {
            steps.add(Step.task(
                    first.key().replaceFirst("/.*", "") + "-dry",
                    Part.APPLY,
                    "Dry everything",
                    "Plain towels. What follows goes on a dry panel.",
                    "Rinsing wets the neighbours too."));
        }
        return batch.end().isAfter(free) ? batch.end() : free;
    }

    private boolean over(Coating c) {
        return at(c.spread()).isPresent()
                && (c.how().isEmpty() || at(c.finish()).isPresent());
    }

    /** Seconds after the last mark for which the hands are still at what it began. */
    private double busy(Instant last, List<Coating> group) {
        return group.stream()
                .filter(c -> at(c.finish()).filter(last::equals).isPresent())
                .mapToDouble(c -> pace.finish(c.section().areaSquareMetres()))
                .max()
                .orElse(0);
    }

    private List<HandJob> jobs(List<Coating> open, Instant anchor) {
        return open.stream()
                .map(c -> new HandJob(
                        c.key(),
                        ready(c, anchor),
                        pace.spread(c.section().areaSquareMetres()),
                        aim.of(c.window().orElse(AT_ONCE)),
                        c.how().isEmpty() ? 0 : pace.finish(c.section().areaSquareMetres()),
                        at(c.spread())
                                .map(t -> OptionalDouble.of(seconds(anchor, t)))
                                .orElseGet(OptionalDouble::empty)))
                .toList();
    }

    /** A further coat waits for the one before, as the label of that asks. */
    private double ready(Coating c, Instant anchor) {
        if (c.coat().after().isEmpty()) {
            return 0;
        }
        String before = "coat%d/%s".formatted(c.coat().number() - 1, c.section().code());
        double wait = c.coat().after().get().nextLayerHours() * 3600;
        return at(before + "/finish")
                .or(() -> at(before + "/spread"))
                .map(t -> Math.max(0, seconds(anchor, t.plusSeconds(Math.round(wait)))))
                .orElse(
                        day.works().stream().anyMatch(w -> w.day() == day.day() && w.kind() == Calendar.Kind.APPLY)
                                ? wait
                                : 0.0);
    }

    private static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }

    private Step spread(Coating c, Batch batch) {
        Optional<Instant> from = batch.plan()
                .act(c.key(), HandPlan.Kind.SPREAD)
                .map(a -> batch.at(a.start()))
                .filter(t -> batch.begun() || c.coat().number() > 1);
        return act(c, c.spread(), Kind.SPREAD, "Spread", pace.spread(c.section().areaSquareMetres()))
                .between(from, Optional.empty());
    }

    private Step finish(Coating c, Claim.Finish.How how, Batch batch, List<Clock> clocks) {
        Step step = act(
                c,
                c.finish(),
                Kind.FINISH,
                how == Claim.Finish.How.RINSE_OFF ? "Rinse off" : "Buff",
                pace.finish(c.section().areaSquareMetres()));
        Optional<Instant> spread = at(c.spread());
        if (spread.isEmpty()) {
            return step.between(
                    batch.plan().act(c.key(), HandPlan.Kind.FINISH).map(a -> batch.at(a.start())), Optional.empty());
        }
        Span window = c.window().orElse(AT_ONCE);
        Instant opens = spread.get().plusMillis(Math.round(1000 * window.low()));
        Instant closes = spread.get().plusMillis(Math.round(1000 * window.high()));
        if (at(c.finish()).isEmpty()) {
            clocks.add(new Clock(c.finish(), step.title(), List.of(c.section().code()), opens, Optional.of(closes)));
        }
        return step.between(Optional.of(opens), Optional.of(closes));
    }

    private Step act(Coating c, String key, Kind kind, String verb, double seconds) {
        String with = kind == Kind.SPREAD
                ? "Thin and even, edge to edge, not over the tape."
                : verb.equals("Buff")
                        ? "A fresh towel face; turn it once half-way."
                        : "Gently, from above; nothing onto the neighbours.";
        return new Step(
                key,
                Part.APPLY,
                kind,
                verb,
                with,
                kind == Kind.SPREAD
                        ? "Its turn is planned so that every wait ends while the hands are free."
                        : "Its label asks this much time between spreading and now.",
                List.of(c.section().code()),
                Optional.of(new Act(
                        c.entrant().contender().number(),
                        c.coat().layer(),
                        c.coat().number(),
                        c.finalCoat(),
                        c.window(),
                        seconds)),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** When an open act begins by the plan. */
    private static Instant begins(Step step, Batch batch) {
        String key = step.key().replaceFirst("/(spread|finish)$", "");
        return batch.plan()
                .act(key, step.kind() == Kind.SPREAD ? HandPlan.Kind.SPREAD : HandPlan.Kind.FINISH)
                .map(a -> batch.at(a.start()))
                .orElse(Instant.MAX);
    }

    /** How long spreading took today, over what it usually takes; a break longer than four times that is a break. */
    private List<Double> ratios() {
        List<Double> ratios = new ArrayList<>();
        List<Mark> acts = day.marks().stream()
                .filter(m -> m.step().matches("coat\\d+/.*"))
                .toList();
        for (int i = 1; i < acts.size(); i++) {
            Mark mark = acts.get(i);
            if (!mark.step().endsWith("/spread")) {
                continue;
            }
            String code = mark.step().split("/")[1];
            double usual = day.study()
                    .section(code)
                    .map(s -> HandPace.USUAL.spread(s.areaSquareMetres()))
                    .orElse(60.0);
            boolean buffing = acts.get(i - 1).step().endsWith("/finish");
            double buff = buffing
                    ? day.study()
                            .section(acts.get(i - 1).step().split("/")[1])
                            .map(s -> HandPace.USUAL.finish(s.areaSquareMetres()))
                            .orElse(0.0)
                    : 0;
            double ratio = seconds(acts.get(i - 1).at(), mark.at()) / (usual + buff);
            if (ratio > 0 && ratio <= 4) {
                ratios.add(ratio);
            }
        }
        return ratios;
    }
}
