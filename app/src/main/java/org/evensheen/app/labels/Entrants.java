package org.evensheen.app.labels;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.evensheen.core.label.Label;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.study.Contender;

/** Puts contenders together with what the labels of their products ask. A product that is not on the Shelf asks nothing. */
public final class Entrants {
    private final Map<String, Product> byName;

    public Entrants(Collection<Product> products) {
        byName = products.stream().collect(Collectors.toMap(p -> p.name().toLowerCase(Locale.ROOT), p -> p));
    }

    /** Names of all products of some contenders. */
    public static List<String> names(Collection<Contender> contenders) {
        return contenders.stream()
                .filter(c -> !c.isControl())
                .flatMap(c -> c.layers().stream())
                .toList();
    }

    public Entrant of(Contender contender) {
        if (contender.isControl()) {
            return new Entrant(contender, List.of());
        }
        List<Entrant.Layer> fromPaint =
                new ArrayList<>(contender.layers().stream().map(this::layer).toList());
        Collections.reverse(fromPaint);
        return new Entrant(contender, fromPaint);
    }

    public Entrant.Layer layer(String name) {
        Optional<Product> product = Optional.ofNullable(byName.get(name.toLowerCase(Locale.ROOT)));
        return new Entrant.Layer(
                name,
                product.map(Product::label).orElse(Label.BLANK),
                product.map(Product::hazards).orElseGet(TreeSet::new),
                product.map(Product::calibrations).orElse(List.of()));
    }
}
