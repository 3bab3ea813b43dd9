package org.evensheen.app.verdicts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.measure.Measures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class KeptVerdictTest {
    private Study study = SampleStudy.closed();
    private String base = "/studies/" + study.id();

    private int kept() {
        return LiveApp.database()
                .sql("select count(*) from outcome where study_id = :study")
                .param("study", study.id())
                .query(Integer.class)
                .single();
    }

    private List<String> addresses() {
        Matcher links = Pattern.compile("href=\"(" + base + "/verdicts/\\d+)\"")
                .matcher(Web.get(base + "/verdicts").body());
        return links.results().map(r -> r.group(1)).toList();
    }

    /** A verdict that was seen can be shown again as it was, though a reading was put right since. */
    @Test
    void whatWasSeenIsShownAgainAsItWas() {
        study = SampleStudy.read();
        base = "/studies/" + study.id();
        Web.get(base + "/verdict");
        Web.get(base + "/verdict");
        assertThat(kept()).as("once, however often it is looked at").isEqualTo(1);
        String then = Web.get(base + "/verdict.json").body();
        String address = addresses().get(0);
        assertThat(Web.get(address + ".json").body()).isEqualTo(then);

        KeptReading pull = LiveApp.bean(StudyStore.class).load(study.id()).readings().stream()
                .filter(r ->
                        r.reading().measure() == Measures.PULL && r.reading().day() == SampleStudy.TODAY)
                .findFirst()
                .orElseThrow();
        Map<String, String> right = SampleStudy.firstPull(pull.reading().section(), "25", UUID.randomUUID());
        right.put("repeat", String.valueOf(pull.reading().repeat()));
        right.put("because", "misread");
        Web.post(base + "/readings/" + pull.id(), right);
        Web.get(base + "/verdict");

        assertThat(Web.get(base + "/verdict.json").body()).isNotEqualTo(then);
        assertThat(addresses()).hasSize(2).endsWith(address);
        assertThat(Web.get(address + ".json").body()).isEqualTo(then);
        assertThat(Web.get(address).body()).contains("As it was on", "Osier Spray Seal", "% first", "Method 2.");
    }

    /** What is kept holds names, so nothing is kept, listed or shown while the key is closed. */
    @Test
    void nothingIsKeptOrShownWhileTheKeyIsClosed() {
        Web.get(base + "/verdict");
        assertThat(kept()).isZero();
        assertThat(Web.get(base + "/verdicts").body())
                .contains("judged by code")
                .doesNotContain("Osier");
        LiveApp.database().sql("""
                        insert into outcome (study_id, revision, measure, day, stage, method, sentence, footing, document)
                        values (:study, 1, 'pull', 8, 'rewetted', 2, 'Osier Spray Seal is first.', 'thin', '{}')""").param("study", study.id()).update();
        long id = LiveApp.database()
                .sql("select id from outcome where study_id = :study")
                .param("study", study.id())
                .query(Long.class)
                .single();
        assertThat(Web.get(base + "/verdicts").body()).doesNotContain("Osier");
        for (String address : List.of(base + "/verdicts/" + id, base + "/verdicts/" + id + ".json")) {
            assertThat(Web.get(address).statusCode()).isEqualTo(404);
        }
        LiveApp.bean(Key.class).open(study.id(), Hands.UNNAMED);
        assertThat(Web.get(base + "/verdicts/999999999").statusCode()).isEqualTo(404);
        assertThat(Web.get("/studies/" + SampleStudy.make().id() + "/verdicts/" + id)
                        .statusCode())
                .as("of another study")
                .isEqualTo(404);
    }
}
