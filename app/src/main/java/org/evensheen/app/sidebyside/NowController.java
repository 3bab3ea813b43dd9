package org.evensheen.app.sidebyside;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Device;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.core.sidebyside.Step;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.PlainText;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The afternoon under way: led a step at a time. */
@Controller
class NowController {
    private static final int MOST_SAID = 2000;
    private static final int SHOWN = 2;
    private static final Duration LATELY = Duration.ofHours(36);
    /** A look that was not taken is let go after so long. */
    private static final Duration LONGEST_DUE = Duration.ofDays(7);
    /** What comes is shown so far ahead. */
    private static final Duration SOON = Duration.ofHours(36);
    /** Who is handed the phone, and sees codes only. */
    private static final String ONLOOKER = "An onlooker";

    private final ComparisonStore store;
    private final ComparisonListStore lists;
    private final ProductStore products;
    private final LookStore looks;
    private final LookKeeper keeper;
    private final Sheets sheets;
    private final Clock clock;

    NowController(
            ComparisonStore store,
            ComparisonListStore lists,
            ProductStore products,
            LookStore looks,
            LookKeeper keeper,
            Sheets sheets,
            Clock clock) {
        this.store = store;
        this.lists = lists;
        this.products = products;
        this.looks = looks;
        this.keeper = keeper;
        this.sheets = sheets;
        this.clock = clock;
    }

    /** A link to what was at hand lately. */
    record Link(long id, String words) {}

    /** A look that is due, or will be. */
    record DueLink(String address, String what, String names, String when, boolean now) {}

    /** Comparisons that were at hand lately, for the Bench. */
    @GetMapping("/compare/latest")
    String latest(Model model) {
        Instant now = Instant.now(clock);
        Instant since = now.minus(LATELY);
        model.addAttribute(
                "due",
                looks.between(now.minus(LONGEST_DUE), now.plus(SOON)).stream()
                        .map(d -> new DueLink(
                                d.address(),
                                d.what(),
                                d.names(),
                                d.at().isAfter(now) ? Figures.soon(d.at(), now, zone()) : "now",
                                !d.at().isAfter(now)))
                        .toList());
        model.addAttribute(
                "afternoons",
                lists.latest(SHOWN).stream()
                        .filter(c -> c.last().isAfter(since))
                        .map(c -> new Link(c.id(), c.names()))
                        .toList());
        return "sidebyside/latest";
    }

