package org.evensheen.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a person does with Even Sheen, done in a real browser at a desk and on a phone. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
class JourneyTest {
    private Visit visit;
    private Page page;

    private void open(int width, String path) {
        visit = Visit.of(width, width == 390 ? 844 : 800, ColorScheme.LIGHT);
        page = visit.page();
        page.navigate(path);
    }

    @AfterEach
    void nothingComplained() {
        assertThat(visit.complaints()).isEmpty();
        visit.close();
    }

    private Locator slate() {
        return page.locator(".slate");
    }

    /** Waits until nothing is being redrawn, as a person would. */
    private void calm() {
        assertThat(page.locator("body[aria-busy]")).hasCount(0);
    }

    private void keep(String value) {
        calm();
        field().fill(value);
        field().press("Enter");
        calm();
    }

    private Locator field() {
        return page.locator("[data-entry] input[name=amount]");
    }

    private Locator section(String code) {
        return page.locator("[data-code='" + code + "']");
    }

    /** Takes up a measure on the Slate and waits until it asks for it. */
    private void takeUp(String measure, String asked) {
        slate().locator("a.measure", new Locator.LocatorOptions().setHasText(measure))
                .click();
        assertThat(slate().locator(".ask")).containsText(asked);
    }

    private static String address(Study study) {
        return "/studies/" + study.id();
    }

