package org.evensheen.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import java.net.URI;
import java.util.List;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.live.LiveApp;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** An afternoon on a phone, tap by tap, counted. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
class SideBySideJourneyTest {
    private int taps;
    private int typed;
    private Page page;

    private void tap(Locator what) {
        what.tap();
        taps++;
    }

    private void type(String field, String text) {
        page.locator(field).fill(text);
        typed++;
    }

    private Locator step() {
        return page.locator(".now-step:not([hidden])");
    }

    private void start(String kind, String... names) {
        page.navigate("/");
        tap(page.getByText("Compare something now"));
        Locator tile = page.locator("button[name=to]", new Page.LocatorOptions().setHasText(kind));
        tap(tile);
        assertThat(tile).hasAttribute("aria-pressed", "true");
        assertThat(page).hasURL(Pattern.compile("to="));
        for (int i = 0; i < names.length; i++) {
            type("#name" + i, names[i]);
        }
        tap(page.locator("[data-go]"));
        begun();
    }

    /** The steps are there, and what follows a tap or a key on them. */
    private void begun() {
        assertThat(page.locator("#now")).isVisible();
        page.waitForLoadState();
    }

    /** Taps a jar at a height, mm. */
    private void froth(String jar, double mm) {
        Locator touch = step().locator("[data-jar=" + jar + "] .touch");
        double floor =
                Double.parseDouble(step().locator("[data-jar=" + jar + "]").getAttribute("data-floor"));
        double scale =
                Double.parseDouble(step().locator("[data-jar=" + jar + "]").getAttribute("data-mm"));
        BoundingBox box = touch.boundingBox();
        // The touched strip is as high as its drawing, 214 px.
        double y = box.y + (floor - mm * scale) / 214 * box.height;
        page.touchscreen().tap(box.x + box.width / 2, y);
        taps++;
        assertThat(step().locator("[data-jar=" + jar + "] .reads")).containsText(Pattern.compile("\\d+ mm"));
    }

    /** Answers whatever is asked until the end, as somebody with one thumb would. */
    private void answerAll() {
        for (int i = 0; i < 60 && page.locator("#over").isHidden(); i++) {
            String kind = step().getAttribute("class");
            String key = step().getAttribute("data-step");
            if (kind.contains("marks")) {
                for (double[] mm : new double[][] {{92, 80}, {78, 60}, {55, 30}, {31, 12}}) {
                    froth("A", mm[0]);
                    froth("B", mm[1]);
                    page.clock().fastForward("02:00");
                }
                page.clock().runFor(2000);
            } else if (kind.contains("pair")) {
                tap(step().locator(".palm").first());
            } else if (kind.contains("level") || kind.contains("before")) {
                tap(step().locator(".level").nth(3));
            } else if (kind.contains("number")) {
                tap(step().locator("[data-by='1']"));
                tap(step().locator(".button.wide"));
            } else {
                tap(step().locator(".button.wide").first());
            }
            assertThat(page.locator("[data-step='" + key + "']")).isHidden();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "'soaps,', Curlew Foam; Sallow Plain Soap, 12, 20",
        "'wheels,', Rustmoth Iron Wash; Sallow Plain Soap, 12, 20",
        "'mitts,', Ewe Fleece Mitt; Slice Brick Sponge; Long-Pile Towel 46; Loop Pad Nine, 12, 20"
    })
    void fromTheBenchToTheSheetInFewTaps(String kind, String names, int toBegin, int toSheet) {
        try (Visit visit = Visit.of(390, 844, ColorScheme.LIGHT)) {
            page = visit.page();
            page.clock().install();
            String[] all = names.split("; ");
            start(kind, all);
            int begun = taps;
            int fields = typed;
            answerAll();
            tap(page.locator("[data-sheet]"));
            assertThat(page.locator(".now-sheet h1")).containsText(".");
            assertThat(page.locator(".sheet-line")).hasCount(3);
            // What is printed before its styles are there has other pages.
            page.waitForLoadState(com.microsoft.playwright.options.LoadState.LOAD);
            String printed = new String(
                    page.pdf(new Page.PdfOptions().setFormat("A4")), java.nio.charset.StandardCharsets.ISO_8859_1);
            Assertions.assertThat(printed.split("/Type /Page[^s]", -1))
                    .as("one page on paper")
                    .hasSize(2);
            System.out.printf(
                    java.util.Locale.ROOT,
                    "taps: %s: %d taps and %d typed fields to the first step, %d more to the sheet%n",
                    kind.replace(",", ""),
                    begun,
                    fields,
                    taps - begun);
            Assertions.assertThat(begun).isLessThanOrEqualTo(toBegin);
            Assertions.assertThat(fields).isLessThanOrEqualTo(all.length);
            Assertions.assertThat(taps - begun).isLessThanOrEqualTo(toSheet);
            Assertions.assertThat(visit.complaints()).isEmpty();
        }
    }

