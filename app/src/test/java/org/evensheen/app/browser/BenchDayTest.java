package org.evensheen.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.net.URI;
import java.nio.file.Files;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The bench day in a real browser: with one thumb, with the keyboard alone, without a line, with two devices. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
class BenchDayTest {
    private Visit visit;
    private Page page;

    private void open(int width, String path) {
        visit = Visit.of(width, width == 390 ? 844 : 800, ColorScheme.LIGHT);
        page = visit.page();
        page.navigate(path);
    }

    @AfterEach
    void nothingComplained() {
        if (visit != null) {
            assertThat(visit.complaints().stream()
                            .filter(c -> !c.contains("ERR_") && !c.contains("Failed to fetch"))
                            .toList())
                    .isEmpty();
            visit.close();
        }
    }

    private Locator step() {
        return page.locator(".step:not([hidden])");
    }

    private void asks(String what) {
        assertThat(step().locator(".step-head")).containsText(what);
    }

    private void main() {
        // A step that has just changed by itself does not take the tap that was meant for the one before.
        assertThat(page.locator("#run[data-changed]")).hasCount(0);
        step().locator("[data-main-button]").click(new Locator.ClickOptions().setDelay(30));
    }

    /** Waits until the field has the focus, as a person sees it has. */
    private void ready() {
        assertThat(step().locator("[data-main]")).isFocused();
    }

    private void kept() {
        assertThat(page.locator("#line")).hasText("All is kept");
    }

    private static Study now(Study study) {
        return LiveApp.bean(StudyStore.class).load(study.id());
    }

    private static List<Double> pullsToday(Study study) {
        return now(study).readings().stream()
                .filter(KeptReading::stands)
                .filter(k ->
                        k.reading().day() == SampleStudy.TODAY && k.reading().measure() == Measures.PULL)
                .map(k -> k.reading().seen().amount())
                .toList();
    }

    private void done(String step) {
        asks(step);
        main();
        kept();
    }

    @Test
    void aVisitIsDoneWithOneThumbFromTheBenchToTheFirstReadingsByInstrument() {
        Study study = SampleStudy.make();
        open(390, "/studies/" + study.id() + "/run");

        asks("How are the air and the panel?");
        step().getByText("Take by Window thermometer").click();
        assertThat(step().locator("[name=humidity]")).hasValue(Pattern.compile("\\d+"));
        step().getByText("Take by Panel thermometer").click();
        assertThat(step().locator("[name=panel]")).hasValue(Pattern.compile("\\d+.*"));
        main();
        for (String what :
                List.of("arrived", "Rinse", "Foam", "Contact wash", "Dry", "nothing left on", "Wet it again")) {
            done(what);
        }
        asks("First pull");
        String section = step().locator(".tag").innerText();
        assertThat(page.locator("[data-section='" + section + "']")).hasClass(Pattern.compile("open"));
        step().locator("[data-take]").click();
        assertThat(step().locator(".took")).containsText("plateau");
        main();
        kept();
        asks("Second pull");

        assertThat(pullsToday(study)).hasSize(1);
        assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                .isTrue();
        assertThat((Boolean) page.evaluate(
                        "[...document.querySelectorAll('.step:not([hidden]) button, .beside button, .taps button')]"
                                + ".every((b) => b.getBoundingClientRect().height >= 47.9)"))
                .as("wet thumbs hit 48 px")
                .isTrue();
    }

    @Test
    void theWholeOfItGoesByKeyboardAloneAtADesk() {
        Study study = SampleStudy.make();
        String section = study.record().sections().get(2).code();
        Web.send(
                "/studies/" + study.id() + "/capture",
                SampleStudy.firstPull(study.record().sections().get(0).code(), "9.9", UUID.randomUUID()));
        open(1280, "/studies/" + study.id() + "/run");

        asks("How are the air and the panel?");
        page.keyboard().type("16");
        page.keyboard().press("Tab");
        page.keyboard().type("55");
        page.keyboard().press("Tab");
        page.keyboard().type("17");
        page.keyboard().press("Enter");
        asks("Second pull");
        ready();
        page.keyboard().type("9.7");
        page.keyboard().press("Enter");
        kept();
        asks("Third pull");
        ready();
        page.keyboard().press(section.toLowerCase(java.util.Locale.ROOT));
        assertThat(step().locator(".tag")).hasText(section);
        ready();
        page.keyboard().type("10.2");
        page.keyboard().press("Enter");
        asks("Third pull");
        kept();

        assertThat(pullsToday(study)).containsExactly(9.9, 9.7, 10.2);
    }

