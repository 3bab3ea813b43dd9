package org.evensheen.core.stock;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;

/** How fast something is used. */
public final class Pace {
    /** Days back that count as the present pace: eight weeks. */
    public static final int WINDOW = 56;

    private Pace() {}

    /**
     * What was used on a day.
     *
     * @param ml mL
     */
    public record Used(LocalDate on, double ml) {}

    /**
     * mL a day over the last {@link #WINDOW} days, or since the first use if that is later; never over less than a week, so
     * that one busy day is not taken for a habit.
     */
    public static double perDay(LocalDate today, List<Used> uses) {
        LocalDate from = today.minusDays(WINDOW);
        double total = 0;
        LocalDate first = today;
        for (Used use : uses) {
            if (use.on.isBefore(first)) {
                first = use.on;
            }
            if (!use.on.isBefore(from) && !use.on.isAfter(today)) {
                total += use.ml;
            }
        }
        long days = Math.max(7, Math.min(WINDOW, ChronoUnit.DAYS.between(first, today)));
        return Math.max(0, total / days);
    }
}
