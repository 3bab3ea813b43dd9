package org.evensheen.standins;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.evensheen.core.foam.FoamCurve;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.Value;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;

/**
 * Foam in jars whose truth is known: each stands and drains by a stretched exponential, each jar a little longer or shorter, each mark read to a
 * millimetre. All follows from the seed.
 */
public final class SimulatedFoam {
    private static final int[] MINUTES = {0, 1, 3, 5, 10};
    /** Scatter of τ from jar to jar, as a share. */
    private static final double BETWEEN = 0.06;
    /** Scatter of a mark, as a share. */
    private static final double MARK = 0.015;

    private final Map<Integer, FoamCurve.Fit> truth;
    private final long seed;

    /**
     * @param truth by contender number
     */
    public SimulatedFoam(Map<Integer, FoamCurve.Fit> truth, long seed) {
        this.truth = Map.copyOf(truth);
        this.seed = seed;
    }

    /** What is read in one jar, from the last shake on. */
    public Reading read(Section section, Occasion at) {
        FoamCurve.Fit foam = truth.get(section.contender());
        Random random = new Random(seed * 31 + section.code().hashCode());
        FoamCurve.Fit here = new FoamCurve.Fit(
                foam.begun(), foam.minutes() * Math.exp(BETWEEN * random.nextGaussian()), foam.stretch());
        List<Value.Mark> marks = IntStream.of(MINUTES)
                .mapToObj(t ->
                        new Value.Mark(t, Math.max(1, Math.round(here.at(t) * (1 + MARK * random.nextGaussian())))))
                .toList();
        return new Reading(
                section.code(),
                at.day(),
                at.stage(),
                1,
                new Observation(Measures.FOAM, List.of(new Value.Chosen("jar-mm"), new Value.Series(marks))));
    }
}
