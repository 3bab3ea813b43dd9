package org.evensheen.app.sidebyside;

import static org.evensheen.app.page.Figures.svg;

import java.util.Random;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evensheen.core.measure.Level;

/** What a level looks like, in a frame of 60 by 26: specks that are still there, lines that are left, or a bar that fills. */
public final class LevelDrawing {
    private static final int EACH = 4;
    private static final Set<String> LINES = Set.of("streaks", "smear", "haze", "lint");
    private static final Set<String> SPECKS_LEFT = Set.of("gone", "gone-rinsed", "release", "taken", "rinsing");
    private static final Set<String> SPECKS = Set.of("dirt", "sling", "bloom", "colour");

    private LevelDrawing() {}

    public static String of(Level level, int n) {
        if (SPECKS.contains(level.code())) {
            return drawn(EACH * n, LevelDrawing::speck);
        }
        if (SPECKS_LEFT.contains(level.code())) {
            return drawn(EACH * (Level.MOST - n), LevelDrawing::speck);
        }
        return LINES.contains(level.code()) ? drawn(n * 2, LevelDrawing::line) : bar(n);
    }

    /** So many marks at places that are the same at every level, so that a higher one adds to a lower. */
    private static String drawn(int marks, BiFunction<Double, Double, String> mark) {
        Random random = new Random(5);
        return IntStream.range(0, marks)
                .mapToObj(i -> mark.apply(4 + 50 * random.nextDouble(), 3 + 20 * random.nextDouble()))
                .collect(Collectors.joining());
    }

    private static String speck(double x, double y) {
        return "M%s,%sa1.6,1.6 0 1 0 3.2,0a1.6,1.6 0 1 0 -3.2,0Z".formatted(svg(x), svg(y));
    }

    private static String line(double x, double y) {
        double from = Math.min(x, 40);
        return "M%s,%sl14,-3v1.6l-14,3Z".formatted(svg(from), svg(y));
    }

    private static String bar(int n) {
        return IntStream.rangeClosed(1, Level.MOST)
                .mapToObj(i -> i <= n
                        ? "M%s,%sh8v%sh-8Z".formatted(svg(i * 10 - 4), svg(24 - i * 4), svg(i * 4))
                        : "M%s,23h8v1h-8Z".formatted(svg(i * 10 - 4)))
                .collect(Collectors.joining());
    }
}
