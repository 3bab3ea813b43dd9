package org.evensheen.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.UUID;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.standins.SimulatedCamera;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Instruments and photos in a real browser. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
class KitJourneyTest {
    private Visit visit;
    private Page page;

    private void open(int width, String path) {
        visit = Visit.of(width, width == 390 ? 844 : 800, ColorScheme.LIGHT);
        page = visit.page();
        page.navigate(path);
    }

    @AfterEach
    void nothingComplained() {
        LiveApp.hand("fault none");
        assertThat(visit.complaints()).isEmpty();
        visit.close();
    }

    private Locator card(String name) {
        return page.locator(".instrument").filter(new Locator.FilterOptions().setHasText(name));
    }

    @Test
    void anInstrumentIsLinkedListenedToCheckedAndPutAway() {
        String name = "Second scale " + UUID.randomUUID().toString().substring(0, 6);
        open(1280, "/kit");
        page.getByText("Link another instrument").click();
        page.locator("#name-new").fill(name);
        page.locator("#probe-new").selectOption("scale");
        page.locator("#place-new").fill("nowhere");
        page.locator("#pattern-new").fill("M {value} {unit} {steady}");
        page.locator("#unit-new").fill("g");
        page.locator("#known-new").fill("50");
        page.locator("#off-new").fill("0.3");
        page.getByText("Link it", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".problem").filter(new Locator.FilterOptions().setHasText("Write a network place")))
                .isVisible();
        assertThat(page.locator("#name-new")).hasValue(name);
        page.locator("#place-new").fill("127.0.0.1:" + (LiveApp.instruments() + 1));
        page.getByText("Link it", new Page.GetByTextOptions().setExact(true)).click();

