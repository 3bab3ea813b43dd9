package org.evensheen.app.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.units.UnitSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Units are a setting of the person: every page follows it, no file does, and what is kept stays what was meant. */
@ExtendWith(LiveApp.class)
class UnitsTest {
    private static final String[] US = {"Cookie", "units=us"};

    private static HttpResponse<String> us(String path) {
        return Web.get(path, US);
    }

    private static KeptReading last(Study study) {
        List<KeptReading> kept = LiveApp.bean(StudyStore.class).load(study.id()).readings();
        return kept.get(kept.size() - 1);
    }

    @Test
    void theSettingIsKeptForAYearAndOneWhoSetsOnlyTheNameKeepsIt() {
        HttpResponse<String> set = Web.post("/hands", Map.of("name", "Ana", "units", "us", "back", "/"));
        assertThat(set.headers().allValues("Set-Cookie")).anyMatch(c -> c.startsWith("units=us;"));
        assertThat(Web.post("/hands", Map.of("name", "Ana")).headers().allValues("Set-Cookie"))
                .noneMatch(c -> c.startsWith("units"));
        assertThat(us("/").body()).containsPattern("value=\"us\" checked");
        assertThat(Web.get("/", "Cookie", "units=%00").body()).containsPattern("value=\"metric\" checked");
    }

    @Test
    void aBareNumberIsInTheUnitOfTheFormItWasTypedInto() {
        Study study = SampleStudy.make();
        String section = study.record().sections().get(0).code();
        String page = us("/studies/%d?section=%s&measure=pull".formatted(study.id(), section))
                .body();
        assertThat(page).containsPattern("<span>lbf</span>").contains("name=\"units\" value=\"us\"");
        Map<String, String> form = new HashMap<>(SampleStudy.firstPull(section, "2.2", UUID.randomUUID()));
        form.put("units", "us");
        Web.post("/studies/" + study.id() + "/readings", form);
        assertThat(last(study).reading().seen().amount()).isEqualTo(9.786);
        Map<String, String> queued = SampleStudy.firstPull(section, "9.8", UUID.randomUUID());
        queued.put("repeat", "2");
        Web.post("/capture/" + study.id(), queued, US);
        Web.post("/studies/" + study.id() + "/readings", queued, US);
        assertThat(last(study).reading().seen().amount())
                .as("a form from before the setting was in newtons")
                .isEqualTo(9.8);
    }

    @Test
    void aCorrectionBeginsWithWhatWasKeptToTheDigit() {
        Study study = SampleStudy.read();
        KeptReading kept = study.readings().stream()
                .filter(k -> k.reading().measure().code().equals("pull"))
                .findFirst()
                .orElseThrow();
        String page = us("/studies/%d?section=%s&measure=pull&day=%d&stage=%s&correct=%d"
                        .formatted(
                                study.id(),
                                kept.reading().section(),
                                kept.reading().day(),
                                kept.reading().at().look().code(),
                                kept.id()))
                .body();
        String typed = kept.reading().seen().typed().get("amount");
        assertThat(page).contains("value=\"" + typed + " N\"");
        assertThat(page)
                .contains(Units.in(
                        UnitSystem.US, () -> Figures.seen(kept.reading().seen())));
    }

    @Test
    void pagesFollowItAndFilesDoNot() {
        Study study = SampleStudy.read();
        String root = "/studies/" + study.id();
        for (String path :
                List.of(root, root + "/verdict?measure=pull", root + "/verdict/workings?measure=pull&of=least")) {
            assertThat(us(path).body()).as(path).contains("lbf").doesNotContain("\u202fN<", "\u202fN ", "\u202fN.");
            assertThat(Web.get(path).body()).as(path).contains("\u202fN").doesNotContain("\u202flbf");
        }
        for (String file : List.of(root + "/verdict.json?measure=pull", root + "/readings.csv")) {
            assertThat(us(file).body().replaceAll("\"at\":\"[^\"]*\"", ""))
                    .as(file)
                    .isEqualTo(Web.get(file).body().replaceAll("\"at\":\"[^\"]*\"", ""));
        }
        assertThat(us("/mixer").body()).doesNotContain("\u202fL<");
        assertThat(us("/beds").body()).contains(" in<").doesNotContain(" mm<");
    }
}
