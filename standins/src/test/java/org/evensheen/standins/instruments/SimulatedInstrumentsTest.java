package org.evensheen.standins.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;
import org.evensheen.core.slickness.PullTrace;
import org.evensheen.core.weather.Air;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SimulatedInstrumentsTest {

    @ParameterizedTest
    @ValueSource(doubles = {5.5, 8.9, 12.5, 18.2})
    void aPullHasThePlateauOfItsTruthAPeakBeforeItAndStickSlip(double newtons) throws Exception {
        for (long seed = 1; seed <= 12; seed++) {
            List<Double> samples =
                    DoubleStream.of(SledPull.samples(newtons, seed)).boxed().toList();
            PullTrace trace = PullTrace.of(samples);

            assertThat(trace.plateau()).isCloseTo(newtons, within(0.015 * newtons));
            assertThat(trace.peak()).isGreaterThan(1.02 * newtons);
            assertThat(trace.stickSlip()).isBetween(0.01, 0.12);
        }
        assertThat(SledPull.samples(newtons, 3))
                .as("the same seed, the same pull")
                .isEqualTo(SledPull.samples(newtons, 3));
    }

    @Test
    void waterLeavesFasterInDryAirAndWind() {
        double damp = Evaporation.gramsPerSquareMetreSecond(new Air(33, 80), 0);
        double dry = Evaporation.gramsPerSquareMetreSecond(new Air(24, 45), 0);

        assertThat(dry / damp).as("as the deficits, 1.637 over 1.004 kPa").isCloseTo(1.637 / 1.004, within(0.01));
        assertThat(Evaporation.gramsPerSquareMetreSecond(new Air(24, 45), 3)).isGreaterThan(2 * dry);
    }

    @Test
    void speaksInLinesOverTcpAndDoesWhatTheHandDoes() throws Exception {
        try (SimulatedInstruments bench = SimulatedInstruments.startAnywhere(5)) {
            assertThat(told(bench, "hang 4.903")).isEqualTo("ok");
            assertThat(lines(bench.firstPort(), 5))
                    .allMatch(l -> l.matches("F [+-]\\d+\\.\\d\\d N"))
                    .anyMatch(l -> l.startsWith("F +4.9"));
            assertThat(told(bench, "air 21.5 48")).isEqualTo("ok");
            assertThat(lines(bench.firstPort() + 3, 1)).containsExactly("T 21.5 C H 48 %");
            assertThat(told(bench, "fault unit")).isEqualTo("ok");
            assertThat(lines(bench.firstPort(), 1)).allMatch(l -> l.endsWith("lbf"));
            assertThat(told(bench, "juggle 3")).startsWith("no");
        }
    }

    private static String told(SimulatedInstruments bench, String line) throws Exception {
        try (Socket hand =
                new Socket(InetAddress.getLoopbackAddress(), bench.firstPort() + SimulatedInstruments.PORTS - 1)) {
            hand.getOutputStream().write((line + "\n").getBytes(StandardCharsets.US_ASCII));
            return new BufferedReader(new InputStreamReader(hand.getInputStream(), StandardCharsets.US_ASCII))
                    .readLine();
        }
    }

    private static List<String> lines(int port, int many) throws Exception {
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), port)) {
            var in = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII));
            List<String> lines = new ArrayList<>();
            while (lines.size() < many) {
                lines.add(in.readLine());
            }
            return lines;
        }
    }
}