    private static List<String> codes(Study study) {
        return study.record().sections().stream().map(Section::code).toList();
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void theBenchSaysWhatIsDueAndOneTapOpensIt(int width) {
        open(width, "/");
        assertThat(page.locator("h1")).containsText(Pattern.compile("\\d+ readings due today"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Only the readings"))
                .click();
        assertThat(page.locator("[aria-label=Panel] .section")).not().hasCount(0);
        assertThat(page.locator("#day")).isVisible();
        assertThat(slate()).isVisible();
        assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                .as("nothing hangs over the edge")
                .isTrue();
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void pullingTheTapeRedrawsThePanelAndTheSlateForThatDay(int width) {
        Study study = SampleStudy.read();
        open(width, address(study));
        Locator any = section(codes(study).get(0));
        String today = any.getAttribute("aria-label");
        assertThat(page.locator(".hook-day")).hasText("Today, day 8");
        page.locator("#day").focus();
        for (int day = 8; day > 1; day--) {
            page.keyboard().press("ArrowLeft");
        }
        assertThat(slate()).containsText("7 days ago");
        assertThat(page.locator(".hook-day")).hasText("Day 1");
        assertThat(any).not().hasAttribute("aria-label", today);
        assertThat(page).hasURL(Pattern.compile("day=1&stage=fresh"));

        BoundingBox blade = page.locator("#day").boundingBox();
        page.mouse().move(blade.x + 24 + (blade.width - 48) / 15, blade.y + 35);
        page.mouse().down();
        page.mouse().move(blade.x + 24 + (blade.width - 48) * 4 / 15, blade.y + 35);
        page.mouse().up();
        assertThat(slate()).containsText("4 days ago");
        assertThat(any).hasAttribute("aria-label", Pattern.compile("estimated"));
        assertThat(page.locator(".section .estimated")).not().hasCount(0);
    }

    @ParameterizedTest
    @ValueSource(ints = {390})
    void aFingerPullsTheTape(int width) {
        Study study = SampleStudy.read();
        open(width, address(study));
        BoundingBox blade = page.locator("#day").boundingBox();
        double y = blade.y + 35;
        double today = blade.x + 24 + (blade.width - 48) * SampleStudy.TODAY / 15;
        double fourth = blade.x + 24 + (blade.width - 48) * 4 / 15;
        CDPSession finger = visit.context().newCDPSession(page);
        touch(finger, "touchStart", today, y);
        for (int step = 1; step <= 8; step++) {
            touch(finger, "touchMove", today + (fourth - today) * step / 8, y);
        }
        touch(finger, "touchEnd", -1, -1);
        assertThat(slate()).containsText("4 days ago");
        assertThat(page.locator(".hook-day")).hasText("Day 4");
    }

    private static void touch(CDPSession finger, String type, double x, double y) {
        JsonObject event = new JsonObject();
        event.addProperty("type", type);
        JsonArray points = new JsonArray();
        if (x >= 0) {
            JsonObject point = new JsonObject();
            point.addProperty("x", x);
            point.addProperty("y", y);
            points.add(point);
        }
        event.add("touchPoints", points);
        finger.send("Input.dispatchTouchEvent", event);
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void pullsAreKeptOneAfterAnotherAndTheStandingMovesWithoutAPageLoad(int width) {
        Study study = SampleStudy.make();
        List<String> codes = codes(study);
        open(width, address(study));
        page.evaluate("window.sameDocument = true");
        section(codes.get(0)).click();
        assertThat(slate()).containsText("First pull");
        keep("9,7");
        assertThat(slate()).containsText("Second pull");
        keep("9.9");
        assertThat(slate().locator(".row.chosen .mean")).hasText(Pattern.compile("9\\.8.N ± 0\\.1"));
        assertThat(slate()).containsText("Third pull");
        field().fill("9.8");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep"))
                .click();
        assertThat(slate().locator("h2.tag")).hasText(codes.get(1));
        assertThat(slate()).containsText("First pull");

        String before = slate().locator(".standing").innerText();
        for (String code : codes.subList(1, codes.size())) {
            assertThat(slate().locator("h2.tag")).hasText(code);
            boolean bare = study.record()
                    .contenderOn(study.record().section(code).orElseThrow())
                    .isBare();
            for (int repeat = 1; repeat <= 3; repeat++) {
                assertThat(slate())
                        .containsText(repeat == 1 ? "First pull" : repeat == 2 ? "Second pull" : "Third pull");
                keep((bare ? "18." : "11.") + (codes.indexOf(code) + repeat));
            }
        }
        assertThat(slate().locator("h2.tag")).hasText(codes.get(0));
        assertThat(slate()).containsText("First drop");
        takeUp("Pull", "pull");
        assertThat(slate()).containsText("of its first slickness left");
        assertThat(slate().locator(".standing tbody tr")).hasCount(3);
        assertThat(slate().locator(".standing").innerText()).isNotEqualTo(before);
        assertThat((Boolean) page.evaluate("window.sameDocument === true"))
                .as("no page load")
                .isTrue();
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void whatIsWrongIsSaidAtTheFieldAndSurvivesALookElsewhereAndAReload(int width) {
        Study study = SampleStudy.make();
        open(width, address(study));
        keep("nine");
        assertThat(slate().locator(".wrong")).containsText("“nine” is not a number");
        assertThat(field()).hasValue("nine");
        field().fill("9.4");
        page.reload();
        assertThat(field()).hasValue("9.4");
        visit.context().setOffline(true);
        List<String> failed = new ArrayList<>();
        page.onRequestFailed(request -> failed.add(request.url()));
        field().fill("9");
        field().fill("9.4");
        field().press("Enter");
        page.waitForCondition(() -> failed.stream().anyMatch(url -> url.contains("/suppose")));
        assertThat(page.locator("#notice")).containsText("No connection. First pull");
        assertThat(page.locator("#notice")).containsText("9.4 is kept on this device");
        visit.context().setOffline(false);
        assertThat(slate()).containsText("Second pull");
        visit.complaints().removeIf(c -> c.contains("ERR_INTERNET_DISCONNECTED"));
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void aWrongReadingIsCorrectedOrStruckOutWithAReason(int width) {
        Study study = SampleStudy.read();
        open(
                width,
                address(study) + "?day=8&measure=pull&section=" + codes(study).get(2));
        Locator chips = slate().locator(".chip");
        assertThat(chips).hasCount(3);
        chips.nth(0).click();
        assertThat(page.getByLabel("Why")).isVisible();
        field().fill("8.8");
        page.getByLabel("Why").fill("read the wrong line");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Correct it"))
                .click();
        assertThat(slate()).containsText("Corrected: 8.8");
        assertThat(slate().locator(".chip.struck")).hasCount(1);
        slate().locator(".chip:not(.struck)").nth(1).click();
        assertThat(page.getByLabel("Why")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Strike it out"))
                .click();
        assertThat(slate()).containsText("Say why");
        page.getByLabel("Why").fill("sled caught the tape");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Strike it out"))
                .click();
        assertThat(slate().locator(".chip.struck")).hasCount(2);
        assertThat(slate().locator(".chip.struck").last())
                .hasAttribute("title", Pattern.compile("Struck out by Reviewer.*sled caught the tape"));
        assertThat(slate()).containsText("Second pull");
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void dropsWaterLeftBehindAndGradesForBothKindsAreRead(int width) {
        Study study = SampleStudy.make();
        String code = codes(study).get(0);
        open(width, address(study) + "?day=8&measure=drop&section=" + code);
        field().fill("2.0");
        page.locator("[data-entry] input[name=width]").fill("3.6");
        assertThat(slate().locator(".hint").first()).containsText("contact angle 103.3°");
        page.locator("[data-entry] input[name=width]").press("Enter");
        assertThat(section(code)).hasAttribute("aria-label", Pattern.compile("water 103°"));

        takeUp("Left behind", "left behind");
        section(code).click();
        calm();
        keep("10");
        assertThat(slate().locator(".row.chosen .mean")).containsText("g/m²");

        takeUp("By eye", "rade by eye");
        for (String kind : List.of("repels", "sheets")) {
            page.getByLabel(Pattern.compile("^" + kind)).check();
            page.locator(".grades button[value='3']").click();
            assertThat(slate()).containsText("Kept: grade by eye " + (kind.equals("repels") ? 1 : 2));
            calm();
        }
        assertThat(slate().locator(".row.chosen .chips")).containsText(Pattern.compile("3 beads\\s*3 sheet"));
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void aStudyIsMadeFromNothingAndReadBareFreshAndWorn(int width) {
        Map<String, String> typed = new HashMap<>(Map.of(
                "bed", String.valueOf(SamplePlan.bed("1200 × 800")),
                "question", "Does anything stay on the cart?",
                "name0", "Lowlight Mist",
                "name1", "Gannet Spray Wax",
                "reference", "0",
                "blind", "on",
                "firstDay", java.time.LocalDate.now().minusDays(8).toString()));
        open(width, "/studies/" + SamplePlan.begin(SamplePlan.make(typed)));
        assertThat(page.locator(".section")).hasCount(6);
        assertThat(page.locator(".section.bare")).hasCount(2);
        int[] days = {0, 1, 8};
        for (int day : days) {
            page.navigate(page.url().replaceAll("\\?.*", "") + "?day=" + day + "&measure=pull");
            IntStream.rangeClosed(1, 18).forEach(n -> {
                boolean bare = page.locator(".section.chosen.bare").count() == 1;
                String sled = slate().locator("h2.tag").innerText();
                keep((bare || day == 0 ? "17." : "9.") + (n * 7 % 9));
                assertThat(slate().locator(".said")).containsText(Pattern.compile("Kept: pull \\d on " + sled));
                page.waitForCondition(() ->
                        n % 3 != 0 || !slate().locator("h2.tag").innerText().equals(sled) || n == 18);
            });
        }
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Verdict").setExact(true))
                .click();
        assertThat(page.locator(".rank .place-number")).hasCount(2);
        assertThat(page.locator("main")).containsText("Left of its first effect");
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void everyNumberOfTheVerdictOpensHowItWasWorkedOut(int width) {
        Study study = SampleStudy.closed();
        open(width, address(study) + "/verdict");
        assertThat(page.locator(".headline mark")).not().isEmpty();
        assertThat(page.locator("#footing")).containsText("Footing");
        int numbers = page.locator("a.num:visible").count();
        assertThat(numbers).isGreaterThan(15);
        for (int i = 0; i < numbers; i++) {
            page.locator("a.num:visible").nth(i).click();
            assertThat(page.locator("#workings")).isVisible();
            assertThat(page.locator("#workings-body")).containsText("How this was worked out");
            page.locator("#workings [data-close]").click();
            assertThat(page.locator("#workings")).isHidden();
        }
        assertThat(page.locator(".rank").last()).not().containsText(Pattern.compile("Osier|Brock|Kelter"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open the key: show names"))
                .click();
        assertThat(page.locator("main")).containsText("Once it is open it stays open.");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open it for good"))
                .click();
        assertThat(page.locator("main")).containsText(Pattern.compile("Opened by Reviewer"));
        open(width, address(study) + "/verdict");
        assertThat(page.locator(".rank").last()).containsText(Pattern.compile("Osier|Brock|Kelter"));
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void readingsGoOutAsAFileAndComeBackIntoACopy(int width) {
        Study study = SampleStudy.read();
        open(width, address(study) + "/readings");
        Download download = page.waitForDownload(
                () -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Readings as CSV"))
                        .click());
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Lay out again"))
                .click();
        assertThat(page.locator("main")).containsText("0 readings stand");
        page.getByLabel("CSV file").setInputFiles(download.path());
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bring in"))
                .click();
        assertThat(page.locator("[role=alert]")).containsText(study.readings().size() + " readings kept");
        long copy = Long.parseLong(page.url().replaceAll(".*/studies/(\\d+)/.*", "$1"));
        assertThat(Web.get("/studies/" + copy + "/verdict.json").body())
                .isEqualTo(Web.get(address(study) + "/verdict.json").body());
    }
}
