package org.evensheen.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.studies.Study;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class BenchPageTest {
    private static final LocalDate TODAY = LocalDate.now();

    private static List<DueStore.Due> of(Study study, LocalDate day) {
        return LiveApp.bean(DueStore.class).around(day).stream()
                .filter(d -> d.study() == study.id())
                .toList();
    }

    @Test
    void aVisitTodayIsDueWithWhatItWants() {
        Study study = SampleStudy.make();
        DueStore store = LiveApp.bean(DueStore.class);
        DueStore.Due due = of(study, TODAY).stream()
                .filter(d -> d.date().equals(TODAY))
                .findFirst()
                .orElseThrow();
        assertThat(due.expected()).as("8 sections, three pulls and a drop each").isEqualTo(32);
        assertThat(due.taken()).isZero();
        assertThat(store.cells(due))
                .hasSize(16)
                .allMatch(c -> c.wanting() == (c.measure().equals("pull") ? 3 : 1));
        BenchPage page = BenchPage.of(of(study, TODAY), store, false, TODAY);
        assertThat(page.headline()).isEqualTo("32 readings due today, in 1 study.");
        assertThat(page.first().wanted()).isEqualTo("Still wanted: 24 pulls, 8 drops.");
        assertThat(page.first().kit()).contains("weighted sled", "dropper");
        assertThat(page.first().patches()).allMatch(BenchPage.Patch::open);
        // Other tests have made many visits for today; those nearest to a day are looked up.
        assertThat(BenchPage.of(of(study, TODAY.plusDays(5)), store, false, TODAY)
                        .ahead())
                .hasSize(1)
                .first()
                .satisfies(l -> assertThat(l.what()).contains("day 15"));
    }

    @Test
    void aVisitThatIsReadIsNotDueAndTomorrowItIsNotLeftOpen() {
        Study study = SampleStudy.read();
        DueStore store = LiveApp.bean(DueStore.class);
        assertThat(BenchPage.of(of(study, TODAY), store, false, TODAY).headline())
                .isEqualTo("Nothing is due today.");
        assertThat(BenchPage.of(of(study, TODAY), store, true, TODAY).headline())
                .as("a bed waits to be worked on")
                .isEqualTo("No readings today; there is work.");
        BenchPage tomorrow = BenchPage.of(of(study, TODAY.plusDays(1)), store, false, TODAY.plusDays(1));
        assertThat(tomorrow.leftOpen()).isEmpty();
        assertThat(tomorrow.first()).isNull();
    }

    @Test
    void aVisitThatWasMissedIsLeftOpenForAWeek() {
        Study study = SampleStudy.make();
        DueStore store = LiveApp.bean(DueStore.class);
        BenchPage soon = BenchPage.of(of(study, TODAY.plusDays(3)), store, false, TODAY.plusDays(3));
        assertThat(soon.leftOpen()).singleElement().satisfies(l -> {
            assertThat(l.when()).isEqualTo("3 days ago");
            assertThat(l.wanting()).isEqualTo("32 readings wanting");
        });
        assertThat(of(study, TODAY.plusDays(30))).isEmpty();
    }
}
