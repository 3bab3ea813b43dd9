package org.evensheen.app.studies;

import static org.evensheen.app.page.Figures.svg;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evensheen.app.page.Figures;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Occasion;

/**
 * Each product's chance of each place, for the foot of the Slate and for the verdict.
 *
 * @param title what the chances are of
 * @param note why there are none, or what limits them
 */
public record Standing(String title, List<String> places, List<Row> rows, String note) {

    /** A product with a cell for each place; its own is the product of the chosen section. */
    public record Row(String name, boolean own, List<Cell> cells, String spoken) {}

    /** A chance; the figure is left out below 10 %. */
    public record Cell(String percent, String figure, String y, String height) {}

    private static final double CELL = 20;

    /**
     * @param supposed whether a reading that is not kept yet is in it
     * @param own the product of the chosen section
     */
    public static Standing of(
            Study study,
            Measure measure,
            Optional<Verdict> verdict,
            Optional<Contender> own,
            boolean supposed,
            int day) {
        if (verdict.isEmpty()) {
            return new Standing(
                    "Chance of each place",
                    List.of(),
                    List.of(),
                    "Nothing to set side by side yet: read %s on two products, fresh or wetted again."
                            .formatted(measure.words().several()));
        }
        Verdict judged = verdict.get();
        int places = judged.results().size();
        String when = supposed
                ? ", if kept"
                : judged.at().day() == day ? "" : ", day " + judged.at().day();
        if (judged.scatter().isEmpty() && !judged.ofAnOrder()) {
            return new Standing(
                    "Chance of each place" + when,
                    List.of(),
                    List.of(),
                    "No chances yet: with one section each there is no telling a product from its place. "
                            + "A second section, or a second bare one, would show the scatter.");
        }
        if (judged.results().stream().anyMatch(r -> r.chances().isEmpty())) {
            return new Standing(
                    "Chance of each place" + when,
                    List.of(),
                    List.of(),
                    "No chances: not all products share a row, so what is between them may be the rows.");
        }
        List<Row> rows = judged.results().stream()
                .map(r -> row(study, r, own.filter(o -> o.equals(r.contender())).isPresent()))
                .toList();
        return new Standing(
                "Chance of each place" + when,
                IntStream.rangeClosed(1, places).mapToObj(String::valueOf).toList(),
                rows,
                note(study, judged));
    }

    private static String note(Study study, Verdict judged) {
        String unread = judged.unread().isEmpty()
                ? ""
                : "Not read on day %d: %s."
                        .formatted(
                                judged.at().day(),
                                judged.unread().stream().map(Contender::name).collect(Collectors.joining(", ")));
        String borrowed = judged.scatter()
                .filter(Verdict.Scatter::borrowed)
                .map(s -> "Scatter " + OutcomeWords.source(s) + ". ")
                .orElse("");
        return borrowed + unread;
    }

    private static Row row(Study study, Verdict.Result result, boolean own) {
        List<Cell> cells = result.chances().stream().map(Standing::cell).toList();
        String spoken = IntStream.range(0, cells.size())
                .filter(i -> result.chances().get(i) >= 0.005)
                .mapToObj(i ->
                        "place %d %s per cent".formatted(i + 1, cells.get(i).percent()))
                .collect(Collectors.joining(", "));
        return new Row(result.contender().name(), own, cells, spoken);
    }

    private static Cell cell(double chance) {
        String percent = Figures.number(chance * 100, 0);
        return new Cell(percent, chance >= 0.095 ? percent : "", svg(CELL * (1 - chance)), svg(CELL * chance));
    }

    /** Where the latest readings stand: "day 42, wetted again". */
    public static String words(Occasion at) {
        return "day %d, %s".formatted(at.day(), at.look().label());
    }
}
