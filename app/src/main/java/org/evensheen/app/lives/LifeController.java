package org.evensheen.app.lives;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Units;
import org.evensheen.app.studies.Selection;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyScreen;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.label.Label;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.units.UnitSystem;
import org.evensheen.core.wear.Axis;
import org.evensheen.core.wear.Curves;
import org.evensheen.core.wear.Exposure;
import org.evensheen.core.wear.Wear;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The life of a study: how long everything on it lasts, as a page and for programs. */
@Controller
class LifeController {
    private final StudyStore studies;
    private final Living living;
    private final StudyScreen screen;
    private final LifeOutcomeStore outcomes;
    private final Clock clock;
    private final Cache<Look, Told> drawn =
            Caffeine.newBuilder().maximumSize(100).build();

    LifeController(StudyStore studies, Living living, StudyScreen screen, LifeOutcomeStore outcomes, Clock clock) {
        this.studies = studies;
        this.living = living;
        this.screen = screen;
        this.outcomes = outcomes;
        this.clock = clock;
    }

    /** A revision of a study looked at in one way; what is told of it can't change. */
    private record Look(
            long study,
            long revision,
            boolean byCode,
            Measure measure,
            Axis axis,
            Selection selection,
            LocalDate today,
            Map<Integer, Label> labels,
            UnitSystem told) {}

    /** The page, with its Tape and its Panel as markup. */
    private record Told(LifePage page, String tape, String panel) {}

    /** What is looked at: a measure, an axis, up to a day. */
    private record Asked(Study study, Measure measure, Axis axis, Selection selection) {
        int until() {
            return selection.at().day();
        }
    }

    private Told told(Asked asked, LocalDate today) {
        Wear wear = living.of(asked.study, asked.measure, asked.axis, asked.until());
        LifePage page = LifePage.of(asked.study, today, wear);
        LifePage filed = Units.in(UnitSystem.METRIC, () -> LifePage.of(asked.study, today, wear));
        outcomes.keep(asked.study, LifeDocument.of(asked.study, wear), filed.first() + " " + filed.rest());
        return new Told(
                page,
                screen.tape(asked.study, asked.selection, page.here()),
                screen.panel(asked.study, asked.selection));
    }

    @GetMapping("/studies/{id}/life")
    String life(
            @PathVariable long id,
            @RequestParam Optional<String> measure,
            @RequestParam Optional<String> by,
            @RequestParam Optional<Integer> day,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> part,
            Model model) {
        Asked asked = asked(id, measure, by, day);
        LocalDate today = LocalDate.now(clock);
        Told told = drawn.get(
                new Look(
                        id,
                        asked.study.revision(),
                        asked.study.judgedByCode(),
                        asked.measure,
                        asked.axis,
                        asked.selection,
                        today,
                        Living.labels(asked.study),
                        Units.now()),
                look -> told(asked, today));
        model.addAttribute("page", told.page());
        model.addAttribute("tape", told.tape());
        model.addAttribute("panel", told.panel());
        return part.isPresent() ? "lives/life :: work" : "lives/life";
    }

    /** A life in the list of those that were told. */
    record Line(String address, String sentence, String what, String on) {}

    /** Lives as they were told, whatever was read or reckoned otherwise since. */
    @GetMapping("/studies/{id}/lives")
    String kept(@PathVariable long id, Model model) {
        Study study = studies.load(id);
        model.addAttribute("study", study);
        model.addAttribute("closed", study.judgedByCode());
        model.addAttribute(
                "lines",
                study.judgedByCode()
                        ? List.of()
                        : outcomes.of(id).stream()
                                .map(k -> new Line(
                                        "/studies/%d/lives/%d.json".formatted(id, k.id()),
                                        k.sentence(),
                                        "By %s, counted in %s, until day %d. Method %d."
                                                .formatted(
                                                        Measures.ofCode(k.measure())
                                                                .map(m -> m.words()
                                                                        .at())
                                                                .orElse(k.measure()),
                                                        k.axis(),
                                                        k.day(),
                                                        k.method()),
                                        Figures.moment(k.on(), clock.getZone())))
                                .toList());
        return "lives/kept";
    }

    /** The document of a life as it was told. */
    @GetMapping("/studies/{id}/lives/{outcome}.json")
    ResponseEntity<String> kept(@PathVariable long id, @PathVariable long outcome) {
        if (studies.load(id).judgedByCode()) {
            throw none();
        }
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .body(outcomes.document(id, outcome).orElseThrow(LifeController::none));
    }

    private static Missing none() {
        return new Missing("There is no such life of this study. The list of its lives has them all.");
    }

    @GetMapping("/studies/{id}/life.json")
    ResponseEntity<LifeDocument> json(
            @PathVariable long id,
            @RequestParam Optional<String> measure,
            @RequestParam Optional<String> by,
            @RequestParam Optional<Integer> day) {
        Asked asked = asked(id, measure, by, day);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .body(LifeDocument.of(asked.study, living.of(asked.study, asked.measure, asked.axis, asked.until())));
    }

    private Asked asked(long id, Optional<String> measure, Optional<String> by, Optional<Integer> day) {
        Study study = studies.load(id);
        Measure chosen = measure.map(m -> Measures.ofCode(m)
                        .filter(Curves::keeps)
                        .orElseThrow(() -> new Missing("Nothing can be kept of “%s”. Choose %s.".formatted(m, kept()))))
                .orElseGet(() -> main(study));
        Axis axis = by.map(a -> Axis.ofCode(a)
                        .orElseThrow(() -> new Missing(
                                "Wear is counted in weeks, washes, km or doses, not in “%s”.".formatted(a))))
                .orElse(Axis.WEEKS);
        Selection selection = Selection.of(
                study,
                new Selection.Asked(day, Optional.empty(), Optional.empty(), Optional.empty()),
                study.dayOf(clock));
        return new Asked(study, chosen, axis, selection);
    }

    /** The first measure of the plan of which something can be kept. */
    private static Measure main(Study study) {
        return study.record()
                .plan()
                .main()
                .filter(Curves::keeps)
                .orElseGet(() -> study.record().plan().measures().stream()
                        .map(p -> p.measure())
                        .filter(Curves::keeps)
                        .findFirst()
                        .orElse(Measures.PULL));
    }

    private static String kept() {
        return Measures.read().stream().filter(Curves::keeps).map(Measure::code).collect(Collectors.joining(", "));
    }

    /** Axes of which something was logged. */
    static boolean logged(Study study, Axis axis) {
        return new Exposure(study.record()).logged(axis, 0);
    }
}
