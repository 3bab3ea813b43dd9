package org.evensheen.app.plans;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.planning.Calendar.Kind;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.dao.DataAccessException;

@ExtendWith(LiveApp.class)
class PlanTest {
    private static String text(HttpResponse<String> page) {
        return page.body().replaceAll("<[^>]+>", " ").replaceAll("\\s+", " ").replace("&#39;", "'");
    }

    private static String fairness(long plan) {
        return text(Web.get("/plans/" + plan + "?step=fairness"));
    }

    private static Study study(long id) {
        return LiveApp.bean(StudyStore.class).load(id);
    }

    @Test
    void aPlanBeginsOnceWithItsLotsItsBareSectionsAndItsDatesWithReasons() {
        long plan = SamplePlan.make(SamplePlan.fair());
        assertThat(fairness(plan)).contains("How far it can be trusted: firm", "Nothing that can be known beforehand");
        long study = SamplePlan.begin(plan);
        assertThat(SamplePlan.begin(plan)).as("begun twice").isEqualTo(study);
        Study begun = study(study);
        assertThat(begun.record().sections()).hasSize(8).noneMatch(Section::byHand);
        assertThat(begun.record().bareSections()).hasSize(2);
        assertThat(begun.judgedByCode()).isTrue();
        assertThat(LiveApp.bean(Key.class).forTheStandIns(begun).works())
                .filteredOn(w -> w.kind() == Kind.CURE)
                .singleElement()
                .satisfies(w -> assertThat(w.why()).contains("Osier Spray Seal must keep dry for 12 h"));
        assertThat(begun.record().plan().visits()).hasSize(10);
        assertThat(SamplePlan.change(plan, 99, "ask", Map.of("question", "Another?"))
                        .statusCode())
                .as("what was planned stands")
                .isEqualTo(422);
    }

    @Test
    void anUnfairPlanIsTalkedOutOfItRemedyByRemedy() {
        Map<String, String> typed = SamplePlan.fair();
        List.of("reference", "gauge", "weather", "blind", "prove").forEach(f -> typed.put(f, ""));
        typed.putAll(Map.of("each", "1", "bare", "0", "visits", "2", "cure", "2", "toppers", "on"));
        typed.putAll(Map.of("dose1", "20 mL per panel", "source2", "gifted"));
        long plan = SamplePlan.make(typed);
        assertThat(fairness(plan))
                .contains(
                        "How far it can be trusted: anecdote",
                        "No bare section",
                        "One section per product",
                        "A gift judged by eye with names known",
                        "Cure cut short",
                        "2 h of cure are planned; the slowest label asks 12 h",
                        "Brock Paste at 4.0× the label's upper dose",
                        "Topped in mid-run");
        for (int i = 0; i < 14; i++) {
            Matcher button = Pattern.compile("hx-post=\"/plans/\\d+/remedies/(\\w+)\\?step=fairness\"")
                    .matcher(Web.get("/plans/" + plan + "?step=fairness").body());
            if (!button.find()) {
                break;
            }
            assertThat(Web.post("/plans/" + plan + "/remedies/" + button.group(1), Map.of())
                            .statusCode())
                    .isEqualTo(200);
        }
        assertThat(fairness(plan)).contains("How far it can be trusted: firm");
        long study = SamplePlan.begin(plan);
        assertThat(study(study).record().sections()).hasSize(8);
    }

    @Test
    void everyChangeIsKeptUndoneOneByOneAndNeverRewritten() {
        long plan = SamplePlan.make(SamplePlan.fair());
        SamplePlan.change(plan, 2, "lay-out", Map.of("each", "3"));
        SamplePlan.change(plan, 3, "lay-out", Map.of("gap", "60"));
        Web.post("/plans/" + plan + "/undo", Map.of());
        assertThat(typed(plan)).containsEntry("gap", "40").containsEntry("each", "3");
        Web.post("/plans/" + plan + "/undo", Map.of());
        assertThat(typed(plan)).containsEntry("each", "2").containsEntry("name1", "Brock Paste");
        assertThat(versions(plan)).as("undoing is a version too").isEqualTo(6);
        assertThatExceptionOfType(DataAccessException.class)
                .isThrownBy(() -> LiveApp.database()
                        .sql("update plan_version set said = 'x' where plan_id = " + plan)
                        .update())
                .withMessageContaining("never rewritten");
    }

