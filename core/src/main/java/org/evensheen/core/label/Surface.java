package org.evensheen.core.label;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What a label allows a product on, or forbids. */
public enum Surface {
    PAINT,
    MATT_PAINT,
    WRAP,
    GLASS,
    CHROME,
    BARE_METAL,
    WHEELS,
    BRAKES,
    TYRES,
    TRIM,
    PLASTIC,
    RUBBER,
    LEATHER,
    FABRIC,
    WOOD;

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    public static Optional<Surface> named(String word) {
        String wanted = word.strip().toLowerCase(Locale.ROOT);
        return Stream.of(values())
                .filter(s -> s.word().equals(wanted) || s.word().equals(wanted + "s"))
                .findFirst();
    }
}
