package org.evensheen.core.units;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlainTextTest {

    @Test
    void signsThatCantBeSeenAreLeftOutAndAllOthersStay() {
        assertThat(PlainText.clean("Ochre\u0007 \u202Eslaes\u202C\u200B\uFEFF")).isEqualTo("Ochre slaes");
        assertThat(PlainText.clean("one\ttwo\nthree\r\n")).isEqualTo("one\ttwo\nthree\r\n");
        assertThat(PlainText.clean("é ü Å 滑 ق 👍🏽 a\u200Db 1\u202fN")).isEqualTo("é ü Å 滑 ق 👍🏽 a\u200Db 1\u202fN");
        assertThat(PlainText.clean("half \uD83D sign")).isEqualTo("half \uFFFD sign");
        assertThat(PlainText.line("  near\n flank\u0085 \t1 ")).isEqualTo("near flank 1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "\u00a0", "\u3164", "\u2800", "\u200D", "—", "★ ☆", "\u115F\u1160"})
    void aNameWithNothingToKnowItByIsNone(String name) {
        assertThat(PlainText.readable(name)).isFalse();
        assertThat(PlainText.readable(name + "7")).isTrue();
    }

    @Test
    void nulIsNoText() {
        assertThat(PlainText.broken("a\0b")).isTrue();
        assertThat(PlainText.broken("a0b\n")).isFalse();
    }
}
