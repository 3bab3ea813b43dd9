package org.evensheen.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.ColorScheme;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What a person does at the Shelf and the Mixer, in a real browser. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
class MixingJourneyTest {
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

    private Locator amount() {
        return page.locator(".amount").first();
    }

    private Locator chip(String text) {
        return page.locator("nav[aria-label=Use] a, nav[aria-label=Vessel] a")
                .filter(new Locator.FilterOptions().setHasText(text))
                .first();
    }

    @Test
    void threeVesselsAreMixedOnAPhoneByTapsAlone() {
        String name = SampleProduct.name("Sedge");
        long id = SampleProduct.make(
                name, "rinseless", "rinseless 1:240; drying aid 1:60; waterless 1:16; 500 mL 18.40 EUR", 500);
        open(390, "/shelf/" + id);
        page.getByText("Mix", new Page.GetByTextOptions().setExact(true))
                .first()
                .tap();
        assertThat(amount()).containsText("49.8");
        assertThat(amount()).isInViewport();
        chip("drying aid").tap();
        assertThat(amount()).containsText("8.20");
        chip("Pump sprayer").tap();
        assertThat(amount()).containsText("32.8");
        chip("waterless").tap();
        assertThat(amount()).containsText("29.4");
        for (Locator target :
                List.of(chip("waterless"), chip("Bucket"), page.locator("#at"), page.locator("#keep-form button"))) {
            assertThat(target.boundingBox().height).as("room for a wet finger").isGreaterThanOrEqualTo(47.9);
        }
        page.locator("#keep-form button").tap();
        assertThat(page.getByRole(com.microsoft.playwright.options.AriaRole.STATUS)
                        .first())
                .containsText("Kept: 29.4");
        page.getByText("Undo").tap();
        assertThat(page.locator("body")).not().containsText("Kept: ");
        assertThat(SampleProduct.left(id)).isEqualTo(500);
    }

    @Test
    void theSliderFollowsTheHandAndWhatItSaysIsWhatIsKept() {
        long id = SampleProduct.make(SampleProduct.name("Sedge"), "rinseless", "prewash 1:100-400; 1 L 10 EUR", 1000);
        open(1280, "/mixer?product=" + id);
        assertThat(page.locator("#dose")).hasValue("1:200");
        page.locator("#at").focus();
        page.keyboard().press("End");
        assertThat(page.locator(".strength")).containsText("4.0× the label's upper dose");
        page.keyboard().press("Home");
        assertThat(page.locator(".strength")).containsText("lower dose");
        page.locator("#at").fill("500");
        assertThat(page.locator(".strength")).containsText("As the label says");
        String dose = page.locator("#dose").inputValue();
        assertThat(page).hasURL(Pattern.compile("dose=1%3A"));
        String shown = amount().textContent();
        page.reload();
        assertThat(page.locator("#dose")).hasValue(dose);
        assertThat(amount()).hasText(shown);
        page.locator("#keep-form button").click();
        assertThat(page.getByRole(com.microsoft.playwright.options.AriaRole.STATUS)
                        .first())
                .containsText(shown.strip());
    }

    @Test
    void aLabelIsTypedInALineAndItsMistakeIsMarkedAsItIsTyped() {
        String name = SampleProduct.name("Sedge");
        open(1280, "/shelf/new");
        page.locator("#name").fill(name);
        page.locator("#kind").selectOption("rinseless");
        page.locator("#line").pressSequentially("rinseless 1:0; wait 1-3 min");
        assertThat(page.locator("mark.unread")).hasText("1:0");
        assertThat(page.locator("#read")).containsText("holds no water");
        page.getByText("Keep", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("#line")).hasValue("rinseless 1:0; wait 1-3 min");
        page.locator("#line").fill("rinseless 1:240; wait 1-3 min; 500 mL 18.40 EUR");
        assertThat(page.locator("mark.unread")).hasCount(0);
        page.getByText("Keep", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("h1")).hasText(name);
        assertThat(page.locator("main")).containsText("4.15");
    }

