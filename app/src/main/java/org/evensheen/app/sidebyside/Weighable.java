package org.evensheen.app.sidebyside;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.evensheen.core.cost.Money;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.sidebyside.Each;
import org.evensheen.core.sidebyside.Found;
import org.evensheen.core.study.Contender;

/**
 * An afternoon as it can be weighed for a reader.
 *
 * @param said how many answers there are; with {@code rounds} and {@code took} what everything here follows from
 * @param place what one place is called
 * @param took what a place took of each contender
 * @param minutes what a round more takes, going by those there were
 * @param went what each took, in words
 * @param found what was found, worked out when it is asked for
 */
public record Weighable(
        long id,
        int said,
        int rounds,
        String question,
        List<Contender> contenders,
        String place,
        Map<Integer, Took> took,
        Footing footing,
        double minutes,
        List<String> went,
        Supplier<List<Found>> found) {

    /**
     * What a place took, as far as it is known.
     *
     * @param ml product
     * @param perMl price of one mL of it
     */
    public record Took(Optional<Each> ml, Optional<Money> perMl, Optional<Each> minutes) {}

    @Override
    public boolean equals(Object other) {
        return other instanceof Weighable w
                && id == w.id
                && said == w.said
                && rounds == w.rounds
                && took.equals(w.took)
                && footing == w.footing;
    }

    @Override
    public int hashCode() {
        return java.util.Objects.hash(id, said, rounds);
    }
}
