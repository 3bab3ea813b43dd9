package org.evensheen.app.answers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.mixer.RateStore;
import org.evensheen.app.page.Figures;
import org.evensheen.app.sidebyside.Afternoons;
import org.evensheen.app.sidebyside.Tellings;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The answer on its page: the numbers follow from the readings, whoever asks. */
@ExtendWith(LiveApp.class)
class AnswerPagesTest {
    private static String text(String address) {
        return Web.get(address).body().replace('\u202f', ' ').replace('\u2212', '-');
    }

    /** Bare is 0, the reference 100, and what lies between follows from first readings. */
    @Test
    void aScoreFollowsFromFirstReadings() {
        Study study = SampleStudy.read();
        double bare = SampleStudy.firstPull(study, "Bare");
        double reference = SampleStudy.firstPull(study, "Osier Spray Seal");
        double brock = SampleStudy.firstPull(study, "Brock Paste");
        String page = text("/studies/" + study.id() + "/answer?for=show");
        assertThat(page)
                .contains("Slickness: 100 (")
                .contains("Slickness: " + Figures.number(100 * (bare - brock) / (bare - reference), 0) + " (")
                .contains("pull")
                .contains("Osier Spray Seal, the reference, is 100")
                .contains("Weekend show car", "Tight purse", "No hose");
    }

    @Test
    void movingAWeightWeighsAnewAndNonsenseIsSaid() {
        Study study = SampleStudy.read();
        String address = "/studies/" + study.id() + "/answer";
        assertThat(text(address + "?for=sea&slickness=10"))
                .contains("Lives by the sea and commutes, moved")
                .containsPattern("id=\"w-slickness\"[^>]*value=\"10\"|value=\"10\"[^>]*id=\"w-slickness\"");
        for (String wrong : List.of("slickness=11", "slickness=-1", "slickness=much")) {
            HttpResponse<String> answer = Web.get(address + "?" + wrong);
            assertThat(answer.statusCode()).as(wrong).isEqualTo(422);
            assertThat(answer.body()).contains("A weight is a whole number from 0 to 10; slickness was left at 1.");
        }
        String none = "life=0&slickness=0&water=0&gloss=0&cleaning=0&foam=0&ease=0&cost=0";
        assertThat(Web.get(address + "?" + none).body()).contains("Something has to matter");
        assertThat(Web.get(address + "?for=nobody").statusCode()).isEqualTo(200);
        assertThat(text(address + "?life=0&water=0&gloss=0&cleaning=0&foam=0&ease=0&cost=10&slickness=0"))
                .contains("Nothing can be weighed yet.", "Cost: what went on is not noted");
    }

    @Test
    void aReaderOfOnesOwnIsKeptByName() {
        Study study = SampleStudy.read();
        String address = "/studies/" + study.id() + "/answer";
        String name = "Neighbour " + UUID.randomUUID();
        Map<String, String> form = new HashMap<>(Map.of("name", name, "gloss", "9", "for", "purse"));
        HttpResponse<String> kept = Web.post(address + "/profile", form);
        assertThat(kept.statusCode()).isEqualTo(302);
        String at = kept.headers().firstValue("Location").orElseThrow().replaceAll("^https?://[^/]+", "");
        assertThat(Web.get(at).body())
                .contains(name)
                .containsPattern("w-gloss\"[^>]*value=\"9\"|value=\"9\"[^>]*w-gloss");
        form.put("gloss", "3");
        assertThat(Web.post(address + "/profile", form)
                        .headers()
                        .firstValue("Location")
                        .orElseThrow())
                .as("the same name, changed")
                .endsWith(at);
        for (String wrong : List.of("", "x".repeat(61), "Tight purse", "\u202e")) {
            form.put("name", wrong);
            assertThat(Web.send(address + "/profile", form).statusCode())
                    .as(wrong)
                    .isEqualTo(422);
        }
    }

