package org.evensheen.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A new user goes from a question to printed tags, and is talked out of an unfair design on the way. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
class PlanningJourneyTest {
    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static void step(Page page, String name) {
        page.locator(".steps").getByText(Pattern.compile("^" + name)).click();
        page.locator(".steps [aria-current]")
                .getByText(Pattern.compile("^" + name))
                .waitFor();
    }

    @Test
    void fromAQuestionToPrintedTags() {
        long bed = SamplePlan.bed("1800 × 1100");
        try (Visit visit = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            Page page = visit.page();
            page.navigate("/studies/new");
            page.getByLabel("The question").fill("Which of these four lasts?");
            button(page, "Plan it").click();
            assertThat(page.locator("h1")).hasText("Which of these four lasts?");
            page.getByLabel("Bed", new Page.GetByLabelOptions().setExact(true)).selectOption(String.valueOf(bed));
            page.locator("#firstDay").fill(SamplePlan.FIRST_DAY.toString());
            String[] names = {
                "Osier Spray Seal", "Brock Paste over Osier Spray Seal", "Lowlight Mist", "Gannet Spray Wax"
            };
            for (int i = 0; i < names.length; i++) {
                page.getByLabel("Contender", new Page.GetByLabelOptions().setExact(true))
                        .nth(i)
                        .fill(names[i]);
            }
            assertThat(page.locator("[data-section]")).hasCount(10);
            assertThat(page.locator(".reach")).containsText("fair");

            step(page, "Lay out");
            page.locator("#each").fill("1");
            assertThat(page.locator(".reach")).containsText("thin");
            assertThat(page.locator("#panel")).containsText("One section per product");
            page.locator("#each").fill("14");
            assertThat(page.locator("#wrong-each")).containsText("between 1 and 12");
            page.locator("#each").fill("1");
            assertThat(page.locator("#wrong-each")).isHidden();
            page.getByText("Give each product one more section").click();
            assertThat(page.locator(".plan-head")).containsText("one more section: done");

            step(page, "Fairness");
            for (String remedy : new String[] {
                "Make the first the reference", "Judge by code only", "Plan gauge checks", "Plan to note the weather"
            }) {
                button(page, remedy).click();
                assertThat(page.locator(".plan-head")).containsText(remedy + ": done");
            }
            assertThat(page.locator("#aside")).containsText("Nothing that can be known beforehand is against it");
            assertThat(page.locator(".reach")).containsText("firm");

            step(page, "Dates");
            page.getByLabel("Date of Visit 8")
                    .fill(SamplePlan.FIRST_DAY.plusDays(80).toString());
            assertThat(page.locator(".plan-head")).containsText("Nothing is broken by it");

            step(page, "Begin");
            assertThat(page.locator("main")).containsText("h of work in all");
            button(page, "Begin: fix the lots, print the tags").click();
            assertThat(page.locator(".section")).hasCount(10);
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("On paper"))
                    .click();
            assertThat(page.locator(".tape-tag")).hasCount(10);
            assertThat(page.locator("main")).containsText("Masking tape");
            byte[] pdf = page.pdf(new Page.PdfOptions().setFormat("A4"));
            String text = new String(pdf, StandardCharsets.ISO_8859_1);
            Assertions.assertThat(Pattern.compile("/Type /Page\\b(?!s)")
                            .matcher(text)
                            .results()
                            .count())
                    .as("run sheet, kit and tags, a page each; the key is a sheet of its own")
                    .isEqualTo(3);
        }
    }

    @Test
    void sectionsAndDatesAreDraggedAndTakenBack() {
        long plan = SamplePlan.make(SamplePlan.fair());
        try (Visit visit = Visit.of(1280, 900, ColorScheme.LIGHT)) {
            Page page = visit.page();
            page.navigate("/plans/" + plan + "?step=lay-out");
            String first = page.locator("[data-section]").first().getAttribute("data-section");
            drag(
                    page,
                    page.locator("[data-section]").first(),
                    page.locator("[data-section]").nth(5));
            assertThat(page.locator(".plan-head")).containsText(first + " was moved by hand");
            assertThat(page.locator(".taped.by-hand")).hasCount(2);
            assertThat(page.locator(".reach")).containsText("thin");
            drag(page, page.locator("[data-work=visit3] rect"), page.locator("[data-work=visit1] rect"));
            assertThat(page.locator(".plan-head")).containsText("Visit 3");
            assertThat(page.locator(".plan-head")).containsText("is not after visit 2");
            button(page, "Undo").click();
            assertThat(page.locator(".plan-head")).containsText("taken back");
            button(page, "Undo").click();
            assertThat(page.locator(".taped.by-hand")).hasCount(0);
            assertThat(page.locator(".reach")).containsText("firm");
        }
    }

    @Test
    void aCornerOfABedIsDraggedAndTheBedKept() {
        try (Visit visit = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            Page page = visit.page();
            page.navigate("/beds/new");
            page.locator("#name").fill("Dragged " + UUID.randomUUID());
            BoundingBox corner = page.locator("[data-corner='2']").boundingBox();
            page.mouse().move(corner.x + 9, corner.y + 9);
            page.mouse().down();
            page.mouse().move(corner.x - 60, corner.y - 20);
            page.mouse().move(corner.x - 120, corner.y - 40);
            page.mouse().up();
            assertThat(page.locator("#outline"))
                    .hasValue(
                            Pattern.compile("^0,0 1500,0 1\\d\\d\\d,9\\d\\d? ?0,1000$|^0,0 1500,0 \\d+,\\d+ 0,1000$"));
            assertThat(page.locator("#drawing")).containsText(Pattern.compile("1\\D?500 × [\\d\\D]{1,6} mm"));
            button(page, "Keep the bed").click();
            assertThat(page.locator("h1")).containsText("Dragged");
        }
    }

    @Test
    void aPhoneReadsThePlanAndTakesARemedyWithAThumb() {
        java.util.Map<String, String> typed = SamplePlan.fair();
        typed.put("gauge", "");
        long plan = SamplePlan.make(typed);
        try (Visit visit = Visit.of(390, 844, ColorScheme.DARK)) {
            Page page = visit.page();
            page.navigate("/plans/" + plan + "?step=fairness");
            assertThat(page.locator(".reach")).containsText("fair");
            Locator remedy = button(page, "Plan gauge checks");
            Assertions.assertThat(remedy.boundingBox().height).isGreaterThanOrEqualTo(48);
            remedy.click();
            assertThat(page.locator(".reach")).containsText("firm");
            step(page, "Dates");
            assertThat(page.locator(".dates li")).hasCount(16);
            Assertions.assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                    .isTrue();
        }
    }

    @Test
    void theKeyboardAloneExchangesSectionsAndWhatIsTypedSurvivesAReload() {
        long plan = SamplePlan.make(SamplePlan.fair());
        try (Visit visit = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            Page page = visit.page();
            page.navigate("/plans/" + plan + "?step=lay-out");
            page.getByLabel("Changes places with")
                    .selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(3));
            button(page, "Exchange").focus();
            page.keyboard().press("Enter");
            assertThat(page.locator(".taped.by-hand")).hasCount(2);
            page.locator("#gap").focus();
            page.keyboard().press("Control+A");
            page.keyboard().type("55");
            step(page, "Protocol");
            page.locator("#pull").fill("5");
            button(page, "Undo").click();
            assertThat(page.locator(".plan-head")).containsText("taken back");
            assertThat(page.locator("#pull")).hasValue("3");
            step(page, "Lay out");
            assertThat(page.locator("#gap")).hasValue("55");
            page.navigate("/studies/new");
            page.getByLabel("The question").fill("Half a question");
            page.reload();
            assertThat(page.getByLabel("The question")).hasValue("Half a question");
        }
    }

    @Test
    void twoPeopleAtOnePlanSeeWhatTheOtherChanged() {
        long plan = SamplePlan.make(SamplePlan.fair());
        try (Visit one = Visit.of(1280, 800, ColorScheme.LIGHT);
                Visit other = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            one.page().navigate("/plans/" + plan + "?step=lay-out");
            other.page().navigate("/plans/" + plan + "?step=lay-out");
            one.page().locator("#each").fill("3");
            assertThat(one.page().locator("[data-section]")).hasCount(11);
            other.page().locator("#each").fill("1");
            assertThat(other.page().locator(".plan-head")).containsText("Somebody else had changed each meanwhile");
            button(other.page(), "Undo").click();
            assertThat(other.page().locator("[data-section]")).hasCount(11);
        }
    }

    private static void drag(Page page, Locator what, Locator to) {
        BoundingBox from = what.boundingBox();
        BoundingBox until = to.boundingBox();
        page.mouse().move(from.x + from.width / 2, from.y + from.height / 2);
        page.mouse().down();
        page.mouse().move(from.x + from.width / 2 + 12, from.y + from.height / 2);
        page.mouse().move(until.x + until.width / 2 - 3, until.y + until.height / 2);
        page.mouse().up();
    }
}
