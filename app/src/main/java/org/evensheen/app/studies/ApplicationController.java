package org.evensheen.app.studies;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Refused;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.units.TypedNumber;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What was done: how each product of a study was put on, set against its label. */
@Controller
class ApplicationController {
    private static final int NOBODY = -1;

    private final StudyStore studies;
    private final ApplicationStore applications;
    private final Key names;
    private final StudyScreen screen;

    ApplicationController(StudyStore studies, ApplicationStore applications, Key names, StudyScreen screen) {
        this.studies = studies;
        this.applications = applications;
        this.names = names;
        this.screen = screen;
    }

    @GetMapping("/studies/{id}/done")
    String done(@PathVariable long id, @ModelAttribute("hands") Hands hands, Model model) {
        Study study = studies.load(id);
        return named(study, hands)
                .map(known -> show(known, NOBODY, Filled.NOTHING, model))
                .orElseGet(() -> {
                    model.addAttribute(
                            "sealed",
                            SealedPage.of(
                                    study,
                                    Math.max(0, screen.today(study)),
                                    Seen.Why.NOTING,
                                    SealedPage.products(study),
                                    "What was done",
                                    "/studies/" + id + "/done"));
                    return "studies/sealed";
                });
    }

    /** The study as these hands may note its applications. */
    private Optional<Study> named(Study study, Hands hands) {
        return names.named(study, Math.max(0, screen.today(study)), Seen.Why.NOTING, hands);
    }

    private String show(Study study, int refused, Filled filled, Model model) {
        model.addAttribute("page", DonePage.of(study, screen.today(study), refused, filled));
        return "studies/done";
    }

    @PostMapping("/studies/{id}/done")
    String note(
            @PathVariable long id,
            @RequestParam int contender,
            @RequestParam Map<String, String> typed,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Study study = named(studies.load(id), Hands.of(request))
                .orElseThrow(
                        () -> new Refused(
                                "The key of this study is closed. Open “What was done” and ask for the names first; that you saw them is kept."));
        if (contender < 0
                || contender >= study.record().contenders().size()
                || study.record().contenders().get(contender).isControl()) {
            throw new Missing("There is no product %d in this study.".formatted(contender));
        }
        Map<String, String> problems = new LinkedHashMap<>();
        int day = day(typed.getOrDefault("day", ""), Math.max(0, screen.today(study)), problems);
        Optional<Dose> dose = dose(typed.getOrDefault("dose", ""), problems);
        Optional<Double> wait = seconds(typed.getOrDefault("wait", ""), problems);
        Optional<Integer> coats = coats(typed.getOrDefault("coats", ""), problems);
        if (problems.isEmpty() && dose.isEmpty() && wait.isEmpty() && coats.isEmpty()) {
            problems.put("dose", "Note the dose, the wait or the coats; one of them at least.");
        }
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return show(study, contender, new Filled("done", typed, problems), model);
        }
        applications.keep(new ApplicationStore.Draft(
                id,
                contender,
                day,
                typed.getOrDefault("job", ""),
                dose,
                wait,
                coats,
                key,
                Hands.of(request).name()));
        return "redirect:/studies/" + id + "/done";
    }

    @PostMapping("/studies/{id}/done/{application}/undo")
    String undo(@PathVariable long id, @PathVariable long application, HttpServletRequest request) {
        applications.undo(id, application, Hands.of(request).name());
        return "redirect:/studies/" + id + "/done";
    }

    private static int day(String typed, int today, Map<String, String> problems) {
        TypedNumber read = TypedNumber.read(typed, "day", "days", 0, today);
        if (read instanceof TypedNumber.Read number && number.value() == Math.rint(number.value())) {
            return (int) number.value();
        }
        problems.put("day", "Write a day from 0 to today, day %d.".formatted(today));
        return 0;
    }

    private static Optional<Dose> dose(String typed, Map<String, String> problems) {
        if (typed.isBlank()) {
            return Optional.empty();
        }
        LabelLine.TypedDose read = LabelLine.readDose(typed);
        read.problem().ifPresent(p -> problems.put("dose", p.message()));
        return read.dose();
    }

    private static Optional<Double> seconds(String typed, Map<String, String> problems) {
        if (typed.isBlank()) {
            return Optional.empty();
        }
        LabelLine.Outcome read = LabelLine.read("wait " + typed.strip());
        Optional<Claim.Wait> wait = read.label().one(Claim.Wait.class);
        if (wait.isEmpty() || !wait.get().amount().single() || !read.problems().isEmpty()) {
            problems.put("wait", "Write how long it was, like 2 min or 40 s.");
            return Optional.empty();
        }
        return Optional.of(wait.get().seconds().low());
    }

    private static Optional<Integer> coats(String typed, Map<String, String> problems) {
        if (typed.isBlank()) {
            return Optional.empty();
        }
        TypedNumber read = TypedNumber.read(typed, "number of coats", "coats", 1, 20);
        if (read instanceof TypedNumber.Read number && number.value() == Math.rint(number.value())) {
            return Optional.of((int) number.value());
        }
        problems.put("coats", "Write a whole number of coats, from 1 to 20.");
        return Optional.empty();
    }
}
