package org.evensheen.app.readings;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class ReadingsFileTest {
    private static final String HEADER = "section,day,stage,measure,repeat,amount,unit,width_mm,water_kind\n";
    private static Study study;
    private static String code;

    @BeforeAll
    static void sample() {
        study = SampleStudy.read();
        code = study.record().sections().get(0).code();
    }

    private static HttpResponse<String> bringIn(long id, String text) {
        return Web.upload("/studies/" + id + "/readings/file", text.getBytes(StandardCharsets.UTF_8));
    }

    private static int stored() {
        return LiveApp.bean(StudyStore.class).load(study.id()).readings().size();
    }

    @Test
    void aStudyTakenOutAndBroughtInAgainGivesTheSameVerdictToTheLastDigit() {
        long struck = study.readings().get(5).id();
        LiveApp.bean(ReadingStore.class)
                .strike(study.id(), struck, new org.evensheen.app.page.Hands("Ana"), "the sled, \"caught\", twice");
        String csv = Web.get("/studies/" + study.id() + "/readings.csv").body();
        String place = Web.post(
                        "/studies/" + study.id() + "/copy",
                        Map.of("key", UUID.randomUUID().toString()))
                .headers()
                .firstValue("Location")
                .orElseThrow();
        long copy = Long.parseLong(place.replaceAll(".*/studies/(\\d+)/readings.*", "$1"));
        assertThat(copy).isNotEqualTo(study.id());
        assertThat(bringIn(copy, csv).body()).contains(stored() + " readings kept");
        for (String measure : new String[] {"pull", "drop", "left-behind"}) {
            String query = "/verdict.json?measure=" + measure;
            assertThat(Web.get("/studies/" + copy + query).body())
                    .isEqualTo(Web.get("/studies/" + study.id() + query).body());
        }
        assertThat(Web.get("/studies/" + copy + "/readings.csv").body()).isEqualTo(csv);
        assertThat(bringIn(copy, csv).body()).as("brought in twice").contains("0 readings kept", "were here already");
    }

    @Test
    void aSpreadsheetsFileWithSemicolonsCommasAndAByteOrderMarkIsRead() {
        String file = "\uFEFF" + HEADER.replace(',', ';') + code + ";3;rewetted;pull;1;9,8;N;;\n";
        assertThat(bringIn(study.id(), file).body()).contains("1 reading kept");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "section,day,amount|the header lacks stage, measure, repeat, unit",
                "HEADER,colour|unknown column colour",
                "HEADER~QQ,2,rewetted,pull,1,9,N,,|Line 2, section: there is no section “QQ”",
                "HEADER~CODE,2,rewetted,pull,1,9,N,,~CODE,2,rewetted,pull,1,9.5,N,,|Line 3, repeat: the same section",
                "HEADER~CODE,2,rewetted,pull,1,9,N,,~CODE,2,rewetted,pull,2,0.9,kgf,,|Line 3, unit: “kgf” where a pull is in N",
                "HEADER~CODE,99,rewetted,pull,1,9,N,,|day 99 is still to come",
                "HEADER~CODE,-2,rewetted,pull,1,9,N,,|is not a day from 0 on",
                "HEADER~CODE,2,rewetted,pull,1,nine,N,,|Line 2, amount: “nine” is not a number",
                "HEADER~CODE,2,rewetted,drop,1,9,mm,20,|no resting drop of water",
                "HEADER~CODE,2,rewetted,grade,1,3,of 4,,|First say what the water does",
                "HEADER~CODE,1,fresh,pull,1,55,N,,|the study already holds",
                "HEADER~CODE,2|Line 2 has 2 fields, the header 9",
                "HEADER~\"open|a quote is left open",
                "''|The file is empty"
            })
    void aWrongFileIsRefusedWholeWithItsLineAndRemedy(String file, String saying) {
        int before = stored();
        String text = file.replace("HEADER", HEADER.strip()).replace("~", "\n").replace("CODE", code);
        HttpResponse<String> answer = bringIn(study.id(), text.isEmpty() ? "\n" : text + "\n");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("Nothing was stored.", saying);
        assertThat(stored()).isEqualTo(before);
    }

    @Test
    void fiftyMegabytesOfRubbishAndAPictureAreRefusedKindly() {
        int before = stored();
        byte[] rubbish = new byte[50 * 1024 * 1024];
        new Random(1).nextBytes(rubbish);
        HttpResponse<String> answer = Web.upload("/studies/" + study.id() + "/readings/file", rubbish);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("may be up to 8 MB");
        byte[] small = java.util.Arrays.copyOf(rubbish, 5000);
        assertThat(Web.upload("/studies/" + study.id() + "/readings/file", small)
                        .body())
                .contains("not a text file in UTF-8");
        assertThat(stored()).isEqualTo(before);
    }
}
