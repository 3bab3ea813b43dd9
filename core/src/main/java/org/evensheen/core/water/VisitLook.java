package org.evensheen.core.water;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.study.Stage;

/**
 * The water behaviour of a section through the stages of one visit, as mean grades 0 to 4.
 *
 * <p>Worn = fresh − re-wetted: gone for good. Masked = re-wetted − arrival: hidden by dirt, and it came back.
 *
 * @param fresh mean grade of the section's fresh reading
 * @param byStage mean grade at each stage that was looked at
 */
public record VisitLook(double fresh, Map<Stage, Double> byStage) {

    /** Share of the re-wetted level at which behaviour counts as back. */
    public static final double BACK = 0.9;

    public OptionalDouble worn() {
        return at(Stage.REWETTED)
                .map(rewetted -> OptionalDouble.of(fresh - rewetted))
                .orElse(OptionalDouble.empty());
    }

    public OptionalDouble masked() {
        return at(Stage.REWETTED)
                .flatMap(rewetted -> at(Stage.ARRIVAL).map(arrival -> OptionalDouble.of(rewetted - arrival)))
                .orElse(OptionalDouble.empty());
    }

    /** The first stage of the visit that reaches 90 % of the re-wetted level; empty when that level is 0 or unread. */
    public Optional<Stage> cameBackAt() {
        return at(Stage.REWETTED)
                .filter(level -> level > 0)
                .flatMap(level -> java.util.stream.Stream.of(Stage.values())
                        .filter(stage -> stage.compareTo(Stage.ARRIVAL) >= 0)
                        .filter(stage ->
                                at(stage).map(grade -> grade >= BACK * level).orElse(false))
                        .findFirst());
    }

    private Optional<Double> at(Stage stage) {
        return Optional.ofNullable(byStage.get(stage));
    }
}
