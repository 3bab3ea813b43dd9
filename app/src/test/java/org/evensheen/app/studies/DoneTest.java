package org.evensheen.app.studies;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.core.footing.Finding.Kind;
import org.evensheen.core.footing.FootingReview;
import org.evensheen.core.measure.Measures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class DoneTest {

    private static Map<String, String> form(int contender, String dose, String wait, String coats) {
        return new HashMap<>(Map.of(
                "contender",
                String.valueOf(contender),
                "day",
                "1",
                "dose",
                dose,
                "wait",
                wait,
                "coats",
                coats,
                "key",
                UUID.randomUUID().toString()));
    }

    private static List<Kind> findings(long study) {
        return FootingReview.of(LiveApp.bean(StudyStore.class).load(study).record(), Measures.PULL, SampleStudy.TODAY)
                .stream()
                .map(f -> f.kind())
                .toList();
    }

    private static String shown(String path) {
        return Web.get(path).body().replace('\u202f', ' ').replace("&#39;", "’");
    }

    @Test
    void whatWasDoneIsSetAgainstTheLabelAndLimitsTheFooting() {
        Study study = SampleStudy.read();
        long id = study.id();
        String done = "/studies/" + id + "/done";
        assertThat(findings(id)).contains(Kind.LABEL_UNPROVEN);
        Web.post(done, form(SampleStudy.number(study, "Osier Spray Seal"), "9.5 sprays per section", "2 min", "2"));
        Web.post(done, form(SampleStudy.number(study, "Brock Paste"), "4 mL per panel", "7 min", "2"));
        Map<String, String> last =
                form(SampleStudy.number(study, "Kelter Rinse-On"), "5 sprays per section", "30 s", "1");
        Web.post(done, last);
        Web.post(done, last);
        assertThat(findings(id))
                .contains(Kind.DOSE_BEYOND_LABEL)
                .doesNotContain(Kind.LABEL_UNPROVEN, Kind.LABEL_DEPARTED);
        assertThat(shown(done))
                .contains("dose 1.9× the label’s upper end, 3–5 sprays per section", "wait as the label says");
        assertThat(shown("/studies/" + id)).contains("Osier Spray Seal departed from its label: dose 1.9×.");
        assertThat(shown("/studies/" + id + "/verdict"))
                .contains("More than the label’s dose", "1 of 3 products went on at 1.9×");
        var applications = LiveApp.bean(StudyStore.class).load(id).record().applications();
        assertThat(applications).as("sent twice, kept once").hasSize(3);
        Web.post(done + "/" + applications.get(0).id() + "/undo", Map.of());
        assertThat(findings(id)).contains(Kind.LABEL_UNPROVEN).doesNotContain(Kind.DOSE_BEYOND_LABEL);
    }

    @ParameterizedTest
    @CsvSource({
        "dose, 1:0, holds no water",
        "wait, 1–3 min, like 2 min or 40 s",
        "wait, soon, like 2 min",
        "coats, 1.5, whole number",
        "day, 99, from 0 to today",
        "dose, '', Note the dose"
    })
    void aFieldThatIsWrongSaysSoAndKeepsWhatWasTyped(String field, String typed, String saying) {
        Study study = SampleStudy.read();
        long id = study.id();
        Map<String, String> form = form(
                SampleStudy.number(study, "Brock Paste"),
                field.equals("dose") && typed.isEmpty() ? "" : "4 mL per panel",
                "",
                "");
        form.put(field, typed);
        HttpResponse<String> answer = Web.post("/studies/" + id + "/done", form);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains(saying);
        if (!typed.isEmpty()) {
            assertThat(answer.body()).contains("value=\"" + typed + "\"");
        }
        assertThat(Web.post("/studies/" + id + "/done", form(3, "5 %", "", "")).statusCode())
                .as("bare gets nothing")
                .isEqualTo(404);
    }
}
