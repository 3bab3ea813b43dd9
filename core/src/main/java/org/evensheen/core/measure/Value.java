package org.evensheen.core.measure;

import java.util.List;

/** What was seen of one part of a measure. */
public sealed interface Value {

    /** A number in the part's unit. */
    record Number(double value) implements Value {}

    /** One of the part's options. */
    record Chosen(String code) implements Value {}

    /** Numbers at stated minutes, the minutes rising. */
    record Series(List<Mark> marks) implements Value {
        public Series {
            marks = List.copyOf(marks);
        }
    }

    /**
     * A number at a minute.
     *
     * @param minute since the start, 0 or more
     */
    record Mark(double minute, double value) {}
}
