package org.evensheen.app.runsheet;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Clock times and spans of time as the sheet shows them. */
final class Times {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter FULL = DateTimeFormatter.ofPattern("EEE HH:mm", Locale.ENGLISH);

    private Times() {}

    /** "14:05", with the day before it if it is not today's. */
    static String clock(Instant at, Run run) {
        return clock(at, run.input().now());
    }

    static String clock(Instant at, Instant now) {
        ZoneId zone = ZoneId.systemDefault();
        boolean today = LocalDate.ofInstant(at, zone).equals(LocalDate.ofInstant(now, zone));
        return (today ? CLOCK : FULL).format(at.atZone(zone));
    }

    /** "45 s", "2 min 10 s", "3 h 20 min"; never below zero. */
    static String span(Duration span) {
        long s = Math.max(0, Math.round(span.toMillis() / 1000.0));
        if (s < 60) {
            return s + "\u202fs";
        }
        if (s < 3600) {
            return s / 60 + "\u202fmin" + (s % 60 == 0 || s >= 600 ? "" : " " + s % 60 + "\u202fs");
        }
        if (s < 48 * 3600) {
            return s / 3600 + "\u202fh" + (s % 3600 < 60 ? "" : " " + s % 3600 / 60 + "\u202fmin");
        }
        return s / 86_400 + " days";
    }
}
