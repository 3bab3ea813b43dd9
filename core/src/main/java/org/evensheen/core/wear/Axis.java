package org.evensheen.core.wear;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What wear is counted in. */
public enum Axis {
    WEEKS("week", "weeks"),
    WASHES("wash", "washes"),
    KM("km", "km"),
    DOSES("dose", "doses");

    private final String one;
    private final String several;

    Axis(String one, String several) {
        this.one = one;
        this.several = several;
    }

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String one() {
        return one;
    }

    public String several() {
        return several;
    }

    public static Optional<Axis> ofCode(String code) {
        return Stream.of(values()).filter(a -> a.code().equals(code)).findFirst();
    }
}
