package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Stream;

/** Every measure there is, in the order in which a plan carries them round the sections. */
public final class Measures {
    public static final Measure DROP = new Drop();
    public static final Measure LEFT_BEHIND = new LeftBehind();
    public static final Measure WATER_GRADE = new WaterGrade();
    public static final Measure GLOSS = new Gloss();
    public static final Measure PULL = new Pull();
    public static final Measure FOAM = new Foam();
    public static final Measure FOAM_LEFT = new FoamLeft();

    private static final List<Measure> ALL =
            new CopyOnWriteArrayList<>(List.of(DROP, LEFT_BEHIND, WATER_GRADE, GLOSS, PULL, FOAM, FOAM_LEFT));

    /** What is seen, felt, counted and timed in an afternoon, side by side. */
    private static final List<Measure> SIDE_BY_SIDE = List.of(
            level(
                    "dirt",
                    "Dirt before",
                    "dirt before",
                    false,
                    "Look at it dry, in the shade.",
                    "clean",
                    "a little dust",
                    "dusty",
                    "dirty",
                    "very dirty",
                    "caked"),
            level(
                    "gone-rinsed",
                    "Dirt gone by rinsing",
                    "rinsing dirt off untouched",
                    true,
                    "Rinse all alike, then look before anything touches it.",
                    "none gone",
                    "a little",
                    "some",
                    "half and more",
                    "nearly all",
                    "all gone"),
            level(
                    "gone",
                    "Dirt gone",
                    "cleaning",
                    true,
                    "Look close, with the light along it.",
                    "none gone",
                    "a little",
                    "some",
                    "half and more",
                    "nearly all",
                    "all gone"),
            level(
                    "cling",
                    "Cling",
                    "clinging",
                    true,
                    "Look at it a minute after it went on.",
                    "ran straight off",
                    "slides fast",
                    "slides",
                    "slides slowly",
                    "hardly moves",
                    "stands where it was put"),
            level(
                    "suds",
                    "Suds left in the bucket",
                    "lasting suds",
                    true,
                    "Look into the bucket after the last panel.",
                    "flat",
                    "a few bubbles",
                    "thin",
                    "half of it",
                    "nearly as poured",
                    "as poured"),
            level(
                    "rinsing",
                    "Rinsing",
                    "rinsing off",
                    true,
                    "Rinse all alike, and watch how soon the water runs clear.",
                    "never clear",
                    "very slow",
                    "slow",
                    "fair",
                    "quick",
                    "at once"),
            level(
                    "streaks",
                    "Streaks",
                    "wiping off without streaks",
                    false,
                    "Look along it, into a light.",
                    "none",
                    "one or two",
                    "some",
                    "many",
                    "nearly all over",
                    "all over"),
            level(
                    "smear",
                    "Smear",
                    "wiping dry without smear",
                    false,
                    "Look along it after the last wipe.",
                    "none",
                    "a trace",
                    "some",
                    "clear to see",
                    "much",
                    "all over"),
            level(
                    "haze",
                    "Haze next morning",
                    "staying clear",
                    false,
                    "Look through it into the low sun.",
                    "none",
                    "a trace",
                    "thin",
                    "clear to see",
                    "thick",
                    "can't see through"),
            level(
                    "look",
                    "Look",
                    "looks",
                    true,
                    "Step back two paces.",
                    "poor",
                    "dull",
                    "fair",
                    "good",
                    "very good",
                    "as new"),
            level(
                    "sling",
                    "Sling after a drive",
                    "staying on the tyre",
                    false,
                    "Look at the paint behind the wheel.",
                    "none",
                    "a speck",
                    "some",
                    "many",
                    "a band",
                    "all along"),
            level(
                    "bloom",
                    "Rust bloom",
                    "sparing the disc",
                    false,
                    "Look at the disc ten minutes after.",
                    "none",
                    "a hint",
                    "light",
                    "clear to see",
                    "heavy",
                    "all over"),
            level(
                    "colour",
                    "Colour change",
                    "showing what it dissolves",
                    true,
                    "Look four minutes after it went on.",
                    "none",
                    "a hint",
                    "streaks",
                    "half of it",
                    "most",
                    "all over"),
            level(
                    "release",
                    "Dirt let go after five squeezes",
                    "letting dirt go",
                    true,
                    "Squeeze five times under water, and set the face beside an unused one.",
                    "holds all",
                    "lets little go",
                    "some",
                    "half and more",
                    "nearly all",
                    "as unused"),
            level(
                    "lint",
                    "Lint",
                    "leaving no lint",
                    false,
                    "Wipe dark glass once, and look along it.",
                    "none",
                    "one or two",
                    "some",
                    "many",
                    "very many",
                    "all over"),
            level(
                    "leaves",
                    "What it leaves on bare paint",
                    "leaving something on bare paint",
                    true,
                    "Wet it and the paint beside it, washed with water only, in the same way.",
                    "as beside it",
                    "hardly other",
                    "a little tighter",
                    "tighter",
                    "much tighter",
                    "like a coat"),
            level(
                    "dry-touch",
                    "Dry to the touch",
                    "drying to the touch",
                    true,
                    "One finger, gloved.",
                    "wet",
                    "greasy",
                    "tacky",
                    "a little tacky",
                    "nearly dry",
                    "dry"),
            level(
                    "taken",
                    "Dirt taken up",
                    "taking dirt up",
                    true,
                    "Look at what is left where it went over once.",
                    "none",
                    "a little",
                    "some",
                    "half and more",
                    "nearly all",
                    "all of it"),
            level(
                    "shape",
                    "Shape back",
                    "springing back",
                    true,
                    "Set it beside an unused one.",
                    "flat",
                    "mostly flat",
                    "matted",
                    "half and more",
                    "nearly as new",
                    "as new"),
            plain(
                    "rung",
                    "Steps stood",
                    "standing up to what is done to it",
                    "number of steps",
                    Scale.ORDER,
                    "steps",
                    20,
                    true,
                    "The steps after which it was still there."),
            plain(
                    "marks",
                    "Fine marks",
                    "leaving no marks",
                    "number of marks",
                    Scale.COUNT,
                    "marks",
                    500,
                    false,
                    "Count them on a soft dark square, with a lamp; over fifty, guess."),
            plain(
                    "high-spots",
                    "High spots",
                    "leaving no high spots",
                    "number of high spots",
                    Scale.COUNT,
                    "spots",
                    200,
                    false,
                    "Look along it, from both sides."),
            plain(
                    "flash",
                    "Flashes off after",
                    "time to work in",
                    "time before it flashed off",
                    Scale.LOG,
                    "s",
                    3600,
                    true,
                    "From the last spray until it is gone from the glass."),
            plain(
                    "panel-heat",
                    "Panel temperature",
                    "a cool panel",
                    "temperature of the panel",
                    Scale.AMOUNT,
                    "°C",
                    120,
                    false,
                    "On the place itself, out of the sun."),
            plain(
                    "spots",
                    "Spots left",
                    "leaving no spots",
                    "number of spots",
                    Scale.COUNT,
                    "spots",
                    500,
                    false,
                    "Count what is left; over fifty, guess."),
            plain(
                    "wipes",
                    "Wipes",
                    "few wipes",
                    "number of wipes",
                    Scale.COUNT,
                    "wipes",
                    200,
                    false,
                    "Count each pass of the towel."),
            plain(
                    "faces",
                    "Towel faces",
                    "few towel faces",
                    "number of faces",
                    Scale.COUNT,
                    "faces",
                    100,
                    false,
                    "A towel folded twice has eight."),
            plain(
                    "sprays",
                    "Sprays",
                    "few sprays",
                    "number of sprays",
                    Scale.COUNT,
                    "sprays",
                    300,
                    false,
                    "Count each pull of the trigger."),
            plain(
                    "dries",
                    "Dries off after",
                    "time to work in",
                    "time until it dries off",
                    Scale.LOG,
                    "s",
                    3600,
                    true,
                    "From the last wipe until it is dry to the eye."),
            plain(
                    "clears",
                    "Clears after",
                    "clearing water",
                    "time until it is clear",
                    Scale.LOG,
                    "s",
                    3600,
                    false,
                    "From the last water until it has run off."),
            plain(
                    "minutes",
                    "Minutes",
                    "speed",
                    "time it took",
                    Scale.LOG,
                    "min",
                    600,
                    false,
                    "From the first move to the last."),
            plain(
                    "held",
                    "Water held",
                    "holding water",
                    "water held",
                    Scale.AMOUNT,
                    "g",
                    5000,
                    true,
                    "Weigh it dry and dripping; the difference is what it holds."),
            plain(
                    "left",
                    "Water left after one wring",
                    "wringing out",
                    "water left",
                    Scale.AMOUNT,
                    "g",
                    5000,
                    false,
                    "Weigh it after one wring."));

