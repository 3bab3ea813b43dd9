package org.evensheen.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.studies.Study;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A visit read at the desk without touching the mouse. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
class KeyboardTest {

    @Test
    void aVisitIsReadByKeysAlone() {
        Study study = SampleStudy.make();
        var sections = study.record().sections();
        try (Visit visit = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            Page page = visit.page();
            page.navigate("/studies/" + study.id());
            assertThat(page.locator("[data-entry] input[name=amount]")).isFocused();
            page.keyboard().press(sections.get(4).code().toLowerCase(java.util.Locale.ROOT));
            assertThat(page.locator(".slate h2.tag")).hasText(sections.get(4).code());
            assertThat(page.locator("[data-entry] input[name=amount]")).isFocused();
            for (String newtons : new String[] {"9.1", "9.3 N", "9,2"}) {
                page.keyboard().type(newtons);
                page.keyboard().press("Enter");
            }
            assertThat(page.locator(".slate .said")).containsText("Kept: pull 3");
            assertThat(page.locator("[data-entry] input[name=amount]")).isFocused();
            assertThat(page.locator("[data-entry] input[name=amount]")).hasValue("");
            assertThat(page.locator(".slate h2.tag")).hasText(sections.get(5).code());
            page.keyboard().press("ArrowUp");
            assertThat(page.locator(".slate h2.tag")).hasText(sections.get(4).code());
            assertThat(page.locator(".slate .row.chosen .mean")).hasText(Pattern.compile("9\\.2.N ± 0\\.1"));
            page.keyboard().type(sections.get(2).code().toLowerCase(java.util.Locale.ROOT) + "9.9");
            assertThat(page.locator(".slate h2.tag")).hasText(sections.get(2).code());
            assertThat(page.locator("[data-entry] input[name=amount]")).hasValue("9.9");
            page.keyboard().press("Escape");
            page.keyboard().press("ArrowLeft");
            assertThat(page.locator(".slate")).containsText("yesterday");
            page.keyboard().press("ArrowRight");
            assertThat(page.locator(".slate")).containsText("today");
            page.keyboard().press("?");
            assertThat(page.locator("#keys")).isVisible();
            page.keyboard().press("Escape");
            assertThat(page.locator("#keys")).isHidden();
            assertThat(visit.complaints()).isEmpty();
        }
    }

    @Test
    void enterOpensWhatIsFirstOnTheBench() {
        SampleStudy.make();
        try (Visit visit = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            Page page = visit.page();
            page.navigate("/");
            page.keyboard().press("Enter");
            assertThat(page).hasURL(Pattern.compile("/studies/\\d+/run\\?day=\\d+$"));
            assertThat(visit.complaints()).isEmpty();
        }
    }

    /** The first Tab leads past the bar, so that what a page is for is near by keys. */
    @Test
    void theFirstTabLeadsPastTheBar() {
        try (Visit visit = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            Page page = visit.page();
            page.navigate("/compare?to=soap");
            page.keyboard().press("Tab");
            assertThat(page.locator(".past")).isFocused();
            assertThat(page.locator(".past")).isInViewport();
            page.keyboard().press("Enter");
            for (int i = 0; i < 12 && !"name0".equals(page.evaluate("document.activeElement.id")); i++) {
                page.keyboard().press("Tab");
            }
            assertThat(page.locator("#name0")).isFocused();
            assertThat(page.locator(".past")).not().isInViewport();
            assertThat(visit.complaints()).isEmpty();
        }
    }

    /** Enter in a name starts the afternoon, and takes no tile for the button. */
    @Test
    void enterInANameStartsAComparison() {
        try (Visit visit = Visit.of(390, 844, ColorScheme.LIGHT)) {
            Page page = visit.page();
            page.navigate("/compare?to=wheels");
            page.locator("[name=name0]").fill("Rustmoth Iron Wash");
            page.locator("[name=name1]").fill("Plain water");
            page.keyboard().press("Enter");
            assertThat(page).hasURL(Pattern.compile("/compare/\\d+$"));
            assertThat(visit.complaints()).isEmpty();
        }
    }
}
