package org.evensheen.app.studies;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.StatementCounter;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class PagesTest {

    private static Map<String, String> form(String... changes) {
        Map<String, String> form = new java.util.LinkedHashMap<>(Map.of(
                "question",
                "Which seal stays?",
                "bed",
                "Loose board",
                "width",
                "1500",
                "height",
                "1000",
                "each",
                "2",
                "firstDay",
                LocalDate.now().minusDays(3).toString(),
                "freshAfter",
                "1",
                "every",
                "7",
                "visits",
                "4",
                "seed",
                "4711"));
        form.put("key", UUID.randomUUID().toString());
        form.put("name", "Lowlight Mist");
        for (int i = 0; i < changes.length; i += 2) {
            form.put(changes[i], changes[i + 1]);
        }
        return form;
    }

    /** Posts the form with a list of product names, as the browser repeats a field. */
    private static HttpResponse<String> make(Map<String, String> form, String... names) {
        return Web.post("/studies?name=" + String.join("&name=", names), form);
    }

    @Test
    void aPageTakesAtMostFiveStatementsEvenWhenNothingIsRemembered() {
        List<String> over = new ArrayList<>();
        for (int round = 0; round < 2; round++) {
            Study study = SampleStudy.read();
            long id = study.id();
            LiveApp.database()
                    .sql("update study set revision = revision + 1 where id = " + id)
                    .update();
            for (String page : List.of(
                    "/",
                    "/studies",
                    "/studies/new",
                    "/studies/" + id,
                    "/studies/" + id + "/verdict",
                    "/studies/" + id + "/readings",
                    "/verdicts",
                    "/shelf",
                    "/shelf?text=o&kind=soap",
                    "/shelf/new",
                    "/shelf/10",
                    "/shelf/10/label",
                    "/mixer",
                    "/mixer?product=12",
                    "/mixer/mix?product=12&at=500",
                    "/mixer/cost",
                    "/studies/" + id + "/done",
                    "/studies/2",
                    "/studies/2/verdict",
                    "/studies/3")) {
                int statements = StatementCounter.during(
                        () -> assertThat(Web.get(page).statusCode()).isEqualTo(200));
                if (statements > 5) {
                    over.add(page + " " + statements);
                }
            }
        }
        assertThat(over).isEmpty();
    }

    @Test
    void aNewStudyIsLaidOutByLotWithBareSectionsAndMadeOnce() {
        Map<String, String> form = form("reference", "0", "kind", "sheets");
        HttpResponse<String> made = make(form, "Osier%20Spray%20Seal");
        String place = made.headers().firstValue("Location").orElseThrow();
        assertThat(make(form, "Osier%20Spray%20Seal").headers().firstValue("Location"))
                .as("sent twice")
                .contains(place);
        Study study = LiveApp.bean(StudyStore.class).load(Long.parseLong(place.replaceAll(".*/", "")));
        assertThat(study.record().bareSections()).hasSize(2);
        assertThat(study.record().sections()).hasSize(6);
        assertThat(study.record().seed()).isEqualTo(4711);
        assertThat(study.record().sections()).as("drawn by lot").noneMatch(s -> s.byHand());
        assertThat(study.record().contenders().get(0).kind())
                .as("told for this study, whatever another study says of the product")
                .isEqualTo(org.evensheen.core.water.WaterKind.SHEETS);
        assertThat(Web.get("/studies/" + study.id()).body()).contains("Which seal stays?", "First drop");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "question|''|Ask the question", "bed|''|Name the bed", "width|wide|not a number",
                        "width|1.5 m|This field is in mm",
                "height|-5|below zero", "each|0|out of reach", "each|2.5|whole number", "height|200|don’t fit on 1500",
                "firstDay|soon|Write the first day like", "name|brock paste|stands twice", "name|''|Name two products"
            })
    void aFieldThatIsWrongSaysSoAndWhatWasTypedIsKept(String field, String value, String saying) {
        HttpResponse<String> answer = make(form(field, value), "Brock%20Paste");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body().replace("&#39;", "’").replace("'", "’")).contains(saying, "value=\"4711\"");
    }

    @Test
    void theListOfStudiesGoesOnPageByPageToTheOldest() {
        for (int i = 0; i <= StudyStore.PAGE; i++) {
            SampleStudy.make();
        }
        java.util.Set<Long> seen = new java.util.HashSet<>();
        StudyStore store = LiveApp.bean(StudyStore.class);
        int page = 0;
        for (List<StudyStore.Listed> listed = store.list(0); !listed.isEmpty(); listed = store.list(++page)) {
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
        HttpResponse<String> made =
                make(form("firstDay", LocalDate.now().plusDays(5).toString()), "Osier%20Spray%20Seal");
        String place = made.headers().firstValue("Location").orElseThrow().replaceAll("^https?://[^/]+", "");
        assertThat(Web.get(place).body()).contains("Day 0 is still to come").doesNotContain("data-entry");
        assertThat(Web.get(place + "/verdict").body()).contains("nothing to judge yet");
        assertThat(Web.get("/").body()).contains("Which seal stays?");
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

    @Test
    void aNameWithMarkupIsShownAsTextEverywhere() {
        String nasty = "<script>alert(1)</script>\"><b>Foam";
        HttpResponse<String> made = make(form("question", nasty, "bed", nasty, "name", nasty), "Osier");
        String place = made.headers().firstValue("Location").orElseThrow().replaceAll("^https?://[^/]+", "");
        Web.post(place + "/key", Map.of());
        for (String page : List.of(place, place + "/verdict", "/studies", "/", "/verdicts", place + "/readings")) {
            assertThat(Web.get(page).body()).as(page).doesNotContain("<script>alert", "<b>Foam");
        }
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
        "/shelf/1/photos/9.jpg"
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
