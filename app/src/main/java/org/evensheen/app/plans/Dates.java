package org.evensheen.app.plans;

import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import org.evensheen.app.page.Refused;
import org.evensheen.core.schedule.OurTime;

/** Moved dates of a plan, kept as "visit3=24 fresh=2". */
final class Dates {
    private Dates() {}

    static String moved(String dates, String work, int day) {
        Map<String, String> all = new LinkedHashMap<>();
        for (String part : dates.strip().split("\\s+")) {
            if (part.contains("=")) {
                all.put(part.substring(0, part.indexOf('=')), part.substring(part.indexOf('=') + 1));
            }
        }
        if (!work.matches("[a-z0-9-]{2,20}")) {
            throw new Refused("There is no such work in this plan.");
        }
        all.put(work, String.valueOf(day));
        return all.entrySet().stream().map(e -> e.getKey() + "=" + e.getValue()).collect(Collectors.joining(" "));
    }

    /** The day of a plan, from its number or from a date. */
    static int day(Design design, String day, String on) {
        try {
            return on.isBlank()
                    ? Integer.parseInt(day.strip())
                    : (int) ChronoUnit.DAYS.between(design.firstDay(), OurTime.day(on.strip()));
        } catch (IllegalArgumentException e) {
            throw new Refused(
                    "Write the day like %s, or as a number of days from the first.".formatted(design.firstDay()));
        }
    }
}
