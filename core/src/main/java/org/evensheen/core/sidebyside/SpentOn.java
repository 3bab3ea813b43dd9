package org.evensheen.core.sidebyside;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.PerUse;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.sidebyside.Sheet.Spent;
import org.evensheen.core.study.Section;

/** What each contender took. */
final class SpentOn {
    private SpentOn() {}

    static List<Spent> all(Comparison c) {
        List<Spent> all = new ArrayList<>();
        for (var x : c.contenders()) {
            List<Section> places =
                    c.places().stream().filter(p -> p.contender() == x.number()).toList();
            List<Dosed> doses =
                    places.stream().flatMap(p -> c.dosed(p.code()).stream()).toList();
            OptionalDouble ml = doses.isEmpty() || doses.stream().anyMatch(d -> d.ml().isEmpty())
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(doses.stream()
                            .mapToDouble(d -> d.ml().getAsDouble())
                            .sum());
            OptionalDouble stays = c.answers()
                    .under("stays/")
                    .filter(s -> places.stream().anyMatch(p -> s.step().endsWith("/" + p.code())))
                    .mapToDouble(s -> Double.parseDouble(s.value()))
                    .filter(s -> s > 0)
                    .max();
            Optional<Departure> departure = doses.stream()
                    .flatMap(d -> d.against(c.bottle(x.number())).stream())
                    .max(Comparator.comparingDouble(d -> Math.abs(Math.log(d.factor()))));
            Optional<Each> minutes = Each.of(c.answers()
                    .under("minutes/")
                    .filter(s -> places.stream().anyMatch(p -> s.step().endsWith("/" + p.code())))
                    .mapToDouble(s -> Double.parseDouble(s.value()))
                    .toArray());
            if (ml.isPresent() || stays.isPresent() || departure.isPresent() || minutes.isPresent()) {
                Optional<Money> cost = ml.isPresent()
                        ? c.bottle(x.number()).perMl().map(m -> m.times(ml.getAsDouble()))
                        : Optional.empty();
                Optional<Each> dose = ml.isPresent()
                        ? Each.of(doses.stream()
                                .mapToDouble(d -> d.ml().getAsDouble())
                                .toArray())
                        : Optional.empty();
                OptionalDouble size = c.bottle(x.number()).sizeMl();
                Optional<PerUse> each = ml.isPresent() && ml.getAsDouble() > 0 && size.isPresent()
                        ? Optional.of(new PerUse(
                                ml.getAsDouble() / doses.size(),
                                size.getAsDouble(),
                                c.bottle(x.number()).perMl().map(m -> m.times(size.getAsDouble()))))
                        : Optional.empty();
                all.add(new Spent(x.number(), ml, cost, stays, departure, each, dose, minutes));
            }
        }
        return all;
    }
}
