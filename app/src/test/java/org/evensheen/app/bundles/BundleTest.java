package org.evensheen.app.bundles;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(LiveApp.class)
class BundleTest {
    private static Study study(long id) {
        return LiveApp.bean(StudyStore.class).load(id);
    }

    /** A study with a struck reading and a corrected one. */
    private static Study corrected() {
        Study study = SampleStudy.read();
        List<KeptReading> pulls = study.readings().stream()
                .filter(r -> r.reading().day() == SampleStudy.TODAY)
                .limit(2)
                .toList();
        LiveApp.database()
                .sql("""
                        update reading set struck_at = now(), struck_by = 'Ana', struck_because = 'the sled, "caught"'
                        where id in (%d, %d)""".formatted(pulls.get(0).id(), pulls.get(1).id()))
                .update();
        LiveApp.database().sql("""
                        insert into reading (study_id, section_id, day, stage, measure, repeat, amount, seen, kept_by, page_key, replaces)
                        select study_id, section_id, day, stage, measure, repeat, amount + 0.1, 'amount=' || amount + 0.1, 'Ana',
                               gen_random_uuid(), id
                        from reading where id = %d""".formatted(pulls.get(0).id())).update();
        Web.send(
                "/studies/" + study.id() + "/run",
                java.util.Map.of(
                        "day",
                        "8",
                        "what",
                        "deviation",
                        "words",
                        "rain on it",
                        "section",
                        study.record().sections().get(1).code(),
                        "key",
                        UUID.randomUUID().toString()));
        return study(study.id());
    }

    @Test
    void aStudyGoesOutAndComesBackWhole() throws Exception {
        Study before = corrected();
        UUID key = UUID.randomUUID();
        HttpResponse<String> answer = SentBundle.bringIn(SentBundle.export(before.id()), key);
        long id = SamplePlan.number(answer);
        assertThat(SamplePlan.number(SentBundle.bringIn(SentBundle.export(before.id()), key)))
                .as("sent twice")
                .isEqualTo(id);
        Study after = study(id);
        assertThat(after.record().sections()).isEqualTo(before.record().sections());
        assertThat(after.record().contenders()).isEqualTo(before.record().contenders());
        assertThat(after.record().plan()).isEqualTo(before.record().plan());
        assertThat(after.record().seed()).isEqualTo(before.record().seed());
        assertThat(after.firstDay()).isEqualTo(before.firstDay());
        assertThat(after.record().deviations())
                .hasSize(1)
                .isEqualTo(before.record().deviations());
        assertThat(unnumbered(after)).containsExactlyInAnyOrderElementsOf(unnumbered(before));
        assertThat(after.readings().stream().filter(r -> r.replaces().isPresent()))
                .hasSize(1);
        assertThat(Web.get("/studies/" + id + "/verdict.json").body())
                .isEqualTo(Web.get("/studies/" + before.id() + "/verdict.json").body());
    }

    @Test
    void aBundleFromBeforeThereWereDeviationsComesInToo() throws Exception {
        Map<String, byte[]> files =
                SentBundle.unzip(SentBundle.export(corrected().id()));
        List.of("noted.csv", "steps.csv", "weather.csv").forEach(files::remove);
        withoutCourse(files);
        files.computeIfPresent("readings.csv", (name, now) -> before(4, now));
        files.put(
                "deviations.csv",
                "contender,day,job,dose,wait_seconds,coats,label\r\n0,1,,,,2,\r\n".getBytes(StandardCharsets.UTF_8));
        files.put(
                "datapackage.json",
                new String(files.get("datapackage.json"), StandardCharsets.UTF_8)
                        .replaceFirst("\"evenSheenVersion\" : 5", "\"evenSheenVersion\" : 1")
                        .getBytes(StandardCharsets.UTF_8));
        Study after = study(SamplePlan.number(SentBundle.bringIn(SentBundle.zip(files), UUID.randomUUID())));
        assertThat(after.record().deviations()).isEmpty();
        assertThat(after.record().applications())
                .singleElement()
                .satisfies(a -> assertThat(a.section()).isEmpty());
        assertThat(after.readings()).isNotEmpty();
    }

