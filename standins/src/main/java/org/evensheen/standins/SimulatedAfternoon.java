package org.evensheen.standins;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.evensheen.core.foam.FoamCurve;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Question;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.core.sidebyside.Step;

/**
 * Somebody who compares things whose truth is known: levels with scatter from place to place, counts with that of counting, pairs by Davidson's
 * model, foam that drains by a stretched exponential. All follows from the seed.
 */
public final class SimulatedAfternoon {
    /** Standard deviation of a level from place to place. */
    private static final double PLACE = 0.3;
    /** ν of the one who answers: how readily no difference is said. */
    private static final double TIE = 0.5;
    /** Scatter of a height of foam, as a share. */
    private static final double MARK = 0.015;
    /** Seconds from one answer to the next, on the whole. */
    private static final int PACE = 70;

    /**
     * What is true of a contender.
     *
     * @param levels by code of a question: 0 to 5; of counts and times the number to be expected
     * @param worths log-worths by code of a question about pairs
     * @param foam how its foam drains; empty if it has none
     */
    public record Truth(Map<String, Double> levels, Map<String, Double> worths, Optional<FoamCurve.Fit> foam) {}

    private final List<Truth> truth;
    private final Random random;

    /**
     * @param truth by contender number
     */
    public SimulatedAfternoon(List<Truth> truth, long seed) {
        this.truth = List.copyOf(truth);
        random = new Random(seed);
    }

    /**
     * Answers to all open steps of a round that do not wait for their time.
     *
     * @param dirt level of dirt before, 0 to 5
     * @param dose what is written down for every place
     * @param knew whether the one who answers knows which is which
     */
    public List<Said> answers(Comparison c, int round, int dirt, String dose, String by, boolean knew, Instant from) {
        List<Said> said = new ArrayList<>();
        Instant at = from;
        for (Step step : c.steps()) {
            if (step.round() != round
                    || step.done()
                    || step.question().flatMap(Question::later).isPresent()) {
                continue;
            }
            at = at.plusSeconds(PACE / 2 + random.nextInt(PACE));
            answer(c, step, dirt, dose, by, knew, at, said);
        }
        return said;
    }

    private void answer(
            Comparison c, Step step, int dirt, String dose, String by, boolean knew, Instant at, List<Said> said) {
        String value = switch (step.type()) {
            case DO -> Said.DONE;
            case PAINT -> Said.SPARE;
            case BEFORE -> "" + dirt;
            case DOSE -> {
                step.places().forEach(p -> said.add(new Said("dose/" + p, dose, by, knew, at)));
                yield "as written";
            }
            case MARKS -> {
                step.places().forEach(p -> foam(c, p, by, knew, at, said));
                yield Said.DONE;
            }
            case LEVEL -> "" + Math.max(0, Math.min(5, Math.round(level(c, step) + PLACE * random.nextGaussian())));
            case NUMBER -> "" + Math.max(1, Math.round(level(c, step) * Math.exp(0.15 * random.nextGaussian())));
            case PAIR -> pair(c, step);
            case RUNG -> Said.STANDS;
        };
        said.add(new Said(step.key(), value, by, knew, at));
    }

    private Truth on(Comparison c, String code) {
        return truth.get(c.on(code).number());
    }

    private double level(Comparison c, Step step) {
        return on(c, step.places().get(0))
                .levels()
                .get(step.question().orElseThrow().code());
    }

    private String pair(Comparison c, Step step) {
        String code = step.question().orElseThrow().code();
        double a = Math.exp(on(c, step.places().get(0)).worths().get(code));
        double b = Math.exp(on(c, step.places().get(1)).worths().get(code));
        double even = TIE * Math.sqrt(a * b);
        double drawn = random.nextDouble() * (a + b + even);
        return drawn < a ? step.places().get(0) : drawn < a + b ? step.places().get(1) : Said.SAME;
    }

    private void foam(Comparison c, String code, String by, boolean knew, Instant at, List<Said> said) {
        FoamCurve.Fit fit = on(c, code).foam().orElseThrow();
        for (int minute : Comparison.CALLS) {
            long mm = Math.max(1, Math.round(fit.at(minute) * (1 + MARK * random.nextGaussian())));
            said.add(new Said(
                    "foam/%s/%d".formatted(code, minute),
                    "%d:%d".formatted(minute, mm),
                    by,
                    knew,
                    at.plusSeconds(60L * minute)));
        }
    }
}
