package org.evensheen.app.mixer;

import static org.evensheen.app.page.Figures.svg;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.labels.Cautions;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore.Named;
import org.evensheen.app.mixer.VesselStore.Vessel;
import org.evensheen.app.page.Figures;
import org.evensheen.core.label.Claim;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.Place;
import org.evensheen.core.stock.Remaining;
import org.evensheen.core.units.Span;
import org.jspecify.annotations.Nullable;

/**
 * The Mixer around its result.
 *
 * @param result the millilitres; absent until there is a strength and a volume
 * @param scale the slider's label range; absent if there is no slider
 * @param straight what goes straight onto a place; absent for what is mixed
 * @param direct what is wanting before millilitres can be told
 */
record MixerPage(
        Asked asked,
        List<Asked.Part> hidden,
        List<Asked.Part> hiddenButDose,
        List<Chip> products,
        List<Chip> jobs,
        List<Chip> vessels,
        String chosen,
        String dose,
        String volume,
        @Nullable Foam foam,
        @Nullable Scale scale,
        @Nullable MixResult result,
        @Nullable Direct straight,
        List<String> direct,
        Cautions cautions,
        List<String> problems,
        List<Counter> counters) {

    private static final int PANELS = 12;

    /** Something to choose by a tap. */
    record Chip(String address, String text, String under, boolean chosen) {}

    /** How the foam bottle empties. */
    record Foam(long vessel, String seconds, String flow, String secondsProblem, String flowProblem) {}

    /** The slider's track, 1000 wide: the label's range on it. */
    record Scale(int place, String labelX, String labelWidth, String weak, String strong, boolean labelled) {}

    static MixerPage of(
            Asked asked,
            MixSetup setup,
            List<Named> recent,
            List<Vessel> vessels,
            Optional<Remaining> remaining,
            Optional<MixResult> result) {
        List<Chip> products = new ArrayList<>();
        for (Named p : recent) {
            boolean chosen = setup.product().filter(c -> c.id() == p.id()).isPresent();
            products.add(new Chip("/mixer?product=" + p.id(), p.name(), "", chosen));
        }
        String dose = setup.problems().containsKey("dose")
                ? Asked.text(asked.dose())
                : setup.dose().filter(d -> d.mixed()).map(Dose::print).orElse("");
        return new MixerPage(
                asked,
                asked.parts(),
                asked.partsButDose(),
                products,
                setup.product().map(p -> jobs(asked, setup, p)).orElse(List.of()),
                vessels.stream()
                        .map(v -> new Chip(
                                asked.address(
                                        "/mixer",
                                        "vessel",
                                        String.valueOf(v.id()),
                                        "volume",
                                        "",
                                        "seconds",
                                        "",
                                        "flow",
                                        ""),
                                v.name(),
                                Figures.volume(v.volumeMl()),
                                setup.vessel().filter(c -> c.id() == v.id()).isPresent()))
                        .toList(),
                setup.product().map(Product::name).orElse(""),
                dose,
                Asked.text(asked.volume()),
                foam(asked, setup),
                setup.strength().map(s -> scale(s, result)).orElse(null),
                result.orElse(null),
                straight(setup, remaining),
                direct(setup),
                Cautions.of(setup.product().map(Product::hazards).orElse(new java.util.TreeSet<>())),
                List.copyOf(setup.problems().values()),
                List.of(Counter.values()));
    }

    private static List<Chip> jobs(Asked asked, MixSetup setup, Product product) {
        return product.label().uses().stream()
                .map(u -> new Chip(
                        asked.address("/mixer", "job", product.jobOf(u), "dose", "", "vessel", "", "volume", ""),
                        product.jobOf(u),
                        u.dose().print(),
                        setup.use().filter(u::equals).isPresent()))
                .toList();
    }

    private static @Nullable Foam foam(Asked asked, MixSetup setup) {
        return setup.vessel()
                .filter(Vessel::foams)
                .map(v -> new Foam(
                        v.id(),
                        setup.flow().map(f -> Figures.typed(f.seconds())).orElse(Asked.text(asked.seconds())),
                        setup.flow()
                                .map(f -> Figures.compact(f.nozzleMlPerSecond() * 60 / 1000, 3))
                                .orElse(Asked.text(asked.flow())),
                        setup.problems().getOrDefault("seconds", ""),
                        setup.problems().getOrDefault("flow", "")))
                .orElse(null);
    }

    private static Scale scale(Strength s, Optional<MixResult> result) {
        double from = s.label().map(l -> s.place(l.low())).orElse(0.0);
        double to = s.label().map(l -> s.place(l.high())).orElse(0.0);
        double width = Math.max(14, to - from);
        return new Scale(
                result.map(MixResult::place).orElse(0),
                svg(to - from < 14 ? from - 7 : from),
                svg(width),
                s.dose(0).map(Dose::print).orElse(""),
                s.dose(Strength.STEPS).map(Dose::print).orElse(""),
                s.label().isPresent());
    }

    /** What goes straight onto a place. */
    record Direct(String amount, String place, List<String> lines) {}

    private static @Nullable Direct straight(MixSetup setup, Optional<Remaining> remaining) {
        Optional<Dose> dose = setup.use().map(Claim.Use::dose).filter(d -> !d.mixed());
        if (dose.isEmpty() || setup.dose().filter(Dose::mixed).isPresent()) {
            return null;
        }
        Optional<Span> ml = dose.get().onPlace(setup.product().orElseThrow().calibrations());
        String place = dose.get().countedFor().map(Place::word).orElse("");
        List<String> lines = new ArrayList<>();
        lines.add("Not mixed: %s.".formatted(dose.get().print()));
        ml.ifPresent(span -> {
            lines.add("For %d %ss: %s.".formatted(PANELS, place, millilitres(span.times(PANELS))));
            remaining
                    .filter(r -> r.sizeMl() > 0)
                    .ifPresent(r -> lines.add("%s left: enough for %s."
                            .formatted(
                                    Figures.millilitres(r.leftMl()),
                                    Figures.count((long) (r.leftMl() / span.middle()), place, place + "s"))));
        });
        return new Direct(ml.map(MixerPage::millilitres).orElse(""), place.isEmpty() ? "" : "on each " + place, lines);
    }

    private static List<String> direct(MixSetup setup) {
        if (setup.product().isEmpty()) {
            return List.of();
        }
        if (setup.use().isEmpty()) {
            return List.of("Its label tells no dose. Enter the label on the Shelf, or type a ratio below.");
        }
        Product product = setup.product().get();
        Dose dose = setup.use().get().dose();
        List<String> words = new ArrayList<>();
        dose.countedIn()
                .filter(c -> product.calibrations().stream().noneMatch(k -> k.counter() == c))
                .ifPresent(c -> {
                    words.add("Weigh a %s once, below, and this becomes mL.".formatted(c.word()));
                    countFor(dose, setup).ifPresent(words::add);
                });
        return words;
    }

    private static Optional<String> countFor(Dose dose, MixSetup setup) {
        if (!(dose instanceof Dose.Counted counted) || setup.totalMl().isEmpty()) {
            return Optional.empty();
        }
        Span count =
                counted.count().times(setup.totalMl().get() / counted.inUnit().toCanonical(counted.in()));
        return Optional.of("For %s: %s %s."
                .formatted(
                        Figures.volume(setup.totalMl().get()),
                        count.single()
                                ? Figures.compact(count.low(), 2)
                                : Figures.compact(count.low(), 2) + "–" + Figures.compact(count.high(), 2),
                        counted.counter().words()));
    }

    private static String millilitres(Span ml) {
        return ml.single() ? Figures.millilitres(ml.low()) : Figures.millilitres(ml.low(), ml.high());
    }
}
