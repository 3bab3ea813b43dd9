package org.evensheen.app.plans;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.Web;
import org.evensheen.core.weather.DryWindow;
import org.evensheen.standins.SimulatedWeather;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(LiveApp.class)
class ForecastFileTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Berlin");

    private static ForecastFile.Outcome read(String text) {
        return ForecastFile.read(text.getBytes(StandardCharsets.UTF_8), ZONE, new JsonMapper());
    }

    @Test
    void celsiusFahrenheitCsvAndJsonReadAlike() {
        var celsius = read("time;air_c;humidity;rain_mm\n2026-11-28T09:00;10;60;0.254\n");
        var fahrenheit = read("time,air_f,humidity,rain_in,panel_f\n2026-11-28T09:00,50,60,0.01,53.6\n");
        var json =
                read("{\"hours\":[{\"time\":\"2026-11-28T08:00Z\",\"air_c\":10,\"humidity\":60,\"rain_mm\":0.254}]}");
        assertThat(celsius.problems()).isEmpty();
        assertThat(celsius.hours()).isEqualTo(json.hours());
        assertThat(fahrenheit.hours().get(0).air())
                .isEqualTo(celsius.hours().get(0).air());
        assertThat(fahrenheit.hours().get(0).rainMm()).isCloseTo(0.254, within(1e-9));
        assertThat(fahrenheit.hours().get(0).panelCelsius().orElseThrow()).isCloseTo(12, within(1e-9));
    }

    @Test
    void theHourThatIsSkippedWhenClocksChangeLeavesNoGap() {
        StringBuilder csv = new StringBuilder("time,air_c,humidity,rain_mm\n");
        for (int hour = 0; hour < 8; hour++) {
            if (hour != 2) {
                csv.append("2027-03-28T0%d:00,12,50,0\n".formatted(hour));
            }
        }
        assertThat(DryWindow.in(read(csv.toString()).hours(), DryWindow.Limits.NONE, 1, 1))
                .singleElement()
                .satisfies(w -> assertThat(w.hours()).isEqualTo(7));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "time,air_c,humidity,rain_mm#2026-11-28T09:00,68,60,0|if it is in °F, name the column air_f",
                "time,air_c,humidity,rain_mm#tomorrow,10,60,0|“tomorrow” is no time",
                "time,air_c,humidity,rain_mm#2026-11-28T09:00,,60,0|air_c is wanting",
                "time,air_c,humidity,rain_mm#2026-11-28T09:00,10,160,0|no air of 10.0 °C and 160.0 %",
                "time,air_c,humidity,rain_mm#2026-11-28T09:00,10,60,0#2026-11-28T09:00,11,60,0|is listed twice",
                "air_c,humidity#10,60|lacks time",
                "{\"hours\":[{\"time\"|breaks off",
                "{\"sky\":1}|holds no list of hours"
            })
    void whatIsWrongIsSaidWithItsLine(String file, String message) {
        assertThat(read(file.replace('#', '\n')).problems()).anyMatch(p -> p.contains(message));
    }

    @Test
    void aForecastGivesDryWindowsToEveryPlan() {
        String file = SimulatedWeather.forecast(
                LocalDateTime.now().withMinute(0).withSecond(0).withNano(0), 240, 5);
        long plan = SamplePlan.make(SamplePlan.fair());
        assertThat(Web.upload(
                                "/forecasts?key=" + UUID.randomUUID() + "&plan=" + plan,
                                file.getBytes(StandardCharsets.UTF_8))
                        .statusCode())
                .isEqualTo(302);
        assertThat(Web.get("/plans/" + plan + "?step=dates").body())
                .contains("The forecast runs to", "Dry windows")
                .containsPattern("\\w{3} \\d+ \\w{3} \\d\\d:00 to \\w{3} \\d+ \\w{3} \\d\\d:00, \\d+ h");
        assertThat(Web.upload("/forecasts?key=" + UUID.randomUUID(), "nonsense".getBytes(StandardCharsets.UTF_8))
                        .body())
                .contains("Nothing of the forecast was stored");
    }
}
