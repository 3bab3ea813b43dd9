package org.evensheen.core.schedule;

import java.util.Optional;
import org.evensheen.core.units.Span;
import org.evensheen.core.weather.Air;

/**
 * Which end of a label's wait to go for. The short half when the panel is hot or the air hot and humid, the long half when it is
 * cool, else all of it; the label's own limits always win.
 */
public enum WaitAim {
    SHORT("the short end: it is hot"),
    WHOLE("anywhere in the window"),
    LONG("the long end: it is cool");

    /** From here a panel is hot, °C. */
    public static final double HOT_PANEL = 30;

    /** From here air is hot, °C, and from {@link #HUMID} on humid, %. */
    public static final double HOT_AIR = 28;

    public static final double HUMID = 65;

    /** Below this it is cool, °C. */
    public static final double COOL = 15;

    private final String words;

    WaitAim(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** What the weather asks for; all of the window if it was not noted. */
    public static WaitAim in(Optional<Air> air, Optional<Double> panelCelsius) {
        boolean hot = panelCelsius.filter(p -> p >= HOT_PANEL).isPresent()
                || air.filter(a -> a.celsius() >= HOT_AIR && a.humidity() >= HUMID)
                        .isPresent();
        if (hot) {
            return SHORT;
        }
        return panelCelsius
                        .or(() -> air.map(Air::celsius))
                        .filter(t -> t < COOL)
                        .isPresent()
                ? LONG
                : WHOLE;
    }

    /** The part of a label's window to plan for, s. */
    public Span of(Span window) {
        return switch (this) {
            case SHORT -> new Span(window.low(), window.middle());
            case WHOLE -> window;
            case LONG -> new Span(window.middle(), window.high());
        };
    }
}
