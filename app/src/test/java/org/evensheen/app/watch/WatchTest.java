package org.evensheen.app.watch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class WatchTest {

    @Test
    void tellsAnOpenPageOfAChangeByItself() throws Exception {
        Study study = SampleStudy.make();
        var revisions = new LinkedBlockingQueue<Long>();
        var stream = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(LiveApp.url() + "/studies/" + study.id() + "/changes"))
                                .build(),
                        HttpResponse.BodyHandlers.ofInputStream());
        try (var lines = new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
            CompletableFuture.runAsync(() -> lines.lines()
                    .filter(l -> l.startsWith("data:"))
                    .forEach(l -> revisions.add(Long.parseLong(l.substring(5).strip()))));
            assertThat(revisions.poll(20, TimeUnit.SECONDS))
                    .as("where it stands")
                    .isEqualTo(study.revision());

            Web.send(
                    "/studies/" + study.id() + "/capture",
                    SampleStudy.firstPull(study.record().sections().get(0).code(), "9.8", UUID.randomUUID()));

            assertThat(revisions.poll(20, TimeUnit.SECONDS)).isGreaterThan(study.revision());
            stream.body().close();
        }
    }
}
