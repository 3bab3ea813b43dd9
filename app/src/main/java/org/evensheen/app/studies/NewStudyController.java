package org.evensheen.app.studies;

import jakarta.servlet.http.HttpServletResponse;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.LocalDate;
import org.evensheen.app.labels.Cautions;
import org.evensheen.app.labels.ProductStore;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

/** Makes a study from nothing. */
@Controller
class NewStudyController {
    private static final int SEEDS = 1_000_000;

    private static final int MOST_NAMES = 300;

    private final StudyMaker maker;
    private final ProductStore products;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    NewStudyController(StudyMaker maker, ProductStore products, Clock clock) {
        this.maker = maker;
        this.products = products;
        this.clock = clock;
    }

    @GetMapping("/studies/new")
    String form(Model model) {
        NewStudy.Sent blank = NewStudy.Sent.blank(today(), random.nextInt(SEEDS));
        model.addAttribute("page", NewStudyPage.of(blank, NewStudy.read(blank, today()), false));
        model.addAttribute("names", products.names(MOST_NAMES));
        return "studies/new";
    }

    /** The layout as it would be drawn, while the form is filled in. */
    @PostMapping("/studies/new/layout")
    String layout(NewStudy.Sent sent, Model model) {
        model.addAttribute("page", NewStudyPage.of(sent, NewStudy.read(sent, today()), false));
        model.addAttribute("meetings", Cautions.meetings(products.allNamed(sent.name())));
        return "studies/new :: layout";
    }

    @PostMapping("/studies")
    String make(NewStudy.Sent sent, HttpServletResponse response, Model model) {
        NewStudy.Outcome outcome = NewStudy.read(sent, today());
        if (outcome.draft().isPresent()) {
            return "redirect:/studies/" + maker.make(outcome.draft().get());
        }
        response.setStatus(422);
        model.addAttribute("page", NewStudyPage.of(sent, outcome, true));
        model.addAttribute("names", products.names(MOST_NAMES));
        model.addAttribute("meetings", Cautions.meetings(products.allNamed(sent.name())));
        return "studies/new";
    }

    private LocalDate today() {
        return LocalDate.now(clock);
    }
}
