package org.evensheen.core.sidebyside;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;

/**
 * When something is looked at that does not show at once.
 *
 * @param minutes after its move; 0 for the next morning
 * @param drive whether a drive comes before it
 */
public record Later(int minutes, boolean drive) {
    /** When a look of the next morning is due. */
    private static final LocalTime MORNING = LocalTime.of(8, 0);
    /** Until this hour a night still belongs to the day before. */
    private static final int SMALL_HOURS = 4;

    /**
     * Reads it from {@code kinds.txt}: "10 min", "morning" or "drive".
     *
     * @throws IllegalStateException if it is none of these
     */
    static Later read(String text) {
        if (text.matches("\\d{1,3} min")) {
            return new Later(Integer.parseInt(text.substring(0, text.length() - 4)), false);
        }
        if (!text.equals("morning") && !text.equals("drive")) {
            throw new IllegalStateException("a look is due after minutes, in the morning or after a drive: " + text);
        }
        return new Later(0, text.equals("drive"));
    }

    /** When it falls due. */
    public Instant due(Instant done, ZoneId zone) {
        return minutes > 0
                ? done.plusSeconds(60L * minutes)
                : done.atZone(zone)
                        .minusHours(SMALL_HOURS)
                        .toLocalDate()
                        .plusDays(1)
                        .atTime(MORNING)
                        .atZone(zone)
                        .toInstant();
    }
}
