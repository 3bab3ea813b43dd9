package org.evensheen.app.demo;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.sidebyside.ComparisonStore;
import org.evensheen.app.sidebyside.LookKeeper;
import org.evensheen.core.layout.Places;
import org.evensheen.core.sidebyside.Kind;
import org.evensheen.core.sidebyside.Question;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.standins.SimulatedAfternoon;
import org.evensheen.standins.SimulatedAfternoon.Truth;
import org.springframework.stereotype.Component;

/** Three afternoons: two foams done twice with sides exchanged, four things to wash with, and two glass cleaners with a look that falls due. */
@Component
class DemoAfternoons {
    private static final long SEED = 4711;

    /** What is true, by name. */
    static final Map<String, Truth> TRUTH = Map.of(
            "Curlew Foam",
            new Truth(Map.of("gone", 4.2), Map.of("glide", 1.4), Optional.of(DemoFoam.TRUTH.get("Curlew Foam"))),
            "Sallow Plain Soap",
            new Truth(Map.of("gone", 4.0), Map.of("glide", -0.6), Optional.of(DemoFoam.TRUTH.get("Sallow Plain Soap"))),
            "Ewe Fleece Mitt",
            of(Map.of("release", 2.2), Map.of("soft-dry", 2.0, "glide", 1.2)),
            "Slice Brick Sponge",
            of(Map.of("release", 4.6), Map.of("soft-dry", -1.5, "glide", -0.2)),
            "Long-Pile Towel 46",
            of(Map.of("release", 1.6), Map.of("soft-dry", 0.4, "glide", -0.6)),
            "Loop Pad Nine",
            of(Map.of("release", 3.1), Map.of("soft-dry", -0.9, "glide", -0.4)),
            "Reachwater Glass",
            of(Map.of("wipes", 6.0, "streaks", 1.2, "haze", 0.6), Map.of("clear", 0.8)),
            "Pane Mist",
            of(Map.of("wipes", 9.0, "streaks", 2.1, "haze", 1.6), Map.of("clear", -0.8)));

    private static Truth of(Map<String, Double> levels, Map<String, Double> worths) {
        return new Truth(levels, worths, Optional.empty());
    }

    private final ComparisonStore store;
    private final LookKeeper looks;
    private final ProductStore products;

    DemoAfternoons(ComparisonStore store, LookKeeper looks, ProductStore products) {
        this.store = store;
        this.looks = looks;
        this.products = products;
    }

    void load(Instant now) {
        Instant before = now.minus(Duration.ofDays(3));
        long media = begin(
                Kind.MEDIA,
                Places.ITEMS,
                Set.of(),
                before,
                "Ewe Fleece Mitt",
                "Slice Brick Sponge",
                "Long-Pile Towel 46",
                "Loop Pad Nine");
        answer(media, 1, 0, "", "Demo", true, before);
        Instant yesterday = now.minus(Duration.ofHours(26));
        long foams = begin(Kind.SOAP, Places.HALVES, Set.of(), yesterday, "Curlew Foam", "Sallow Plain Soap");
        answer(foams, 1, 3, "45 mL in 10 L", "Demo", true, yesterday);
        Instant again = yesterday.plus(Duration.ofMinutes(40));
        store.addRound(foams, store.load(foams).exchanged());
        answer(foams, 2, 3, "45 mL in 10 L", "Tern", false, again);
        Instant hour = now.minus(Duration.ofHours(1));
        long glass = begin(Kind.GLASS, Places.PANES, Set.of("haze"), hour, "Reachwater Glass", "Pane Mist");
        answer(glass, 1, 2, "4 sprays", "Demo", true, hour);
    }

    private long begin(Kind kind, Places shape, Set<String> besides, Instant at, String... names) {
        Set<String> asked = kind.questions().stream()
                .filter(q -> q.usual() || besides.contains(q.code()))
                .map(Question::code)
                .collect(Collectors.toSet());
        return store.make(
                kind,
                shape,
                SEED + names.length,
                java.util.stream.Stream.of(names)
                        .map(n -> new ComparisonStore.Entrant(products.named(n).map(p -> p.id()), n, ""))
                        .toList(),
                asked,
                "Demo",
                at,
                key(names[0] + at));
    }

    private void answer(long id, int round, int dirt, String dose, String by, boolean knew, Instant from) {
        var comparison = store.load(id);
        List<Truth> truth =
                comparison.contenders().stream().map(c -> TRUTH.get(c.name())).toList();
        for (Said said :
                new SimulatedAfternoon(truth, SEED + round).answers(comparison, round, dirt, dose, by, knew, from)) {
            store.say(id, said, key(id + said.step() + said.at()));
        }
        looks.keep(id);
    }

    private static UUID key(String of) {
        return UUID.nameUUIDFromBytes(of.getBytes(StandardCharsets.UTF_8));
    }
}
