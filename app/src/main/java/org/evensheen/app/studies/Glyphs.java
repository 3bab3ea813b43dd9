package org.evensheen.app.studies;

import static org.evensheen.app.page.Figures.svg;

import java.util.List;
import org.evensheen.core.measure.Value;

/** Drawings that are measurements: a drop at its contact angle, the edge of a sheet of water. */
public final class Glyphs {
    private Glyphs() {}

    /**
     * A drop of fixed volume resting at a contact angle, as an SVG path: the flatter, the wider.
     *
     * @param x middle of its base
     * @param y the surface it rests on
     * @param size radius of the ball it would be in the air
     * @param degrees contact angle, 1 to 179
     */
    public static String drop(double x, double y, double size, double degrees) {
        double theta = Math.toRadians(Math.max(12, Math.min(170, degrees)));
        double cosine = Math.cos(theta);
        double radius = size * Math.cbrt(4 / ((2 + cosine) * (1 - cosine) * (1 - cosine)));
        double half = radius * Math.sin(theta);
        return "M%s,%s A%s,%s 0 %d 1 %s,%s Z"
                .formatted(
                        svg(x - half), svg(y), svg(radius), svg(radius), degrees > 90 ? 1 : 0, svg(x + half), svg(y));
    }

    /**
     * The trailing edge of a sheet of water.
     *
     * @param thickness height of the film as drawn; follows the water left behind
     */
    public static String sheet(double x, double y, double width, double thickness) {
        return "M%s,%s V%s C%s,%s %s,%s %s,%s Z"
                .formatted(
                        svg(x),
                        svg(y),
                        svg(y - thickness),
                        svg(x + width * 0.6),
                        svg(y - thickness * 1.1),
                        svg(x + width * 0.75),
                        svg(y - thickness * 0.35),
                        svg(x + width),
                        svg(y));
    }

    /** Marks over minutes as an area that stands on a line, as wide as the last minute and as high as the first mark. */
    static String curve(double x, double y, double width, double height, List<Value.Mark> marks) {
        double last = marks.get(marks.size() - 1).minute();
        double first = Math.max(1e-9, marks.get(0).value());
        StringBuilder path = new StringBuilder("M" + svg(x) + "," + svg(y));
        for (Value.Mark mark : marks) {
            path.append("L")
                    .append(svg(x + width * mark.minute() / last))
                    .append(",")
                    .append(svg(y - height * Math.min(1.2, mark.value() / first)));
        }
        return path.append("L")
                .append(svg(x + width))
                .append(",")
                .append(svg(y))
                .append("Z")
                .toString();
    }
}
