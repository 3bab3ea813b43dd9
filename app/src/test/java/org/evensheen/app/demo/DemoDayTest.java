package org.evensheen.app.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.standins.SimulatedBed;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What the demo offers for a bench day: instruments driven by the truth of its studies, photos, and a bed to be applied today. */
@ExtendWith(LiveApp.class)
class DemoDayTest {

    private static Study demo(String key) {
        long id = LiveApp.database()
                .sql("select id from study where page_key = :key")
                .param("key", UUID.nameUUIDFromBytes(key.getBytes()))
                .query(Long.class)
                .single();
        return LiveApp.bean(StudyStore.class).load(id);
    }

    private static long instrument(String name) {
        return LiveApp.database()
                .sql("select id from instrument where name = :name")
                .param("name", name)
                .query(Long.class)
                .single();
    }

    private static double taken(Study study, Section section, Measure measure, int day, int repeat) {
        Map<String, String> form = new HashMap<>(Map.of(
                "study",
                "" + study.id(),
                "section",
                section.code(),
                "day",
                "" + day,
                "stage",
                "rewetted",
                "measure",
                measure.code(),
                "repeat",
                "" + repeat));
        return filled(Web.post(
                "/kit/" + instrument(measure == Measures.GLOSS ? "Gleam meter" : "Boat shed gauge") + "/take", form));
    }

    private static double filled(HttpResponse<String> answer) {
        Matcher m = Pattern.compile("data-fill=\"(?:amount|ph)\" data-value=\"([^\"]+)\"")
                .matcher(answer.body());
        assertThat(m.find()).as(answer.body()).isTrue();
        return Double.parseDouble(m.group(1));
    }

    private static SimulatedBed truth(Study study, String key) {
        DemoWorld.Told told = DemoWorld.studies(LocalDate.now()).stream()
                .filter(t -> t.draft().key().equals(UUID.nameUUIDFromBytes(key.getBytes())))
                .findFirst()
                .orElseThrow();
        return new SimulatedBed(
                study.record(),
                told.paint(),
                told.coatings(),
                told.freshDay(),
                told.draft().seed());
    }

    @Test
    void theGlossMeterReadsTheTruthAndGlossIsJudged() {
        Study study = demo("board");
        Section section = study.record().sections().get(2);
        double truth = truth(study, "board")
                .read(section, new Occasion(56, Stage.REWETTED), Measures.GLOSS, 5)
                .seen()
                .amount();

        assertThat(taken(study, section, Measures.GLOSS, 56, 5)).isCloseTo(truth, within(2.5));
        assertThat(Web.get("/studies/" + study.id() + "?measure=gloss&day=56").body())
                .contains("class=\"gleam\"", "Take by Gleam meter");
        assertThat(Web.get("/studies/" + study.id() + "/verdict?measure=gloss").body())
                .contains("gloss");
    }

    @Test
    void aProductsAcidityIsTakenByTheMeterAndSaidSo() {
        long product = LiveApp.database()
                .sql("select id from product where name = 'Rustmoth Iron Wash'")
                .query(Long.class)
                .single();
        assertThat(Web.get("/kit/takers?probe=ph&field=ph").body()).contains("Take by Ditch pH meter");
        double ph = filled(
                Web.post("/kit/" + instrument("Ditch pH meter") + "/take?field=ph", Map.of("product", "" + product)));

        Web.post(
                "/shelf/" + product + "/strips",
                Map.of(
                        "ph",
                        "" + ph,
                        "by",
                        "Ditch pH meter",
                        "key",
                        UUID.randomUUID().toString()));
        assertThat(Web.get("/shelf/" + product).body()).contains(ph + " by Ditch pH meter");
    }

    @Test
    void whatRunsByItselfIsSeenOnTheBench() {
        Study doors = demo("doors");
        String section = doors.record().sections().stream()
                .filter(s -> doors.record().contenderOn(s).name().equals("Brock Paste"))
                .findFirst()
                .orElseThrow()
                .code();
        Web.post(
                "/studies/" + doors.id() + "/run",
                Map.of(
                        "day",
                        "1",
                        "step",
                        "coat1/" + section + "/spread",
                        "key",
                        UUID.randomUUID().toString()));
        try {
            assertThat(Web.get("/studies/" + doors.id() + "/progress?day=1").body())
                    .contains("steps to go");
            assertThat(Web.get("/").body()).contains("/studies/" + doors.id() + "/clocks?day=1");
            assertThat(Web.get("/studies/" + doors.id() + "/clocks?day=1").body())
                    .contains("Buff", ">" + section + "</span>", "data-opens");
        } finally {
            Web.post(
                    "/studies/" + doors.id() + "/run",
                    Map.of(
                            "day",
                            "1",
                            "what",
                            "undo",
                            "step",
                            "coat1/" + section + "/spread",
                            "key",
                            UUID.randomUUID().toString()));
        }
        assertThat(Web.get("/studies/" + doors.id() + "/clocks?day=1").body()).doesNotContain("data-opens");
    }

    @Test
    void theGaugeReadsTheTruthOfTheSectionItIsDrawnOver() {
        Study study = demo("flank");
        SimulatedBed bed = truth(study, "flank");
        Occasion today = new Occasion(42, Stage.REWETTED);
        List<Section> sections = study.record().sections();
        for (Section section : List.of(sections.get(0), sections.get(5), sections.get(11))) {
            Observation truth = bed.read(section, today, Measures.PULL, 7).seen();
            assertThat(taken(study, section, Measures.PULL, 42, 7))
                    .as("section %s", section.code())
                    .isCloseTo(truth.amount(), within(0.03 * truth.amount()));
        }
    }

    @Test
    void aBedWaitsToBeAppliedTodayInAnOrderThatKeepsEveryWindow() {
        Study doors = demo("doors");
        String page = Web.get("/studies/" + doors.id() + "/run").body();

        assertThat(page).contains("First coats", "No order", "Coat 2");
        assertThat(page).doesNotContain("can&#39;t be kept any more");
        assertThat(doors.record().readings())
                .as("bare was read yesterday, by the simulated bed")
                .hasSizeGreaterThan(40);
        assertThat(Web.get("/").body()).contains("Apply by lot", "/studies/" + doors.id() + "/run?day=1");
    }

    @Test
    void theCameraHasSeenTwoSectionsOverTheWeeks() {
        Study study = demo("flank");
        String page = Web.get("/studies/" + study.id() + "/photos").body();

        assertThat(page).contains("data-wipe", "day 0", "day 28");
        assertThat(LiveApp.database()
                        .sql("select count(distinct section_id) from section_photo where study_id = :s")
                        .param("s", study.id())
                        .query(Integer.class)
                        .single())
                .isEqualTo(2);
    }

    @Test
    void instrumentsAreFoundWhereverTheyWereStartedThisTime() {
        LiveApp.database()
                .sql("update instrument set address = 'tcp:127.0.0.1:9' where name = 'Ditch pH meter'")
                .update();
        LiveApp.bean(DemoInstruments.class).load();

        assertThat(LiveApp.database()
                        .sql("select address from instrument where name = 'Ditch pH meter'")
                        .query(String.class)
                        .single())
                .isEqualTo("tcp:127.0.0.1:" + (LiveApp.instruments() + 5));
    }
}
