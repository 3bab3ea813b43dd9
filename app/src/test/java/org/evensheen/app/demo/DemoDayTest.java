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
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Observation;
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

    private static double taken(Study study, Section section, int repeat) {
        long gauge = LiveApp.database()
                .sql("select id from instrument where name = 'Boat shed gauge'")
                .query(Long.class)
                .single();
        Map<String, String> form = new HashMap<>(Map.of(
                "study",
                "" + study.id(),
                "section",
                section.code(),
                "day",
                "42",
                "stage",
                "rewetted",
                "measure",
                "pull",
                "repeat",
                "" + repeat));
        HttpResponse<String> answer = Web.post("/kit/" + gauge + "/take", form);
        Matcher m =
                Pattern.compile("data-fill=\"amount\" data-value=\"([^\"]+)\"").matcher(answer.body());
        assertThat(m.find()).as(answer.body()).isTrue();
        return Double.parseDouble(m.group(1));
    }

    @Test
    void theGaugeReadsTheTruthOfTheSectionItIsDrawnOver() {
        Study study = demo("flank");
        DemoWorld.Told told = DemoWorld.studies(LocalDate.now()).stream()
                .filter(t -> t.draft().key().equals(UUID.nameUUIDFromBytes("flank".getBytes())))
                .findFirst()
                .orElseThrow();
        SimulatedBed bed = new SimulatedBed(
                study.record(),
                told.paint(),
                told.coatings(),
                told.freshDay(),
                told.draft().seed());
        Occasion today = new Occasion(42, Stage.REWETTED);
        List<Section> sections = study.record().sections();
        for (Section section : List.of(sections.get(0), sections.get(5), sections.get(11))) {
            Observation truth = bed.read(section, today, Measure.PULL, 7).seen();
            assertThat(taken(study, section, 7))
                    .as("section %s", section.code())
                    .isCloseTo(truth.amount(), within(0.03 * truth.amount()));
        }
    }

    @Test
    void aBedWaitsToBeAppliedTodayInAnOrderThatKeepsEveryWindow() {
        Study doors = demo("doors");
        String page = Web.get("/studies/" + doors.id() + "/run").body();

        assertThat(page).contains("First coats", "No order", "Coat 2");
        assertThat(page).doesNotContain("cancan&#39;t be finished inside its window#39;t be kept any more");
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
