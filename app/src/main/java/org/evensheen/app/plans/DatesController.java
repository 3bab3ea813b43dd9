package org.evensheen.app.plans;

import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.calendar.DatedStore;
import org.evensheen.app.calendar.DatedStore.Dated;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.core.planning.Calendar.Work;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.json.JsonMapper;

/** What the dates of a plan run into, and the forecast they are held against. */
@Controller
class DatesController {
    private static final int MOST_SHOWN = 8;

    private final PlanStore plans;
    private final Planner planner;
    private final DatedStore dated;
    private final ForecastStore forecasts;
    private final JsonMapper json;
    private final Clock clock;

    DatesController(
            PlanStore plans, Planner planner, DatedStore dated, ForecastStore forecasts, JsonMapper json, Clock clock) {
        this.plans = plans;
        this.planner = planner;
        this.dated = dated;
        this.forecasts = forecasts;
        this.json = json;
        this.clock = clock;
    }

    @GetMapping("/plans/{id}/clashes")
    String clashes(@PathVariable long id, Model model) {
        Design design = planner.work(plans.load(id).typed()).design();
        List<Dated> others =
                dated.between(design.firstDay(), design.dateOf(design.calendar().lastDay()), Optional.empty());
        model.addAttribute(
                "clashes",
                design.calendar().works().stream()
                        .flatMap(w -> others.stream()
                                .filter(o -> o.date().equals(design.dateOf(w.day())))
                                .map(o -> words(design, w, o)))
                        .distinct()
                        .limit(MOST_SHOWN)
                        .toList());
        return "plans/clashes";
    }

    private String words(Design design, Work work, Dated other) {
        LocalDate today = LocalDate.now(clock);
        return "%s: %s here, and %s of “%s”%s."
                .formatted(
                        Figures.day(other.date(), today),
                        work.title().toLowerCase(java.util.Locale.ROOT),
                        other.title().toLowerCase(java.util.Locale.ROOT),
                        other.question(),
                        design.bed().filter(b -> b.id() == other.bedId()).isPresent() ? ", on the same bed" : "");
    }

    @PostMapping("/forecasts")
    String forecast(
            @RequestParam MultipartFile file,
            @RequestParam UUID key,
            @RequestParam(defaultValue = "0") long plan,
            @ModelAttribute("hands") Hands hands)
            throws IOException {
        ForecastFile.Outcome outcome = ForecastFile.read(file.getBytes(), clock.getZone(), json);
        if (!outcome.problems().isEmpty()) {
            throw new Refused("Nothing of the forecast was stored. " + String.join(" ", outcome.problems()));
        }
        forecasts.keep(outcome.hours(), key, hands.name());
        return plan > 0 ? "redirect:/plans/" + plan + "?step=dates" : "redirect:/calendar";
    }
}
