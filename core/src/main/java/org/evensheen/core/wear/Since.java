package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.evensheen.core.comparing.Compared;

/**
 * What has changed section by section from one visit to the next, however long after, with the day's bare taken out of both.
 *
 * @param then day of the visit before; empty if there was none, and it is set against the first readings
 * @param now day of the visit
 * @param lines one a section that was read on both
 * @param compared mean change of each product through the block model; empty with fewer than two products
 */
public record Since(OptionalInt then, int now, List<Line> lines, Optional<Compared> compared) {

    /**
     * A section.
     *
     * @param before what it gained on its control then: a share of bare, or in the score unit
     * @param after the same now
     */
    public record Line(String section, int contender, int row, double before, double after) {
        public double change() {
            return after - before;
        }
    }

    /** Of the latest visit up to a day; empty if nothing was read twice. A section that was coated again counts with its new coat only. */
    public static Optional<Since> of(Curves curves, int until) {
        OptionalInt now = last(curves, until);
        return now.isEmpty() ? Optional.empty() : between(curves, last(curves, now.getAsInt() - 1), now.getAsInt());
    }

    /** The last visit up to a day. */
    private static OptionalInt last(Curves curves, int until) {
        return curves.curves().stream()
                .flatMap(c -> c.points().stream())
                .mapToInt(p -> p.at().day())
                .filter(d -> d <= until)
                .max();
    }

    private static Optional<Since> between(Curves curves, OptionalInt then, int now) {
        List<Line> lines = new ArrayList<>();
        for (Curve c : curves.curves()) {
            Optional<Double> before = then.isPresent() ? on(c, then.getAsInt()) : Optional.of(c.first());
            Optional<Double> after = on(c, now);
            if (before.isPresent() && after.isPresent()) {
                lines.add(new Line(c.section(), c.contender(), c.row(), before.get(), after.get()));
            }
        }
        return lines.isEmpty()
                ? Optional.empty()
                : Optional.of(new Since(
                        then,
                        now,
                        List.copyOf(lines),
                        Compared.of(lines.stream()
                                .map(l -> new Compared.Value(l.contender(), l.row(), l.change()))
                                .toList())));
    }

    private static Optional<Double> on(Curve c, int day) {
        return c.points().stream().filter(p -> p.at().day() == day).findFirst().map(p -> p.left() * c.first());
    }
}
