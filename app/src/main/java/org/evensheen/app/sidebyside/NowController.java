package org.evensheen.app.sidebyside;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Device;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.core.layout.Places;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Kind;
import org.evensheen.core.sidebyside.Question;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.core.sidebyside.Sheet;
import org.evensheen.core.sidebyside.Step;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.PlainText;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The afternoon: begin on one screen, be led a step at a time, and see one sheet. */
@Controller
class NowController {
    private static final int NAME = 80;
    private static final int WAY = 120;
    private static final int MOST_SAID = 2000;
    private static final int SHOWN = 2;
    private static final Duration LATELY = Duration.ofHours(36);

    private final ComparisonStore store;
    private final ProductStore products;
    private final Clock clock;

    NowController(ComparisonStore store, ProductStore products, Clock clock) {
        this.store = store;
        this.products = products;
        this.clock = clock;
    }

    /** A kind to choose. */
    record KindTile(String code, String label, boolean chosen) {}

    /** A shape to choose. */
    record ShapeTile(String code, String label, boolean chosen, Picture picture) {}

    /** A question to drop or add. */
    record Ask(String code, String label, boolean on) {}

    /** The start; a tile of another kind asks for it again, with what was typed. */
    @GetMapping("/compare")
    String start(@RequestParam Map<String, String> typed, Model model) {
        Map<String, String> wanted = new LinkedHashMap<>(typed);
        Optional.ofNullable(typed.get("to")).ifPresent(to -> wanted.put("kind", to));
        return begin(new Filled("now", wanted, Map.of()), model);
    }

    private String begin(Filled filled, Model model) {
        Kind kind = Kind.ofCode(filled.in("kind")).orElse(Kind.SOAP);
        int names = Math.max(2, count(filled));
        List<Places> shapes = kind.shapes();
        Places shape = ComparisonStore.shape(filled.in("shape"))
                .filter(shapes::contains)
                .orElse(shapes.get(0));
        Set<String> asked = asked(kind, filled);
        model.addAttribute(
                "kinds",
                List.of(Kind.values()).stream()
                        .map(k -> new KindTile(k.code(), k.label(), k == kind))
                        .toList());
        model.addAttribute(
                "shapes",
                shapes.stream()
                        .map(s -> new ShapeTile(
                                SheetWords.lower(s),
                                s.word(),
                                s == shape,
                                Picture.plain(s, Math.min(4, Math.max(2, names)))))
                        .toList());
        model.addAttribute(
                "asks",
                kind.questions().stream()
                        .map(q -> new Ask(q.code(), q.label(), asked.contains(q.code())))
                        .toList());
        model.addAttribute("filled", filled);
        model.addAttribute("kind", kind.code());
        model.addAttribute("most", Comparison.MOST);
        model.addAttribute("shelf", products.names(60));
        model.addAttribute("key", UUID.randomUUID());
        return "sidebyside/start";
    }

    private static int count(Filled filled) {
        int last = 0;
        for (int i = 0; i < Comparison.MOST; i++) {
            last = filled.in("name" + i).isEmpty() ? last : i + 1;
        }
        return last;
    }

    /** What is ticked; on a fresh screen what was asked the last time, before that what is usual. */
    private Set<String> asked(Kind kind, Filled filled) {
        Set<String> ticked = kind.questions().stream()
                .map(Question::code)
                .filter(code -> filled.in("ask-" + code).equals("on"))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        if (!ticked.isEmpty() && filled.in("asked").equals(kind.code())) {
            return ticked;
        }
        return store.lastAsked(kind)
                .map(last -> {
                    Set<String> known = new LinkedHashSet<>(last);
                    known.removeIf(code -> kind.question(code).isEmpty());
                    return known;
                })
                .filter(last -> !last.isEmpty())
                .orElseGet(() -> kind.questions().stream()
                        .filter(Question::usual)
                        .map(Question::code)
                        .collect(Collectors.toCollection(LinkedHashSet::new)));
    }

