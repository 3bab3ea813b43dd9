package org.evensheen.core.layout;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.evensheen.core.study.Section;

/**
 * How evenly a layout treats its contenders.
 *
 * @param complete whether every block holds every product exactly once
 * @param equalNeighbours pairs of sections side by side that carry the same contender
 * @param zones for each kind of zone on the bed, the least and the most share of it that a product has
 */
public record Balance(boolean complete, int equalNeighbours, List<Shares> zones) {
    /** A difference between the products' shares from which a zone counts as not shared out. */
    public static final double UNEVEN = 0.34;

    /** The share of a product's ground that lies in zones of a kind: the least and the most of all products, 0 to 1. */
    public record Shares(Zone.Kind kind, double least, double most) {
        public boolean uneven() {
            return most - least > UNEVEN;
        }
    }

    /**
     * Looks at a layout.
     *
     * @param products how many products; bare has the next number
     */
    public static Balance of(Layout layout, List<Zone> zones, int products) {
        List<Section> sections = layout.sections();
        int blocks = sections.stream().mapToInt(Section::row).max().orElse(1);
        boolean complete = IntStream.range(0, products)
                .allMatch(p -> IntStream.rangeClosed(1, blocks)
                        .allMatch(b -> sections.stream()
                                        .filter(s -> s.contender() == p && s.row() == b)
                                        .count()
                                == 1));
        int equal = 0;
        for (int i = 0; i < sections.size(); i++) {
            for (int j = i + 1; j < sections.size(); j++) {
                Section one = sections.get(i);
                Section other = sections.get(j);
                if (one.contender() == other.contender() && place(one).neighbours(place(other), layout.gapMm())) {
                    equal++;
                }
            }
        }
        List<Shares> shares = new ArrayList<>();
        for (Zone.Kind kind : Zone.Kind.values()) {
            if (zones.stream().anyMatch(z -> z.kind() == kind)) {
                double[] each = IntStream.range(0, products)
                        .mapToDouble(p -> sections.stream()
                                .filter(s -> s.contender() == p)
                                .mapToDouble(s -> place(s).in(zones, kind))
                                .average()
                                .orElse(0))
                        .toArray();
                shares.add(new Shares(
                        kind,
                        java.util.Arrays.stream(each).min().orElse(0),
                        java.util.Arrays.stream(each).max().orElse(0)));
            }
        }
        return new Balance(complete, equal, List.copyOf(shares));
    }

    private static Place place(Section s) {
        return new Place(s.row(), s.xMm(), s.yMm(), s.widthMm(), s.heightMm());
    }
}
