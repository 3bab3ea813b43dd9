package org.evensheen.app.league;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.StatementCounter;
import org.evensheen.app.live.Web;
import org.evensheen.app.page.Figures;
import org.evensheen.app.sidebyside.Afternoons;
import org.evensheen.app.studies.Study;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.sidebyside.Comparison;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.json.JsonMapper;

/** What studies add to the league, and what it shows of them. */
@ExtendWith(LiveApp.class)
class LeagueTest {
    private static List<FindingStore.Kept> of(Study study, Quality quality) {
        return LiveApp.bean(FindingStore.class).on(quality, Findings.METHOD).stream()
                .filter(k -> k.source().equals(FindingStore.Source.study(study.id())))
                .toList();
    }

    @Test
    void aStudyAddsItsFirstReadingsAsSharesOfBare() {
        Study study = SampleStudy.read();
        Rounds.untilNoneIsStale();
        List<FindingStore.Kept> found = of(study, Quality.SLICKNESS);
        assertThat(found).hasSize(1);
        FindingStore.Document d = found.get(0).document();
        int osier = d.products().indexOf("Osier Spray Seal");
        int brock = d.products().indexOf("Brock Paste");
        double bare = SampleStudy.firstPull(study, "Bare");
        assertThat(d.means().get(osier) - d.means().get(brock))
                .isCloseTo(
                        (SampleStudy.firstPull(study, "Brock Paste") - SampleStudy.firstPull(study, "Osier Spray Seal"))
                                / bare,
                        within(1e-9));
        assertThat(d.covariance().get(osier).get(osier)).isPositive();
        assertThat(found.get(0).alike()).isEqualTo("slickness, first readings");
        assertThat(found.get(0).on()).isEqualTo(study.firstDay().plusDays(8));
        assertThat(of(study, Quality.LIFE))
                .as("one visit tells of no life that ends")
                .hasSizeLessThanOrEqualTo(1);
    }

    @Test
    void theLeagueNamesProductsOfOpenStudiesAndNoneOfClosedOnes() {
        Study open = SampleStudy.read();
        Study closed = SampleStudy.closed();
        Rounds.untilNoneIsStale();
        assertThat(of(closed, Quality.SLICKNESS)).isEmpty();
        String page = Web.get("/verdicts?quality=slickness").body();
        assertThat(page).contains("Osier Spray Seal", "Brock Paste", "points of bare", "/shelf/");
        StringBuilder lists = new StringBuilder();
        for (int i = 0; i < 60 && !lists.toString().contains("/studies/" + open.id() + "/answer"); i++) {
            lists.append(Web.get("/verdicts?quality=slickness&page=" + i).body());
        }
        assertThat(lists.toString())
                .contains(
                        "/studies/" + open.id() + "/answer", "/studies/" + closed.id() + "/verdict", "judged by code");
        assertThat(Web.get("/verdicts?quality=slickness&kind=wax").body()).contains("Nothing matches");
        assertThat(Web.get("/verdicts?quality=slickness&text=brock").body()).contains("is-found");
        for (String odd :
                List.of("?quality=charm", "?page=-4", "?page=99999999", "?kind=%3Cb%3E", "?alike=x", "?text=%27")) {
            assertThat(Web.get("/verdicts" + odd).statusCode()).as(odd).isEqualTo(200);
        }
    }

    /** A reading more makes the study stale, and what it adds is replaced, not doubled. */
    @Test
    void whatAStudyAddsFollowsItsRevision() {
        Study study = SampleStudy.read();
        Rounds.untilNoneIsStale();
        LiveApp.database()
                .sql("update finding_source set revision = revision - 1 where study_id = :id")
                .param("id", study.id())
                .update();
        assertThat(LiveApp.bean(FindingStore.class).stale(Findings.METHOD, 500)).contains(study.id());
        Rounds.untilNoneIsStale();
        assertThat(of(study, Quality.SLICKNESS)).hasSize(1);
        assertThat(LiveApp.bean(FindingStore.class).stale(Findings.METHOD, 500)).doesNotContain(study.id());
    }

