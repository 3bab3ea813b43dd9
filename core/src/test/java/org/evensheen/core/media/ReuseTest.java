package org.evensheen.core.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class ReuseTest {
    @Test
    void theWorstLookAtItsFaceSaysWhetherAnItemGoesBack() {
        assertThat(Reuse.of(List.of())).isEqualTo(Reuse.UNKNOWN);
        assertThat(Reuse.of(List.of(4))).isEqualTo(Reuse.BACK);
        assertThat(Reuse.of(List.of(5, 3))).isEqualTo(Reuse.FRESH_FACE);
        assertThat(Reuse.of(List.of(5, 2, 5))).isEqualTo(Reuse.NEVER_BACK);
        assertThatThrownBy(() -> Reuse.of(List.of(6))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Reuse.of(List.of(4, -1))).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatAWringTakesOutIsAShareOfWhatWasHeld() {
        assertThat(Reuse.wrungOut(400, 100)).isCloseTo(0.75, within(1e-12));
        assertThat(Reuse.wrungOut(400, 400)).isZero();
        assertThatThrownBy(() -> Reuse.wrungOut(400, 401)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Reuse.wrungOut(0, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