    @Test
    void withoutALineItGoesOnSurvivesAReloadAndArrivesOnce() {
        try (Visit visit = Visit.of(390, 844, ColorScheme.DARK)) {
            page = visit.page();
            start("glass", "One cleaner", "Other cleaner");
            String address = page.url();
            assertThat(page.getByText("swap sides")).isVisible();
            tap(step().locator(".level").nth(3));
            assertThat(step()).hasAttribute("data-step", "before/B");
            assertThat(page.getByText("swap sides")).hasCount(0);
            assertThat(page.locator("#line")).hasText("");
            visit.context().setOffline(true);
            tap(step().locator(".level").nth(4));
            assertThat(step()).hasAttribute("data-step", "dose/1");
            assertThat(page.locator("#line")).containsText("1 kept here");
            visit.context().setOffline(false);
            assertThat(page.locator("#line")).hasText("");
            page.navigate(address);
            assertThat(step()).hasAttribute("data-step", "dose/1");
            String json = page.request().get(address + "/sheet.json").text();
            Assertions.assertThat(json).contains("\"step\":\"before/B\",\"value\":\"4\"");
            Assertions.assertThat(json.split("before/B", -1)).as("once").hasSize(2);
            tap(step().locator("[data-back]"));
            assertThat(step()).hasAttribute("data-step", "before/B");
            tap(step().locator(".level").nth(1));
            assertThat(step()).hasAttribute("data-step", "dose/1");
        }
    }

    @Test
    void whoIsHandedThePhoneIsNotedAsNotKnowing() {
        try (Visit visit = Visit.of(390, 844, ColorScheme.LIGHT)) {
            page = visit.page();
            start("mitts", "One mitt", "Other mitt");
            assertThat(step()).hasClass(Pattern.compile("pair"));
            List<String> drawn = step().locator(".palm:not(.same)").allTextContents();
            Assertions.assertThat(drawn).containsExactlyInAnyOrder("A", "B");
            tap(step().locator("[data-knew]"));
            page.waitForResponse(r -> r.url().endsWith("/said"), () -> tap(step().locator(".palm.same")));
            String json = page.request().get(page.url() + "/sheet.json").text();
            Assertions.assertThat(json).containsPattern("\"value\":\"same\",\"by\":\"An onlooker\",\"knew\":false");
        }
    }

    /** What is asked, chosen under "What is asked". */
    private void ask(String kind, String... codes) {
        page.navigate("/compare?to=" + kind);
        page.locator(".now-start .now-asks summary").click();
        page.locator(".now-start .now-asks input").all().stream()
                .filter(box -> box.getAttribute("type").equals("checkbox"))
                .forEach(box -> box.setChecked(
                        List.of(codes).contains(box.getAttribute("name").substring(4))));
    }

    /** The look at rust waits ten minutes, counts them down on the phone, and is there when they are over. */
    @Test
    void aLookThatShowsLaterIsCalledByTheClock() {
        try (Visit visit = Visit.of(390, 844, ColorScheme.LIGHT)) {
            page = visit.page();
            page.clock().install();
            ask("wheel", "gone", "bloom");
            type("#name0", "Rustmoth Iron Wash");
            type("#name1", "Sallow Plain Soap");
            tap(page.locator("[data-go]"));
            begun();
            answerAll();
            assertThat(page.locator("#over")).isVisible();
            page.clock().runFor(1000);
            assertThat(page.locator("[data-next]")).containsText("How much rust bloom is on the disc on A? In 9:");
            page.clock().fastForward("10:00");
            page.clock().runFor(1000);
            assertThat(step().locator("h1")).containsText("How much rust bloom is on the disc on A?");
            answerAll();
            assertThat(page.locator("#over")).isVisible();
            Assertions.assertThat(visit.complaints()).isEmpty();
        }
    }

    /** At the desk by keys alone; what is gone is not asked about again. */
    @Test
    void aLadderIsClimbedByKeysAndWhatIsGoneIsOff() {
        try (Visit visit = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            page = visit.page();
            ask("ladder", "water", "soap", "alcohol");
            page.locator("#name0").fill("Osier Spray Seal");
            page.locator("#name1").fill("Brock Paste");
            page.locator("[data-go]").focus();
            page.keyboard().press("Enter");
            begun();
            for (String key :
                    List.of("do/1/water Enter", "water/A .", "water/B gone", "do/1/soap Enter", "soap/A gone")) {
                String[] parts = key.split(" ");
                assertThat(step()).hasAttribute("data-step", parts[0]);
                if (parts[1].equals("Enter")) {
                    page.keyboard().press("Enter");
                } else {
                    Locator button =
                            step().locator(".palm[value=" + (parts[1].equals(".") ? "stands" : parts[1]) + "]");
                    button.focus();
                    page.keyboard().press("Enter");
                    page.evaluate("document.activeElement.blur()");
                }
            }
            assertThat(page.locator("#over")).isVisible();
            assertThat(page.locator("#line")).hasText("");
            String at = page.url();
            page.navigate(at);
            assertThat(page.locator("#over")).isVisible();
            page.keyboard().press("Enter");
            assertThat(page.locator(".now-sheet h1")).containsText("stands more");
            Assertions.assertThat(visit.complaints()).isEmpty();
        }
    }

