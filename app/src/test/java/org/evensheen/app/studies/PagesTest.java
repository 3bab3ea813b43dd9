package org.evensheen.app.studies;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.BedStore;
import org.evensheen.app.kit.Instrument;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.StatementCounter;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class PagesTest {

    @Test
    void aPageTakesAtMostFiveStatementsEvenWhenNothingIsRemembered() {
        List<String> over = new ArrayList<>();
        for (int round = 0; round < 2; round++) {
            Study study = SampleStudy.read();
            long id = study.id();
            for (String page : List.of(
                    "/",
                    "/studies",
                    "/studies/new",
                    "/studies/" + id,
                    "/studies/" + id + "/verdict",
                    "/studies/" + id + "/life",
                    "/studies/" + id + "/life.json",
                    "/studies/" + id + "/answer",
                    "/studies/1/answer",
                    "/studies/1/answer/next",
                    "/studies/1/report.html",
                    "/studies/1/publish",
                    "/verdicts/publish",
                    "/shelf/10/publish",
                    "/compare/2/answer/next",
                    "/studies/" + id + "/readings",
                    "/verdicts",
                    "/verdicts/report.html",
                    "/compare/2",
                    "/compare/2/sheet",
                    "/compare/2/answer",
                    "/compare/2/publish",
                    "/compare/2/report.html",
                    "/shelf/10/report.html",
                    "/shelf",
                    "/shelf?text=o&kind=soap",
                    "/shelf/new",
                    "/shelf/10",
                    "/shelf/10/label",
                    "/mixer",
                    "/mixer?product=12",
                    "/mixer/mix?product=12&at=500",
                    "/mixer/cost",
                    "/beds",
                    "/rack",
                    "/washes",
                    "/beds/4",
                    "/plans/1",
                    "/plans/1?step=dates",
                    "/calendar",
                    "/studies/" + id + "/print",
                    "/studies/" + id + "/bundle",
                    "/studies/" + id + "/done",
                    "/studies/" + id + "/run",
                    "/studies/" + id + "/photos",
                    "/kit",
                    "/studies/4/run?day=1",
                    "/studies/2",
                    "/studies/2/verdict",
                    "/studies/3")) {
                forgetWhatWasLoaded();
                int statements = StatementCounter.during(
                        () -> assertThat(Web.get(page).statusCode()).isEqualTo(200));
                if (statements > 5) {
                    over.add(page + " " + statements);
                }
            }
        }
        assertThat(over).isEmpty();
    }

    /** Every study and the comparisons asked for have moved on, so that nothing kept of them is used again. */
    private static void forgetWhatWasLoaded() {
        LiveApp.database().sql("update study set revision = revision + 1").update();
        LiveApp.database().sql("""
                        insert into comparison_said (comparison_id, step, value, said_by, knew, said_at, page_key)
                        select comparison_id, step, value, said_by, knew, said_at, gen_random_uuid()
                        from comparison_said where comparison_id = 2 order by id desc limit 1""").update();
    }

    @Test
    void aStudyThatIsRememberedFollowsTheKitAndItsBed() {
        Study study = SampleStudy.read();
        StudyStore store = LiveApp.bean(StudyStore.class);
        assertThat(store.load(study.id()).instruments())
                .extracting(Instrument::name)
                .doesNotContain("Second scale");
        LiveApp.database().sql("""
                        insert into instrument (name, probe, address, pattern, unit, kept_by, page_key)
                        values ('Second scale', 'scale', 'tcp:127.0.0.1:9', '{value}', 'g', 'a test', gen_random_uuid())""").update();
        assertThat(store.load(study.id()).instruments())
                .extracting(Instrument::name)
                .contains("Second scale");
        LiveApp.database()
                .sql("update instrument set retired_at = now() where name = 'Second scale'")
                .update();
        assertThat(store.load(study.id()).instruments())
                .extracting(Instrument::name)
                .doesNotContain("Second scale");
        BedStore beds = LiveApp.bean(BedStore.class);
        Bed bed = beds.load(study.bed().id());
        beds.change(new Bed(bed.id(), "Board by the door", bed.vehicle(), bed.kind(), bed.shape(), bed.traits()));
        assertThat(store.load(study.id()).bed().name()).isEqualTo("Board by the door");
        assertThat(Web.get("/studies/" + study.id()).body()).contains("Board by the door");
    }

    @Test
    void theListOfStudiesGoesOnPageByPageToTheOldest() {
        for (int i = 0; i <= StudyListStore.PAGE; i++) {
            SampleStudy.make();
        }
        java.util.Set<Long> seen = new java.util.HashSet<>();
        StudyListStore store = LiveApp.bean(StudyListStore.class);
        int page = 0;
        for (List<StudyListStore.Listed> listed = store.list(0, LocalDate.now());
                !listed.isEmpty();
                listed = store.list(++page, LocalDate.now())) {
            listed.forEach(s ->
                    assertThat(seen.add(s.id())).as("study %s once", s.id()).isTrue());
        }
        assertThat((long) seen.size())
                .isEqualTo(LiveApp.database()
                        .sql("select count(*) from study")
                        .query(Long.class)
                        .single());
        assertThat(Web.get("/studies").body()).contains("Older", "page=1");
        assertThat(Web.get("/studies?page=1").body()).contains("begun");
        assertThat(Web.get("/verdicts?page=1").body()).contains("/verdict");
    }

    @Test
    void aStudyThatBeginsNextWeekIsShownAndAsksForNothingYet() {
        Map<String, String> typed = SamplePlan.fair();
        typed.put("firstDay", LocalDate.now().plusDays(5).toString());
        String place = "/studies/" + SamplePlan.begin(SamplePlan.make(typed));
        assertThat(Web.get(place).body()).contains("Day 0 is still to come").doesNotContain("data-entry");
        assertThat(Web.get(place + "/verdict").body()).contains("nothing to judge yet");
        assertThat(Web.get("/").body()).contains("Which stays?");
    }

    @ParameterizedTest
    @CsvSource({"-1", "9", "soon", "''"})
    void aMarkOnADayThatIsNotThereIsRefusedWithItsNoteKept(String day) {
        Study study = SampleStudy.read();
        Map<String, String> mark = new java.util.HashMap<>(Map.of(
                "day",
                day,
                "kind",
                "topped",
                "note",
                "Lowlight as drying aid",
                "key",
                UUID.randomUUID().toString()));
        HttpResponse<String> answer = Web.post("/studies/" + study.id() + "/happenings", mark);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("Mark a day from 0 to today, day 8.", "Lowlight as drying aid");
        mark.put("day", "5");
        assertThat(Web.post("/studies/" + study.id() + "/happenings", mark).statusCode())
                .isEqualTo(302);
        assertThat(Web.post("/studies/" + study.id() + "/happenings", mark).statusCode())
                .as("sent twice")
                .isEqualTo(302);
        Study marked = LiveApp.bean(StudyStore.class).load(study.id());
        assertThat(marked.record().happenings()).hasSize(1);
        assertThat(Web.get("/studies/" + study.id() + "?day=5").body())
                .contains("That day: topper or drying aid: Lowlight as drying aid");
        assertThat(Web.get("/studies/" + study.id() + "/verdict").body()).contains("Topped in mid-run", "on day 5");
    }

    @ParameterizedTest
    @CsvSource({
        "/studies/987654",
        "/studies/3?day=900",
        "/studies/3?section=QQ",
        "/nowhere",
        "/studies/3/verdict?measure=shine",
        "/shelf/987654",
        "/mixer?product=987654",
        "/shelf/1/photos/9.jpg",
        "/beds/987654",
        "/plans/987654",
        "/studies/987654/bundle.zip"
    })
    void whatIsNotThereIsSaidKindly(String path) {
        HttpResponse<String> answer = Web.get(path);
        assertThat(answer.statusCode()).isEqualTo(404);
        assertThat(answer.body()).contains("To the Bench").doesNotContain("Exception");
    }

    @Test
    void everyAnswerCarriesAStrictPolicyAndPagesStaySmall() {
        HttpResponse<String> page = Web.get("/studies/3", "Accept-Encoding", "gzip");
        assertThat(page.headers().firstValue("Content-Security-Policy").orElseThrow())
                .contains("default-src 'none'", "script-src 'self'")
                .doesNotContain("unsafe");
        assertThat(page.body().length()).isLessThan(30_000);
        assertThat(Web.get("/studies/3").body()).doesNotContain(" style=", "<style");
    }
}
