package org.evensheen.app.lives;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
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
    private final Cache<Look, Told> drawn =
            Caffeine.newBuilder().maximumSize(100).build();

    LifeController(StudyStore studies, Living living, StudyScreen screen, Clock clock) {
        this.studies = studies;
        this.living = living;
        this.screen = screen;
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
        LifePage page =
                LifePage.of(asked.study, today, living.of(asked.study, asked.measure, asked.axis, asked.until()));
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
