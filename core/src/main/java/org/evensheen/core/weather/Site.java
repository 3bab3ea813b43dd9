package org.evensheen.core.weather;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.units.UnitSystem;
import org.evensheen.core.weather.PanelAir.Standing;
import org.evensheen.core.weather.PanelAir.Word;

/**
 * What is noted of the place beside air and panel.
 *
 * @param wind m/s, 0 or above
 * @param sun whether the panel stands in the sun
 * @param hardness of the water, mg/L as calcium carbonate, 0 or above
 * @param dark when the light goes
 */
public record Site(Optional<Double> wind, boolean sun, Optional<Double> hardness, Optional<Instant> dark) {
    public static final Site UNKNOWN = new Site(Optional.empty(), false, Optional.empty(), Optional.empty());

    /** From here wind raises dust, m/s (Beaufort 4). */
    public static final double DUSTY = 5.5;

    /** From here water is very hard, mg/L as calcium carbonate (as the US Geological Survey classes it). */
    public static final double VERY_HARD = 180;

    /** Everything to be heeded; {@code shaded} are the products whose labels forbid sun. Told in units of a system. */
    public List<Word> words(List<String> shaded, UnitSystem told) {
        List<Word> words = new ArrayList<>();
        if (sun && !shaded.isEmpty()) {
            words.add(new Word(
                    Standing.OUT,
                    "The panel is in the sun, and the %s of %s no sun. Move into the shade, or wait for it."
                            .formatted(shaded.size() == 1 ? "label" : "labels", named(shaded))));
        } else if (sun) {
            words.add(new Word(Standing.CLOSE, "In the sun water and products dry sooner: take smaller steps."));
        }
        wind.filter(w -> w >= DUSTY)
                .ifPresent(w -> words.add(new Word(
                        Standing.CLOSE,
                        "Wind of %s raises dust and dries a section sooner: shelter it, or wait for less."
                                .formatted(told.write(w, "m/s")))));
        hardness.filter(h -> h >= VERY_HARD)
                .ifPresent(h -> words.add(new Word(
                        Standing.CLOSE,
                        "The water is very hard, %s: it spots as it dries. Keep the bed wet, and dry it at once."
                                .formatted(told.write(h, "mg/L")))));
        return words;
    }

    private static String named(List<String> products) {
        String several = products.size() > 2 ? products.size() + " products" : String.join(" and ", products);
        return several + (products.size() == 1 ? " says" : " say");
    }
}