    /** A product's own page says where it stands, and the list of studies what each came to. */
    @Test
    void whatStandsIsToldWhereOneLooks() {
        Study study = SampleStudy.read();
        Rounds.untilNoneIsStale();
        long osier = LiveApp.database()
                .sql("select id from product where name = 'Osier Spray Seal'")
                .query(Long.class)
                .single();
        assertThat(Web.get("/shelf/" + osier + "/league").body())
                .containsPattern("place \\d+ of \\d+, \\d+ stud")
                .contains("/verdicts?quality=slickness");
        assertThat(Web.get("/shelf/999999/league").statusCode()).isEqualTo(404);
        String sentence = LiveApp.database()
                .sql("select sentence from finding_source where study_id = :id")
                .param("id", study.id())
                .query(String.class)
                .single();
        assertThat(sentence).endsWith(" first.");
        boolean listed = false;
        for (int i = 0; i < 60 && !listed; i++) {
            String list = Web.get("/studies?page=" + i).body();
            listed = list.contains("/studies/" + study.id() + "\"") && list.contains(sentence);
        }
        assertThat(listed).isTrue();
    }

    /** Water that was left stands apart by how it was wetted; drops that are set on it by hand, and pulls, do not. */
    @Test
    void waterLeftBehindIsToldApartByTheWayOfWetting() {
        Rounds.untilNoneIsStale();
        long washes = LiveApp.database()
                .sql(
                        "select id from study where question = 'Is any wash leaving something behind on soft black paint?'")
                .query(Long.class)
                .single();
        assertThat(LiveApp.database()
                        .sql("select alike from finding where study_id = :id")
                        .param("id", washes)
                        .query(String.class)
                        .list())
                .contains(
                        "water left behind, first readings, wetted by a fine mist",
                        "beading, first readings",
                        "slickness, first readings");
    }

    @Test
    void seasonsAreThoseOfTheNorth() {
        assertThat(Tables.season(LocalDate.of(2026, 2, 28))).isEqualTo("winter");
        assertThat(Tables.season(LocalDate.of(2026, 3, 1))).isEqualTo("spring");
        assertThat(Tables.season(LocalDate.of(2026, 8, 31))).isEqualTo("summer");
        assertThat(Tables.season(LocalDate.of(2026, 9, 1))).isEqualTo("autumn");
    }

    /** An afternoon of several rounds adds what was timed; one that goes on is gone through again. A bottle may cost so much and no more. */
    @Test
    void anAfternoonAddsWhatItTimedAndABottleMayCostSoMuch() {
        String cheap = SampleProduct.name("Reed");
        String dear = SampleProduct.name("Sedge");
        SampleProduct.make(cheap, "spray-wax", "apply 3 mL per section; 500 mL 9.50 EUR", 0);
        SampleProduct.make(dear, "spray-wax", "apply 3 mL per section; 500 mL 30 EUR", 0);
        String third = SampleProduct.name("Rush");
        String fourth = SampleProduct.name("Fen");
        String at = Afternoons.begunAsking("spray", Set.of("clears"), cheap, dear, third, fourth);
        Web.post(at + "/again", Map.of("key", UUID.randomUUID().toString()));
        Map<String, Integer> seconds = Map.of(cheap, 10, dear, 20, third, 30, fourth, 40);
        Comparison c = Afternoons.load(at);
        assertThat(c.places()).hasSize(8);
        c.places()
                .forEach(p -> Afternoons.say(
                        at,
                        "clears/" + p.code(),
                        ""
                                + (seconds.get(c.on(p.code()).name())
                                        + p.row()
                                        + (p.code().equals("A") ? 1 : 0))));
        Rounds.untilNoneIsStale();
        FindingStore.Kept kept = found(at);
        assertThat(kept.alike()).isEqualTo("clearing water, clears after, side by side");
        assertThat(Web.get(at + "/report.md").body()).doesNotContain("Wetted by");
        FindingStore.Document d = kept.document();
        double lead = d.means().get(d.products().indexOf(cheap))
                - d.means().get(d.products().indexOf(dear));
        double expected = -Afternoons.load(at).places().stream()
                        .filter(p ->
                                List.of(cheap, dear).contains(c.on(p.code()).name()))
                        .mapToDouble(p -> (c.on(p.code()).name().equals(cheap) ? 1 : -1)
                                * Math.log(seconds.get(c.on(p.code()).name())
                                        + p.row()
                                        + (p.code().equals("A") ? 1 : 0)))
                        .sum()
                / 2;
        assertThat(lead).isCloseTo(expected, within(1e-9));
        String address = "/verdicts?quality=water&alike="
                + java.net.URLEncoder.encode(kept.alike(), java.nio.charset.StandardCharsets.UTF_8);
        assertThat(Web.get(address).body()).contains(cheap, dear, "1 afternoon", "times the average");
        String behind = Afternoons.plain(
                Web.get("/verdicts/behind" + address.substring(9) + "&product=" + cheap.replace(" ", "%20")));
        assertThat(behind)
                .contains("place 1 of 4", at + "/sheet", "beside ")
                .as("what it found by itself: the mean of the others' logarithms less its own")
                .contains(">" + Figures.times(Math.exp(besides(d, cheap))) + " (");
        assertThat(Web.get("/verdicts/behind" + address.substring(9) + "&product=Nobody")
                        .statusCode())
                .isEqualTo(404);
        assertThat(Web.get("/verdicts/behind").statusCode()).isEqualTo(400);
        assertThat(StatementCounter.during(() ->
                        Web.get("/verdicts/behind" + address.substring(9) + "&product=" + cheap.replace(" ", "%20"))))
                .isLessThanOrEqualTo(5);
        assertThat(Web.get(address + "&price=10").body()).doesNotContain(">" + dear);
        assertThat(Web.get(address + "&price=30").body()).contains(cheap, dear).doesNotContain(">" + third);
        assertThat(Web.get(address + "&price=cheap").body()).contains("A price is a number like 20", dear);
        Afternoons.say(at, "do/1/wet", "open-stream");
        Afternoons.say(at, "clears/A", "90");
        Rounds.untilNoneIsStale();
        assertThat(found(at).alike()).endsWith(", side by side, wetted by an open stream");
        assertThat(Web.get(at + "/report.md").body()).contains("Wetted by an open stream.");
        assertThat(Web.get(at + "/sheet").body()).contains(", wetted by an open stream");
        assertThat(Web.get(at + "/sheet.md").body()).contains(", wetted by an open stream |");
        assertThat(found(at).document().means()).isNotEqualTo(d.means());
    }

