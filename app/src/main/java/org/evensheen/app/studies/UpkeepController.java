package org.evensheen.app.studies;

import java.time.Clock;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
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

    private final Upkeeps upkeeps;
    private final StudyStore studies;
    private final ApplicationStore applications;
    private final Clock clock;

    UpkeepController(Upkeeps upkeeps, StudyStore studies, ApplicationStore applications, Clock clock) {
        this.upkeeps = upkeeps;
        this.studies = studies;
        this.applications = applications;
        this.clock = clock;
    }

    /**
     * An upkeep in words.
     *
     * @param now whether it is due
     */
    record Line(long study, int contender, String name, String what, String last, String due, boolean now, UUID key) {}

    @GetMapping("/upkeep")
    String upkeep(Model model) {
        List<Line> lines = new ArrayList<>();
        upkeeps.standing(Optional.empty()).forEach(s -> lines.add(line(s)));
        model.addAttribute("lines", lines);
        return "studies/upkeep";
    }

    private static Line line(Upkeeps.Standing s) {
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
                UUID.randomUUID());
    }

    /** Notes that an upkeep was done today, once by the page's key. */
    @PostMapping("/studies/{id}/upkeep")
    String done(
            @PathVariable long id,
            @RequestParam int contender,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands) {
        Study study = studies.load(id);
        int today = study.dayOf(clock);
        Upkeep.Due due = Upkeep.of(study.record(), today).stream()
                .filter(d -> d.contender().number() == contender && !study.judgedByCode())
                .findFirst()
                .orElseThrow(() -> new Refused("There is no upkeep of that kind here. Nothing was kept."));
        applications.keep(new ApplicationStore.Draft(
                id,
                contender,
                today,
                "",
                Optional.empty(),
                Optional.empty(),
                Optional.of(1),
                Optional.empty(),
                "upkeep"
                        + (due.upkeep().with().isEmpty()
                                ? ""
                                : ": " + due.upkeep().with()),
                key,
                hands.name()));
        return "redirect:/studies/%d/done".formatted(id);
    }
}
