package org.evensheen.app.studies;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.EvenSheen;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.core.env.Environment;

/** Nothing is kept in memory that a second copy of the application on the same database would miss. */
@ExtendWith(LiveApp.class)
class TwoCopiesTest {

    @Test
    void whatIsKeptThroughOneCopyIsSeenThroughTheOtherAtOnce() throws Exception {
        Study study = SampleStudy.make();
        String section = study.record().sections().get(0).code();
        try (var second = new SpringApplication(EvenSheen.class)
                .run(
                        "--spring.datasource.url="
                                + LiveApp.bean(Environment.class).getProperty("spring.datasource.url"),
                        "--server.port=0",
                        "--logging.level.root=error")) {
            String other = "http://127.0.0.1:"
                    + ((WebServerApplicationContext) second).getWebServer().getPort() + "/studies/" + study.id()
                    + "?day=8&measure=pull&section=" + section;
            assertThat(body(other)).contains("First pull");
            Web.post("/studies/" + study.id() + "/readings", SampleStudy.firstPull(section, "9.8", UUID.randomUUID()));
            assertThat(body(other)).contains("Second pull", ">9.8<");
            Web.post("/studies/" + study.id() + "/key", Map.of("knowingly", "yes"));
            assertThat(body(other)).doesNotContain("The key is closed");
        }
    }

    @Test
    void aStepTakenThroughOneCopyIsTakenThroughTheOtherAndWhoeverWatchesThereIsTold() throws Exception {
        Study study = SampleStudy.applyingOnly();
        try (var second = new SpringApplication(EvenSheen.class)
                .run(
                        "--spring.datasource.url="
                                + LiveApp.bean(Environment.class).getProperty("spring.datasource.url"),
                        "--server.port=0",
                        "--logging.level.root=error")) {
            String other = "http://127.0.0.1:"
                    + ((WebServerApplicationContext) second).getWebServer().getPort() + "/studies/" + study.id();
            var changes = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(other + "/changes"))
                                    .build(),
                            HttpResponse.BodyHandlers.ofLines());
            var revisions = changes.body()
                    .filter(l -> l.startsWith("data:"))
                    .map(l -> Long.parseLong(l.substring(5).strip()))
                    .iterator();
            assertThat(revisions.next()).isEqualTo(study.revision());
            assertThat(body(other + "/run")).contains("How are the air and the panel?");

            SampleStudy.air(study, 0);

            assertThat(revisions.next()).isGreaterThan(study.revision());
            assertThat(body(other + "/run"))
                    .contains("Dew point 5.6")
                    .doesNotContain("How are the air and the panel?</h2>");
        }
    }

    private static String body(String address) throws Exception {
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }
}
