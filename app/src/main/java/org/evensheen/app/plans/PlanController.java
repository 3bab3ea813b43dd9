package org.evensheen.app.plans;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.app.sidebyside.Growing;
import org.evensheen.app.sidebyside.Laid;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.NewStudyStore;
import org.evensheen.app.studies.SealedPage;
import org.evensheen.app.studies.Seen;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.PlanReview.Remedy;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.ChemicalProof;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.planning.Protocol.Chemicals;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The Planner: from a question to a study that has begun. */
@Controller
class PlanController {
    private static final int SEEDS = 1_000_000;
    private static final int BROUGHT = 120;
    private static final int MOST_LISTED = 30;
    private static final int MOST_NAMES = 300;
    /** How often lots are drawn until they are as fair as the plan's. */
    private static final int DRAWS = 40;

    private static final long SECRET_SEEDS = 1_000_000_000_000_000L;

    private final PlanStore plans;
    private final Planner planner;
    private final ProductStore products;
    private final NewStudyStore maker;
    private final StudyStore studies;
    private final Key names;
    private final PlanDrawings drawings;
    private final Growing growing;
    private final Carried carried;
    private final SecureRandom random = new SecureRandom();

    PlanController(
            PlanStore plans,
            Planner planner,
            ProductStore products,
            NewStudyStore maker,
            StudyStore studies,
            Key names,
            PlanDrawings drawings,
            Growing growing,
            Carried carried) {
        this.plans = plans;
        this.planner = planner;
        this.products = products;
        this.maker = maker;
        this.studies = studies;
        this.names = names;
        this.drawings = drawings;
        this.growing = growing;
        this.carried = carried;
    }

    @GetMapping("/studies/new")
    String question(@RequestParam(defaultValue = "") String bed, Model model) {
        model.addAttribute("plans", plans.onPaper(MOST_LISTED));
        model.addAttribute("bed", bed);
        model.addAttribute("key", UUID.randomUUID());
        return "plans/question";
    }

    @PostMapping("/plans")
    String make(
            @RequestParam(defaultValue = "") String question,
            @RequestParam(defaultValue = "") String bed,
            @RequestParam UUID key,
            @RequestParam Map<String, String> sent,
            @ModelAttribute("hands") Hands hands) {
        Map<String, String> typed = Fields.blank(question.strip(), bed, planner.today(), random.nextInt(SEEDS));
        // Whoever comes from an afternoon brings contenders along.
        sent.forEach((field, text) -> {
            if (field.matches("(name|what|way|dose|source)[0-7]|unit|grown") && text.length() <= BROUGHT) {
                typed.put(field, text.strip());
            }
        });
        growing.laid(typed.getOrDefault("grown", "")).ifPresent(laid -> Carried.into(typed, laid));
        return "redirect:/plans/" + plans.make(typed, key, hands.name());
    }

    @GetMapping("/plans/{id}")
    String plan(@PathVariable long id, @RequestParam(defaultValue = "ask") String step, Model model) {
        PlanStore.Version version = plans.load(id);
        if (planner.closed(version)) {
            return "redirect:/studies/" + version.study().orElseThrow();
        }
        show(version, step, "", model);
        return "plans/plan";
    }

    /** Names for the fields to offer. */
    @GetMapping("/plans/names")
    String names(Model model) {
        model.addAttribute("names", products.names(MOST_NAMES));
        return "plans/plan :: names";
    }

    @PostMapping("/plans/{id}")
    String change(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestParam(defaultValue = "0") int base,
            @RequestParam(defaultValue = "ask") String step,
            @RequestHeader(name = "HX-Request", required = false) String htmx,
            @ModelAttribute("hands") Hands hands,
            Model model) {
        Map<String, String> fields = new LinkedHashMap<>(sent);
        fields.keySet().removeAll(List.of("base", "step", "key"));
        PlanStore.Changed changed = plans.change(id, base, fields, step, hands.name());
        if (htmx == null) {
            return "redirect:/plans/" + id + "?step=" + step;
        }
        show(changed.now(), step, overruled(changed), model);
        model.addAttribute("oob", true);
        return "plans/plan :: live";
    }

