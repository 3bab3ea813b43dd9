package org.evensheen.app.answers;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.photos.PhotoStore;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Publishes the report of a study whose key is open. */
@Controller
class PublishController {
    private final StudyStore studies;
    private final Reporting reporting;
    private final Publishing publishing;
    private final PhotoStore photos;
    private final Clock clock;

    PublishController(StudyStore studies, Reporting reporting, Publishing publishing, PhotoStore photos, Clock clock) {
        this.studies = studies;
        this.reporting = reporting;
        this.publishing = publishing;
        this.photos = photos;
        this.clock = clock;
    }

    private Publishing.Subject subject(long id) {
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            throw new Missing("This study is judged by code: a report would give names away. Open its key first.");
        }
        return new Publishing.Subject(
                EditionStore.Of.study(id),
                "/studies/" + id,
                "/studies/" + id + "/answer",
                study.question(),
                true,
                photos.of(id).stream().map(this::photo).toList(),
                reader -> reporting.of(study, LocalDate.now(clock), reader));
    }

    private Publishing.Photo photo(PhotoStore.Listed p) {
        return new Publishing.Photo(
                p.id(),
                "/photos/%d/small.jpg".formatted(p.id()),
                "%s, day %d, %s"
                        .formatted(
                                p.section().orElse("the whole bed"),
                                p.day(),
                                p.look().stage().label()),
                p.note(),
                () -> photos.picture(p.id(), true));
    }

    @GetMapping("/studies/{id}/publish")
    String publish(@PathVariable long id, Model model) {
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            model.addAttribute("study", study);
            return "answers/closed";
        }
        return publishing.show(subject(id), Filled.NOTHING, model);
    }

    @PostMapping("/studies/{id}/publish")
    String publish(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands,
            HttpServletResponse response,
            Model model) {
        return publishing.publish(subject(id), sent, key, hands, response, model);
    }

    @GetMapping("/studies/{id}/report.html")
    ResponseEntity<String> preview(
            @PathVariable long id, @RequestParam(name = "for", defaultValue = "") String reader) {
        return publishing.preview(subject(id), reader);
    }

    @GetMapping("/studies/{id}/report.json")
    ResponseEntity<Report> report(@PathVariable long id, @RequestParam(name = "for", defaultValue = "") String reader) {
        return publishing.json(subject(id), reader);
    }

    @GetMapping("/studies/{id}/card.png")
    ResponseEntity<byte[]> card(@PathVariable long id, @RequestParam(name = "for", defaultValue = "") String reader) {
        return publishing.card(subject(id), reader);
    }

    @GetMapping("/studies/{id}/editions/{outcome}.html")
    ResponseEntity<String> html(@PathVariable long id, @PathVariable long outcome) {
        return publishing.page(subject(id), outcome);
    }

    @GetMapping("/studies/{id}/editions/{outcome}.md")
    ResponseEntity<String> markdown(@PathVariable long id, @PathVariable long outcome) {
        return publishing.markdown(subject(id), outcome);
    }

    @GetMapping("/studies/{id}/editions/{outcome}.json")
    ResponseEntity<String> json(@PathVariable long id, @PathVariable long outcome) {
        return publishing.document(subject(id), outcome);
    }
}
