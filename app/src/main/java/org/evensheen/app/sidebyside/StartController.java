package org.evensheen.app.sidebyside;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
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
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.core.layout.Places;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Kind;
import org.evensheen.core.sidebyside.Question;
import org.evensheen.core.units.PlainText;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The beginning of an afternoon, on one screen. */
@Controller
class StartController {
    private static final int NAME = 80;
    private static final int WAY = 120;
    /** So many names from before are offered, and so many from the Shelf. */
    private static final int KNOWN = 20;

    private static final int SHELF = 60;

    private final ComparisonStore store;
    private final ComparisonListStore lists;
    private final ProductStore products;
    private final OwnKindStore own;
    private final Clock clock;

    StartController(
            ComparisonStore store, ComparisonListStore lists, ProductStore products, OwnKindStore own, Clock clock) {
        this.store = store;
        this.lists = lists;
        this.products = products;
        this.own = own;
        this.clock = clock;
    }

    /** A kind to choose. */
    record KindTile(String code, String label, String icon, boolean chosen) {}

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
        List<OwnKindStore.Own> owns = own.all();
        Optional<OwnKindStore.Own> mine =
                owns.stream().filter(o -> o.code().equals(filled.in("kind"))).findFirst();
        Kind kind = mine.map(OwnKindStore.Own::kind)
                .or(() -> Kind.ofCode(filled.in("kind")))
                .orElse(Kind.SOAP);
        String code = mine.map(OwnKindStore.Own::code).orElse(kind.code());
        int names = Math.max(2, count(filled));
        List<Places> shapes = kind.shapes();
        Places shape = Stored.shape(filled.in("shape"))
                .or(() -> mine.map(OwnKindStore.Own::shape))
                .filter(shapes::contains)
                .orElse(shapes.get(0));
        Set<String> asked = asked(kind, code, mine, filled);
        List<KindTile> tiles = new ArrayList<>();
        for (Kind k : Kind.values()) {
            tiles.add(new KindTile(k.code(), k.label(), k.code(), k.code().equals(code)));
        }
        owns.forEach(o -> tiles.add(
                new KindTile(o.code(), o.name(), o.kind().code(), o.code().equals(code))));
        model.addAttribute("kinds", tiles);
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
        model.addAttribute("kind", code);
        model.addAttribute("most", Comparison.MOST);
        List<String> known = new ArrayList<>(lists.namesTyped(kind, KNOWN));
        known.addAll(products.names(SHELF));
        model.addAttribute("shelf", known);
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
    private Set<String> asked(Kind kind, String code, Optional<OwnKindStore.Own> mine, Filled filled) {
        Set<String> ticked = kind.questions().stream()
                .map(Question::code)
                .filter(q -> filled.in("ask-" + q).equals("on"))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        if (!ticked.isEmpty() && filled.in("asked").equals(code)) {
            return ticked;
        }
        return mine.map(OwnKindStore.Own::asked)
                .or(() -> lists.lastAsked(kind))
                .map(last -> {
                    Set<String> known = new LinkedHashSet<>(last);
                    known.removeIf(q -> kind.question(q).isEmpty());
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
        String code = typed.getOrDefault("kind", "");
        Optional<OwnKindStore.Own> mine = own.ofCode(code);
        Kind kind = mine.map(OwnKindStore.Own::kind)
                .or(() -> Kind.ofCode(code))
                .orElseThrow(() -> new Refused("Choose what is compared."));
        List<ComparisonStore.Entrant> entrants = entrants(typed, problems);
        Filled filled = new Filled("now", typed, problems);
        Places shape = Stored.shape(filled.in("shape"))
                .or(() -> mine.map(OwnKindStore.Own::shape))
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
                asked(kind, code, mine, filled),
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
}