    private static Map<String, String> typed(long plan) {
        return LiveApp.bean(PlanStore.class).load(plan).typed();
    }

    private static int versions(long plan) {
        return LiveApp.database()
                .sql("select count(*) from plan_version where plan_id = " + plan)
                .query(Integer.class)
                .single();
    }

    @Test
    void twoPeopleEditingKeepBothAndAreToldWhereTheyMet() {
        long plan = SamplePlan.make(SamplePlan.fair());
        SamplePlan.change(plan, 2, "lay-out", Map.of("each", "3", "gap", "40"));
        HttpResponse<String> other = SamplePlan.change(plan, 2, "lay-out", Map.of("each", "2", "gap", "50"));
        assertThat(typed(plan))
                .as("each changed another field")
                .containsEntry("each", "3")
                .containsEntry("gap", "50");
        assertThat(text(other)).doesNotContain("Somebody else");
        HttpResponse<String> met = SamplePlan.change(plan, 2, "lay-out", Map.of("each", "4"));
        assertThat(text(met)).contains("Somebody else had changed each meanwhile", "Undo brings theirs back");
        Web.post("/plans/" + plan + "/undo", Map.of());
        assertThat(typed(plan)).containsEntry("each", "3");
    }

    @Test
    void aSectionMovedByHandIsRecordedAndCosts() {
        long plan = SamplePlan.make(SamplePlan.fair());
        List<String> codes = Pattern.compile("data-section=\"(\\w)\"")
                .matcher(Web.get("/plans/" + plan).body())
                .results()
                .map(r -> r.group(1))
                .toList();
        assertThat(codes).hasSize(8);
        HttpResponse<String> moved =
                Web.post("/plans/" + plan + "/moves", Map.of("code", codes.get(0), "with", codes.get(5)));
        assertThat(text(moved)).contains("moved by hand", "Can reach thin", "placed by hand");
        long study = SamplePlan.begin(plan);
        assertThat(study(study).record().sections().stream()
                        .filter(Section::byHand)
                        .map(Section::code))
                .containsExactlyInAnyOrder(codes.get(0), codes.get(5));
    }

