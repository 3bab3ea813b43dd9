package org.evensheen.app.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.evensheen.app.sidebyside.Afternoons.begun;
import static org.evensheen.app.sidebyside.Afternoons.begunAsking;
import static org.evensheen.app.sidebyside.Afternoons.form;
import static org.evensheen.app.sidebyside.Afternoons.load;
import static org.evensheen.app.sidebyside.Afternoons.place;
import static org.evensheen.app.sidebyside.Afternoons.plain;
import static org.evensheen.app.sidebyside.Afternoons.say;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.StatementCounter;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.sidebyside.Comparison;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What goes out of an afternoon, and what it grows into. */
@ExtendWith(LiveApp.class)
class SheetPagesTest {

    @Test
    void photosOfPlacesStandOnTheSheetInTheFileAndInTheBundle() throws Exception {
        String at = begun("glass", "One cleaner", "Other <cleaner>");
        byte[] photo = org.evensheen.app.pictures.Picture.of(() -> {
                    var image = new java.awt.image.BufferedImage(40, 30, java.awt.image.BufferedImage.TYPE_INT_RGB);
                    var bytes = new java.io.ByteArrayOutputStream();
                    javax.imageio.ImageIO.write(image, "png", bytes);
                    return bytes.toByteArray();
                })
                .large();
        String to = at + "/photos?code=A&step=streaks/A&key=";
        UUID key = UUID.randomUUID();
        assertThat(Web.upload(to + key, "photo", photo).statusCode()).isEqualTo(302);
        assertThat(Web.upload(to + key, "photo", photo).statusCode()).isEqualTo(302);
        assertThat(Web.upload(to + UUID.randomUUID(), "photo", "none".getBytes(java.nio.charset.StandardCharsets.UTF_8))
                        .statusCode())
                .isEqualTo(422);
        assertThat(Web.upload(at + "/photos?code=Z&step=streaks/A&key=" + key, "photo", photo)
                        .body())
                .contains("no such place");
        say(at, "streaks/A", "1");
        say(at, "streaks/B", "3");
        String sheet = Web.get(at + "/sheet").body();
        assertThat(sheet.split("/small.jpg", -1)).as("kept once").hasSize(2);
        HttpResponse<String> file = Web.get(at + "/sheet.html");
        assertThat(file.body())
                .contains("data:image/jpeg;base64,", "Other &lt;cleaner&gt;", "seen once")
                .doesNotContain("<script", "Other <cleaner>");
        byte[] bundle = LiveApp.bean(ComparisonBundle.class).write(Long.parseLong(at.replaceAll("\\D", "")));
        String again = place(Web.upload("/compare/bundle", "file", bundle));
        assertThat(again).as("what is there already is not doubled").isEqualTo(at + "/sheet");
        String other = new String(bundle, java.nio.charset.StandardCharsets.ISO_8859_1);
        assertThat(other).contains("comparison.json", "photos/0001.jpg");
    }

    /** What afternoons came to is told at Verdicts and on the page of each product that took part. */
    @Test
    void afternoonsAreToldWhereOneLooksForVerdicts() {
        String rare = "Rare Glaze " + UUID.randomUUID();
        long product = org.evensheen.app.live.SampleProduct.make(rare, "wax", "4 mL per section; for paint", 500);
        String at = begun("spray", rare, "Something Else");
        say(at, "streaks/A", "1");
        say(at, "streaks/B", "4");
        String own = plain(Web.get("/compare/told?product=" + product));
        assertThat(own)
                .contains(rare + " / Something Else", at + "/sheet", "Seen once, so not proven")
                .doesNotContain("Older");
        assertThat(plain(Web.get("/compare/told"))).contains(rare);
        assertThat(plain(Web.get("/compare/told?product=999999"))).doesNotContain("<li");
        assertThat(Web.get("/verdicts").body()).contains("hx-get=\"/compare/told\"");
        assertThat(Web.get("/compare/told?page=-1").statusCode()).isEqualTo(200);
        assertThat(Web.get("/compare/told?product=x").statusCode()).isBetween(400, 422);
    }

