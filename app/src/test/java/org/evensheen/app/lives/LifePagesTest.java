package org.evensheen.app.lives;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Study;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The life of a study on its page and for programs. */
@ExtendWith(LiveApp.class)
class LifePagesTest {

    private static double pull(Study study, String section, Occasion at) {
        Section s = study.record().section(section).orElseThrow();
        return study.record().mean(s, at, Measures.PULL).map(Spread::mean).orElseThrow();
    }

    private static double bare(Study study, Occasion at) {
        return study.record()
                .bareSections()
                .mapToDouble(s -> pull(study, s.code(), at))
                .average()
                .orElseThrow();
    }

    private static JsonNode json(String address) {
        HttpResponse<String> answer = Web.get(address);
        assertThat(answer.statusCode()).isEqualTo(200);
        return JsonMapper.builder().build().readTree(answer.body());
    }

    /** What is left on a section is on the page and in the document as it follows from the readings. */
    @Test
    void theShareOnThePageFollowsFromTheReadings() {
        Study study = SampleStudy.read();
        String code = SampleStudy.codes(study, "Osier Spray Seal").get(0);
        Occasion fresh = new Occasion(1, Stage.FRESH);
        boolean freshBare = study.record()
                .bareSections()
                .anyMatch(s -> study.record().mean(s, fresh, Measures.PULL).isPresent());
        assertThat(freshBare).isTrue();
        double left = (1 - pull(study, code, SampleStudy.VISIT) / bare(study, SampleStudy.VISIT))
                / (1 - pull(study, code, fresh) / bare(study, fresh));
        String address = "/studies/" + study.id() + "/life";
        assertThat(Web.get(address).body()).contains(code + ", day 8: " + Figures.percent(left));
        double change = (1 - pull(study, code, SampleStudy.VISIT) / bare(study, SampleStudy.VISIT))
                - (1 - pull(study, code, fresh) / bare(study, fresh));
        assertThat(Web.get(address).body())
                .contains(
                        "From the first readings to day 8, section by section",
                        code + " −" + Math.round(-100 * change));
        JsonNode curves = json(address + ".json").get("curves");
        List<Double> found = curves.valueStream()
                .filter(c -> c.get("section").asString().equals(code))
                .map(c -> c.get("points").get(0).get("left").asDouble())
                .toList();
        assertThat(found).hasSize(1);
        assertThat(found.get(0)).isCloseTo(left, org.assertj.core.api.Assertions.within(1e-9));
    }

    @Test
    void oneVisitIsTooEarlyAndBeforeItThereIsNothingToTell() {
        Study study = SampleStudy.read();
        assertThat(Web.get("/studies/" + study.id() + "/life").body())
                .contains("Too early to say: 1 visit, nothing spent.");
        assertThat(Web.get("/studies/" + study.id() + "/life?day=7").body())
                .contains("There is no life to tell yet.", "It takes first readings and one visit");
        Study unread = SampleStudy.make();
        assertThat(Web.get("/studies/" + unread.id() + "/life").body()).contains("There is no life to tell yet.");
    }

    /** The Tape asks for the part that follows it, and gets no more. */
    @Test
    void pullingTheTapeRedrawsWhatFollowsIt() {
        Study study = SampleStudy.read();
        String part = Web.get("/studies/" + study.id() + "/life?day=8", "HX-Request", "true")
                .body();
        assertThat(part).contains("id=\"work\"", "data-panel").doesNotContain("<html", "id=\"tape\"");
    }

    @Test
    void whatCanNotBeAskedForSaysWhatCan() {
        Study study = SampleStudy.read();
        String address = "/studies/" + study.id() + "/life";
        assertThat(Web.get(address + "?measure=foam").body())
                .contains("Nothing can be kept of “foam”. Choose ", "pull");
        assertThat(Web.get(address + "?by=moons").body()).contains("not in “moons”");
        for (String wrong : List.of("?measure=foam", "?by=moons", "?day=-1", "?day=99999", "?measure=", "?by=")) {
            assertThat(Web.get(address + wrong).statusCode()).as(wrong).isEqualTo(404);
        }
        assertThat(Web.get("/studies/987654/life").statusCode()).isEqualTo(404);
    }

    /** A promise tells a name, so none is told while the key is closed. */
    @Test
    void promisesWaitForTheKey() {
        Study closed = SampleStudy.closed();
        String page = Web.get("/studies/" + closed.id() + "/life").body();
        assertThat(page).contains("when the key is opened").doesNotContain("Osier", "label says", "label: ");
        assertThat(json("/studies/" + closed.id() + "/life.json")
                        .get("promises")
                        .size())
                .isZero();
        Study open = SampleStudy.read();
        assertThat(json("/studies/" + open.id() + "/life.json").get("promises").size())
                .isPositive();
        assertThat(Web.get("/studies/" + open.id() + "/life").body()).contains("too early to say");
    }

