package org.evensheen.app.rack;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.sidebyside.LevelDrawing;
import org.evensheen.core.measure.Level;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.media.Reuse;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Question;

/** The Rack as its page shows it: what may go back first, what nobody looked at last. */
final class RackPage {
    private RackPage() {}

    /**
     * An item.
     *
     * @param shelf its page on the Shelf; empty if it only was typed
     * @param reuse what it may be used for again, in a few words
     * @param mark class of the reuse, for its colour
     * @param face its used face as it was seen at its worst, as a path; empty if nobody looked
     * @param facts what else was seen
     * @param sheet the latest sheet with it; empty if there is none
     */
    record Item(
            String name,
            Optional<String> shelf,
            String reuse,
            String mark,
            String why,
            String face,
            List<String> facts,
            Optional<String> sheet,
            String met) {}

    /** Where an item was looked at. */
    private record Seen(long id, Comparison comparison, int number) {
        Stream<Observation> looks(String question) {
            Optional<Question> asked = comparison.kind().question(question);
            return asked.filter(q -> q.measure().isPresent()).stream()
                    .flatMap(q -> comparison.places().stream()
                            .filter(p -> p.contender() == number)
                            .flatMap(p -> comparison.seen(q, p.code()).stream()));
        }
    }

    static List<Item> of(List<RackStore.Met> met, Map<Long, Comparison> comparisons, Clock clock) {
        Map<String, List<RackStore.Met>> byName = met.stream()
                .collect(Collectors.groupingBy(
                        m -> m.name().toLowerCase(Locale.ROOT), LinkedHashMap::new, Collectors.toList()));
        record Ranked(Reuse reuse, Item item) {}
        return byName.values().stream()
                .map(same -> {
                    List<Seen> seen = same.stream()
                            .flatMap(m -> m
                                    .comparison()
                                    .filter(comparisons::containsKey)
                                    .map(id -> new Seen(id, comparisons.get(id), m.number()))
                                    .stream())
                            .toList();
                    List<Integer> faces = levels(seen, "release");
                    Reuse reuse = Reuse.of(faces);
                    return new Ranked(reuse, item(same, seen, faces, reuse, clock));
                })
                .sorted(Comparator.comparing(Ranked::reuse).reversed())
                .map(Ranked::item)
                .toList();
    }

    private static Item item(List<RackStore.Met> same, List<Seen> seen, List<Integer> faces, Reuse reuse, Clock clock) {
        Optional<Seen> latest = seen.stream().max(Comparator.comparingLong(Seen::id));
        return new Item(
                same.get(0).name(),
                same.stream().flatMap(m -> m.product().stream()).findFirst().map("/shelf/%d"::formatted),
                words(reuse),
                reuse.name().toLowerCase(Locale.ROOT).replace('_', '-'),
                why(faces, seen),
                faces.stream()
                        .min(Integer::compare)
                        .map(worst -> LevelDrawing.of(level(seen), worst))
                        .orElse(""),
                facts(seen),
                latest.map(s -> "/compare/%d/sheet".formatted(s.id())),
                latest.map(s -> "%s, the last time on %s"
                                .formatted(
                                        Figures.count(seen.size(), "comparison", "comparisons"),
                                        Figures.day(
                                                s.comparison()
                                                        .begun()
                                                        .atZone(clock.getZone())
                                                        .toLocalDate(),
                                                LocalDate.now(clock))))
                        .orElse("in no comparison yet"));
    }

    private static String words(Reuse reuse) {
        return switch (reuse) {
            case BACK -> "May go back into its water";
            case FRESH_FACE -> "A fresh face every pass";
            case NEVER_BACK -> "Each face once, never back";
            case UNKNOWN -> "Release not looked at yet";
        };
    }

    private static String why(List<Integer> faces, List<Seen> seen) {
        if (faces.isEmpty()) {
            return "Squeeze it five times under water and set its face beside an unused one: then it is known.";
        }
        int worst = faces.stream().min(Integer::compare).orElseThrow();
        return faces.size() == 1
                ? "Dirt let go in five squeezes: %s. Seen once."
                        .formatted(level(seen).said(worst))
                : "Dirt let go in five squeezes, at its worst: %s, of %s."
                        .formatted(level(seen).said(worst), Figures.count(faces.size(), "look", "looks"));
    }

    private static Level level(List<Seen> seen) {
        return (Level) seen.get(0)
                .comparison()
                .kind()
                .question("release")
                .orElseThrow()
                .measure()
                .orElseThrow();
    }

    private static List<Integer> levels(List<Seen> seen, String question) {
        return seen.stream()
                .flatMap(s -> s.looks(question))
                .map(o -> (int) Math.round(o.measure().score(o, 0).orElseThrow()))
                .toList();
    }

    private static List<String> facts(List<Seen> seen) {
        List<String> facts = new ArrayList<>();
        OptionalDouble held = mean(seen, "held");
        OptionalDouble left = mean(seen, "left");
        held.ifPresent(h -> facts.add("holds " + Figures.quantity(h, "g", 0)
                + (left.isPresent() && left.getAsDouble() <= h && h > 0
                        ? ", one wring takes out " + Figures.percent(Reuse.wrungOut(h, left.getAsDouble()))
                        : "")));
        for (String question : List.of("taken", "shape", "lint", "marks")) {
            mean(seen, question).ifPresent(m -> facts.add(told(seen, question, m)));
        }
        return facts;
    }

    private static String told(List<Seen> seen, String question, double mean) {
        Question q = seen.get(0).comparison().kind().question(question).orElseThrow();
        Measure measure = q.measure().orElseThrow();
        return "%s: %s"
                .formatted(
                        q.label(),
                        measure instanceof Level level
                                ? level.said((int) Math.round(mean))
                                : Figures.number(mean, mean == Math.rint(mean) ? 0 : 1));
    }

    private static OptionalDouble mean(List<Seen> seen, String question) {
        return seen.stream()
                .flatMap(s -> s.looks(question))
                .flatMapToDouble(o -> o.measure().score(o, 0).stream())
                .average();
    }
}
