package org.evensheen.app.sidebyside;

import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.evensheen.core.cost.Money;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.sidebyside.Found;
import org.evensheen.core.study.Contender;

/**
 * An afternoon as it can be weighed for a reader.
 *
 * @param said how many answers there are; with {@code rounds} and {@code spent} what everything here follows from
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
        Map<Integer, Money> spent,
        Footing footing,
        double minutes,
        List<String> went,
        Supplier<List<Found>> found) {

    @Override
    public boolean equals(Object other) {
        return other instanceof Weighable w
                && id == w.id
                && said == w.said
                && rounds == w.rounds
                && spent.equals(w.spent)
                && footing == w.footing;
    }

    @Override
    public int hashCode() {
        return java.util.Objects.hash(id, said, rounds);
    }
}
