package org.evensheen.core.mixing;

/**
 * Product and water together.
 *
 * @param productMl mL of product, not below 0
 * @param waterMl mL of water, not below 0
 */
public record Mix(double productMl, double waterMl) {
    public Mix {
        if (!(productMl >= 0 && waterMl >= 0 && Double.isFinite(productMl + waterMl))) {
            throw new IllegalArgumentException("a mix can't hold %s mL and %s mL".formatted(productMl, waterMl));
        }
    }

    /**
     * A vessel filled with a mix; volumes are taken to add up.
     *
     * @param totalMl mL of mix, above 0
     * @param share product as a share of the mix, 0 to 1
     */
    public static Mix of(double totalMl, double share) {
        if (!(totalMl > 0 && share >= 0 && share <= 1)) {
            throw new IllegalArgumentException("no mix of %s mL with a share of %s".formatted(totalMl, share));
        }
        double product = totalMl * share;
        return new Mix(product, totalMl - product);
    }

    public double totalMl() {
        return productMl + waterMl;
    }
}