    @Test
    void photosAndWhatInstrumentsGaveComeBackToTheLastByteAndTiedToTheirReadings() throws Exception {
        Study before = SampleStudy.make();
        String code = before.record().sections().get(0).code();
        BufferedImage green = new BufferedImage(900, 700, BufferedImage.TYPE_INT_RGB);
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(green, "jpg", jpeg);
        for (String where : List.of(code, "-")) {
            Web.upload(
                    "/studies/%d/photos?day=8&stage=rewetted&note=at+dusk&section=%s&key=%s"
                            .formatted(before.id(), where, UUID.randomUUID()),
                    "photo",
                    jpeg.toByteArray());
        }
        LiveApp.database().sql("""
                        insert into take (id, instrument_id, study_id, amount, hertz, samples, said, kept_by)
                        values (gen_random_uuid(), (select min(id) from instrument), :study, 9.81, 20, '{0.1,9.8,9.82,0.2}', 'F 9.81 N', 'Ana')""").param("study", before.id()).update();
        UUID take = LiveApp.database()
                .sql("select id from take where study_id = :study")
                .param("study", before.id())
                .query(UUID.class)
                .single();
        Map<String, String> pull = SampleStudy.firstPull(code, "9.81", UUID.randomUUID());
        pull.put("take", take.toString());
        Web.send("/studies/" + before.id() + "/capture", pull);

        long id = SamplePlan.number(SentBundle.bringIn(SentBundle.export(before.id()), UUID.randomUUID()));
        assertThat(photos(id)).hasSize(2).isEqualTo(photos(before.id()));
        assertThat(filled(id)).singleElement().asString().contains("9.81 {0.1,9.8,9.82,0.2} F 9.81 N Ana");
        assertThat(filled(id)).isEqualTo(filled(before.id()));
        assertThat(photos(SamplePlan.number(SentBundle.bringIn(SentBundle.export(id), UUID.randomUUID()))))
                .as("out and in again")
                .isEqualTo(photos(id));

        Map<String, byte[]> lost = SentBundle.unzip(SentBundle.export(id));
        lost.keySet().removeIf(f -> f.startsWith("photos/"));
        long studies = count("study");
        refused(SentBundle.zip(lost), "photos.csv, line 2, photos/");
        assertThat(count("study")).as("all of it or nothing").isEqualTo(studies);
    }

    private static List<String> photos(long study) {
        return LiveApp.database()
                .sql("""
                        select concat_ws(' ', s.code, p.day, p.stage, p.note, p.width, p.height, md5(p.picture), p.at, p.kept_at, p.kept_by)
                        from section_photo p left join section s on s.id = p.section_id where p.study_id = :id order by p.id""")
                .param("id", study)
                .query(String.class)
                .list();
    }

    /** Readings with the takes that filled them. */
    private static List<String> filled(long study) {
        return LiveApp.database()
                .sql("""
                        select concat_ws(' ', r.day, r.measure, r.amount, t.amount, t.samples, t.said, t.kept_by, t.at)
                        from reading r join take t on t.id = r.take_id where r.study_id = :id""")
                .param("id", study)
                .query(String.class)
                .list();
    }

    /** Bundles of the version before bring no photos, takes or names seen, and come in all the same. */
    @Test
    void aBundleOfTheVersionBeforeStillComesIn() throws Exception {
        Study before = SampleStudy.read();
        Map<String, byte[]> files = SentBundle.unzip(SentBundle.export(before.id()));
        files.keySet().removeAll(List.of("photos.csv", "takes.csv", "seen.csv"));
        withoutCourse(files);
        files.computeIfPresent("readings.csv", (name, now) -> cut(before(4, now), 1));
        byte[] old = SentBundle.changed(
                SentBundle.zip(files),
                "datapackage.json",
                t -> t.replaceAll("\"evenSheenVersion\" ?: ?5", "\"evenSheenVersion\": 2"));
        Study after = study(SamplePlan.number(SentBundle.bringIn(old, UUID.randomUUID())));
        assertThat(after.record().readings())
                .containsExactlyInAnyOrderElementsOf(before.record().readings());
        assertThat(after.record().contenders()).isEqualTo(before.record().contenders());
        assertThat(after.record().plan()).isEqualTo(before.record().plan());
    }

    /** Files as bundles before version 5 have them: of visits over weeks, of products and bare, and nothing else. */
    private static void withoutCourse(Map<String, byte[]> files) {
        Map.of("study.csv", 1, "contenders.csv", 2, "exposures.csv", 2)
                .forEach((file, fields) -> files.computeIfPresent(file, (name, now) -> cut(now, fields)));
        assertThat(new String(files.get("contenders.csv"), StandardCharsets.UTF_8))
                .startsWith("number,role,name,water_kind,source\r\n");
    }

