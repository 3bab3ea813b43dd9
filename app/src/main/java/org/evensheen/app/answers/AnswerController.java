package org.evensheen.app.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.mixer.RateStore;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Refused;
import org.evensheen.app.page.Units;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.answer.Onward;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.Weighed;
import org.evensheen.core.study.Contender;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.UnitSystem;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The answer of a study: from all that was measured, for whoever asks. */
@Controller
class AnswerController {
    private static final int REASON = 200;

    private final StudyStore studies;
    private final Answering answering;
    private final Readers readers;
    private final OverruledStore overruled;
    private final RateStore rates;
    private final Clock clock;
    /** The same answer for the same reader is the same page. */
    private final Cache<Written, AnswerPage> written =
            Caffeine.newBuilder().maximumSize(60).build();

    private record Written(
            Answer answer,
            List<Contender> contenders,
            AnswerPage.Asked asked,
            Map<Integer, OverruledStore.Overruled> said,
            UnitSystem told) {}

    AnswerController(
            StudyStore studies,
            Answering answering,
            Readers readers,
            OverruledStore overruled,
            RateStore rates,
            Clock clock) {
        this.rates = rates;
        this.studies = studies;
        this.answering = answering;
        this.readers = readers;
        this.overruled = overruled;
        this.clock = clock;
    }

    @GetMapping("/studies/{id}/answer")
    String answer(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> part,
            HttpServletResponse response,
            Model model) {
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            model.addAttribute("study", study);
            return "answers/closed";
        }
        OverruledStore.Aside aside = overruled.aside(id);
        List<Profile> known = new ArrayList<>(Profile.shipped());
        known.addAll(aside.own());
        AnswerPage.Asked asked = Readers.asked(sent, known);
        if (!asked.problem().isEmpty()) {
            response.setStatus(422);
        }
        int today = Math.max(0, study.dayOf(clock));
        Answer answer = answering.of(study, today, new Purse(aside.rates(), asked.hour()));
        model.addAttribute(
                "page",
                written.get(
                        new Written(answer, study.record().contenders(), asked, aside.said(), Units.now()),
                        w -> AnswerPage.of(
                                AnswerOf.study(study),
                                answer,
                                asked,
                                aside.said(),
                                "%s, day %d. All that was measured, weighed."
                                        .formatted(study.bed().name(), today))));
        model.addAttribute("key", UUID.randomUUID());
        return part.isPresent() ? "answers/answer :: work" : "answers/answer";
    }

    /** What would settle it: ways of going on, rehearsed against each other. */
    @GetMapping("/studies/{id}/answer/next")
    String next(@PathVariable long id, @RequestParam Map<String, String> sent, Model model) {
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            throw new Missing("This study is judged by code; its answer waits for its key.");
        }
        int today = Math.max(0, study.dayOf(clock));
        AnswerPage.Asked asked = Readers.asked(sent, Profile.shipped());
        Answer answer = answering.of(study, today, new Purse(rates.rates(), asked.hour()));
        Weighed weighed = answer.forReader(asked.profile());
        List<Onward.Way> ways = weighed.first().size() < 2
                ? List.of()
                : answer.ways(
                        weighed,
                        (one, other) -> NextWays.of(
                                study, answer, answering.wear(study, today).lives(), one, other));
        model.addAttribute("next", NextPage.of(AnswerOf.study(study), weighed, ways));
        return "answers/next :: next";
    }

    /** Keeps weights under a name. */
    @PostMapping("/studies/{id}/answer/profile")
    String keep(@PathVariable long id, @RequestParam Map<String, String> sent, @ModelAttribute("hands") Hands hands) {
        return "redirect:/studies/%d/answer?for=%s".formatted(id, readers.keep(sent, hands));
    }

    /** Says otherwise than what was derived, with a reason that is printed. */
    @PostMapping("/studies/{id}/answer/overrule")
    String overrule(
            @PathVariable long id,
            @RequestParam int contender,
            @RequestParam String advice,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands) {
        Study study = studies.load(id);
        String why = PlainText.line(reason);
        if (study.judgedByCode()
                || contender < 0
                || contender >= study.record().contenders().size()
                || study.record().contenders().get(contender).isControl()) {
            throw new Refused("There is no such product to advise on. Nothing was kept.");
        }
        if (!List.of("keep", "only-for", "skip", "derived").contains(advice)) {
            throw new Refused("Advice is keep, only for, skip, or what was derived. Nothing was kept.");
        }
        if (!advice.equals("derived") && (why.isEmpty() || why.length() > REASON || !PlainText.readable(why))) {
            throw new Refused("Say why, in up to %d characters: it is printed beside it.".formatted(REASON));
        }
        // A page has a form for each product: the same sent twice is kept once, another is another.
        UUID once = UUID.nameUUIDFromBytes(
                "%s/%d/%s/%s".formatted(key, contender, advice, why).getBytes(StandardCharsets.UTF_8));
        overruled.keep(id, new OverruledStore.Overruled(contender, advice, why, hands.name()), once);
        return "redirect:/studies/%d/answer".formatted(id);
    }
}
