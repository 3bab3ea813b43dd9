package org.evensheen.app.plans;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.BedStore;
import org.evensheen.app.beds.PlaceInUse;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Units;
import org.evensheen.app.sidebyside.Growing;
import org.evensheen.app.sidebyside.Laid;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.comparing.Efficiency;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.UnitSystem;
import org.springframework.stereotype.Component;

/** Puts together what a plan rests on, and works out what it comes to. */
@Component
class Planner {
    private static final int MOST_BEDS = 120;

    private final BedStore beds;
    private final ProductStore products;
    private final ForecastStore forecasts;
    private final StudyStore studies;
    private final Growing growing;
    private final Clock clock;
    /** The same question has the same layout; a page asks it several times. */
    private final Cache<Layout.Ask, Layout> drawn =
            Caffeine.newBuilder().maximumSize(100).build();

    private final Cache<Widened, OptionalDouble> widened =
            Caffeine.newBuilder().maximumSize(100).build();

    /** What a plan comes to follows from what was typed and from what it rests on, told in the units of whoever looks. */
    private final Cache<Question, Kept> worked =
            Caffeine.newBuilder().maximumSize(60).build();

    private record Question(
            Map<String, String> typed,
            List<Bed> beds,
            List<PlaceInUse> inUse,
            List<Product> products,
            Optional<Forecast> forecast,
            Optional<Laid> laid,
            LocalDate today,
            UnitSystem told) {}

    /** What a plan came to, with its pages as they were written so far. */
    private record Kept(Design design, Map<String, PlanPage> pages) {}

    private record Widened(List<Section> sections, int products) {}

    Planner(
            BedStore beds,
            ProductStore products,
            ForecastStore forecasts,
            StudyStore studies,
            Growing growing,
            Clock clock) {
        this.beds = beds;
        this.products = products;
        this.forecasts = forecasts;
        this.studies = studies;
        this.growing = growing;
        this.clock = clock;
    }

    /** Steps of a plan, and some more for addresses that name others. */
    private static final int MOST_PAGES = 20;

    /** A plan worked out, with what it rests on. */
    record Worked(Design design, PlanReader.Known known, Map<String, PlanPage> pages) {
        /** The page of a step, written once for a version. */
        PlanPage page(PlanStore.Version version, String step, String said) {
            return said.isEmpty() && pages.size() < MOST_PAGES
                    ? pages.computeIfAbsent(
                            "%d %d %d %s %s"
                                    .formatted(
                                            version.plan(),
                                            version.number(),
                                            version.back(),
                                            version.study().orElse(0L),
                                            step),
                            k -> PlanPage.of(version, this, step, said))
                    : PlanPage.of(version, this, step, said);
        }
    }

    Worked work(Map<String, String> typed) {
        return work(typed, List.of());
    }

    /** The same, where beds have been loaded already, the plan's own among them. */
    Worked work(Map<String, String> typed, List<Bed> loaded) {
        String chosen = typed.getOrDefault("bed", "");
        List<Bed> bed = loaded.stream()
                .filter(b -> String.valueOf(b.id()).equals(chosen))
                .toList();
        if (bed.isEmpty() && chosen.matches("\\d{1,18}")) {
            bed = beds.find(Long.parseLong(chosen)).stream().toList();
        }
        List<PlaceInUse> uses =
                bed.stream().flatMap(b -> beds.inUse(b.id()).stream()).toList();
        PlanReader.Known known = new PlanReader.Known(
                bed,
                uses,
                products.allNamed(PlanReader.names(typed)),
                forecasts.latest(),
                growing.laid(typed.getOrDefault("grown", "")),
                today(),
                ask -> drawn.get(ask, Layout::draw),
                (sections, count) ->
                        widened.get(new Widened(sections, count), w -> Efficiency.widening(w.sections, w.products)));
        Question question = new Question(
                Map.copyOf(typed),
                known.beds(),
                known.inUse(),
                known.products(),
                known.forecast(),
                known.laid(),
                known.today(),
                Units.now());
        Kept kept = worked.get(question, q -> new Kept(PlanReader.read(typed, known), new ConcurrentHashMap<>()));
        return new Worked(kept.design, known, kept.pages);
    }

    /** Beds to choose from, the one that was chosen first. */
    List<Bed> beds(Map<String, String> typed) {
        String chosen = typed.getOrDefault("bed", "");
        return beds.all(MOST_BEDS, chosen.matches("\\d{1,18}") ? Long.parseLong(chosen) : 0);
    }

    /** Whether a plan has become a study that goes by code: the plan would say which product lies where. */
    boolean closed(PlanStore.Version version) {
        return version.study().filter(s -> studies.load(s).judgedByCode()).isPresent();
    }

    LocalDate today() {
        return LocalDate.now(clock);
    }
}
