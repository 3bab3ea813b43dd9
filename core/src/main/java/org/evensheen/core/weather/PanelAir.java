package org.evensheen.core.weather;

import java.util.ArrayList;
import java.util.List;
import org.evensheen.core.units.UnitSystem;

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

    /** Everything that is out of limits or near them, told in units of a system; empty if all is well. */
    public List<Word> words(DryWindow.Limits limits, UnitSystem told) {
        List<Word> words = new ArrayList<>();
        double over = clearance() - Air.CLEARANCE;
        if (over < 0) {
            words.add(new Word(
                    Standing.OUT,
                    "The panel is only %s above the dew point; %s are needed, or moisture settles under the product."
                            .formatted(told.write(clearance(), "K"), told.write(Air.CLEARANCE, "K"))));
        } else if (over < COMFORT) {
            words.add(new Word(
                    Standing.CLOSE,
                    "The panel is %s above the dew point, and %s are needed. It gets close as it cools."
                            .formatted(told.write(clearance(), "K"), told.write(Air.CLEARANCE, "K"))));
        }
        limits.low().ifPresent(low -> limit(words, told, panelCelsius - low, "below", low));
        limits.high().ifPresent(high -> limit(words, told, high - panelCelsius, "above", high));
        return words;
    }

    private void limit(List<Word> words, UnitSystem told, double inside, String side, double limit) {
        if (inside < 0) {
            words.add(new Word(
                    Standing.OUT,
                    "The panel, %s, is %s what the labels allow, %s."
                            .formatted(told.write(panelCelsius, "°C"), side, told.write(limit, "°C"))));
        } else if (inside < COMFORT) {
            words.add(new Word(
                    Standing.CLOSE,
                    "The panel, %s, is near what the labels allow, %s."
                            .formatted(told.write(panelCelsius, "°C"), told.write(limit, "°C"))));
        }
    }
}