    @Test
    void derivedAdviceIsOverruledOnlyWithAReason() {
        Study study = SampleStudy.read();
        String address = "/studies/" + study.id() + "/answer";
        Map<String, String> form = new HashMap<>(Map.of(
                "contender",
                "" + SampleStudy.number(study, "Brock Paste"),
                "advice",
                "keep",
                "reason",
                "",
                "key",
                UUID.randomUUID().toString()));
        assertThat(Web.send(address + "/overrule", form).statusCode()).isEqualTo(422);
        form.put("reason", "Smells of <b>honey</b>, and I like that");
        assertThat(Web.post(address + "/overrule", form).statusCode()).isEqualTo(302);
        assertThat(Web.post(address + "/overrule", form).statusCode()).isEqualTo(302);
        assertThat(Web.get(address).body())
                .contains("says so against what was derived", "Smells of &lt;b&gt;honey&lt;/b&gt;")
                .doesNotContain("<b>honey");
        Map<String, String> stale = new HashMap<>(form);
        stale.put("reason", "The same page, another word");
        assertThat(Web.post(address + "/overrule", stale).statusCode()).isEqualTo(302);
        assertThat(Web.get(address).body()).as("two forms of one page").contains("another word");
        form.putAll(Map.of(
                "advice", "derived", "reason", "", "key", UUID.randomUUID().toString()));
        assertThat(Web.post(address + "/overrule", form).statusCode()).isEqualTo(302);
        assertThat(Web.get(address).body()).doesNotContain("says so against what was derived");
        for (String[] wrong : new String[][] {{"contender", "99"}, {"contender", "-1"}, {"advice", "burn"}}) {
            Map<String, String> bad = new HashMap<>(form);
            bad.put(wrong[0], wrong[1]);
            bad.put("key", UUID.randomUUID().toString());
            assertThat(Web.send(address + "/overrule", bad).statusCode())
                    .as(wrong[1])
                    .isEqualTo(422);
        }
    }

    @Test
    void theAnswerWaitsForTheKey() {
        Study closed = SampleStudy.closed();
        assertThat(Web.get("/studies/" + closed.id() + "/answer").body())
                .contains("It waits until the")
                .doesNotContain("Osier", "Brock");
        assertThat(Web.get("/studies/" + closed.id() + "/answer/next").statusCode())
                .isEqualTo(404);
        assertThat(Web.get("/studies/" + closed.id() + "/answer/bottles").statusCode())
                .isEqualTo(404);
    }

    /** An afternoon is weighed too: what was preferred and what was seen in several rounds, each quality once, for whoever asks. */
    @Test
    void anAfternoonIsWeighedForWhoeverAsks() {
        String better = SampleProduct.name("Reed");
        String cheaper = SampleProduct.name("Sedge");
        SampleProduct.make(better, "soap", "wash 10 mL per panel; 500 mL 20 EUR", 0);
        SampleProduct.make(cheaper, "soap", "wash 10 mL per panel; 500 mL 5 EUR", 0);
        String at = Afternoons.begun("soap", better, cheaper);
        assertThat(Web.get(at + "/answer").body()).contains("Nothing can be weighed yet");
        for (int round = 0; round < 7; round++) {
            if (round > 0) {
                Web.post(at + "/again", Map.of("key", UUID.randomUUID().toString()));
            }
        }
        var c = Afternoons.load(at);
        c.steps().stream()
                .filter(s -> s.key().startsWith("glide/"))
                .forEach(s -> Afternoons.say(
                        at,
                        s.key(),
                        s.places().stream()
                                .filter(p -> c.on(p).name().equals(better))
                                .findFirst()
                                .orElseThrow()));
        c.places().forEach(p -> {
            Afternoons.say(at, "gone/" + p.code(), c.on(p.code()).name().equals(better) ? "5" : "2");
            Afternoons.say(at, "dose/" + p.code(), "10 mL");
        });
        String page = Afternoons.plain(Web.get(at + "/answer?for=show"));
        assertThat(page)
                .contains(
                        "<mark>" + better + " is first.</mark>",
                        "glide: the worst is 0, " + better + ", the best, is 100")
                .contains("dirt gone", "0.40 EUR a half", "0.10 EUR a half", "How far to trust it")
                .doesNotContain("/verdict\"");
        assertThat(Web.get(at + "/answer?for=show&life=0&slickness=0&water=0&gloss=0&cleaning=0&foam=0&ease=0&cost=9")
                        .body())
                .contains("<mark>" + cheaper + " is first.</mark>");
        assertThat(Web.get(at + "/answer?cost=11").statusCode()).isEqualTo(422);
        assertThat(Web.post(
                                at + "/answer/overrule",
                                Map.of(
                                        "contender",
                                        "" + c.on("A").number(),
                                        "advice",
                                        "skip",
                                        "reason",
                                        "Leaks in the boot",
                                        "key",
                                        UUID.randomUUID().toString()))
                        .statusCode())
                .isEqualTo(302);
        assertThat(Web.get(at + "/answer").body())
                .containsPattern("says so against what was derived \\([a-z ]+\\): Leaks in the boot");
        assertThat(Web.get(at + "/publish").body()).contains("Weighed for", "Lives by the sea");
        assertThat(Afternoons.plain(Web.get(at + "/report.md?for=purse")))
                .contains("## For whom", "Tight purse", "## Keep, only for, skip")
                .containsPattern("- " + c.on("A").name() + ": .*Against that: skip \\(.*\\): Leaks in the boot")
                .doesNotContain("| Place |");
        assertThat(Web.post(at + "/answer/profile", Map.of("name", "A neighbour " + better, "cleaning", "7"))
                        .headers()
                        .firstValue("Location"))
                .get()
                .asString()
                .contains(at + "/answer?for=own-");
        assertThat(Web.get(at + "/answer/next?cleaning=5&cost=9").body())
                .containsPattern("more rounds? with sides exchanged|it is settled");
        assertThat(Web.get("/compare/987654/answer").statusCode()).isEqualTo(404);
        assertThat(Web.get("/compare/987654/answer/next").statusCode()).isEqualTo(404);
    }

