package org.evensheen.app.bench;

import static org.evensheen.app.page.Figures.svg;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evensheen.app.bench.DueStore.Cell;
import org.evensheen.app.bench.DueStore.Due;
import org.evensheen.app.page.Figures;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Words;
import org.evensheen.core.study.Look;
import org.jspecify.annotations.Nullable;

/**
 * What is due now, what was left open, and what comes.
 *
 * @param first the visit to begin with, its bed drawn; absent when nothing is due today
 */
record BenchPage(
        String date,
        String headline,
        @Nullable Now first,
        List<Line> alsoToday,
        List<Line> leftOpen,
        List<Line> ahead) {
    private static final int MOST_LINES = 8;
    private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);

    /** A due visit with its bed: sections that want readings are open. */
    record Now(
            Line line,
            String run,
            String progress,
            String wanted,
            String kit,
            String viewBox,
            String bedWidth,
            String bedHeight,
            List<Patch> patches) {}

    /** A section as drawn on the Bench. */
    record Patch(
            String code,
            String x,
            String y,
            String width,
            String height,
            String codeX,
            String codeY,
            boolean open,
            String address,
            String spoken) {}

    /** A visit in a line. */
    record Line(String address, String question, String what, String when, String wanting) {}

    static BenchPage of(List<Due> around, DueStore store, boolean work, LocalDate today) {
        List<Due> due = around.stream()
                .filter(d -> d.date().equals(today) && d.taken() < d.expected())
                .sorted(Comparator.comparingInt(d -> d.taken() - d.expected()))
                .toList();
        List<Due> open = around.stream()
                .filter(d -> d.date().isBefore(today) && d.taken() < d.expected())
                .toList();
        List<Due> ahead = around.stream()
                .filter(d -> d.date().isAfter(today))
                .limit(MOST_LINES)
                .toList();
        long wanting = due.stream().mapToLong(d -> d.expected() - d.taken()).sum();
        String headline = due.isEmpty()
                ? work ? "No readings today; there is work." : "Nothing is due today."
                : "%s due today, in %s."
                        .formatted(
                                Figures.count(wanting, "reading", "readings"),
                                Figures.count(due.size(), "study", "studies"));
        return new BenchPage(
                today.format(DATE),
                headline,
                due.isEmpty() ? null : now(due.get(0), store.cells(due.get(0)), today),
                due.stream().skip(1).limit(MOST_LINES).map(d -> line(d, today)).toList(),
                open.stream().limit(MOST_LINES).map(d -> line(d, today)).toList(),
                ahead.stream().map(d -> line(d, today)).toList());
    }

    private static Now now(Due due, List<Cell> cells, LocalDate today) {
        Map<String, Integer> bySection = sums(cells, Cell::code);
        Map<String, Integer> byMeasure = sums(cells, Cell::measure);
        byMeasure.values().removeIf(wanting -> wanting == 0);
        List<Cell> sections = cells.stream()
                .filter(c -> c.measure().equals(cells.get(0).measure()))
                .toList();
        double bedWidth = sections.get(0).bedWidth();
        double bedHeight = sections.get(0).bedHeight();
        double unit = 420 / bedWidth;
        List<Patch> patches = sections.stream()
                .map(s -> new Patch(
                        s.code(),
                        svg(s.x() * unit),
                        svg(s.y() * unit),
                        svg(s.width() * unit),
                        svg(s.height() * unit),
                        svg((s.x() + s.width() / 2) * unit),
                        svg((s.y() + s.height() / 2) * unit + 6),
                        bySection.get(s.code()) > 0,
                        address(due) + "&section=" + s.code(),
                        "Section %s: %s"
                                .formatted(
                                        s.code(),
                                        bySection.get(s.code()) > 0
                                                ? Figures.count(bySection.get(s.code()), "reading", "readings")
                                                        + " wanting"
                                                : "all read")))
                .toList();
        return new Now(
                line(due, today),
                "/studies/%d/run?day=%d".formatted(due.study(), due.day()),
                "%d of %d readings are in.".formatted(due.taken(), due.expected()),
                "Still wanted: "
                        + byMeasure.entrySet().stream().map(BenchPage::count).collect(Collectors.joining(", "))
                        + ".",
                "Lay out " + byMeasure.keySet().stream().map(BenchPage::kit).collect(Collectors.joining("; ")) + ".",
                "0 0 %s %s".formatted(svg(420), svg(bedHeight * unit)),
                svg(420),
                svg(bedHeight * unit),
                patches);
    }

    private static Map<String, Integer> sums(List<Cell> cells, Function<Cell, String> key) {
        return cells.stream()
                .collect(Collectors.groupingBy(key, LinkedHashMap::new, Collectors.summingInt(Cell::wanting)));
    }

    private static String count(Map.Entry<String, Integer> wanted) {
        Words words = Measures.ofCode(wanted.getKey()).orElseThrow().words();
        return Figures.count(wanted.getValue(), words.one(), words.several());
    }

    private static String kit(String measure) {
        return Measures.ofCode(measure).orElseThrow().words().layOut();
    }

    private static String address(Due due) {
        return "/studies/%d?day=%d&stage=%s".formatted(due.study(), due.day(), due.stage());
    }

    private static Line line(Due due, LocalDate today) {
        long away = ChronoUnit.DAYS.between(today, due.date());
        String when = switch ((int) away) {
            case 0 -> "today";
            case 1 -> "tomorrow";
            case -1 -> "yesterday";
            default -> away > 0 ? due.date().format(SHORT) : "%d days ago".formatted(-away);
        };
        String stage = Look.ofCode(due.stage()).orElseThrow().label();
        return new Line(
                address(due),
                due.question(),
                "%s: day %d, %s".formatted(due.bed(), due.day(), stage),
                when,
                due.date().isAfter(today)
                        ? Figures.count(due.expected(), "reading", "readings")
                        : Figures.count(due.expected() - due.taken(), "reading", "readings") + " wanting");
    }
}
