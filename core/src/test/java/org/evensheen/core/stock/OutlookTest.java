package org.evensheen.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import org.evensheen.core.stock.Outlook.Draw;
import org.evensheen.core.stock.Pace.Used;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OutlookTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 2, 20);

    @Test
    void aBottleRunsOutWhenWhatIsDrawnReachesWhatIsLeft() {
        Draw running = new Draw(1, TODAY.minusDays(30), TODAY.plusDays(40), 0, 5);
        Draw planned = new Draw(2, TODAY.plusDays(10), TODAY.plusDays(60), 60, 1);
        Outlook outlook = Outlook.of(TODAY, 200, 1, List.of(planned, running));
        // 6 mL a day for ten days, then 60 mL at once: 120; then 7 a day, so the last of 200 goes on day 22.
        assertThat(outlook.emptyOn()).contains(TODAY.plusDays(22));
        assertThat(outlook.studies())
                .extracting(Outlook.Lasting::study)
                .as("by their ends")
                .containsExactly(1L, 2L);
        assertThat(outlook.studies().get(0).wantingMl()).isCloseTo(40 * 6 + 60 + 30 - 200, within(1e-9));
        assertThat(outlook.studies().get(1).lasts()).isFalse();
    }

    @Test
    void whatIsNotUsedDoesNotRunOut() {
        assertThat(Outlook.of(TODAY, 0, 0, List.of()).emptyOn()).isEmpty();
        Outlook calm = Outlook.of(TODAY, 1000, 0, List.of(new Draw(1, TODAY, TODAY.plusDays(20), 100, 2)));
        assertThat(calm.emptyOn()).isEmpty();
        assertThat(calm.studies()).allMatch(Outlook.Lasting::lasts);
    }

    @Test
    void thePaceIsThatOfTheLastWeeksAndOneBusyDayIsNoHabit() {
        assertThat(Pace.perDay(TODAY, List.of(new Used(TODAY, 70)))).isCloseTo(10, within(1e-9));
        assertThat(Pace.perDay(TODAY, List.of(new Used(TODAY.minusDays(28), 50), new Used(TODAY, 90))))
                .isCloseTo(5, within(1e-9));
        assertThat(Pace.perDay(TODAY, List.of(new Used(TODAY.minusDays(300), 900), new Used(TODAY.minusDays(3), 56))))
                .isCloseTo(1, within(1e-9));
        assertThat(Pace.perDay(TODAY, List.of())).isZero();
    }

    @ParameterizedTest
    @CsvSource({
        "0, 1000, 500, 500, 1",
        "499, 501, 500, 1, 1",
        "500, 500, 500, 500, 0",
        "620, 380, 500, 380, 0",
        "-30, 1030, 500, 500, 1",
        "1200, 0, 500, 0, 0"
    })
    void bottlesAreEmptiedOneAfterTheOther(double used, double left, double size, double inUse, int full) {
        assertThat(Remaining.of(List.of(500.0, 500.0), used)).isEqualTo(new Remaining(left, size, inUse, full));
    }

    @Test
    void onlyTheLastBottleCanBeNearlyEmpty() {
        assertThat(Remaining.of(List.of(500.0, 500.0), 480).nearlyEmpty()).isFalse();
        assertThat(Remaining.of(List.of(500.0), 430).nearlyEmpty()).isTrue();
        assertThat(Remaining.of(List.of(500.0), 420).nearlyEmpty())
                .as("16 % are left")
                .isFalse();
        assertThat(Remaining.of(List.of(), 0).nearlyEmpty())
                .as("no bottle at all")
                .isFalse();
        assertThat(Remaining.of(List.of(), 50)).isEqualTo(new Remaining(0, 0, 0, 0));
    }
}
