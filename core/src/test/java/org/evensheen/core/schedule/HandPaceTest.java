package org.evensheen.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class HandPaceTest {
    @Test
    void aPlaceWithoutAnAreaTakesAsLongAsAUsualSection() {
        assertThat(HandPace.USUAL.spread(Double.NaN)).isEqualTo(HandPace.USUAL.spread(0.12));
        assertThat(HandPace.USUAL.finish(Double.NaN)).isEqualTo(HandPace.USUAL.finish(0.12));
        assertThat(HandPace.USUAL.spread(0.5)).isGreaterThan(HandPace.USUAL.spread(0.12));
    }
}
