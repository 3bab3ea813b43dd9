package org.evensheen.app.answers;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Publishes reports of studies, afternoons, products and tables of the league, all in one way. */
@Controller
@RequestMapping({"/studies/{id}", "/compare/{id}", "/shelf/{id}", "/verdicts"})
class PublishController {
    private final Map<String, Subjects> subjects;
    private final Publishing publishing;

    PublishController(List<Subjects> subjects, Publishing publishing) {
        this.subjects = subjects.stream().collect(Collectors.toMap(Subjects::under, s -> s));
        this.publishing = publishing;
    }

    private Publishing.Subject subject(HttpServletRequest request, Optional<Long> id, Map<String, String> sent) {
        return subjects.get(request.getServletPath().split("/")[1]).subject(id, sent);
    }

    @GetMapping("/publish")
    String publish(
            @PathVariable Optional<Long> id,
            @RequestParam Map<String, String> sent,
            HttpServletRequest request,
            Model model) {
        try {
            return publishing.show(subject(request, id, sent), Filled.NOTHING, model);
        } catch (Closed closed) {
            model.addAttribute("study", closed.study());
            return "answers/closed";
        }
    }

    @PostMapping("/publish")
    String publish(
            @PathVariable Optional<Long> id,
            @RequestParam Map<String, String> sent,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        return publishing.publish(subject(request, id, sent), sent, key, hands, response, model);
    }

    @GetMapping("/report.{form:html|md|json}")
    ResponseEntity<?> report(
            @PathVariable Optional<Long> id,
            @PathVariable String form,
            @RequestParam Map<String, String> sent,
            HttpServletRequest request) {
        return publishing.as(form, subject(request, id, sent), sent.getOrDefault("for", ""));
    }

    @GetMapping("/card.png")
    ResponseEntity<byte[]> card(
            @PathVariable Optional<Long> id, @RequestParam Map<String, String> sent, HttpServletRequest request) {
        return publishing.card(subject(request, id, sent), sent.getOrDefault("for", ""));
    }

    @GetMapping("/editions/{outcome}.{form:html|md|json}")
    ResponseEntity<String> edition(
            @PathVariable Optional<Long> id,
            @PathVariable long outcome,
            @PathVariable String form,
            @RequestParam Map<String, String> sent,
            HttpServletRequest request) {
        return publishing.edition(form, subject(request, id, sent), outcome);
    }
}