    @Test
    void aHalfTypedLabelSurvivesAReloadAndIsForgottenOnceItIsKept() {
        String name = SampleProduct.name("Sedge");
        open(1280, "/shelf/new");
        page.locator("#name").fill(name);
        page.locator("#kind").selectOption("soap");
        page.locator("#line").fill("wash 1:100; pH");
        page.reload();
        assertThat(page.locator("#name")).hasValue(name);
        assertThat(page.locator("#kind")).hasValue("soap");
        assertThat(page.locator("#line")).hasValue("wash 1:100; pH");
        assertThat(page.locator("mark.unread")).hasCount(1);
        page.locator("#line").fill("wash 1:100; pH 7");
        page.getByText("Keep", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("h1")).hasText(name);
        page.getByText("Correct the label").click();
        page.locator("#line").fill("wash 1:120; pH 7");
        page.reload();
        assertThat(page.locator("#line")).hasValue("wash 1:120; pH 7");
        page.navigate("/shelf/new");
        assertThat(page.locator("#line")).hasValue("");
        assertThat(page.locator("#name")).hasValue("");
    }

    @Test
    void theMixerIsWorkedByKeysAloneAndWithoutAScript() {
        long id = SampleProduct.make(SampleProduct.name("Sedge"), "soap", "bucket wash 1:100-400; 1 L 10 EUR", 1000);
        open(1280, "/mixer?product=" + id);
        page.locator("#dose").focus();
        page.keyboard().press("Control+A");
        page.keyboard().type("1:300");
        page.keyboard().press("Enter");
        assertThat(amount()).containsText("39.9");
        page.locator("#volume").focus();
        page.keyboard().type("3 US gal");
        page.keyboard().press("Enter");
        assertThat(amount()).containsText("37.7");
        assertThat(page.locator("#at")).not().hasValue("0");
        Page bare = visit.context()
                .browser()
                .newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                        .setBaseURL(LiveApp.url())
                        .setJavaScriptEnabled(false))
                .newPage();
        bare.navigate("/mixer?product=" + id);
        bare.locator("#dose").fill("1:300");
        bare.locator("#volume").fill("3 US gal");
        bare.getByText("Reckon").click();
        assertThat(bare.locator(".amount").first()).containsText("37.7");
        bare.context().close();
    }

    @Test
    void whichOfTwoSoapsIsCheaperPerBucketIsSaidInASentence() {
        open(390, "/mixer/cost");
        page.locator("#job").selectOption("bucket wash");
        assertThat(page.locator(".headline")).containsText("Sallow Plain Soap in 1 L is cheapest");
        assertThat(page.locator(".headline")).containsText("its bottle costs");
        page.locator("#per").selectOption("use");
        page.locator("#fill").fill("10 L");
        page.locator("#fill").blur();
        assertThat(page.locator(".headline")).containsText("for a fill of 10");
    }

    @Test
    void whatIsTypedWhileAnAnswerIsOnItsWayIsNotSweptAwayByIt() {
        open(1280, "/mixer/cost?job=bucket+wash");
        List<Route> held = new ArrayList<>();
        page.route(Pattern.compile("/mixer/cost\\?"), route -> {
            if (held.isEmpty()) {
                held.add(route);
            } else {
                route.resume();
            }
        });
        page.locator("#job").selectOption("rinseless");
        page.waitForCondition(() -> !held.isEmpty());
        page.locator("#fill").fill("9 L");
        held.get(0).resume();
        assertThat(page).hasURL(Pattern.compile("job=rinseless$"));
        assertThat(page.locator("#fill")).hasValue("9 L");
        page.locator("#fill").blur();
        assertThat(page).hasURL(Pattern.compile("job=rinseless&.*fill=9%20L"));
        assertThat(page.locator("#fill")).hasValue("9 L");
    }
}
