package org.evensheen.app.plans;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evensheen.app.labels.Cautions;
import org.evensheen.app.page.Figures;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.footing.PlanReview;
import org.evensheen.core.layout.Balance;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.planning.ChemicalProof;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.planning.Protocol.Chemicals;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;

/**
 * The Planner's page.
 *
 * @param version which version of what was typed it shows
 * @param said a word about what was just done
 */
record PlanPage(
        long id,
        int version,
        boolean canUndo,
        Optional<Long> study,
        String step,
        List<Step> steps,
        Map<String, String> typed,
        Map<String, String> problems,
        String question,
        String footing,
        String meaning,
        List<LimitView> limits,
        String said,
        @org.jspecify.annotations.Nullable PlanDrawing drawing,
        String layoutWords,
        PlanTape tape,
        List<Integer> rows,
        List<String> proof,
        Cautions cautions,
        List<String> meetings,
        boolean boardOnly,
        List<WorkView> works,
        List<String> codes,
        List<String> windows,
        String forecast,
        List<String> effort,
        List<String> wanting,
        List<Measure> readable) {
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);
    private static final List<String> STEPS =
            List.of("ask", "lay-out", "protocol", "fairness", "rehearse", "dates", "begin");
    private static final List<String> WORDS =
            List.of("Ask", "Lay out", "Protocol", "Fairness", "Rehearse", "Dates", "Begin");
    private static final int SHOWN_ROWS = 4;
    private static final int SHOWN_WINDOWS = 4;

    /** One of the steps along the top. */
    record Step(String code, String word, boolean here) {}

    /** A limit with its remedy. */
    record LimitView(String title, String numbers, String advice, String atMost, String remedy, String button) {}

    /** Dated work. */
    record WorkView(String key, String date, String iso, int day, String title, String why, boolean moved) {}

    static PlanPage of(PlanStore.Version version, Planner.Worked worked, String step, String said) {
        Design design = worked.design();
        LocalDate today = worked.known().today();
        String here = STEPS.contains(step) ? step : "ask";
        return new PlanPage(
                version.plan(),
                version.number(),
                version.back() > 0,
                version.study(),
                here,
                IntStream.range(0, STEPS.size())
                        .mapToObj(i -> new Step(
                                STEPS.get(i),
                                STEPS.get(i).equals("fairness")
                                                && !design.limits().isEmpty()
                                        ? WORDS.get(i) + " " + design.limits().size()
                                        : WORDS.get(i),
                                STEPS.get(i).equals(here)))
                        .toList(),
                version.typed(),
                design.problems(),
                design.question().isEmpty() ? "A study on paper" : design.question(),
                design.reach().word(),
                design.reach().meaning(),
                design.limits().stream().map(l -> limit(l, design.laid())).toList(),
                said,
                design.bed().isPresent() ? PlanDrawing.of(design, today) : null,
                layoutWords(design),
                PlanTape.of(design),
                IntStream.range(0, rows(version.typed())).boxed().toList(),
                proof(design),
                Cautions.of(hazards(design)),
                Cautions.meetings(design.products()),
                design.protocol().wear() instanceof Chemicals c
                        && c.chemicals().stream().anyMatch(chemical -> chemical.boardOnly()),
                works(design),
                design.layout().map(Layout::sections).orElse(List.of()).stream()
                        .map(Section::code)
                        .sorted()
                        .toList(),
                here.equals("dates") ? windows(design, worked.known()) : List.of(),
                worked.known()
                        .forecast()
                        .map(f -> "The forecast runs to %s."
                                .formatted(f.clock(
                                        f.hours().get(f.hours().size() - 1).at())))
                        .orElse("No forecast is there. Choose a CSV or JSON file with an hour a row."),
                effort(design),
                design.wanting(),
                AsItLies.measures(worked.known().laid()));
    }

    /** How many lines for contenders are shown: one more than are filled. */
    private static int rows(Map<String, String> typed) {
        int last = IntStream.range(0, Fields.MOST_PRODUCTS)
                .filter(i -> !typed.getOrDefault("name" + i, "").isBlank())
                .max()
                .orElse(-1);
        return Math.min(Fields.MOST_PRODUCTS, Math.max(SHOWN_ROWS, last + 2));
    }

    /** What lies already can't be laid out otherwise, so nothing of that kind is offered. */
    private static final Set<PlanReview.Remedy> OF_THE_LAYOUT = EnumSet.of(
            PlanReview.Remedy.ADD_BARE,
            PlanReview.Remedy.SECOND_SECTION,
            PlanReview.Remedy.LET_LOTS_DECIDE,
            PlanReview.Remedy.PROVE_BARE,
            PlanReview.Remedy.KEEP_THE_CURE,
            PlanReview.Remedy.KEEP_OFF,
            PlanReview.Remedy.DRAW_AGAIN);

    private static LimitView limit(PlanReview.Limit limit, boolean laid) {
        Optional<PlanReview.Remedy> remedy = limit.remedy().filter(r -> !laid || !OF_THE_LAYOUT.contains(r));
        return new LimitView(
                limit.finding().kind().title(),
                limit.finding().numbers(),
                limit.finding().remedy(),
                limit.finding().kind().atMost().word(),
                remedy.map(Enum::name).orElse(""),
                remedy.map(PlanReview.Remedy::label).orElse(""));
    }

    private static String layoutWords(Design design) {
        if (design.layout().isEmpty()) {
            return design.bed().isEmpty()
                    ? "Choose a bed, and the sections are drawn on it."
                    : design.entrants().size() < 2 ? "Name contenders, and the lots are drawn." : "";
        }
        List<Section> sections = design.layout().get().sections();
        if (design.laid()) {
            return "%s as they lay that afternoon. What was counted, timed or graded there comes along as first readings; answers about pairs stay with the afternoon. "
                            .formatted(Figures.count(sections.size(), "place", "places"))
                    + "For bare places and more of each, draw lots anew on a bed.";
        }
        Section one = sections.get(0);
        List<String> words = new ArrayList<>();
        words.add(String.format(
                Locale.ROOT,
                "%s of %s, %d bare, in %s; %d more would fit.",
                Figures.count(sections.size(), "section", "sections"),
                Figures.size(Math.rint(one.widthMm()), Math.rint(one.heightMm())),
                design.counts().get(design.counts().size() - 1),
                Figures.count(sections.stream().map(Section::row).distinct().count(), "block", "blocks"),
                design.layout().get().spare().size()));
        design.balance()
                .ifPresent(b ->
                        words.add(b.complete() ? "Every block holds every product once." : "Blocks are not complete."));
        design.widening()
                .ifPresent(w -> words.add(
                        w < 1.005
                                ? "Blocks cost nothing: a difference is as sure as it can be."
                                : "Blocks make a difference %s as wide as complete ones would."
                                        .formatted(Figures.number(w, 2) + "×")));
        design.balance().ifPresent(b -> {
            for (Balance.Shares z : b.zones()) {
                words.add("In the %s zone: %s to %s of a product's ground."
                        .formatted(z.kind().word(), Figures.percent(z.least()), Figures.percent(z.most())));
            }
            if (b.equalNeighbours() > 0) {
                words.add("%s stand side by side with the same on them."
                        .formatted(Figures.count(b.equalNeighbours(), "pair", "pairs")));
            }
        });
        words.add("Lots drawn with seed %d, which is kept.".formatted(design.seed()));
        return String.join(" ", words);
    }

    private static List<String> proof(Design design) {
        if (!(design.protocol().wear() instanceof Chemicals chemicals)) {
            return List.of();
        }
        ChemicalProof proof =
                ChemicalProof.of(chemicals, Math.max(1, design.counts().get(0)));
        return List.of("Shows: " + proof.can(), "Can't show: " + proof.cannot());
    }

    private static List<Hazard> hazards(Design design) {
        return design.products().stream()
                .flatMap(p -> p.hazards().stream())
                .distinct()
                .sorted()
                .toList();
    }

    private static List<WorkView> works(Design design) {
        return design.calendar().works().stream()
                .map(w -> new WorkView(
                        w.key(),
                        design.dateOf(w.day()).format(DATE),
                        design.dateOf(w.day()).toString(),
                        w.day(),
                        w.title(),
                        w.why(),
                        w.moved()))
                .toList();
    }

    private static List<String> windows(Design design, PlanReader.Known known) {
        return known.forecast().stream()
                .flatMap(f -> f
                        .windows(
                                Entrant.limits(design.entrants()),
                                Math.min(8, Math.max(2, design.effort().perVisit())),
                                design.protocol().cureHours())
                        .stream()
                        .limit(SHOWN_WINDOWS)
                        .map(w -> "%s to %s, %s h"
                                .formatted(f.clock(w.from()), f.clock(w.until()), Figures.compact(w.hours(), 3))))
                .toList();
    }

    private static List<String> effort(Design design) {
        List<String> words = new ArrayList<>();
        words.add("%s h of work in all, %s h a visit, %d readings."
                .formatted(
                        Figures.compact(design.effort().hours(), 2),
                        Figures.compact(design.effort().perVisit(), 2),
                        design.effort().readings()));
        words.add("%s of product by the labels."
                .formatted(Figures.millilitres(design.effort().millilitres())));
        if (!design.effort().untold().isEmpty()) {
            words.add("Not counted, as label or calibration is wanting: "
                    + design.effort().untold().stream().distinct().collect(Collectors.joining(", ")) + ".");
        }
        words.add("It ends on %s."
                .formatted(design.dateOf(design.calendar().lastDay()).format(DATE)));
        return words;
    }

    private static final Map<String, List<String>> FIELDS = Map.of(
            "ask", List.of("question", "firstDay", "where"),
            "lay-out", List.of("each", "bare", "size", "gap"),
            "protocol",
                    List.of(
                            "cure",
                            "every",
                            "visits",
                            "washEvery",
                            "perVisit",
                            "washDays",
                            "washVisits",
                            "doseDays",
                            "chem0",
                            "chem1",
                            "chem2",
                            "chem3",
                            "chem4",
                            "chem5"));

    /** Fields of this step whose messages stand at their places. */
    public List<String> fieldsHere() {
        List<String> here = new ArrayList<>(FIELDS.getOrDefault(step, List.of()));
        String numbered = step.equals("ask") ? "name" : step.equals("protocol") ? "dose" : "";
        IntStream.range(0, numbered.isEmpty() ? 0 : Fields.MOST_PRODUCTS)
                .filter(i -> !in("name" + i).isEmpty())
                .forEach(i -> {
                    here.add(numbered + i);
                    if (step.equals("ask")) {
                        here.add("way" + i);
                    }
                });
        if (step.equals("protocol")) {
            readings().forEach(m -> here.add(m.code()));
        }
        return here;
    }

    /** Whether anything is to be read that looks at water, so that it is asked what water is meant to do. */
    public boolean asksWater() {
        return PlanReader.asksWater(this::in);
    }

    /** What a contender may be when it is not just one or more products; a stack is told by its name. */
    public List<Contender.Kind> whats() {
        return Stream.of(Contender.Kind.values())
                .filter(k -> k != Contender.Kind.STACK && k != Contender.Kind.METHOD)
                .toList();
    }

    /** What the first day is. */
    public String firstDay() {
        return in("unit").equals(Design.Unit.LAID.code())
                ? "First day: that afternoon"
                : "First day: strip and read bare";
    }

    /** Whether it goes on with an afternoon. */
    public boolean grown() {
        return !in("grown").isEmpty();
    }

    /** Every measure that a section can be read with. */
    public List<Measure> readings() {
        return readable;
    }

    /** What was typed into a field; empty if nothing was. */
    public String in(String field) {
        return typed.getOrDefault(field, "");
    }

    public boolean on(String field) {
        return in(field).equals("on");
    }

    public String wrong(String field) {
        return problems.getOrDefault(field, "");
    }
}
