package org.evensheen.app.studies;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.wear.Axis;
import org.evensheen.core.wear.Upkeep;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Upkeep that is part of how something is used: when it was done last, when it falls due, and that it was done. */
@Controller
class UpkeepController {
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    private static final String WRONG =
            "Write how much went on a section, like 3 sprays per section or 4 mL per section. Leave it empty if it was not counted; what a week cost is then not known.";

    private final Upkeeps upkeeps;
    private final ProductStore products;
    private final StudyStore studies;
    private final ApplicationStore applications;
    private final Clock clock;

    UpkeepController(
            Upkeeps upkeeps, ProductStore products, StudyStore studies, ApplicationStore applications, Clock clock) {
        this.upkeeps = upkeeps;
        this.products = products;
        this.studies = studies;
        this.applications = applications;
        this.clock = clock;
    }

    /**
     * An upkeep in words.
     *
     * @param now whether it is due
     */
    record Line(
            long study,
            int contender,
            String name,
            String what,
            String last,
            String due,
            boolean now,
            UUID key,
            String dose,
            String problem) {
        Line with(String typed, String wrong) {
            return new Line(study, contender, name, what, last, due, now, key, typed, wrong);
        }
    }

    @GetMapping("/upkeep")
    String upkeep(Model model) {
        model.addAttribute("lines", lines());
        return "studies/upkeep";
    }

    private List<Line> lines() {
        List<Upkeeps.Standing> all = upkeeps.standing(Optional.empty());
        Map<String, Label> others = products
                .allNamed(all.stream()
                        .map(s -> s.due().upkeep().with())
                        .filter(w -> !w.isEmpty())
                        .collect(Collectors.toSet()))
                .stream()
                .collect(Collectors.toMap(p -> p.name().toLowerCase(Locale.ROOT), Product::label, (a, b) -> a));
        return all.stream().map(s -> line(s, dose(s, others))).toList();
    }

    /** What the label of what goes on asks for a section; empty if it asks nothing of the kind. */
    private static String dose(Upkeeps.Standing s, Map<String, Label> others) {
        String with = s.due().upkeep().with();
        Optional<Label> label = with.isEmpty()
                ? s.study().label(s.due().contender().number())
                : Optional.ofNullable(others.get(with.toLowerCase(Locale.ROOT)));
        return label.stream()
                .flatMap(l -> l.uses().stream())
                .map(Claim.Use::dose)
                .filter(d -> d.countedFor().isPresent())
                .findFirst()
                .map(Dose::print)
                .orElse("");
    }

    private static Line line(Upkeeps.Standing s, String dose) {
        Study study = s.study();
        Upkeep.Due d = s.due();
        int today = s.today();
        Axis axis = d.upkeep().axis();
        String gone = axis == Axis.WASHES
                ? Figures.count(Math.round(d.gone()), "wash since", "washes since")
                : Figures.count((long) Math.floor(d.gone()), "week since", "weeks since");
        String due = d.now(today)
                ? "due now"
                : s.on().isPresent()
                        ? "due " + s.on().get().format(DATE)
                        : "due after "
                                + Figures.count(d.upkeep().every() - Math.round(d.gone()), "wash more", "washes more");
        return new Line(
                study.id(),
                d.contender().number(),
                d.contender().name(),
                s.what(),
                "last on %s, %s".formatted(study.dateOf(d.last()).format(DATE), gone),
                due,
                d.now(today),
                UUID.randomUUID(),
                dose,
                "");
    }

    /** Notes that an upkeep was done today, once by the page's key. */
    @PostMapping("/studies/{id}/upkeep")
    String done(
            @PathVariable long id,
            @RequestParam int contender,
            @RequestParam UUID key,
            @RequestParam(defaultValue = "") String dose,
            @ModelAttribute("hands") Hands hands,
            HttpServletResponse response,
            Model model) {
        Study study = studies.load(id);
        int today = study.dayOf(clock);
        Upkeep.Due due = Upkeep.of(study.record(), today).stream()
                .filter(d -> d.contender().number() == contender && !study.judgedByCode())
                .findFirst()
                .orElseThrow(() -> new Refused("There is no upkeep of that kind here. Nothing was kept."));
        Optional<Dose> amount = dose.isBlank()
                ? Optional.empty()
                : LabelLine.readDose(dose.strip()).dose();
        if (!dose.isBlank() && amount.isEmpty()) {
            response.setStatus(422);
            model.addAttribute(
                    "lines",
                    lines().stream()
                            .map(l -> l.study() == id && l.contender() == contender ? l.with(dose, WRONG) : l)
                            .toList());
            return "studies/upkept";
        }
        applications.keep(new ApplicationStore.Draft(
                id,
                contender,
                today,
                "",
                amount,
                Optional.empty(),
                Optional.of(1),
                Optional.empty(),
                due.upkeep().given(),
                key,
                hands.name()));
        return "redirect:/studies/%d/done".formatted(id);
    }
}
