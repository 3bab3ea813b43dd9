package org.evensheen.app.beds;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class BedTest {
    private static Map<String, String> form(String... more) {
        Map<String, String> form = new HashMap<>(Map.of(
                "id", "0",
                "key", UUID.randomUUID().toString(),
                "name", "Off flank",
                "vehicle", "Test van",
                "kind", "flank",
                "outline", "0,0 2400,0 2400,1640 220,1640 0,1470",
                "tilt", "86",
                "hardness", "soft"));
        for (int i = 0; i < more.length; i += 2) {
            form.put(more[i], more[i + 1]);
        }
        return form;
    }

    @Test
    void aBedIsDrawnOnceWithItsTrimsAndZonesAndComesBackAsTyped() {
        Map<String, String> form = form(
                "trim0",
                "handle",
                "trimAt0",
                "1180,620 190×60",
                "trim1",
                "cap",
                "trimAt1",
                "600,400 ⌀150",
                "zone0",
                "below the strip",
                "zoneKind0",
                "low",
                "zoneAt0",
                "0,930 2400×710",
                "zone1",
                "afternoon",
                "zoneKind1",
                "sun",
                "zoneAt1",
                "1700,0 700×890");
        HttpResponse<String> kept = Web.post("/beds", form);
        long id = SamplePlan.number(kept);
        assertThat(SamplePlan.number(Web.post("/beds", form))).as("sent twice").isEqualTo(id);
        Bed bed = LiveApp.bean(BedStore.class).load(id);
        assertThat(bed.shape().trims()).hasSize(2);
        assertThat(bed.shape().trims().get(0).outline().area()).isBetween(17_000.0, 17_672.0);
        assertThat(bed.shape().zones()).extracting(z -> z.kind().code()).containsExactly("sun", "low");
        assertThat(bed.traits().hardness()).isEqualTo(Bed.Hardness.SOFT);
        assertThat(BedForm.read(id, BedForm.of(bed)).bed())
                .as("what is shown reads back")
                .contains(bed);
        assertThat(Web.get("/beds").body()).contains("Test van", "Off flank");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "outline|0,0 900,0 0,900 900,900|crosses or touches itself near 450,450",
                "outline||Type its size in mm",
                "outline|60 × 900|less than 80 mm",
                "outline|0,0 30000,0 0,900|outside 0 to 20 000",
                "trimAt0|somewhere|is no corner",
                "zoneAt0|9000,0 100×100|outside the bed",
                "tilt|steep|is not a number",
                "name||Name the bed"
            })
    void whatIsWrongIsSaidAtItsPlaceAndKeptAsTyped(String field, String value, String message) {
        String typed = value == null ? "" : value;
        HttpResponse<String> answer = Web.post("/beds", form("zone0", "z", "zoneAt0", "0,0 100×100", field, typed));
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains(message, "Off flank".equals(typed) ? "" : typed);
    }

    @Test
    void aBedInUseKeepsItsSectionsAndRemembersUntilItIsStripped() {
        Map<String, String> plan = SamplePlan.fair();
        plan.put("firstDay", LocalDate.now().minusDays(200).toString());
        long study = SamplePlan.begin(SamplePlan.make(plan));
        long bed = Long.parseLong(plan.get("bed"));
        assertThat(Web.get("/beds/" + bed).body()).contains("products may still be on it", "Which stays?");
        Map<String, String> smaller = form("id", String.valueOf(bed), "outline", "700 × 1000", "kind", "board");
        assertThat(Web.post("/beds", smaller).body()).contains("would fall off", "Draw a new bed instead");
        Map<String, String> larger =
                form("id", String.valueOf(bed), "outline", "1600 × 1000", "kind", "board", "name", "Wider");
        assertThat(Web.post("/beds", larger).statusCode()).isEqualTo(302);
        assertThat(Web.get("/studies/" + study).body()).as("the study follows").contains("Wider");
        Web.post(
                "/beds/" + bed + "/strips",
                Map.of(
                        "key",
                        UUID.randomUUID().toString(),
                        "day",
                        LocalDate.now().toString()));
        assertThat(Web.get("/beds/" + bed).body()).contains("No study since it was last stripped");
        assertThat(Web.post(
                                "/beds/" + bed + "/strips",
                                Map.of("key", UUID.randomUUID().toString(), "day", "2999-01-01"))
                        .statusCode())
                .isEqualTo(422);
    }
}