    private static double besides(FindingStore.Document d, String product) {
        int own = d.products().indexOf(product);
        double all = d.means().stream().mapToDouble(m -> m).sum();
        return d.means().get(own) - (all - d.means().get(own)) / (d.means().size() - 1);
    }

    private static FindingStore.Kept found(String at) {
        return LiveApp.bean(FindingStore.class).on(Quality.WATER, Findings.METHOD).stream()
                .filter(k ->
                        k.source().equals(FindingStore.Source.comparison(Long.parseLong(at.replaceAll("\\D", "")))))
                .findFirst()
                .orElseThrow();
    }

    /** A table and a product go out as they are shown: the same places and numbers, with what they rest on, a method, cautions and a seal. */
    @Test
    void aTableAndAProductGoOutAsTheyAreShown() throws Exception {
        SampleStudy.read();
        Rounds.untilNoneIsStale();
        String table = "/verdicts/report.%s?quality=slickness&alike=slickness%%2C+first+readings";
        var report = JsonMapper.builder()
                .build()
                .readTree(Web.get(table.formatted("json")).body());
        String first = report.get("scales").get(0).asString();
        assertThat(first).startsWith("1. ").contains(" to ", "stud");
        String shown = Afternoons.plain(Web.get("/verdicts?quality=slickness&alike=slickness%2C+first+readings"));
        assertThat(shown)
                .contains(report.get("answer").asString(), "/verdicts/report.html?quality=slickness&amp;alike=");
        assertThat(Afternoons.plain(Web.get(table.formatted("html"))))
                .contains(
                        "Where they stand",
                        first.replace('\u202f', ' ').replace('\'', '’'),
                        "data sheet",
                        report.get("seal").asString())
                .doesNotContain("<script", "For whom", "Who paid", "src=\"/");
        assertThat(Web.get(table.formatted("md")).body())
                .contains("## Where they stand", "## Worth knowing")
                .doesNotContain("## Not in it");
        long osier = LiveApp.database()
                .sql("select id from product where name = 'Osier Spray Seal'")
                .query(Long.class)
                .single();
        assertThat(Web.get("/shelf/" + osier + "/report.html").body())
                .contains("Osier Spray Seal stands in", "Slickness (slickness, first readings): place");
        assertThat(Web.get("/shelf/987654/report.html").statusCode()).isEqualTo(404);
        assertThat(Web.get("/verdicts/report.exe").statusCode()).isEqualTo(404);
        assertThat(Web.get("/verdicts/report.json?quality=nothing&price=-1").statusCode())
                .isEqualTo(200);
    }

