package org.evensheen.app.watch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.evensheen.app.EvenSheen;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.core.env.Environment;

/** A copy of the application whose database goes away and comes back: it says so, loses nothing, and goes on by itself. */
@ExtendWith(LiveApp.class)
class DatabaseAwayTest {
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile boolean away;

    /** Passes connections on to the real database until it is away. */
    private int between(int database) throws Exception {
        ServerSocket door = new ServerSocket(0);
        thread(() -> {
            while (true) {
                Socket near = door.accept();
                if (away) {
                    near.close();
                    continue;
                }
                Socket far = new Socket("127.0.0.1", database);
                open.add(near);
                open.add(far);
                thread(() -> near.getInputStream().transferTo(far.getOutputStream()));
                thread(() -> far.getInputStream().transferTo(near.getOutputStream()));
            }
        });
        return door.getLocalPort();
    }

    private interface Talk {
        void run() throws Exception;
    }

    private static void thread(Talk talk) {
        Thread thread = new Thread(() -> {
            try {
                talk.run();
            } catch (Exception e) {
                // The line was cut.
            }
        });
        thread.setDaemon(true);
        thread.start();
    }

    private void cut() throws Exception {
        away = true;
        for (Socket socket : open) {
            socket.close();
        }
    }

    private static HttpResponse<String> send(String address, String key, String amount, String section)
            throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(address))
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .header("Accept", "application/json")
                                .POST(HttpRequest.BodyPublishers.ofString(
                                        "day=8&stage=rewetted&measure=pull&repeat=1&section=%s&amount=%s&key=%s"
                                                .formatted(section, amount, key)))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void saysThatItIsInTroubleKeepsNothingHalfAndTakesTheSameReadingWhenTheDatabaseIsBack() throws Exception {
        Study study = SampleStudy.make();
        String section = study.record().sections().get(0).code();
        String url = LiveApp.bean(Environment.class).getProperty("spring.datasource.url");
        int port = Integer.parseInt(url.replaceAll(".*127.0.0.1:(\\d+)/.*", "$1"));
        try (var copy = new SpringApplication(EvenSheen.class)
                .run(
                        "--spring.datasource.url=" + url.replace(":" + port + "/", ":" + between(port) + "/"),
                        "--spring.datasource.hikari.connection-timeout=1000",
                        "--server.port=0",
                        "--logging.level.root=off")) {
            String base = "http://127.0.0.1:"
                    + ((WebServerApplicationContext) copy).getWebServer().getPort();
            String capture = base + "/studies/" + study.id() + "/capture";
            assertThat(HttpClient.newHttpClient()
                            .send(
                                    HttpRequest.newBuilder(URI.create(base + "/studies/" + study.id()))
                                            .build(),
                                    HttpResponse.BodyHandlers.ofString())
                            .statusCode())
                    .isEqualTo(200);
            var changes = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(base + "/studies/" + study.id() + "/changes"))
                                    .build(),
                            HttpResponse.BodyHandlers.ofInputStream());
            var lines = new BufferedReader(new InputStreamReader(changes.body(), StandardCharsets.UTF_8));

            cut();
            String key = UUID.randomUUID().toString();
            HttpResponse<String> trouble = send(capture, key, "9.8", section);
            assertThat(trouble.statusCode()).isEqualTo(503);
            assertThat(trouble.headers().firstValue("Retry-After")).isPresent();
            assertThat(trouble.body()).contains("The database is away", "What you had kept is safe");
            HttpResponse<String> page = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(base + "/studies/" + study.id() + "/happenings"))
                                    .header("Content-Type", "application/x-www-form-urlencoded")
                                    .POST(HttpRequest.BodyPublishers.ofString(
                                            "day=8&kind=washed&note=a+%22wet%22+day&key=" + UUID.randomUUID()))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString());
            assertThat(page.statusCode()).isEqualTo(503);
            assertThat(page.body())
                    .as("a page keeps what was typed, and sends it again")
                    .contains("name=\"note\" value=\"a &quot;wet&quot; day\"", "Send it again now", "again-");

            var asked = Stream.of(
                            "/studies/1/answer",
                            "/studies/1/answer/next",
                            "/studies/1/answer/bottles",
                            "/studies/1/publish",
                            "/studies/1/report.html",
                            "/compare/2/answer",
                            "/verdicts/publish",
                            "/verdicts/behind?product=Osier",
                            "/shelf/10/publish")
                    .map(later -> HttpClient.newHttpClient()
                            .sendAsync(
                                    HttpRequest.newBuilder(URI.create(base + later))
                                            .build(),
                                    HttpResponse.BodyHandlers.ofString()))
                    .toList();
            for (var answer : asked) {
                assertThat(answer.get().statusCode())
                        .as(answer.get().uri().getPath())
                        .isEqualTo(503);
                assertThat(answer.get().body()).contains("The database is away");
            }

            away = false;
            int tries = 0;
            while (send(capture, key, "9.8", section).statusCode() == 503) {
                assertThat(++tries).as("it goes on by itself").isLessThan(20);
            }
            assertThat(send(capture, key, "9.8", section).statusCode()).isEqualTo(200);
            assertThat(LiveApp.bean(StudyStore.class).load(study.id()).readings().stream()
                            .filter(KeptReading::stands)
                            .filter(k -> k.reading().day() == 8))
                    .hasSize(1);
            long told = lines.lines()
                    .filter(l -> l.startsWith("data:"))
                    .mapToLong(l -> Long.parseLong(l.substring(5).strip()))
                    .filter(r -> r > study.revision())
                    .findFirst()
                    .orElseThrow();
            assertThat(told).as("whoever watched is told").isGreaterThan(study.revision());
            changes.body().close();
        }
    }

    /** PostgreSQL's own word for a full disk, as it would come from the table's file; docs/reliability.md tells of a real one. */
    private static void withFullDisk(String table, String when, Talk talk) throws Exception {
        LiveApp.database().sql("""
                create function disk_is_full() returns trigger language plpgsql as $$
                begin raise exception 'could not extend file: No space left on device' using errcode = 'disk_full'; end $$""").update();
        LiveApp.database()
                .sql(
                        "create trigger full_disk before insert on %s for each row when (%s) execute function disk_is_full()"
                                .formatted(table, when))
                .update();
        try {
            talk.run();
        } finally {
            LiveApp.database().sql("drop trigger full_disk on " + table).update();
            LiveApp.database().sql("drop function disk_is_full()").update();
        }
    }

    @Test
    void aFullDiskIsSaidAsThatAndTheSameReadingIsTakenWhenThereIsRoomAgain() throws Exception {
        Study study = SampleStudy.make();
        String section = study.record().sections().get(0).code();
        String capture = LiveApp.url() + "/studies/" + study.id() + "/capture";
        String key = UUID.randomUUID().toString();
        withFullDisk("reading", "new.study_id = " + study.id(), () -> {
            HttpResponse<String> full = send(capture, key, "9.8", section);
            assertThat(full.statusCode()).isEqualTo(503);
            assertThat(full.body()).contains("The disk is full", "Make room");
        });
        assertThat(send(capture, key, "9.8", section).statusCode()).isEqualTo(200);
    }

    /** What was written for a report is kept on the page, and goes out once there is room again, by the same key. */
    @Test
    void aFullDiskKeepsTheWordsOfAReportAndPublishesThemOnce() throws Exception {
        long product = SampleProduct.make(SampleProduct.name("Reed"), "wax", "200 mL 9 EUR", 0);
        String to = "/shelf/" + product + "/publish";
        Map<String, String> typed = Map.of(
                "key", UUID.randomUUID().toString(), "headline", "Worth a shelf", "words", "Three \"good\" weeks.");
        withFullDisk("edition", "new.product_id = " + product, () -> {
            HttpResponse<String> full = Web.post(to, typed);
            assertThat(full.statusCode()).isEqualTo(503);
            assertThat(full.body())
                    .contains(
                            "The disk is full",
                            "value=\"Worth a shelf\"",
                            "Three &quot;good&quot; weeks.",
                            typed.get("key"));
        });
        assertThat(Web.get(to).body()).contains("None yet");
        assertThat(Web.post(to, typed).statusCode()).isEqualTo(302);
        assertThat(Web.post(to, typed).statusCode()).isEqualTo(302);
        assertThat(Web.get(to).body()).contains("1. Worth a shelf").doesNotContain("2. Worth a shelf");
    }
}
