package org.evensheen.core.weather;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Air and panel as they were noted, and what they mean for work on the panel.
 *
 * @param air air by temperature and humidity
 * @param panelCelsius °C, −60 to 120
 */
public record PanelAir(Air air, double panelCelsius) {
    /** From this far above what is needed on, nothing is said, K. */
    public static final double COMFORT = 2;

    private static final double THERMOMETER = 0.5;
    private static final double HYGROMETER = 3;

    public PanelAir {
        if (!(panelCelsius >= -60 && panelCelsius <= 120)) {
            throw new IllegalArgumentException("no panel of " + panelCelsius + " °C");
        }
    }

    /** K that the panel is above the dew point; {@link Air#CLEARANCE} is needed. */
    public double clearance() {
        return panelCelsius - air.dewPoint();
    }

    /**
     * Standard uncertainty of {@link #clearance()}, K: thermometers good to {@value #THERMOMETER} K and a hygrometer good to
     * {@value #HYGROMETER} %RH, as they are sold, taken as independent.
     */
    public double clearanceUncertainty() {
        double t = air.celsius();
        double h = air.humidity();
        double byAir = (new Air(t + 0.1, h).dewPoint() - air.dewPoint()) / 0.1 * THERMOMETER;
        double byHumidity = (air.dewPoint() - new Air(t, h * 0.99).dewPoint()) / (h * 0.01) * HYGROMETER;
        return Math.sqrt(byAir * byAir + byHumidity * byHumidity + THERMOMETER * THERMOMETER);
    }

    /** How things stand. */
    public enum Standing {
        CLEAR,
        CLOSE,
        OUT
    }

    /** Something to say of the weather. */
    public record Word(Standing standing, String text) {}

    /** Everything that is out of limits or near them; empty if all is well. */
    public List<Word> words(DryWindow.Limits limits) {
        List<Word> words = new ArrayList<>();
        double over = clearance() - Air.CLEARANCE;
        if (over < 0) {
            words.add(new Word(
                    Standing.OUT,
                    "The panel is only %s K above the dew point; %s K are needed, or moisture settles under the product."
                            .formatted(one(clearance()), one(Air.CLEARANCE))));
        } else if (over < COMFORT) {
            words.add(new Word(
                    Standing.CLOSE,
                    "The panel is %s K above the dew point, and %s K are needed. It gets close as it cools."
                            .formatted(one(clearance()), one(Air.CLEARANCE))));
        }
        limits.low().ifPresent(low -> limit(words, panelCelsius - low, "below", low));
        limits.high().ifPresent(high -> limit(words, high - panelCelsius, "above", high));
        return words;
    }

    private void limit(List<Word> words, double inside, String side, double limit) {
        if (inside < 0) {
            words.add(new Word(
                    Standing.OUT,
                    "The panel, %s °C, is %s what the labels allow, %s °C."
                            .formatted(one(panelCelsius), side, one(limit))));
        } else if (inside < COMFORT) {
            words.add(new Word(
                    Standing.CLOSE,
                    "The panel, %s °C, is near what the labels allow, %s °C."
                            .formatted(one(panelCelsius), one(limit))));
        }
    }

    private static String one(double value) {
        return String.format(Locale.ROOT, "%.1f", value).replaceFirst("\\.0$", "");
    }
}
