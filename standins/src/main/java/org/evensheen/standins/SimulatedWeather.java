package org.evensheen.standins;

import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Random;

/**
 * Weather along an estuary, seeded: days warm and cool again, fronts bring rain for some hours and damp air after it. Given as the
 * file that a forecast service would send, so that the reader can't tell it from one.
 */
public final class SimulatedWeather {
    private static final double MEAN = 15;
    private static final double SWING = 4.5;
    private static final double FRONTS_A_DAY = 0.45;
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm", Locale.ENGLISH);

    private SimulatedWeather() {}

    /**
     * A forecast as CSV with a header: time, air_c, humidity, rain_mm, panel_c.
     *
     * @param from first hour, local time of the place
     * @param hours how many, 1 or more
     */
    public static String forecast(LocalDateTime from, int hours, long seed) {
        Random random = new Random(seed);
        StringBuilder csv = new StringBuilder("time,air_c,humidity,rain_mm,panel_c\n");
        int raining = 0;
        double damp = 0;
        double drift = 0;
        for (int i = 0; i < hours; i++) {
            LocalDateTime at = from.plusHours(i);
            drift = 0.97 * drift + 0.35 * random.nextGaussian();
            if (raining == 0 && random.nextDouble() < FRONTS_A_DAY / 24) {
                raining = 2 + random.nextInt(6);
            }
            damp = raining > 0 ? 1 : 0.85 * damp;
            double sun = Math.max(0, Math.sin((at.getHour() - 6) / 12.0 * Math.PI));
            double air = MEAN + drift + SWING * Math.cos((at.getHour() - 15) / 12.0 * Math.PI) - 2 * damp;
            double humidity =
                    Math.max(35, Math.min(98, 66 - 1.6 * (air - MEAN) + 26 * damp + 2 * random.nextGaussian()));
            double rain = raining > 0 ? 0.2 + 1.6 * random.nextDouble() : 0;
            double panel = air + (raining > 0 ? 0 : 5 * sun * (1 - damp));
            csv.append(String.format(
                    Locale.ROOT, "%s,%.1f,%.0f,%.1f,%.1f%n", at.format(TIME), air, humidity, rain, panel));
            raining = Math.max(0, raining - 1);
        }
        return csv.toString();
    }
}
