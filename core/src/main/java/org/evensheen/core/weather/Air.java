package org.evensheen.core.weather;

/**
 * Air by its temperature and humidity.
 *
 * <p>Saturation after Magnus, with {@code e = 0.6112·exp(17.62·t/(243.12 + t))} kPa over water (WMO Guide to Instruments, No. 8).
 *
 * @param celsius −60 to 60 °C
 * @param humidity above 0 to 100 %RH
 * @throws IllegalArgumentException outside these
 */
public record Air(double celsius, double humidity) {
    /** How far the panel must be above the dew point for work on it, K (as in ISO 8502-4). */
    public static final double CLEARANCE = 3;

    private static final double A = 17.62;
    private static final double B = 243.12;

    public Air {
        if (!(celsius >= -60 && celsius <= 60 && humidity > 0 && humidity <= 100)) {
            throw new IllegalArgumentException("no air of %s °C and %s %%".formatted(celsius, humidity));
        }
    }

    /** °C at which this air's water would settle. */
    public double dewPoint() {
        double g = Math.log(humidity / 100) + A * celsius / (B + celsius);
        return B * g / (A - g);
    }

    /** How much more water the air could take, kPa. */
    public double vapourPressureDeficit() {
        return 0.6112 * Math.exp(A * celsius / (B + celsius)) * (1 - humidity / 100);
    }

    /** Whether a panel of a temperature is far enough above the dew point. */
    public boolean clears(double panelCelsius) {
        return panelCelsius >= dewPoint() + CLEARANCE;
    }
}