    private Measures() {}

    private static Level level(String code, String label, String at, boolean more, String how, String... said) {
        return new Level(code, label, at, more, how, List.of(said));
    }

    private static Plain plain(
            String code,
            String label,
            String at,
            String what,
            Scale scale,
            String unit,
            double highest,
            boolean more,
            String how) {
        return new Plain(code, label, at, what, scale, unit, highest, more, how);
    }

    /** What is looked at in an afternoon; a plan for weeks does not ask for it. */
    public static List<Measure> sideBySide() {
        return SIDE_BY_SIDE;
    }

    /** All of them. */
    public static List<Measure> all() {
        return ALL;
    }

    /** Those that are read; the others are looks at the same readings. */
    public static List<Measure> read() {
        return ALL.stream().filter(m -> m.readAs() == m).toList();
    }

    public static Optional<Measure> ofCode(String code) {
        return Stream.concat(ALL.stream(), SIDE_BY_SIDE.stream())
                .filter(m -> m.code().equals(code))
                .findFirst();
    }

    /**
     * One more, until it is closed: that nothing else has to change for a new measure is tried with one that is in no release.
     *
     * @throws IllegalArgumentException if there is one of that code
     */
    public static AutoCloseable with(Measure measure) {
        if (ofCode(measure.code()).isPresent()) {
            throw new IllegalArgumentException("there is a measure " + measure.code());
        }
        ALL.add(measure);
        return () -> ALL.remove(measure);
    }
}