    /** An hour is worth what is typed, where minutes are known of all; another currency is turned by a stated rate, or left out. */
    @Test
    void hoursAndOtherCurrenciesCount() {
        String slow = SampleProduct.name("Alder");
        String quick = SampleProduct.name("Birch");
        SampleProduct.make(slow, "spray-wax", "apply 10 mL per panel; 1 L 20 EUR", 0);
        SampleProduct.make(quick, "spray-wax", "apply 10 mL per panel; 1 L 30 DKK", 0);
        String at = Afternoons.begunAsking("spray", Set.of("minutes"), slow, quick);
        Web.post(at + "/again", Map.of("key", UUID.randomUUID().toString()));
        var c = Afternoons.load(at);
        c.places().forEach(p -> {
            boolean first = c.on(p.code()).name().equals(slow);
            Afternoons.say(at, "streaks/" + p.code(), "" + (first ? 1 : 3 + p.row()));
            Afternoons.say(at, "dose/" + p.code(), first ? "10 mL" : p.row() == 1 ? "8 mL" : "12 mL");
        });
        assertThat(Afternoons.plain(Web.get(at + "/answer")))
                .contains("It takes two products whose cost is known")
                .doesNotContain("0.30");
        assertThat(Web.post(
                                "/mixer/rates",
                                Map.of(
                                        "from",
                                        "DKK",
                                        "to",
                                        "EUR",
                                        "worth",
                                        "0.5",
                                        "on",
                                        "2026-01-02",
                                        "key",
                                        UUID.randomUUID().toString()))
                        .statusCode())
                .isEqualTo(302);
        assertThat(Afternoons.plain(Web.get(at + "/answer")))
                .as("10 mL of 20 EUR a litre; 10 mL, in the middle, of 15 EUR a litre")
                .contains("0.20 EUR a half", "0.15 EUR a half");
        assertThat(Afternoons.plain(Web.get(at + "/answer?hour=30")))
                .contains("Hands’ time is left out: minutes are wanting", "value=\"30.00 EUR\"", "hour=30.00+EUR")
                .doesNotContain("hands and all");
        c.places()
                .forEach(p -> Afternoons.say(
                        at, "minutes/" + p.code(), c.on(p.code()).name().equals(slow) ? "12" : "4"));
        assertThat(Afternoons.plain(Web.get(at + "/answer?hour=30")))
                .as("12 and 4 minutes at half a EUR each")
                .contains("6.20 EUR a half, hands and all", "2.15 EUR a half, hands and all");
        for (String wrong : List.of("dear", "-3 EUR", "30 QQQ")) {
            assertThat(Web.get(at + "/answer?hour=" + wrong.replace(" ", "+")).statusCode())
                    .as(wrong)
                    .isEqualTo(422);
        }
        Answer answer = LiveApp.bean(AfternoonAnswering.class)
                .of(
                        LiveApp.bean(Tellings.class).weighable(Long.parseLong(at.replaceAll("\\D", ""))),
                        new Purse(LiveApp.bean(RateStore.class).rates(), Optional.empty()));
        int number =
                c.on("A").name().equals(quick) ? c.on("A").number() : c.on("B").number();
        assertThat(spread(answer.costs().get(number)))
                .as("8 and 12 mL: 2.83/√2 of 10, on the log scale")
                .isCloseTo(0.2, within(0.01));
        assertThat(spread(answer.costs().get(1 - number))).as("twice the same").isZero();
    }

