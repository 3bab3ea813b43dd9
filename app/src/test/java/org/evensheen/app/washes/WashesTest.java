package org.evensheen.app.washes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.BedStore;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.StatementCounter;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.study.Happening;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** An ordinary wash stands on the tape of every study on the vehicle, and takes what it took from the bottle. */
@ExtendWith(LiveApp.class)
class WashesTest {
    private String van;
    private String soap;
    private long soapId;

    @BeforeEach
    void aVanAndASoap() {
        van = SampleProduct.name("Van");
        soap = SampleProduct.name("Sedge");
        soapId = SampleProduct.make(soap, "soap", "wash 1:100; 500 mL 5 EUR; does 24 cars a bottle", 500);
    }

    private Study on(String vehicle, Study study) {
        Bed bed = study.bed();
        LiveApp.bean(BedStore.class)
                .change(new Bed(bed.id(), bed.name(), vehicle, bed.kind(), bed.shape(), bed.traits()));
        return study;
    }

    private static List<Happening> washes(Study study) {
        return LiveApp.bean(StudyStore.class).load(study.id()).record().happenings().stream()
                .filter(h -> h.kind() == Happening.Kind.WASHED)
                .toList();
    }

    private Map<String, String> form(String... more) {
        Map<String, String> form = new HashMap<>(Map.of(
                "vehicle", van, "product", "" + soapId, "key", UUID.randomUUID().toString()));
        for (int i = 0; i < more.length; i += 2) {
            form.put(more[i], more[i + 1]);
        }
        return form;
    }

    private static String page() {
        return Web.get("/washes").body().replace('\u202f', ' ');
    }

    private static double left(long product) {
        return SampleProduct.left(product);
    }

    /** Its washes, the first first. */
    private List<Long> logged() {
        return LiveApp.database()
                .sql("select id from wash where vehicle = :van order by id")
                .param("van", van)
                .query(Long.class)
                .list();
    }

    @Test
    void oneWashMarksEveryStudyThatRunsOnTheVehicleAndCanBeTakenBack() {
        Study open = on(van, SampleStudy.make());
        Study closed = on(van, SampleStudy.closed());
        Study elsewhere = on(SampleProduct.name("Cart"), SampleStudy.make());
        Study over = on(van, SampleStudy.make());
        LiveApp.database()
                .sql("update study set first_day = first_day - 400 where id = :id")
                .param("id", over.id())
                .update();
        Map<String, String> form = form("amount", "45 mL");
        assertThat(Web.post("/washes", form).statusCode()).isEqualTo(302);
        assertThat(Web.post("/washes", form).statusCode()).as("sent twice").isEqualTo(302);
        for (Study study : List.of(open, closed)) {
            assertThat(washes(study)).singleElement().satisfies(w -> {
                assertThat(w.day()).isEqualTo(SampleStudy.TODAY);
                assertThat(w.note()).as("no name that a key may hide").isEqualTo("an ordinary wash");
            });
        }
        assertThat(washes(elsewhere)).isEmpty();
        assertThat(washes(over)).isEmpty();
        assertThat(left(soapId)).isEqualTo(455);
        assertThat(page())
                .contains("washed today; on 2 studies that run", "45.0 mL last time", van + ", " + soap + ", 45");
        assertThat(Web.post("/washes", form("amount", "46 mL")).statusCode()).isEqualTo(302);
        assertThat(washes(open)).as("one wash a day stands on a tape").hasSize(1);
        for (int i = 0; i < 13; i++) {
            SampleProduct.make(SampleProduct.name("Aa"), "soap", "wash 1:100; 500 mL 5 EUR", 0);
        }
        String glaze = SampleProduct.name("Glaze");
        SampleProduct.make(glaze, "wax", "1 L 5 EUR", 0);
        assertThat(Web.post("/washes", form("with", glaze.toUpperCase(java.util.Locale.ROOT), "product", ""))
                        .statusCode())
                .as("what is no soap, or no longer offered, is named")
                .isEqualTo(302);
        assertThat(page()).contains(van + ", " + glaze);
        assertThat(Web.get("/shelf/" + soapId).body().replace('\u202f', ' '))
                .contains(
                        "2 washes took 45.5 mL each: 10 cars from 500 mL, where 24 are promised: 2.2× as much a car.");
        assertThat(Web.post("/washes", form("ago", "2")).statusCode()).isEqualTo(302);
        assertThat(washes(open))
                .extracting(Happening::day)
                .as("the day before yesterday")
                .containsExactlyInAnyOrder(SampleStudy.TODAY, SampleStudy.TODAY - 2);
        List<Long> all = logged();
        assertThat(all).hasSize(4);
        for (long id : List.of(all.get(3), all.get(2), all.get(1), all.get(1), all.get(0))) {
            assertThat(Web.post("/washes/" + id + "/undo", Map.of()).statusCode())
                    .isEqualTo(302);
        }
        assertThat(washes(open)).isEmpty();
        assertThat(washes(closed)).isEmpty();
        assertThat(left(soapId)).isEqualTo(500);
        assertThat(page()).contains("line-through");
        assertThat(Web.post("/washes/987654/undo", Map.of()).statusCode()).isEqualTo(404);
        assertThat(StatementCounter.during(() -> Web.get("/washes"))).isLessThanOrEqualTo(5);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "vehicle|''|Say what was washed",
                "amount|lots|Write the amount with its unit",
                "amount|-3 mL|amount",
                "amount|40 L|amount",
                "product|987654|That is not on the Shelf",
                "product|''|Choose what it was washed with",
                "ago|8|up to seven days back",
                "with|No such soap|Nothing on the Shelf is called “No such soap”"
            })
    void whatIsWrongIsSaidAndKeepsWhatWasTyped(String field, String value, String saying) {
        Map<String, String> form = form("amount", "45 mL", field, value);
        var answer = Web.send("/washes", form);
        assertThat(answer.statusCode()).isEqualTo(422);
        String page = Web.post("/washes", form).body();
        assertThat(page).contains(saying, "value=\"" + form.get("amount") + "\"");
        assertThat(left(soapId)).isEqualTo(500);
    }

    /** Whatever was never drawn as a bed can be washed too, and is offered the next time. */
    @Test
    void somethingElseIsWashedByItsName() {
        String cart = SampleProduct.name("Cart");
        assertThat(Web.post("/washes", form("other", cart, "product", "")).statusCode())
                .isEqualTo(302);
        assertThat(page()).contains("value=\"" + cart + "\"", cart + "<").doesNotContain(cart + ", ");
    }
}
