package org.evensheen.app.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.instruments.LinePattern;
import org.evensheen.core.instruments.Probe;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** An instrument on a serial port: a pseudo-terminal of this machine, which the library opens and sets up as it does a real one. */
class SerialLineTest {
    private Process wire;
    private String port;

    @BeforeEach
    void plugIn() throws IOException {
        wire = new ProcessBuilder("script", "-qfc", "tty; stty raw -echo; echo ready; exec sleep 120", "/dev/null")
                .start();
        BufferedReader told = new BufferedReader(new InputStreamReader(wire.getInputStream(), StandardCharsets.UTF_8));
        port = told.readLine().strip();
        assertThat(told.readLine()).contains("ready");
    }

    @AfterEach
    void pullOut() {
        wire.descendants().forEach(ProcessHandle::destroyForcibly);
        wire.destroyForcibly();
    }

    private static Instrument scale(String at) throws LinePattern.Unfit {
        return new Instrument(
                1,
                "Bench scale",
                Probe.SCALE,
                "serial:" + at,
                LinePattern.of("{steady} {value} {unit}"),
                "g",
                "",
                Optional.empty(),
                Optional.empty(),
                List.of(),
                1);
    }

    private void say(String line) throws IOException {
        wire.getOutputStream().write((line + "\r\n").getBytes(StandardCharsets.US_ASCII));
        wire.getOutputStream().flush();
    }

    @Test
    void linesComeWholeThroughASerialPort() throws Exception {
        try (Link link = Link.open(scale(port + "@9600"))) {
            say("ST 112.5 g");
            assertThat(link.next(Duration.ofSeconds(5))).contains("ST 112.5 g");
            wire.getOutputStream().write("ST 11".getBytes(StandardCharsets.US_ASCII));
            wire.getOutputStream().flush();
            assertThat(link.next(Duration.ofMillis(300)))
                    .as("half a line is no line")
                    .isEmpty();
            say("3.0 g");
            assertThat(link.next(Duration.ofSeconds(5))).contains("ST 113.0 g");
        }
    }

    @Test
    void aPortThatIsNotThereIsSaidWithItsRemedy() {
        assertThatThrownBy(() -> Link.open(scale("/dev/ttyNONE7@9600")))
                .isInstanceOf(Link.Lost.class)
                .hasMessageContaining("type the reading");
    }
}
