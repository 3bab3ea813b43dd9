package org.evensheen.core.water;

/** Water that stays on a section: the common scale for repelling and sheeting products. */
public final class WaterLeft {
    private WaterLeft() {}

    /**
     * Leave-behind: wet the section the same way each time, wait a set time, blot with a weighed towel.
     *
     * @param gainedGrams mass the towel gained, g, 0 or more
     * @param areaSquareMetres area blotted, m², above 0
     * @return g/m²
     */
    public static double gramsPerSquareMetre(double gainedGrams, double areaSquareMetres) {
        if (!(gainedGrams >= 0)) {
            throw new IllegalArgumentException("a towel can't lose mass by blotting: " + gainedGrams);
        }
        if (!(areaSquareMetres > 0)) {
            throw new IllegalArgumentException("the blotted area must be above 0");
        }
        return gainedGrams / areaSquareMetres;
    }
}
