package org.evensheen.app.sidebyside;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Kind;
import org.evensheen.core.sidebyside.Sheet;
import org.evensheen.core.study.Contender;
import org.jspecify.annotations.Nullable;

/**
 * The sheet as a page.
 *
 * @param help the one thing that would help most; null if nothing on hand would
 */
record SheetPage(
        String sentence,
        String what,
        String when,
        List<Picture> rounds,
        List<StepView.Goes> goes,
        List<Line> lines,
        List<Taken> taken,
        String trust,
        List<String> doubts,
        @Nullable Help help,
        int roundCount,
        String unit,
        List<Brought> brought,
        String question,
        List<Shots> shots,
        List<Came> came,
        String cameTold,
        List<String> steady,
        List<Help> others,
        UUID planKey) {

    /** What was photographed at one step, place by place. */
    record Shots(String at, List<Shot> shots) {}

    record Shot(long id, String caption) {}

    /** How a contender was come by, to choose. */
    record Came(String field, String name, List<How> hows) {}

    record How(String value, boolean chosen) {}

    private static final List<String> HOWS = List.of("bought", "given", "lent", "paid for", "own make");

    /** What bars and counts mean; empty if there are no bars. */
    public String legend() {
        List<Bar> barred = lines.stream()
                .flatMap(l -> l.bars.stream())
                .filter(b -> !b.chance.isEmpty())
                .toList();
        if (barred.isEmpty()) {
            return "";
        }
        return "Bar: the chance of being the best."
                + barred.stream()
                        .map(Bar::seen)
                        .filter(seen -> seen.matches("\\d+ of \\d+"))
                        .findFirst()
                        .map(seen -> " %s: the better one in %s pairs it was asked about.".formatted(seen, seen))
                        .orElse("");
    }

    /** A question with how it came out; {@code bars} best first; {@code job} that begins with it, with who is {@code ahead} at it. */
    record Line(String job, String ahead, String label, String outcome, boolean told, List<Bar> bars) {
        /** What was seen of each, in a line. */
        public String seen() {
            return bars.stream().map(b -> b.name() + ": " + b.seen()).collect(Collectors.joining("; "));
        }
    }

    /** A contender with what went on, and what it took. */
    record Taken(String name, String took) {}

    /** A contender's chance of being first, as far as there is one. */
    record Bar(String name, String width, String chance, String seen) {}

    /** A contender as the Planner takes it. */
    record Brought(String name, String what, String way, String dose, String source) {}

    /** What the Planner calls the places: taped sections, unless they are something else. */
    private static String unit(Comparison c) {
        return switch (c.shape()) {
            case WHEELS, TYRE_PARTS -> "wheel";
            case ITEMS -> "item";
            case VEHICLE -> "side";
            case HALVES, QUARTERS, THIRDS, STRIPS, PANES, SEAT_HALVES, JARS -> "section";
        };
    }

    /**
     * Something that would help.
     *
     * @param step where it is done; empty if by a round more
     */
    record Help(String button, String brings, boolean again, String step) {}

    static SheetPage of(Comparison c, Sheet sheet, String when, List<ShotStore.Shot> shots) {
        return new SheetPage(
                SheetWords.sentence(c, sheet),
                SheetWords.what(c),
                when,
                java.util.stream.IntStream.rangeClosed(1, c.rounds())
                        .mapToObj(r -> Picture.of(c, r))
                        .toList(),
                c.places().stream()
                        .map(p -> new StepView.Goes(
                                p.code(), SheetWords.place(c, p), c.on(p.code()).name(), "", 0, 0, "", ""))
                        .toList(),
                lines(c, sheet),
                sheet.spent().stream()
                        .map(t -> new Taken(c.contenders().get(t.contender()).name(), SheetWords.spent(c, t)))
                        .toList(),
                SheetWords.trust(sheet.trust()),
                sheet.doubts().stream().map(d -> SheetWords.doubt(c, d)).toList(),
                sheet.help().map(h -> help(c, h)).orElse(null),
                c.rounds(),
                unit(c),
                c.contenders().stream().map(x -> brought(c, x)).toList(),
                "Which lasts: %s?"
                        .formatted(c.contenders().stream().map(Contender::name).collect(Collectors.joining(" or "))),
                shots(c, shots),
                c.contenders().stream().map(x -> came(c, x)).toList(),
                SheetWords.came(c),
                Stream.concat(
                                sheet.steadiness().stream().map(SheetWords::steadiness),
                                sheet.agreement().stream().map(SheetWords::agreement))
                        .toList(),
                sheet.helps().stream().skip(1).map(h -> help(c, h)).toList(),
                UUID.randomUUID());
    }

    private static Help help(Comparison c, Sheet.Help h) {
        return new Help(
                SheetWords.help(c, h), SheetWords.brings(c, h), h.remedy() == Sheet.Remedy.EXCHANGE_SIDES, h.step());
    }

    private static Came came(Comparison c, Contender x) {
        String said = c.came(x.number()).orElse("");
        return new Came(
                "came/" + x.number(),
                x.name(),
                HOWS.stream().map(h -> new How(h, h.equals(said))).toList());
    }

    /** Photos of the same look beside each other, whatever the place. */
    private static List<Shots> shots(Comparison c, List<ShotStore.Shot> all) {
        Map<String, List<Shot>> byLook = new LinkedHashMap<>();
        all.forEach(s -> byLook.computeIfAbsent(look(c, s.step()), k -> new ArrayList<>())
                .add(new Shot(
                        s.id(), "%s, %s".formatted(s.code(), c.on(s.code()).name()))));
        return byLook.entrySet().stream()
                .map(e -> new Shots(e.getKey(), e.getValue()))
                .toList();
    }

    private static String look(Comparison c, String step) {
        String code = step.substring(0, step.indexOf('/'));
        return code.equals("before")
                ? "before"
                : c.kind().question(code).map(q -> q.label()).orElse(code);
    }

    /** What was typed as a name before a comma is taken for a product, what stood after it for the way it is used. */
    private static Brought brought(Comparison all, Contender c) {
        String name = c.made().isEmpty() ? c.way().replaceFirst(", .*", "") : c.made();
        String way = c.name().equals(name)
                ? ""
                : c.name().substring(Math.min(c.name().length(), name.length() + 2));
        return new Brought(
                name,
                way.isEmpty() ? "" : Contender.Kind.METHOD.code(),
                way,
                all.places().stream()
                        .filter(p -> p.contender() == c.number())
                        .flatMap(p -> all.dosed(p.code()).stream())
                        .flatMap(d -> d.dose().stream())
                        .map(Dose::print)
                        .findFirst()
                        .orElse(""),
                source(all.came(c.number()).orElse("")));
    }

    private static String source(String came) {
        return switch (came) {
            case "bought", "lent" -> came;
            case "given" -> "gifted";
            case "paid for" -> "sponsored";
            default -> "undisclosed";
        };
    }

    /** Questions in their order; where a kind has several jobs, job by job. */
    static List<Line> lines(Comparison c, Sheet sheet) {
        List<Line> lines = new ArrayList<>();
        List<Sheet.Row> left = new ArrayList<>(sheet.rows());
        for (Kind.Job job : c.kind().jobs()) {
            List<Sheet.Row> rows = sheet.rows().stream()
                    .filter(r -> job.asks().contains(r.question().code()))
                    .toList();
            for (int i = 0; i < rows.size(); i++) {
                lines.add(
                        line(c, rows.get(i), i == 0 ? job.label() : "", i == 0 ? SheetWords.job(c, sheet, rows) : ""));
            }
            left.removeAll(rows);
        }
        left.forEach(r -> lines.add(line(c, r, "", "")));
        return List.copyOf(lines);
    }

    private static Line line(Comparison c, Sheet.Row row, String job, String ahead) {
        return new Line(
                job,
                ahead,
                SheetWords.label(c, row),
                SheetWords.outcome(c, row),
                row.outcome() == Sheet.Outcome.SETTLED || row.outcome() == Sheet.Outcome.AHEAD,
                row.standings().stream()
                        .map(s -> new Bar(
                                c.contenders().get(s.contender()).name(),
                                Figures.svg(100 * s.chance().orElse(0)) + "%",
                                s.chance().isPresent()
                                        ? Figures.percent(s.chance().getAsDouble())
                                        : "",
                                SheetWords.seen(c, row, s)))
                        .toList());
    }
}
