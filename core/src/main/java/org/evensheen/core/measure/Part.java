package org.evensheen.core.measure;

import java.util.List;

/**
 * One thing that is typed, tapped or taken for a reading.
 *
 * <p>Its name is that of its field in forms, files and the database; the first number of every measure is called {@code amount}.
 */
public sealed interface Part {
    /** What the first number of a measure is called. */
    String FIRST = "amount";

    String name();

    String label();

    /**
     * A number within limits.
     *
     * @param what the quantity, as a message calls it: "drop's height"
     * @param whole whether only whole numbers are taken
     */
    record Number(String name, String label, String what, String unit, double lowest, double highest, boolean whole)
            implements Part {}

    /**
     * One of several.
     *
     * @param otherwise what is said if none is chosen
     */
    record Choice(String name, String label, List<Option> options, String otherwise) implements Part {
        public Choice {
            options = List.copyOf(options);
        }
    }

    /**
     * An option.
     *
     * @param code what is stored
     * @param label what it is called where it is chosen
     * @param told what it is called where it is told: "3", "beads"
     */
    record Option(String code, String label, String told) {}

    /**
     * Numbers at stated minutes; at least the first two, and others as far as they are of interest.
     *
     * @param minutes that a form asks for; a file may have others
     */
    record Series(
            String name, String label, String what, String unit, double lowest, double highest, List<Integer> minutes)
            implements Part {
        public Series {
            minutes = List.copyOf(minutes);
        }

        /** The field of a minute in a form. */
        public String field(int minute) {
            return name + "-" + minute;
        }
    }
}
