package org.evensheen.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.study.Contender;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;
import org.evensheen.core.weather.DryWindow;

/**
 * A contender with what its labels ask, from the paint outwards.
 *
 * @param layers the first is put on first; empty for bare
 */
public record Entrant(Contender contender, List<Layer> layers) {

    /** A product of it. */
    public record Layer(String product, Label label, SortedSet<Hazard> hazards, List<Calibration> calibrations) {

        /** The dose its label asks on a section: that of the first use that is put onto a place. */
        public Optional<Dose> dose() {
            return label.uses().stream()
                    .map(Claim.Use::dose)
                    .filter(d -> d.countedFor().isPresent())
                    .findFirst();
        }

        /** mL of it on one section, if its label and its calibration tell. */
        public Optional<Span> mlEach() {
            return dose().flatMap(d -> d.onPlace(calibrations));
        }

        /** Coats the label asks; the most it allows. */
        public int coats() {
            return label.one(Claim.Coats.class)
                    .map(c -> (int) c.number().high())
                    .orElse(1);
        }

        /** Hours before another layer may follow; 0 if the label says nothing. */
        public double nextLayerHours() {
            return label.one(Claim.NextLayer.class)
                    .map(n -> hours(n.amount().high(), n.unit()))
                    .orElse(0.0);
        }

        /** Hours it must keep dry; 0 if the label says nothing. */
        public double dryHours() {
            return label.one(Claim.KeepDry.class)
                    .map(d -> hours(d.amount().high(), d.unit()))
                    .orElse(0.0);
        }

        private static double hours(double amount, Unit unit) {
            return unit.toCanonical(amount) / Unit.HOUR.toCanonical(1);
        }
    }

    public Entrant {
        layers = List.copyOf(layers);
    }

    /** The same without the names of its products: what their labels ask together may be told, but not by which. */
    public Entrant unnamed() {
        return new Entrant(
                contender,
                layers.stream()
                        .map(l -> new Layer("one product", l.label(), l.hazards(), l.calibrations()))
                        .toList());
    }

    /** The layer that must keep dry longest; empty if no label says. */
    public Optional<Layer> slowest() {
        return layers.stream().filter(l -> l.dryHours() > 0).max(Comparator.comparingDouble(Layer::dryHours));
    }

    /**
     * A coat of a layer.
     *
     * @param number from 1, over all layers
     * @param last whether it is the final coat of its layer
     * @param hours after the first that it may follow soonest
     * @param after the layer whose time before the next it waits for; empty for the first
     */
    public record Coat(int number, Layer layer, boolean last, double hours, Optional<Layer> after) {}

    /** Every coat, from the paint outwards. */
    public List<Coat> coats() {
        List<Coat> coats = new ArrayList<>();
        double hours = 0;
        Optional<Layer> before = Optional.empty();
        for (Layer layer : layers) {
            for (int coat = 1; coat <= layer.coats(); coat++) {
                coats.add(new Coat(coats.size() + 1, layer, coat == layer.coats(), hours, before));
                hours += layer.nextLayerHours();
                before = Optional.of(layer);
            }
        }
        return coats;
    }

    public SortedSet<Hazard> hazards() {
        TreeSet<Hazard> all = new TreeSet<>();
        layers.forEach(l -> all.addAll(l.hazards()));
        return all;
    }

    /** Products whose labels forbid sun. */
    public static List<String> shaded(List<Entrant> entrants) {
        return entrants.stream()
                .flatMap(e -> e.layers().stream())
                .filter(l ->
                        l.label().one(Claim.Sun.class).filter(s -> !s.allowed()).isPresent())
                .map(Layer::product)
                .distinct()
                .toList();
    }

    /** What the panel's temperature must keep within for all labels together. */
    public static DryWindow.Limits limits(List<Entrant> entrants) {
        List<Claim.PanelTemperature> all = entrants.stream()
                .flatMap(e -> e.layers().stream())
                .flatMap(l -> l.label().one(Claim.PanelTemperature.class).stream())
                .toList();
        return new DryWindow.Limits(
                all.stream().flatMap(t -> t.lowCelsius().stream()).max(Comparator.naturalOrder()),
                all.stream().flatMap(t -> t.highCelsius().stream()).min(Comparator.naturalOrder()));
    }
}