    /** What was published of a table and a product stays; a later edition says which places moved, and the same data has the same seal. */
    @Test
    void aTableAndAProductHaveEditionsThatSayWhatMoved() {
        String one = SampleProduct.name("Sallow");
        String two = SampleProduct.name("Alder");
        long id = SampleProduct.make(one, "spray-wax", "500 mL 9.50 EUR", 0);
        SampleProduct.make(two, "spray-wax", "500 mL 30 EUR", 0);
        String at = Afternoons.begunAsking("spray", Set.of("clears"), one, two);
        for (int i = 0; i < 3; i++) {
            Web.post(at + "/again", Map.of("key", UUID.randomUUID().toString()));
        }
        Comparison c = Afternoons.load(at);
        wipes(at, c, one, "");
        Rounds.untilNoneIsStale();
        String alike = LiveApp.bean(FindingStore.class)
                .around(one, Findings.METHOD)
                .get(0)
                .kept()
                .alike();
        String quality = LiveApp.bean(FindingStore.class)
                .around(one, Findings.METHOD)
                .get(0)
                .quality()
                .code();
        String query = "?quality=%s&alike=%s"
                .formatted(quality, java.net.URLEncoder.encode(alike, java.nio.charset.StandardCharsets.UTF_8));
        Map<String, String> first = Map.of("key", UUID.randomUUID().toString(), "headline", "What <stands>");
        for (String subject : List.of("/verdicts", "/shelf/" + id)) {
            String asked = subject.equals("/verdicts") ? query : "";
            String page = Web.get(subject + "/publish" + asked).body();
            assertThat(page).contains("None yet").doesNotContain("Weighed for", "for whoever wants to check");
            for (int i = 0; i < 2; i++) {
                assertThat(Web.post(subject + "/publish" + asked, keyed(first, subject))
                                .statusCode())
                        .isEqualTo(302);
            }
            assertThat(Web.get(subject + "/editions/1.html" + asked).body()).contains("What &lt;stands&gt;", one);
            assertThat(Web.get(subject + "/editions/2.html" + asked).statusCode())
                    .as("one tap twice is one edition")
                    .isEqualTo(404);
            Web.post(
                    subject + "/publish" + asked,
                    Map.of("key", UUID.randomUUID().toString()));
            assertThat(Web.get(subject + "/publish" + asked).body())
                    .contains("Nothing: the same data by the same method.");
            assertThat(Web.get(subject + "/card.png" + asked).body()).contains("PNG");
        }
        wipes(at, c, two, "1");
        Rounds.untilNoneIsStale();
        Web.post("/verdicts/publish" + query, Map.of("key", UUID.randomUUID().toString()));
        assertThat(Afternoons.plain(Web.get("/verdicts/publish" + query)))
                .contains(two + " went from place 2 to 1", one + " went from place 1 to 2");
        Web.post("/shelf/" + id + "/publish", Map.of("key", UUID.randomUUID().toString()));
        assertThat(Afternoons.plain(Web.get("/shelf/" + id + "/publish")))
                .contains("place 2 of 2", "before place 1 of 2");
        assertThat(Web.get("/verdicts/editions/1.json?quality=slickness&kind=towel")
                        .statusCode())
                .as("another table has other editions")
                .isEqualTo(404);
        assertThat(Web.get("/verdicts/publish?season=" + "x".repeat(700)).statusCode())
                .isEqualTo(404);
        assertThat(Web.get("/shelf/987654/publish").statusCode()).isEqualTo(404);
    }

    private static Map<String, String> keyed(Map<String, String> typed, String subject) {
        return Map.of(
                "key",
                UUID.nameUUIDFromBytes((typed.get("key") + subject).getBytes(java.nio.charset.StandardCharsets.UTF_8))
                        .toString(),
                "headline",
                typed.get("headline"));
    }

    /** One of two clears in few seconds, the other in many; every time a little otherwise. */
    private static void wipes(String at, Comparison c, String quick, String more) {
        c.places()
                .forEach(p -> Afternoons.say(
                        at, "clears/" + p.code(), (c.on(p.code()).name().equals(quick) ? "1" : "6") + p.row() + more));
    }
}
