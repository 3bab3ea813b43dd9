package org.evensheen.app.beds;

import static org.evensheen.app.page.Figures.svg;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Units;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.units.Unit;

/**
 * A bed drawn to scale; coordinates in px.
 *
 * @param unit px for a mm
 * @param clip name of the edge that zones are cut off at
 * @param words what it shows, with its numbers
 */
public record BedDrawing(
        String viewBox,
        String width,
        String height,
        double unit,
        String outline,
        List<Shape> trims,
        List<Area> zones,
        List<Handle> corners,
        List<Old> old,
        Ruler ruler,
        String clip,
        String words) {
    /** Room around the bed, px. */
    public static final double MARGIN = 14;

    /** A trim. */
    public record Shape(String label, String points) {}

    /** A zone. */
    public record Area(String kind, String label, String x, String y, String width, String height, String labelY) {}

    /** A corner that can be dragged, with its place in mm. */
    public record Handle(int number, String x, String y, String mm) {}

    /** A section of an earlier study. */
    public record Old(String x, String y, String width, String height, String words, boolean runs) {}

    /** A length to judge by. */
    public record Ruler(String y, String to, String label) {}

    /** Draws a bed as large as fits into a box. */
    public static BedDrawing fitting(
            BedShape shape, double widest, double tallest, List<PlaceInUse> uses, java.time.LocalDate today) {
        double unit = Math.min((widest - 2 * MARGIN) / shape.widthMm(), (tallest - 2 * MARGIN - 18) / shape.heightMm());
        return of(shape, unit, uses, today);
    }

    /** Draws a bed at a scale. */
    public static BedDrawing of(BedShape shape, double unit, List<PlaceInUse> uses, java.time.LocalDate today) {
        double width = shape.widthMm() * unit + 2 * MARGIN;
        double height = shape.heightMm() * unit + 2 * MARGIN + 18;
        List<Outline.Corner> corners = shape.outline().corners();
        boolean large = shape.widthMm() >= 1000;
        double ruler = Units.now().tape().differs()
                ? Unit.INCH.toCanonical(large ? 36 : 4)
                : Unit.METRE.toCanonical(large ? 1 : 0.1);
        return new BedDrawing(
                "0 0 %s %s".formatted(svg(width), svg(height)),
                svg(width),
                svg(height),
                unit,
                points(shape.outline(), unit),
                shape.trims().stream()
                        .map(t -> new Shape(t.label(), points(t.outline(), unit)))
                        .toList(),
                shape.zones().stream()
                        .map(z -> new Area(
                                z.kind().code(),
                                z.label(),
                                at(z.xMm(), unit),
                                at(z.yMm(), unit),
                                svg(z.widthMm() * unit),
                                svg(z.heightMm() * unit),
                                svg(MARGIN + (z.yMm() + z.heightMm()) * unit - 6)))
                        .toList(),
                corners.size() > 24
                        ? List.of()
                        : IntStream.range(0, corners.size())
                                .mapToObj(i -> new Handle(
                                        i,
                                        at(corners.get(i).x(), unit),
                                        at(corners.get(i).y(), unit),
                                        svg(corners.get(i).x()) + ","
                                                + svg(corners.get(i).y())))
                                .toList(),
                uses.stream()
                        .map(u -> new Old(
                                at(u.xMm(), unit),
                                at(u.yMm(), unit),
                                svg(u.widthMm() * unit),
                                svg(u.heightMm() * unit),
                                words(u),
                                u.runsOn(today)))
                        .toList(),
                new Ruler(
                        svg(height - 10),
                        svg(MARGIN + ruler * unit),
                        Units.now().tape().differs() ? large ? "3 ft" : "4 in" : large ? "1 m" : "100 mm"),
                "edge-%08x".formatted(points(shape.outline(), unit).hashCode()),
                "%s, %s, %s"
                        .formatted(
                                Figures.size(shape.widthMm(), shape.heightMm()),
                                Figures.count(shape.trims().size(), "trim", "trims"),
                                Figures.count(shape.zones().size(), "zone", "zones")));
    }

    private static String words(PlaceInUse use) {
        return use.product().map(p -> p + " on ").orElse("bare, ") + use.code() + " of “" + use.question() + "”";
    }

    private static String at(double mm, double unit) {
        return svg(MARGIN + mm * unit);
    }

    private static String points(Outline outline, double unit) {
        return outline.corners().stream()
                .map(c -> at(c.x(), unit) + "," + at(c.y(), unit))
                .collect(Collectors.joining(" "));
    }
}
