package org.evensheen.core.schedule;

import java.time.Instant;
import java.time.LocalDate;

/** Days and times that a record of this kind can bear: nothing was tested before 1990, and nothing is planned beyond 2199. */
public final class OurTime {
    public static final LocalDate FIRST = LocalDate.of(1990, 1, 1);
    public static final LocalDate LAST = LocalDate.of(2199, 12, 31);

    private static final long DAY = 86_400;

    private OurTime() {}

    public static boolean holds(LocalDate day) {
        return !day.isBefore(FIRST) && !day.isAfter(LAST);
    }

    public static boolean holds(Instant time) {
        return time.getEpochSecond() >= FIRST.toEpochDay() * DAY
                && time.getEpochSecond() < (LAST.toEpochDay() + 1) * DAY;
    }

    /**
     * Reads a day like 2026-05-01.
     *
     * @throws IllegalArgumentException if it is none, or beyond our time; the message says so
     */
    public static LocalDate day(String text) {
        try {
            return within(LocalDate.parse(text));
        } catch (java.time.format.DateTimeParseException e) {
            throw new IllegalArgumentException("“%s” is not a day like 2026-05-01".formatted(shortened(text)), e);
        }
    }

    /**
     * Reads a time like 2026-05-01T12:00:00Z.
     *
     * @throws IllegalArgumentException if it is none, or beyond our time; the message says so
     */
    public static Instant time(String text) {
        try {
            Instant time = Instant.parse(text);
            if (!holds(time)) {
                throw new IllegalArgumentException(
                        "“%s” lies outside the years 1990 to 2199".formatted(shortened(text)));
            }
            return time;
        } catch (java.time.format.DateTimeParseException e) {
            throw new IllegalArgumentException(
                    "“%s” is not a time like 2026-05-01T12:00:00Z".formatted(shortened(text)), e);
        }
    }

    private static LocalDate within(LocalDate day) {
        if (!holds(day)) {
            throw new IllegalArgumentException("%s lies outside the years 1990 to 2199".formatted(day));
        }
        return day;
    }

    private static String shortened(String text) {
        return text.length() <= 30 ? text : text.substring(0, 30) + "…";
    }
}
