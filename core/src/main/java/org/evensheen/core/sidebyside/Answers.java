package org.evensheen.core.sidebyside;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Everything that was said, in the order in which it came in, and what of it stands: of each person the last to each step, until they take it back.
 *
 * <p>What several people say of one step stands beside each other; nobody's answer covers another's.
 */
public final class Answers {
    private final List<Said> all;
    private final Map<String, LinkedHashMap<String, Said>> standing = new LinkedHashMap<>();

    Answers(List<Said> all) {
        this.all = List.copyOf(all);
        for (Said s : all) {
            LinkedHashMap<String, Said> of = standing.computeIfAbsent(s.step(), k -> new LinkedHashMap<>());
            boolean own = of.remove(s.by()) != null;
            if (!s.value().equals(Said.UNDO)) {
                of.put(s.by(), s);
            } else if (!own) {
                of.clear();
            }
        }
        standing.values().removeIf(Map::isEmpty);
    }

    /** All that was ever said, what was taken back too. */
    public List<Said> all() {
        return all;
    }

    /** What stands of a step, one a person, the latest last. */
    public Collection<Said> of(String step) {
        LinkedHashMap<String, Said> of = standing.get(step);
        return of == null ? List.of() : of.values();
    }

    /** The latest that stands of a step, whoever said it. */
    public Optional<Said> latest(String step) {
        return of(step).stream().reduce((one, next) -> next);
    }

    /** The latest of every step whose key begins so. */
    Stream<Said> under(String prefix) {
        List<Said> found = new ArrayList<>();
        standing.forEach((step, of) -> {
            if (step.startsWith(prefix)) {
                latest(step).ifPresent(found::add);
            }
        });
        return found.stream();
    }
}
