package org.evensheen.app.sidebyside;

import static org.evensheen.app.page.Figures.svg;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Value;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.study.Section;

/**
 * The places as they lie, with what is known drawn on them: dirt that is still there, foam at its height.
 *
 * @param shape the word of the shape, by which it is coloured
 * @param mm px for a mm of foam in a jar, from {@link Spot#floor}; 0 if foam is not drawn
 */
record Picture(String viewBox, String shape, List<Spot> spots, double mm) {
    private static final double WIDTH = 330;
    private static final double HEIGHT = 214;
    private static final double TOP = 6;
    private static final double LIFT = 26;
    /** A jar is so high, mm. */
    static final double JAR = 150;

    /** A place has its name written on it from this height on, px. */
    private static final double ROOM = 60;

    /** A speck of dirt. */
    record Speck(String x, String y, String r) {}

    /**
     * A place.
     *
     * @param path its outline
     * @param foam foam standing in it or on it; empty if none was read
     * @param told what is known of it, short
     */
    record Spot(
            String code,
            String name,
            String path,
            String x,
            String tagX,
            String tagY,
            String toldY,
            String left,
            String width,
            double floor,
            String foam,
            List<Speck> specks,
            String told) {}

    private record Box(double x, double y, double width, double height) {
        double middle() {
            return x + width / 2;
        }
    }

    /** What a shape looks like with nothing on it: all its parts, and so many of what there is any number of. */
    static Picture plain(Places shape, int wanted) {
        int n = switch (shape) {
            case HALVES, SEAT_HALVES -> 2;
            case THIRDS, TYRE_PARTS -> 3;
            case QUARTERS, WHEELS, PANES -> 4;
            case STRIPS -> 5;
            case VEHICLE -> 6;
            case JARS, ITEMS -> wanted;
        };
        List<Spot> spots = new ArrayList<>();
        List<Box> boxes = boxes(shape, n);
        for (int i = 0; i < n; i++) {
            spots.add(spot(shape, boxes.get(i), "", "", "", "", List.of(), ""));
        }
        return new Picture("0 0 %s %s".formatted(svg(WIDTH), svg(HEIGHT)), SheetWords.lower(shape), spots, 0);
    }