    /** Each size, and its share of a kit's price, at the amount that went on; concentrate and ready to use are told apart. */
    @Test
    void bottlesAndKitsAreSetSideBySideAtWhatWentOn() {
        String mixed = SampleProduct.name("Reed");
        String ready = SampleProduct.name("Sedge");
        long id = SampleProduct.make(mixed, "rinseless", "rinseless 1:99; 500 mL 10 EUR; 1 L 16 EUR", 0);
        long other = SampleProduct.make(ready, "rinseless", "rinseless ready to use; 500 mL 5 EUR", 0);
        String kit = "Kit " + mixed;
        LiveApp.database()
                .sql("""
                with b as (insert into bundle (name, price, currency, page_key)
                           values (:kit, 9, 'EUR', gen_random_uuid()) returning id)
                insert into bundle_item (bundle_id, product_id, size_ml, list_price)
                select b.id, p.product, 500, p.list from b, (values (:mixed::bigint, 10), (:ready::bigint, 5)) p (product, list)""")
                .param("kit", kit)
                .param("mixed", id)
                .param("ready", other)
                .update();
        String at = Afternoons.begun("rinseless", mixed, ready);
        var c = Afternoons.load(at);
        c.places()
                .forEach(p -> Afternoons.say(
                        at, "dose/" + p.code(), c.on(p.code()).name().equals(mixed) ? "10 mL" : "500 mL"));
        String told = Afternoons.plain(Web.get(at + "/answer/bottles"));
        assertThat(told)
                .as(
                        "6 of the kit's 9 EUR are for 500 mL of the concentrate, so 10 mL are 0.12; a litre does it for 0.16")
                .contains(
                        "As it was used, " + mixed + " from 500 mL of concentrate, out of “" + kit
                                + "” is cheapest: 0.12 EUR a half.",
                        "0.16 EUR a half",
                        "0.20 EUR a half",
                        "5.00 EUR a half",
                        "500 mL, ready to use",
                        "1 L of concentrate",
                        "does 100 of these",
                        ready + " from 500 mL, ready to use costs 42× as much.");
        assertThat(Web.get(Afternoons.begun("soap", "Fen", "Rush") + "/answer/bottles")
                        .body())
                .doesNotContain("By the bottle");
        assertThat(Web.get("/compare/987654/answer/bottles").statusCode()).isEqualTo(404);
    }

    /** Four wheels make a set, four quarters a car; halves of a bonnet make nothing that is asked for. */
    @Test
    void aPlaceIsToldByTheSetAndByTheCar() {
        String a = SampleProduct.name("Reed");
        String b = SampleProduct.name("Sedge");
        String third = SampleProduct.name("Rush");
        SampleProduct.make(a, "spray-wax", "apply 10 mL per panel; 1 L 20 EUR", 0);
        SampleProduct.make(b, "wheel", "wheels 180 mL per wheel; 500 mL 11.40 EUR", 0);
        String quarters = Afternoons.begun("spray", a, b, third);
        String wheels = Afternoons.begun("wheel", b, a);
        for (String at : List.of(quarters, wheels)) {
            Afternoons.load(at)
                    .places()
                    .forEach(p -> Afternoons.say(at, "dose/" + p.code(), at.equals(wheels) ? "180 mL" : "10 mL"));
        }
        assertThat(Afternoons.plain(Web.get(quarters + "/answer")))
                .contains("10.0 mL a quarter, 0.80 EUR a car")
                .doesNotContain("a set");
        assertThat(Afternoons.plain(Web.get(wheels + "/answer")))
                .as("MEASURES 16")
                .contains("4.10 EUR a wheel", "16.42 EUR a set", "does 2.8 of these");
        String halves = Afternoons.begun("spray", a, b);
        Afternoons.load(halves).places().forEach(p -> Afternoons.say(halves, "dose/" + p.code(), "10 mL"));
        assertThat(Afternoons.plain(Web.get(halves + "/answer")))
                .contains("10.0 mL a half")
                .doesNotContain(" a car", " a set");
    }

    private static double spread(double[] logs) {
        double mean = Arrays.stream(logs).average().orElseThrow();
        return Math.sqrt(Arrays.stream(logs).map(l -> (l - mean) * (l - mean)).sum() / logs.length);
    }

    /** What the label asks for a section stands beside what went on, with what a bottle does of either. */
    @Test
    void whatALabelAsksStandsBesideWhatWentOn() {
        String generous = SampleProduct.name("Reed");
        SampleProduct.make(generous, "spray-wax", "apply 3 mL per section; 600 mL 12 EUR", 0);
        Map<String, String> typed = SamplePlan.fair();
        typed.remove("blind");
        typed.put("name1", generous);
        typed.put("firstDay", java.time.LocalDate.now().minusDays(2).toString());
        long id = SamplePlan.begin(SamplePlan.make(typed));
        Study study = LiveApp.bean(StudyStore.class).load(id);
        int number = SampleStudy.number(study, generous);
        assertThat(Web.post(
                                "/studies/" + id + "/done",
                                Map.of(
                                        "contender",
                                        "" + number,
                                        "day",
                                        "0",
                                        "dose",
                                        "6 mL per section",
                                        "key",
                                        UUID.randomUUID().toString()))
                        .statusCode())
                .isEqualTo(302);
        assertThat(Afternoons.plain(Web.get("/studies/" + id + "/answer")))
                .contains(
                        generous
                                + ": 6.00 mL went on a section where its label asks 3.00 mL; a bottle of 600 mL does 100 of these, 200 by its label: 2.0× as much a section.");
    }
}
