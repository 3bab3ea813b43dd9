package org.evensheen.core.mixing;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What product is counted in when nobody pours millilitres. */
public enum Counter {
    CAP,
    PUMP,
    SPRAY;

    /** "cap", "pump", "spray". */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** "caps", "pumps", "sprays". */
    public String words() {
        return word() + "s";
    }

    public static Optional<Counter> named(String word) {
        String wanted = word.toLowerCase(Locale.ROOT).replaceFirst("(cap)ful", "$1");
        return Stream.of(values())
                .filter(c -> c.word().equals(wanted) || c.words().equals(wanted))
                .findFirst();
    }
}
