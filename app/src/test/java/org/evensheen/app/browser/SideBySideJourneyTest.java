package org.evensheen.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
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
        assertThat(page.locator("#now")).isVisible();
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
            page.waitForFunction("navigator.serviceWorker.controller !== null || true");
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
            tap(step().locator(".palm.same"));
            assertThat(page.locator("#line")).hasText("");
            String json = page.request().get(page.url() + "/sheet.json").text();
            Assertions.assertThat(json).containsPattern("\"value\":\"same\",\"by\":\"An onlooker\",\"knew\":false");
        }
    }
}
