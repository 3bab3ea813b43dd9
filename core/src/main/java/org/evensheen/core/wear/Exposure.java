package org.evensheen.core.wear;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.StudyRecord;

/** What the bed of a study went through since a day: weeks, washes, km and doses, each from what was logged. */
public final class Exposure {
    /** Days of a week. */
    static final double WEEK = 7;

    private final List<Happening> happenings;

    public Exposure(StudyRecord study) {
        happenings = study.happenings().stream()
                .sorted(Comparator.comparingInt(Happening::day).thenComparingInt(Happening::step))
                .toList();
    }

    /** Whether anything of an axis was logged after a day; weeks always are. */
    public boolean logged(Axis axis, int since) {
        return switch (axis) {
            case WEEKS -> true;
            case WASHES -> happened(Happening.Kind.WASHED, since);
            case DOSES -> happened(Happening.Kind.DOSED, since);
            case KM -> odometer().size() > 1;
        };
    }

    private boolean happened(Happening.Kind kind, int since) {
        return happenings.stream().anyMatch(h -> h.kind() == kind && h.day() > since);
    }

    /**
     * How much of it there was from the end of a day up to a moment: what was done on the day of the moment comes before it, of several steps those up to its own.
     *
     * @return empty for km where the odometer was not read around it
     */
    public OptionalDouble between(Axis axis, int since, Occasion at) {
        return switch (axis) {
            case WEEKS -> OptionalDouble.of((at.day() - since) / WEEK);
            case WASHES -> OptionalDouble.of(count(Happening.Kind.WASHED, since, at));
            case DOSES -> OptionalDouble.of(count(Happening.Kind.DOSED, since, at));
            case KM -> {
                OptionalDouble then = km(since);
                OptionalDouble now = km(at.day());
                yield then.isPresent() && now.isPresent()
                        ? OptionalDouble.of(now.getAsDouble() - then.getAsDouble())
                        : OptionalDouble.empty();
            }
        };
    }

    private long count(Happening.Kind kind, int since, Occasion at) {
        return happenings.stream()
                .filter(h -> h.kind() == kind && h.day() > since && h.day() <= at.day())
                .filter(h -> h.day() < at.day()
                        || at.look().step() == 0
                        || h.step() <= at.look().step())
                .count();
    }

    private List<Happening> odometer() {
        return happenings.stream()
                .filter(h ->
                        h.kind() == Happening.Kind.ODOMETER && h.kilometres().isPresent())
                .toList();
    }

    /** The odometer on a day, straight between readings of it; empty before the first and after the last. */
    private OptionalDouble km(int day) {
        List<Happening> read = odometer();
        Optional<Happening> before = read.stream().filter(h -> h.day() <= day).reduce((one, next) -> next);
        Optional<Happening> after = read.stream().filter(h -> h.day() >= day).findFirst();
        if (before.isEmpty() || after.isEmpty()) {
            return OptionalDouble.empty();
        }
        ToDoubleFunction<Happening> km = h -> h.kilometres().getAsDouble();
        double from = km.applyAsDouble(before.get());
        int days = after.get().day() - before.get().day();
        return OptionalDouble.of(
                days == 0
                        ? from
                        : from
                                + (km.applyAsDouble(after.get()) - from)
                                        * (day - before.get().day())
                                        / days);
    }
}
