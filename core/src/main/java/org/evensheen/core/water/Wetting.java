package org.evensheen.core.water;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** Ways of wetting a panel for a look. What water does changes with the way, so looks taken in different ways are never set against each other. */
public enum Wetting {
    MIST("mist", "a fine mist"),
    LOW_PRESSURE("low-pressure", "low pressure, from a rose"),
    OPEN_STREAM("open-stream", "an open stream"),
    UPRIGHT("upright", "water poured down the upright panel");

    private final String code;
    private final String label;

    Wetting(String code, String label) {
        this.code = code;
        this.label = label;
    }

    public String code() {
        return code;
    }

    /** In a word or two: "open stream". */
    public String word() {
        return code.replace('-', ' ');
    }

    /** After "wetted by": "a fine mist". */
    public String label() {
        return label;
    }

    public static Optional<Wetting> ofCode(String code) {
        return Stream.of(values()).filter(w -> w.code.equals(code)).findFirst();
    }

    /** The way that a note begins with; empty if it names none. */
    public static Optional<Wetting> noted(String note) {
        String words = note.strip().toLowerCase(Locale.ROOT);
        return Stream.of(values())
                .filter(w -> words.startsWith(w.code) || words.startsWith(w.word()))
                .findFirst();
    }
}
