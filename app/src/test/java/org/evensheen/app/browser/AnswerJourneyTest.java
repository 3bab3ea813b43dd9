package org.evensheen.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import org.evensheen.app.browser.ChromiumExtension.Visit;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.sidebyside.Afternoons;
import org.evensheen.core.sidebyside.Comparison;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** From an answer to what goes out, by keys alone. */
@ExtendWith({LiveApp.class, ChromiumExtension.class})
class AnswerJourneyTest {
    private Page page;

    /** Tab until something has the focus; fails after so many. */
    private void tabTo(String what, int most) {
        Locator wanted = page.locator(what).first();
        for (int i = 0; i < most; i++) {
            if (Boolean.TRUE.equals(wanted.evaluate("e => e === document.activeElement"))) {
                return;
            }
            page.keyboard().press("Tab");
        }
        assertThat(wanted).isFocused();
    }

    /** An afternoon of two rounds with what each took and how long; gives where it is. */
    private static String timed(String slow, String quick) {
        String at = Afternoons.begunAsking("spray", Set.of("minutes"), slow, quick);
        Web.post(at + "/again", Map.of("key", UUID.randomUUID().toString()));
        Comparison c = Afternoons.load(at);
        c.places().forEach(p -> {
            boolean first = c.on(p.code()).name().equals(slow);
            Afternoons.say(at, "streaks/" + p.code(), "" + (first ? p.row() : 3 + p.row()));
            Afternoons.say(at, "dose/" + p.code(), "10 mL");
            Afternoons.say(at, "minutes/" + p.code(), first ? "12" : "4");
        });
        return at;
    }

    @Test
    void anAnswerIsWeighedPricedAndPublishedByKeysAlone() {
        String slow = SampleProduct.name("Alder");
        String quick = SampleProduct.name("Birch");
        SampleProduct.make(slow, "spray-wax", "apply 10 mL per panel; 1 L 20 EUR", 0);
        SampleProduct.make(quick, "spray-wax", "apply 10 mL per panel; 1 L 30 EUR", 0);
        String at = timed(slow, quick);
        try (Visit visit = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            page = visit.page();
            page.navigate(at + "/answer?for=purse");
            assertThat(page.locator("section[aria-label='What next']")).isVisible();
            assertThat(page.locator("section[aria-label='Worth it']"))
                    .containsText(Pattern.compile("By the bottle.*" + slow + " from 1.L is cheapest", Pattern.DOTALL));
            tabTo("#w-cost", 60);
            String before = page.locator("#work .headline mark").textContent();
            page.keyboard().press("Home");
            assertThat(page.locator("#w-cost")).hasValue("0");
            assertThat(page).hasURL(Pattern.compile("cost=0"));
            tabTo("#w-cost", 60);
            page.keyboard().press("End");
            assertThat(page).hasURL(Pattern.compile("cost=10"));
            tabTo("#hour", 60);
            page.keyboard().type("30");
            page.keyboard().press("Tab");
            assertThat(page.locator("#hour")).hasValue("30.00 EUR");
            assertThat(page.locator(".answer tbody")).containsText(Pattern.compile("6\\.20.EUR a half, hands and all"));
            assertThat(page.locator("#work .headline mark")).hasText(quick + " is first.");
            assertThat(before).isNotEmpty();
            assertThat(page.locator("section[aria-label='What next']")).containsText("it is settled");
            tabTo("a[href$='/publish']", 80);
            page.keyboard().press("Enter");
            assertThat(page).hasURL(Pattern.compile(at + "/publish$"));
            tabTo("#headline", 30);
            page.keyboard().type("Quick or thorough?");
            tabTo("form .button", 20);
            page.keyboard().press("Enter");
            assertThat(page.locator("#edition-1")).containsText("1. Quick or thorough?");
            assertThat(visit.complaints()).isEmpty();
        }
    }

    /** A place of the league opens what it rests on over the page, and gives the focus back. */
    @Test
    void aPlaceOfTheLeagueOpensWhatItRestsOn() {
        SampleStudy.read();
        org.evensheen.app.league.Rounds.untilNoneIsStale();
        try (Visit visit = Visit.of(1280, 800, ColorScheme.LIGHT)) {
            page = visit.page();
            page.navigate("/verdicts?quality=slickness&alike=slickness%2C+first+readings");
            tabTo(".league td a.num", 60);
            page.keyboard().press("Enter");
            assertThat(page.locator("#workings")).containsText("How this was worked out");
            assertThat(page.locator("#workings")).containsText(Pattern.compile("place 1 of \\d+"));
            page.keyboard().press("Escape");
            assertThat(page.locator("#workings")).isHidden();
            assertThat(page.locator(".league td a.num").first()).isFocused();
            tabTo("a[href^='/verdicts/publish']", 60);
            page.keyboard().press("Enter");
            assertThat(page.locator("h1")).containsText("Every product tested: slickness, first readings");
            assertThat(visit.complaints()).isEmpty();
        }
    }
}
