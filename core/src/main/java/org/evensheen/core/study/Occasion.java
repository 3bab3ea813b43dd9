package org.evensheen.core.study;

import java.util.Comparator;

/**
 * A day and a look: the moment at which places are read together.
 *
 * @param day days since the study's first day
 */
public record Occasion(int day, Look look) implements Comparable<Occasion> {
    private static final Comparator<Occasion> ORDER =
            Comparator.comparingInt(Occasion::day).thenComparing(Occasion::look);

    /** The moment of a stage on a day without steps. */
    public Occasion(int day, Stage stage) {
        this(day, Look.at(stage));
    }

    public Stage stage() {
        return look.stage();
    }

    @Override
    public int compareTo(Occasion other) {
        return ORDER.compare(this, other);
    }
}
