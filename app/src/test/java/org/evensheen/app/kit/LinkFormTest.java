package org.evensheen.app.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LinkFormTest {
    private final Map<String, String> typed = new HashMap<>(Map.of(
            "name",
            "Gauge",
            "probe",
            "force",
            "place",
            "192.168.1.20:4001",
            "pattern",
            "F {value} {unit}",
            "unit",
            "N"));

    @Test
    void readsALinkOverTheNetworkAndOverASerialPort() {
        assertThat(LinkForm.read(typed).draft().orElseThrow().address()).isEqualTo("tcp:192.168.1.20:4001");
        typed.put("place", "/dev/ttyUSB0@9600");
        assertThat(LinkForm.read(typed).draft().orElseThrow().address()).isEqualTo("serial:/dev/ttyUSB0@9600");
        typed.put("place", "COM3@115200");
        assertThat(LinkForm.read(typed).problems()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "name           |                       | Give it a name",
                "probe          | sundial               | Choose what it measures",
                "place          | somewhere             | Write a network place",
                "place          | 10.0.0.1:99999        | Write a network place",
                "pattern        | F {unit}              | Say where the number stands",
                "unit           | GU                    | A force gauge speaks in one of: N",
                "asks           | größe                 | plain characters",
                "checkTolerance | 0.1                   | Type the known value",
                "checkValue     | five                  | is not a number"
            })
    void saysAtItsFieldWhatIsWrongAndWhatToDo(String field, String value, String saying) {
        typed.put(field, value == null ? "" : value);

        LinkForm form = LinkForm.read(typed);

        assertThat(form.draft()).isEmpty();
        assertThat(form.problems().values()).anyMatch(p -> p.contains(saying));
    }

    @Test
    void wantsThePlaceOfTheHumidityToo() {
        typed.putAll(Map.of("probe", "air", "unit", "C", "pattern", "T {value}"));
        assertThat(LinkForm.read(typed).problems().get("pattern")).contains("{second}");
        typed.put("pattern", "T {value} H {second}");
        assertThat(LinkForm.read(typed).problems()).isEmpty();
    }
}
