package org.evensheen.app.plans;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.core.study.Contender;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Rehearses a plan: supposes a truth, and shows what the study would make of it. */
@Controller
class RehearsalController {
    private static final String CLOSED =
            "This plan has become a study whose key is closed. The study has its own pages.";

    private final PlanStore plans;
    private final Planner planner;
    private final EarlierStore earlier;
    private final RehearsalStore store;
    private final Rehearsals rehearsals;
    private final SettlingPage settling;

    RehearsalController(
            PlanStore plans,
            Planner planner,
            EarlierStore earlier,
            RehearsalStore store,
            Rehearsals rehearsals,
            SettlingPage settling) {
        this.plans = plans;
        this.planner = planner;
        this.earlier = earlier;
        this.store = store;
        this.rehearsals = rehearsals;
        this.settling = settling;
    }

    @GetMapping("/plans/{id}/rehearsal")
    String show(@PathVariable long id, Model model) {
        model.addAttribute("page", supposing(plans.load(id)).page());
        return "plans/rehearsal :: rehearsal";
    }

    /** How many visits it takes until promises of labels are settled. */
    @GetMapping("/plans/{id}/settling")
    String settling(@PathVariable long id, Model model) {
        PlanStore.Version version = plans.load(id);
        if (planner.closed(version)) {
            throw new Refused(CLOSED);
        }
        model.addAttribute("lines", settling.of(planner.work(version.typed()).design()));
        return "plans/rehearsal :: settling";
    }

    /** How far a running rehearsal is. */
    @GetMapping("/plans/{id}/rehearsal/progress")
    String progress(@PathVariable long id, Model model) {
        RehearsalPage page = supposing(plans.load(id)).page();
        model.addAttribute("page", page);
        return page.percent() >= 0 ? "plans/rehearsal :: progress" : "plans/rehearsal :: found";
    }

    @PostMapping("/plans/{id}/rehearsal")
    String begin(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestParam(defaultValue = "0") int base,
            @ModelAttribute("hands") Hands hands,
            Model model) {
        Map<String, String> fields = new LinkedHashMap<>(sent);
        fields.keySet().removeAll(List.of("base", "key"));
        PlanStore.Version now =
                plans.change(id, base, fields, "rehearse", hands.name()).now();
        RehearsalPage.Supposing supposing = supposing(now);
        supposing
                .of()
                .ifPresent(of -> rehearsals.begin(
                        id, now.number(), planner.work(now.typed()).design(), of));
        model.addAttribute("page", supposing(now).page());
        return "plans/rehearsal :: rehearsal";
    }

    @PostMapping("/plans/{id}/rehearsal/cancel")
    String cancel(@PathVariable long id, Model model) {
        store.end(id, "cancelled");
        model.addAttribute("page", supposing(plans.load(id)).page());
        return "plans/rehearsal :: rehearsal";
    }

    private RehearsalPage.Supposing supposing(PlanStore.Version version) {
        if (planner.closed(version)) {
            throw new Refused(CLOSED);
        }
        Design design = planner.work(version.typed()).design();
        List<String> names = design.entrants().stream()
                .map(e -> e.contender())
                .filter(c -> !c.isControl())
                .map(Contender::name)
                .toList();
        return RehearsalPage.of(version, design, earlier.about(names), store.load(version.plan()));
    }
}
