package org.evensheen.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.util.List;
import org.junit.jupiter.api.Test;

class SimulatedWeatherTest {
    private static final LocalDateTime FROM = LocalDateTime.of(2026, 11, 25, 0, 0);

    private static List<double[]> hours(long seed, int count) {
        return SimulatedWeather.forecast(FROM, count, seed)
                .lines()
                .skip(1)
                .map(l -> l.split(","))
                .map(c -> new double[] {
                    Double.parseDouble(c[1]),
                    Double.parseDouble(c[2]),
                    Double.parseDouble(c[3]),
                    Double.parseDouble(c[4])
                })
                .toList();
    }

    @Test
    void aSeedGivesTheSameWeatherAndAnotherSeedOther() {
        String file = SimulatedWeather.forecast(FROM, 240, 7);
        assertThat(file).isEqualTo(SimulatedWeather.forecast(FROM, 240, 7));
        assertThat(file).isNotEqualTo(SimulatedWeather.forecast(FROM, 240, 8));
        assertThat(file.lines().findFirst()).contains("time,air_c,humidity,rain_mm,panel_c");
        assertThat(file.lines().skip(1).findFirst().orElseThrow()).startsWith("2026-11-25T00:00,");
        assertThat(file.lines()).hasSize(241);
    }

    @Test
    void itIsEarthlyRainsSometimesAndIsDampAfterRain() {
        double dry = 0;
        double wet = 0;
        int rained = 0;
        int count = 0;
        for (long seed = 1; seed <= 20; seed++) {
            for (double[] hour : hours(seed, 240)) {
                assertThat(hour[0]).as("air").isBetween(-15.0, 45.0);
                assertThat(hour[1]).as("humidity").isBetween(35.0, 98.0);
                assertThat(hour[2]).as("rain").isBetween(0.0, 2.0);
                assertThat(hour[3]).as("the panel is no colder than the air").isGreaterThanOrEqualTo(hour[0] - 0.11);
                count++;
                if (hour[2] > 0) {
                    rained++;
                    wet += hour[1];
                } else {
                    dry += hour[1];
                }
            }
        }
        assertThat(rained / (double) count).as("share of hours with rain").isBetween(0.04, 0.2);
        assertThat(wet / rained).isGreaterThan(dry / (count - rained) + 10);
    }
}
