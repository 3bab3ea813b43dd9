package org.evensheen.core.planning;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.study.Section;

/**
 * What to lay out for a study.
 *
 * @param tapeMetres masking tape: once round every section, and a tenth more
 * @param towels one a section and coat to buff with, two to dry with
 * @param wear protective wear, from the hazards of what is used
 */
public record Kit(double tapeMetres, int towels, List<Needed> products, List<String> wear) {
    /** More is laid out than labels ask, as some is lost in cloths and nozzles. */
    public static final double MARGIN = 1.15;

    private static final double TAPE_MARGIN = 1.1;

    /**
     * What is needed of a product.
     *
     * @param millilitres by the upper end of the label's dose, with the margin; empty if label or calibration don't tell
     * @param sprays the same in sprays, if the label counts in sprays
     */
    public record Needed(
            String product,
            int sections,
            int coats,
            Optional<Double> millilitres,
            Optional<Integer> sprays,
            String dose) {}

    /** Adds it up. */
    public static Kit of(List<Entrant> entrants, List<Section> sections) {
        double tape = sections.stream()
                        .mapToDouble(s -> 2 * (s.widthMm() + s.heightMm()) / 1000)
                        .sum()
                * TAPE_MARGIN;
        int towels = 2;
        List<Needed> needed = new ArrayList<>();
        TreeSet<Hazard> hazards = new TreeSet<>();
        for (Entrant entrant : entrants) {
            int each = (int) sections.stream()
                    .filter(s -> s.contender() == entrant.contender().number())
                    .count();
            hazards.addAll(entrant.hazards());
            for (Entrant.Layer layer : entrant.layers()) {
                towels += each * layer.coats();
                needed.add(needed(layer, each));
            }
        }
        return new Kit(
                tape,
                towels,
                merged(needed),
                hazards.stream()
                        .flatMap(h -> java.util.Arrays.stream(h.wear().split(", ")))
                        .distinct()
                        .toList());
    }

    /** A product that is in several contenders is laid out once. */
    private static List<Needed> merged(List<Needed> needed) {
        Map<String, Needed> byProduct = new LinkedHashMap<>();
        needed.forEach(n -> byProduct.merge(
                n.product(),
                n,
                (a, b) -> new Needed(
                        a.product,
                        a.sections + b.sections,
                        a.coats,
                        a.millilitres.flatMap(x -> b.millilitres.map(y -> x + y)),
                        a.sprays.flatMap(x -> b.sprays.map(y -> x + y)),
                        a.dose)));
        return List.copyOf(byProduct.values());
    }

    private static Needed needed(Entrant.Layer layer, int each) {
        double times = each * layer.coats() * MARGIN;
        Optional<Integer> sprays = layer.dose()
                .filter(d -> d instanceof Dose.CountedOn on && on.counter() == Counter.SPRAY)
                .map(d -> (int) Math.ceil(((Dose.CountedOn) d).count().high() * times));
        return new Needed(
                layer.product(),
                each,
                layer.coats(),
                layer.mlEach().map(ml -> ml.high() * times),
                sprays,
                layer.dose().map(Dose::print).orElse(""));
    }
}