    @Test
    void aMovedDateSaysWhatItBreaks() {
        long plan = SamplePlan.make(SamplePlan.fair());
        HttpResponse<String> fine = Web.post("/plans/" + plan + "/dates", Map.of("work", "visit8", "day", "80"));
        assertThat(text(fine)).contains("Moved. Nothing is broken by it.");
        HttpResponse<String> early = Web.post("/plans/" + plan + "/dates", Map.of("work", "fresh", "day", "0"));
        assertThat(text(early)).contains("It breaks: First readings on day 0 come", "Can reach thin");
        assertThat(Web.post("/plans/" + plan + "/dates", Map.of("work", "visit1", "on", "soon"))
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    void placesOfAnotherStudyAreNotUsedUnawares() {
        long first = SamplePlan.make(SamplePlan.fair());
        long study = SamplePlan.begin(first);
        Map<String, String> again = SamplePlan.fair();
        again.put("bed", String.valueOf(study(study).bed().id()));
        again.put("size", "200 × 150");
        again.put("each", "1");
        again.put("bare", "2");
        long plan = SamplePlan.make(again);
        assertThat(fairness(plan)).contains("Places where something may still be", "in use until");
        Web.post("/plans/" + plan + "/remedies/KEEP_OFF", Map.of());
        assertThat(fairness(plan)).doesNotContain("Places where something may still be");
    }

    @Test
    void stacksWheelsAndTowelsUseTheSameMachinery() {
        Map<String, String> stack = SamplePlan.fair();
        stack.put("name1", "Brock Paste over Osier Spray Seal");
        Study layered = LiveApp.bean(Key.class).forTheStandIns(study(SamplePlan.begin(SamplePlan.make(stack))));
        assertThat(layered.record().contenders())
                .filteredOn(c -> c.name().startsWith("Brock"))
                .singleElement()
                .satisfies(c -> assertThat(c.layers()).containsExactly("Brock Paste", "Osier Spray Seal"));
        assertThat(layered.works()).filteredOn(w -> w.kind() == Kind.COAT).isNotEmpty();
        Map<String, String> wheels = SamplePlan.fair();
        wheels.putAll(Map.of("unit", "wheel", "where", "Wheels of the cart", "each", "2", "bare", "0"));
        long plan = SamplePlan.make(wheels);
        assertThat(fairness(plan)).contains("anecdote");
        Study begun = study(SamplePlan.begin(plan));
        assertThat(begun.bed().name()).isEqualTo("Wheels of the cart");
        assertThat(begun.record().sections()).hasSize(6);
        assertThat(begun.record().contenders()).as("no bare, no bare contender").hasSize(3);
    }

    /** On a whole vehicle an area is a block, everything lies on each of them, and low ones are told from the rest. */
    @Test
    void aWholeVehicleIsPlannedByItsAreas() {
        Map<String, String> typed = SamplePlan.fair();
        typed.putAll(Map.of(
                "unit", "area", "where", "Heron, all of it", "each", "9", "bare", "1", "pull", "0", "grade", "2"));
        typed.remove("name2");
        typed.remove("blind");
        Study begun = study(SamplePlan.begin(SamplePlan.make(typed)));
        assertThat(begun.record().sections()).hasSize(18);
        assertThat(begun.record().sections())
                .extracting(s -> s.name().replaceAll(",.*", ""))
                .containsOnly("roof", "bonnet", "upper flank", "below the waist", "rear", "wheels");
        assertThat(begun.record().sections())
                .extracting(s -> s.name().replaceAll(".*, ", ""))
                .containsOnly("left", "middle", "right");
        assertThat(begun.record().sections().stream()
                        .collect(Collectors.groupingBy(s -> s.row()))
                        .values())
                .hasSize(6)
                .allSatisfy(row -> {
                    assertThat(row).extracting(s -> s.contender()).containsExactlyInAnyOrder(0, 1, 2);
                    assertThat(row)
                            .extracting(s -> s.name().replaceAll(",.*", ""))
                            .containsOnly(row.get(0).name().replaceAll(",.*", ""));
                });
        assertThat(begun.bed().shape().zones()).hasSize(5);
        assertThat(Web.get("/studies/" + begun.id()).body()).contains("below the waist");
    }

    @Test
    void aChemicalNotForPaintIsForABoardOnlyAndItsCautionIsReadFirst() {
        Map<String, String> typed = SamplePlan.fair();
        typed.putAll(Map.of(
                "wear", "chemicals", "chem0", "Fenland Degreaser", "chem1", "Rustmoth Iron Wash", "aboutOne", "on"));
        long board = SamplePlan.make(typed);
        assertThat(text(Web.get("/plans/" + board + "?step=protocol")))
                .contains("Can't show: Which chemical did it", "sacrificial board only", "safety data sheet");
        assertThat(Web.post("/plans/" + board + "/begin", Map.of()).statusCode())
                .isEqualTo(422);
        SamplePlan.change(board, 2, "protocol", Map.of("ack", "on", "scheme", "rotated"));
        assertThat(study(SamplePlan.begin(board)).works().stream()
                        .filter(w -> w.kind() == Kind.DOSE)
                        .map(w -> w.title())
                        .collect(Collectors.joining(" ")))
                .as("each section gets the other chemical the second time")
                .matches(
                        "Dose: Fenland Degreaser on ([A-Z ]+); Rustmoth Iron Wash on ([A-Z ]+) Dose: Fenland Degreaser on \\2; Rustmoth Iron Wash on \\1");
        typed.put("bed", "1");
        long vehicle = SamplePlan.make(typed);
        typed.put("ack", "on");
        assertThat(text(Web.post("/plans/" + vehicle + "/begin", Map.of()))).contains("not for a vehicle's paint");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "each|99|lies between 1 and 12",
                "size|700 × 500|8 sections of 700 × 500 mm don",
                "size|big|Write width and height in mm",
                "size|60 × 60|less than 80 mm can't be read",
                "firstDay|30 February|Write the first day like",
                "name1|osier spray seal|is listed twice",
                "pull|many|is not a number",
                "dose0|a lot|Write the dose like"
            })
    void whatIsWrongIsSaidAtItsPlaceAndKeptAsTyped(String field, String value, String message) {
        long plan = SamplePlan.make(SamplePlan.fair());
        String step = Map.of("name1", "ask", "firstDay", "ask", "pull", "protocol", "dose0", "protocol")
                .getOrDefault(field, "lay-out");
        HttpResponse<String> answer = SamplePlan.change(plan, 2, step, Map.of(field, value));
        assertThat(answer.statusCode()).isEqualTo(200);
        Matcher place = Pattern.compile("id=\"wrong-" + field + "\">([^<]*)<")
                .matcher(answer.body().replace("&#39;", "'"));
        assertThat(place.find()).isTrue();
        assertThat(place.group(1)).contains(message);
        assertThat(typed(plan)).containsEntry(field, value);
        assertThat(Web.post("/plans/" + plan + "/begin", Map.of()).statusCode()).isEqualTo(422);
    }

    /** The same product twice, used two ways; a control that is not bare; and no question about water where nobody looks at it. */
    @Test
    void aProductIsComparedWithItselfByTwoMethods() {
        Map<String, String> typed = new HashMap<>(SamplePlan.fair());
        typed.keySet().removeIf(f -> f.matches("name[2-9]"));
        typed.putAll(Map.of(
                "name0", "Osier Spray Seal",
                "name1", "osier spray seal",
                "way1", "sprayed into the rinse",
                "control", "untreated",
                "drop", "0",
                "grade", "0",
                "left-behind", "0"));
        long plan = SamplePlan.make(typed);
        assertThat(Web.get("/plans/" + plan + "?step=ask").body())
                .contains("value=\"sprayed into the rinse\"")
                .doesNotContain("name=\"kind0\"");
        long study = SamplePlan.number(Web.post("/plans/" + plan + "/begin", Map.of()));
        assertThat(LiveApp.database()
                        .sql("""
                                select concat_ws(' ', c.role, c.kind, p.name, nullif(c.way, ''), c.water_kind)
                                from contender c left join product p on p.id = c.product_id where c.study_id = :study""")
                        .param("study", study)
                        .query(String.class)
                        .list())
                .containsExactlyInAnyOrder(
                        "reference product Osier Spray Seal",
                        "product method Osier Spray Seal sprayed into the rinse",
                        "untreated product");
        long other = SamplePlan.make(SamplePlan.fair());
        assertThat(Web.get("/plans/" + other + "?step=ask").body()).contains("name=\"kind0\"");
        assertThat(SamplePlan.change(other, 2, "ask", Map.of("what1", "regime")).body())
                .contains("id=\"wrong-way1\">Say how it is kept up");
    }

    @Test
    void zeroProductsOneProductAndAMissingBedAreSaid() {
        long none = SamplePlan.make(Map.of());
        assertThat(text(Web.get("/plans/" + none + "?step=begin")))
                .contains("Name two products or more; one alone can't be set against anything");
        long noBed = SamplePlan.make(new HashMap<>(Map.of("name0", "Osier Spray Seal", "name1", "Brock Paste")));
        assertThat(text(Web.get("/plans/" + noBed + "?step=begin"))).contains("Choose a bed");
    }

    @Test
    void productsThatMustNotMeetWarnAndMarkupIsShownAsText() {
        String acid = SampleProduct.name("Acid");
        String bleach = SampleProduct.name("Bleach");
        SampleProduct.make(acid, "wheel", "wheels 1:4; caution acid", 0);
        SampleProduct.make(bleach, "other", "boards 1:9; caution bleach", 0);
        Map<String, String> typed = SamplePlan.fair();
        typed.putAll(Map.of("name1", acid, "name2", bleach, "question", "<script>alert(1)</script>\"><b>Which?"));
        long plan = SamplePlan.make(typed);
        HttpResponse<String> page = Web.get("/plans/" + plan + "?step=fairness");
        assertThat(text(page)).contains("must not meet: acid with bleach gives off chlorine");
        long study = SamplePlan.begin(plan);
        for (String shown :
                List.of("/plans/" + plan, "/studies/" + study, "/studies/" + study + "/print", "/calendar")) {
            assertThat(Web.get(shown).body()).as(shown).doesNotContain("<script>alert", "<b>Which");
        }
        assertThat(text(Web.get("/studies/" + study))).contains("Some products of this study must not meet.");
        SampleStudy.see(study, "noting", 0);
        assertThat(text(Web.get("/studies/" + study + "/done"))).contains("must not meet", "safety data sheet");
    }
}
