package org.evensheen.core.layout;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A part of a bed that lives differently, a rectangle in mm.
 *
 * @param label what is written in it
 */
public record Zone(Kind kind, String label, double xMm, double yMm, double widthMm, double heightMm) {

    /** How it lives. */
    public enum Kind {
        /** Over an engine: warmer than the rest. */
        HEAT("warm"),
        /** Below the waist line or behind a wheel: fouls first. */
        LOW("low"),
        /** Along an edge: sprays and towels miss it. */
        EDGE("edge"),
        /** Faces the sun. */
        SUN("sunny");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        public String word() {
            return word;
        }

        public static Optional<Kind> ofCode(String code) {
            return Stream.of(values()).filter(k -> k.code().equals(code)).findFirst();
        }
    }

    public Zone {
        if (!(xMm >= 0 && yMm >= 0 && widthMm > 0 && heightMm > 0)) {
            throw new IllegalArgumentException("a zone has an area on the bed");
        }
    }

    /** The share of a rectangle that lies in it, 0 to 1. */
    double shareOf(double x, double y, double width, double height) {
        double across = Math.min(x + width, xMm + widthMm) - Math.max(x, xMm);
        double down = Math.min(y + height, yMm + heightMm) - Math.max(y, yMm);
        return across <= 0 || down <= 0 ? 0 : across * down / (width * height);
    }

    /** Whether a point lies in it, mm. */
    public boolean holds(double x, double y) {
        return x >= xMm && x <= xMm + widthMm && y >= yMm && y <= yMm + heightMm;
    }
}
