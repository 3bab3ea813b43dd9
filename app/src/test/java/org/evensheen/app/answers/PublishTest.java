package org.evensheen.app.answers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.sidebyside.Afternoons;
import org.evensheen.app.studies.Study;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reports go out whole, and stay as they went out. */
@ExtendWith(LiveApp.class)
class PublishTest {
    private static Map<String, String> form(String... fields) {
        Map<String, String> form = new HashMap<>(Map.of("key", UUID.randomUUID().toString()));
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        return form;
    }

    private static JsonNode json(String address) {
        HttpResponse<String> answer = Web.get(address);
        assertThat(answer.statusCode()).isEqualTo(200);
        return JsonMapper.builder().build().readTree(answer.body());
    }

    @Test
    void anEditionIsAPageThatNeedsNothingElseAndSaysWhatThePagesSay() {
        Study study = SampleStudy.read();
        String at = "/studies/" + study.id();
        String headline = "Osier <wins>? *Nearly*";
        assertThat(Web.post(at + "/publish", form("headline", headline, "words", "First.\n\nSecond & last."))
                        .statusCode())
                .isEqualTo(302);
        String page = Web.get(at + "/editions/1.html").body();
        assertThat(page)
                .contains("Osier &lt;wins&gt;?", "<p>First.</p>", "<p>Second &amp; last.</p>", "Edition 1,")
                .contains("Kelter Rinse-On: given to the reviewer.", "Brock Paste: lent to the reviewer.")
                .contains("by lot", "How far it can be trusted", "data sheet", "Not in it", "Slickness: ")
                .doesNotContain("<script", "<link", "http://", "https://", "src=\"/");
        JsonNode report = json(at + "/editions/1.json");
        assertThat(report.get("format").asString()).isEqualTo("even-sheen-report/1");
        assertThat(page)
                .contains(report.get("answer").asString(), report.get("seal").asString());
        assertThat(report.get("places").size()).isEqualTo(3);
        assertThat(report.get("seal").asString()).matches("[0-9a-f]{64}");
        String markdown = Web.get(at + "/editions/1.md").body();
        assertThat(markdown)
                .startsWith("# Osier \\<wins\\>? \\*Nearly\\*")
                .contains("| Place | Product |", "## Who paid");
        assertThat(Web.get(at + "/publish").body()).contains("Osier &lt;wins&gt;?", "/editions/1.html");
    }

    @Test
    void theSameDataHaveTheSameSealAndALaterEditionSaysWhatChanged() {
        Study study = SampleStudy.read();
        String at = "/studies/" + study.id();
        Map<String, String> first = form();
        Web.post(at + "/publish", first);
        Web.post(at + "/publish", first);
        Web.post(at + "/publish", form("words", "Only words are new."));
        String one = json(at + "/editions/1.json").get("seal").asString();
        assertThat(json(at + "/editions/2.json").get("seal").asString()).isEqualTo(one);
        assertThat(Web.get(at + "/editions/2.html").body()).contains("Nothing: the same data by the same method.");
        Web.post(at + "/publish", form("for", "show"));
        assertThat(json(at + "/editions/3.json").get("seal").asString()).isNotEqualTo(one);
        assertThat(Web.get(at + "/editions/3.html").body())
                .contains("Weighed for “Weekend show car” instead of “Lives by the sea and commutes”");
        assertThat(Web.get(at + "/editions/4.html").statusCode())
                .as("sent twice, published once")
                .isEqualTo(404);
        assertThat(json(at + "/report.json").get("seal").asString()).isEqualTo(one);
        assertThatThrownBy(() -> LiveApp.database()
                        .sql("update edition set html = '' where study_id = :id")
                        .param("id", study.id())
                        .update())
                .hasMessageContaining("a published report stays as it was");
    }

