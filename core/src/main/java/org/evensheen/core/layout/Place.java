package org.evensheen.core.layout;

import java.util.List;
import java.util.Optional;

/**
 * A place for a section on a bed, mm.
 *
 * @param row the line it stands in, from 1 at the top
 */
public record Place(int row, double xMm, double yMm, double widthMm, double heightMm) {

    /** The share of it that lies in zones of a kind, 0 to 1. */
    public double in(List<Zone> zones, Zone.Kind kind) {
        return Math.min(
                1,
                zones.stream()
                        .filter(z -> z.kind() == kind)
                        .mapToDouble(z -> z.shareOf(xMm, yMm, widthMm, heightMm))
                        .sum());
    }

    /** The kind of zone that most of it lies in, if half of it or more does. */
    public Optional<Zone.Kind> zone(List<Zone> zones) {
        Optional<Zone.Kind> most = Optional.empty();
        double share = 0.5;
        for (Zone.Kind kind : Zone.Kind.values()) {
            double in = in(zones, kind);
            if (in >= share && (most.isEmpty() || in > share)) {
                most = Optional.of(kind);
                share = in;
            }
        }
        return most;
    }

    /** Whether another stands beside it or right above or below it, no more than a gap away. */
    boolean neighbours(Place other, double gapMm) {
        double near = gapMm * 1.5 + 1;
        double across = Math.max(xMm, other.xMm) - Math.min(xMm + widthMm, other.xMm + other.widthMm);
        double down = Math.max(yMm, other.yMm) - Math.min(yMm + heightMm, other.yMm + other.heightMm);
        return across < 0 && down >= 0 && down <= near || down < 0 && across >= 0 && across <= near;
    }
}
