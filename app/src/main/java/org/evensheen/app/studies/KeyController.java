package org.evensheen.app.studies;

import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The key of a study: who saw names when, what ends when it is opened, and opening it. */
@Controller
class KeyController {
    private final StudyStore studies;
    private final Judging judging;
    private final Key names;
    private final Clock clock;

    KeyController(StudyStore studies, Judging judging, Key names, Clock clock) {
        this.studies = studies;
        this.judging = judging;
        this.names = names;
        this.clock = clock;
    }

    @GetMapping("/studies/{id}/key")
    String key(@PathVariable long id, Model model) {
        Study study = studies.load(id);
        model.addAttribute("page", KeyPage.of(study, judging.byEye(study), clock));
        return "studies/key";
    }

    /** Opens it for everybody and for good; only from the page that says what that ends. */
    @PostMapping("/studies/{id}/key")
    String open(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String knowingly,
            @ModelAttribute("hands") Hands hands) {
        studies.load(id);
        if (!knowingly.equals("yes")) {
            throw new Refused("Open the key on its own page, which says what ends with it. It is still closed.");
        }
        names.open(id, hands);
        return "redirect:/studies/" + id + "/key";
    }

    /** Keeps that these hands see names from now on today, for some work, and goes back to it. */
    @PostMapping("/studies/{id}/names")
    String see(
            @PathVariable long id,
            @RequestParam int day,
            @RequestParam String why,
            @RequestParam UUID key,
            @RequestParam(defaultValue = "") String back,
            @ModelAttribute("hands") Hands hands) {
        Study study = studies.load(id);
        if (day < 0 || day > Math.max(0, study.dayOf(clock))) {
            throw new Refused("Names are seen for a day from 0 to today, day %d.".formatted(study.dayOf(clock)));
        }
        Seen.Why known = Optional.of(why)
                .flatMap(Seen.Why::ofCode)
                .filter(w -> w != Seen.Why.PLANNING && w != Seen.Why.APPLYING)
                .orElseThrow(
                        () -> new Refused(
                                "Names are asked for here to note how products were put on, to print, or for a file; to put them on, on the run sheet."));
        if (study.judgedByCode()) {
            names.see(id, day, known, SealedPage.products(study), key, hands);
        }
        return "redirect:"
                + (back.matches("/studies/" + id + "/[a-z/]{1,40}(\\?day=\\d{1,4})?") ? back : "/studies/" + id);
    }
}
