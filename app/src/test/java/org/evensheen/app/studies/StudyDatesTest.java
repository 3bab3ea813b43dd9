package org.evensheen.app.studies;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.Web;
import org.evensheen.core.planning.Calendar;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Dates of a study that has begun are moved before they come, never after, and a look can be added years later. */
@ExtendWith(LiveApp.class)
class StudyDatesTest {

    private static Map<String, String> form(int from, Object date, String why) {
        Map<String, String> form = new HashMap<>(Map.of(
                "date", date.toString(), "why", why, "key", UUID.randomUUID().toString()));
        if (from >= 0) {
            form.put("from", "" + from);
        }
        return form;
    }

    private static long begun() {
        return SamplePlan.begin(SamplePlan.make(SamplePlan.fair()));
    }

    private static Study load(long id) {
        return LiveApp.bean(StudyStore.class).load(id);
    }

    private static List<Integer> days(long id) {
        return load(id).record().plan().visits().stream()
                .map(v -> v.day())
                .distinct()
                .toList();
    }

    @Test
    void aLookAheadMovesWithItsReasonOnceAndIsCalledForOnItsNewDay() {
        long id = begun();
        Study before = load(id);
        int last = before.record().plan().lastDay();
        LocalDate to = before.dateOf(last).plusDays(3);
        Map<String, String> form = form(last, to, "a storm at sea");
        assertThat(Web.post("/studies/" + id + "/dates", form).statusCode()).isEqualTo(302);
        assertThat(Web.post("/studies/" + id + "/dates", form).statusCode())
                .as("a double tap")
                .isEqualTo(302);
        assertThat(days(id)).contains(last + 3).doesNotContain(last);
        assertThat(load(id).revision()).as("other copies see it").isGreaterThan(before.revision());
        String page = Web.get("/studies/" + id + "/dates").body();
        assertThat(page.split("a storm at sea", -1)).as("told once").hasSize(2);
        assertThat(load(id).works())
                .anyMatch(w -> w.day() == last + 3 && w.why().contains("a storm at sea"));
    }

    @Test
    void aLookCanBeAddedYearsLater() {
        long id = begun();
        LocalDate day = LocalDate.now().plusYears(2);
        assertThat(Web.post("/studies/" + id + "/dates", form(-1, day, "a second winter"))
                        .statusCode())
                .isEqualTo(302);
        int added = (int) java.time.temporal.ChronoUnit.DAYS.between(load(id).firstDay(), day);
        assertThat(days(id)).contains(added);
        assertThat(Web.get("/studies/" + id + "/dates").body()).contains("was added: a second winter", "Follow up");
    }

    @Test
    void whatCanNotBeMovedSaysWhyAndKeepsWhatWasTyped() {
        long id = begun();
        Study study = load(id);
        int last = study.record().plan().lastDay();
        int other = days(id).get(days(id).size() - 2);
        String to = "/studies/" + id + "/dates";
        for (String[] wrong : new String[][] {
            {study.dateOf(last).plusDays(2).toString(), " ", "Say why"},
            {study.dateOf(last).plusDays(2).toString(), "x".repeat(201), "200 characters"},
            {"some day", "rain", "Choose a day"},
            {"", "rain", "Choose a day"},
            {LocalDate.now().minusDays(1).toString(), "rain", "That day is over"},
            {LocalDate.now().plusYears(30).toString(), "rain", "ten years"},
            {"+999999999-01-01", "rain", "Choose a day"}
        }) {
            HttpResponse<String> refused = Web.send(to, form(last, wrong[0], wrong[1]));
            assertThat(refused.statusCode()).as(wrong[2]).isEqualTo(422);
            assertThat(refused.body()).contains(wrong[2], "value=\"" + wrong[1] + "\"");
        }
        HttpResponse<String> taken = Web.send(to, form(last, study.dateOf(other), "rain"));
        assertThat(taken.statusCode()).isEqualTo(422);
        assertThat(taken.body()).contains("already");
        assertThat(Web.send(to, form(3000, study.dateOf(last).plusDays(2), "rain"))
                        .statusCode())
                .as("no such look")
                .isEqualTo(422);
        assertThat(days(id))
                .isEqualTo(study.record().plan().visits().stream()
                        .map(v -> v.day())
                        .distinct()
                        .toList());
        assertThat(Web.get(to).body()).doesNotContain("became");
    }

