package org.evensheen.app.mixer;

import static org.evensheen.app.page.Figures.svg;

import java.util.List;
import java.util.stream.IntStream;
import org.evensheen.app.page.Figures;
import org.evensheen.core.mixing.Mix;

/**
 * The vessel filling, and beside it the cup that the product is measured in, to its own scale.
 *
 * @param outline path of the vessel, in a box of 150 by 170
 * @param productTop top of the product in the vessel, y; drawn at least as a line
 * @param waterTop top of the water on it
 * @param cupTop top of the product in the cup
 * @param ticks marks of the cup
 */
record VesselDrawing(
        String outline,
        String productTop,
        String productDepth,
        String waterTop,
        String waterDepth,
        String cupTop,
        String cupDepth,
        List<Tick> ticks,
        String spoken) {
    private static final double BOTTOM = 162;
    private static final double FULL = 138;
    private static final double THINNEST = 2.5;
    private static final int TICKS = 5;

    /** A mark of the cup. */
    record Tick(String y, String ml) {}

    static VesselDrawing of(String shape, Mix mix) {
        double product = mix.productMl() / mix.totalMl() * FULL;
        double drawn = mix.productMl() > 0 ? Math.max(THINNEST, product) : 0;
        double cup = cup(mix.productMl());
        double level = FULL * mix.productMl() / cup;
        return new VesselDrawing(
                outline(shape),
                svg(BOTTOM - drawn),
                svg(drawn),
                svg(BOTTOM - FULL),
                svg(FULL - drawn),
                svg(BOTTOM - level),
                svg(level),
                IntStream.rangeClosed(1, TICKS)
                        .mapToObj(i -> new Tick(svg(BOTTOM - FULL * i / TICKS), Figures.compact(cup * i / TICKS, 3)))
                        .toList(),
                "%s of product and %s of water make %s"
                        .formatted(
                                Figures.millilitres(mix.productMl()),
                                Figures.volume(mix.waterMl()),
                                Figures.volume(mix.totalMl())));
    }

    private static String outline(String shape) {
        return switch (shape) {
            case "bucket" -> "M12,18h126l-14,144h-98z";
            case "sprayer" -> "M56,18h38v8q28,6 28,34v92q0,10 -10,10h-74q-10,0 -10,-10v-92q0,-28 28,-34z";
            default -> "M40,18h70v10q22,8 22,30v94q0,10 -10,10h-94q-10,0 -10,-10v-94q0,-22 22,-30z";
        };
    }

    /** The smallest cup of 10, 25, 50, 100, 250 … mL that holds so much. */
    static double cup(double ml) {
        for (double decade = 1; ; decade *= 10) {
            for (double size : new double[] {1, 2.5, 5}) {
                if (size * decade >= ml) {
                    return size * decade;
                }
            }
        }
    }
}