    /** A round of a comparison. */
    static Picture of(Comparison c, int round) {
        List<Section> places = c.round(round);
        boolean jars = c.shape() == Places.JARS;
        List<Box> boxes = boxes(c.shape(), places.size());
        List<Spot> spots = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            Section place = places.get(i);
            Box box = boxes.get(i);
            List<Value.Mark> foam = c.foam(place.code());
            String standing = foam.isEmpty()
                    ? ""
                    : foamPath(box, foam.get(foam.size() - 1).value() / JAR);
            spots.add(spot(
                    c.shape(),
                    box,
                    place.code(),
                    SheetWords.place(c, place),
                    c.on(place.code()).name(),
                    jars ? standing : "",
                    dirt(c, place.code(), box),
                    told(c, place.code())));
        }
        return new Picture("0 0 %s %s".formatted(svg(WIDTH), svg(HEIGHT)), SheetWords.lower(c.shape()), spots, 0);
    }

    /** Jars for foam, one a place, whatever the shape. */
    static Picture jars(Comparison c, int round) {
        List<Section> places = c.round(round);
        List<Box> boxes = boxes(Places.JARS, places.size());
        List<Spot> spots = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            List<Value.Mark> foam = c.foam(places.get(i).code());
            spots.add(spot(
                    Places.JARS,
                    boxes.get(i),
                    places.get(i).code(),
                    places.get(i).name(),
                    "",
                    foam.isEmpty()
                            ? ""
                            : foamPath(boxes.get(i), foam.get(foam.size() - 1).value() / JAR),
                    List.of(),
                    ""));
        }
        return new Picture("0 0 %s %s".formatted(svg(WIDTH), svg(HEIGHT)), "jars", spots, boxes.get(0).height / JAR);
    }

    private static String told(Comparison c, String code) {
        return c.said("spots/" + code)
                .filter(v -> v.matches("\\d+"))
                .map(v -> v + " spots")
                .orElse("");
    }

    private static List<Box> boxes(Places shape, int n) {
        if (shape == Places.VEHICLE) {
            return VAN.subList(0, n);
        }
        if (shape == Places.TYRE_PARTS) {
            return THIRDS_OF_A_RING.subList(0, n);
        }
        int rows = shape == Places.QUARTERS && n > 2 || n > 4 && shape != Places.STRIPS ? 2 : 1;
        int columns = (n + rows - 1) / rows;
        double gap = shape == Places.JARS || shape == Places.WHEELS || shape == Places.ITEMS ? 22 : 5;
        double width = (WIDTH - 12 - gap * (columns - 1)) / columns;
        double height = (HEIGHT - TOP - 6 - gap * (rows - 1)) / rows;
        List<Box> boxes = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            int row = i / columns;
            int column = i % columns;
            boxes.add(new Box(6 + column * (width + gap), TOP + row * (height + gap), width, height));
        }
        return boxes;
    }

    /** A van from the side, area by area: roof, bonnet, upper flank, below the waist, rear, wheels. */
    private static final List<Box> VAN = List.of(
            new Box(56, 12, 206, 32),
            new Box(268, 82, 56, 66),
            new Box(56, 50, 206, 52),
            new Box(56, 108, 206, 40),
            new Box(6, 12, 44, 136),
            new Box(56, 154, 206, 54));

    /** Where what belongs to each third of a tyre is written: above, in front, behind. */
    private static final List<Box> THIRDS_OF_A_RING =
            List.of(new Box(125, 6, 80, 60), new Box(200, 96, 80, 100), new Box(50, 96, 80, 100));

    private static Spot spot(
            Places shape,
            Box box,
            String code,
            String name,
            String thing,
            String foam,
            List<Speck> specks,
            String told) {
        return new Spot(
                code,
                box.height < ROOM ? "" : name,
                path(shape, box, thing),
                svg(box.middle()),
                svg(box.middle()),
                svg(box.y + LIFT),
                svg(box.y + box.height - 10),
                svg(box.x),
                svg(box.width),
                box.y + box.height,
                foam,
                specks,
                told);
    }

    private static String path(Places shape, Box b, String thing) {
        return switch (shape) {
            case WHEELS -> wheel(b);
            case TYRE_PARTS -> third(THIRDS_OF_A_RING.indexOf(b));
            case JARS -> jar(b);
            case ITEMS -> Thing.named(thing).within(b.x, b.y, b.width, b.height);
            case SEAT_HALVES -> seat(b);
            case VEHICLE -> VAN.indexOf(b) == 5 ? wheels(b) : block(b);
            case PANES -> block(b);
            case HALVES, QUARTERS, THIRDS, STRIPS -> panel(b);
        };
    }

    /** A piece of a bonnet seen from in front: what lies left and right leans inwards at the top. */
    private static String panel(Box b) {
        return "M%s,%s L%s,%s L%s,%s L%s,%sZ"
                .formatted(
                        svg(lean(b.x, b.y)),
                        svg(b.y),
                        svg(lean(b.x + b.width, b.y)),
                        svg(b.y),
                        svg(lean(b.x + b.width, b.y + b.height)),
                        svg(b.y + b.height),
                        svg(lean(b.x, b.y + b.height)),
                        svg(b.y + b.height));
    }

    private static double lean(double x, double y) {
        double narrow = 1 - 0.2 * (HEIGHT - y) / HEIGHT;
        return WIDTH / 2 + (x - WIDTH / 2) * narrow;
    }

    private static String block(Box b) {
        return "M%s,%sh%sv%sh%sZ".formatted(svg(b.x), svg(b.y), svg(b.width), svg(b.height), svg(-b.width));
    }

    private static String wheels(Box b) {
        double r = b.height / 2 - 2;
        return circle(b.x + b.width * 0.2, b.y + b.height / 2, r) + circle(b.x + b.width * 0.8, b.y + b.height / 2, r);
    }

    /** A half of a seat: a back with round shoulders above its cushion. */
    private static String seat(Box b) {
        double r = 26;
        return "M%s,%sv%sq0,%s %s,%sh%sq%s,0 %s,%sv%sZM%s,%sh%sv%sh%sZ"
                .formatted(
                        svg(b.x + 10),
                        svg(b.y + b.height * 0.62),
                        svg(r - b.height * 0.62),
                        svg(-r),
                        svg(r),
                        svg(-r),
                        svg(b.width - 20 - 2 * r),
                        svg(r),
                        svg(r),
                        svg(r),
                        svg(b.height * 0.62 - r),
                        svg(b.x),
                        svg(b.y + b.height * 0.68),
                        svg(b.width),
                        svg(b.height * 0.32),
                        svg(-b.width));
    }

    /** A third of a tyre, seen from the side. */
    private static String third(int n) {
        double from = Math.PI * (7 / 6.0 + 2 * n / 3.0) + 0.03;
        double to = from + Math.PI * 2 / 3 - 0.06;
        double x = WIDTH / 2;
        double y = HEIGHT / 2;
        return "M%s,%sA100,100 0 0 1 %s,%sL%s,%sA58,58 0 0 0 %s,%sZ"
                .formatted(
                        svg(x + 100 * Math.cos(from)),
                        svg(y + 100 * Math.sin(from)),
                        svg(x + 100 * Math.cos(to)),
                        svg(y + 100 * Math.sin(to)),
                        svg(x + 58 * Math.cos(to)),
                        svg(y + 58 * Math.sin(to)),
                        svg(x + 58 * Math.cos(from)),
                        svg(y + 58 * Math.sin(from)));
    }

    private static String wheel(Box b) {
        double r = Math.min(b.width, b.height) / 2 - 4;
        double x = b.middle();
        double y = b.y + b.height / 2;
        StringBuilder path = new StringBuilder(circle(x, y, r)).append(circle(x, y, r * 0.66));
        for (int i = 0; i < 5; i++) {
            double a = Math.PI * (2 * i / 5.0 - 0.5);
            path.append("M%s,%sL%s,%s"
                    .formatted(
                            svg(x + 0.14 * r * Math.cos(a)),
                            svg(y + 0.14 * r * Math.sin(a)),
                            svg(x + 0.64 * r * Math.cos(a)),
                            svg(y + 0.64 * r * Math.sin(a))));
        }
        return path.append(circle(x, y, r * 0.14)).toString();
    }

    private static String circle(double x, double y, double r) {
        return "M%s,%sa%s,%s 0 1 0 %s,0a%s,%s 0 1 0 %s,0Z"
                .formatted(svg(x - r), svg(y), svg(r), svg(r), svg(2 * r), svg(r), svg(r), svg(-2 * r));
    }

    private static String jar(Box b) {
        double w = Math.min(b.width, 96);
        double x = b.middle() - w / 2;
        double r = Math.min(26, w / 3);
        return "M%s,%sV%sq0,%s %s,%sH%sq%s,0 %s,%sV%s"
                .formatted(
                        svg(x),
                        svg(b.y),
                        svg(b.y + b.height - r),
                        svg(r),
                        svg(r),
                        svg(r),
                        svg(x + w - r),
                        svg(r),
                        svg(r),
                        svg(-r),
                        svg(b.y));
    }

    private static String foamPath(Box b, double share) {
        double w = Math.min(b.width, 96) - 4;
        double x = b.middle() - w / 2;
        double y = b.y + b.height * (1 - Math.min(1, share));
        return "M%s,%sq%s,-7 %s,0t%s,0t%s,0t%s,0V%sH%sZ"
                .formatted(
                        svg(x),
                        svg(y),
                        svg(w / 8),
                        svg(w / 4),
                        svg(w / 4),
                        svg(w / 4),
                        svg(w / 4),
                        svg(b.y + b.height - 3),
                        svg(x));
    }

    /** So many specks as there is dirt; a cleaner place has fewer. */
    private static List<Speck> dirt(Comparison c, String code, Box b) {
        int before = c.before(code).orElse(0);
        int gone = c.said("gone/" + code)
                .or(() -> c.said("gone-rinsed/" + code))
                .filter(v -> v.matches("[0-5]"))
                .map(Integer::valueOf)
                .orElse(0);
        int specks = (int) Math.round(before * 7 * (1 - gone / 5.0));
        Random random = new Random(c.seed() + code.hashCode());
        List<Speck> all = new ArrayList<>();
        for (int i = 0; i < specks; i++) {
            double x = b.x + b.width * (0.14 + 0.72 * random.nextDouble());
            double y = b.y + b.height * (0.3 + 0.56 * random.nextDouble());
            all.add(new Speck(
                    svg(c.shape().paint() && c.shape() != Places.VEHICLE ? lean(x, y) : x),
                    svg(y),
                    svg(1.6 + 2.6 * random.nextDouble())));
        }
        return all;
    }
}
