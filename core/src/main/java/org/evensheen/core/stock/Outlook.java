package org.evensheen.core.stock;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * How long what is left of a product lasts.
 *
 * @param emptyOn the day it runs out at this pace; empty if it outlasts {@link #HORIZON}, or nothing is used
 * @param studies each study that draws on it, in order of its end, with what will be wanting
 */
public record Outlook(Optional<LocalDate> emptyOn, List<Lasting> studies) {
    /** Days looked ahead. */
    public static final int HORIZON = 3 * 365;

    /**
     * What a study draws.
     *
     * @param study its id
     * @param until its last planned visit
     * @param atOnce mL it takes when it begins, if it has not begun
     * @param begins when that is
     * @param perDay mL a day while it runs
     */
    public record Draw(long study, LocalDate begins, LocalDate until, double atOnce, double perDay) {
        public Draw {
            if (until.isBefore(begins) || !(atOnce >= 0 && perDay >= 0)) {
                throw new IllegalArgumentException("a study draws forwards in time, and not below nothing");
            }
        }
    }

    /**
     * Whether it lasts to the end of a study.
     *
     * @param wantingMl mL short by then, 0 if it lasts
     */
    public record Lasting(long study, LocalDate until, double wantingMl) {
        public boolean lasts() {
            return wantingMl <= 0;
        }
    }

    /**
     * Looks ahead.
     *
     * @param left mL left today
     * @param otherPerDay mL a day used outside of studies
     */
    public static Outlook of(LocalDate today, double left, double otherPerDay, List<Draw> draws) {
        Optional<LocalDate> empty = IntStream.rangeClosed(0, HORIZON)
                .filter(day -> {
                    double used = usedBy(today.toEpochDay(), today.toEpochDay() + day, otherPerDay, draws);
                    return used > 0 && used >= left;
                })
                .mapToObj(today::plusDays)
                .findFirst();
        List<Lasting> lasting = draws.stream()
                .sorted(Comparator.comparing(Draw::until))
                .map(d -> new Lasting(
                        d.study,
                        d.until,
                        Math.max(0, usedBy(today.toEpochDay(), d.until.toEpochDay(), otherPerDay, draws) - left)))
                .toList();
        return new Outlook(empty, lasting);
    }

    /** mL used from today up to a day, both as days since 1970. */
    private static double usedBy(long today, long day, double otherPerDay, List<Draw> draws) {
        double used = otherPerDay * (day - today);
        for (Draw draw : draws) {
            long begins = draw.begins.toEpochDay();
            if (begins <= day) {
                used += draw.atOnce;
            }
            long from = Math.max(begins, today);
            long to = Math.min(draw.until.toEpochDay(), day);
            used += draw.perDay * Math.max(0, to - from);
        }
        return used;
    }
}
