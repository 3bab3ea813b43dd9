package org.evensheen.core.study;

import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;

/**
 * One reading that stands: which section, on which day after the start, at which stage, what was seen, which repeat, by whom.
 *
 * @param day days since the study's first day, 0 or more
 * @param repeat 1 for the first
 * @param observer who looked, where what several people see of one place stands apart; else empty
 */
public record Reading(String section, int day, Stage stage, int repeat, Observation seen, String observer) {
    public Reading {
        if (day < 0) {
            throw new IllegalArgumentException("a reading can't lie before the first day");
        }
        if (repeat < 1) {
            throw new IllegalArgumentException("repeats count from 1");
        }
    }

    /** A reading of which it does not matter who took it. */
    public Reading(String section, int day, Stage stage, int repeat, Observation seen) {
        this(section, day, stage, repeat, seen, "");
    }

    /** The same by somebody, if it matters who looked: by eye it does, by instrument it does not. */
    public Reading by(String who) {
        return new Reading(section, day, stage, repeat, seen, measure().byEye() ? who : "");
    }

    public Measure measure() {
        return seen.measure();
    }
}