    @PostMapping("/compare")
    String make(
            @RequestParam Map<String, String> typed,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Map<String, String> problems = new LinkedHashMap<>();
        Kind kind =
                Kind.ofCode(typed.getOrDefault("kind", "")).orElseThrow(() -> new Refused("Choose what is compared."));
        List<ComparisonStore.Entrant> entrants = entrants(typed, problems);
        Filled filled = new Filled("now", typed, problems);
        Places shape = ComparisonStore.shape(filled.in("shape"))
                .filter(kind.shapes()::contains)
                .orElse(kind.shapes().get(0));
        if (problems.isEmpty()) {
            room(shape, entrants.size()).ifPresent(p -> problems.put("shape", p));
        }
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return begin(filled, model);
        }
        long id = store.make(
                kind,
                shape,
                key.getMostSignificantBits() ^ key.getLeastSignificantBits(),
                entrants,
                asked(kind, filled),
                Hands.of(request).name(),
                Instant.now(clock),
                key);
        return "redirect:/compare/" + id;
    }

    private static Optional<String> room(Places shape, int n) {
        try {
            shape.deal(n, 1, 1);
            return Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.of("For so many choose another shape: %s.".formatted(e.getMessage()));
        }
    }

    private List<ComparisonStore.Entrant> entrants(Map<String, String> typed, Map<String, String> problems) {
        List<ComparisonStore.Entrant> entrants = new ArrayList<>();
        for (int i = 0; i < Comparison.MOST; i++) {
            String line = PlainText.line(typed.getOrDefault("name" + i, ""));
            if (line.isEmpty()) {
                continue;
            }
            if (!PlainText.readable(line)) {
                problems.put("name" + i, "Write a name that can be read.");
                continue;
            }
            int comma = line.indexOf(',');
            String name = comma < 1 ? line : line.substring(0, comma).strip();
            String way = comma < 1 ? "" : line.substring(comma + 1).strip();
            if (name.length() > NAME || way.length() > WAY) {
                problems.put(
                        "name" + i,
                        "A name has up to %d characters, and how it is used, after a comma, up to %d."
                                .formatted(NAME, WAY));
                continue;
            }
            boolean twice = entrants.stream()
                    .anyMatch(e -> e.name().equalsIgnoreCase(name) && e.way().equalsIgnoreCase(way));
            if (twice) {
                problems.put(
                        "name" + i,
                        "“%s” is there twice. Say after a comma what is different: “%s, with half the dose”."
                                .formatted(line, name));
                continue;
            }
            var product = products.named(name);
            entrants.add(new ComparisonStore.Entrant(
                    product.map(p -> p.id()), product.map(p -> p.name()).orElse(name), way));
        }
        if (typed.keySet().stream()
                .anyMatch(k -> k.matches("name([89]|\\d\\d+)") && !typed.get(k).isBlank())) {
            problems.put("name7", "Eight is the most. Compare the best of these with the rest another time.");
        }
        if (entrants.size() < Comparison.LEAST && problems.isEmpty()) {
            problems.put(entrants.isEmpty() ? "name0" : "name1", "Write what is compared: two at least.");
        }
        return entrants;
    }

    /** A link to what was at hand lately. */
    record Link(long id, String words) {}

    /** Comparisons that were at hand lately, for the Bench. */
    @GetMapping("/compare/latest")
    String latest(Model model) {
        Instant since = Instant.now(clock).minus(LATELY);
        model.addAttribute(
                "afternoons",
                store.latest(SHOWN).stream()
                        .filter(c -> c.last().isAfter(since))
                        .map(c -> new Link(c.id(), c.names()))
                        .toList());
        return "sidebyside/latest";
    }

    @GetMapping("/compare/{id}")
    String steps(@PathVariable long id, @RequestParam Optional<String> step, Model model) {
        Comparison c = store.load(id);
        List<Step> steps = c.steps();
        int current = current(steps, step);
        List<StepView> views = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            views.add(StepView.of(c, steps.get(i), i == current));
        }
        int round = current < steps.size() ? steps.get(current).round() : c.rounds();
        model.addAttribute("id", id);
        model.addAttribute("what", SheetWords.what(c));
        model.addAttribute("steps", views);
        model.addAttribute("at", Math.min(current + 1, steps.size()));
        model.addAttribute("over", current >= steps.size());
        model.addAttribute("fresh", c.said().isEmpty());
        model.addAttribute("picture", Picture.of(c, round));
        model.addAttribute("jars", Picture.jars(c, round));
        return "sidebyside/steps";
    }

    /** The step that was asked for, else the first that is open. */
    private static int current(List<Step> steps, Optional<String> wanted) {
        for (int i = 0; i < steps.size(); i++) {
            if (wanted.isPresent()
                    ? steps.get(i).key().equals(wanted.get())
                    : !steps.get(i).done()) {
                return i;
            }
        }
        return wanted.isPresent() ? current(steps, Optional.empty()) : steps.size();
    }

    /** The places as they lie, with what is known by now. */
    @GetMapping("/compare/{id}/picture")
    String picture(@PathVariable long id, @RequestParam(defaultValue = "99") int round, Model model) {
        Comparison c = store.load(id);
        model.addAttribute("picture", Picture.of(c, Math.max(1, Math.min(c.rounds(), round))));
        return "sidebyside/picture";
    }

    /** That it is kept. */
    record Kept(String said, long now) {}

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
        Instant at = Device.at(ago, Instant.now(clock));
        String by = Hands.of(request).name();
        boolean knew = !sent.getOrDefault("knew", "yes").equals("no");
        Map<String, String> all = new LinkedHashMap<>();
        sent.forEach((field, text) -> {
            if (field.matches("(dose|odd|foam)/.*") && !text.isBlank()) {
                all.put(field, meant(field, PlainText.line(text)));
            }
        });
        all.put(PlainText.line(step), PlainText.line(value));
        all.forEach((s, v) -> c.wrong(s, v).ifPresent(problem -> {
            throw new Refused(problem);
        }));
        all.forEach((s, v) -> store.say(
                id,
                new Said(s, v, by, knew, at),
                s.equals(PlainText.line(step))
                        ? key
                        : UUID.nameUUIDFromBytes((key + s).getBytes(StandardCharsets.UTF_8))));
        return accept.contains("application/json")
                ? ResponseEntity.ok(new Kept("Kept.", clock.millis()))
                : "redirect:/compare/" + id;
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

    @GetMapping("/compare/{id}/sheet")
    String sheet(@PathVariable long id, Model model) {
        Comparison c = store.load(id);
        model.addAttribute("id", id);
        model.addAttribute("page", SheetPage.of(c, Sheet.of(c, Instant.now(clock)), when(c)));
        return "sidebyside/sheet";
    }

    @GetMapping("/compare/{id}/sheet.json")
    ResponseEntity<SheetDocument> json(@PathVariable long id) {
        Comparison c = store.load(id);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .body(SheetDocument.of(c, Sheet.of(c, Instant.now(clock))));
    }

    @GetMapping("/compare/{id}/sheet.md")
    ResponseEntity<String> markdown(@PathVariable long id) {
        Comparison c = store.load(id);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "markdown", StandardCharsets.UTF_8))
                .body(SheetWords.markdown(c, Sheet.of(c, Instant.now(clock)), when(c)));
    }

    private static String when(Comparison c) {
        return Figures.moment(c.begun(), ZoneId.systemDefault());
    }
}