    @Test
    void withoutALineCaptureGoesOnSurvivesAReloadAndArrivesOnceInOrder() throws Exception {
        Study study = SampleStudy.make();
        List<Section> sections = study.record().sections();
        Web.send(
                "/studies/" + study.id() + "/capture",
                SampleStudy.firstPull(sections.get(0).code(), "9.9", UUID.randomUUID()));
        Web.send("/studies/" + study.id() + "/run", step("air"));
        try (Cable cable = new Cable(URI.create(LiveApp.url()).getPort())) {
            visit = Visit.of(cable.url(), 390, 844, ColorScheme.LIGHT);
            page = visit.page();
            String address = cable.url() + "/studies/" + study.id() + "/run";
            page.navigate(address);
            page.waitForFunction(
                    "() => navigator.serviceWorker.ready.then(() => caches.keys()).then((k) => k.length > 0)");
            page.waitForFunction("(a) => caches.match(a).then((hit) => !!hit)", address);
            page.reload();
            asks("Second pull");

            cable.cut();
            for (String value : List.of("9.7", "9.8", "10.1")) {
                step().locator("[name=amount]").fill(value);
                main();
            }
            assertThat(page.locator("#line")).containsText("No connection. 3 kept on this device");
            asks("Second pull");
            page.reload();
            assertThat(page.locator("#line")).containsText("3 kept on this device");
            asks("Second pull");
            step().locator("[name=amount]").fill("10.3");
            main();
            assertThat(pullsToday(study)).containsExactly(9.9);

            cable.mend();
            kept();
        }
        assertThat(pullsToday(study)).containsExactly(9.9, 9.7, 9.8, 10.1, 10.3);
        assertThat(now(study).readings().stream()
                        .filter(k -> k.reading().day() == SampleStudy.TODAY)
                        .map(k -> k.reading().section() + k.reading().repeat()))
                .containsExactly(
                        sections.get(0).code() + 1,
                        sections.get(0).code() + 2,
                        sections.get(0).code() + 3,
                        sections.get(1).code() + 1,
                        sections.get(1).code() + 2);
    }

    private static Map<String, String> step(String step) {
        return new HashMap<>(Map.of(
                "day",
                "8",
                "step",
                step,
                "key",
                UUID.randomUUID().toString(),
                "air",
                "16",
                "humidity",
                "55",
                "panel",
                "17"));
    }

    /** A photo at which the server breaks each time, and a reading behind it. */
    @Test
    void whatTheServerBreaksAtIsSetAsideSaidAndKeptAndBlocksNothingBehindIt() throws Exception {
        Study study = SampleStudy.make();
        open(390, "/studies/" + study.id() + "/run");
        page.evaluate("""
                const real = window.fetch;
                window.fetch = (address, how) => how?.method === 'POST' && `${address}`.endsWith('/photos')
                  ? Promise.resolve(new Response('{"detail":"The log has this under 12ab34cd."}',
                      { status: 500, headers: { 'Content-Type': 'application/problem+json' } }))
                  : real(address, how);""");
        page.locator("[data-photo] input[type=file]")
                .setInputFiles(new FilePayload("p.jpg", "image/jpeg", new byte[] {1, 2, 3}));
        page.evaluate(
                """
                ([study, section]) => window.evenSheenQueue.add(`/studies/${study}/capture`, {
                  day: '8', stage: 'rewetted', section, measure: 'pull', repeat: '1', amount: '9.8', key: crypto.randomUUID(),
                }, 'First pull')""", List.of("" + study.id(), study.record().sections().get(0).code()));

        Locator aside = page.locator("#waiting");
        assertThat(aside)
                .containsText("A photo: The server could not take it, 3 times. The log has this under 12ab34cd.");
        kept();
        assertThat(pullsToday(study)).containsExactly(9.8);

        page.reload();
        Download file =
                page.waitForDownload(() -> aside.getByText("Save it to a file").click());
        assertThat(Files.readString(file.path()))
                .contains("even-sheen-waiting/1", "data:image/jpeg;base64,AQID", "/photos");
        page.navigate("/");
        assertThat(page.locator("#device")).containsText("A photo: The server could not take it");
        page.locator("#device").getByText("Try again").click();
        assertThat(page.locator("#device")).containsText("not a photo that can be read");
        page.locator("#device").getByText("Let it go").click();
        assertThat(page.locator("#device")).isHidden();
    }

