package org.evensheen.app.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.Web;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Kind;
import org.evensheen.core.sidebyside.Step;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class SideBySidePagesTest {

    private static Map<String, String> form(String kind, String... names) {
        Map<String, String> form =
                new HashMap<>(Map.of("kind", kind, "key", UUID.randomUUID().toString()));
        for (int i = 0; i < names.length; i++) {
            form.put("name" + i, names[i]);
        }
        return form;
    }

    private static String place(HttpResponse<String> answer) {
        return answer.headers().firstValue("Location").orElseThrow().replaceAll("^https?://[^/]+", "");
    }

    /** Begun with what is usually asked, whatever was asked the last time. */
    private static String begun(String kind, String... names) {
        Map<String, String> form = form(kind, names);
        Kind.ofCode(kind).ifPresent(k -> {
            form.put("asked", kind);
            k.questions().stream().filter(q -> q.usual()).forEach(q -> form.put("ask-" + q.code(), "on"));
        });
        HttpResponse<String> made = Web.post("/compare", form);
        assertThat(made.statusCode()).as(made.body()).isEqualTo(302);
        return place(made);
    }

    private static Comparison load(String at) {
        return LiveApp.bean(ComparisonStore.class).load(Long.parseLong(at.replaceAll("\\D", "")));
    }

    private static HttpResponse<String> say(String at, String step, String value, String... more) {
        Map<String, String> form = new HashMap<>(
                Map.of("step", step, "value", value, "key", UUID.randomUUID().toString()));
        for (int i = 0; i < more.length; i += 2) {
            form.put(more[i], more[i + 1]);
        }
        return Web.send(at + "/said", form);
    }

    private static String plain(HttpResponse<String> answer) {
        return answer.body().replace('\u202f', ' ').replace("&#39;", "’").replace("&quot;", "\"");
    }

    private static void answer(String at, Step step) {
        String value = switch (step.type()) {
            case BEFORE -> "3";
            case LEVEL -> load(at).on(step.places().get(0)).name().startsWith("Curlew") ? "5" : "2";
            case NUMBER -> "7";
            case PAIR ->
                step.places().stream()
                        .filter(p -> load(at).on(p).name().startsWith("Curlew"))
                        .findFirst()
                        .orElseThrow();
            case DO, MARKS, DOSE -> "done";
            case RUNG -> "stands";
            case PAINT -> "spare";
        };
        assertThat(say(at, step.key(), value).statusCode()).as(step.key()).isEqualTo(200);
    }

    @Test
    void fromTwoNamesToASheetAsAProgramOrAPlainBrowserWould() {
        String at = begun("soap", "Curlew Foam", "Sallow Plain Soap, half the dose");
        assertThat(load(at).contenders()).extracting(c -> c.name()).contains("Sallow Plain Soap, half the dose");
        for (int i = 0; i < 4; i++) {
            int minute = List.of(0, 1, 3, 5).get(i);
            String curlew = load(at).on("A").name().startsWith("Curlew") ? "A" : "B";
            String other = curlew.equals("A") ? "B" : "A";
            say(at, "foam/" + curlew + "/" + minute, minute + ":" + (92 - 20 * i));
            say(at, "foam/" + other + "/" + minute, minute + ":" + (80 - 25 * i));
        }
        load(at).steps().stream().filter(s -> !s.done()).forEach(s -> answer(at, s));
        assertThat(Web.get(at).body()).contains("That is all.", "See the sheet");
        String sheet = plain(Web.get(at + "/sheet"));
        assertThat(sheet)
                .contains(
                        "Curlew Foam",
                        "a hint",
                        "One half each, so the place may have done it.",
                        "Swap sides and do it again")
                .contains("seen once")
                .containsPattern("1 of 1|2 of 2");
        assertThat(Web.get(at + "/sheet.json").body())
                .contains("even-sheen-side-by-side/1", "\"trust\":\"hint\"", "\"one-place-each\"", "\"unit\":\"min\"");
        assertThat(Web.get(at + "/sheet.md").body()).contains("| foam |", "How far to trust it: **a hint**");
        Web.post(at + "/again", Map.of("rounds", "1"));
        Web.post(at + "/again", Map.of("rounds", "1"));
        assertThat(load(at).rounds()).as("a double tap makes one round").isEqualTo(2);
        assertThat(load(at).on("C").name()).isEqualTo(load(at).on("B").name());
        assertThat(Web.get(at).body()).contains("before/C");
    }

    /** What was worth it goes on for weeks: the Planner has everything that was compared. */
    @Test
    void aSheetGrowsIntoAPlan() {
        String at = begun("spray", "Osier Spray Seal", "Gorse Glaze, half the dose");
        String osier = load(at).on("A").name().startsWith("Osier") ? "A" : "B";
        say(at, "dose/1", "as written", "dose/" + osier, "40 mL in 1 L");
        say(at, "came/1", "given");
        Map<String, String> form = new HashMap<>();
        Matcher field = Pattern.compile(
                        "<input type=\"hidden\" name=\"(key|question|unit|(?:name|what|way|dose|source)\\d)\" value=\"([^\"]*)\"")
                .matcher(Web.get(at + "/sheet").body());
        field.results().forEach(f -> form.put(f.group(1), f.group(2)));
        String plan = place(Web.post("/plans", form));
        assertThat(plan).matches("/plans/\\d+");
        assertThat(plain(Web.get(plan)))
                .contains(
                        "value=\"Osier Spray Seal\"",
                        "value=\"Gorse Glaze\"",
                        "value=\"half the dose\"",
                        "Which lasts: ");
        assertThat(form).containsEntry("dose0", "40 mL in 1 L").containsEntry("source1", "gifted");
        assertThat(plain(Web.get(plan + "?step=protocol"))).contains("value=\"40 mL in 1 L\"");
    }

    @Test
    void anAnswerIsKeptOnceAndTheLastStandsAndCanBeTakenBack() {
        String at = begun("glass", "One", "Other");
        UUID key = UUID.randomUUID();
        Map<String, String> form = Map.of("step", "streaks/A", "value", "2", "key", key.toString());
        List<CompletableFuture<Integer>> taps = IntStream.range(0, 5)
                .mapToObj(i -> CompletableFuture.supplyAsync(
                        () -> Web.send(at + "/said", form).statusCode()))
                .toList();
        assertThat(taps.stream().map(CompletableFuture::join)).containsOnly(200);
        assertThat(load(at).said()).hasSize(1);
        say(at, "streaks/A", "4");
        assertThat(load(at).said("streaks/A")).contains("4");
        say(at, "streaks/A", "undo");
        assertThat(load(at).said("streaks/A")).isEmpty();
        assertThat(load(at).said()).as("nothing that was said is lost").hasSize(3);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "soap|||name0|two at least",
                "soap|Curlew||name1|two at least",
                "soap|Curlew|curlew|name1|is there twice",
                "soap|\u3164|Curlew|name0|can be read",
                "wheel|A;B;C;D;E||shape|choose another shape",
                "mayhem|A|B||Choose what is compared"
            })
    void whatCantBeComparedSaysSoAtItsPlaceAndKeepsWhatWasTyped(
            String kind, String one, String other, String field, String saying) {
        String[] names = one == null
                ? new String[] {}
                : one.contains(";") ? one.split(";") : new String[] {one, other == null ? "" : other};
        HttpResponse<String> answer = Web.post("/compare", form(kind, names));
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(plain(answer)).contains(saying);
        if (field != null && one != null && !one.contains(";") && one.length() > 1) {
            assertThat(plain(answer)).contains("value=\"" + one + "\"");
        }
    }

    @Test
    void nineAreTooManyAndMarkupIsText() {
        String[] nine = IntStream.range(0, 9).mapToObj(i -> "Item " + i).toArray(String[]::new);
        assertThat(plain(Web.post("/compare", form("media", nine)))).contains("Eight is the most");
        String at = begun("media", "<b>Mitt</b>", "Towel");
        assertThat(Web.get(at).body()).doesNotContain("<b>Mitt");
        assertThat(Web.get(at + "/sheet").body()).contains("&lt;b&gt;Mitt").doesNotContain("<b>Mitt");
        assertThat(Web.get(at + "/sheet.md").body()).doesNotContain("| <b>");
    }

    @Test
    void whatCantBeAnAnswerIsRefusedAndNothingOfItIsKept() {
        String at = begun("soap", "One", "Other");
        assertThat(say(at, "gone/Z", "3").statusCode()).isEqualTo(422);
        assertThat(say(at, "gone/A", "9").body()).contains("0 to 5");
        assertThat(say(at, "dose/1", "as written", "dose/A", "45 mL in 10 L", "dose/Q", "none")
                        .statusCode())
                .isEqualTo(422);
        assertThat(load(at).said()).isEmpty();
        say(at, "dose/1", "as written", "dose/A", "45 mL in 10 L", "odd/B", "hotter");
        assertThat(load(at).said("dose/A")).contains("45 mL in 10 L");
        assertThat(load(at).odd("B")).contains("hotter");
        assertThat(Web.get("/compare/999999").statusCode()).isEqualTo(404);
    }

    @Test
    void sidesAreSwappedOnlyBeforeAnythingWasSaidAndTheRecordKnows() {
        String at = begun("method", "One way", "Another way");
        String before = load(at).on("A").name();
        Web.post(at + "/swap", Map.of());
        assertThat(load(at).on("B").name()).isEqualTo(before);
        assertThat(load(at).places()).allMatch(p -> p.byHand());
        say(at, "gone/A", "3");
        HttpResponse<String> late = Web.post(at + "/swap", Map.of());
        assertThat(late.statusCode()).isEqualTo(422);
        assertThat(plain(late)).contains("answered already");
        assertThat(load(at).on("B").name()).isEqualTo(before);
    }

    /** What is asked of a kind is asked again the next time. */
    @Test
    void whatWasDroppedAndAddedIsRememberedForTheKind() {
        Map<String, String> form = form("spray", "One", "Other");
        form.put("asked", "spray");
        form.put("ask-water", "on");
        form.put("ask-clears", "on");
        String at = place(Web.post("/compare", form));
        assertThat(load(at).asked()).containsExactlyInAnyOrder("water", "clears");
        Matcher ticked = Pattern.compile("name=\"ask-([a-z-]+)\" checked")
                .matcher(Web.get("/compare?kind=spray").body());
        assertThat(ticked.results().map(r -> r.group(1))).containsExactly("water", "clears");
    }

    /** A ballot shows codes and nothing else. */
    @Test
    void whoIsHandedThePhoneSeesCodesOnly() {
        String at = begun("soap", "Curlew Foam", "Sallow Plain Soap");
        String page = Web.get(at).body();
        Matcher ballot = Pattern.compile("(?s)<section[^>]*now-step slate is-pair.*?</section>")
                .matcher(page);
        assertThat(ballot.find()).isTrue();
        assertThat(ballot.group()).contains("no difference").doesNotContain("Curlew", "Sallow");
    }

    private static HttpResponse<String> sayAs(String who, String at, String step, String value) {
        return Web.post(
                at + "/said",
                Map.of("step", step, "value", value, "key", UUID.randomUUID().toString(), "open", "yes"),
                "Cookie",
                "hands=" + who,
                "Accept",
                "application/json");
    }

    /** Two phones at one pair: both answers stand, and each is told of the other. */
    @Test
    void twoPhonesAtOnePairCoverNothing() {
        String at = begun("media", "Ewe Fleece Mitt", "Slice Brick Sponge");
        String pair = load(at).steps().stream()
                .map(Step::key)
                .filter(k -> k.startsWith("glide/"))
                .findFirst()
                .orElseThrow();
        assertThat(sayAs("Ana", at, pair, "A").body()).contains("\"beside\":\"\"");
        assertThat(sayAs("Ben", at, pair, "same").body()).contains("Ana said A. Both stand.");
        assertThat(sayAs("Ben", at, pair, "B").body()).contains("answered on another phone: no difference");
        assertThat(load(at).answers().of(pair)).hasSize(2);
        assertThat(Web.get(at + "/sheet.json").body()).contains("\"ballots\":2");
        assertThat(plain(Web.get(at + "/sheet"))).contains("1 of 2");
    }

    /** What shows later falls due on the Bench, in the calendar and in its file, and is gone from there once it was looked at. */
    @Test
    void aLookThatShowsLaterFallsDueWhereItIsSeen() {
        Map<String, String> form = form("wheel", "Rustmoth Iron Wash", "Moth " + UUID.randomUUID());
        form.put("asked", "wheel");
        form.put("ask-bloom", "on");
        form.put("ask-sling", "on");
        String at = place(Web.post("/compare", form));
        say(at, "before/A", "3");
        say(at, "before/B", "3");
        say(at, "dose/1", "as the labels say");
        load(at).steps().stream().filter(s -> s.type() == Step.Type.DO).forEach(s -> say(at, s.key(), "done"));
        String page = plain(Web.get(at));
        assertThat(page).contains("That is all for now.", "How much rust bloom is on the disc? ");
        String link = at + "?step=bloom/A";
        assertThat(Web.get("/compare/latest").body()).contains(link, "Rustmoth Iron Wash / Moth");
        assertThat(Web.get("/calendar").body()).contains(link);
        String feed = Pattern.compile("/calendar/[0-9a-f-]+\\.ics")
                .matcher(Web.get("/calendar").body())
                .results()
                .findFirst()
                .orElseThrow()
                .group();
        assertThat(Web.get(feed).body().replaceAll("\r?\n[ \t]", ""))
                .contains("UID:comparison-" + at.replaceAll("\\D", "") + "-bloom-A@even-sheen", link);
        say(at, "bloom/A", "1");
        say(at, "bloom/B", "2");
        assertThat(Web.get("/compare/latest").body()).doesNotContain(link).contains(at + "?step=sling/A");
    }

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
        assertThat(Web.upload("/compare/bundle", "file", new byte[] {1, 2, 3}).statusCode())
                .isEqualTo(422);
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

    /** A dose is read as it is written: both readings of a ratio, and how it stands to the label. */
    @Test
    void aDoseIsReadWhileItIsWritten() {
        String at = begun("soap", "Curlew Foam", "Something new");
        assertThat(Web.get(at + "/dose?place=A&text=1:9").body()).contains("100 or 111 mL in each litre");
        assertThat(Web.get(at + "/dose?place=A&text=handful").body()).contains("\"told\":\"\"");
        assertThat(Web.get(at + "/dose?place=Z&text=1:9").statusCode()).isEqualTo(200);
    }

    /** Steps of rising force until a place is gone, and what came of it in words. */
    @Test
    void aLadderIsToldByTheStepAtWhichEachGaveWay() {
        String at = begun("ladder", "Osier Spray Seal", "Brock Paste");
        String osier = load(at).on("A").name().startsWith("Osier") ? "A" : "B";
        String brock = osier.equals("A") ? "B" : "A";
        say(at, "do/1/water", "done", "with/1/water", "hose, 60 s");
        say(at, "water/" + osier, "stands");
        say(at, "water/" + brock, "weaker");
        say(at, "rinseless/" + osier, "stands");
        say(at, "rinseless/" + brock, "gone");
        assertThat(say(at, "soap/" + brock, "stands").body()).contains("was gone after a rinseless wash already");
        say(at, "soap/" + osier, "stands");
        say(at, "alcohol/" + osier, "gone");
        assertThat(plain(Web.get(at + "/sheet")))
                .contains(
                        "gone at a rinseless wash",
                        "gone at a wipe with alcohol",
                        "Seen once, so not proven: Osier Spray Seal stands more.",
                        "names the step at which a place gave way, not what did it");
    }
}
