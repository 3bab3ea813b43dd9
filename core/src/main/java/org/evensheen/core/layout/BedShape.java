package org.evensheen.core.layout;

import java.util.List;

/**
 * A bed's geometry, mm.
 *
 * @param trims what no section may touch: trims, handles, badges, vents
 * @param zones parts that live differently
 */
public record BedShape(Outline outline, List<Trim> trims, List<Zone> zones) {

    /** Something to keep off. */
    public record Trim(String label, Outline outline) {}

    public BedShape {
        trims = List.copyOf(trims);
        zones = List.copyOf(zones);
    }

    /** A plain rectangle from the origin. */
    public static BedShape rectangle(double widthMm, double heightMm) {
        return new BedShape(Outline.rectangle(0, 0, widthMm, heightMm), List.of(), List.of());
    }

    public double widthMm() {
        return outline.right();
    }

    public double heightMm() {
        return outline.bottom();
    }

    /** The same bed, larger by a factor, trims and zones too. */
    BedShape scaled(double f) {
        return new BedShape(
                outline.scaled(f),
                trims.stream().map(t -> new Trim(t.label, t.outline.scaled(f))).toList(),
                List.of());
    }
}
