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
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.util.FileSystemUtils;

/**
 * Starts a throw-away PostgreSQL, simulated instruments and the real application with the demo, once for a process, on free ports; both end with
 * it, however it ends. Surefire hands classes to its forks one by one, so that nothing of JUnit's own lasts from one class to the next.
 */
public final class LiveApp implements BeforeAllCallback {
    private static Running running;

    private record Running(
            Process postgres, SimulatedInstruments bench, Path home, ConfigurableApplicationContext context) {
        private void close() {
            context.close();
            bench.close();
            try {
                FileSystemUtils.deleteRecursively(home);
                postgres.getOutputStream().close();
                postgres.waitFor(20, TimeUnit.SECONDS);
            } catch (java.io.IOException | InterruptedException e) {
                System.err.println("Not all was tidied away: " + e);
            }
        }
    }

    @Override
    public void beforeAll(ExtensionContext context) {
        synchronized (LiveApp.class) {
            if (running == null) {
                Running started = start();
                Runtime.getRuntime().addShutdownHook(new Thread(started::close, "the end of the run"));
            }
        }
    }

    private static Running start() {
        try {
            Process postgres = new ProcessBuilder(
                            root().resolve("scripts/throwaway-postgres").toString())
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            var lines = new BufferedReader(new InputStreamReader(postgres.getInputStream(), StandardCharsets.UTF_8));
            String url = lines.readLine();
            SimulatedInstruments bench = SimulatedInstruments.startAnywhere(7);
            running = on(url, postgres, bench);
            return running;
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static Running on(String url, Process postgres, SimulatedInstruments bench) throws java.io.IOException {
        Path home = Files.createTempDirectory("even-sheen-home");
        SpringApplication application = new SpringApplication(EvenSheen.class, StatementCounter.class);
        application.setRegisterShutdownHook(false);
        return new Running(
                postgres,
                bench,
                home,
                application.run(
                        "--spring.datasource.url=" + url,
                        "--server.port=0",
                        "--even-sheen.demo=true",
                        "--even-sheen.league-seconds=0",
                        "--even-sheen.standins=" + bench.firstPort(),
                        "--even-sheen.home=" + home,
                        "--logging.level.root=error"));
    }

    /** An application and a database of its own for one test class, for what leaves traces that others would stumble over. */
    public static final class Apart implements BeforeAllCallback, AfterAllCallback {
        private Running shared;

        @Override
        public void beforeAll(ExtensionContext context) throws java.io.IOException {
            new LiveApp().beforeAll(context);
            shared = running;
            database().sql("create database apart").update();
            String url = bean(Environment.class).getRequiredProperty("spring.datasource.url");
            running = on(url.replace("/postgres?", "/apart?"), shared.postgres(), shared.bench());
        }

        @Override
        public void afterAll(ExtensionContext context) throws java.io.IOException {
            running.context().close();
            FileSystemUtils.deleteRecursively(running.home());
            running = shared;
            database().sql("drop database apart with (force)").update();
        }
    }

    private static Path root() {
        Path here = Path.of("").toAbsolutePath();
        return Files.exists(here.resolve("scripts/throwaway-postgres")) ? here : here.getParent();
    }

    public static <T> T bean(Class<T> type) {
        return running.context().getBean(type);
    }

    public static <T> T bean(String name, Class<T> type) {
        return running.context().getBean(name, type);
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
