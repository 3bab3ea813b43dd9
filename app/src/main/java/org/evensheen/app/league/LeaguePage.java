package org.evensheen.app.league;

import static org.evensheen.app.page.Figures.svg;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.verdicts.Strips;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.league.Network;
import org.evensheen.core.league.NextMeeting;
import org.evensheen.core.measure.Quality;

/** The league as its page shows it. */
record LeaguePage(
        List<Tab> qualities,
        List<Tab> likes,
        List<Choice> kinds,
        List<Choice> seasons,
        List<Choice> paints,
        String price,
        String quality,
        String alike,
        String text,
        String unit,
        String sentence,
        List<Table> tables,
        String next,
        String meet,
        List<String> odd,
        boolean empty,
        String query) {

    record Tab(String label, String address, boolean chosen) {}

    record Choice(String code, String label, boolean chosen) {}

    /** Products that meetings join. */
    record Table(List<Row> rows, String agree, String apart, String connect, String connectWords) {}

    /** A product. */
    record Row(
            String place,
            List<String> strips,
            String name,
            String address,
            String value,
            String range,
            String low,
            String width,
            String point,
            String zero,
            String behind,
            String when,
            boolean found,
            String how) {}

    static LeaguePage of(Tables.Table table, LocalDate today) {
        return new Writer(table, table.asked(), table.network(), table.taken(), table.shelf(), today)
                .write(table.counts(), table.likes());
    }

    private static boolean told(List<FindingStore.Kept> findings, String how) {
        return findings.stream().anyMatch(k -> how.equals(k.document().told()));
    }

    private static String signed(double value, int decimals) {
        String number = Figures.number(value, decimals);
        return value > 0 && !number.matches("[0.]+") ? "+" + number : number;
    }

    /** A difference in the unit of a table. */
    static String told(List<FindingStore.Kept> findings, double value) {
        double scaled = scale(findings).applyAsDouble(value);
        return told(findings, Findings.TIMES)
                ? Figures.times(scaled)
                : signed(scaled, told(findings, Findings.SHARE) ? 0 : 1);
    }

    private static final long SEED = 20_260_202;

    /** From what is ranked to what is told: times, points of bare's reading, or the unit of the score. */
    static DoubleUnaryOperator scale(List<FindingStore.Kept> findings) {
        return told(findings, Findings.TIMES)
                ? Math::exp
                : told(findings, Findings.SHARE) ? value -> 100 * value : value -> value;
    }

    private record Writer(
            Tables.Table table,
            Tables.Asked asked,
            Network network,
            List<FindingStore.Kept> findings,
            Map<String, FindingStore.Shelved> shelf,
            LocalDate today) {

        LeaguePage write(List<FindingStore.Count> counts, List<String> likes) {
            List<Network.Part> parts = network.parts();
            Optional<NextMeeting> next =
                    parts.stream().findFirst().flatMap(p -> NextMeeting.of(p, table.meetings(), SEED));
            return new LeaguePage(
                    counts.stream()
                            .flatMap(c -> Quality.ofCode(c.quality()).stream())
                            .map(q -> new Tab(q.label(), "/verdicts?quality=" + q.code(), q == asked.quality()))
                            .toList(),
                    likes.stream()
                            .map(l -> new Tab(
                                    l,
                                    "/verdicts?quality=%s&alike=%s"
                                            .formatted(
                                                    asked.quality().code(),
                                                    URLEncoder.encode(l, StandardCharsets.UTF_8)),
                                    l.equals(asked.alike())))
                            .toList(),
                    kinds(),
                    choices(asked.season(), "spring", "summer", "autumn", "winter"),
                    choices(asked.paint(), "soft", "average", "hard"),
                    asked.price(),
                    asked.quality().code(),
                    asked.alike(),
                    asked.text(),
                    unit(),
                    sentence(),
                    java.util.stream.IntStream.range(0, parts.size())
                            .mapToObj(i -> table(parts.get(i), i))
                            .filter(t -> !t.rows().isEmpty())
                            .toList(),
                    next.map(Writer::next).orElse(""),
                    next.map(n -> meet(n.first(), n.second())).orElse(""),
                    Stream.concat(parts.stream().flatMap(p -> odd(p).stream()), waiting(counts))
                            .toList(),
                    parts.isEmpty(),
                    asked.query());
        }

        /** What would part the first two. */
        private static String next(NextMeeting next) {
            NextMeeting.Chance one = next.chances().get(0);
            String two = "%s and %s".formatted(next.first(), next.second());
            String oneMore = "One more meeting of %s, like those there were, would part them in %s of 100 rehearsals"
                    .formatted(two, hundredths(one));
            return next.fewest()
                    .map(f -> f.meetings() == 1
                            ? oneMore + "."
                            : "%s, %d more in %s.".formatted(oneMore, f.meetings(), hundredths(f)))
                    .orElseGet(() -> {
                        NextMeeting.Chance most =
                                next.chances().get(next.chances().size() - 1);
                        return "%s, even %d more in %s only: they may be too alike."
                                .formatted(oneMore, most.meetings(), hundredths(most));
                    });
        }

        private static String hundredths(NextMeeting.Chance chance) {
            return Figures.number(100 * chance.parts(), 0);
        }

        private static String meet(String one, String other) {
            return "/compare?name0=%s&name1=%s"
                    .formatted(
                            URLEncoder.encode(one, StandardCharsets.UTF_8),
                            URLEncoder.encode(other, StandardCharsets.UTF_8));
        }

        /** What is left out until it is worked out by the method in use. */
        private Stream<String> waiting(List<FindingStore.Count> counts) {
            long old = counts.stream()
                    .filter(c -> c.quality().equals(asked.quality().code()))
                    .mapToLong(FindingStore.Count::old)
                    .sum();
            Stream<String> unread = asked.price().isEmpty()
                            || Tables.price(asked.price()).isPresent()
                    ? Stream.empty()
                    : Stream.of("A price is a number like 20 or 12.50; “%s” was left out.".formatted(asked.price()));
            Stream<String> left = old == 0
                    ? Stream.empty()
                    : Stream.of("%s by an older method are left out until they are worked out again."
                            .formatted(Figures.count(old, "finding", "findings")));
            return Stream.concat(unread, left);
        }

        private List<Choice> kinds() {
            TreeSet<String> codes = new TreeSet<>();
            shelf.values().forEach(s -> codes.add(s.kind()));
            return codes.stream()
                    .map(c -> new Choice(
                            c, ProductKind.ofCode(c).map(k -> k.label()).orElse(c), c.equals(asked.kind())))
                    .toList();
        }

        private static List<Choice> choices(String chosen, String... codes) {
            return java.util.stream.Stream.of(codes)
                    .map(c -> new Choice(c, c, c.equals(chosen)))
                    .toList();
        }

        private boolean logs() {
            return LeaguePage.told(findings, Findings.TIMES);
        }

        private boolean share() {
            return LeaguePage.told(findings, Findings.SHARE);
        }

        private String unit() {
            return logs()
                    ? "times the average here"
                    : share() ? "points of bare, beside the average here" : "beside the average here";
        }

        private String told(double value) {
            return LeaguePage.told(findings, value);
        }

        private String sentence() {
            List<Network.Part> parts = network.parts();
            if (parts.isEmpty()) {
                return "Nothing was found yet on %s that can be set side by side."
                        .formatted(asked.quality().words());
            }
            Network.Part first = parts.get(0);
            List<String> leaders = first.lines().stream()
                    .filter(l -> l.place() == 1)
                    .map(Network.Line::product)
                    .toList();
            String lead = leaders.size() == 1
                    ? "%s leads".formatted(leaders.get(0))
                    : leaders.size() > 3
                            ? "%d products share the lead".formatted(leaders.size())
                            : "%s share the lead".formatted(String.join(" and ", leaders));
            return "%s on %s, of %s in %s."
                    .formatted(
                            lead,
                            asked.quality().words(),
                            Figures.count(first.lines().size(), "product", "products"),
                            what(findings));
        }

        /** "3 studies, 1 afternoon". */
        private static String what(List<FindingStore.Kept> of) {
            long studies =
                    of.stream().filter(k -> k.source().table().equals("study")).count();
            long afternoons = of.size() - studies;
            return Stream.of(
                            studies == 0 ? "" : Figures.count(studies, "study", "studies"),
                            afternoons == 0 ? "" : Figures.count(afternoons, "afternoon", "afternoons"))
                    .filter(w -> !w.isEmpty())
                    .collect(Collectors.joining(" and "));
        }

        private Table table(Network.Part part, int nth) {
            List<Network.Line> lines = part.lines();
            double most = lines.stream()
                    .flatMap(l -> java.util.stream.Stream.of(
                            Math.abs(l.value().interval().low()),
                            Math.abs(l.value().interval().high())))
                    .mapToDouble(d -> d)
                    .max()
                    .orElse(1);
            List<List<String>> strips = Strips.of(
                    lines.size(),
                    (i, j) -> part.between(lines.get(i).product(), lines.get(j).product())
                            .apart());
            List<Row> rows = new ArrayList<>();
            for (int i = 0; i < lines.size(); i++) {
                rows.add(row(lines.get(i), strips.get(i), most));
            }
            Optional<String> lead = nth == 0
                    ? Optional.empty()
                    : network.parts().get(0).lines().stream()
                            .max(Comparator.comparingInt(Network.Line::meetings))
                            .map(Network.Line::product);
            String own = lines.get(0).product();
            return new Table(
                    rows,
                    part.freedom() == 0
                            ? "No two ways lead from one of these to another, so nothing here was checked by a second way."
                            : part.p() < Network.LOOK
                                    ? "The studies don't agree with each other (Q %s on %s, p %s)."
                                            .formatted(
                                                    Figures.number(part.q(), 1),
                                                    Figures.count(part.freedom(), "degree", "degrees"),
                                                    Figures.p(part.p()))
                                    : "The studies agree, as far as they meet (Q %s on %s, p %s)."
                                            .formatted(
                                                    Figures.number(part.q(), 1),
                                                    Figures.count(part.freedom(), "degree", "degrees"),
                                                    Figures.p(part.p())),
                    nth == 0 ? "" : "These never met the ones above, nor anything that did.",
                    lead.map(l -> meet(own, l)).orElse(""),
                    lead.map(l -> "Compare %s with %s: that would connect them".formatted(own, l))
                            .orElse(""));
        }

        private Row row(Network.Line line, List<String> strips, double most) {
            Interval i = line.value().interval();
            List<FindingStore.Kept> own = findings.stream()
                    .filter(k -> k.document().products().contains(line.product()))
                    .toList();
            List<String> footings = List.of("firm", "fair", "thin", "anecdote");
            String best = own.stream()
                    .map(FindingStore.Kept::footing)
                    .min(Comparator.comparingInt(footings::indexOf))
                    .orElse("");
            Optional<LocalDate> latest = own.stream().map(FindingStore.Kept::on).max(Comparator.naturalOrder());
            return new Row(
                    String.valueOf(line.place()),
                    strips,
                    line.product(),
                    Optional.ofNullable(shelf.get(line.product()))
                            .map(s -> "/shelf/" + s.id())
                            .orElse(""),
                    told(line.value().value()),
                    "%s to %s".formatted(told(i.low()), told(i.high())),
                    at(i.low(), most),
                    svg(Math.max(0.4, 50 * (i.high() - i.low()) / most)) + "%",
                    at(line.value().value(), most),
                    "50%",
                    "%s, %s at best".formatted(what(own), best),
                    latest.map(l -> "last on %s, %s"
                                    .formatted(
                                            Figures.day(l, today),
                                            own.get(0).document().bed()))
                            .orElse(""),
                    !asked.text().isEmpty()
                            && line.product()
                                    .toLowerCase(Locale.ROOT)
                                    .contains(asked.text().toLowerCase(Locale.ROOT)),
                    "/verdicts/behind?%s&product=%s"
                            .formatted(asked.query(), URLEncoder.encode(line.product(), StandardCharsets.UTF_8)));
        }

        private static String at(double value, double most) {
            return svg(Math.max(0, Math.min(100, 50 + 50 * value / most))) + "%";
        }

        /** Who disagrees with the rest, in words. */
        private List<String> odd(Network.Part part) {
            List<String> told = new ArrayList<>();
            for (Network.Odd o : part.odd()) {
                String question = findings.stream()
                        .filter(k -> k.source().toString().equals(o.source()))
                        .map(k -> k.document().question())
                        .findFirst()
                        .orElse(o.source());
                told.add("“%s” shows %s %s than all the others do, by %s standard errors%s"
                        .formatted(
                                question,
                                o.product(),
                                o.off() > 0 ? "better" : "worse",
                                Figures.number(Math.abs(o.off()), 1),
                                o.sure() ? ": that is no chance." : "."));
            }
            if (!told.isEmpty() && part.odd().stream().noneMatch(Network.Odd::sure)) {
                told.add("Of %d such looks, %s would stand out by chance."
                        .formatted(part.looks(), Figures.number(Network.LOOK * part.looks(), 0)));
            }
            return told;
        }
    }
}
