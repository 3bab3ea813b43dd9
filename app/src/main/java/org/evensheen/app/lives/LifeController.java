package org.evensheen.app.lives;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Missing;
import org.evensheen.app.studies.Selection;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyScreen;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
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
    private final Clock clock;

    LifeController(StudyStore studies, Living living, StudyScreen screen, Clock clock) {
        this.studies = studies;
        this.living = living;
        this.screen = screen;
        this.clock = clock;
    }

    /** What is looked at: a measure, an axis, up to a day. */
    private record Asked(Study study, Measure measure, Axis axis, Selection selection) {
        int until() {
            return selection.at().day();
        }
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
        Wear wear = living.of(asked.study, asked.measure, asked.axis, asked.until());
        LifePage page = LifePage.of(asked.study, LocalDate.now(clock), wear);
        model.addAttribute("page", page);
        model.addAttribute("tape", screen.tape(asked.study, asked.selection, page.here()));
        model.addAttribute("panel", screen.panel(asked.study, asked.selection));
        return part.isPresent() ? "lives/life :: work" : "lives/life";
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
