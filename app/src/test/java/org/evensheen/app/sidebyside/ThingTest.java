package org.evensheen.app.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ThingTest {
    @ParameterizedTest
    @CsvSource({
        "Ewe Fleece Mitt, MITT",
        "SLICE Brick Sponge, SPONGE",
        "Long-Pile Towel 46, TOWEL",
        "Loop Pad Nine, PAD",
        "Barrel Brush, BRUSH",
        "Number four, MITT"
    })
    void isWhatItsNameSays(String name, Thing thing) {
        assertThat(Thing.named(name)).isEqualTo(thing);
    }

    /** 92 by 104 in the middle of 100 by 120 at (10, 20); half as large in a box half as high. */
    @Test
    void isDrawnInTheMiddleOfItsBox() {
        assertThat(Thing.TOWEL.within(10, 20, 100, 120)).isEqualTo("M14 28h92v104h-92zM14 80h92M14 106h92");
        assertThat(Thing.TOWEL.within(0, 0, 100, 60)).startsWith("M27 4h46v52h-46z");
    }
}