        LiveApp.hand("load 50");
        card(name).getByText("Listen").click();
        assertThat(card(name).locator(".raw")).containsText(Pattern.compile("M \\d+\\.\\d+ g[\\s\\S]*\\d.?g"));
        card(name).getByText("Check it").click();
        assertThat(card(name)).containsText(Pattern.compile("It holds|It is off"));
        LiveApp.hand("fault rubbish");
        card(name).getByText("Listen").click();
        assertThat(card(name).locator(".raw")).containsText("does not fit the pattern");
        card(name)
                .getByText("Link", new Locator.GetByTextOptions().setExact(true))
                .click();
        card(name).getByText("Put it away").click();
        assertThat(card(name)).hasCount(0);
    }

    @Test
    void aPullIsTakenOnTheSlateChangedByHandAndKept() {
        Study study = SampleStudy.make();
        open(1280, "/studies/" + study.id() + "?measure=pull");
        Locator form = page.locator("form.capture");
        form.locator("[data-take]").click();
        assertThat(form.locator(".took")).containsText("plateau");
        assertThat(form.locator("[name=take]")).hasValue(Pattern.compile("[0-9a-f-]{36}"));
        assertThat(form.locator("[name=amount]")).hasValue(Pattern.compile("\\d+\\.\\d+|\\d+"));

        form.locator("[name=amount]").fill("9.9");
        // A number that is changed by hand is no longer the gauge's.
        assertThat(form.locator("[name=take]")).hasValue("");
        page.keyboard().press("Enter");
        assertThat(page.locator(".ask")).hasText("Second pull");
        assertThat(LiveApp.bean(StudyStore.class).load(study.id()).readings().stream()
                        .filter(k -> k.reading().day() == SampleStudy.TODAY)
                        .map(k -> k.reading().seen().amount()))
                .containsExactly(9.9);
    }

    @Test
    void whatABottleLostIsWeighedByTheScaleAndOpenedFieldsStayOpen() {
        Study study = SampleStudy.applyingOnly();
        SampleStudy.air(study, 0);
        String seal = SampleStudy.codes(study, "Osier Spray Seal").get(0);
        open(390, "/studies/" + study.id() + "/run?day=0");
        page.locator("#lit [data-section=" + seal + "]").click();
        Locator step = page.locator(".step:not([hidden])");
        page.evaluate(
                "document.addEventListener('htmx:afterSettle',e=>console.warn('settled '+e.target.id+' '+[...document.querySelectorAll('details[open]')].length+document.querySelector('.step:not([hidden])').dataset.step));document.addEventListener('htmx:beforeSwap',e=>console.warn('before '+e.target.id+' '+[...document.querySelectorAll('details[open]')].length+' '+e.detail.shouldSwap))");
        step.getByText("By weight, towel").click();
        page.waitForResponse(r -> r.url().endsWith("/run?day=0"), () -> SampleStudy.air(study, 0));
        step.getByText("Before, by").first().click();
        assertThat(step.locator("[name=before]")).hasValue(Pattern.compile("41[12](\\.\\d+)?"));
        assertThat(step.locator(".took summary")).containsText(Pattern.compile("41[12].* ± [\\d.]+\\sg"));
        step.getByText("After, by").first().click();
        assertThat(step.locator("[name=after]")).hasValue(Pattern.compile("40\\d(\\.\\d+)?"));
        step.locator("[data-main-button]").click();
        assertThat(page.locator("#line")).hasText("All is kept");
        SampleStudy.step(study, 0, "coat1/" + seal + "/finish");
        assertThat(Web.get("/studies/" + study.id() + "/done").body())
                .as("2.2 to 2.7 g at 1.15 mL a spray")
                .containsPattern("on " + seal + ": (1\\.[89]\\d*|2(\\.\\d+)?) sprays, waited");
    }

    @Test
    void anInstrumentThatIsLostIsSaidAtOnceAndTheReadingTypedInstead() {
        Study study = SampleStudy.make();
        LiveApp.hand("fault unit");
        open(390, "/studies/" + study.id() + "?measure=pull");
        Locator form = page.locator("form.capture");
        form.locator("[data-take]").click();
        assertThat(form.locator(".wrong")).containsText("speaks in lbf; its link says N");
        form.locator("[name=amount]").fill("9.7");
        form.locator("button:has-text('Keep')").click();
        assertThat(page.locator(".ask")).hasText("Second pull");
    }

    /** The first pull is in and the air is noted: the sheet asks for the second one. */
    private static String atSecondPull(Study study) {
        String section = study.record().sections().get(0).code();
        Web.send("/studies/" + study.id() + "/capture", SampleStudy.firstPull(section, "9.9", UUID.randomUUID()));
        SampleStudy.air(study, 8);
        return section;
    }

    @Test
    void whatWasTakenByKeyboardIsKeptByTheNextEnter() {
        Study study = SampleStudy.make();
        atSecondPull(study);
        open(1280, "/studies/" + study.id() + "/run");
        Locator step = page.locator(".step:not([hidden])");
        step.locator("[data-take]").focus();
        page.keyboard().press("Enter");
        assertThat(step.locator("[data-main-button]")).isFocused();
        assertThat(step.locator("[name=amount]")).not().hasValue("");
        page.keyboard().press("Enter");
        assertThat(page.locator(".steps-slate .said")).containsText("Kept: pull 2");
    }

    @Test
    void aPhotoTakenOnTheSheetIsKeptAndLaidBesideAnother() throws Exception {
        Study study = SampleStudy.make();
        String section = atSecondPull(study);
        open(390, "/studies/" + study.id() + "/run");
        assertThat(page.locator(".step:not([hidden]) .tag")).hasText(section);
        for (int i = 0; i < 2; i++) {
            page.locator("[data-photo] input[type=file]")
                    .setInputFiles(
                            new FilePayload("p.jpg", "image/jpeg", SimulatedCamera.jpeg(40 + 50 * i, 0x334455, i)));
            assertThat(page.locator(".steps-slate .said")).containsText("The photo is kept");
            page.reload();
        }
        page.getByText("All photos").click();
        assertThat(page.locator("[data-wipe]")).isVisible();
        assertThat(page.locator(".shot")).hasCount(2);
        Locator over = page.locator(".wipe-frame .over");
        String half = (String) over.evaluate("(e) => getComputedStyle(e).clipPath");
        page.locator("#wipe").fill("20");
        assertThat((String) over.evaluate("(e) => getComputedStyle(e).clipPath"))
                .isNotEqualTo(half);
        page.locator("[data-beside]").click();
        assertThat(page.locator(".side-by-side")).isVisible();
        assertThat(page.locator("[data-beside]")).hasText("Wipe across");
    }

    @Test
    void aPhotoThatIsNoPhotoIsRefusedWithItsRemedy() throws Exception {
        Study study = SampleStudy.make();
        open(1280, "/studies/" + study.id() + "/photos");
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload("p.jpg", "image/jpeg", "not a photo".getBytes()));
        page.getByText("Add it").click();
        assertThat(page.locator("[role=alert]")).containsText("Send JPEG, PNG or WebP");
        BufferedImage small = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(small, "png", png);
        page.locator("input[type=file]").setInputFiles(new FilePayload("p.png", "image/png", png.toByteArray()));
        page.getByText("Add it").click();
        assertThat(page.locator(".single-shot img")).isVisible();
    }
}
