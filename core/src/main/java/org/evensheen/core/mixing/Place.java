package org.evensheen.core.mixing;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What a dose that is put on directly is counted for. */
public enum Place {
    SECTION,
    PANEL,
    WHEEL,
    TYRE,
    TOWEL,
    CAR;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<Place> named(String word) {
        String wanted = word.toLowerCase(Locale.ROOT).replaceFirst("s$", "").replace("vehicle", "car");
        return Stream.of(values()).filter(p -> p.word().equals(wanted)).findFirst();
    }
}