    private static String overruled(PlanStore.Changed changed) {
        return changed.overruled().isEmpty()
                ? ""
                : "Somebody else had changed %s meanwhile. What you typed stands now; Undo brings theirs back."
                        .formatted(String.join(", ", changed.overruled()));
    }

    @PostMapping("/plans/{id}/undo")
    String undo(
            @PathVariable long id,
            @RequestParam(defaultValue = "ask") String step,
            @RequestHeader(name = "HX-Request", required = false) String htmx,
            @ModelAttribute("hands") Hands hands,
            Model model) {
        PlanStore.Version now = plans.undo(id, hands.name());
        if (htmx == null) {
            return "redirect:/plans/" + id + "?step=" + step;
        }
        show(now, step, "The last change is taken back.", model);
        return "plans/plan :: plan";
    }

    @PostMapping("/plans/{id}/remedies/{remedy}")
    String remedy(
            @PathVariable long id,
            @PathVariable Remedy remedy,
            @RequestParam(defaultValue = "fairness") String step,
            @ModelAttribute("hands") Hands hands,
            Model model) {
        PlanStore.Version now = plans.load(id);
        Design design = planner.work(now.typed()).design();
        Map<String, String> changes = Remedies.changes(remedy, now.typed(), design, random.nextInt(SEEDS));
        PlanStore.Changed changed = plans.change(id, now.number(), changes, remedy.label(), hands.name());
        show(changed.now(), step, remedy.label() + ": done.", model);
        return "plans/plan :: plan";
    }

    @PostMapping("/plans/{id}/moves")
    String move(
            @PathVariable long id,
            @RequestParam String code,
            @RequestParam String with,
            @ModelAttribute("hands") Hands hands,
            Model model) {
        PlanStore.Version now = plans.load(id);
        String moves = (now.typed().getOrDefault("moves", "") + " " + new Layout.Move(code, with).print()).strip();
        PlanStore.Changed changed =
                plans.change(id, now.number(), Map.of("moves", moves), "moved by hand", hands.name());
        show(
                changed.now(),
                "lay-out",
                "%s was moved by hand. That is recorded, and it costs: by hand is thin at most.".formatted(code),
                model);
        return "plans/plan :: plan";
    }

    @PostMapping("/plans/{id}/dates")
    String date(
            @PathVariable long id,
            @RequestParam String work,
            @RequestParam(defaultValue = "") String day,
            @RequestParam(defaultValue = "") String on,
            @ModelAttribute("hands") Hands hands,
            Model model) {
        PlanStore.Version now = plans.load(id);
        Design design = planner.work(now.typed()).design();
        String dates = Dates.moved(now.typed().getOrDefault("dates", ""), work, Dates.day(design, day, on));
        PlanStore.Changed changed =
                plans.change(id, now.number(), Map.of("dates", dates), "a date moved", hands.name());
        List<String> breaks =
                planner.work(changed.now().typed()).design().calendar().breaks();
        show(
                changed.now(),
                "dates",
                breaks.isEmpty() ? "Moved. Nothing is broken by it." : "Moved. It breaks: " + String.join(" ", breaks),
                model);
        return "plans/plan :: plan";
    }

