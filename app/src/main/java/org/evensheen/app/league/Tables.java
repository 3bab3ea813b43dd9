package org.evensheen.app.league;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Missing;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.league.Meeting;
import org.evensheen.core.league.Network;
import org.evensheen.core.measure.Quality;
import org.springframework.stereotype.Component;

/** Puts together tables of the league, and where a product stands in them. */
@Component
class Tables {
    private final FindingStore store;
    /** The same meetings have one ranking. */
    private final Cache<List<Meeting>, Network> worked =
            Caffeine.newBuilder().maximumSize(40).build();

    Tables(FindingStore store) {
        this.store = store;
    }

    /**
     * What is looked for.
     *
     * @param price the most that a bottle may cost; empty for any
     */
    record Asked(Quality quality, String alike, String kind, String season, String paint, String price, String text) {
        /** What this table was asked for, to ask for it again: a table is known by that. */
        String query() {
            return Stream.of(
                            List.of("quality", quality.code()),
                            List.of("alike", alike),
                            List.of("kind", kind),
                            List.of("season", season),
                            List.of("paint", paint),
                            List.of("price", price))
                    .filter(p -> !p.get(1).isEmpty())
                    .map(p -> p.get(0) + "=" + URLEncoder.encode(p.get(1), StandardCharsets.UTF_8))
                    .collect(Collectors.joining("&"));
        }

        /** The same of other looks. */
        Asked alike(String other) {
            return new Asked(quality, other, kind, season, paint, price, text);
        }
    }

    /**
     * A table with what it rests on.
     *
     * @param shelf its products that are on the Shelf, by name
     */
    record Table(
            Asked asked,
            List<FindingStore.Count> counts,
            List<String> likes,
            Network network,
            List<Meeting> meetings,
            List<FindingStore.Kept> taken,
            Map<String, FindingStore.Shelved> shelf) {
        /** As it is told on a day. */
        LeaguePage on(LocalDate today) {
            return LeaguePage.of(this, today);
        }

        /** When the latest of it was found; the first of all days if nothing was. */
        LocalDate latest() {
            return taken.stream()
                    .map(FindingStore.Kept::on)
                    .max(Comparator.naturalOrder())
                    .orElse(LocalDate.EPOCH);
        }
    }

    Table table(Map<String, String> sent) {
        List<FindingStore.Count> counts = store.counts(Findings.METHOD);
        Quality chosen = Quality.ofCode(sent.getOrDefault("quality", ""))
                .or(() -> counts.stream()
                        .max(Comparator.comparingLong(FindingStore.Count::findings))
                        .flatMap(c -> Quality.ofCode(c.quality())))
                .orElse(Quality.SLICKNESS);
        List<FindingStore.Kept> all = store.on(chosen, Findings.METHOD);
        Set<String> likes = new LinkedHashSet<>(
                all.stream().map(FindingStore.Kept::alike).sorted().toList());
        String alike = sent.getOrDefault("alike", "");
        String like = likes.contains(alike)
                ? alike
                : likes.stream()
                        .max(Comparator.comparingLong(l ->
                                all.stream().filter(k -> k.alike().equals(l)).count()))
                        .orElse("");
        Map<String, FindingStore.Shelved> shelf = shelf(all);
        Asked asked = new Asked(
                chosen,
                like,
                sent.getOrDefault("kind", ""),
                sent.getOrDefault("season", ""),
                sent.getOrDefault("paint", ""),
                sent.getOrDefault("price", "").strip(),
                sent.getOrDefault("text", "").strip());
        List<FindingStore.Kept> taken = all.stream()
                .filter(k -> k.alike().equals(like))
                .filter(k -> asked.season().isEmpty() || season(k.on()).equals(asked.season()))
                .filter(k -> asked.paint().isEmpty() || k.document().paint().equals(asked.paint()))
                .toList();
        Predicate<String> wanted = wanted(asked.kind(), asked.price(), shelf);
        List<Meeting> meetings =
                taken.stream().flatMap(k -> meeting(k, wanted).stream()).toList();
        return new Table(asked, counts, List.copyOf(likes), worked.get(meetings, Network::of), meetings, taken, shelf);
    }

    /** How a product stands, in a line. */
    record Stands(String quality, String words, String address) {}

    String named(long id) {
        return store.named(id).orElseThrow(() -> new Missing("There is no product %d.".formatted(id)));
    }

    /**
     * Where a product stands, with what that rests on.
     *
     * @param latest when the latest of it was found; the first of all days if nothing was
     */
    record Standing(List<Stands> lines, LocalDate latest) {}

    Standing standing(String name) {
        List<FindingStore.Of> around = store.around(name, Findings.METHOD);
        return new Standing(
                stands(name, around),
                around.stream()
                        .map(o -> o.kept().on())
                        .max(Comparator.naturalOrder())
                        .orElse(LocalDate.EPOCH));
    }

