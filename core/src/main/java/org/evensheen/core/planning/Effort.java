package org.evensheen.core.planning;

import java.util.List;
import org.evensheen.core.planning.Entrant.Layer;
import org.evensheen.core.schedule.Plan.Planned;
import org.evensheen.core.units.Span;

/**
 * What a study takes.
 *
 * <p>Hours rest on rounded times of practised hands: a reading as its measure says, and as stated here: walking and noting 10 s a section and round; stripping 45 min and 3 min a section; putting on 3 min a section and coat;
 * setting up and packing 20 min a visit.
 *
 * @param hours hands at work, in all
 * @param perVisit hours of one visit
 * @param readings how many are taken, in all
 * @param millilitres of all products together, at the middle of their labels' doses; what labels don't tell is left out
 * @param untold products whose labels or calibrations don't tell their mL
 */
public record Effort(double hours, double perVisit, int readings, double millilitres, List<String> untold) {
    /** Minutes to set up and pack, a visit. */
    public static final double SETTING_UP = 20;

    private static final double STRIPPING = 45;
    private static final double STRIPPING_EACH = 3;
    /** Minutes to put a coat on a section. */
    public static final double APPLYING_EACH = 3;

    /** Seconds of walking and noting, a section and round. */
    public static final double WALKING = 10;

    /**
     * Adds it up.
     *
     * @param counts sections of each contender, by number
     * @param occasions how many times all sections are read
     */
    public static Effort of(Protocol protocol, List<Entrant> entrants, List<Integer> counts, int occasions) {
        int sections = counts.stream().mapToInt(Integer::intValue).sum();
        double round = SETTING_UP;
        int readings = 0;
        for (Planned planned : protocol.measures()) {
            round += sections * (planned.repeats() * planned.measure().seconds() + WALKING) / 60;
            readings += sections * planned.repeats();
        }
        double apply = 0;
        double ml = 0;
        List<String> untold = new java.util.ArrayList<>();
        for (Entrant entrant : entrants) {
            int each = counts.get(entrant.contender().number());
            for (Layer layer : entrant.layers()) {
                apply += each * layer.coats() * APPLYING_EACH;
                ml += layer.mlEach().map(Span::middle).orElse(0.0) * each * layer.coats();
                if (layer.mlEach().isEmpty()) {
                    untold.add(layer.product());
                }
            }
        }
        double strip = protocol.prep().isEmpty() ? 0 : STRIPPING + STRIPPING_EACH * sections;
        return new Effort(
                (strip + apply + round * occasions) / 60, round / 60, readings * occasions, ml, List.copyOf(untold));
    }
}
