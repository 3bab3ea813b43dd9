package org.evensheen.app.plans;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Kind;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.weather.DryWindow;
import org.evensheen.core.weather.DryWindow.Hour;
import org.evensheen.core.weather.DryWindow.Limits;

/**
 * A forecast as it was kept.
 *
 * @param zone of the place, for days and clock times
 */
record Forecast(List<Hour> hours, ZoneId zone) {
    /** Hour of the day at which work is taken to begin. */
    private static final int MORNING = 8;

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH);

    /** Why the cure of a study would get wet, if the forecast reaches so far and says so. */
    Optional<String> rain(LocalDate firstDay, Calendar calendar, double cureHours) {
        int coated = calendar.works().stream()
                .filter(w -> w.kind() == Kind.APPLY || w.kind() == Kind.COAT)
                .mapToInt(Work::day)
                .max()
                .orElse(0);
        Instant from = firstDay.plusDays(coated).atTime(MORNING, 0).atZone(zone).toInstant();
        Instant until = from.plusSeconds(Math.round((cureHours + 4) * 3600));
        return hours.stream()
                .filter(h -> !h.at().isBefore(from) && h.at().isBefore(until) && h.rainMm() > 0)
                .findFirst()
                .map(h -> String.format(
                        Locale.ROOT,
                        "%.1f mm of rain are forecast for %s, within work and cure.",
                        h.rainMm(),
                        h.at().atZone(zone).format(CLOCK)));
    }

    List<DryWindow> windows(Limits limits, double workHours, double cureHours) {
        return DryWindow.in(hours, limits, workHours, cureHours);
    }

    String clock(Instant at) {
        return at.atZone(zone).format(CLOCK);
    }
}
