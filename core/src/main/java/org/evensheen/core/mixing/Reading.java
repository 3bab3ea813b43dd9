package org.evensheen.core.mixing;

/** What 1:N on a label means. Schools differ, so a label says which. */
public enum Reading {
    /** One part of product and N parts of water: product = total/(N + 1). */
    PARTS,
    /** One part of product in N parts of mix: product = total/N. */
    SHARE;

    /** Product as a share of the mix, 0 to 1, for 1:n; n above 0, above 1 for a share. */
    public double share(double n) {
        if (!(n > (this == PARTS ? 0 : 1))) {
            throw new IllegalArgumentException("1:" + n + " holds no water");
        }
        return this == PARTS ? 1 / (n + 1) : 1 / n;
    }

    /** The n of 1:n whose mix has this share of product, between 0 and 1. */
    public double partsFor(double share) {
        if (!(share > 0 && share < 1)) {
            throw new IllegalArgumentException("a mix holds some product and some water, not a share of " + share);
        }
        return this == PARTS ? 1 / share - 1 : 1 / share;
    }
}
