package org.evensheen.app.sidebyside;

import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.core.sidebyside.Comparison;
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
        String trust,
        List<String> doubts,
        @Nullable Help help,
        int roundCount,
        List<Brought> brought,
        String question,
        UUID planKey) {

    /** A question with how it came out; {@code bars} best first. */
    record Line(String label, String outcome, boolean told, List<Bar> bars) {}

    /** A contender's chance of being first, as far as there is one. */
    record Bar(String name, String width, String chance, String seen) {}

    /** A contender as the Planner takes it. */
    record Brought(String name, String what, String way) {}

    record Help(String button, String brings, boolean again) {}

    static SheetPage of(Comparison c, Sheet sheet, String when) {
        return new SheetPage(
                SheetWords.sentence(c, sheet),
                SheetWords.what(c),
                when,
                java.util.stream.IntStream.rangeClosed(1, c.rounds())
                        .mapToObj(r -> Picture.of(c, r))
                        .toList(),
                c.places().stream()
                        .map(p -> new StepView.Goes(
                                p.code(), p.name(), c.on(p.code()).name()))
                        .toList(),
                sheet.rows().stream().map(r -> line(c, r)).toList(),
                SheetWords.trust(sheet.trust()),
                sheet.doubts().stream().map(d -> SheetWords.doubt(c, d)).toList(),
                sheet.help()
                        .map(h -> new Help(
                                SheetWords.help(h), SheetWords.brings(h), h.remedy() == Sheet.Remedy.EXCHANGE_SIDES))
                        .orElse(null),
                c.rounds(),
                c.contenders().stream().map(SheetPage::brought).toList(),
                "Which lasts: %s?"
                        .formatted(c.contenders().stream().map(Contender::name).collect(Collectors.joining(" or "))),
                UUID.randomUUID());
    }

    /** What was typed as a name before a comma is taken for a product, what stood after it for the way it is used. */
    private static Brought brought(Contender c) {
        String name = c.made().isEmpty() ? c.way().replaceFirst(", .*", "") : c.made();
        String way = c.name().equals(name)
                ? ""
                : c.name().substring(Math.min(c.name().length(), name.length() + 2));
        return new Brought(name, way.isEmpty() ? "" : Contender.Kind.METHOD.code(), way);
    }

    private static Line line(Comparison c, Sheet.Row row) {
        return new Line(
                row.question().label(),
                SheetWords.outcome(c, row),
                row.outcome() == Sheet.Outcome.SETTLED || row.outcome() == Sheet.Outcome.AHEAD,
                row.standings().stream()
                        .map(s -> new Bar(
                                c.contenders().get(s.contender()).name(),
                                Figures.svg(100 * s.chance().orElse(0)) + "%",
                                s.chance().isPresent()
                                        ? Figures.percent(s.chance().getAsDouble())
                                        : "",
                                SheetWords.seen(row, s)))
                        .toList());
    }
}
