package org.evensheen.app.labels;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.cautions.Meeting;

/**
 * Cautions as every page shows them.
 *
 * @param what what each hazard does
 * @param wear what to wear and have, in a line
 * @param never what never to do
 */
public record Cautions(List<String> what, String wear, List<String> never) {
    /** Stands under every caution. */
    public static final String REMINDER =
            "A reminder only: the maker's label, the safety data sheet and local rules on run-off win. "
                    + "Licensed trades do what is theirs.";

    public static Cautions of(Collection<Hazard> hazards) {
        return new Cautions(
                hazards.stream().map(Hazard::what).toList(),
                hazards.stream()
                        .flatMap(h -> java.util.Arrays.stream(h.wear().split(", ")))
                        .distinct()
                        .collect(Collectors.joining(", ")),
                hazards.stream().map(Hazard::never).distinct().toList());
    }

    public boolean none() {
        return what.isEmpty();
    }

    public String reminder() {
        return REMINDER;
    }

    /** Why two products must not meet; empty if nothing is known against it. */
    public static List<String> meetings(
            String one, Collection<Hazard> oneHas, String other, Collection<Hazard> otherHas) {
        return Meeting.between(oneHas, otherHas).stream()
                .map(m -> "%s and %s must not meet: %s with %s %s."
                        .formatted(one, other, m.one().word(), m.other().word(), m.danger()))
                .toList();
    }

    /** The same for every pair of some products. */
    public static List<String> meetings(List<Product> products) {
        List<String> met = new ArrayList<>();
        for (int i = 0; i < products.size(); i++) {
            for (Product other : products.subList(i + 1, products.size())) {
                Product one = products.get(i);
                met.addAll(meetings(one.name(), one.hazards(), other.name(), other.hazards()));
            }
        }
        return met;
    }
}
