package org.evensheen.app.readings;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.StatementCounter;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class CaptureTest {
    private final Study study = SampleStudy.make();
    private final String section = study.record().sections().get(0).code();

    private HttpResponse<String> capture(Map<String, String> reading) {
        return Web.send("/studies/" + study.id() + "/capture", reading);
    }

    private List<Double> kept() {
        return LiveApp.bean(StudyStore.class).load(study.id()).readings().stream()
                .filter(k -> k.stands() && k.reading().day() == SampleStudy.TODAY)
                .map(k -> k.reading().seen().amount())
                .toList();
    }

    @Test
    void keepsAReadingOnceHoweverOftenADeviceSendsIt() {
        Map<String, String> reading = SampleStudy.firstPull(section, "9.8", UUID.randomUUID());
        capture(reading);
        CompletableFuture.allOf(IntStream.range(0, 10)
                        .mapToObj(i -> CompletableFuture.runAsync(
                                () -> assertThat(capture(reading).statusCode()).isEqualTo(200)))
                        .toArray(CompletableFuture[]::new))
                .join();

        assertThat(kept()).containsExactly(9.8);
        assertThat(StatementCounter.during(
                        () -> capture(SampleStudy.firstPull(section, "9.8", UUID.fromString(reading.get("key"))))))
                .as("light enough for many devices at once")
                .isLessThanOrEqualTo(2);
    }

    @Test
    void tellsTheSecondOfTwoDevicesWhatStandsThereAndOffersTheNextRepeat() {
        capture(SampleStudy.firstPull(section, "9.8", UUID.randomUUID()));
        Map<String, String> mine = SampleStudy.firstPull(section, "9.6", UUID.randomUUID());
        HttpResponse<String> taken = capture(mine);

        assertThat(taken.statusCode()).isEqualTo(409);
        assertThat(taken.body()).contains("already holds 9.8\u202fN, kept by Reviewer", "\"repeat\":2");
        mine.put("repeat", "2");
        assertThat(capture(mine).statusCode()).isEqualTo(200);
        assertThat(kept()).containsExactly(9.8, 9.6);
    }

    @Test
    void saysWhatIsWrongWithAReadingThatCanNeverBeKept() {
        for (var wrong : Map.of(
                        "amount", "fast", "day", "9", "section", "ZZ", "repeat", "0", "measure", "speed", "stage",
                        "later")
                .entrySet()) {
            Map<String, String> reading = SampleStudy.firstPull(section, "9.8", UUID.randomUUID());
            reading.put(wrong.getKey(), wrong.getValue());
            HttpResponse<String> answer = capture(reading);
            assertThat(answer.statusCode()).as(wrong + answer.body()).isEqualTo(422);
            assertThat(answer.body()).as("%s", wrong).contains("\"detail\"");
        }
        assertThat(kept()).isEmpty();
    }

    @Test
    void aFormThatIsTooLongOrWithoutItsKeyOrPlaceIsRefusedForGood() {
        Map<String, String> reading = SampleStudy.firstPull(section, "9".repeat(201), UUID.randomUUID());
        assertThat(capture(reading).statusCode()).isEqualTo(422);
        for (String field : List.of("key", "section", "stage", "measure", "day", "repeat")) {
            Map<String, String> without = SampleStudy.firstPull(section, "9.8", UUID.randomUUID());
            without.remove(field);
            assertThat(capture(without).statusCode()).as("without " + field).isEqualTo(422);
            String form = "/studies/" + study.id() + "/suppose?"
                    + without.entrySet().stream()
                            .map(e -> e.getKey() + "=" + e.getValue())
                            .collect(java.util.stream.Collectors.joining("&"));
            assertThat(Web.get(form).statusCode())
                    .as("supposed without " + field)
                    .isEqualTo(422);
        }
        assertThat(capture(SampleStudy.firstPull(section, "9.8", UUID.randomUUID()).entrySet().stream()
                                .collect(java.util.stream.Collectors.toMap(
                                        Map.Entry::getKey, e -> e.getKey().equals("key") ? "no key" : e.getValue())))
                        .body())
                .contains("“no key” can't be key");
        assertThat(kept()).isEmpty();
    }
}
