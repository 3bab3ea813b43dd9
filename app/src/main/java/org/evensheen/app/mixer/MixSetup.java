package org.evensheen.app.mixer;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.labels.Product;
import org.evensheen.app.mixer.VesselStore.Flow;
import org.evensheen.app.mixer.VesselStore.Vessel;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.units.TypedNumber;
import org.evensheen.core.units.TypedVolume;

/**
 * What was asked of the Mixer, settled: which use, which vessel, how strong.
 *
 * @param use the use of the label, if there is one
 * @param vessel the vessel chosen, unless a volume was typed
 * @param totalMl how much to mix, if that could be read
 * @param dose how strong, if that could be read
 * @param problems by field name
 */
record MixSetup(
        Optional<Product> product,
        Optional<Claim.Use> use,
        Optional<Vessel> vessel,
        Optional<Double> totalMl,
        Optional<Dose> dose,
        Optional<Strength> strength,
        Optional<Flow> flow,
        Map<String, String> problems) {
    private static final double LEAST = 1;
    private static final double MOST = 1_000_000;

    static MixSetup of(Asked asked, Optional<Product> product, List<Vessel> vessels) {
        Map<String, String> problems = new LinkedHashMap<>();
        Optional<Claim.Use> use = product.flatMap(p -> p.use(Asked.text(asked.job()))
                .or(() ->
                        p.label().uses().stream().filter(u -> u.dose().mixed()).findFirst())
                .or(() -> p.label().uses().stream().findFirst()));
        String volume = Asked.text(asked.volume());
        Optional<Vessel> vessel = volume.isEmpty() ? vessel(asked, product, use, vessels) : Optional.empty();
        Optional<Double> total = vessel.map(Vessel::volumeMl);
        if (!volume.isEmpty()) {
            TypedVolume read = TypedVolume.read(volume, "vessel", LEAST, MOST);
            if (read instanceof TypedVolume.Read ml) {
                total = Optional.of(ml.ml());
            } else {
                problems.put("volume", ((TypedVolume.Refused) read).message());
            }
        }
        Optional<Dose> typed = typed(asked, problems);
        Optional<Strength> strength = product.isPresent()
                ? use.flatMap(u -> Strength.of(u.dose(), product.get().calibrations()))
                : typed.map(Strength::free);
        Optional<Dose> dose = typed;
        if (asked.at() != null && strength.isPresent()) {
            int at = Math.max(0, Math.min(Strength.STEPS, asked.at()));
            dose = strength.get().dose(at);
        }
        if (dose.isEmpty() && !problems.containsKey("dose")) {
            dose = strength.flatMap(Strength::usual).or(() -> use.map(Claim.Use::dose));
        }
        return new MixSetup(product, use, vessel, total, dose, strength, flow(asked, vessel, problems), problems);
    }

    private static Optional<Dose> typed(Asked asked, Map<String, String> problems) {
        String text = Asked.text(asked.dose());
        if (text.isEmpty()) {
            return Optional.empty();
        }
        LabelLine.TypedDose read = LabelLine.readDose(text);
        read.problem()
                .ifPresent(p ->
                        problems.put("dose", "At “%s”: %s".formatted(text.substring(p.start(), p.end()), p.message())));
        return read.dose();
    }

    private static Optional<Vessel> vessel(
            Asked asked, Optional<Product> product, Optional<Claim.Use> use, List<Vessel> vessels) {
        String shape = product.isEmpty() ? "bucket" : usual(product.get(), use);
        return vessels.stream()
                .filter(v -> asked.vessel() != null && v.id() == asked.vessel())
                .findFirst()
                .or(() -> vessels.stream().filter(v -> v.shape().equals(shape)).findFirst());
    }

    /**
     * The shape of vessel that a use is mostly mixed in: a bucket if the use says so, foam's first use in its bottle, another wash's first in a
     * bucket, else a sprayer.
     */
    static String usual(Product product, Optional<Claim.Use> use) {
        if (use.filter(u -> u.name().toLowerCase(Locale.ROOT).contains("bucket"))
                .isPresent()) {
            return "bucket";
        }
        boolean first = use.isPresent() && product.label().uses().indexOf(use.get()) == 0;
        if (product.kind() == ProductKind.FOAM && first) {
            return "foam-bottle";
        }
        return product.kind().washes() && first ? "bucket" : "sprayer";
    }

    private static Optional<Flow> flow(Asked asked, Optional<Vessel> vessel, Map<String, String> problems) {
        if (vessel.filter(Vessel::foams).isEmpty()) {
            return Optional.empty();
        }
        String seconds = Asked.text(asked.seconds());
        String litres = Asked.text(asked.flow());
        if (seconds.isEmpty() && litres.isEmpty()) {
            return vessel.get().flow();
        }
        TypedNumber time = TypedNumber.read(seconds, "time to empty", "s", 5, 3600);
        TypedNumber nozzle = TypedNumber.read(litres, "flow at the nozzle", "L/min", 0.5, 60);
        if (time instanceof TypedNumber.Refused refused) {
            problems.put("seconds", refused.message());
        }
        if (nozzle instanceof TypedNumber.Refused refused) {
            problems.put("flow", refused.message());
        }
        if (!(time instanceof TypedNumber.Read s) || !(nozzle instanceof TypedNumber.Read l)) {
            return Optional.empty();
        }
        double perSecond = l.value() * 1000 / 60;
        double draw = vessel.get().volumeMl() / s.value();
        if (perSecond < draw) {
            problems.put(
                    "flow",
                    "The nozzle can't give less than the %s L/min it draws from the bottle. Measure it with the bottle on."
                            .formatted(org.evensheen.app.page.Figures.compact(draw * 60 / 1000, 2)));
            return Optional.empty();
        }
        return Optional.of(new Flow(s.value(), perSecond));
    }

    /** Product as a share of the mix, if it can be told. */
    Optional<Double> share() {
        return dose.flatMap(d -> d.shares(product.map(Product::calibrations).orElse(List.of())))
                .map(span -> Math.sqrt(span.low() * span.high()));
    }

    /** What the use is called. */
    String job() {
        return product.flatMap(p -> use.map(p::jobOf)).orElse("");
    }
}
