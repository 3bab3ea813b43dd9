package org.evensheen.core.stock;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

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
        Optional<LocalDate> empty = Optional.empty();
        for (int day = 0; day <= HORIZON && empty.isEmpty(); day++) {
            LocalDate date = today.plusDays(day);
            if (usedBy(today, date, otherPerDay, draws) > 0 && usedBy(today, date, otherPerDay, draws) >= left) {
                empty = Optional.of(date);
            }
        }
        List<Lasting> lasting = draws.stream()
                .sorted(Comparator.comparing(Draw::until))
                .map(d -> new Lasting(d.study, d.until, Math.max(0, usedBy(today, d.until, otherPerDay, draws) - left)))
                .toList();
        return new Outlook(empty, lasting);
    }

    /** mL used from today up to a day. */
    private static double usedBy(LocalDate today, LocalDate day, double otherPerDay, List<Draw> draws) {
        double used = otherPerDay * Math.max(0, ChronoUnit.DAYS.between(today, day));
        for (Draw draw : draws) {
            if (!draw.begins.isAfter(day)) {
                used += draw.atOnce;
            }
            LocalDate from = draw.begins.isAfter(today) ? draw.begins : today;
            LocalDate to = draw.until.isBefore(day) ? draw.until : day;
            used += draw.perDay * Math.max(0, ChronoUnit.DAYS.between(from, to));
        }
        return used;
    }
}