    @PostMapping("/plans/{id}/begin")
    String begin(@PathVariable long id, @ModelAttribute("hands") Hands hands) {
        PlanStore.Version version = plans.load(id);
        if (version.study().isPresent()) {
            return "redirect:/studies/" + version.study().get();
        }
        Design planned = planner.work(version.typed()).design();
        Design design = planned.protocol().blind() ? unseen(version, planned) : planned;
        if (!design.wanting().isEmpty()) {
            throw new Refused("Not yet: " + String.join(" ", design.wanting()));
        }
        StudyDraft draft = new StudyDraft(
                design.question(),
                design.bed().orElseThrow(),
                design.firstDay(),
                design.seed(),
                contenders(design),
                design.layout().map(Layout::sections).orElseThrow(),
                design.calendar().plan(design.protocol()),
                works(design),
                UUID.nameUUIDFromBytes(("plan " + id).getBytes(StandardCharsets.UTF_8)));
        Optional<Laid> laid =
                design.laid() ? growing.laid(version.typed().getOrDefault("grown", "")) : Optional.empty();
        long study = maker.make(
                draft,
                made -> laid.ifPresent(l -> carried.over(made, draft, design.entrants(), version.typed(), l, hands)));
        plans.became(id, study);
        if (!design.protocol().blind()) {
            names.open(study, hands);
        } else if (laid.isPresent()
                || design.layout()
                        .filter(l -> l.sections().stream().anyMatch(Section::byHand))
                        .isPresent()) {
            names.see(
                    study,
                    0,
                    Seen.Why.PLANNING,
                    SealedPage.products(studies.load(study)),
                    UUID.nameUUIDFromBytes(("plan " + id + " seen").getBytes(StandardCharsets.UTF_8)),
                    hands);
        }
        return "redirect:/studies/" + study;
    }

    /** Its dated work; a dose says which chemical goes on which sections, now that these have their codes. */
    private static List<Work> works(Design design) {
        if (!(design.protocol().wear() instanceof Chemicals chemicals)) {
            return design.calendar().works();
        }
        List<Section> sections = design.layout().map(Layout::sections).orElseThrow();
        return design.calendar().works().stream()
                .map(w -> w.kind() == Calendar.Kind.DOSE
                        ? w.titled("Dose: "
                                + ChemicalProof.given(
                                                chemicals,
                                                sections,
                                                Integer.parseInt(w.key().replaceAll("\\D", "")) - 1)
                                        .print())
                        : w)
                .toList();
    }

    /**
     * The same plan with lots that nobody has seen, drawn once more as it begins, and limited by nothing that the plan is not. What was
     * placed by hand stays where it is: whoever placed it knows it anyway.
     */
    private Design unseen(PlanStore.Version version, Design planned) {
        if (!version.typed().getOrDefault("moves", "").isBlank()
                || !planned.wanting().isEmpty()) {
            return planned;
        }
        if (planned.laid()) {
            return planned;
        }
        Set<Finding.Kind> known = kinds(planned);
        Map<String, String> typed = new LinkedHashMap<>(version.typed());
        for (int go = 0; go < DRAWS; go++) {
            typed.put("seed", String.valueOf(random.nextLong(SECRET_SEEDS)));
            Design drawn = planner.work(typed).design();
            if (known.containsAll(kinds(drawn))) {
                return drawn;
            }
        }
        return planned;
    }

    private static Set<Finding.Kind> kinds(Design design) {
        return design.limits().stream().map(l -> l.finding().kind()).collect(Collectors.toSet());
    }

    /** Bare only if a section is left bare. */
    private static List<Contender> contenders(Design design) {
        boolean bare = design.counts().get(design.counts().size() - 1) > 0;
        return design.entrants().stream()
                .map(Entrant::contender)
                .filter(c -> bare || !c.isControl())
                .toList();
    }

    private void show(PlanStore.Version version, String step, String said, Model model) {
        List<Bed> beds = step.equals("ask") ? planner.beds(version.typed()) : List.of();
        Planner.Worked worked = planner.work(version.typed(), beds);
        PlanPage page = worked.page(version, step, said);
        model.addAttribute("page", page);
        model.addAttribute("tapeMarkup", drawings.tape(page));
        model.addAttribute("panelMarkup", drawings.panel(page));
        model.addAttribute("beds", beds);
        model.addAttribute("key", UUID.randomUUID());
        model.addAttribute("oob", false);
    }
}