    @GetMapping("/compare/{id}")
    String steps(@PathVariable long id, @RequestParam Optional<String> step, Model model) {
        Comparison c = store.load(id);
        Instant now = Instant.now(clock);
        List<Step> steps = asked(c, step);
        int current = current(steps, step, now);
        List<StepView> views = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            // What was answered is not asked again, unless somebody goes back to it.
            if (!steps.get(i).done() || i == current) {
                views.add(StepView.of(c, steps, i, i == current, now, zone()));
            }
        }
        int round = current < steps.size() ? steps.get(current).round() : c.rounds();
        model.addAttribute("id", id);
        model.addAttribute("what", SheetWords.what(c));
        model.addAttribute("steps", views);
        model.addAttribute("at", Math.min(current + 1, steps.size()));
        model.addAttribute("all", steps.size());
        model.addAttribute("over", current >= steps.size());
        model.addAttribute(
                "comes",
                LookKeeper.coming(c).stream()
                        .map(s -> "%s %s."
                                .formatted(
                                        s.question().orElseThrow().ask(),
                                        upperFirst(Figures.soon(s.due(zone()).orElseThrow(), now, zone()))))
                        .toList());
        model.addAttribute("growing", SheetPage.lines(c, sheets.of(id, c)));
        model.addAttribute("fresh", c.said().isEmpty());
        model.addAttribute("swap", SheetWords.loose(c) ? "swap codes" : "swap sides");
        model.addAttribute("shelf", c.rungs().isEmpty() ? List.of() : products.names(60));
        model.addAttribute("picture", Picture.of(c, round));
        model.addAttribute("jars", Picture.jars(c, round));
        return "sidebyside/steps";
    }

    private static String upperFirst(String words) {
        return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
    }

    private static ZoneId zone() {
        return ZoneId.systemDefault();
    }

    /** The steps, with a pair that was asked for besides. */
    private static List<Step> asked(Comparison c, Optional<String> wanted) {
        List<Step> steps = new ArrayList<>(c.steps());
        wanted.filter(w -> w.endsWith("/more") && c.wrong(w, Said.SAME).isEmpty())
                .filter(w -> steps.stream().noneMatch(s -> s.key().equals(w)))
                .ifPresent(w -> {
                    String[] key = w.split("/");
                    steps.add(new Step(
                            w,
                            Step.Type.PAIR,
                            c.rounds(),
                            List.of(key[1], key[2]),
                            c.kind().question(key[0]),
                            Optional.empty(),
                            Optional.empty(),
                            Optional.empty()));
                });
        return steps;
    }

    /** The step that was asked for, else the first that is open and does not wait for its time. */
    private static int current(List<Step> steps, Optional<String> wanted, Instant now) {
        for (int i = 0; i < steps.size(); i++) {
            Step step = steps.get(i);
            if (wanted.isPresent() ? step.key().equals(wanted.get()) : !step.done() && !step.waits(now, zone())) {
                return i;
            }
        }
        return wanted.isPresent() ? current(steps, Optional.empty(), now) : steps.size();
    }

    /** The places as they lie, with what is known by now. */
    @GetMapping("/compare/{id}/picture")
    String picture(@PathVariable long id, @RequestParam(defaultValue = "99") int round, Model model) {
        Comparison c = store.load(id);
        model.addAttribute("picture", Picture.of(c, Math.max(1, Math.min(c.rounds(), round))));
        return "sidebyside/picture";
    }

    /** What it has come to by now, beside the steps at a desk. */
    @GetMapping("/compare/{id}/growing")
    String growing(@PathVariable long id, Model model) {
        Comparison c = store.load(id);
        model.addAttribute("growing", SheetPage.lines(c, sheets.of(id, c)));
        return "sidebyside/grown";
    }

    /** What a dose comes to, as somebody writes it. */
    @GetMapping("/compare/{id}/dose")
    ResponseEntity<Map<String, String>> dose(
            @PathVariable long id, @RequestParam String place, @RequestParam String text) {
        Comparison c = store.load(id);
        return ResponseEntity.ok(Map.of(
                "told",
                c.places().stream().anyMatch(p -> p.code().equals(place))
                        ? StepWords.dose(text, c.bottle(c.on(place).number()))
                        : ""));
    }

    /** That it is kept; with a word if somebody had answered before. */
    record Kept(String said, String beside, long now) {}

    @PostMapping("/compare/{id}/said")
    Object say(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestParam UUID key,
            @RequestParam String step,
            @RequestParam String value,
            @RequestParam(defaultValue = "0") long ago,
            @RequestHeader(defaultValue = "") String accept,
            HttpServletRequest request) {
        Comparison c = store.load(id);
        if (c.said().size() > MOST_SAID) {
            throw new Refused(
                    "This comparison holds %d answers and takes no more. Begin another.".formatted(MOST_SAID));
        }
        boolean knew = !sent.getOrDefault("knew", "yes").equals("no");
        Instant at = Device.at(ago, Instant.now(clock));
        String by = knew ? Hands.of(request).name() : ONLOOKER;
        Map<String, String> all = new LinkedHashMap<>();
        sent.forEach((field, text) -> {
            if (field.matches("(dose|odd|foam|stays|with|came)/.*") && !text.isBlank()) {
                all.put(field, meant(field, PlainText.line(text)));
            }
        });
        slips(sent, all);
        all.put(PlainText.line(step), PlainText.line(value));
        all.forEach((s, v) -> c.wrong(s, v).ifPresent(problem -> {
            throw new Refused(problem);
        }));
        String beside = sent.getOrDefault("open", "").equals("yes") ? StepWords.beside(c, step, by) : "";
        boolean kept = false;
        for (Map.Entry<String, String> e : all.entrySet()) {
            boolean main = e.getKey().equals(PlainText.line(step));
            kept |= store.say(
                    id,
                    new Said(e.getKey(), e.getValue(), by, knew, at),
                    main ? key : UUID.nameUUIDFromBytes((key + e.getKey()).getBytes(StandardCharsets.UTF_8)));
        }
        if (c.questions().stream().anyMatch(q -> q.later().isPresent())) {
            keeper.keep(id);
        }
        return accept.contains("application/json")
                ? ResponseEntity.ok(new Kept("Kept.", kept ? beside : "", clock.millis()))
                : "redirect:/compare/" + id;
    }

    /** What went wrong at a step is one detail, however many were ticked. */
    private static void slips(Map<String, String> sent, Map<String, String> all) {
        sent.keySet().stream()
                .filter(f -> f.matches("went/[1-9]\\d?/[a-z-]+/[a-z]+"))
                .sorted()
                .forEach(f -> {
                    String[] parts = f.split("/");
                    all.merge("slip/" + parts[1] + "/" + parts[2], parts[3], (one, next) -> one + " " + next);
                });
    }

    /** A height of foam alone is of the minute that its field calls. */
    private static String meant(String field, String text) {
        return field.matches("foam/[A-Z]{1,2}/\\d{1,2}") && text.matches("\\d{1,4}(\\.\\d)?")
                ? field.substring(field.lastIndexOf('/') + 1) + ":" + text
                : text;
    }

    /** Exchanges sides before anything was said; the record knows that a hand did it. */
    @PostMapping("/compare/{id}/swap")
    String swap(@PathVariable long id) {
        Comparison c = store.load(id);
        List<Section> round = c.round(1);
        List<Section> moved = new ArrayList<>();
        for (int i = 0; i < round.size(); i++) {
            Section s = round.get(i);
            moved.add(new Section(
                    s.code(),
                    round.get((i + 1) % round.size()).contender(),
                    1,
                    s.xMm(),
                    s.yMm(),
                    s.widthMm(),
                    s.heightMm(),
                    true,
                    s.name()));
        }
        if (c.rounds() > 1 || !store.swap(id, moved)) {
            throw new Refused("Something was answered already. Go on, and swap sides for a second round on the sheet.");
        }
        return "redirect:/compare/" + id;
    }

    /** Adds a round with sides exchanged. */
    @PostMapping("/compare/{id}/again")
    String again(@PathVariable long id, @RequestParam(defaultValue = "0") int rounds) {
        Comparison c = store.load(id);
        if (c.rounds() >= 10) {
            throw new Refused("Ten rounds are the most. Begin another comparison.");
        }
        if (rounds == 0 || rounds == c.rounds()) {
            store.addRound(id, c.exchanged());
        }
        return "redirect:/compare/" + id;
    }
}
