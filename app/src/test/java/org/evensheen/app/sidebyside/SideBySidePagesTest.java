package org.evensheen.app.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.evensheen.app.sidebyside.Afternoons.begun;
import static org.evensheen.app.sidebyside.Afternoons.form;
import static org.evensheen.app.sidebyside.Afternoons.load;
import static org.evensheen.app.sidebyside.Afternoons.place;
import static org.evensheen.app.sidebyside.Afternoons.plain;
import static org.evensheen.app.sidebyside.Afternoons.say;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.Web;
import org.evensheen.core.sidebyside.Step;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class SideBySidePagesTest {

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

    /** What was typed for mitts is offered for mitts again, and not for glass. */
    @Test
    void whatWasTypedBeforeIsOfferedAgain() {
        String mitt = "Mitt " + UUID.randomUUID();
        begun("media", mitt, "Loop Pad Nine");
        assertThat(Web.get("/compare?to=media").body()).contains("<option value=\"" + mitt + "\">");
        assertThat(Web.get("/compare?to=glass").body()).doesNotContain(mitt);
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
