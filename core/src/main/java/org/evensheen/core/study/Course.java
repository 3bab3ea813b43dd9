package org.evensheen.core.study;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The kind of course that a study runs: which stages a day of it has, in order, which of them count when products are compared, and
 * at which a place is its own zero.
 */
public enum Course {
    /** Bare, fresh, and then visits over weeks, each with its stages; the look after wetting again is the one that counts. */
    VISITS(
            "visits",
            "visits over weeks",
            Stage.BARE,
            List.of(Stage.BARE, Stage.FRESH, Stage.ARRIVAL, Stage.RINSED, Stage.FOAMED, Stage.WASHED, Stage.REWETTED),
            List.of(Stage.FRESH, Stage.REWETTED)),
    /** One wash of a dirty place, looked at after each of its steps. */
    WASH(
            "wash",
            "one wash",
            Stage.BEFORE,
            List.of(Stage.BEFORE, Stage.RINSED, Stage.FOAMED, Stage.WASHED, Stage.AFTER),
            List.of(Stage.RINSED, Stage.FOAMED, Stage.WASHED, Stage.AFTER)),
    /** Steps of rising force within the hour, a look after each. */
    LADDER("ladder", "a ladder of steps", Stage.BEFORE, List.of(Stage.BEFORE, Stage.AFTER), List.of(Stage.AFTER)),
    /** Something in a jar, a bucket or a hand: there is nothing before it. */
    JAR("jar", "a jar", Stage.BEFORE, List.of(Stage.AFTER), List.of(Stage.AFTER));

    private final String code;
    private final String label;
    private final Stage zero;
    private final List<Stage> stages;
    private final List<Stage> counted;

    Course(String code, String label, Stage zero, List<Stage> stages, List<Stage> counted) {
        this.code = code;
        this.label = label;
        this.zero = zero;
        this.stages = stages;
        this.counted = counted;
    }

    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    /** The stage at which a place is its own zero, before anything was done. */
    public Stage zero() {
        return zero;
    }

    /** Its stages in the order of the work. */
    public List<Stage> stages() {
        return stages;
    }

    /** Whether products may be compared on readings of this stage. */
    public boolean counts(Stage stage) {
        return counted.contains(stage);
    }

    /** The stage that counts most: the last of those that do. */
    public Stage last() {
        return counted.get(counted.size() - 1);
    }

    public static Optional<Course> ofCode(String code) {
        return Stream.of(values()).filter(c -> c.code.equals(code)).findFirst();
    }
}
