package org.evensheen.app.sidebyside;

import static org.evensheen.app.page.Figures.svg;

import java.util.Arrays;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Things of their own are drawn as what their names say that they are; a mitt if they say nothing. */
enum Thing {
    SPONGE(
            "sponge|brick|block",
            100,
            70,
            "M14,0h72q14,0 14,14v42q0,14 -14,14h-72q-14,0 -14,-14v-42q0,-14 14,-14zM0,24h100"),
    TOWEL("towel|cloth|rag|fibre|fiber", 92, 104, "M0,0h92v104h-92zM0,52h92M0,78h92"),
    PAD(
            "pad|puck|applicator|disc",
            96,
            96,
            "M48,0c26.5,0 48,21.5 48,48c0,26.5 -21.5,48 -48,48c-26.5,0 -48,-21.5 -48,-48c0,-26.5 21.5,-48 48,-48z"
                    + "M48,16c17.7,0 32,14.3 32,32c0,17.7 -14.3,32 -32,32c-17.7,0 -32,-14.3 -32,-32c0,-17.7 14.3,-32 32,-32z"),
    BRUSH("brush", 64, 116, "M0,116v-34h22v-72q0,-10 10,-10q10,0 10,10v72h22v34zM16,116v-22M32,116v-22M48,116v-22"),
    MITT("", 98, 112, "M0,112v-76q0,-36 32,-36q32,0 32,36v22q4,-22 20,-16q14,6 4,22l-24,34v14z");

    /** A command of a path with its numbers. */
    private static final Pattern PART = Pattern.compile("([Ma-z])([^Ma-z]*)");

    private final Pattern words;
    private final double width;
    private final double height;
    private final String outline;

    /** @param outline a path in its own box, of relative commands after each place to begin at */
    Thing(String words, double width, double height, String outline) {
        this.words = Pattern.compile(words);
        this.width = width;
        this.height = height;
        this.outline = outline;
    }

    /** What a name says that it is. */
    static Thing named(String name) {
        String words = name.toLowerCase(Locale.ROOT);
        return Arrays.stream(values())
                .filter(t -> t.words.matcher(words).find())
                .findFirst()
                .orElse(MITT);
    }

    /** Its outline as large as a box allows, in the middle of it, px. */
    String within(double x, double y, double wide, double high) {
        double scale = Math.min(wide / 100, high / 120);
        double left = x + (wide - width * scale) / 2;
        double top = y + (high - height * scale) / 2;
        return PART.matcher(outline)
                .replaceAll(part -> part.group(1)
                        + (part.group(1).equals("M")
                                ? scaled(part.group(2), scale, left, top)
                                : scaled(part.group(2), scale, 0, 0)));
    }

    private static String scaled(String numbers, double scale, double left, double top) {
        if (numbers.isBlank()) {
            return "";
        }
        String[] all = numbers.strip().split("[ ,]+");
        return java.util.stream.IntStream.range(0, all.length)
                .mapToObj(i -> svg(Double.parseDouble(all[i]) * scale + (i % 2 == 0 ? left : top)))
                .collect(Collectors.joining(" "));
    }
}
