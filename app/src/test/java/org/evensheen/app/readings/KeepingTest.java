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
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class KeepingTest {
    private Study study;
    private String section;

    @BeforeEach
    void sample() {
        study = SampleStudy.make();
        section = study.record().sections().get(0).code();
    }

    private Map<String, String> form(String amount, UUID key) {
        return SampleStudy.firstPull(section, amount, key);
    }

    private HttpResponse<String> keep(Map<String, String> form, String... headers) {
        return Web.post("/studies/" + study.id() + "/readings", form, headers);
    }

    private List<KeptReading> today() {
        return LiveApp.bean(StudyStore.class).load(study.id()).readings().stream()
                .filter(k -> k.reading().day() == 8)
                .toList();
    }

    @Test
    void aDoubleTapKeepsOneReadingEvenWhenBothArriveTogether() {
        UUID key = UUID.randomUUID();
        List<CompletableFuture<Integer>> taps = IntStream.range(0, 6)
                .mapToObj(i -> CompletableFuture.supplyAsync(
                        () -> keep(form("9,8", key)).statusCode()))
                .toList();
        assertThat(taps.stream().map(CompletableFuture::join)).containsOnly(302);
        assertThat(today())
                .singleElement()
                .satisfies(k -> assertThat(k.reading().seen().amount()).isEqualTo(9.8));
    }

    @Test
    void theSecondPersonInASlotIsToldAndShownBoth() {
        keep(form("9.8", UUID.randomUUID()), "Cookie", "hands=Ana");
        HttpResponse<String> second = keep(form("9.6", UUID.randomUUID()));
        assertThat(second.statusCode()).isEqualTo(422);
        assertThat(second.body()).contains("already holds 9.8", "kept by Ana", "Yours, 9.6", "value=\"9.6\"");
        assertThat(today()).hasSize(1);
    }

    @Test
    void twoPeopleCorrectingTheSameReadingTheSecondIsShownBoth() {
        keep(form("98", UUID.randomUUID()));
        long id = today().get(0).id();
        Map<String, String> first = form("9.8", UUID.randomUUID());
        first.put("because", "comma slipped");
        assertThat(correct(id, first, "Ana").statusCode()).isEqualTo(302);
        assertThat(correct(id, first, "Ana").statusCode()).as("sent again").isEqualTo(302);
        Map<String, String> second = form("9.9", UUID.randomUUID());
        second.put("because", "read it wrong");
        HttpResponse<String> told = correct(id, second, "Ben");
        assertThat(told.statusCode()).isEqualTo(422);
        assertThat(told.body()).contains("Ana corrected", "to 9.8", "comma slipped", "Yours, 9.9", "value=\"9.9\"");
        assertThat(today())
                .hasSize(2)
                .filteredOn(KeptReading::stands)
                .singleElement()
                .satisfies(k -> {
                    assertThat(k.reading().seen().amount()).isEqualTo(9.8);
                    assertThat(k.replaces()).contains(id);
                });
    }

    private HttpResponse<String> correct(long id, Map<String, String> form, String who) {
        return Web.post("/studies/%d/readings/%d".formatted(study.id(), id), form, "Cookie", "hands=" + who);
    }

    @Test
    void strikingWantsAReasonAndTheStruckValueStaysInTheRecord() {
        keep(form("9.8", UUID.randomUUID()));
        long id = today().get(0).id();
        Map<String, String> form = form("9.8", UUID.randomUUID());
        form.put("action", "strike");
        assertThat(correct(id, form, "Ana").body()).contains("Say why");
        form.put("because", "sled caught the tape");
        assertThat(correct(id, form, "Ana").statusCode()).isEqualTo(302);
        assertThat(correct(id, form, "Ana").statusCode())
                .as("struck twice alike")
                .isEqualTo(302);
        assertThat(today())
                .singleElement()
                .satisfies(k -> assertThat(k.strike().orElseThrow().because()).isEqualTo("sled caught the tape"));
        assertThat(Web.get("/studies/%d?day=8&section=%s&measure=pull".formatted(study.id(), section))
                        .body())
                .contains("Struck out by Ana", "sled caught the tape");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "amount|nine|not a number", "amount|9.8 °C|not a unit that is read here", "amount|-9|below zero",
                "amount|980|Check the decimal point", "amount|''|Type the pull in N", "amount|<b>9</b>|not a number",
                "day|-1|before the study’s first day", "day|9|still to come", "section|QQ|no section “QQ”",
                "stage|soaked|no stage called", "measure|shine|no measure called", "repeat|0|Repeats run from 1",
                "key|abc|", "day|x|"
            })
    void badInputIsAnsweredAtItsPlaceWithTheRemedyAndNothingIsStored(String field, String value, String saying) {
        Map<String, String> form = form("9.8", UUID.randomUUID());
        form.put(field, value);
        HttpResponse<String> answer = keep(form);
        String body = answer.body().replace("&#39;", "’").replace("'", "’");
        assertThat(answer.statusCode()).isBetween(400, 422);
        assertThat(body).contains(saying == null ? "" : saying).doesNotContain("Exception", "at org.");
        if (field.equals("amount") && !value.isEmpty()) {
            assertThat(answer.body())
                    .as("what was typed is kept")
                    .contains("value=\"" + value.replace("<", "&lt;").replace(">", "&gt;"));
        }
        assertThat(today()).isEmpty();
    }

    @Test
    void anotherSitesPageCanNotChangeAnything() {
        assertThat(keep(form("9.8", UUID.randomUUID()), "Origin", "http://elsewhere.example")
                        .statusCode())
                .isEqualTo(403);
        assertThat(keep(form("9.8", UUID.randomUUID()), "Sec-Fetch-Site", "cross-site")
                        .statusCode())
                .isEqualTo(403);
        assertThat(today()).isEmpty();
    }

    @Test
    void programsAreToldWithAProblemDocument() {
        HttpResponse<String> answer = Web.get("/studies/987654321/verdict.json");
        assertThat(answer.statusCode()).isEqualTo(404);
        assertThat(answer.headers().firstValue("Content-Type").orElseThrow()).startsWith("application/problem+json");
        assertThat(answer.body()).contains("There is no study 987654321");
    }
}