    private List<Stands> stands(String name, List<FindingStore.Of> around) {
        List<Stands> lines = new ArrayList<>();
        around.stream()
                .collect(Collectors.groupingBy(
                        o -> List.of(o.quality().code(), o.kept().alike()), LinkedHashMap::new, Collectors.toList()))
                .values()
                .stream()
                .sorted(Comparator.comparing(
                                (List<FindingStore.Of> t) -> t.get(0).quality())
                        .thenComparing(t -> t.get(0).kept().alike()))
                .forEach(t -> stands(
                                name,
                                t.get(0).quality(),
                                t.get(0).kept().alike(),
                                t.stream().map(FindingStore.Of::kept).toList())
                        .ifPresent(lines::add));
        return lines;
    }

    private Optional<Stands> stands(String name, Quality quality, String alike, List<FindingStore.Kept> kept) {
        List<Meeting> meetings =
                kept.stream().flatMap(k -> meeting(k, p -> true).stream()).toList();
        return worked.get(meetings, Network::of).parts().stream()
                .flatMap(p -> p.lines().stream()
                        .filter(l -> l.product().equalsIgnoreCase(name))
                        .map(l -> new Stands(
                                "%s (%s)".formatted(quality.label(), alike),
                                "place %d of %d, %s"
                                        .formatted(
                                                l.place(),
                                                p.lines().size(),
                                                Figures.count(l.meetings(), "study", "studies")),
                                "/verdicts?quality=%s&alike=%s&text=%s"
                                        .formatted(
                                                quality.code(),
                                                URLEncoder.encode(alike, StandardCharsets.UTF_8),
                                                URLEncoder.encode(name, StandardCharsets.UTF_8)))))
                .findFirst();
    }

    private Map<String, FindingStore.Shelved> shelf(List<FindingStore.Kept> all) {
        Map<String, FindingStore.Shelved> shelf = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
        store.shelved(all.stream()
                        .flatMap(k -> k.document().products().stream())
                        .distinct()
                        .toList())
                .forEach(s -> shelf.put(s.name(), s));
        return shelf;
    }

    /** Whether a product is of a kind and costs no more a bottle than so much; without either, whether it is anything. */
    private static Predicate<String> wanted(String kind, String price, Map<String, FindingStore.Shelved> shelf) {
        Optional<BigDecimal> most = price(price);
        return product -> {
            Optional<FindingStore.Shelved> shelved = Optional.ofNullable(shelf.get(product));
            boolean rightKind =
                    kind.isEmpty() || shelved.filter(s -> s.kind().equals(kind)).isPresent();
            return rightKind
                    && (most.isEmpty()
                            || shelved.flatMap(Tables::cheapest)
                                    .filter(p -> p.compareTo(most.get()) <= 0)
                                    .isPresent());
        };
    }

    /** A price as typed, in whatever currency; empty if it is none. */
    static Optional<BigDecimal> price(String typed) {
        return typed.matches("\\d{1,6}([.,]\\d{1,2})?")
                ? Optional.of(new BigDecimal(typed.replace(',', '.')))
                : Optional.empty();
    }

    /** What its cheapest bottle costs by its label, in whatever currency that is. */
    private static Optional<BigDecimal> cheapest(FindingStore.Shelved shelved) {
        return LabelLine.read(shelved.line()).label().offers().stream()
                .flatMap(o -> o.price().stream())
                .map(Money::amount)
                .min(Comparator.naturalOrder());
    }

    /** A finding between the products that are wanted; empty if fewer than two of them are in it. */
    private static Optional<Meeting> meeting(FindingStore.Kept kept, Predicate<String> wanted) {
        FindingStore.Document d = kept.document();
        List<Integer> in = java.util.stream.IntStream.range(0, d.products().size())
                .filter(i -> wanted.test(d.products().get(i)))
                .boxed()
                .toList();
        return in.size() < 2
                ? Optional.empty()
                : Optional.of(new Meeting(
                        kept.source().toString(),
                        in.stream().map(d.products()::get).toList(),
                        in.stream().map(d.means()::get).toList(),
                        in.stream()
                                .map(i -> in.stream()
                                        .map(j -> d.covariance().get(i).get(j))
                                        .toList())
                                .toList()));
    }

    /** The season north of the equator. */
    static String season(LocalDate day) {
        return switch (day.getMonth()) {
            case MARCH, APRIL, MAY -> "spring";
            case JUNE, JULY, AUGUST -> "summer";
            case SEPTEMBER, OCTOBER, NOVEMBER -> "autumn";
            case DECEMBER, JANUARY, FEBRUARY -> "winter";
        };
    }
}
