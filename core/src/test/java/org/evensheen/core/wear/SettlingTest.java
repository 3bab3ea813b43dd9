package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

/** How many visits it takes until a promise is settled. */
class SettlingTest {
    @Test
    void fallingShortIsSettledBeforeTheTimeIsOverAndHoldingUpNotBefore() {
        Settling four = Settling.rehearse(4, 2, 20, 20, 7);
        assertThat(four.steps()).hasSize(20);
        assertThat(four.fallsShortBy()).isPresent();
        assertThat(four.fallsShortBy().getAsInt() * 2.0).isBetween(10.0, 20.0);
        assertThat(four.steps().subList(0, 9))
                .as("before its time is over nothing holds up")
                .allMatch(s -> s.holdsUp() == 0);
        assertThat(four.holdsUpBy().orElse(99) * 2).isGreaterThanOrEqualTo(20);
        assertThat(Settling.rehearse(4, 2, 20, 20, 7)).isEqualTo(four);
    }

    @Test
    void oneSectionSettlesLessThanFour() {
        Settling one = Settling.rehearse(1, 2, 20, 20, 7);
        Settling four = Settling.rehearse(4, 2, 20, 20, 7);
        for (int visit : new int[] {7, 9, 12}) {
            assertThat(one.steps().get(visit).fallsShort())
                    .isLessThanOrEqualTo(four.steps().get(visit).fallsShort());
        }
        assertThatThrownBy(() -> Settling.rehearse(0, 2, 8, 20, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Settling.rehearse(1, 0, 8, 20, 1)).isInstanceOf(IllegalArgumentException.class);
    }
}
