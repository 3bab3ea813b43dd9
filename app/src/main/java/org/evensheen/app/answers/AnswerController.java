package org.evensheen.app.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.app.page.Units;
import org.evensheen.core.answer.Onward;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The answer of a study or an afternoon: from all that was measured and seen, for whoever asks. */
@Controller
@RequestMapping({"/studies/{id}/answer", "/compare/{id}/answer"})
class AnswerController {
    private static final int REASON = 200;

    private final Map<String, Answerables> answers;
    private final Readers readers;
    private final OverruledStore overruled;
    private final BottlePages bottles;
    /** The same answer for the same reader is the same page. */
    private final Cache<Written, AnswerPage> written =
            Caffeine.newBuilder().maximumSize(100).build();

    private record Written(
            Answer answer,
            List<Contender> contenders,
            AnswerPage.Asked asked,
            Map<Integer, OverruledStore.Overruled> said,
            UnitSystem told) {}

    AnswerController(List<Answerables> answers, Readers readers, OverruledStore overruled, BottlePages bottles) {
        this.answers = answers.stream().collect(Collectors.toMap(Answerables::under, a -> a));
        this.readers = readers;
        this.overruled = overruled;
        this.bottles = bottles;
    }

    private Answerables under(HttpServletRequest request) {
        return answers.get(request.getServletPath().split("/")[1]);
    }

    @GetMapping
    String answer(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> part,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        try {
            Answerable what = under(request).open(id);
            OverruledStore.Aside aside = overruled.aside(under(request).matter(id));
            AnswerPage.Asked asked = Readers.asked(sent, aside.readers());
            if (!asked.problem().isEmpty()) {
                response.setStatus(422);
            }
            Answer answer = what.answer(new Purse(aside.rates(), asked.hour()));
            AnswerOf of = what.of();
            model.addAttribute(
                    "page",
                    written.get(
                            new Written(answer, of.contenders(), asked, aside.said(), Units.now()),
                            w -> AnswerPage.of(of, answer, asked, aside.said(), what.subtitle())));
            model.addAttribute("key", UUID.randomUUID());
            return part.isPresent() ? "answers/answer :: work" : "answers/answer";
        } catch (Closed closed) {
            model.addAttribute("study", closed.study());
            return "answers/closed";
        }
    }

    /** What would settle it: ways of going on, rehearsed against each other. */
    @GetMapping("/next")
    String next(
            @PathVariable long id, @RequestParam Map<String, String> sent, HttpServletRequest request, Model model) {
        Answerable what = under(request).open(id);
        OverruledStore.Aside aside = overruled.aside(under(request).matter(id));
        AnswerPage.Asked asked = Readers.asked(sent, aside.readers());
        Answer answer = what.answer(new Purse(aside.rates(), asked.hour()));
        Weighed weighed = answer.forReader(asked.profile());
        List<Onward.Way> ways = weighed.first().size() < 2
                ? List.of()
                : answer.ways(weighed, (one, other) -> what.ways(answer, one, other));
        model.addAttribute("next", NextPage.of(what.of(), weighed, ways));
        return "answers/next :: next";
    }

    /** What the products cost by size, out of kits, as concentrates or ready to use. */
    @GetMapping("/bottles")
    String bottles(@PathVariable long id, HttpServletRequest request, Model model) {
        Answerable what = under(request).open(id);
        model.addAttribute("bottles", bottles.of(what.used(), what.of().place()));
        return "answers/bottles :: bottles";
    }

    /** Keeps weights under a name. */
    @PostMapping("/profile")
    String keep(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @ModelAttribute("hands") Hands hands,
            HttpServletRequest request) {
        return "redirect:/%s/%d/answer?for=%s".formatted(under(request).under(), id, readers.keep(sent, hands));
    }

    /** Says otherwise than what was derived, with a reason that is printed. */
    @PostMapping("/overrule")
    String overrule(
            @PathVariable long id,
            @RequestParam int contender,
            @RequestParam String advice,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands,
            HttpServletRequest request) {
        AnswerOf of = under(request).open(id).of();
        String why = PlainText.line(reason);
        if (contender < 0
                || contender >= of.contenders().size()
                || of.contenders().get(contender).isControl()) {
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
        overruled.keep(
                under(request).matter(id), new OverruledStore.Overruled(contender, advice, why, hands.name()), once);
        return "redirect:%s/answer".formatted(of.base());
    }
}