    @Test
    void whatHasComeStays() {
        Study study = org.evensheen.app.live.SampleStudy.read();
        HttpResponse<String> refused = Web.send(
                "/studies/" + study.id() + "/dates", form(8, LocalDate.now().plusDays(3), "rain"));
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("a day that has come");
        assertThatThrownBy(() -> LiveApp.database()
                        .sql("insert into date_moved (study_id, to_day, why, moved_by, page_key) values (" + study.id()
                                + ", 9, ' ', 'x', gen_random_uuid())")
                        .update())
                .hasMessageContaining("date_is_moved_with_a_reason");
    }

    /** Upkeep of a regime falls due on the Bench after its washes, is noted once, and is then asked after the next ones. */
    @Test
    void upkeepOfARegimeFallsDueOnTheBench() {
        String topper = SampleProduct.name("Gannet Spray Wax");
        SampleProduct.make(topper, "spray-wax", "apply 3 mL per section; 500 mL 10 EUR", 0);
        Map<String, String> typed = SamplePlan.fair();
        typed.remove("blind");
        typed.put("firstDay", LocalDate.now().minusDays(3).toString());
        typed.put("washEvery", "10");
        typed.put("what1", "regime");
        typed.put("way1", topper + " every second wash");
        typed.remove("name2");
        Study study = load(SamplePlan.begin(SamplePlan.make(typed)));
        String kept = "Brock Paste, " + topper + " every second wash";
        assertThat(Web.get("/upkeep").body()).doesNotContain("/studies/" + study.id() + "/upkeep");
        for (String[] mark : new String[][] {{"0", "applied"}, {"1", "washed"}, {"2", "washed"}}) {
            Web.post(
                    "/studies/" + study.id() + "/happenings",
                    Map.of(
                            "day",
                            mark[0],
                            "kind",
                            mark[1],
                            "note",
                            "",
                            "key",
                            UUID.randomUUID().toString()));
        }
        String bench = Web.get("/upkeep").body();
        assertThat(bench).contains(kept, "2 washes since", "due now", "Done: " + topper, "value=\"3 mL per section\"");
        int number = study.record().contenders().stream()
                .filter(c -> c.name().equals(kept))
                .findFirst()
                .orElseThrow()
                .number();
        Map<String, String> done =
                Map.of("contender", "" + number, "key", UUID.randomUUID().toString(), "dose", "2 mL per section");
        String to = "/studies/" + study.id() + "/upkeep";
        Map<String, String> splashed = new HashMap<>(done);
        splashed.put("dose", "a splash");
        assertThat(Web.post(to, splashed).statusCode()).isEqualTo(422);
        assertThat(Web.post(to, splashed).body()).contains("value=\"a splash\"", "Write how much went on a section");
        assertThat(Web.post(to, done).statusCode()).isEqualTo(302);
        assertThat(Web.post(to, done).statusCode()).isEqualTo(302);
        assertThat(load(study.id()).record().applications())
                .extracting(a -> a.dose().orElseThrow().print() + " of "
                        + a.label().orElseThrow().print())
                .as("against the label of what went on")
                .containsExactly("2 mL per section of apply 3 mL per section; 500 mL 10.00 EUR");
        int second = load(study.id()).works().stream()
                .filter(w -> w.kind() == Calendar.Kind.WASH || w.kind() == Calendar.Kind.VISIT)
                .mapToInt(Calendar.Work::day)
                .filter(day -> day > 3)
                .sorted()
                .skip(1)
                .findFirst()
                .orElseThrow();
        LocalDate due = study.dateOf(second);
        assertThat(Web.get("/upkeep").body())
                .as("by the washes that are planned")
                .contains(
                        "0 washes since", "due " + due.format(DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH)))
                .doesNotContain(to);
        assertThat(Web.get("/studies/" + study.id() + "/calendar.ics").body())
                .contains("UID:upkeep-%d-%d-3@even-sheen".formatted(study.id(), number))
                .containsPattern("DTSTART;VALUE=DATE:" + due.format(DateTimeFormatter.BASIC_ISO_DATE)
                        + "\\R(?:.*\\R)*?SUMMARY:Upkeep: " + topper);
        assertThat(Web.send(
                                to,
                                Map.of(
                                        "contender",
                                        "99",
                                        "key",
                                        UUID.randomUUID().toString()))
                        .statusCode())
                .isEqualTo(422);
    }
}
