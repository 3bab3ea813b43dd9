package org.evensheen.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Consumer;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.league.Rounds;
import org.evensheen.app.live.LiveApp;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;

/** Makes the pictures of the main views from the fresh demo: run by scripts/screenshots. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
@EnabledIfSystemProperty(named = "screenshots", matches = ".+")
class ScreenshotsTest {
    private static final Path FOLDER = Path.of(System.getProperty("screenshots", "."));

    @Test
    void pictures() {
        shoot("bench", 1280, 800, "/", page -> page.getByText("steps to go").waitFor());
        shoot(
                "study",
                1280,
                800,
                "/studies/3",
                page -> page.locator("[data-entry] input[name=amount]").fill("17.6"));
        shoot("compare-start", 390, 844, "/compare", ScreenshotsTest::names);
        shoot("compare-foam", 390, 844, "/compare", ScreenshotsTest::foam);
        shoot("compare-ballot", 390, 844, "/compare", ScreenshotsTest::ballot);
        shoot("compare-sheet", 1280, 800, "/compare/2/sheet", page -> {});
        shoot("verdict", 1280, 800, "/studies/1/verdict", page -> {});
        shoot("life", 1280, 800, "/studies/6/life", page -> {});
        shoot("plan", 1280, 800, "/plans/1?step=fairness", page -> {});
        shoot("rehearsal", 1280, 800, "/plans/1?step=rehearse", ScreenshotsTest::rehearse);
        shoot(
                "shelf",
                1280,
                800,
                "/shelf",
                page -> page.getByText("of 3 at lasting foam, fair").first().waitFor());
        shoot(
                "product",
                1280,
                800,
                "/shelf/4",
                page -> page.getByText("of 3 at lasting foam, fair").waitFor());
        shoot("mixer", 1280, 800, "/mixer?product=12&dose=1:6", page -> {});
        shoot("key", 1280, 800, "/studies/3/key", page -> {});
        shoot("study-phone", 390, 844, "/studies/3", page -> {});
        shoot("answer", 1280, 800, "/studies/6/answer", page -> {});
        Rounds.untilNoneIsStale();
        shoot("league", 1280, 800, "/verdicts", page -> {});
        shoot("run-phone", 390, 844, "/studies/3/run", ScreenshotsTest::pull);
        shoot("apply", 1280, 800, "/studies/4/run?day=1", ScreenshotsTest::apply);
    }

    /** Two soaps on half a bonnet each, begun. */
    private static void begin(Page page) {
        names(page);
        page.locator("[data-go]").click();
        page.locator("#now").waitFor();
    }

    private static void names(Page page) {
        page.locator("#name0").fill("Curlew Foam");
        page.locator("#name1").fill("Sallow Plain Soap");
        page.locator("#name2").focus();
    }

    /** What was said so far, pairs of step and value; then the page as it is. */
    private static void said(Page page, String... said) {
        String at = page.url();
        for (int i = 0; i < said.length; i += 2) {
            page.request()
                    .post(
                            at + "/said",
                            RequestOptions.create()
                                    .setForm(FormData.create()
                                            .set("step", said[i])
                                            .set("value", said[i + 1])
                                            .set(
                                                    "key",
                                                    java.util.UUID.randomUUID().toString())));
        }
        page.navigate(at);
    }

    private static final String[] BEFORE = {"before/A", "3", "before/B", "3", "dose/1", "as the labels say"};

    private static void foam(Page page) {
        begin(page);
        said(page, BEFORE);
        page.locator("[data-jar=A] .touch").click(new Locator.ClickOptions().setPosition(40, 80));
        page.locator("[data-jar=B] .touch").click(new Locator.ClickOptions().setPosition(40, 128));
        page.locator("[data-clock]:not(:empty)").waitFor();
    }

    private static void ballot(Page page) {
        begin(page);
        said(page, BEFORE);
        said(page, "foam/A/0", "0:92", "foam/B/0", "0:88", "foam/A/1", "1:80", "foam/B/1", "1:60");
        said(
                page,
                "foam/A/3",
                "3:60",
                "foam/B/3",
                "3:30",
                "foam/A/5",
                "5:38",
                "foam/B/5",
                "5:12",
                "do/1/foam",
                "done",
                "do/1/wash",
                "done");
        page.locator(".now-step.is-pair:not([hidden])").waitFor();
    }

    /** The air is noted, and the first wanting pull taken by the gauge. */
    private static void pull(Page page) {
        air(page);
        page.locator(".step:not([hidden]) .tag").waitFor();
        page.locator(".step:not([hidden]) [data-take]").click();
        page.locator(".step:not([hidden]) .trace").waitFor();
        page.evaluate("scrollTo(0, 0)");
    }

    private static void air(Page page) {
        Locator step = page.locator(".step:not([hidden])");
        step.locator("[name=air]").fill("16");
        step.locator("[name=humidity]").fill("58");
        step.locator("[name=panel]").fill("18");
        step.locator("[data-main-button]").click();
        page.getByText("Dew point").first().waitFor();
    }

    /** Two sections are spread, the next one is asked for. */
    private static void apply(Page page) {
        air(page);
        for (int i = 0; i < 2; i++) {
            page.locator("#run:not([data-changed]) .step:not([hidden]).spread [data-main-button]")
                    .click();
            page.locator(".clock").nth(i).waitFor();
            page.locator("#line[data-state=on]").waitFor();
        }
        page.getByText("2/24").waitFor();
        page.locator("#run:not([data-changed])").waitFor();
    }

    private static void rehearse(Page page) {
        page.getByText("Rehearse 2 000 studies").click();
        page.locator("#found .headline").waitFor();
        page.evaluate("scrollTo(0, 0)");
    }

    private static void shoot(String name, int width, int height, String path, Consumer<Page> prepare) {
        try (Visit visit = Visit.of(width, height, ColorScheme.LIGHT)) {
            visit.page().navigate(path);
            prepare.accept(visit.page());
            visit.page().waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
            Path file = FOLDER.resolve(name + ".png");
            visit.page().screenshot(new Page.ScreenshotOptions().setPath(file));
            assertThat(Files.exists(file)).isTrue();
        }
    }
}
