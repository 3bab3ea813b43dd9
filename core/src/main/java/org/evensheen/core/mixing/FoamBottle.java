package org.evensheen.core.mixing;

/**
 * A foam bottle on a pressure washer, which thins what is in the bottle once more.
 *
 * <p>Share at the panel = share in the bottle × draw / nozzle flow, with draw = bottle volume / time to empty.
 *
 * @param bottleMl what the bottle holds, mL, above 0
 * @param secondsToEmpty how long a full bottle lasts, s, above 0
 * @param nozzleMlPerSecond flow at the nozzle with the draw included, mL/s, at least the draw
 */
public record FoamBottle(double bottleMl, double secondsToEmpty, double nozzleMlPerSecond) {
    public FoamBottle {
        if (!(bottleMl > 0 && secondsToEmpty > 0 && nozzleMlPerSecond >= bottleMl / secondsToEmpty)) {
            throw new IllegalArgumentException("the nozzle can't give less than it draws from the bottle");
        }
    }

    /** mL drawn from the bottle in a second. */
    public double draw() {
        return bottleMl / secondsToEmpty;
    }

    /** Share of product in what reaches the panel. */
    public double shareAtPanel(double shareInBottle) {
        return shareInBottle * draw() / nozzleMlPerSecond;
    }
}
