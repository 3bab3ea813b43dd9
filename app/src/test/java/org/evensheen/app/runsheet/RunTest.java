package org.evensheen.app.runsheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.FootingReview;
import org.evensheen.core.footing.LabelDeparture;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class RunTest {
    private Study study = SampleStudy.applying();
    private int day;

    private Study now() {
        return LiveApp.bean(StudyStore.class).load(study.id());
    }

    private String path() {
        return "/studies/" + study.id() + "/run";
    }

    private Map<String, String> step(String step, String... more) {
        Map<String, String> form = new HashMap<>(Map.of(
                "day",
                String.valueOf(day),
                "step",
                step,
                "key",
                UUID.randomUUID().toString()));
        for (int i = 0; i < more.length; i += 2) {
            form.put(more[i], more[i + 1]);
        }
        return form;
    }

    private HttpResponse<String> take(String step, String... more) {
        HttpResponse<String> answer = Web.send(path(), step(step, more));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        return answer;
    }

    private String sectionOf(String product) {
        return SampleStudy.codes(study, product).get(0);
    }

    private static String ago(Duration ago) {
        return String.valueOf(ago.toMillis());
    }

    private void air() {
        take("air", "air", "16", "humidity", "50", "panel", "17", "light", "shade");
    }

    @Test
    void notesTheAirWithItsDewPointOnTheTape() {
        HttpResponse<String> answer = take("air", "air", "24", "humidity", "45", "panel", "16,5");

        assertThat(answer.body()).contains("Dew point 11.3\u202f°C; the panel is 5.2 ± 1.2\u202fK above it.");
        assertThat(now().record().happenings())
                .contains(new Happening(0, Happening.Kind.WEATHER_NOTED, "24 °C, 45 %, panel 16.5 °C"));
        assertThat(Web.get(path()).body()).contains("Dew point 11.3");
    }

    @Test
    void worksTowardsTheTimeTheLightGoes() {
        assertThat(Web.send(path(), step("air", "air", "16", "humidity", "50", "panel", "17", "dark", "at dusk"))
                        .body())
                .contains("like 16:20");
        take("air", "air", "16", "humidity", "50", "panel", "17", "dark", "23.59", "wind", "7");

        Run run = LiveApp.bean(RunMaker.class).make(study.id(), Optional.of(0), Hands.UNNAMED);
        assertThat(run.limitWords()).contains("The light goes at 23:59.");
        assertThat(run.input()
                        .limit()
                        .orElseThrow()
                        .atZone(ZoneId.systemDefault())
                        .toLocalTime())
                .isEqualTo(LocalTime.of(23, 59));
        assertThat(run.input().air().orElseThrow().site().wind()).contains(7.0);
    }

    @Test
    void saysWhatIsWrongWithTheAirAtItsFieldAndKeepsWhatWasTyped() {
        HttpResponse<String> page = Web.post(path(), step("air", "air", "warm", "humidity", "45", "panel", "-3"));

        assertThat(page.statusCode()).isEqualTo(422);
        assertThat(page.body()).contains("“warm” is not a number", "value=\"-3\"", "value=\"45\"");
    }

    @Test
    void setsEverySectionAgainstItsLabelByTheTimeBetweenSpreadingAndBuffing() {
        air();
        String seal = sectionOf("Osier Spray Seal");
        take("coat1/" + seal + "/spread", "given", "4", "ago", ago(Duration.ofSeconds(120)));
        HttpResponse<String> buffed = take("coat1/" + seal + "/finish");
        String paste = sectionOf("Brock Paste");
        take("coat1/" + paste + "/spread", "used", "fresh towel", "ago", ago(Duration.ofMinutes(15)));
        HttpResponse<String> late = take("coat1/" + paste + "/finish");

        assertThat(buffed.body()).contains("as the label says");
        assertThat(late.body()).contains("1.5× the label’s longest".replace("’", "'"));
        List<Application> applied = now().record().applications();
        assertThat(applied).hasSize(2);
        assertThat(applied.get(0).waitSeconds().orElseThrow()).isBetween(119.0, 123.0);
        assertThat(applied.get(0).dose())
                .as("4 sprays on its section, told for the label's 60 × 60 cm")
                .isPresent();
        assertThat(LabelDeparture.of(applied.get(1))).anyMatch(LabelDeparture::departed);
        assertThat(now().record().happenings()).extracting(Happening::kind).contains(Happening.Kind.APPLIED);
        assertThat(FootingReview.of(now().record(), Measures.PULL, 0))
                .extracting(Finding::kind)
                .contains(Finding.Kind.WAIT_OUTSIDE_LABEL);
        assertThat(Web.get("/studies/" + study.id() + "/done").body()).contains("wait 1.5×");
    }

    @Test
    void keepsAStepOnceHoweverOftenItIsSentAndFromWhateverDevice() {
        air();
        String step = "coat1/" + sectionOf("Osier Spray Seal") + "/spread";
        Map<String, String> same = step(step);
        Web.send(path(), same);
        assertThat(Web.send(path(), same).statusCode()).isEqualTo(200);
        HttpResponse<String> other = Web.send(path(), step(step));

        assertThat(other.statusCode()).isEqualTo(200);
        assertThat(other.body()).contains("did this already");
        assertThat(marks(step)).isEqualTo(1);
    }

    @Test
    void manyDevicesTakeOneStepAndOneOfThemStands() {
        air();
        String step = "coat1/" + sectionOf("Osier Spray Seal") + "/spread";
        CompletableFuture<?>[] all = IntStream.range(0, 12)
                .mapToObj(i -> CompletableFuture.runAsync(() ->
                        assertThat(Web.send(path(), step(step)).statusCode()).isEqualTo(200)))
                .toArray(CompletableFuture[]::new);
        CompletableFuture.allOf(all).join();

        assertThat(marks(step)).isEqualTo(1);
        assertThat(now().record().happenings())
                .filteredOn(h -> h.kind() == Happening.Kind.APPLIED)
                .hasSize(1);
    }

    private int marks(String step) {
        return LiveApp.database()
                .sql("select count(*) from step_mark where study_id = :study and step = :step and undone_at is null")
                .param("study", study.id())
                .param("step", step)
                .query(Integer.class)
                .single();
    }

    @Test
    void gradesAsManySectionsAtAStageOfAVisitAsSomebodyCaresTo() {
        study = SampleStudy.visiting();
        String first = sectionOf("Osier Spray Seal");
        String bare = sectionOf("Bare");
        assertThat(Web.get(path()).body()).contains("Look at it as it arrived", "name=\"grade-" + first + "\"");

        Map<String, String> look = step("visit/arrival", "grade-" + first, "2", "grade-" + bare, "0");
        assertThat(Web.send(path(), look).body()).contains("2 sections graded as it arrived");
        Web.send(path(), look);

        assertThat(now().record().readings())
                .extracting(Reading::section, Reading::stage, r -> r.seen().amount())
                .containsExactlyInAnyOrder(tuple(first, Stage.ARRIVAL, 2.0), tuple(bare, Stage.ARRIVAL, 0.0));
        assertThat(now().record().occasionsRead(now().record().section(first).orElseThrow(), Measures.WATER_GRADE))
                .as("how it arrived is no visit's reading")
                .containsExactly(new Occasion(0, Stage.ARRIVAL));
        assertThat(Web.get(path()).body()).contains("Wet it again", "read/rewetted/grade/" + first + "/1");
    }

    /** What is in stays counted after a reload: 1 of n becomes 2 of n, never 0 of n − 2. */
    @Test
    void aVisitsCountGoesOnWhereItWas() {
        study = SampleStudy.visiting();
        pull("Bare");
        int all = visit()[1];
        assertThat(visit()[0]).isEqualTo(1);
        pull("Osier Spray Seal");
        assertThat(visit()).containsExactly(2, all);
    }

    private void pull(String product) {
        Map<String, String> pull = SampleStudy.firstPull(sectionOf(product), "18", UUID.randomUUID());
        pull.put("day", "0");
        assertThat(Web.post("/studies/" + study.id() + "/capture", pull).statusCode())
                .isEqualTo(200);
    }

    private int[] visit() {
        java.util.regex.Matcher part = java.util.regex.Pattern.compile(
                        "<b>Visit</b>\\s*<span class=\"figure\">(\\d+)/(\\d+)<")
                .matcher(Web.get(path()).body());
        assertThat(part.find()).isTrue();
        return new int[] {Integer.parseInt(part.group(1)), Integer.parseInt(part.group(2))};
    }

    @Test
    void undoesAStepWithEverythingThatFollowedFromIt() {
        air();
        String seal = sectionOf("Osier Spray Seal");
        take("coat1/" + seal + "/spread");
        take("coat1/" + seal + "/finish");
        assertThat(now().record().applications()).hasSize(1);

        take("coat1/" + seal + "/finish", "what", "undo");
        take("coat1/" + seal + "/spread", "what", "undo");

        assertThat(now().record().applications()).isEmpty();
        assertThat(now().record().happenings()).noneMatch(h -> h.kind() == Happening.Kind.APPLIED);
        take("coat1/" + seal + "/spread");
        assertThat(marks("coat1/" + seal + "/spread")).isEqualTo(1);
    }

    @Test
    void aPhoneWithTheWrongTimeDoesNoHarm() {
        String seal = sectionOf("Osier Spray Seal");
        take("coat1/" + seal + "/spread", "ago", ago(Duration.ofMinutes(2)));
        take("coat1/" + sectionOf("Brock Paste") + "/spread", "ago", ago(Duration.ofDays(400)));
        take("coat1/" + seal + "/finish", "ago", "-3600000");

        assertThat(LiveApp.database()
                        .sql(
                                "select extract(epoch from now() - at)::int from step_mark where study_id = :study order by id")
                        .param("study", study.id())
                        .query(Integer.class)
                        .list())
                .satisfiesExactly(
                        first -> assertThat(first).isBetween(119, 125),
                        absurd -> assertThat(absurd).isLessThan(5),
                        ahead -> assertThat(ahead).isLessThan(5));
        assertThat(now().record().applications().get(0).waitSeconds().orElseThrow())
                .isBetween(119.0, 125.0);
    }

    @Test
    void theBareGateLetsNobodyThroughByAccidentAndCarriesWhoInsists() {
        air();
        List<String> codes =
                study.record().sections().stream().map(s -> s.code()).toList();
        for (String code : codes) {
            take("look/" + code + "/1", "grade", code.equals(codes.get(0)) ? "3" : "0");
        }
        HttpResponse<String> shut = Web.send(path(), step("gate/bare"));
        assertThat(shut.statusCode()).isEqualTo(422);
        assertThat(shut.body()).contains(codes.get(0) + " is not proven bare");
        assertThat(Web.send(path(), step("gate/bare", "passed", "true")).body()).contains("Say why");

        take("restrip/" + codes.get(0) + "/1");
        take("look/" + codes.get(0) + "/2", "grade", "0");
        take("gate/bare");
        assertThat(FootingReview.of(now().record(), Measures.PULL, 0))
                .extracting(Finding::kind)
                .doesNotContain(Finding.Kind.BASELINE_NOT_BARE, Finding.Kind.BASELINE_UNPROVEN);
        assertThat(now().readings())
                .filteredOn(r -> !r.stands())
                .as("the first look stays in the record")
                .hasSize(1);

        study = SampleStudy.applying();
        take("gate/bare", "passed", "true", "note", "the light was going");
        assertThat(FootingReview.of(now().record(), Measures.PULL, 0))
                .anySatisfy(f -> assertThat(f.numbers()).contains("the light was going"));
    }

    @Test
    void carriesWhatWentOtherwiseAndWhatWentOnTopToTheFooting() {
        take("", "what", "deviation", "words", "smeared", "section", sectionOf("Osier Spray Seal"));
        take("", "what", "topped", "words", "Lowlight Mist as a drying aid");

        assertThat(now().record().deviations())
                .singleElement()
                .satisfies(d -> assertThat(d.words()).isEqualTo("smeared"));
        assertThat(FootingReview.of(now().record(), Measures.PULL, 0))
                .extracting(Finding::kind)
                .contains(Finding.Kind.DEVIATION_NOTED, Finding.Kind.TOPPED_MIDWAY);
        assertThat(Web.send(path(), step("", "what", "deviation", "words", " ")).statusCode())
                .isEqualTo(422);
    }

    @Test
    void holdsTheGaugeAgainstAKnownWeightBeforeItCountsAsChecked() {
        study = LiveApp.bean(StudyStore.class).load(study.id());
        LiveApp.database()
                .sql(
                        "insert into planned_work (study_id, position, day, kind, title, why) values (:s, 5, 0, 'check', 'Check', 'Due')")
                .param("s", study.id())
                .update();
        LiveApp.database()
                .sql("update study set revision = revision + 1 where id = :s")
                .param("s", study.id())
                .update();

        HttpResponse<String> off = Web.send(path(), step("check", "weight", "500", "said", "5.31"));
        assertThat(off.statusCode()).isEqualTo(422);
        assertThat(off.body()).contains("off by 8");
        assertThat(take("check", "weight", "500", "said", "4.91").body())
                .contains("The gauge holds: 4.91\u202fN for 4.90\u202fN");
        assertThat(now().record().happenings()).extracting(Happening::kind).contains(Happening.Kind.GAUGE_CHECKED);
    }

    @Test
    void theSchemaRefusesWhatMustNeverBe() {
        take("coat1/" + sectionOf("Osier Spray Seal") + "/spread");
        for (String nonsense : List.of(
                "update step_mark set at = now() - interval '1 day' where study_id = " + study.id(),
                "delete from step_mark where study_id = " + study.id(),
                "insert into step_mark (study_id, day, step, at, kept_by, page_key) values (" + study.id()
                        + ", 0, 'ahead', now() + interval '1 hour', 'x', gen_random_uuid())",
                "insert into step_mark (study_id, day, step, passed, at, kept_by, page_key) values (" + study.id()
                        + ", 0, 'gate/x', true, now(), 'x', gen_random_uuid())",
                "insert into conditions (study_id, day, air_c, humidity, panel_c, at, kept_by, page_key) values ("
                        + study.id() + ", 0, 20, 140, 20, now(), 'x', gen_random_uuid())",
                "insert into deviation (study_id, day, kind, words, at, kept_by, page_key) values (" + study.id()
                        + ", 0, 'noted', ' ', now(), 'x', gen_random_uuid())")) {
            assertThatThrownBy(() -> LiveApp.database().sql(nonsense).update())
                    .as(nonsense)
                    .isNotNull();
        }
    }

    @Test
    void aSectionWhoseSpreadingWasUndoneElsewhereCantBeFinishedAndNothingIsKept() {
        air();
        String seal = sectionOf("Osier Spray Seal");
        take("coat1/" + seal + "/spread");
        take("coat1/" + seal + "/spread", "what", "undo");
        HttpResponse<String> answer = Web.send(path(), step("coat1/" + seal + "/finish"));
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("Spreading on " + seal + " was undone", "Note the spreading first");
        assertThat(now().record().applications()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "'', came without its step",
        "coat1/ZZ/spread, There is no step “coat1/ZZ/spread”",
        "no such step, There is no step",
        "'<b>', There is no step"
    })
    void aStepThatIsNoneIsRefusedAndNotStoredAsKept(String key, String saying) {
        Map<String, String> form = step(key);
        HttpResponse<String> answer = Web.send(path(), form);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains(saying);
        form.put("what", "undo");
        form.remove("step");
        assertThat(Web.send(path(), form).statusCode()).isEqualTo(422);
        assertThat(LiveApp.database()
                        .sql("select count(*) from step_mark where study_id = :id")
                        .param("id", study.id())
                        .query(Long.class)
                        .single())
                .isZero();
    }

    @Test
    void aStepThatWasTakenIsStillKnownWhenTheSheetNoLongerAsksForIt() {
        air();
        String seal = sectionOf("Osier Spray Seal");
        Map<String, String> spread = step("coat1/" + seal + "/spread");
        Web.send(path(), spread);
        assertThat(Web.send(path(), spread).statusCode())
                .as("sent again by a device")
                .isEqualTo(200);
    }
}
