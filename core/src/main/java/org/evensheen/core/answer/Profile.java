package org.evensheen.core.answer;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.evensheen.core.measure.Quality;

/**
 * A reader, by what matters to them. Weights change how qualities are added up, never a value.
 *
 * @param weights 0 to {@value #MOST}; qualities left out weigh nothing
 */
public record Profile(String code, String name, Map<Quality, Integer> weights) {
    public static final int MOST = 10;

    /** @throws IllegalArgumentException if a weight is out of range, or all are 0 */
    public Profile {
        if (weights.values().stream().anyMatch(w -> w < 0 || w > MOST)) {
            throw new IllegalArgumentException("a weight is 0 to " + MOST);
        }
        if (weights.values().stream().allMatch(w -> w == 0)) {
            throw new IllegalArgumentException("something has to matter");
        }
        weights = Map.copyOf(weights);
    }

    public int weight(Quality quality) {
        return weights.getOrDefault(quality, 0);
    }

    /** The same with another weight of one quality. */
    public Profile with(Quality quality, int weight) {
        Map<Quality, Integer> changed = new EnumMap<>(Quality.class);
        changed.putAll(weights);
        changed.put(quality, weight);
        return new Profile(code, name, changed);
    }

    /** Those that come with the program. */
    public static List<Profile> shipped() {
        return List.of(
                of("sea", "Lives by the sea and commutes", 8, 1, 4, 1, 3, 1, 2, 4),
                of("show", "Weekend show car", 2, 6, 3, 10, 2, 2, 1, 0),
                of("trade", "Trade paid by the hour", 3, 1, 2, 3, 5, 1, 10, 6),
                of("dry", "No hose", 2, 7, 3, 2, 8, 0, 6, 3),
                of("purse", "Tight purse", 4, 1, 2, 1, 3, 1, 1, 10));
    }

    private static Profile of(String code, String name, int... weights) {
        Map<Quality, Integer> all = new EnumMap<>(Quality.class);
        for (int i = 0; i < weights.length; i++) {
            all.put(Quality.values()[i], weights[i]);
        }
        return new Profile(code, name, all);
    }
}
