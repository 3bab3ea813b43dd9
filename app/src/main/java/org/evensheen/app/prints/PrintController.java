package org.evensheen.app.prints;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.SealedPage;
import org.evensheen.app.studies.Seen;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;

/** Everything on paper for the day. */
@Controller
class PrintController {
    private final StudyStore studies;
    private final Key names;
    private final Clock clock;

    PrintController(StudyStore studies, Key names, Clock clock) {
        this.studies = studies;
        this.names = names;
        this.clock = clock;
    }

    @GetMapping("/studies/{id}/print")
    String print(@PathVariable long id, HttpServletRequest request, Model model) {
        Study study = studies.load(id);
        String address = "%s://%s:%d".formatted(request.getScheme(), request.getServerName(), request.getServerPort());
        model.addAttribute("page", PrintPage.of(study, names.forReckoning(study).entrants(), address));
        return "prints/print";
    }

    /** For whoever puts the products on: what each code stands for, and how much of it to bring; never on one page with the tags. */
    @GetMapping("/studies/{id}/print/key")
    String key(@PathVariable long id, @ModelAttribute("hands") Hands hands, Model model) {
        Study study = studies.load(id);
        int today = Math.max(0, study.dayOf(clock));
        return names.named(study, today, Seen.Why.PAPER, hands)
                .map(named -> {
                    model.addAttribute("page", KeySheet.of(named));
                    return "prints/key";
                })
                .orElseGet(() -> {
                    model.addAttribute(
                            "sealed",
                            SealedPage.of(
                                    study,
                                    today,
                                    Seen.Why.PAPER,
                                    SealedPage.products(study),
                                    "The key on paper",
                                    "/studies/" + id + "/print/key"));
                    return "studies/sealed";
                });
    }
}
