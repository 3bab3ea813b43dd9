package org.evensheen.core.comparing;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.study.Section;

/**
 * How much wider a difference between two products is than it would be if every block held every product: the square root of
 * the mean variance of pairwise differences under {@link BlockModel}, over that of the same sections without blocks
 * (A-efficiency, turned round).
 */
public final class Efficiency {
    private Efficiency() {}

    /**
     * The factor, 1 or more.
     *
     * @param products how many; they are the contenders from 0
     * @return empty if there is nothing to compare
     */
    public static OptionalDouble widening(List<Section> sections, int products) {
        List<BlockModel.Unit> units = sections.stream()
                .map(s -> new BlockModel.Unit(s.contender(), s.row(), 0))
                .toList();
        if (products < 2 || units.isEmpty()) {
            return OptionalDouble.empty();
        }
        BlockModel model = BlockModel.fit(units).withScatter(1, 1);
        double blocked = 0;
        double free = 0;
        for (int i = 0; i < products; i++) {
            for (int j = i + 1; j < products; j++) {
                Optional<Double> one = inverse(sections, i);
                Optional<Double> other = inverse(sections, j);
                if (one.isEmpty() || other.isEmpty()) {
                    return OptionalDouble.empty();
                }
                if (!model.comparable(i, j)) {
                    return OptionalDouble.empty();
                }
                double error =
                        model.contrast().plus(1, i, 0).plus(-1, j, 0).estimate().standardError();
                blocked += error * error;
                free += one.get() + other.get();
            }
        }
        return OptionalDouble.of(Math.sqrt(blocked / free));
    }

    private static Optional<Double> inverse(List<Section> sections, int contender) {
        long count = sections.stream().filter(s -> s.contender() == contender).count();
        return count == 0 ? Optional.empty() : Optional.of(1.0 / count);
    }
}