    /** Two coats by one question alone. */
    private void twoCoats(String kind, String asked) {
        ask(kind, asked);
        type("#name0", "Osier Spray Seal");
        type("#name1", "Brock Paste");
        tap(page.locator("[data-go]"));
        begun();
    }

    /** Tapped and left in the same breath: the answer is there, and its step is not asked again. */
    @Test
    void anAnswerOutlivesAReloadInTheSameMoment() {
        try (Visit visit = Visit.of(390, 844, ColorScheme.LIGHT)) {
            page = visit.page();
            twoCoats("ladder", "water");
            assertThat(step()).hasAttribute("data-step", "do/1/water");
            for (String next : List.of("water/A", "water/B")) {
                page.waitForNavigation(
                        () -> page.evaluate(
                                "() => { document.querySelector('.now-step:not([hidden]) button[name=value]').click(); location.reload(); }"));
                assertThat(step()).hasAttribute("data-step", next);
            }
            Assertions.assertThat(visit.complaints()).isEmpty();
        }
    }

    /** A sheet that is opened before an answer has arrived says so, and is shown again by itself once it has. */
    @Test
    void theSheetSaysWhatIsStillOnItsWay() {
        try (Visit visit = Visit.of(390, 844, ColorScheme.LIGHT)) {
            page = visit.page();
            twoCoats("spray", "streaks");
            page.route("**/said", Route::abort);
            for (String step : List.of("dose/1", "do/1/apply", "do/1/buff", "streaks/A", "streaks/B")) {
                assertThat(step()).hasAttribute("data-step", step);
                tap(step().locator(step.startsWith("streaks") ? ".level" : ".button.wide")
                        .nth(step.endsWith("B") ? 4 : 0));
            }
            tap(page.locator("[data-sheet]"));
            assertThat(page.locator(".behind"))
                    .hasText("No connection. 5 answers from this device are on the way and not in here yet.");
            assertThat(page.locator(".sheet-lines")).containsText("Nothing was answered");
            page.unroute("**/said");
            page.evaluate("window.dispatchEvent(new Event('online'))");
            assertThat(page.locator(".sheet-line")).containsText("streaks");
            assertThat(page.locator(".behind")).isHidden();
        }
    }

    /** A clock of its own for each place; a photo waits without a line; a reload in mid-step without a line shows the step again. */
    @Test
    void clocksPhotosAndAReloadGoOnWithoutALine() throws java.io.IOException {
        try (Cable cable = new Cable(URI.create(LiveApp.url()).getPort());
                Visit visit = Visit.of(cable.url(), 390, 844, ColorScheme.DARK)) {
            page = visit.page();
            twoCoats("spray", "streaks");
            String at = page.url();
            tap(step().locator(".bare[value=skip]"));
            assertThat(step()).hasAttribute("data-step", "do/1/apply");
            tap(step().locator("[data-clock-of]").first());
            assertThat(step().locator("[data-runs]").first()).containsText(Pattern.compile("0:0\\d"));
            assertThat(page.locator("#line")).hasText("");
            // The copy knows of the step that was passed by.
            String copied =
                    "(a) => caches.match(a).then((r) => r ? r.text() : 'swap sides').then((t) => !t.includes('swap sides'))";
            for (int i = 0; i < 100 && !Boolean.TRUE.equals(page.evaluate(copied, at)); i++) {
                page.waitForTimeout(100);
            }
            Assertions.assertThat(page.evaluate(copied, at)).isEqualTo(true);
            cable.cut();
            page.reload();
            assertThat(step()).hasAttribute("data-step", "do/1/apply");
            assertThat(step().locator("[data-runs]").first()).containsText(Pattern.compile("0:\\d\\d"));
            tap(step().locator(".button.wide"));
            tap(step().locator(".button.wide"));
            assertThat(step()).hasAttribute("data-step", "streaks/A");
            step().locator("[data-photo]")
                    .setInputFiles(new com.microsoft.playwright.options.FilePayload(
                            "a.png", "image/png", java.util.Base64.getDecoder().decode(DOT)));
            tap(step().locator(".level").nth(1));
            cable.mend();
            assertThat(page.locator("#line")).hasText("");
            page.navigate(at + "/sheet");
            assertThat(page.locator(".shots figure")).hasCount(1);
            Assertions.assertThat(page.request().get(at + "/sheet.json").text())
                    .containsPattern("\"step\":\"stays/apply/A\",\"value\":\"\\d+\"");
        }
    }

    /** A PNG of one white pixel. */
    private static final String DOT =
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8/5+hHgAHggJ/PchI7wAAAABJRU5ErkJggg==";
}