    /** The card is a picture of its size, and another answer is another picture. */
    @Test
    void theCardIsDrawnFromTheReport() throws java.io.IOException {
        Study study = SampleStudy.read();
        HttpResponse<byte[]> card = Web.bytes("/studies/" + study.id() + "/card.png");
        assertThat(card.headers().firstValue("Content-Type").orElseThrow()).startsWith("image/png");
        var image = javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(card.body()));
        assertThat(List.of(image.getWidth(), image.getHeight())).containsExactly(1200, 630);
        Report.Place osier = new Report.Place(1, "Osier", 100, 90, 110, 0.9, Map.of());
        assertThat(Card.png(ChangedTest.study("fair", "R", "r", osier)))
                .isEqualTo(Card.png(ChangedTest.study("fair", "R", "r", osier)));
        assertThat(Card.png(ChangedTest.study("fair", "R", "r", osier)))
                .isNotEqualTo(Card.png(ChangedTest.study("thin", "R", "r", osier)));
        assertThat(Card.png(ChangedTest.study("fair", "R", "r"))).isNotEmpty();
    }

    @Test
    void wrongInputKeepsWhatWasTypedAndNothingIsPublished() {
        Study study = SampleStudy.read();
        String at = "/studies/" + study.id();
        HttpResponse<String> wrong = Web.send(
                at + "/publish", form("headline", "x".repeat(121), "words", "Kept words", "photo999999", "on"));
        assertThat(wrong.statusCode()).isEqualTo(422);
        assertThat(wrong.body()).contains("A headline has up to 120", "Kept words", "taken back since");
        assertThat(Web.get(at + "/editions/1.html").statusCode()).isEqualTo(404);
        assertThat(Web.send(at + "/publish", form("words", "y".repeat(4001))).body())
                .contains("these are 4001");
    }

    @Test
    void aStudyWithoutReadingsHasAReportThatSaysSoAndAClosedOneHasNone() {
        Study unread = SampleStudy.applyingOnly();
        assertThat(Web.get("/studies/" + unread.id() + "/report.html").body()).contains("Nothing can be weighed yet.");
        Study closed = SampleStudy.closed();
        String at = "/studies/" + closed.id();
        for (String path :
                List.of("/report.html", "/report.json", "/editions/1.html", "/editions/1.md", "/editions/1.json")) {
            HttpResponse<String> answer = Web.get(at + path);
            assertThat(answer.statusCode()).as(path).isEqualTo(404);
            assertThat(answer.body()).as(path).doesNotContain("Osier", "Brock");
        }
        assertThat(Web.get(at + "/publish").body())
                .contains("It waits until the")
                .doesNotContain("Osier");
        assertThat(Web.send(at + "/publish", form()).statusCode()).isEqualTo(404);
    }

    /** An afternoon goes out like a study: in the words of its sheet, with its photos' captions, kept as it was, and saying what was said since. */
    @Test
    void anAfternoonIsPublishedInTheWordsOfItsSheet() {
        String at = Afternoons.begun("soap", "Curlew <b>Foam</b>", "Sallow Plain Soap");
        Afternoons.say(at, "gone/A", "4");
        Afternoons.say(at, "gone/B", "2");
        Afternoons.say(at, "came/0", "given");
        Afternoons.say(at, "slip/1/wash", "neighbour");
        String sheet = Afternoons.plain(Web.get(at + "/sheet"));
        assertThat(sheet).contains("href=\"" + at + "/publish\"");
        assertThat(Web.get(at + "/publish").body()).contains("None yet").doesNotContain("Weighed for");
        Map<String, String> form = form("headline", "Two soaps", "words", "Cold day.");
        assertThat(Web.post(at + "/publish", form).statusCode()).isEqualTo(302);
        assertThat(Web.post(at + "/publish", form).statusCode())
                .as("sent twice")
                .isEqualTo(302);
        assertThat(Web.get(at + "/editions/2.html").statusCode()).isEqualTo(404);
        JsonNode report = json(at + "/editions/1.json");
        String answer = report.get("answer").asString();
        assertThat(sheet).contains(answer.replace("<b>", "&lt;b&gt;").replace("</b>", "&lt;/b&gt;"));
        String page = Web.get(at + "/editions/1.html").body();
        assertThat(page)
                .contains("Two soaps", "<p>Cold day.</p>", "What was seen", ": nearly all", ": some")
                .contains(
                        "The place beside it got wet.",
                        "Curlew &lt;b&gt;Foam&lt;/b&gt;: given.",
                        "data sheet",
                        "drawn by lot")
                .contains(report.get("seal").asString())
                .doesNotContain("<script", "<b>Foam", "For whom", "bare 0", "src=\"/");
        assertThat(report.get("scales").toString()).contains("nearly all", "some");
        assertThat(Web.get(at + "/editions/1.md").body())
                .startsWith("# Two soaps")
                .contains("## What was seen", "How far to trust it: a hint");
        Afternoons.say(at, "gone/A", "1");
        assertThat(Web.post(at + "/publish", form("headline", "", "words", "")).statusCode())
                .isEqualTo(302);
        assertThat(json(at + "/editions/2.json").get("seal").asString())
                .isNotEqualTo(report.get("seal").asString());
        assertThat(Web.get(at + "/editions/2.html").body()).contains("It said before: ");
        assertThat(Web.get(at + "/editions/1.html").body()).as("as it was").isEqualTo(page);
        assertThat(Web.get(at + "/card.png").headers().firstValue("Content-Type"))
                .contains("image/png");
        assertThat(Web.get("/compare/987654/publish").statusCode()).isEqualTo(404);
        assertThat(Web.post(at + "/publish", form("headline", "x".repeat(121))).statusCode())
                .isEqualTo(422);
    }
}
