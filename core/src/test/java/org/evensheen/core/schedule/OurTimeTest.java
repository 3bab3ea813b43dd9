package org.evensheen.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.Instant;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OurTimeTest {

    @Test
    void itsFirstAndLastDayAreInItAndTheNextAreNot() {
        assertThat(OurTime.holds(LocalDate.of(1990, 1, 1))).isTrue();
        assertThat(OurTime.holds(LocalDate.of(1989, 12, 31))).isFalse();
        assertThat(OurTime.holds(LocalDate.of(2199, 12, 31))).isTrue();
        assertThat(OurTime.holds(LocalDate.of(2200, 1, 1))).isFalse();
        assertThat(OurTime.time("1990-01-01T00:00:00Z")).isEqualTo(Instant.parse("1990-01-01T00:00:00Z"));
        assertThat(OurTime.holds(Instant.parse("1989-12-31T23:59:59.999Z"))).isFalse();
        assertThat(OurTime.holds(Instant.parse("2199-12-31T23:59:59.999Z"))).isTrue();
        assertThat(OurTime.holds(Instant.parse("2200-01-01T00:00:00Z"))).isFalse();
        assertThat(OurTime.holds(Instant.MAX) || OurTime.holds(Instant.MIN)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"+999999999-12-31", "-999999999-01-01", "2026-02-30", "soon", "", "0000-01-01", "2200-01-01"})
    void aDayBeyondItOrNoneIsRefusedWithItsWords(String day) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> OurTime.day(day))
                .withMessageMatching("(?s).*(not a day like|outside the years).*");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> OurTime.time(day + "T00:00:00Z"))
                .withMessageMatching("(?s).*(not a time like|outside the years).*");
    }
}
