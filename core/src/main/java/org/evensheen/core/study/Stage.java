package org.evensheen.core.study;

import java.util.Optional;
import java.util.stream.Stream;

/** When in the life of a study, or in the course of a visit or a wash, a place is read. The order is the order of the work; {@link Course} says which there are. */
public enum Stage {
    /** As it was found, before anything is done: a place's own zero. */
    BEFORE("before", "before, as it was"),
    /** Stripped and proven bare, before anything is applied: the zero of every later score. */
    BARE("bare", "bare, before anything"),
    /** After cure, first readings. */
    FRESH("fresh", "fresh, after cure"),
    ARRIVAL("arrival", "as it arrived"),
    RINSED("rinsed", "rinsed"),
    FOAMED("foamed", "foamed and rinsed"),
    WASHED("washed", "washed and rinsed"),
    /** Dried and wetted again: the look that counts for durability. */
    REWETTED("rewetted", "wetted again"),
    /** When it was done: after a step, a wash, a shake. */
    AFTER("after", "after it");

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

    /** Whether nothing was done to a place yet. */
    public boolean untouched() {
        return this == BEFORE || this == BARE;
    }

    public static Optional<Stage> ofCode(String code) {
        return Stream.of(values()).filter(s -> s.code.equals(code)).findFirst();
    }
}
