package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Stream;

/** Every measure there is, in the order in which a plan carries them round the sections. */
public final class Measures {
    public static final Measure DROP = new Drop();
    public static final Measure LEFT_BEHIND = new LeftBehind();
    public static final Measure WATER_GRADE = new WaterGrade();
    public static final Measure GLOSS = new Gloss();
    public static final Measure PULL = new Pull();
    public static final Measure FOAM = new Foam();
    public static final Measure FOAM_LEFT = new FoamLeft();

    private static final List<Measure> ALL =
            new CopyOnWriteArrayList<>(List.of(DROP, LEFT_BEHIND, WATER_GRADE, GLOSS, PULL, FOAM, FOAM_LEFT));

    private Measures() {}

    /** What is looked at in an afternoon; a plan for weeks does not ask for it. */
    public static List<Measure> sideBySide() {
        return Afternoon.MEASURES;
    }

    /** All of them. */
    public static List<Measure> all() {
        return ALL;
    }

    /** Those that are read; the others are looks at the same readings. */
    public static List<Measure> read() {
        return ALL.stream().filter(m -> m.readAs() == m).toList();
    }

    public static Optional<Measure> ofCode(String code) {
        return Stream.concat(ALL.stream(), Afternoon.MEASURES.stream())
                .filter(m -> m.code().equals(code))
                .findFirst();
    }

    /**
     * One more, until it is closed: that nothing else has to change for a new measure is tried with one that is in no release.
     *
     * @throws IllegalArgumentException if there is one of that code
     */
    public static AutoCloseable with(Measure measure) {
        if (ofCode(measure.code()).isPresent()) {
            throw new IllegalArgumentException("there is a measure " + measure.code());
        }
        ALL.add(measure);
        return () -> ALL.remove(measure);
    }
}