    @Test
    void aReadingTypedOnTheSlateWithoutALineIsKeptOnTheDeviceAndSentByItself() throws Exception {
        Study study = SampleStudy.make();
        try (Cable cable = new Cable(URI.create(LiveApp.url()).getPort())) {
            visit = Visit.of(cable.url(), 1280, 800, ColorScheme.LIGHT);
            page = visit.page();
            page.navigate("/studies/" + study.id() + "?measure=pull");
            cable.cut();
            page.locator("[data-entry] input[name=amount]").fill("9.4");
            page.keyboard().press("Enter");
            assertThat(page.locator("#notice")).containsText("is kept on this device and will be sent by itself");
            cable.mend();
            assertThat(page.locator("#notice")).containsText("Kept: pull 1");
        }
        assertThat(pullsToday(study)).containsExactly(9.4);
    }

    @Test
    void twoDevicesSeeEachOtherByThemselvesAndTheSecondIsToldWhatStands() {
        Study study = SampleStudy.make();
        String section = study.record().sections().get(0).code();
        open(390, "/studies/" + study.id() + "/run");
        try (Visit other = Visit.of(1280, 800, ColorScheme.DARK)) {
            other.page().navigate("/studies/" + study.id() + "?measure=pull&section=" + section);
            assertThat(other.page().locator(".ask")).hasText("First pull");
            Web.send("/studies/" + study.id() + "/run", step("air"));
            asks("arrived");

            Web.send("/studies/" + study.id() + "/capture", SampleStudy.firstPull(section, "9.9", UUID.randomUUID()));
            assertThat(step().locator(".step-head")).containsText("Second pull");
            assertThat(other.page().locator(".ask")).containsText("Second pull");

            step().locator("[name=amount]").fill("9.5");
            Web.send("/studies/" + study.id() + "/capture", second(section));
            main();
            assertThat(page.locator("#waiting")).containsText("already holds 9.6\u202fN, kept by Reviewer");
            page.locator("#waiting button").first().click();
            kept();
        }
        assertThat(pullsToday(study)).containsExactly(9.9, 9.6, 9.5);
    }

    private static Map<String, String> second(String section) {
        Map<String, String> reading = SampleStudy.firstPull(section, "9.6", UUID.randomUUID());
        reading.put("repeat", "2");
        return reading;
    }

    @Test
    void clocksRunByTheServersTimeOnAPhoneThatIsAnHourWrongAndSurviveAReload() {
        Study study = SampleStudy.applyingOnly();
        visit = Visit.of(390, 844, ColorScheme.DARK);
        visit.context().addInitScript("{ const real = Date.now.bind(Date); Date.now = () => real() + 3600000; }");
        page = visit.page();
        Map<String, String> air = step("air");
        air.put("day", "0");
        Web.send("/studies/" + study.id() + "/run", air);
        page.navigate("/studies/" + study.id() + "/run");
        asks("Spread");
        String first = step().locator(".tag").innerText();
        boolean paste = step().locator("h2").innerText().contains("Brock");
        main();

        Pattern wait = Pattern.compile(paste ? "in [45]:\\d\\d" : "in (1:00|0:5\\d)");
        Locator clock = page.locator(".clock").filter(new Locator.FilterOptions().setHasText(first));
        assertThat(clock.locator(".left")).hasText(wait);
        kept();
        page.reload();
        assertThat(clock.locator(".left")).hasText(wait);
        clock.click();
        assertThat(step().locator("[data-main-button]")).containsText("early");

        LiveApp.database()
                .sql("alter table step_mark disable trigger step_mark_is_never_rewritten")
                .update();
        LiveApp.database()
                .sql("update step_mark set at = at - interval '6 minutes' where study_id = :s and step like 'coat%'")
                .param("s", study.id())
                .update();
        LiveApp.database()
                .sql("alter table step_mark enable trigger step_mark_is_never_rewritten")
                .update();
        page.reload();
        assertThat(clock).hasAttribute("data-state", paste ? "open" : "late");
    }
}
