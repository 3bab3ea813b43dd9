package org.evensheen.app.shelf;

import static org.evensheen.app.page.Figures.svg;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import org.evensheen.app.page.Figures;
import org.evensheen.core.label.ProductKind.Vessel;
import org.evensheen.core.stock.Remaining;

/**
 * A bottle filled to what is left, in a box of 80 by 120. Its outline stands once in the page, under the name of its shape.
 *
 * @param shape name of the outline
 * @param level top of what is left, y
 * @param depth its height
 * @param low whether it is nearly empty
 * @param ticks quarters of the bottle, with their mL
 * @param spoken the same in words
 */
record BottleDrawing(String shape, String level, String depth, boolean low, List<Tick> ticks, String spoken) {
    private static final double BOTTOM = 116;
    private static final double LEAST_SEEN = 3;

    /** A mark beside the bottle. */
    record Tick(String y, String ml) {}

    static BottleDrawing of(Vessel vessel, Remaining remaining) {
        double top = vessel == Vessel.TIN ? 72 : vessel == Vessel.JUG ? 34 : 44;
        double full = (BOTTOM - top) * remaining.fullness();
        double depth = remaining.inUseMl() > 0 ? Math.max(LEAST_SEEN, full) : 0;
        List<Tick> ticks = IntStream.rangeClosed(0, 4)
                .mapToObj(i ->
                        new Tick(svg(BOTTOM - (BOTTOM - top) * i / 4), Figures.compact(remaining.sizeMl() * i / 4, 4)))
                .toList();
        return new BottleDrawing(
                vessel.name().toLowerCase(Locale.ROOT),
                svg(BOTTOM - depth),
                svg(depth),
                remaining.nearlyEmpty(),
                ticks,
                remaining.sizeMl() == 0
                        ? "No bottle on the Shelf"
                        : "%s of %s left"
                                .formatted(
                                        Figures.millilitres(remaining.inUseMl()),
                                        Figures.millilitres(remaining.sizeMl())));
    }
}
