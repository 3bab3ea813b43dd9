package org.evensheen.core.stock;

import java.util.List;

/**
 * What is left of a product's bottles, emptied one after the other.
 *
 * @param leftMl mL left in all of them, not below 0
 * @param sizeMl what the bottle in use holds when full, mL; 0 if there is no bottle
 * @param inUseMl mL left in it
 * @param full how many more are still full
 */
public record Remaining(double leftMl, double sizeMl, double inUseMl, int full) {
    /** Below this share of the last bottle a product is nearly empty. */
    public static final double NEARLY_EMPTY = 0.15;

    /**
     * @param sizes of the bottles, mL, in the order they are emptied
     * @param usedMl mL taken from them so far; below 0 if more was left than thought
     */
    public static Remaining of(List<Double> sizes, double usedMl) {
        double all = sizes.stream().mapToDouble(s -> s).sum();
        double left = Math.max(0, all - usedMl);
        double behind = 0;
        for (int i = 0; i < sizes.size(); i++) {
            double size = sizes.get(i);
            boolean last = i == sizes.size() - 1;
            if (usedMl < behind + size || last) {
                double inUse = Math.min(size, Math.max(0, behind + size - usedMl));
                return new Remaining(left, size, inUse, sizes.size() - 1 - i);
            }
            behind += size;
        }
        return new Remaining(0, 0, 0, 0);
    }

    /** How full the bottle in use is, 0 to 1. */
    public double fullness() {
        return sizeMl > 0 ? inUseMl / sizeMl : 0;
    }

    /** Whether there were bottles, and the last of them is down to its last drops. */
    public boolean nearlyEmpty() {
        return sizeMl > 0 && full == 0 && fullness() < NEARLY_EMPTY;
    }
}
