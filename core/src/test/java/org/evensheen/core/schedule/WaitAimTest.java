package org.evensheen.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.evensheen.core.units.Span;
import org.evensheen.core.weather.Air;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WaitAimTest {
    /** Hot from 30 °C on the panel, or from 28 °C and 65 % in the air; cool below 15 °C, of the panel if it is known. */
    @ParameterizedTest
    @CsvSource({
        ", , 30, SHORT",
        ", , 29.9, WHOLE",
        "28, 65, , SHORT",
        "27.9, 65, , WHOLE",
        "28, 64.9, , WHOLE",
        "28, 65, 20, SHORT",
        "14.9, 50, , LONG",
        "15, 50, , WHOLE",
        "10, 50, 15, WHOLE",
        "20, 50, 14.9, LONG",
        ", , , WHOLE"
    })
    void theWeatherSaysWhichEndOfTheWindow(Double celsius, Double humidity, Double panel, WaitAim aim) {
        Optional<Air> air = Optional.ofNullable(celsius).map(c -> new Air(c, humidity));
        assertThat(WaitAim.in(air, Optional.ofNullable(panel))).isEqualTo(aim);
    }

    @Test
    void eachEndIsHalfOfTheLabelsWindow() {
        Span window = new Span(60, 180);
        assertThat(WaitAim.SHORT.of(window)).isEqualTo(new Span(60, 120));
        assertThat(WaitAim.WHOLE.of(window)).isEqualTo(window);
        assertThat(WaitAim.LONG.of(window)).isEqualTo(new Span(120, 180));
        assertThat(WaitAim.LONG.words()).contains("cool");
    }
}