    /** A bundle comes in elsewhere with all that was said, and what is none says so. */
    @Test
    void aBundleComesInWholeOrNotAtAll() throws java.io.IOException {
        String at = begun("spray", "Osier Spray Seal", "Gorse Glaze");
        say(at, "streaks/A", "1");
        say(at, "streaks/B", "4");
        byte[] bundle = LiveApp.bean(ComparisonBundle.class).write(Long.parseLong(at.replaceAll("\\D", "")));
        Comparison there = load(place(Web.upload("/compare/bundle", "file", rekeyed(bundle, s -> s))));
        assertThat(there.said()).isEqualTo(load(at).said());
        assertThat(there.places()).isEqualTo(load(at).places());
        assertThat(there.contenders()).isEqualTo(load(at).contenders());
        for (java.util.function.UnaryOperator<String> broken : List.<java.util.function.UnaryOperator<String>>of(
                s -> s.replace("even-sheen-comparison/1", "even-sheen-comparison/9"),
                s -> s.replace("\"spray\"", "\"sprawl\""),
                s -> s.replace("\"number\" : 1", "\"number\" : 9"),
                s -> s.replace("\"code\" : \"B\"", "\"code\" : \"A\""),
                s -> s.replace("\"key\"", "\"quay\""),
                s -> s.substring(0, 100))) {
            HttpResponse<String> refused = Web.upload("/compare/bundle", "file", rekeyed(bundle, broken));
            assertThat(refused.statusCode()).isEqualTo(422);
            assertThat(refused.body().toLowerCase(java.util.Locale.ROOT)).contains("nothing was stored");
        }
        String mine = load(at).said().get(0).value();
        HttpResponse<String> stolen = Web.upload("/compare/bundle", "file", otherKeyOnly(bundle));
        assertThat(stolen.statusCode()).isEqualTo(422);
        assertThat(stolen.body()).contains("belongs to another comparison");
        assertThat(load(at).said().get(0).value()).isEqualTo(mine);
        assertThat(Web.upload("/compare/bundle", "file", new byte[] {1, 2, 3}).statusCode())
                .isEqualTo(422);
    }

    /** The same answers under the key of another comparison. */
    private static byte[] otherKeyOnly(byte[] bundle) throws java.io.IOException {
        var in = new java.util.zip.ZipInputStream(new java.io.ByteArrayInputStream(bundle));
        in.getNextEntry();
        String text = new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        Matcher key = Pattern.compile("[0-9a-f]{8}-[0-9a-f-]{27}").matcher(text);
        var bytes = new java.io.ByteArrayOutputStream();
        try (var out = new java.util.zip.ZipOutputStream(bytes)) {
            out.putNextEntry(new java.util.zip.ZipEntry("comparison.json"));
            out.write(key.replaceFirst(UUID.randomUUID().toString()).getBytes(java.nio.charset.StandardCharsets.UTF_8));
        }
        return bytes.toByteArray();
    }

    /** The same bundle under other keys, with its document changed. */
    private static byte[] rekeyed(byte[] bundle, java.util.function.UnaryOperator<String> change)
            throws java.io.IOException {
        var in = new java.util.zip.ZipInputStream(new java.io.ByteArrayInputStream(bundle));
        var bytes = new java.io.ByteArrayOutputStream();
        try (var out = new java.util.zip.ZipOutputStream(bytes)) {
            in.getNextEntry();
            String text = new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
            Matcher keys = Pattern.compile("[0-9a-f]{8}-[0-9a-f-]{27}").matcher(text);
            text = keys.replaceAll(k -> UUID.randomUUID().toString());
            out.putNextEntry(new java.util.zip.ZipEntry("comparison.json"));
            out.write(change.apply(text).getBytes(java.nio.charset.StandardCharsets.UTF_8));
        }
        return bytes.toByteArray();
    }

    @Test
    void questionsAreKeptAsAKindOfOnesOwn() {
        Map<String, String> form = form("spray", "One", "Other");
        form.put("asked", "spray");
        form.put("ask-tone", "on");
        form.put("ask-minutes", "on");
        form.put("shape", "strips");
        String at = place(Web.post("/compare", form));
        String name = "Tone on strips " + UUID.randomUUID().toString().substring(0, 8);
        assertThat(plain(Web.post(
                        at + "/kind",
                        Map.of("name", "\u3164", "key", UUID.randomUUID().toString()))))
                .contains("a name that can be read");
        Map<String, String> kept = Map.of("name", name, "key", UUID.randomUUID().toString());
        Web.post(at + "/kind", kept);
        Web.post(at + "/kind", kept);
        String start = Web.get("/compare").body();
        Matcher tile = Pattern.compile("(?s)value=\"(own-\\d+)\"[^>]*>(?:(?!</button>).)*" + name)
                .matcher(start);
        assertThat(tile.find()).isTrue();
        String own = tile.group(1);
        assertThat(Web.get("/compare?to=" + own).body())
                .contains("name=\"ask-tone\" checked")
                .doesNotContain("name=\"ask-slick\" checked");
        String mine = begun(own, "This", "That");
        assertThat(load(mine).asked()).containsExactlyInAnyOrder("tone", "minutes");
        assertThat(load(mine).shape()).isEqualTo(org.evensheen.core.layout.Places.STRIPS);
    }

