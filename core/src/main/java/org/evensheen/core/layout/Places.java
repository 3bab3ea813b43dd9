package org.evensheen.core.layout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.evensheen.core.study.Section;

/**
 * Places that are no taped sections: parts of something, items, or runs. They lie on a sketch, side by side, and have no area.
 *
 * <p>Which product goes where is drawn by lot within rounds: every product stands once in each.
 */
public enum Places {
    HALVES("halves", List.of("left half", "right half")),
    QUARTERS("quarters", List.of("front left", "front right", "rear left", "rear right")),
    THIRDS("thirds", List.of("left third", "middle third", "right third")),
    STRIPS("strips", List.of("strip 1", "strip 2", "strip 3", "strip 4", "strip 5", "strip 6", "strip 7", "strip 8")),
    WHEELS("wheels", List.of("front left wheel", "front right wheel", "rear left wheel", "rear right wheel")),
    PANES("panes", List.of("left pane", "right pane", "windscreen", "rear window")),
    TYRE_PARTS("parts of a tyre", List.of("upper third", "front third", "rear third")),
    SEAT_HALVES("halves of a seat", List.of("left of the seat", "right of the seat")),
    VEHICLE("areas of the vehicle", areas().stream().map(Area::name).toList()),
    JARS("jars", List.of("jar")),
    ITEMS("items", List.of("item"));

    /**
     * How an area of a vehicle lives.
     *
     * @param kind empty if like the rest of it
     */
    public record Area(String name, Optional<Zone.Kind> kind) {}

    /** Areas of a whole vehicle, from the top down: low ones foul first, the bonnet is warm, the roof lies in the sun. */
    public static List<Area> areas() {
        return List.of(
                new Area("roof", Optional.of(Zone.Kind.SUN)),
                new Area("bonnet", Optional.of(Zone.Kind.HEAT)),
                new Area("upper flank", Optional.empty()),
                new Area("below the waist", Optional.of(Zone.Kind.LOW)),
                new Area("rear", Optional.of(Zone.Kind.LOW)),
                new Area("wheels", Optional.of(Zone.Kind.LOW)));
    }

    /** What a part of an area is called: left, middle, right, or by its number. */
    public static String part(String area, int nth, int of) {
        List<String> words = switch (of) {
            case 1 -> List.of("");
            case 2 -> List.of(", left", ", right");
            case 3 -> List.of(", left", ", middle", ", right");
            default -> List.of();
        };
        return area + (words.isEmpty() ? ", part " + (nth + 1) : words.get(nth));
    }

    /** Most places of one comparison. */
    public static final int MOST = 40;

    private static final double WIDTH = 300;
    private static final double HEIGHT = 400;
    private static final double GAP = 40;

    private final String word;
    private final List<String> names;

    Places(String word, List<String> names) {
        this.word = word;
        this.names = names;
    }

    public String word() {
        return word;
    }

    /** Whether its places are painted, so that what is not meant for paint can harm them. */
    public boolean paint() {
        return switch (this) {
            case HALVES, QUARTERS, THIRDS, STRIPS, VEHICLE -> true;
            case WHEELS, PANES, TYRE_PARTS, SEAT_HALVES, JARS, ITEMS -> false;
        };
    }

    /** Width of the sketch, mm. */
    public static double width(int products) {
        return GAP + products * (WIDTH + GAP);
    }

    /** Height of the sketch, mm. */
    public static double height(int rounds) {
        return GAP + rounds * (HEIGHT + GAP);
    }

    /**
     * Deals products out.
     *
     * @param products how many, 2 or more
     * @param rounds how often each stands, 1 or more; a round is a block
     * @param seed behind the lots
     * @throws IllegalArgumentException if there are not so many places
     */
    public List<Section> deal(int products, int rounds, long seed) {
        if (products < 2 || rounds < 1 || products * rounds > MOST) {
            throw new IllegalArgumentException(
                    "a comparison has two products or more, and at most %d places".formatted(MOST));
        }
        if (names.size() > 1 && products > names.size()) {
            throw new IllegalArgumentException("there are only %d %s".formatted(names.size(), word));
        }
        Random random = new Random(seed);
        List<Section> places = new ArrayList<>();
        for (int round = 0; round < rounds; round++) {
            List<Integer> lot =
                    new ArrayList<>(IntStream.range(0, products).boxed().toList());
            Collections.shuffle(lot, random);
            for (int i = 0; i < products; i++) {
                places.add(new Section(
                        code(places.size()),
                        lot.get(i),
                        round + 1,
                        GAP + i * (WIDTH + GAP),
                        GAP + round * (HEIGHT + GAP),
                        WIDTH,
                        HEIGHT,
                        false,
                        name(places.size(), i)));
            }
        }
        return places;
    }

    private String name(int place, int inRound) {
        return names.size() == 1 ? "%s %d".formatted(names.get(0), place + 1) : names.get(inRound);
    }

    /** A, B, … Z, AA, AB, … */
    private static String code(int n) {
        return n < 26 ? String.valueOf((char) ('A' + n)) : code(n / 26 - 1) + (char) ('A' + n % 26);
    }
}
