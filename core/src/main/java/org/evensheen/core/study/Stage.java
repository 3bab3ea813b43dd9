package org.evensheen.core.study;

import java.util.Optional;
import java.util.stream.Stream;

/** When in the life of a study, or in the course of a visit, a section is read. The order is the order of the work. */
public enum Stage {
    /** Stripped and proven bare, before anything is applied: the zero of every later score. */
    BARE("bare", "bare, before anything"),
    /** After cure, first readings. */
    FRESH("fresh", "fresh, after cure"),
    ARRIVAL("arrival", "as it arrived"),
    RINSED("rinsed", "rinsed"),
    FOAMED("foamed", "foamed and rinsed"),
    WASHED("washed", "washed and rinsed"),
    /** Dried and wetted again: the look that counts for durability. */
    REWETTED("rewetted", "wetted again");

    private final String code;
    private final String label;

    Stage(String code, String label) {
        this.code = code;
        this.label = label;
    }

    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    /** Whether products may be compared on readings of this stage: fresh ones, and those wetted again after wear. */
    public boolean judged() {
        return this == FRESH || this == REWETTED;
    }

    public static Optional<Stage> ofCode(String code) {
        return Stream.of(values()).filter(s -> s.code.equals(code)).findFirst();
    }
}
