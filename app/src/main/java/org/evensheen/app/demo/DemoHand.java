package org.evensheen.app.demo;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.UUID;
import org.evensheen.app.kit.TakeAsked;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.plans.ForecastStore;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.label.Claim;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.weather.DryWindow;
import org.evensheen.standins.Coating;
import org.evensheen.standins.Paint;
import org.evensheen.standins.SimulatedBed;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * The hand that holds the simulated instruments: just before one is read, it is put where the reviewer would put it, onto the simulated
 * bed of that study. What the instrument then says is its own affair.
 */
@Component
@ConditionalOnProperty("even-sheen.demo")
class DemoHand {
    private static final Coating UNKNOWN = new Coating(10.4, 94, 52, 5, 1.0);
    private static final double BOTTLE = 412;

    private final DemoInstruments instruments;
    private final StudyStore studies;
    private final ProductStore products;
    private final ForecastStore forecasts;
    private final DemoStore store;
    private final Key names;
    private final Clock clock;
    private LocalDate toldOn = LocalDate.EPOCH;
    private List<DemoWorld.Told> told = List.of();

    DemoHand(
            DemoInstruments instruments,
            StudyStore studies,
            ProductStore products,
            ForecastStore forecasts,
            DemoStore store,
            Key names,
            Clock clock) {
        this.instruments = instruments;
        this.studies = studies;
        this.products = products;
        this.forecasts = forecasts;
        this.store = store;
        this.names = names;
        this.clock = clock;
    }

    @EventListener
    void reach(TakeAsked asked) {
        if (!instruments.simulated(asked.instrument())) {
            return;
        }
        String told = asked.forCheck() ? known(asked) : held(asked);
        if (!told.isEmpty()) {
            instruments.tell(told);
        }
    }

    private static String known(TakeAsked asked) {
        double value = asked.instrument().check().orElseThrow().shouldBe();
        return switch (asked.instrument().probe()) {
            case FORCE -> line("hang", value);
            case SCALE -> line("load", value);
            case REFLECTOMETER -> line("gloss", value);
            case PH -> line("ph", value);
            case AIR, SURFACE -> "";
        };
    }

    /** What the stand-ins' hand is told to do with an instrument. */
    private static final Map<Probe, String> HELD = Map.of(Probe.FORCE, "pull", Probe.REFLECTOMETER, "gloss");

    private static String line(String what, double value) {
        return String.format(Locale.ROOT, "%s %.4f", what, value);
    }

    private String held(TakeAsked asked) {
        return switch (asked.instrument().probe()) {
            case AIR ->
                hour().map(h -> String.format(
                                Locale.ROOT,
                                "air %.1f %.0f",
                                h.air().celsius(),
                                h.air().humidity()))
                        .orElse("");
            case SURFACE ->
                hour().map(h -> line("surface", h.panelCelsius().orElse(h.air().celsius())))
                        .orElse("");
            case SCALE ->
                asked.spent()
                        .map(g -> line("load", bottle(g)))
                        .orElseGet(() -> asked.place().map(this::put).orElse(""));
            case PH -> asked.product().map(p -> line("ph", acidity(p))).orElse("");
            default -> asked.place().map(p -> put(p)).orElse("");
        };
    }

    /** What a bottle weighs, g, once about so much has left it: a hand gives a tenth more or less. */
    private double bottle(double spent) {
        return BOTTLE - spent * (1 + 0.1 * new SplittableRandom(clock.millis()).nextDouble(-1, 1));
    }

    /** The pH of a product: as it was read before, or as its label tells, or that of water. */
    private double acidity(long id) {
        Product product = products.load(id);
        return product.strip()
                .or(() -> product.label()
                        .one(Claim.Ph.class)
                        .map(Claim.Ph::value)
                        .map(told -> (told.low() + told.high()) / 2))
                .orElse(7.0);
    }

    private Optional<DryWindow.Hour> hour() {
        return forecasts.current();
    }

    private String put(TakeAsked.Place place) {
        Optional<Measure> measure = Measures.ofCode(place.measure());
        Optional<Look> look = Look.ofCode(place.stage());
        Study study = names.forTheStandIns(studies.load(place.study()));
        if (measure.isEmpty() || look.isEmpty()) {
            return "";
        }
        return study.record()
                .section(place.section())
                .map(section ->
                        bed(study).read(section, new Occasion(place.day(), look.get()), measure.get(), place.repeat()))
                .map(reading -> line(
                        measure.get()
                                .probe()
                                .map(probe -> HELD.getOrDefault(probe, "load"))
                                .orElse("load"),
                        reading.seen().amount()))
                .orElse("");
    }

    private synchronized List<DemoWorld.Told> told() {
        LocalDate today = LocalDate.now(clock);
        if (!today.equals(toldOn)) {
            told = DemoWorld.studies(today);
            toldOn = today;
        }
        return told;
    }

    /** The bed as the demo told it; a study of the reviewer's own stands on the same paint, with what is known of its products. */
    private SimulatedBed bed(Study study) {
        UUID key = store.pageKey(study.id());
        Map<String, Coating> known = new HashMap<>();
        for (DemoWorld.Told told : told()) {
            if (told.draft().key().equals(key)) {
                return new SimulatedBed(
                        study.record(),
                        told.paint(),
                        told.coatings(),
                        told.freshDay(),
                        told.draft().seed());
            }
            told.coatings()
                    .forEach((number, coating) -> known.put(
                            told.draft().contenders().get(number).name().toLowerCase(Locale.ROOT), coating));
        }
        Map<Integer, Coating> coatings = new HashMap<>();
        study.record().contenders().stream()
                .filter(c -> !c.isControl())
                .forEach(c -> coatings.put(
                        c.number(), known.getOrDefault(c.layers().get(0).toLowerCase(Locale.ROOT), UNKNOWN)));
        return new SimulatedBed(
                study.record(),
                new Paint(18, 26, 110, 0.02, 0.01, 0.01, 0.02),
                coatings,
                2,
                study.record().seed());
    }
}
