package org.evensheen.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Consumer;
import org.evensheen.app.browser.ChromiumExtension.Visit;
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
        shoot("bench", 1280, 800, "/", page -> {});
        shoot(
                "study",
                1280,
                800,
                "/studies/3",
                page -> page.locator("[data-entry] input[name=amount]").fill("17.6"));
        shoot("verdict", 1280, 800, "/studies/1/verdict", page -> {});
        shoot("beds", 1280, 800, "/beds", page -> {});
        shoot("bed", 1280, 800, "/beds/3", page -> {});
        shoot("plan", 1280, 800, "/plans/1?step=fairness", page -> {});
        shoot("rehearsal", 1280, 800, "/plans/1?step=rehearse", ScreenshotsTest::rehearse);
        shoot("calendar", 1280, 800, "/calendar", page -> {});
        shoot("plan-phone", 390, 844, "/plans/1?step=fairness", page -> {});
        shoot(
                "shelf",
                1280,
                800,
                "/shelf",
                page -> page.getByText("of 4 at slickness, firm").first().waitFor());
        shoot(
                "product",
                1280,
                800,
                "/shelf/4",
                page -> page.getByText("of 4 at slickness, firm").waitFor());
        shoot("label", 1280, 800, "/shelf/new", ScreenshotsTest::label);
        shoot("mixer", 1280, 800, "/mixer?product=12&dose=1:6", page -> {});
        shoot("mixer-phone", 390, 844, "/mixer?product=1", page -> {});
        shoot("cost", 1280, 800, "/mixer/cost?job=bucket+wash", page -> {});
        shoot("done", 1280, 800, "/studies/3/done", page -> {});
        shoot("study-phone", 390, 844, "/studies/3", page -> {});
    }

    private static void label(Page page) {
        page.locator("#name").fill("Sedge Rinseless");
        page.locator("#kind").selectOption("rinseless");
        page.locator("#line")
                .fill("rinseless 1:240; drying aid 1:60; wait 3-1 min; lasts 3 weeks; 500 mL 18.40 EUR; pH 7");
        page.locator("mark.unread").waitFor();
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
