package org.evensheen.app.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

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
                "place          | 10.0.0.1:0            | Write a network place",
                "place          | 8.8.8.8:80            | in a network of your own",
                "place          | 169.254.169.254:80    | in a network of your own",
                "place          | 172.32.0.1:80         | in a network of your own",
                "place          | 0.0.0.0:80            | in a network of your own",
                "place          | /etc/passwd@9600      | Write a network place",
                "place          | /dev/../etc/x@9600    | Write a network place",
                "asks           | READ~QUIT          | plain characters",
                "pattern        | F {unit}              | Say where the number stands",
                "unit           | GU                    | A force gauge speaks in one of: N",
                "asks           | größe                 | plain characters",
                "checkTolerance | 0.1                   | Type the known value",
                "checkValue     | five                  | is not a number"
            })
    void saysAtItsFieldWhatIsWrongAndWhatToDo(String field, String value, String saying) {
        typed.put(field, value == null ? "" : value.replace("~", "\r\n"));

        LinkForm form = LinkForm.read(typed);

        assertThat(form.draft()).isEmpty();
        assertThat(form.problems().values()).anyMatch(p -> p.contains(saying));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"127.0.0.1", "10.255.0.1", "172.16.0.1", "172.31.255.1", "192.168.0.9", "localhost", "fd00::7"})
    void whatStandsOnThisMachineOrInANetworkOfOnesOwnIsInReach(String host) throws Exception {
        assertThat(Reach.of(host)).isNotNull();
        assertThat(Reach.refused(host)).isEmpty();
    }

    /** A name that leads elsewhere is found out when it is looked up, before anything is connected to. */
    @ParameterizedTest
    @ValueSource(strings = {"9.9.9.9", "172.15.0.1", "192.169.0.1", "169.254.169.254", "fe80::1", "2001:db8::1"})
    void nothingElseIs(String host) {
        assertThatThrownBy(() -> Reach.of(host)).isInstanceOf(Link.Lost.class).hasMessageContaining("lies outside");
    }

    @Test
    void wantsThePlaceOfTheHumidityToo() {
        typed.putAll(Map.of("probe", "air", "unit", "C", "pattern", "T {value}"));
        assertThat(LinkForm.read(typed).problems().get("pattern")).contains("{second}");
        typed.put("pattern", "T {value} H {second}");
        assertThat(LinkForm.read(typed).problems()).isEmpty();
    }
}
