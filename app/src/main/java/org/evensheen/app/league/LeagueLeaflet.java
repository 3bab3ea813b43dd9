package org.evensheen.app.league;

import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.answers.Leaflet;
import org.evensheen.app.answers.Report;
import org.evensheen.app.page.Figures;

/** A table of the league, and where a product stands, as they go out. */
final class LeagueLeaflet {
    private static final List<String> METHOD = List.of(
            "Products that never met are compared through those that both met: all differences that studies and afternoons found, by generalised least squares, each with its own uncertainty.",
            "Only like with like: the same look at the same quality. What no meeting joins is a table of its own, and is not compared.",
            "Products that can't be told apart share a place. Intervals hold in 95 of 100 such tables.");

    private LeagueLeaflet() {}

    static String question(String alike) {
        return "Every product tested: " + alike;
    }

    static Leaflet of(Tables.Table table) {
        LeaguePage page = table.on(table.latest());
        return new Leaflet(
                question(page.alike()),
                narrowed(page),
                table.latest(),
                page.sentence(),
                places(table),
                page.tables().stream()
                        .flatMap(t -> Stream.concat(
                                t.apart().isEmpty() ? Stream.empty() : Stream.of(t.apart()),
                                t.rows().stream().map(r -> line(page, r))))
                        .toList(),
                Stream.concat(page.tables().stream().map(LeaguePage.Table::agree), page.odd().stream())
                        .filter(n -> !n.isEmpty())
                        .toList(),
                METHOD,
                page.tables().stream()
                        .flatMap(t -> t.rows().stream())
                        .map(LeaguePage.Row::name)
                        .toList(),
                table.taken().stream()
                        .map(k -> k.source() + " " + k.on() + " " + k.document())
                        .sorted()
                        .collect(Collectors.joining("\n")),
                Findings.METHOD);
    }

    /** The largest table as numbers; what stands apart from it is told line by line. */
    private static List<Report.Place> places(Tables.Table table) {
        DoubleUnaryOperator told = LeaguePage.scale(table.taken());
        return table.network().parts().stream()
                .limit(1)
                .flatMap(p -> p.lines().stream())
                .map(l -> new Report.Place(
                        l.place(),
                        l.product(),
                        told.applyAsDouble(l.value().value()),
                        told.applyAsDouble(l.value().interval().low()),
                        told.applyAsDouble(l.value().interval().high()),
                        null,
                        Map.of()))
                .toList();
    }

    private static String line(LeaguePage page, LeaguePage.Row r) {
        return "%s. %s: %s %s (%s). %s; %s."
                .formatted(
                        r.place(),
                        r.name(),
                        r.value(),
                        page.unit().replaceFirst("^times ", ""),
                        r.range(),
                        r.behind(),
                        r.when());
    }

    private static String narrowed(LeaguePage page) {
        String by = Stream.of(page.kinds(), page.seasons(), page.paints())
                .flatMap(List::stream)
                .filter(LeaguePage.Choice::chosen)
                .map(LeaguePage.Choice::label)
                .collect(Collectors.joining(", "));
        return Stream.of(
                        by.isEmpty() ? "all that was found" : by,
                        page.price().isEmpty() ? "" : "bottle up to " + page.price())
                .filter(s -> !s.isEmpty())
                .collect(Collectors.joining(", "));
    }

    static Leaflet of(String product, Tables.Standing standing) {
        List<Tables.Stands> stands = standing.lines();
        return new Leaflet(
                product,
                "all that was found",
                standing.latest(),
                stands.isEmpty()
                        ? product + " stands in no table yet."
                        : "%s stands in %s.".formatted(product, Figures.count(stands.size(), "table", "tables")),
                List.of(),
                stands.stream()
                        .map(s -> "%s: %s.".formatted(s.quality(), s.words()))
                        .toList(),
                List.of(),
                METHOD,
                List.of(product),
                stands.stream().map(Tables.Stands::toString).collect(Collectors.joining("\n")),
                Findings.METHOD);
    }
}
