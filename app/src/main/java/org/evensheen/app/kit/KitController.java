package org.evensheen.app.kit;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The Kit: instruments are linked, tested, checked, and asked for readings. */
@Controller
class KitController {
    private static final Duration LISTENING = Duration.ofSeconds(3);
    private static final int MOST_LINES = 8;

    private final InstrumentStore store;
    private final Checking checking;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    KitController(InstrumentStore store, Checking checking, ApplicationEventPublisher events, Clock clock) {
        this.store = store;
        this.checking = checking;
        this.events = events;
        this.clock = clock;
    }

    @GetMapping("/kit")
    String kit(Model model) {
        return show(Filled.NOTHING, model);
    }

    private String show(Filled filled, Model model) {
        model.addAttribute("page", KitPage.of(store.linked(), filled, clock.instant()));
        return "kit/kit";
    }

    @PostMapping("/kit")
    String link(
            @RequestParam Map<String, String> typed,
            @RequestParam UUID key,
            @RequestParam(defaultValue = "0") long id,
            @RequestParam(defaultValue = "0") int revision,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        LinkForm form = LinkForm.read(typed);
        String by = Hands.of(request).name();
        if (form.draft().isPresent()) {
            boolean kept = id == 0
                    ? store.keep(form.draft().get(), key, by)
                    : store.change(id, revision, form.draft().get(), by);
            if (kept) {
                return "redirect:/kit";
            }
            form.problems()
                    .put(
                            "name",
                            id == 0
                                    ? "An instrument of this name is linked already. Give this one another name."
                                    : "The name is taken, or somebody changed this link a moment ago. Yours is still here: look at the other, then save again.");
        }
        response.setStatus(422);
        return show(new Filled(id == 0 ? "new" : "link" + id, typed, form.problems()), model);
    }

    @PostMapping("/kit/{id}/away")
    String away(@PathVariable long id) {
        store.retire(id);
        return "redirect:/kit";
    }

    /** Buttons that fill a field of a form with what an instrument of this kind says, for pages that know of none. */
    @GetMapping("/kit/takers")
    String takers(@RequestParam String probe, @RequestParam String field, Model model) {
        model.addAttribute(
                "takers",
                store.linked().stream()
                        .filter(i -> i.probe().code().equals(probe))
                        .map(i -> new Taker(i.id(), i.name()))
                        .toList());
        model.addAttribute("field", field);
        return "kit/takers";
    }

    /** An instrument to take with. */
    record Taker(long id, String name) {}

    /** Raw lines, each with how it reads. */
    @PostMapping("/kit/{id}/test")
    String test(@PathVariable long id, Model model) {
        Instrument instrument = store.load(id);
        events.publishEvent(new TakeAsked(instrument, false, Optional.empty(), Optional.empty(), Optional.empty()));
        try {
            List<String> lines = Taking.listen(instrument, MOST_LINES, LISTENING);
            model.addAttribute("lines", KitPage.lines(instrument, lines));
            model.addAttribute(
                    "problem",
                    lines.isEmpty()
                            ? "%s is reached, and said nothing for 3 seconds.".formatted(instrument.name())
                            : "");
        } catch (Link.Lost e) {
            model.addAttribute("lines", List.of());
            model.addAttribute("problem", e.getMessage());
        }
        return "kit/kit :: lines";
    }

    /** Holds something known to it. */
    @PostMapping("/kit/{id}/check")
    String check(@PathVariable long id, @RequestParam UUID key, HttpServletRequest request, Model model) {
        Instrument instrument = store.load(id);
        if (instrument.check().isEmpty()) {
            model.addAttribute(
                    "checked", KitPage.Said.problem("Say in the link what it is checked with, then check it."));
            return "kit/kit :: checked";
        }
        Checking.Outcome outcome =
                checking.check(instrument, key, Hands.of(request).name());
        if (outcome.said().isEmpty()) {
            model.addAttribute("checked", KitPage.Said.problem(outcome.problem()));
        } else {
            Instrument now = store.load(id);
            model.addAttribute("checked", KitPage.checked(now, outcome.said().get()));
            model.addAttribute("card", KitPage.card(now, Filled.NOTHING, clock.instant()));
        }
        return "kit/kit :: checked";
    }

    /** Takes a reading for a field of a form that stands somewhere else. */
    @PostMapping("/kit/{id}/take")
    String take(
            @PathVariable long id,
            @RequestParam(defaultValue = "amount") String field,
            @RequestParam(defaultValue = "0") long study,
            @RequestParam(defaultValue = "0") int day,
            @RequestParam(defaultValue = "") String stage,
            @RequestParam(defaultValue = "") String section,
            @RequestParam(defaultValue = "") String measure,
            @RequestParam(defaultValue = "1") int repeat,
            @RequestParam Optional<Long> product,
            @RequestParam Optional<Double> spent,
            HttpServletRequest request,
            Model model) {
        Instrument instrument = store.load(id);
        boolean check = field.equals("said") && instrument.check().isPresent();
        Optional<TakeAsked.Place> place = study > 0 && !section.isEmpty()
                ? Optional.of(new TakeAsked.Place(study, day, stage, section, measure, repeat))
                : Optional.empty();
        events.publishEvent(new TakeAsked(instrument, check, place, product, spent));
        try {
            Taken taken = check ? Taking.atRest(instrument) : Taking.take(instrument);
            store.took(
                    instrument,
                    study > 0 ? Optional.of(study) : Optional.empty(),
                    taken,
                    Hands.of(request).name());
            model.addAttribute(
                    "taken", TakenView.of(check ? store.load(id) : instrument, taken, field, clock.instant()));
        } catch (Link.Lost e) {
            model.addAttribute("taken", TakenView.lost(String.valueOf(e.getMessage())));
        }
        return "kit/taken";
    }
}
