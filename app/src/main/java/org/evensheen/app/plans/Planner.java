package org.evensheen.app.plans;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.BedStore;
import org.evensheen.app.beds.PlaceInUse;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.core.layout.Layout;
import org.springframework.stereotype.Component;

/** Puts together what a plan rests on, and works out what it comes to. */
@Component
class Planner {
    private static final int MOST_BEDS = 120;

    private final BedStore beds;
    private final ProductStore products;
    private final ForecastStore forecasts;
    private final Clock clock;
    /** The same question has the same layout; a page asks it several times. */
    private final Cache<Layout.Ask, Layout> drawn =
            Caffeine.newBuilder().maximumSize(100).build();

    Planner(BedStore beds, ProductStore products, ForecastStore forecasts, Clock clock) {
        this.beds = beds;
        this.products = products;
        this.forecasts = forecasts;
        this.clock = clock;
    }

    /** A plan worked out, with what it rests on. */
    record Worked(Design design, PlanReader.Known known) {}

    Worked work(Map<String, String> typed) {
        List<Bed> all = new ArrayList<>(beds.all(MOST_BEDS));
        String chosen = typed.getOrDefault("bed", "");
        if (chosen.matches("\\d{1,18}")
                && all.stream().noneMatch(b -> String.valueOf(b.id()).equals(chosen))) {
            beds.find(Long.parseLong(chosen)).ifPresent(b -> all.add(0, b));
        }
        List<PlaceInUse> uses = all.stream()
                .filter(b -> String.valueOf(b.id()).equals(chosen))
                .findFirst()
                .map(b -> beds.inUse(b.id()))
                .orElse(List.of());
        PlanReader.Known known = new PlanReader.Known(
                all,
                uses,
                products.allNamed(PlanReader.names(typed)),
                forecasts.latest(),
                today(),
                ask -> drawn.get(ask, Layout::draw));
        return new Worked(PlanReader.read(typed, known), known);
    }

    LocalDate today() {
        return LocalDate.now(clock);
    }
}
