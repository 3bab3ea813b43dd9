package org.evensheen.standins.instruments;

import org.evensheen.core.weather.Air;

/** How fast water leaves a wet cloth or panel: in proportion to the air's vapour-pressure deficit, faster in wind (after Dalton). */
public final class Evaporation {
    /** Grams a second, square metre and kPa in still air. */
    private static final double STILL = 0.018;

    private static final double WIND = 0.54;

    private Evaporation() {}

    /**
     * @param windMetresPerSecond 0 or above
     * @return g/(m²·s), 0 in saturated air
     */
    public static double gramsPerSquareMetreSecond(Air air, double windMetresPerSecond) {
        return STILL * (1 + WIND * windMetresPerSecond) * air.vapourPressureDeficit();
    }
}