    @Test
    void howTheyWereComeByIsSaidOnTheSheetAndWhoKnewIsDoubted() {
        String at = begun("spray", "Osier Spray Seal", "Gorse Glaze");
        say(at, "streaks/A", "1");
        say(at, "streaks/B", "3");
        Web.post(at + "/came", Map.of("key", UUID.randomUUID().toString(), "came/0", "bought", "came/1", "given"));
        assertThat(plain(Web.get(at + "/sheet")))
                .contains("Bought: Osier Spray Seal. Given: Gorse Glaze.", "no ordinary purchase");
    }

    /** What was worth it goes on for weeks: the Planner has everything that was compared. */
    @Test
    void aSheetGrowsIntoAPlan() {
        String at = begun("spray", "Osier Spray Seal", "Gorse Glaze, half the dose");
        String osier = load(at).on("A").name().startsWith("Osier") ? "A" : "B";
        say(at, "dose/1", "as written", "dose/" + osier, "40 mL in 1 L");
        say(at, "came/1", "given");
        Map<String, String> form = forWeeks(at);
        String plan = place(Web.post("/plans", form));
        assertThat(plan).matches("/plans/\\d+");
        assertThat(plain(Web.get(plan)))
                .contains(
                        "value=\"Osier Spray Seal\"",
                        "value=\"Gorse Glaze\"",
                        "value=\"half the dose\"",
                        "Which lasts: ",
                        "<a href=\"" + at + "/sheet\">What was seen first");
        assertThat(form).containsEntry("dose0", "40 mL in 1 L").containsEntry("source1", "gifted");
        assertThat(plain(Web.get(plan + "?step=protocol"))).contains("value=\"40 mL in 1 L\"");
    }

    /** What the sheet sends to the Planner. */
    private static Map<String, String> forWeeks(String at) {
        Map<String, String> form = new HashMap<>();
        Matcher field = Pattern.compile(
                        "<input type=\"hidden\" name=\"(key|question|unit|grown|(?:name|what|way|dose|source)\\d)\" value=\"([^\"]*)\"")
                .matcher(Web.get(at + "/sheet").body());
        field.results().forEach(f -> form.put(f.group(1), f.group(2)));
        return form;
    }

    /** The places stay where they are, and what was timed, counted and graded there are the first readings of the study. */
    @Test
    void anAfternoonGoesOnForWeeksWithItsPlacesDosesAndFirstReadings() {
        String at =
                begunAsking("spray", Set.of("clears", "high-spots"), "Osier Spray Seal", "Gorse Glaze, half the dose");
        say(at, "streaks/A", "1", "by", "Reviewer");
        say(at, "streaks/B", "3");
        say(at, "clears/A", "12");
        say(at, "clears/B", "48");
        say(at, "high-spots/B", "4");
        say(at, "slick/A-B", "A");
        say(at, "dose/1", "as written", "dose/A", "40 mL in 1 L");
        List<String> lay = List.of(load(at).on("A").name(), load(at).on("B").name());
        String plan = place(Web.post("/plans", forWeeks(at)));
        assertThat(plain(Web.get(plan)))
                .contains("<option value=\"laid\" selected=\"selected\">the same places, as they lie")
                .doesNotContain("choose sections of a bed above");
        assertThat(plain(Web.get(plan + "?step=protocol"))).contains("name=\"clears\"", "name=\"high-spots\"");
        long id = Long.parseLong(place(Web.post(plan + "/begin", Map.of())).replaceAll("\\D", ""));
        assertThat(place(Web.post(plan + "/begin", Map.of()))).as("sent twice").isEqualTo("/studies/" + id);
        Study study = LiveApp.bean(StudyStore.class).load(id);
        assertThat(study.record().sections())
                .extracting(s -> s.code() + " " + s.name() + " "
                        + study.record().contenderOn(s).name())
                .containsExactly("A left half " + lay.get(0), "B right half " + lay.get(1));
        assertThat(study.dateOf(0)).isEqualTo(LocalDate.now());
        assertThat(study.readings())
                .extracting(r -> r.reading().section() + " " + r.reading().measure() + " "
                        + r.reading().seen().line() + " day " + r.occasion().day())
                .containsExactlyInAnyOrder(
                        "A streaks amount=1 day 0",
                        "B streaks amount=3 day 0",
                        "A clears amount=12 day 0",
                        "B clears amount=48 day 0",
                        "B high-spots amount=4 day 0");
        assertThat(study.record().plan().measures())
                .extracting(p -> p.measure().code())
                .containsExactlyInAnyOrder("clears", "high-spots");
        assertThat(study.record().plan().visits().get(1).day()).isEqualTo(7);
        assertThat(study.record().applications())
                .extracting(a -> a.day() + " "
                        + study.record().contenders().get(a.contender()).name() + " "
                        + a.dose().orElseThrow().print())
                .containsExactly("0 " + lay.get(0) + " 40 mL in 1 L");
        assertThat(plain(Web.get("/studies/" + id + "?day=0&section=A"))).contains("Clears after", "12", "Streaks");
        assertThat(plain(Web.get("/studies/" + id + "/verdict?measure=clears&day=0")))
                .contains("Clears after", lay.get(0), lay.get(1));
        assertThat(plain(Web.get("/studies/" + id + "/verdict?measure=streaks&day=0")))
                .contains("Streaks");
        assertThat(Web.get("/studies/" + id + "/readings").statusCode()).isEqualTo(200);
        for (String day : List.of("", "?day=0", "?day=7")) {
            HttpResponse<String> run = Web.get("/studies/" + id + "/run" + day);
            assertThat(run.statusCode()).as("run sheet" + day).isEqualTo(200);
            assertThat(run.body()).as("it went on that afternoon").doesNotContain("Spread");
        }
    }

