package org.evensheen.app.plans;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.core.wear.Settling;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class RehearsalRunTest {
    /** Asks for the progress, as the page does, until the rehearsal has ended. */
    private static String outcome(long plan) {
        Instant until = Instant.now().plus(Duration.ofSeconds(60));
        String shown = "";
        do {
            shown = Web.get("/plans/" + plan + "/rehearsal/progress").body();
        } while (shown.contains("<progress") && Instant.now().isBefore(until));
        return shown;
    }

    @Test
    void aRehearsalSaysWhoWinsHowOftenAndWhatMoreWouldBuy() {
        long plan = SamplePlan.make(SamplePlan.fair());
        String begun = Web.post(
                        "/plans/" + plan + "/rehearsal",
                        Map.of("base", "2", "fresh0", "8", "spent0", "40", "fresh1", "11", "spent1", "6"))
                .body();
        assertThat(begun).contains("<progress", "value=\"40\"");
        assertThat(outcome(plan))
                .containsPattern("Osier Spray Seal stands alone in first place in \\d+.% of 2000 rehearsed studies")
                .contains(
                        "called different", "One more section each", "One more repeat", "Three more weeks", "polyline");
        SamplePlan.change(plan, 3, "lay-out", Map.of("each", "3"));
        assertThat(Web.get("/plans/" + plan + "/rehearsal").body()).contains("The plan has changed since");
    }

    /** When a promise is settled, by the plan's own visits. */
    @Test
    void aRehearsalSaysHowManyVisitsSettleAPromise() {
        String name = org.evensheen.app.live.SampleProduct.name("Ten Week Wax");
        org.evensheen.app.live.SampleProduct.make(name, "wax", "4 mL per section; lasts 10 weeks; for paint", 500);
        Map<String, String> typed = SamplePlan.fair();
        typed.putAll(Map.of("name1", name, "each", "5", "size", "120 × 100", "every", "14", "visits", "3"));
        long plan = SamplePlan.make(typed);
        Settling settling = Settling.rehearse(5, 2, 8, 10, 1);
        int shorter = settling.fallsShortBy().orElseThrow();
        int longer = settling.holdsUpBy().orElseThrow();
        assertThat(longer).isGreaterThanOrEqualTo(5);
        assertThat(Web.get("/plans/" + plan + "/settling").body())
                .contains(name, "lasts 10 weeks")
                .contains("If it lasts half as long, that is settled by visit %d, week %d"
                        .formatted(shorter, 2 * shorter))
                .contains("If it lasts half as long again, by visit %d, week %d, %d visits more than this plan has."
                        .formatted(longer, 2 * longer, longer - 3));
        SamplePlan.change(plan, 2, "protocol", Map.of("wear", "washes"));
        assertThat(Web.get("/plans/" + plan + "/settling").body()).contains("the study does not go by weeks");
    }

    @Test
    void effectsComeFromEarlierStudiesAndWrongNumbersAreSaid() {
        SampleStudy.read();
        long plan = SamplePlan.make(SamplePlan.fair());
        assertThat(Web.get("/plans/" + plan + "/rehearsal").body())
                .contains("from “Which of three stays?”", "earlier stud")
                .contains("supposed; no earlier study has it");
        String wrong = Web.post("/plans/" + plan + "/rehearsal", Map.of("base", "2", "fresh0", "slick"))
                .body();
        assertThat(wrong).contains("needs another look", "value=\"slick\"").doesNotContain("<progress");
    }

    @Test
    void aRehearsalCanBeStopped() {
        long plan = SamplePlan.make(SamplePlan.fair());
        Web.post("/plans/" + plan + "/rehearsal", Map.of("base", "2"));
        assertThat(Web.post("/plans/" + plan + "/rehearsal/cancel", Map.of()).body())
                .contains("Stopped. Nothing was kept of it.");
        assertThat(outcome(plan)).doesNotContain("stands alone");
        assertThat(LiveApp.bean(RehearsalStore.class).load(plan).orElseThrow().state())
                .isEqualTo("cancelled");
    }
}