    /** A table without its last fields. */
    private static byte[] cut(byte[] table, int fields) {
        return new String(table, StandardCharsets.UTF_8)
                .lines()
                .map(l -> l.replaceFirst("(,[^,]*){%d}$".formatted(fields), ""))
                .collect(java.util.stream.Collectors.joining("\r\n", "", "\r\n"))
                .getBytes(StandardCharsets.UTF_8);
    }

    /** Readings as bundles before a version had them: an amount, a width and a water kind, each in a field of its own. */
    private static byte[] before(int version, byte[] readings) {
        assertThat(version).isEqualTo(4);
        return new String(readings, StandardCharsets.UTF_8)
                .replaceFirst("\\bseen\\b", "amount,width_mm,water_kind")
                .replaceAll("kind=(\\w+);amount=([\\d.]+)", "$2.0,,$1")
                .replaceAll("amount=([\\d.]+);width=([\\d.]+)", "$1,$2,")
                .replaceAll("amount=([\\d.]+)", "$1,,")
                .getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void aBundleOfMoreReadingsThanFitIsRefusedBeforeAnyIsStored() throws Exception {
        byte[] good = SentBundle.export(SampleStudy.read().id());
        long readings = count("reading");
        refused(
                SentBundle.changed(
                        good,
                        "readings.csv",
                        t -> t
                                + t.lines()
                                        .skip(1)
                                        .findFirst()
                                        .orElseThrow()
                                        .concat("\r\n")
                                        .repeat(100_001)),
                "more than 100000 lines");
        assertThat(count("reading")).isEqualTo(readings);
    }

    @Test
    void theStepsOfADayAndItsWeatherComeBackAsTheyWereTaken() throws Exception {
        Study before = SampleStudy.applyingOnly();
        String path = "/studies/" + before.id() + "/run";
        String section = SampleStudy.codes(before, "Osier Spray Seal").get(0);
        Web.send(path, step("air", "air", "16", "humidity", "50", "panel", "17", "wind", "3", "dark", "23:59"));
        Web.send(path, step("coat1/" + section + "/spread", "given", "4", "used", "towel 46", "ago", "90000"));

        String other = SampleStudy.codes(before, "Osier Spray Seal").get(1);
        Web.send(path, step("coat1/" + other + "/spread", "given", "3", "used", "towel 47", "ago", "120000"));
        Web.send(path, step("coat1/" + other + "/finish"));

        long id = SamplePlan.number(SentBundle.bringIn(SentBundle.export(before.id()), UUID.randomUUID()));

        assertThat(study(id).record().applications()).singleElement().satisfies(a -> {
            assertThat(a.section()).contains(other);
            assertThat(a.given()).isEqualTo("3 sprays; towel 47");
        });
        assertThat(Web.get("/studies/" + id + "/done").body()).contains("on " + other + ": 3 sprays; towel 47, waited");
        BundleDayStore days = LiveApp.bean(BundleDayStore.class);
        assertThat(days.steps(id)).hasSize(4).isEqualTo(days.steps(before.id()));
        assertThat(days.weather(id)).hasSize(1).isEqualTo(days.weather(before.id()));
        assertThat(Web.get("/studies/" + id + "/clocks?day=0").body())
                .as("what waits there waits here")
                .contains("Buff", section);
    }

    private static Map<String, String> step(String step, String... more) {
        Map<String, String> fields = new HashMap<>(
                Map.of("day", "0", "step", step, "key", UUID.randomUUID().toString()));
        for (int i = 0; i < more.length; i += 2) {
            fields.put(more[i], more[i + 1]);
        }
        return fields;
    }

    /** Readings without the numbers that a database gives them. */
    private static List<KeptReading> unnumbered(Study study) {
        return study.readings().stream()
                .map(r ->
                        new KeptReading(0, r.reading(), r.keptAt(), r.keptBy(), java.util.Optional.empty(), r.strike()))
                .toList();
    }

    @Test
    void aPlannedStudyKeepsItsStackItsDatesAndItsBed() throws Exception {
        Map<String, String> typed = SamplePlan.fair();
        typed.put("name1", "Brock Paste over Osier Spray Seal");
        long begun = SamplePlan.begin(SamplePlan.make(typed));
        LiveApp.bean(Key.class).open(begun, Hands.UNNAMED);
        Study before = study(begun);
        Study after = study(SamplePlan.number(SentBundle.bringIn(SentBundle.export(before.id()), UUID.randomUUID())));
        assertThat(after.works()).isEqualTo(before.works());
        assertThat(after.record().contenders()).isEqualTo(before.record().contenders());
        assertThat(after.bed().id())
                .as("onto the bed it was on")
                .isEqualTo(before.bed().id());
    }

    @Test
    void anyToolFindsItsWayByTheDescriptor() throws Exception {
        Map<String, byte[]> files =
                SentBundle.unzip(SentBundle.export(SampleStudy.read().id()));
        JsonNode descriptor = new JsonMapper().readTree(files.get("datapackage.json"));
        assertThat(descriptor.path("$schema").asString()).endsWith("/2.0/datapackage.json");
        assertThat(descriptor.path("resources")).hasSize(files.size() - 1);
        for (JsonNode resource : descriptor.path("resources")) {
            String header = new String(files.get(resource.path("path").asString()), StandardCharsets.UTF_8)
                    .lines()
                    .findFirst()
                    .orElseThrow();
            StringBuilder named = new StringBuilder();
            resource.path("schema")
                    .path("fields")
                    .forEach(f -> named.append(named.isEmpty() ? "" : ",")
                            .append(f.path("name").asString()));
            assertThat(header).isEqualTo(named.toString());
        }
    }

    @Test
    void aBadBundleIsRefusedWithItsReasonAndNothingOfItIsStored() throws Exception {
        byte[] good = SentBundle.export(SampleStudy.read().id());
        Map<String, byte[]> climbing = SentBundle.unzip(good);
        climbing.put("../../climbed.csv", new byte[3]);
        Map<String, byte[]> bomb = SentBundle.unzip(good);
        bomb.put("readings.csv", new byte[120 * 1024 * 1024]);
        Map<String, byte[]> missing = SentBundle.unzip(good);
        missing.remove("sections.csv");
        long studies = count("study");
        long readings = count("reading");
        refused(java.util.Arrays.copyOf(good, good.length / 2), "breaks off");
        refused("hello".getBytes(StandardCharsets.UTF_8), "is no zip file");
        refused(SentBundle.zip(climbing), "climb out of its folder");
        refused(SentBundle.zip(bomb), "larger than 96 MB");
        refused(SentBundle.zip(missing), "The table sections is missing");
        refused(
                SentBundle.changed(
                        good,
                        "datapackage.json",
                        t -> t.replaceAll("\"evenSheenVersion\" ?: ?5", "\"evenSheenVersion\": 9")),
                "of version 9");
        refused(
                SentBundle.changed(
                        good, "readings.csv", t -> t.replaceFirst(",pull,1,amount=[\\d.]+,", ",pull,1,amount=-4,")),
                "can't be");
        refused(
                SentBundle.changed(good, "readings.csv", t -> t.replaceFirst("\r\n(\\d+),[A-Z],", "\r\n$1,QQ,")),
                "no section QQ");
        refused(
                SentBundle.changed(good, "readings.csv", t -> t.replaceFirst(",rewetted,", ",after-3,")),
                "visits over weeks has no stage “after-3”");
        refused(
                SentBundle.changed(good, "plan.csv", t -> t + "work,9,3,dance,,Dance on it,\r\n"),
                "“dance” is no code that is known here");
        refused(
                SentBundle.changed(
                        good, "study.csv", t -> t.replaceFirst(",20\\d\\d-\\d\\d-\\d\\d,", ",+999999999-12-31,")),
                "outside the years 1990 to 2199");
        refused(
                SentBundle.changed(good, "readings.csv", t -> t.replaceFirst("20\\d\\d-01-02T", "+99999-01-02T")),
                "outside the years 1990 to 2199");
        refused(
                SentBundle.changed(good, "exposures.csv", t -> t + "1,washed,a\0b,2026-05-01T10:00:00Z,Ana,0,\r\n"),
                "a sign that is no text (NUL)");
        refused(
                SentBundle.changed(
                        good, "sections.csv", t -> t.replaceFirst("\r\n([A-Z],\\d+,\\d+),[\\d.]+,", "\r\n$1,1490,")),
                "does not lie on the bed");
        refused(
                SentBundle.changed(good, "sections.csv", t -> t.replaceFirst("\r\n([A-Z]),(\\d+),", "\r\n$1,77,")),
                "there is none of that number");
        assertThat(count("study")).isEqualTo(studies);
        assertThat(count("reading")).isEqualTo(readings);
    }

    private static void refused(byte[] bundle, String message) {
        HttpResponse<String> answer = SentBundle.bringIn(bundle, UUID.randomUUID());
        assertThat(answer.statusCode()).as(message).isEqualTo(422);
        assertThat(answer.body().replace("&#39;", "'")).contains("class=\"problem\"", message);
    }

    private static long count(String table) {
        return LiveApp.database()
                .sql("select count(*) from " + table)
                .query(Long.class)
                .single();
    }
}