    @Test
    void theOdometerIsMarkedWithWhatItSays() {
        Study study = SampleStudy.read();
        String to = "/studies/" + study.id() + "/happenings";
        HttpResponse<String> none = Web.send(to, mark("far"));
        assertThat(none.statusCode()).isEqualTo(422);
        assertThat(none.body()).contains("Begin the note with what the odometer says", "value=\"far\"");
        assertThat(Web.get("/studies/" + study.id() + "/life").body()).doesNotContain("by km");
        Web.post(to, mark("48 210 km"));
        Web.post(to, mark("48 330"));
        assertThat(Web.get("/studies/" + study.id() + "/life?by=km").body()).contains("by km");
    }

    /** The way of wetting is chosen with the mark, holds until another is, and stands beside what is read of water. */
    @Test
    void theWayOfWettingIsMarkedAndStandsBesideWhatIsReadOfWater() {
        Study study = SampleStudy.read();
        String to = "/studies/" + study.id() + "/happenings";
        String water = "/studies/" + study.id() + "?measure=left-behind&section=A";
        assertThat(Web.get(water).body()).doesNotContain("Wetted by");
        Map<String, String> mark = new java.util.HashMap<>(mark("from a hand's width"));
        mark.put("kind", "wetted hose");
        HttpResponse<String> none = Web.send(to, mark);
        assertThat(none.statusCode()).isEqualTo(422);
        assertThat(none.body()).contains("Choose how it was wetted");
        mark.put("kind", "wetted low-pressure");
        mark.put("key", UUID.randomUUID().toString());
        assertThat(Web.post(to, mark).statusCode()).isEqualTo(302);
        assertThat(Web.get(water).body()).contains("Wetted by low pressure, from a rose.");
        for (String way : List.of("upright", "mist", "open-stream", "low-pressure", "mist")) {
            mark.put("kind", "wetted " + way);
            mark.put("key", UUID.randomUUID().toString());
            Web.post(to, mark);
        }
        assertThat(Web.get(water).body()).as("what was said last that day").contains("Wetted by a fine mist.");
        assertThat(Web.get("/studies/" + study.id() + "?measure=pull&section=A").body())
                .doesNotContain("Wetted by")
                .contains("wetted for looks: low-pressure from a hand&#39;s width");
    }

    @Test
    void whichChemicalDidItIsToldOrWhyNot() {
        Study study = SampleStudy.read();
        String address = "/studies/" + study.id() + "/life";
        String to = "/studies/" + study.id() + "/happenings";
        assertThat(Web.get(address).body()).doesNotContain("Which chemical did it");
        List<Section> sections = study.record().sections();
        Map<String, String> dose = new java.util.HashMap<>(mark("iron wash on every section"));
        dose.putAll(Map.of("kind", "dosed", "day", "7"));
        Web.post(to, dose);
        assertThat(Web.get(address).body()).contains("Every section had iron wash first", "would tell");
        assertThat(json(address + ".json").get("byChemical").get("state").asString())
                .isEqualTo("stacked");
        assertThat(json(address + ".json").get("byChemical").get("losses").size())
                .isEqualTo((int) sections.stream()
                        .filter(s -> !study.record().contenderOn(s).isControl())
                        .count());
    }

    /** What was told is kept as it was, once, and who read otherwise is said. */
    @Test
    void aLifeIsKeptAsItWasTold() {
        Study study = SampleStudy.read();
        String address = "/studies/" + study.id();
        assertThat(Web.get(address + "/lives").body()).contains("None yet.");
        String first = Web.get(address + "/life").body();
        Web.get(address + "/life");
        String list = Web.get(address + "/lives").body();
        assertThat(list.split("/lives/\\d+.json", -1)).as("kept once").hasSize(2);
        assertThat(list).contains("By slickness, counted in weeks, until day 8. Method 1.", "Too early to say");
        String document = list.replaceAll("(?s).*(/studies/\\d+/lives/\\d+.json).*", "$1");
        assertThat(json(document).get("curves"))
                .isEqualTo(json(address + "/life.json").get("curves"));
        assertThat(Web.get(address + "/lives/999999.json").statusCode()).isEqualTo(404);
        assertThat(first).doesNotContain("part of a difference may be the hand");
        Study closed = SampleStudy.closed();
        Web.get("/studies/" + closed.id() + "/life");
        assertThat(Web.get("/studies/" + closed.id() + "/lives").body())
                .contains("judged by code")
                .doesNotContain(".json");
    }

    private static Map<String, String> mark(String note) {
        return Map.of(
                "day",
                "8",
                "kind",
                "odometer",
                "note",
                note,
                "key",
                UUID.randomUUID().toString());
    }
}
