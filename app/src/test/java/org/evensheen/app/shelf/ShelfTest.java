package org.evensheen.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class ShelfTest {
    private static final String LINE =
            "rinseless 1:240; drying aid 1:60; wait 1-3 min; dry 12 h; lasts 6 months; 500 mL 18.40 EUR";

    private static Map<String, String> form(String name, String line) {
        return new HashMap<>(Map.of(
                "name",
                name,
                "kind",
                "rinseless",
                "line",
                line,
                "over",
                "0",
                "key",
                UUID.randomUUID().toString(),
                "size",
                "500 mL",
                "comeBy",
                "gifted",
                "comeByOn",
                "2026-05-02",
                "openedOn",
                "2026-05-04"));
    }

    private static String place(HttpResponse<String> answer) {
        return answer.headers().firstValue("Location").orElseThrow().replaceAll("^https?://[^/]+", "");
    }

    private static String plain(HttpResponse<String> answer) {
        return answer.body().replace('\u202f', ' ').replace("&#39;", "’").replace("&quot;", "\"");
    }

    @Test
    void aLabelLineBecomesAProductOnceWithItsBottle() {
        Map<String, String> form = form(SampleProduct.name("Sedge Rinseless"), LINE);
        String place = place(Web.post("/shelf", form));
        assertThat(place(Web.post("/shelf", form))).as("sent twice").isEqualTo(place);
        String page = plain(Web.get(place));
        assertThat(page)
                .contains(
                        "1:240",
                        "4.15 mL a litre",
                        "1–3 min",
                        "26 weeks",
                        "36.80 EUR a litre",
                        "500 mL of 500 mL left",
                        "gifted 2 May");
        long id = Long.parseLong(place.replaceAll(".*/", ""));
        assertThat(LiveApp.bean(ProductStore.class).load(id).label().claims()).hasSize(6);
        assertThat(Web.get("/shelf?text=" + form.get("name").replace(" ", "+")).body())
                .contains(place + "\"");
        assertThat(Web.get("/shelf?kind=wax").body()).contains("Brock Paste").doesNotContain(place + "\"");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "line|rinseless 1:0|holds no water", "line|''|Write one claim at least",
                        "name|''|Write the name on the bottle",
                "name|Brock paste|stands on the Shelf already", "kind|dragon|Choose what it is for",
                        "size|500|500 what? Write 500 L or 500 mL",
                "size|1,250 mL|can be 1250 or 1.2500", "openedOn|2026-01-01|before it came",
                        "comeByOn|soon|Write the day like"
            })
    void aFieldThatIsWrongSaysSoAndKeepsWhatWasTyped(String field, String value, String saying) {
        Map<String, String> form = form(SampleProduct.name("Sedge"), "rinseless 1:100; scent thyme");
        form.put(field, value);
        HttpResponse<String> answer = Web.post("/shelf", form);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(plain(answer)).contains(saying, field.equals("line") ? value : "scent thyme");
    }

    @Test
    void aPriceWithoutACurrencyIsInTheOneThatPricesAreIn() {
        Web.post("/shelf", form(SampleProduct.name("Sedge Rinseless"), LINE));
        assertThat(plainText(Web.post("/shelf/label/read", form("", "500 mL 9.20"))))
                .contains("18.40 EUR a litre");
        Map<String, String> form = form(SampleProduct.name("Sedge Rinseless"), "wash 1:100; 500 mL 9.20");
        long id = Long.parseLong(place(Web.post("/shelf", form)).replaceAll(".*/", ""));
        assertThat(LiveApp.bean(ProductStore.class).load(id).label().print()).contains("500 mL 9.20 EUR");
        assertThat(plain(Web.get("/shelf/" + id + "/label")))
                .as("the currency stands with it for good")
                .contains("500 mL 9.20 EUR");
    }

    private static String plainText(HttpResponse<String> answer) {
        return plain(answer).replaceAll("<[^>]*>", "");
    }

    @Test
    void theLineIsReadBackWhileItIsTypedWithTheWrongPlaceMarked() {
        String read = Web.post("/shelf/label/read", form("", "pH 7; wait 3-1 min; <b>"))
                .body();
        assertThat(read)
                .contains("<mark class=\"unread\">3-1</mark>", "about neutral", "&lt;b&gt;")
                .doesNotContain("<b>;");
    }

    @Test
    void ofTwoWhoCorrectALabelTheSecondIsToldAndNothingIsLost() {
        long id = SampleProduct.make(SampleProduct.name("Sedge"), "rinseless", LINE, 0);
        Map<String, String> first = form("Sedge " + id, "rinseless 1:250");
        first.put("over", "1");
        Map<String, String> second = form("Sedge " + id, "rinseless 1:200; pH 7");
        second.put("over", "1");
        assertThat(Web.post("/shelf/" + id + "/label", first).statusCode()).isEqualTo(302);
        HttpResponse<String> told = Web.post("/shelf/" + id + "/label", second);
        assertThat(told.statusCode()).isEqualTo(422);
        assertThat(told.body())
                .contains(
                        "Somebody kept another label",
                        "rinseless 1:250",
                        "rinseless 1:200; pH 7",
                        "name=\"over\" value=\"2\"");
        second.put("over", "2");
        second.put("key", UUID.randomUUID().toString());
        assertThat(Web.post("/shelf/" + id + "/label", second).statusCode()).isEqualTo(302);
        assertThat(Web.get("/shelf/" + id).body()).contains("corrected 2 times", "1:200");
        assertThat(LiveApp.database()
                        .sql("select count(*) from label where product_id = " + id)
                        .query(Integer.class)
                        .single())
                .as("every label there was")
                .isEqualTo(3);
    }

    @Test
    void whatIsPouredIsGoneOnceAndCanBeUndone() {
        long id = SampleProduct.make(SampleProduct.name("Sedge"), "soap", "wash 1:100; 1 L 9 EUR; keeps 1 month", 1000);
        Map<String, String> pour = Map.of(
                "amount",
                "250 mL",
                "what",
                "taken",
                "study",
                "",
                "key",
                UUID.randomUUID().toString());
        Web.post("/shelf/" + id + "/pours", pour);
        Web.post("/shelf/" + id + "/pours", pour);
        assertThat(SampleProduct.left(id)).isCloseTo(750, within(1e-9));
        Web.post(
                "/shelf/" + id + "/pours",
                Map.of(
                        "amount",
                        "0.6 L",
                        "what",
                        "left",
                        "key",
                        UUID.randomUUID().toString()));
        assertThat(SampleProduct.left(id)).as("weighed").isCloseTo(600, within(1e-9));
        String page = plain(Web.get("/shelf/" + id));
        assertThat(page)
                .contains(
                        "150 mL found gone by weighing", "600 mL of 1 000 mL left", "It runs out about", "keeps until");
        long first = LiveApp.database()
                .sql("select min(id) from pour where product_id = " + id)
                .query(Long.class)
                .single();
        Web.post("/shelf/%d/pours/%d/undo".formatted(id, first), Map.of());
        Web.post("/shelf/%d/pours/%d/undo".formatted(id, first), Map.of());
        assertThat(SampleProduct.left(id)).isCloseTo(850, within(1e-9));
        HttpResponse<String> tooMuch = Web.post(
                "/shelf/" + id + "/pours",
                Map.of(
                        "amount",
                        "2 L",
                        "what",
                        "taken",
                        "key",
                        UUID.randomUUID().toString()));
        assertThat(tooMuch.statusCode()).isEqualTo(422);
        assertThat(plain(tooMuch)).contains("Only 850 mL are left", "value=\"2 L\"");
    }

    @Test
    void aStripFarFromTheLabelSaysSoAndMakesItsCaution() {
        long id = SampleProduct.make(SampleProduct.name("Sedge"), "wheel", "wheels 1:4; pH 6-7", 500);
        Web.post(
                "/shelf/" + id + "/strips",
                Map.of("ph", "6", "key", UUID.randomUUID().toString()));
        assertThat(plain(Web.get("/shelf/" + id)))
                .contains("agrees with the label")
                .doesNotContain("burns skin");
        Web.post(
                "/shelf/" + id + "/strips",
                Map.of("ph", "2", "key", UUID.randomUUID().toString()));
        assertThat(plain(Web.get("/shelf/" + id)))
                .contains("4 beyond the label’s 6–7", "Acid: burns skin", "gloves", "safety data sheet");
        HttpResponse<String> wrong = Web.post(
                "/shelf/" + id + "/strips",
                Map.of("ph", "15", "key", UUID.randomUUID().toString()));
        assertThat(wrong.statusCode()).isEqualTo(422);
        assertThat(wrong.body()).contains("out of reach");
    }

    @Test
    void aBottleTellsWhetherItLastsToTheEndOfTheStudyItIsPlannedFor() {
        String name = SampleProduct.name("Sedge");
        long id = SampleProduct.make(name, "sealant", "5 mL per section; 2 coats", 100);
        Map<String, String> study = SamplePlan.fair();
        study.put("firstDay", LocalDate.now().plusDays(3).toString());
        study.put("name2", name);
        SamplePlan.begin(SamplePlan.make(study));
        assertThat(plain(Web.get("/shelf/" + id))).contains("lasts to the end");
        Web.post(
                "/shelf/" + id + "/pours",
                Map.of(
                        "amount",
                        "85 mL",
                        "what",
                        "taken",
                        "study",
                        "",
                        "key",
                        UUID.randomUUID().toString()));
        // 15 mL are left; two sections take two coats of 5 mL each, and the pace so far goes on besides.
        assertThat(plain(Web.get("/shelf/" + id))).contains("too little to the end");
    }

    @Test
    void standingsAreTunedToTheKey() {
        long study = SampleStudy.closed().id();
        String standings = "/shelf/%d/standings".formatted(product("Kelter Rinse-On"));
        String line = "id=\"standing-%d\" hx-swap-oob=\"true\">".formatted(study);
        assertThat(Web.get(standings).body()).contains(line + "judged by code");
        Web.post("/studies/" + study + "/key", Map.of("knowingly", "yes"));
        assertThat(Web.get(standings).body()).containsPattern(line + "(shares )?place [123] of 3 at slickness");
        assertThat(Web.get("/shelf/standings?products=" + product("Curlew Foam"))
                        .body())
                .contains("place 1 of 3 at lasting foam, fair");
    }

    private static long product(String name) {
        return LiveApp.database()
                .sql("select id from product where name = :name")
                .param("name", name)
                .query(Long.class)
                .single();
    }

    @Test
    void aBottleIsOpenedOnADayNotBeforeItCame() {
        long id = SampleProduct.make(SampleProduct.name("Sedge"), "wax", "3 mL per panel; 200 g 20 EUR", 0);
        assertThat(Web.post(
                                "/shelf/" + id + "/bottles",
                                Map.of(
                                        "size",
                                        "half",
                                        "comeBy",
                                        "bought",
                                        "key",
                                        UUID.randomUUID().toString()))
                        .body())
                .contains("with its unit");
        Web.post(
                "/shelf/" + id + "/bottles",
                Map.of(
                        "size",
                        "200 mL",
                        "comeBy",
                        "lent",
                        "comeByOn",
                        LocalDate.now().toString(),
                        "key",
                        UUID.randomUUID().toString()));
        assertThat(Web.get("/shelf/" + id).body()).contains("Opened today", "lent");
        long bottle = LiveApp.database()
                .sql("select id from bottle where product_id = " + id)
                .query(Long.class)
                .single();
        Web.post("/shelf/%d/bottles/%d/open".formatted(id, bottle), Map.of());
        assertThat(Web.get("/shelf/" + id).body()).contains("opened ").doesNotContain("Opened today");
    }

    @Test
    void aPhotoIsAttachedOnceAndWhatIsNoneIsRefusedAtItsPlace() throws Exception {
        long id = SampleProduct.make(SampleProduct.name("Sedge"), "soap", "wash 1:100", 0);
        java.awt.image.BufferedImage image =
                new java.awt.image.BufferedImage(400, 300, java.awt.image.BufferedImage.TYPE_INT_RGB);
        java.io.ByteArrayOutputStream png = new java.io.ByteArrayOutputStream();
        javax.imageio.ImageIO.write(image, "png", png);
        String path = "/shelf/%d/photos?key=%s".formatted(id, UUID.randomUUID());
        assertThat(Web.upload(path, "photo", png.toByteArray()).statusCode()).isEqualTo(302);
        Web.upload(path, "photo", png.toByteArray());
        String page = Web.get("/shelf/" + id).body();
        assertThat(page.split("<img\\s", -1)).as("sent twice, kept once").hasSize(2);
        String address = page.replaceAll("(?s).*<img[^>]* src=\"([^\"?]+)\\?.*", "$1");
        HttpResponse<String> picture = Web.get(address);
        assertThat(picture.headers().firstValue("Content-Type")).contains("image/jpeg");
        assertThat(picture.headers().allValues("Cache-Control"))
                .containsExactly("private, max-age=31536000, immutable");
        HttpResponse<String> refused = Web.upload(
                "/shelf/%d/photos?key=%s".formatted(id, UUID.randomUUID()), "photo", "no picture".getBytes());
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("Send JPEG, PNG or WebP");
        HttpResponse<String> large = Web.upload(
                "/shelf/%d/photos?key=%s".formatted(id, UUID.randomUUID()), "photo", new byte[21 * 1024 * 1024]);
        assertThat(large.statusCode()).isEqualTo(422);
        assertThat(large.body()).contains("more than 20 MB");
    }
}
