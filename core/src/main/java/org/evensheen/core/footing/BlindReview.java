package org.evensheen.core.footing;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * How blind what was read by eye really was. Who saw what a code stands for before they looked at its section did not look blind; that the
 * key is still closed for others does not change it.
 */
public final class BlindReview {
    private BlindReview() {}

    /** A reading by eye: where, when and by whom. */
    public record Look(String section, Instant at, String by) {}

    /** That somebody saw what some codes stand for. */
    public record Seen(Set<String> sections, Instant at, String by) {
        public Seen {
            sections = Set.copyOf(sections);
        }

        boolean before(Look look) {
            return by.equals(look.by) && sections.contains(look.section) && !look.at.isBefore(at);
        }
    }

    /**
     * What limits readings by eye.
     *
     * @param opened when the key was opened for everybody; empty while it is closed
     * @param gifts whether a product of the study was a gift or sponsored
     * @return empty if nobody looked, or all looked blind
     */
    public static Optional<Finding> of(List<Look> looks, List<Seen> seen, Optional<Instant> opened, boolean gifts) {
        List<Look> knowing = looks.stream()
                .filter(look -> opened.filter(o -> !look.at.isBefore(o)).isPresent()
                        || seen.stream().anyMatch(s -> s.before(look)))
                .toList();
        if (knowing.isEmpty()) {
            return Optional.empty();
        }
        Set<String> people = new TreeSet<>();
        knowing.forEach(look -> people.add(look.by));
        return Optional.of(new Finding(
                gifts ? Finding.Kind.GIFT_JUDGED_BY_EYE : Finding.Kind.NOT_BLIND,
                "%d of %d readings by eye were made by somebody who had seen what the code stands for: %s."
                        .formatted(knowing.size(), looks.size(), String.join(", ", people)),
                "Let somebody who has not seen the names look, by code."));
    }
}
