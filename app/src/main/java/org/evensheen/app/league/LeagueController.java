package org.evensheen.app.league;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Missing;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.league.Meeting;
import org.evensheen.core.league.Network;
import org.evensheen.core.measure.Quality;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Verdicts: the league of every product ever tested, and what each study came to. */
@Controller
class LeagueController {
    private static final int FARTHEST = 10_000;

    private final FindingStore store;
    private final Clock clock;
    /** The same meetings have one ranking. */
    private final Cache<List<Meeting>, Network> worked =
            Caffeine.newBuilder().maximumSize(40).build();

    LeagueController(FindingStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /** What is looked for. */
    record Asked(Quality quality, String alike, String kind, String season, String paint, String text) {}

    @GetMapping("/verdicts")
    String league(
            @RequestParam(defaultValue = "") String quality,
            @RequestParam(defaultValue = "") String alike,
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String season,
            @RequestParam(defaultValue = "") String paint,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(defaultValue = "0") int page,
            Model model) {
        List<FindingStore.Count> counts = store.counts();
        Quality chosen = Quality.ofCode(quality)
                .or(() -> counts.stream()
                        .max(java.util.Comparator.comparingLong(FindingStore.Count::findings))
                        .flatMap(c -> Quality.ofCode(c.quality())))
                .orElse(Quality.SLICKNESS);
        List<FindingStore.Kept> all = store.on(chosen, Findings.METHOD);
        Set<String> likes = new LinkedHashSet<>(
                all.stream().map(FindingStore.Kept::alike).sorted().toList());
        String like = likes.contains(alike)
                ? alike
                : likes.stream()
                        .max(java.util.Comparator.comparingLong(l ->
                                all.stream().filter(k -> k.alike().equals(l)).count()))
                        .orElse("");
        Map<String, FindingStore.Shelved> shelf = shelf(all);
        Asked asked = new Asked(chosen, like, kind, season, paint, text.strip());
        List<FindingStore.Kept> taken = all.stream()
                .filter(k -> k.alike().equals(like))
                .filter(k -> season.isEmpty() || season(k.on()).equals(season))
                .filter(k -> paint.isEmpty() || k.document().paint().equals(paint))
                .toList();
        List<Meeting> meetings =
                taken.stream().flatMap(k -> meeting(k, kind, shelf).stream()).toList();
        int shown = Math.max(0, Math.min(page, FARTHEST));
        List<FindingStore.Row> studies = store.studies(shown, StudyStore.PAGE);
        model.addAttribute(
                "page",
                LeaguePage.of(
                        asked,
                        counts,
                        List.copyOf(likes),
                        worked.get(meetings, Network::of),
                        taken,
                        shelf,
                        LocalDate.now(clock)));
        model.addAttribute("studies", studies);
        model.addAttribute("older", studies.size() == StudyStore.PAGE ? shown + 1 : null);
        return "league/league";
    }

    /** How a product stands, in a line. */
    record Stands(String quality, String words, String address) {}

    /** Where a product of the Shelf stands in every table it is in. */
    @GetMapping("/shelf/{id}/league")
    String product(@PathVariable long id, Model model) {
        String name = store.named(id).orElseThrow(() -> new Missing("There is no product %d.".formatted(id)));
        List<Stands> lines = new ArrayList<>();
        for (FindingStore.Count count : store.counts()) {
            Quality quality = Quality.ofCode(count.quality()).orElseThrow();
            store.on(quality, Findings.METHOD).stream()
                    .collect(Collectors.groupingBy(FindingStore.Kept::alike, TreeMap::new, Collectors.toList()))
                    .forEach((alike, kept) -> stands(name, quality, alike, kept).ifPresent(lines::add));
        }
        model.addAttribute("lines", lines);
        return "league/league :: product";
    }

    private Optional<Stands> stands(String name, Quality quality, String alike, List<FindingStore.Kept> kept) {
        List<Meeting> meetings =
                kept.stream().flatMap(k -> meeting(k, "", Map.of()).stream()).toList();
        return worked.get(meetings, Network::of).parts().stream()
                .flatMap(p -> p.lines().stream()
                        .filter(l -> l.product().equalsIgnoreCase(name))
                        .map(l -> new Stands(
                                quality.label(),
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

    /** A finding between the products of a kind; empty if fewer than two of them are in it. */
    private static Optional<Meeting> meeting(
            FindingStore.Kept kept, String kind, Map<String, FindingStore.Shelved> shelf) {
        FindingStore.Document d = kept.document();
        List<Integer> in = java.util.stream.IntStream.range(0, d.products().size())
                .filter(i -> kind.isEmpty()
                        || Optional.ofNullable(shelf.get(d.products().get(i)))
                                .filter(s -> s.kind().equals(kind))
                                .isPresent())
                .boxed()
                .toList();
        return in.size() < 2
                ? Optional.empty()
                : Optional.of(new Meeting(
                        String.valueOf(kept.study()),
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
