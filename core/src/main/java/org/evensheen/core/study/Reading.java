package org.evensheen.core.study;

import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;

/**
 * One reading that stands: which section, at which moment, what was seen, which repeat, by whom.
 *
 * @param at on a day from 0
 * @param repeat 1 for the first
 * @param observer who looked, where what several people see of one place stands apart; else empty
 */
public record Reading(String section, Occasion at, int repeat, Observation seen, String observer) {
    public Reading {
        if (at.day() < 0) {
            throw new IllegalArgumentException("a reading can't lie before the first day");
        }
        if (repeat < 1) {
            throw new IllegalArgumentException("repeats count from 1");
        }
    }

    /** A reading of which it does not matter who took it. */
    public Reading(String section, Occasion at, int repeat, Observation seen) {
        this(section, at, repeat, seen, "");
    }

    /** A reading of which it does not matter who took it, on a day without steps. */
    public Reading(String section, int day, Stage stage, int repeat, Observation seen) {
        this(section, new Occasion(day, stage), repeat, seen, "");
    }

    public int day() {
        return at.day();
    }

    public Stage stage() {
        return at.stage();
    }

    /** The same by somebody, if it matters who looked: by eye it does, by instrument it does not. */
    public Reading by(String who) {
        return new Reading(section, at, repeat, seen, measure().byEye() ? who : "");
    }

    public Measure measure() {
        return seen.measure();
    }
}
