package org.evensheen.app.mixer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class MixerTest {

    private static String shown(HttpResponse<String> answer) {
        return answer.body().replace('\u202f', ' ').replace("&#39;", "’");
    }

    /** The Mixer asked with pairs of name and value. */
    private static String mixer(String... asked) {
        Map<String, String> query = new LinkedHashMap<>();
        for (int i = 0; i < asked.length; i += 2) {
            query.put(asked[i], URLEncoder.encode(asked[i + 1], StandardCharsets.UTF_8));
        }
        return shown(Web.get("/mixer?"
                + query.entrySet().stream()
                        .map(e -> e.getKey() + "=" + e.getValue())
                        .collect(Collectors.joining("&"))));
    }

    private static String vessel(String name) {
        return LiveApp.database()
                .sql("select id from vessel where name = :name")
                .param("name", name)
                .query(String.class)
                .single();
    }

    private static String product(String line, double bottleMl) {
        return String.valueOf(SampleProduct.make(SampleProduct.name("Sedge"), "rinseless", line, bottleMl));
    }

    @Test
    void aRatioAndAVolumeAreEnoughAndBothReadingsStandSideBySide() {
        assertThat(mixer("dose", "1:240", "volume", "12 L"))
                .contains("49.8 mL", "11.95 L", "1.68 US fl oz")
                .doesNotContain("What 1:N may mean");
        assertThat(mixer("dose", "1:9", "volume", "1000 mL"))
                .contains("What 1:N may mean", "one part and 9 of water", "100 mL", "one part in 9 of mix", "111 mL");
        assertThat(mixer("dose", "1:9", "volume", "1 US gal")).contains("379 mL");
    }

    /** The Mixer is asked again with every stroke. */
    @ParameterizedTest
    @CsvSource({
        "1:128,10 L",
        "1 in 10,12.5 L",
        "240:1,1 US gal",
        "0.5 %,750 mL",
        "10 mL in 90 mL of water,5 L",
        "1:1,2 L"
    })
    void whateverStandsThereWhileItIsTypedIsAnswered(String dose, String volume) {
        for (int i = 0; i <= dose.length(); i++) {
            for (int j : new int[] {0, 1, volume.length()}) {
                String query = "/mixer?dose=" + URLEncoder.encode(dose.substring(0, i), StandardCharsets.UTF_8)
                        + "&volume=" + URLEncoder.encode(volume.substring(0, j), StandardCharsets.UTF_8);
                assertThat(Web.get(query).statusCode()).as(query).isLessThan(500);
            }
        }
    }

    @Test
    void aLabelAVesselAndABottleGiveEverythingAtOnce() {
        String id = product("rinseless 1:240; drying aid 1:60; 500 mL 18.40 EUR; mix keeps 14 days", 500);
        assertThat(mixer("product", id, "vessel", vessel("Bucket")))
                .contains(
                        "49.8 mL",
                        "As the label says: 1:240.",
                        "10 fills left, 10 fills a bottle",
                        "1.83 EUR a fill",
                        "Mixed today it keeps until");
        assertThat(mixer("product", id, "job", "drying aid"))
                .as("a drying aid goes into a sprayer")
                .contains("8.20 mL", "492 mL");
        assertThat(mixer("product", id, "dose", "1:120", "vessel", vessel("Bucket")))
                .contains("2.0× the label’s upper dose (1:240)", "thin at most");
        assertThat(mixer("product", id, "dose", "1:480", "vessel", vessel("Bucket")))
                .contains("0.50× the label’s lower dose");
        assertThat(mixer("product", id, "volume", "200 L")).contains("Only 500 mL are left: enough for 120.5 L");
    }

    @Test
    void aRangeBeginsRoundAndInside() {
        String id = product("prewash 1:100-400", 0);
        assertThat(mixer("product", id, "volume", "10 L")).contains("value=\"1:200\"");
        String weak = shown(Web.get("/mixer/mix?product=%s&volume=10+L&at=0".formatted(id)));
        assertThat(weak).contains("the label’s lower dose");
        HttpResponse<String> slid = Web.get("/mixer/mix?product=%s&volume=10+L&at=500&dose=1:100".formatted(id));
        assertThat(shown(slid)).as("the slider wins").contains("As the label says", "id=\"keep-dose\"");
        assertThat(slid.headers().firstValue("HX-Replace-Url").orElseThrow()).contains("volume=10%20L", "dose=1%3A");
    }

    @Test
    void aFoamBottleTellsTheStrengthAtThePanelAndKeepsItsFlow() {
        String foam = vessel("Foam bottle");
        assertThat(mixer("dose", "1:9", "vessel", foam, "seconds", "90", "flow", "7.2"))
                .contains("At the panel 0.926 %, 1 in 108");
        assertThat(mixer("dose", "1:9", "vessel", foam, "seconds", "5", "flow", "7.2"))
                .contains("less than the 12 L/min it draws");
        Web.post(
                "/mixer/vessels/" + foam + "/flow",
                Map.of("vessel", foam, "dose", "1:9", "seconds", "100", "flow", "6"));
        assertThat(mixer("dose", "1:9", "vessel", foam)).contains("At the panel 1.00 %, 1 in 100");
        Web.post(
                "/mixer/vessels/" + foam + "/flow",
                Map.of("vessel", foam, "dose", "1:9", "seconds", "90", "flow", "7.2"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "dose|1:0|holds no water", "dose|0:5|holds no product", "dose|120 %|more than 100 %",
                        "dose|strong|A dose is wanted here",
                "volume|12|12 what?", "volume|1,250 mL|can be 1250", "volume|12 buckets|not a volume",
                        "volume|-3 L|with its unit"
            })
    void whatCantBeReadIsSaidAndStaysInItsField(String field, String typed, String saying) {
        String page = mixer("dose", "1:10", "volume", "1 L", field, typed).replace("&lt;", "<");
        assertThat(page).contains(saying, "value=\"" + typed + "\"").doesNotContain("water, to make");
    }

    @Test
    void aMixIsTakenFromTheBottleOnceAndCanBeUndone() {
        String id = product("rinseless 1:99; 500 mL 18 EUR", 500);
        Map<String, String> mix = Map.of(
                "product",
                id,
                "job",
                "",
                "volume",
                "10 L",
                "dose",
                "1:99",
                "key",
                UUID.randomUUID().toString());
        Web.post("/mixer/mixes", mix);
        HttpResponse<String> again = Web.post("/mixer/mixes", mix);
        assertThat(SampleProduct.left(Long.parseLong(id))).isCloseTo(400, within(1e-6));
        String place = again.headers().firstValue("Location").orElseThrow().replaceAll("^https?://[^/]+", "");
        String page = shown(Web.get(place));
        assertThat(page).contains("Kept: 100 mL of Sedge", "4 fills left");
        String pour = page.replaceAll("(?s).*/mixer/mixes/(\\d+)/undo.*", "$1");
        Web.post("/mixer/mixes/" + pour + "/undo", Map.of("product", id));
        assertThat(SampleProduct.left(Long.parseLong(id))).isCloseTo(500, within(1e-6));
        assertThat(shown(Web.get("/shelf/" + id))).contains("100 mL in 10 L");
    }

    @Test
    void aWeighedSprayTurnsCountsIntoMillilitresAndBack() {
        String id = product("wash 3 caps in 10 L; seal 2-4 sprays per panel; 500 mL", 500);
        assertThat(mixer("product", id, "volume", "20 L")).contains("Weigh a cap once", "For 20 L: 6 caps");
        Map<String, String> weighing = new java.util.HashMap<>(Map.of(
                "product",
                id,
                "counter",
                "cap",
                "count",
                "10",
                "before",
                "512.4",
                "after",
                "312.4",
                "density",
                "1",
                "key",
                UUID.randomUUID().toString()));
        Web.post("/mixer/calibrations", weighing);
        assertThat(mixer("product", id, "volume", "20 L")).contains("120 mL", "6 caps", "3 caps in 10 L");
        weighing.put("after", "600");
        HttpResponse<String> wrong = Web.post("/mixer/calibrations", weighing);
        assertThat(wrong.statusCode()).isEqualTo(422);
        assertThat(shown(wrong)).contains("weigh more after than before", "value=\"600\"");
        weighing.put("after", "0");
        weighing.put("count", "1");
        assertThat(shown(Web.post("/mixer/calibrations", weighing))).contains("which can’t be");
        weighing.putAll(Map.of(
                "counter",
                "spray",
                "count",
                "20",
                "before",
                "500",
                "after",
                "476",
                "density",
                "0.96",
                "key",
                UUID.randomUUID().toString()));
        Web.post("/mixer/calibrations", weighing);
        assertThat(mixer("product", id, "job", "seal"))
                .contains(
                        "Not mixed: 2–4 sprays per panel",
                        "2.50–5.00 mL",
                        "on each panel",
                        "For 12 panels: 30.0–60.0 mL",
                        "enough for 133 panels")
                .doesNotContain("water, to make");
    }

    @Test
    void aVesselThatHeldWhatMustNotMeetSaysSo() {
        String name = SampleProduct.name("Spare sprayer");
        Web.post("/mixer/vessels", Map.of("vesselName", name, "vesselVolume", "1 L", "shape", "sprayer"));
        assertThat(shown(Web.post(
                        "/mixer/vessels", Map.of("vesselName", name, "vesselVolume", "2 L", "shape", "sprayer"))))
                .contains("is there already");
        String acid = product("wheels 1:4; pH 1-2; caution acid", 500);
        String iron = product("iron 1:3; caution iron remover", 500);
        Web.post(
                "/mixer/mixes",
                Map.of(
                        "product",
                        acid,
                        "vessel",
                        vessel(name),
                        "dose",
                        "1:4",
                        "key",
                        UUID.randomUUID().toString()));
        assertThat(mixer("product", iron, "vessel", vessel(name)))
                .contains(
                        "This vessel held the other one last",
                        "must not meet",
                        "hydrogen sulphide",
                        "Rinse it out well");
        assertThat(mixer("product", iron, "vessel", vessel("Bucket")))
                .doesNotContain("must not meet")
                .contains("You need", "safety data sheet");
    }
}
