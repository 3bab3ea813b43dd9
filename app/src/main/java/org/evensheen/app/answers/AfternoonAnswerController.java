package org.evensheen.app.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.mixer.RateStore;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Units;
import org.evensheen.app.sidebyside.Weighable;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.Weighed;
import org.evensheen.core.units.UnitSystem;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The answer of an afternoon, weighed for whoever asks. */
@Controller
class AfternoonAnswerController {
    private final AfternoonAnswering answering;
    private final ProfileStore profiles;
    private final Readers readers;
    private final RateStore rates;
    /** The same answer for the same reader is the same page. */
    private final Cache<Written, AnswerPage> written =
            Caffeine.newBuilder().maximumSize(60).build();

    private record Written(Answer answer, AnswerPage.Asked asked, UnitSystem told) {}

    AfternoonAnswerController(AfternoonAnswering answering, ProfileStore profiles, Readers readers, RateStore rates) {
        this.rates = rates;
        this.answering = answering;
        this.profiles = profiles;
        this.readers = readers;
    }

    @GetMapping("/compare/{id}/answer")
    String answer(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> part,
            HttpServletResponse response,
            Model model) {
        Weighable w = answering.weighable(id);
        AnswerPage.Asked asked = Readers.asked(sent, profiles.all());
        if (!asked.problem().isEmpty()) {
            response.setStatus(422);
        }
        Answer answer = answering.of(w, new Purse(rates.rates(), asked.hour()));
        model.addAttribute(
                "page",
                written.get(
                        new Written(answer, asked, Units.now()),
                        k -> AnswerPage.of(
                                AfternoonAnswering.what(w),
                                answer,
                                asked,
                                Map.of(),
                                "What was seen side by side, weighed. What was looked at once on one place each is on the sheet, and not in it.")));
        model.addAttribute("key", UUID.randomUUID());
        return part.isPresent() ? "answers/answer :: work" : "answers/answer";
    }

    /** What would settle it: ways of going on, rehearsed against each other. */
    @GetMapping("/compare/{id}/answer/next")
    String next(@PathVariable long id, @RequestParam Map<String, String> sent, Model model) {
        Weighable w = answering.weighable(id);
        AnswerPage.Asked asked = Readers.asked(sent, Profile.shipped());
        Answer answer = answering.of(w, new Purse(rates.rates(), asked.hour()));
        Weighed weighed = answer.forReader(asked.profile());
        model.addAttribute("next", NextPage.of(AfternoonAnswering.what(w), weighed, NextWays.of(w, answer)));
        return "answers/next :: next";
    }

    /** Keeps weights under a name. */
    @PostMapping("/compare/{id}/answer/profile")
    String keep(@PathVariable long id, @RequestParam Map<String, String> sent, @ModelAttribute("hands") Hands hands) {
        return "redirect:/compare/%d/answer?for=%s".formatted(id, readers.keep(sent, hands));
    }
}
