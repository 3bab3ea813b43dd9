package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.evensheen.core.comparing.Compared;
import org.evensheen.core.study.Dosing;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.StudyRecord;

/**
 * What each chemical took by itself: the share of its first effect that a section lost from its first readings to the first visit after its first dose.
 *
 * <p>Only first doses count, as what comes later falls on what an earlier one left. The losses go through the block model, chemicals as what is compared and products as blocks, so that
 * a product that loses much to everything favours no chemical.
 *
 * @param losses one a section whose first dose is known
 * @param compared most harmful first; empty with fewer than two chemicals
 */
public record ByChemical(State state, List<Loss> losses, Optional<Compared> compared, List<String> chemicals) {

    /** Whether it can be said which chemical did it. */
    public enum State {
        /** Nothing was dosed, or nothing was read after it. */
        NOTHING,
        /** A dose names no chemical, or several on one section at once. */
        UNSAID,
        /** Every section had the same first: which of several did it can't be said. */
        STACKED,
        /** Sections differ in their first chemical, but none of them is on two sections: chemical and place are one. */
        ONE_PLACE_EACH,
        /** Told. */
        TOLD
    }

    /**
     * A section's loss.
     *
     * @param chemical number in {@link ByChemical#chemicals}
     * @param lost share of the first effect, 0 for none; below 0 where it read better
     */
    public record Loss(String section, int contender, int chemical, double lost) {}

    /** Works it out from curves of the first coat. */
    public static ByChemical of(StudyRecord study, Curves curves) {
        List<Happening> doses = study.happenings().stream()
                .filter(h -> h.kind() == Happening.Kind.DOSED)
                .sorted(Comparator.comparingInt(Happening::day).thenComparingInt(Happening::step))
                .toList();
        Set<String> named = new TreeSet<>();
        Map<Curve, String> first = new LinkedHashMap<>();
        Map<Curve, Double> lost = new LinkedHashMap<>();
        boolean unsaid = false;
        for (Curve curve : curves.first()) {
            List<Happening> own = doses.stream()
                    .filter(h -> h.day() >= curve.from())
                    .filter(h -> Dosing.read(h.note()).reached(curve.section()))
                    .toList();
            Optional<Double> left = own.isEmpty() ? Optional.empty() : between(curve, own);
            if (left.isEmpty()) {
                continue;
            }
            Optional<String> chemical = Dosing.read(own.get(0).note()).on(curve.section());
            if (chemical.isEmpty()) {
                unsaid = true;
                continue;
            }
            named.add(chemical.get());
            first.put(curve, chemical.get());
            lost.put(curve, 1 - left.get());
        }
        List<String> chemicals = List.copyOf(named);
        List<Loss> losses = new ArrayList<>();
        first.forEach((curve, chemical) ->
                losses.add(new Loss(curve.section(), curve.contender(), chemicals.indexOf(chemical), lost.get(curve))));
        Optional<Compared> compared = Compared.of(losses.stream()
                .map(l -> new Compared.Value(l.chemical(), l.contender(), l.lost()))
                .toList());
        State state = losses.isEmpty()
                ? unsaid ? State.UNSAID : State.NOTHING
                : unsaid
                        ? State.UNSAID
                        : chemicals.size() < 2
                                ? State.STACKED
                                : compared.filter(c -> c.freedom() > 0).isEmpty() ? State.ONE_PLACE_EACH : State.TOLD;
        return new ByChemical(state, losses, compared, chemicals);
    }

    /** What was left at the first visit after a section's first dose, if that came before its second. */
    private static Optional<Double> between(Curve curve, List<Happening> own) {
        return curve.points().stream()
                .filter(p -> after(p.at(), own.get(0)))
                .findFirst()
                .filter(p -> own.size() < 2 || !after(p.at(), own.get(1)))
                .map(Curve.Point::left);
    }

    /** Whether a look came after a dose: what was done on its day comes before it, of several steps those up to its own. */
    private static boolean after(Occasion look, Happening dose) {
        return dose.day() < look.day()
                || dose.day() == look.day()
                        && (look.look().step() == 0
                                || dose.step() <= look.look().step());
    }

    /** A chemical's losses. */
    public List<Loss> of(int chemical) {
        return losses.stream().filter(l -> l.chemical() == chemical).toList();
    }
}
