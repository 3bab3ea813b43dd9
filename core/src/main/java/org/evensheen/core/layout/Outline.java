package org.evensheen.core.layout;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evensheen.core.units.Rounded;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.valid.IsValidOp;
import org.locationtech.jts.operation.valid.TopologyValidationError;

/**
 * The edge of a bed, a trim or a zone: corners in mm, once round, from the bed's upper left, x to the right and y down.
 *
 * @param corners three to {@value #MOST_CORNERS}; the last is joined to the first
 */
public record Outline(List<Corner> corners) {
    public static final int MOST_CORNERS = 200;

    /** Longest side of a bed, mm. */
    public static final double LARGEST = 20_000;

    static final GeometryFactory GEOMETRY = new GeometryFactory();
    private static final int ROUND = 48;

    /** A corner, mm. */
    public record Corner(double x, double y) {}

    /** An outline that can't be; its message says where and what to do. */
    public static final class Impossible extends IllegalArgumentException {
        Impossible(String message) {
            super(message);
        }
    }

    /** @throws Impossible if it has too few or too many corners, encloses nothing, or crosses itself */
    public Outline {
        corners = List.copyOf(corners);
        if (corners.size() < 3) {
            throw new Impossible("An outline needs three corners or more; here are %d.".formatted(corners.size()));
        }
        if (corners.size() > MOST_CORNERS) {
            throw new Impossible("%d corners are too many; %d are the most.".formatted(corners.size(), MOST_CORNERS));
        }
        for (Corner c : corners) {
            if (!(c.x >= 0 && c.y >= 0 && c.x <= LARGEST && c.y <= LARGEST)) {
                throw new Impossible("The corner %s lies outside 0 to 20 000 mm. Measure from the upper left."
                        .formatted(shown(c.x, c.y)));
            }
        }
        TopologyValidationError wrong = new IsValidOp(polygon(corners)).getValidationError();
        if (wrong != null) {
            throw new Impossible("The outline crosses or touches itself near %s. List the corners in order, once round."
                    .formatted(shown(wrong.getCoordinate().x, wrong.getCoordinate().y)));
        }
    }

    private static String shown(double x, double y) {
        return Rounded.number(x, 0) + "," + Rounded.number(y, 0);
    }

    public static Outline rectangle(double x, double y, double width, double height) {
        return new Outline(List.of(
                new Corner(x, y),
                new Corner(x + width, y),
                new Corner(x + width, y + height),
                new Corner(x, y + height)));
    }

    /** A circle as a regular polygon inside it; what fits the polygon fits the circle. */
    public static Outline circle(double centreX, double centreY, double radius) {
        return new Outline(IntStream.range(0, ROUND)
                .mapToObj(i -> 2 * Math.PI * i / ROUND)
                .map(a -> new Corner(centreX + radius * Math.cos(a), centreY + radius * Math.sin(a)))
                .toList());
    }

    private static final Pattern RECTANGLE = Pattern.compile(
            "(\\d+(?:\\.\\d+)?),(\\d+(?:\\.\\d+)?)\\s+(\\d+(?:\\.\\d+)?)\\s*[x×*]\\s*(\\d+(?:\\.\\d+)?)");
    private static final Pattern CIRCLE =
            Pattern.compile("(\\d+(?:\\.\\d+)?),(\\d+(?:\\.\\d+)?)\\s+[⌀øØo]\\s*(\\d+(?:\\.\\d+)?)");

    /**
     * Reads a place on a bed in the shortest way that tells it: "x,y width×height", "x,y ⌀diameter" around a centre, or corners
     * as {@link #parse} reads them; mm.
     *
     * @throws Impossible if it is none of these, or as the constructor does
     */
    public static Outline parsePlace(String text) {
        Matcher rectangle = RECTANGLE.matcher(text.strip());
        if (rectangle.matches()) {
            return rectangle(number(rectangle, 1), number(rectangle, 2), number(rectangle, 3), number(rectangle, 4));
        }
        Matcher circle = CIRCLE.matcher(text.strip());
        if (circle.matches()) {
            return circle(number(circle, 1), number(circle, 2), number(circle, 3) / 2);
        }
        return parse(text);
    }

    private static double number(Matcher matcher, int group) {
        return Double.parseDouble(matcher.group(group));
    }

    /** As {@link #parsePlace} reads it: an upright rectangle in short, all else by its corners. */
    public String printPlace() {
        Envelope e = envelope();
        boolean upright = corners.size() == 4 && Math.abs(area() - e.getArea()) < 0.5;
        return upright
                ? "%s,%s %s×%s"
                        .formatted(
                                number(e.getMinX()), number(e.getMinY()), number(e.getWidth()), number(e.getHeight()))
                : print();
    }

    /**
     * Reads "x,y x,y …", blanks between corners.
     *
     * @throws Impossible with the part that can't be read, or as the constructor does
     */
    public static Outline parse(String text) {
        List<Corner> corners = new ArrayList<>();
        for (String part : text.strip().split("\\s+")) {
            String[] xy = part.split(",", -1);
            try {
                if (xy.length != 2) {
                    throw new NumberFormatException();
                }
                corners.add(new Corner(Double.parseDouble(xy[0]), Double.parseDouble(xy[1])));
            } catch (NumberFormatException e) {
                throw new Impossible(
                        "“%s” is no corner. Write each as x,y in mm, with a blank between: 0,0 1500,0 1500,1000 0,1000."
                                .formatted(part.length() > 30 ? part.substring(0, 30) + "…" : part));
            }
        }
        return new Outline(corners);
    }

    /** As {@link #parse} reads it, to a tenth of a millimetre. */
    public String print() {
        return corners.stream().map(c -> number(c.x) + "," + number(c.y)).collect(Collectors.joining(" "));
    }

    private static String number(double mm) {
        String text = String.format(Locale.ROOT, "%.1f", mm);
        return text.endsWith(".0") ? text.substring(0, text.length() - 2) : text;
    }

    /** Its greatest x, mm. */
    public double right() {
        return envelope().getMaxX();
    }

    /** Its greatest y, mm. */
    public double bottom() {
        return envelope().getMaxY();
    }

    /** mm². */
    public double area() {
        return polygon().getArea();
    }

    /** The same shape, larger by a factor. */
    Outline scaled(double factor) {
        return new Outline(corners.stream()
                .map(c -> new Corner(c.x * factor, c.y * factor))
                .toList());
    }

    /** Whether a rectangle lies on it, edges included, mm. */
    public boolean holds(double x, double y, double width, double height) {
        double touch = 1e-3;
        return polygon()
                .covers(GEOMETRY.toGeometry(new Envelope(x + touch, x + width - touch, y + touch, y + height - touch)));
    }

    Envelope envelope() {
        return polygon().getEnvelopeInternal();
    }

    Polygon polygon() {
        return polygon(corners);
    }

    private static Polygon polygon(List<Corner> corners) {
        Coordinate[] ring = new Coordinate[corners.size() + 1];
        for (int i = 0; i < ring.length; i++) {
            Corner c = corners.get(i % corners.size());
            ring[i] = new Coordinate(c.x, c.y);
        }
        return GEOMETRY.createPolygon(ring);
    }
}
