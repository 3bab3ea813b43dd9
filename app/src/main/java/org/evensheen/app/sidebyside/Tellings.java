package org.evensheen.app.sidebyside;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Found;
import org.evensheen.core.sidebyside.Move;
import org.evensheen.core.sidebyside.Sheet;
import org.evensheen.core.sidebyside.Slip;
import org.evensheen.core.study.Contender;
import org.springframework.stereotype.Component;

/** Tells of afternoons in the words of their sheets. */
@Component
public class Tellings {
    private final ComparisonStore comparisons;
    private final Sheets sheets;
    private final ShotStore shots;
    private final Clock clock;

    Tellings(ComparisonStore comparisons, Sheets sheets, ShotStore shots, Clock clock) {
        this.comparisons = comparisons;
        this.sheets = sheets;
        this.shots = shots;
        this.clock = clock;
    }

    /**
     * An afternoon in words.
     *
     * @throws org.evensheen.app.page.Missing if there is none by that number
     */
    public Telling of(long id) {
        Comparison c = comparisons.load(id);
        Sheet sheet = sheets.of(id, c);
        SheetPage page = SheetPage.of(c, sheet, "", shots.of(id));
        return new Telling(
                c.contenders().stream().map(Contender::name).collect(Collectors.joining(" / ")),
                page.what(),
                c.begun().atZone(clock.getZone()).toLocalDate(),
                page.sentence(),
                page.lines().stream()
                        .map(l -> "%s: %s. %s."
                                .formatted(capital(l.label()), l.outcome().replaceFirst("\\.$", ""), l.seen()))
                        .toList(),
                page.taken().stream()
                        .map(t -> "%s: %s.".formatted(t.name(), t.took()))
                        .toList(),
                page.trust(),
                Stream.concat(page.doubts().stream(), page.steady().stream()).toList(),
                method(c),
                unanswered(c, sheet),
                c.slips().stream()
                        .map(Slip::words)
                        .map(Tellings::capital)
                        .map(s -> s + ".")
                        .toList(),
                c.contenders().stream()
                        .map(x -> "%s: %s."
                                .formatted(x.name(), c.came(x.number()).orElse("how it was come by was not told")))
                        .toList(),
                c.contenders().stream()
                        .map(Contender::made)
                        .filter(m -> !m.isEmpty())
                        .toList(),
                page.shots().stream()
                        .flatMap(s ->
                                s.shots().stream().map(p -> new Telling.Photo(p.id(), s.at() + ": " + p.caption())))
                        .toList(),
                c.said().stream()
                        .map(s -> "%s|%s|%s|%s|%s".formatted(s.step(), s.value(), s.by(), s.knew(), s.at()))
                        .collect(Collectors.joining("\n")),
                () -> weighable(id, c, sheet));
    }

    /** What an afternoon found in amounts, counts and times, if there were several rounds of it. */
    public List<Found> found(long id) {
        return Found.of(comparisons.load(id));
    }

    /** An afternoon as it can be weighed for a reader. */
    public Weighable weighable(long id) {
        Comparison c = comparisons.load(id);
        return weighable(id, c, sheets.of(id, c));
    }

    private static Weighable weighable(long id, Comparison c, Sheet sheet) {
        Map<Integer, Weighable.Took> took = new TreeMap<>();
        sheet.spent()
                .forEach(s -> took.put(
                        s.contender(),
                        new Weighable.Took(s.dose(), c.bottle(s.contender()).perMl(), s.minutes())));
        return new Weighable(
                id,
                c.said().size(),
                c.rounds(),
                c.contenders().stream().map(Contender::name).collect(Collectors.joining(" / ")),
                c.contenders(),
                SheetWords.singular(c.shape()),
                took,
                footing(sheet),
                sheet.helps().stream()
                        .filter(h -> h.remedy() == Sheet.Remedy.EXCHANGE_SIDES)
                        .mapToLong(Sheet.Help::minutes)
                        .findFirst()
                        .orElse(ROUND),
                sheet.spent().stream()
                        .map(s -> "%s: %s."
                                .formatted(c.contenders().get(s.contender()).name(), SheetWords.spent(c, s)))
                        .toList(),
                () -> Found.all(c));
    }

    /** Minutes that a round more takes where nothing tells. */
    private static final long ROUND = 30;

    /** How far an afternoon can be trusted, in the words of studies. */
    public Footing footing(long id) {
        return footing(sheets.of(id, comparisons.load(id)));
    }

    private static Footing footing(Sheet sheet) {
        return switch (sheet.trust()) {
            case STORY -> Footing.ANECDOTE;
            case HINT -> Footing.THIN;
            case FAIR -> Footing.FAIR;
        };
    }

    /** A photo of a place that stands, small. */
    public Optional<byte[]> picture(long photo) {
        return shots.picture(photo, true);
    }

    private static List<String> method(Comparison c) {
        List<String> lines = new ArrayList<>();
        lines.add("%s on %s in %s; which went where was drawn by lot%s."
                .formatted(
                        Figures.count(c.contenders().size(), "contender", "contenders"),
                        Figures.count(c.places().size(), "place", "places"),
                        Figures.count(c.rounds(), "round", "rounds"),
                        c.rounds() > 1 ? ", and sides were exchanged" : ""));
        List<String> moves =
                c.kind().moves().stream().map(Move::title).map(Tellings::small).toList();
        if (!moves.isEmpty()) {
            lines.add("Done on each alike: %s.".formatted(String.join("; ", moves)));
        }
        c.kind().moves().stream()
                .flatMap(m -> c.wetted(m.code()).stream())
                .distinct()
                .forEach(w -> lines.add("Wetted by %s.".formatted(w.label())));
        lines.add(
                "Answers about pairs are compared as wins, losses and ties; levels as orders, by exchanging the lots; counts, times and amounts each on its own scale. Whoever can't be told apart is not ranked.");
        return lines;
    }

    private static List<String> unanswered(Comparison c, Sheet sheet) {
        List<String> left = c.questions().stream()
                .filter(q -> sheet.rows().stream().noneMatch(r -> r.question().equals(q)))
                .map(q -> q.label())
                .toList();
        return left.isEmpty() || !c.rungs().isEmpty()
                ? List.of()
                : List.of("Not answered on two of them or more: %s.".formatted(String.join(", ", left)));
    }

    private static String capital(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    private static String small(String text) {
        return text.isEmpty() ? text : Character.toLowerCase(text.charAt(0)) + text.substring(1);
    }
}
