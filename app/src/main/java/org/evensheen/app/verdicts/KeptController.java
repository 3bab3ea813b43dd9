package org.evensheen.app.verdicts;

import java.time.Clock;
import java.util.List;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Missing;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Verdicts of a study as they were, whatever was read, put right or reckoned otherwise since. */
@Controller
class KeptController {
    private final StudyStore studies;
    private final OutcomeStore outcomes;
    private final Clock clock;

    KeptController(StudyStore studies, OutcomeStore outcomes, Clock clock) {
        this.studies = studies;
        this.outcomes = outcomes;
        this.clock = clock;
    }

    /** A line of the list. */
    record Line(String address, String sentence, String what, String on) {}

    /** A product as it stood. */
    record Row(int place, String name, String mean, String chance) {}

    @GetMapping("/studies/{id}/verdicts")
    String list(@PathVariable long id, Model model) {
        Study study = studies.load(id);
        model.addAttribute("study", study);
        model.addAttribute("closed", study.judgedByCode());
        model.addAttribute(
                "lines",
                study.judgedByCode()
                        ? List.of()
                        : outcomes.of(id).stream().map(k -> line(id, k)).toList());
        return "verdicts/kept-list";
    }

    @GetMapping("/studies/{id}/verdicts/{outcome}")
    String one(@PathVariable long id, @PathVariable long outcome, Model model) {
        Study study = open(id);
        OutcomeStore.Kept kept = outcomes.one(id, outcome).orElseThrow(KeptController::none);
        VerdictDocument document = outcomes.document(id, outcome).orElseThrow(KeptController::none);
        model.addAttribute("study", study);
        model.addAttribute("line", line(id, kept));
        model.addAttribute("document", document);
        model.addAttribute(
                "rows", document.products().stream().map(p -> row(document, p)).toList());
        return "verdicts/kept";
    }

    @GetMapping("/studies/{id}/verdicts/{outcome}.json")
    ResponseEntity<VerdictDocument> json(@PathVariable long id, @PathVariable long outcome) {
        open(id);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .body(outcomes.document(id, outcome).orElseThrow(KeptController::none));
    }

    /** A study whose names may be seen: what was kept holds them. */
    private Study open(long id) {
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            throw none();
        }
        return study;
    }

    private static Missing none() {
        return new Missing("There is no such verdict of this study. The list of its verdicts has them all.");
    }

    private Line line(long study, OutcomeStore.Kept kept) {
        return new Line(
                "/studies/%d/verdicts/%d".formatted(study, kept.id()),
                kept.sentence(),
                "%s, %s. Footing: %s. Method %d."
                        .formatted(kept.measureLabel(), kept.when(), kept.footing(), kept.method()),
                Figures.moment(kept.on(), clock.getZone()));
    }

    private static Row row(VerdictDocument document, VerdictDocument.ProductEntry product) {
        Measure measure = Measures.ofCode(document.measure()).orElseThrow(KeptController::none);
        return new Row(
                product.place(),
                product.name(),
                document.sections().stream()
                        .filter(s -> s.contender().equals(product.name()))
                        .map(s -> "%s on %s".formatted(Figures.score(measure, s.mean()), s.section()))
                        .collect(Collectors.joining(", ")),
                product.chanceOfPlace().isEmpty()
                        ? ""
                        : Figures.number(100 * product.chanceOfPlace().get(0), 0) + " % first");
    }
}
