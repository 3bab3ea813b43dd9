package org.evensheen.app.live;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.evensheen.app.EvenSheen;
import org.evensheen.standins.instruments.SimulatedInstruments;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Starts a throw-away PostgreSQL, simulated instruments and the real application with the demo, once for a run, on free ports; both end with the
 * run, however it ends.
 */
public final class LiveApp implements BeforeAllCallback {
    private static Running running;

    private record Running(Process postgres, SimulatedInstruments bench, ConfigurableApplicationContext context)
            implements ExtensionContext.Store.CloseableResource {
        @Override
        public void close() throws Exception {
            context.close();
            bench.close();
            postgres.getOutputStream().close();
            postgres.waitFor(20, TimeUnit.SECONDS);
        }
    }

    @Override
    public void beforeAll(ExtensionContext context) {
        context.getRoot().getStore(ExtensionContext.Namespace.GLOBAL).getOrComputeIfAbsent("live", key -> start());
    }

    private static Running start() {
        try {
            Process postgres = new ProcessBuilder(
                            root().resolve("scripts/throwaway-postgres").toString())
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            var lines = new BufferedReader(new InputStreamReader(postgres.getInputStream(), StandardCharsets.UTF_8));
            String url = lines.readLine();
            SpringApplication application = new SpringApplication(EvenSheen.class, StatementCounter.class);
            SimulatedInstruments bench = SimulatedInstruments.startAnywhere(7);
            running = new Running(
                    postgres,
                    bench,
                    application.run(
                            "--spring.datasource.url=" + url,
                            "--server.port=0",
                            "--even-sheen.demo=true",
                            "--even-sheen.standins=" + bench.firstPort(),
                            "--logging.level.root=error"));
            return running;
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static Path root() {
        Path here = Path.of("").toAbsolutePath();
        return Files.exists(here.resolve("scripts/throwaway-postgres")) ? here : here.getParent();
    }

    public static <T> T bean(Class<T> type) {
        return running.context().getBean(type);
    }

    /** The first port of the simulated instruments. */
    public static int instruments() {
        return running.bench().firstPort();
    }

    /** Tells the hand that holds the simulated instruments. */
    public static void hand(String line) {
        try (Socket hand =
                new Socket(InetAddress.getLoopbackAddress(), instruments() + SimulatedInstruments.PORTS - 1)) {
            hand.getOutputStream().write((line + "\n").getBytes(StandardCharsets.US_ASCII));
            String answer = new BufferedReader(new InputStreamReader(hand.getInputStream(), StandardCharsets.US_ASCII))
                    .readLine();
            if (!"ok".equals(answer)) {
                throw new IllegalArgumentException(answer);
            }
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    public static JdbcClient database() {
        return bean(JdbcClient.class);
    }

    /** Address of the application, without a slash at its end. */
    public static String url() {
        return "http://127.0.0.1:"
                + ((WebServerApplicationContext) running.context())
                        .getWebServer()
                        .getPort();
    }
}
