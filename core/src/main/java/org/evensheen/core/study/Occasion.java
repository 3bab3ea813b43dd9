package org.evensheen.core.study;

import java.util.Comparator;

/**
 * A day and a stage: the moment at which sections are read together.
 *
 * @param day days since the study's first day
 */
public record Occasion(int day, Stage stage) implements Comparable<Occasion> {
    private static final Comparator<Occasion> ORDER =
            Comparator.comparingInt(Occasion::day).thenComparing(Occasion::stage);

    @Override
    public int compareTo(Occasion other) {
        return ORDER.compare(this, other);
    }
}
