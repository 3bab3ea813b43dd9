package org.evensheen.app.mixer;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class CostTest {
    /** A job that only these products offer. */
    private String job;

    private String plain;
    private String dear;
    private long plainId;

    @BeforeEach
    void twoSoaps() {
        String tag = UUID.randomUUID().toString().replaceAll("[^a-z]", "");
        job = "wash " + tag;
        plain = SampleProduct.name("Plain");
        dear = SampleProduct.name("Dear");
        plainId = SampleProduct.make(plain, "soap", job + " 1 in 100; 1 L 5 EUR; 5 L 20 EUR", 0);
        SampleProduct.make(dear, "soap", job + " 1 in 400; 500 mL 20 EUR; does 50 cars a bottle", 0);
    }

    private String cost(String more) {
        return shown(Web.get("/mixer/cost?job=" + job.replace(" ", "+") + more));
    }

    private static String shown(HttpResponse<String> answer) {
        return answer.body().replace('\u202f', ' ').replace("&#39;", "’").replace("&quot;", "\"");
    }

    @Test
    void theCheapestIsNamedWithTheReason() {
        String page = cost("");
        // 12 L at 1 in 100 is 120 mL at 4 EUR a litre: 0.48; 30 mL at 40 EUR a litre: 1.20.
        assertThat(page)
                .contains(plain + " in 5 L is cheapest: 0.48 EUR for a car.")
                .contains(
                        dear
                                + " costs 2.5× as much: its bottle costs 10× as much for each mL, and the job takes 0.25× as much of it.");
        assertThat(page.indexOf("0.48 EUR</b>")).isLessThan(page.indexOf("0.60 EUR</b>"));
        assertThat(page.indexOf("0.60 EUR</b>")).as("sorted").isLessThan(page.indexOf("1.20 EUR</b>"));
        assertThat(cost("&per=use&fill=6+L")).contains("0.24 EUR for a fill of 6 L");
        assertThat(cost("&per=litre")).contains("0.0400 EUR for a litre of mix");
        assertThat(cost("&per=panel&panels=10")).contains("0.0480 EUR for a panel");
        assertThat(cost("&car=6+L&per=car")).contains("0.24 EUR for a car", "83 cars a bottle");
        assertThat(page)
                .contains("16 cars a bottle, 50 promised: 3.0× as much a car")
                .containsOnlyOnce("promised");
    }

    @Test
    void eachAssumptionCanBeChangedForItsRow() {
        assertThat(cost("&dose%d-1=1+in+50".formatted(plainId))).contains(plain + " in 1 L is cheapest: 0.60 EUR");
        assertThat(cost("&price%d-1=1.00+EUR".formatted(plainId))).contains("0.0240 EUR for a car");
        assertThat(cost("&car%d-1=600+L&per=car".formatted(plainId)))
                .contains("the bottle is smaller than one car takes");
        String wrong = cost("&dose%d-1=1:0&price%d-0=0+EUR&panels=none".formatted(plainId, plainId));
        assertThat(wrong).contains("holds no water", "value=\"1:0\"", "price of zero", "not a number");
        assertThat(cost("&in=DUCAT")).contains("“DUCAT” is not a currency");
    }

    @Test
    void anotherCurrencyTakesPartOnceARateIsStated() {
        String dollars = SampleProduct.name("Dollar");
        SampleProduct.make(dollars, "soap", job + " 1 in 100; 1 L 3 SGD", 0);
        LiveApp.database().sql("delete from exchange_rate where base = 'SGD'").update();
        assertThat(cost("")).contains("no rate told", "State what 1 SGD was worth");
        Map<String, String> rate = new HashMap<>(Map.of(
                "from",
                "SGD",
                "to",
                "EUR",
                "worth",
                "zero",
                "on",
                "2026-11-02",
                "job",
                job,
                "key",
                UUID.randomUUID().toString()));
        HttpResponse<String> refused = Web.post("/mixer/rates", rate);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(shown(refused)).contains("like 0.92", "value=\"zero\"");
        rate.put("worth", "0.5");
        Web.post("/mixer/rates", rate);
        assertThat(cost("")).contains(dollars + " in 1 L is cheapest: 0.18 EUR", "1 SGD was 0.5 EUR on 2026-11-02");
    }

    @Test
    void aBundleIsSplitByListPricesAndKeptWhole() {
        Map<String, String> bundle = new HashMap<>(Map.of(
                "bundleName",
                "Pair",
                "bundlePrice",
                "20 EUR",
                "item0",
                plain,
                "size0",
                "1 L",
                "list0",
                "5 EUR",
                "item1",
                dear,
                "size1",
                "500 mL",
                "list1",
                "20 USD",
                "key",
                UUID.randomUUID().toString()));
        bundle.put("job", job);
        assertThat(shown(Web.post("/mixer/bundles", bundle)))
                .contains("Write its list price in EUR", "value=\"20 USD\"");
        bundle.put("list1", "20 EUR");
        Web.post("/mixer/bundles", bundle);
        Web.post("/mixer/bundles", bundle);
        String page = cost("");
        assertThat(page)
                .contains("500 mL from Pair, 1 in 400", "16.00 EUR for 500 mL", "1 L from Pair", "4.00 EUR for 1 L");
        assertThat(page.split("500 mL from Pair, ", -1))
                .as("sent twice, kept once")
                .hasSize(2);
    }

    @Test
    void concentrateAndReadyToUseStandSideBySideForTheDemosWaterlessWash() {
        String page = shown(Web.get("/mixer/cost?job=waterless"));
        assertThat(page).contains("Dry Acre Waterless", "Pailmate Rinseless", "500 mL from Spring box", "240 mL a car");
        assertThat(shown(Web.get("/mixer/cost?job=wax&per=car")))
                .contains("Brock Paste", "a protected week, if it lasts as claimed");
    }
}
