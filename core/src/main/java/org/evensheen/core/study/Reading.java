package org.evensheen.core.study;

/**
 * One reading that stands: which section, on which day after the start, at which stage, what was seen, which repeat.
 *
 * @param day days since the study's first day, 0 or more
 * @param repeat 1 for the first
 */
public record Reading(String section, int day, Stage stage, int repeat, Observation seen) {
    public Reading {
        if (day < 0) {
            throw new IllegalArgumentException("a reading can't lie before the first day");
        }
        if (repeat < 1) {
            throw new IllegalArgumentException("repeats count from 1");
        }
    }

    public Measure measure() {
        return seen.measure();
    }
}
