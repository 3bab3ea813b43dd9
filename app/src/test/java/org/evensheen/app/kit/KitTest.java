package org.evensheen.app.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class KitTest {

    @AfterEach
    void mend() {
        LiveApp.hand("fault none");
    }

    private static long instrument(String probe) {
        return LiveApp.database()
                .sql("select id from instrument where probe = :probe and retired_at is null order by id limit 1")
                .param("probe", probe)
                .query(Long.class)
                .single();
    }

    private static String take(String probe, String... form) {
        Map<String, String> fields = new HashMap<>();
        for (int i = 0; i < form.length; i += 2) {
            fields.put(form[i], form[i + 1]);
        }
        HttpResponse<String> answer = Web.post("/kit/" + instrument(probe) + "/take", fields);
        assertThat(answer.statusCode()).isEqualTo(200);
        return answer.body();
    }

    private static double filled(String body, String field) {
        Matcher m = Pattern.compile("data-fill=\"" + field + "\" data-value=\"([^\"]+)\"")
                .matcher(body);
        assertThat(m.find()).as(body).isTrue();
        return Double.parseDouble(m.group(1));
    }

    @Test
    void takesAWholePullWhoseTraceIsKeptWithItsReading() {
        Study study = SampleStudy.make();
        String section = study.record().sections().get(0).code();
        String body = take(
                "force",
                "study",
                "" + study.id(),
                "section",
                section,
                "day",
                "8",
                "stage",
                "rewetted",
                "measure",
                "pull");
        double newtons = filled(body, "amount");

        assertThat(newtons).isBetween(6.0, 22.0);
        assertThat(body).contains("First peak", "stick–slip", "class=\"pulled\"");
        Matcher take =
                Pattern.compile("data-fill=\"take\" data-value=\"([^\"]+)\"").matcher(body);
        assertThat(take.find()).isTrue();
        Map<String, String> reading = SampleStudy.firstPull(section, String.valueOf(newtons), UUID.randomUUID());
        reading.put("take", take.group(1));
        assertThat(Web.send("/studies/" + study.id() + "/capture", reading).statusCode())
                .isEqualTo(200);
        assertThat(LiveApp.database()
                        .sql(
                                "select cardinality(t.samples) from reading r join take t on t.id = r.take_id where r.study_id = :s")
                        .param("s", study.id())
                        .query(Integer.class)
                        .single())
                .isGreaterThan(60);
    }

    @Test
    void readsThePlaceItIsHeldTo() {
        Study study = SampleStudy.make();
        String section = study.record().sections().get(0).code();
        String[] at = {"study", "" + study.id(), "section", section, "day", "8", "stage", "rewetted", "measure", "pull"
        };
        assertThat(filled(take("force", at), "amount"))
                .as("the same pull twice, but for the gauge's noise")
                .isCloseTo(filled(take("force", at), "amount"), within(0.15));
    }

    @Test
    void waitsForTheScaleToSettleAndAsksTheMeterThatWantsAsking() {
        LiveApp.hand("load 23.4");
        assertThat(filled(take("scale"), "amount")).isCloseTo(23.4, within(0.1));
        LiveApp.hand("gloss 87");
        assertThat(filled(take("gloss"), "amount")).isCloseTo(87.0, within(3.0));
        String air = take("air", "field", "air");
        assertThat(filled(air, "humidity")).isBetween(30.0, 100.0);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "silent  | force   | has said nothing for 4 seconds",
                "rubbish | scale   | lines that don&#39;t fit its pattern",
                "unit    | force   | speaks in lbf; its link says N",
                "unit    | surface | speaks in F; its link says C",
                "drift   | force   | with nothing pulling. Set it to zero",
                "flood   | ph      | The instrument closed the line",
                "hangup  | air     | The instrument closed the line"
            })
    void saysWhatIsWrongWithAnInstrumentThatIsLostOrLies(String fault, String probe, String saying) {
        LiveApp.hand("fault " + fault);

        assertThat(take(probe)).contains(saying).doesNotContain("data-fill");
    }

    @Test
    void doesNotTakeForAPullWhatHangsOnTheGauge() {
        LiveApp.hand("hang 4.9");
        String said = take("force");
        LiveApp.hand("hang 0");
        assertThat(said).contains("never let go of it").doesNotContain("data-fill");
    }

    @Test
    void saysSoWhenNobodyAnswers() {
        UUID key = UUID.randomUUID();
        Map<String, String> link = new HashMap<>(Map.of(
                "name",
                "Gone " + key,
                "probe",
                "ph",
                "place",
                "127.0.0.1:9",
                "pattern",
                "{value}",
                "unit",
                "pH",
                "key",
                key.toString()));
        assertThat(Web.post("/kit", link).statusCode()).isEqualTo(302);
        long id = LiveApp.database()
                .sql("select id from instrument where page_key = :k")
                .param("k", key)
                .query(Long.class)
                .single();

        assertThat(Web.post("/kit/" + id + "/take", Map.of()).body()).contains("does not answer at 127.0.0.1:9");
        assertThat(Web.post("/kit/" + id + "/test", Map.of()).body()).contains("does not answer");
        Web.post("/kit/" + id + "/away", Map.of());
        assertThat(Web.get("/kit").body()).doesNotContain("Gone " + key);
    }

    @Test
    void showsRawLinesWithHowTheyRead() {
        String body =
                Web.post("/kit/" + instrument("surface") + "/test", Map.of()).body();
        assertThat(body).contains("<code>S ", " C</code>", "°C").doesNotContain("does not fit");

        LiveApp.hand("fault rubbish");
        assertThat(Web.post("/kit/" + instrument("surface") + "/test", Map.of()).body())
                .contains("does not fit the pattern");
    }

    @Test
    void warnsOfAnInstrumentWhoseCheckFailed() {
        long scale = instrument("scale");
        LiveApp.database()
                .sql("update instrument set check_value = 104, check_tolerance = 0.3 where id = :id")
                .param("id", scale)
                .update();
        LiveApp.hand("fault none");
        String set = Web.post(
                        "/kit/" + scale + "/check",
                        Map.of("key", UUID.randomUUID().toString()))
                .body();
        LiveApp.database()
                .sql("update instrument set check_value = 100 where id = :id")
                .param("id", scale)
                .update();

        assertThat(set).containsPattern("It holds: 10[34][.0-9]* for 104");
        String held = Web.post(
                        "/kit/" + scale + "/check",
                        Map.of("key", UUID.randomUUID().toString()))
                .body();
        assertThat(held).containsPattern("It holds: (100|99)[.0-9]* for 100").contains("id=\"check-" + scale + "\"");
        LiveApp.database()
                .sql(
                        "insert into instrument_check (instrument_id, amount, should_be, tolerance, kept_by, page_key) values (:id, 104, 100, 0.3, 'x', gen_random_uuid())")
                .param("id", scale)
                .update();
        LiveApp.hand("load 20");
        assertThat(take("scale")).contains("Its check failed: it said 104 for 100");
        Web.post("/kit/" + scale + "/check", Map.of("key", UUID.randomUUID().toString()));
    }

    @Test
    void refusesALinkThatCanNotWorkAtItsFieldsAndKeepsWhatWasTyped() {
        HttpResponse<String> answer = Web.post(
                "/kit",
                Map.of(
                        "name",
                        "Odd one",
                        "probe",
                        "force",
                        "place",
                        "over there",
                        "pattern",
                        "F {valu}",
                        "unit",
                        "kPa",
                        "key",
                        UUID.randomUUID().toString()));

        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body())
                .contains(
                        "There is no {valu}",
                        "A force gauge speaks in one of: N",
                        "Write a network place",
                        "value=\"Odd one\"");
    }
}