    /** Whoever adds something else has to draw lots anew, and is told so at its name. */
    @Test
    void nothingElseCanLieWhereAnAfternoonWas() {
        String at = begun("spray", "Osier Spray Seal", "Brock Paste");
        String plan = place(Web.post("/plans", forWeeks(at)));
        Web.post(plan, Map.of("name2", "Kelter Rinse-On", "base", "1", "step", "ask"));
        assertThat(plain(Web.get(plan))).contains("To compare something else, draw lots anew");
        say(at, "streaks/A", "1");
        assertThat(StatementCounter.during(() -> Web.get(plan))).isLessThanOrEqualTo(5);
        assertThat(Web.post(plan + "/begin", Map.of()).statusCode()).isEqualTo(422);
        Web.post(plan, Map.of("unit", "wheel", "base", "2", "step", "ask"));
        assertThat(plain(Web.get(plan))).doesNotContain("To compare something else, draw lots anew");
    }

    /** What was seen on the afternoon stands on the study of weeks, but never while its key is closed. */
    @Test
    void aStudyThatGrewOutOfAnAfternoonShowsWhatWasSeenFirst() {
        String at = begun("spray", "Osier Spray Seal", "Brock Paste");
        say(at, "streaks/A", "1");
        say(at, "streaks/B", "4");
        String seen =
                load(at).on("A").name() + ": one or two; " + load(at).on("B").name() + ": nearly all over";
        assertThat(plain(Web.get(at + "/first"))).contains("Seen first, side by side", seen);
        for (boolean closed : List.of(false, true)) {
            Map<String, String> typed = SamplePlan.fair();
            typed.put("grown", at.replaceAll("\\D", ""));
            if (!closed) {
                typed.remove("blind");
            }
            long study = SamplePlan.begin(SamplePlan.make(typed));
            String first = plain(Web.get("/compare/first?study=" + study));
            assertThat(first.contains(seen)).isEqualTo(!closed);
            assertThat(first.contains("it opens with the key")).isEqualTo(closed);
            if (closed) {
                assertThat(first).doesNotContain("Osier", "Brock", at);
            }
        }
        assertThat(Web.get("/compare/first?study=987654").statusCode()).isEqualTo(200);
    }

    /** A good mitt may be a poor towel: what a medium is judged by stands job by job. */
    @Test
    void mediaAreJudgedByJobAndThoseWhoAnsweredAreSetAgainstEachOther() {
        String at = begun("media", "Ewe Fleece Mitt", "Slice Brick Sponge");
        load(at).steps().stream()
                .filter(x -> x.question().isPresent())
                .forEach(x ->
                        say(at, x.key(), x.places().size() == 2 ? x.places().get(0) : "3"));
        String sheet = plain(Web.get(at + "/sheet"));
        assertThat(sheet.indexOf("Washing with it")).isBetween(1, sheet.indexOf("Drying with it"));
        assertThat(sheet.indexOf("Drying with it")).isLessThan(sheet.indexOf("Using it again"));
        assertThat(sheet).contains("One piece of each", "Do it all once more").doesNotContain("item 1", "Swap sides");
        assertThat(sheet)
                .containsPattern(
                        "Bar: the chance of being the best\\. (\\d) of (\\d): the better one in \\1 of \\2 pairs it was asked about");
        assertThat(Web.get(at + "/sheet.json").body()).contains("\"agreement\"");
    }

    /** 45 mL on a quarter are 180 mL a car, so 500 mL do 2.8 cars. */
    @Test
    void whatABottleDoesStandsBesideWhatWasPromised() {
        String promised = SampleProduct.name("Sedge");
        SampleProduct.make(promised, "spray-wax", "apply 10 mL per panel; 500 mL 11.40 EUR; does 24 cars a bottle", 0);
        String at = begun("spray", promised, "Reed", "Fen");
        var c = load(at);
        c.places().forEach(p -> say(at, "dose/" + p.code(), "45 mL"));
        assertThat(plain(Web.get(at + "/sheet")))
                .containsOnlyOnce("are promised")
                .contains("4.10 EUR a car", "2.8 cars where 24 are promised: 8.6× as much a car");
    }
}
