package org.evensheen.app.beds;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.layout.BedShape;

/**
 * What sections are taped on.
 *
 * @param vehicle what it belongs to; empty for a loose one
 */
public record Bed(long id, String name, String vehicle, Kind kind, BedShape shape, Traits traits) {

    /** What part of the world it is. */
    public enum Kind {
        FLANK("flank"),
        ROOF("roof"),
        BONNET("bonnet"),
        TAILGATE("tailgate"),
        HALF("half a vehicle"),
        WHEEL("wheel"),
        BOARD("loose board"),
        OTHER("other"),
        /** A sketch on which places without tape lie; no bed of the reviewer's. */
        PLACES("places");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        public String label() {
            return label;
        }

        public static Optional<Kind> ofCode(String code) {
            return Stream.of(values()).filter(k -> k.code().equals(code)).findFirst();
        }
    }

    /** How easily paint takes marks. */
    public enum Hardness {
        SOFT("soft: marks easily"),
        AVERAGE("average"),
        HARD("hard: hides marks");

        private final String label;

        Hardness(String label) {
            this.label = label;
        }

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        public String label() {
            return label;
        }

        public static Optional<Hardness> ofCode(String code) {
            return Stream.of(values()).filter(h -> h.code().equals(code)).findFirst();
        }
    }

    /**
     * What matters about it besides its shape.
     *
     * @param tiltDegrees 0 lies flat, 90 stands upright
     * @param carries what protection was on it before any study
     * @param lives how it lives: outdoors, how far it is driven, salt
     */
    public record Traits(double tiltDegrees, String colour, Hardness hardness, String carries, String lives) {
        public static final Traits UNKNOWN = new Traits(90, "", Hardness.AVERAGE, "", "");
    }

    /** A sketch for places without tape: halves, wheels, jars. */
    public static Bed places(String word, double widthMm, double heightMm) {
        return new Bed(0, word, "", Kind.PLACES, BedShape.rectangle(widthMm, heightMm), Traits.UNKNOWN);
    }

    /** Kinds that a reviewer draws. */
    public static List<Kind> drawn() {
        return Stream.of(Kind.values()).filter(k -> k != Kind.PLACES).toList();
    }

    /** A plain rectangle of which nothing else is known. */
    public static Bed plain(String name, Kind kind, double widthMm, double heightMm) {
        return new Bed(0, name, "", kind, BedShape.rectangle(widthMm, heightMm), Traits.UNKNOWN);
    }

    public double widthMm() {
        return shape.widthMm();
    }

    public double heightMm() {
        return shape.heightMm();
    }
}
