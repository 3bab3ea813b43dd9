package org.evensheen.app.answers;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.sidebyside.Telling;
import org.evensheen.app.sidebyside.Tellings;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Publishes the report of an afternoon. */
@Controller
class PublishAfternoonController {
    private final Tellings tellings;
    private final AfternoonReporting reporting;
    private final Publishing publishing;

    PublishAfternoonController(Tellings tellings, AfternoonReporting reporting, Publishing publishing) {
        this.tellings = tellings;
        this.reporting = reporting;
        this.publishing = publishing;
    }

    private Publishing.Subject subject(long id) {
        Telling told = tellings.of(id);
        return new Publishing.Subject(
                EditionStore.Of.comparison(id),
                "/compare/" + id,
                "/compare/" + id + "/sheet",
                told.question(),
                false,
                told.photos().stream().map(this::photo).toList(),
                reader -> reporting.of(told));
    }

    private Publishing.Photo photo(Telling.Photo p) {
        return new Publishing.Photo(
                p.id(), "/compare/photos/%d/small.jpg".formatted(p.id()), p.what(), "", () -> tellings.picture(p.id()));
    }

    @GetMapping("/compare/{id}/publish")
    String publish(@PathVariable long id, Model model) {
        return publishing.show(subject(id), Filled.NOTHING, model);
    }

    @PostMapping("/compare/{id}/publish")
    String publish(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands,
            HttpServletResponse response,
            Model model) {
        return publishing.publish(subject(id), sent, key, hands, response, model);
    }

    @GetMapping("/compare/{id}/report.html")
    ResponseEntity<String> preview(@PathVariable long id) {
        return publishing.preview(subject(id), "");
    }

    @GetMapping("/compare/{id}/report.json")
    ResponseEntity<Report> report(@PathVariable long id) {
        return publishing.json(subject(id), "");
    }

    @GetMapping("/compare/{id}/card.png")
    ResponseEntity<byte[]> card(@PathVariable long id) {
        return publishing.card(subject(id), "");
    }

    @GetMapping("/compare/{id}/editions/{outcome}.html")
    ResponseEntity<String> html(@PathVariable long id, @PathVariable long outcome) {
        return publishing.page(subject(id), outcome);
    }

    @GetMapping("/compare/{id}/editions/{outcome}.md")
    ResponseEntity<String> markdown(@PathVariable long id, @PathVariable long outcome) {
        return publishing.markdown(subject(id), outcome);
    }

    @GetMapping("/compare/{id}/editions/{outcome}.json")
    ResponseEntity<String> json(@PathVariable long id, @PathVariable long outcome) {
        return publishing.document(subject(id), outcome);
    }
}
