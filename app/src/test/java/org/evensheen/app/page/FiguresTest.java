package org.evensheen.app.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.Random;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.measure.Measures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FiguresTest {

    @ParameterizedTest
    @CsvSource({"9.84, 1, 9.8", "-0.04, 1, 0.0", "-1.25, 2, −1.25", "0.5, 0, 1", "1234.5, 1, 1234.5", "-0.0, 0, 0"})
    void numbersHaveTrueMinusesAndNoMinusBeforeZero(double value, int decimals, String text) {
        assertThat(Figures.number(value, decimals)).isEqualTo(text);
    }

    @Test
    void unitsStandAfterANarrowSpaceButDegreesDoNot() {
        assertThat(Figures.score(Measures.PULL, 9.84)).isEqualTo("9.8\u202fN");
        assertThat(Figures.score(Measures.DROP, 97.4)).isEqualTo("97°");
        assertThat(Figures.score(Measures.LEFT_BEHIND, 112.5)).isEqualTo("113\u202fg/m²");
        assertThat(Figures.difference(Measures.PULL, 1.234)).isEqualTo("1.23\u202fN");
    }

    @Test
    void rangesWithAMinusAreWrittenOut() {
        assertThat(Figures.percentRange(new Interval(0.41, 0.52))).isEqualTo("41–52\u202f%");
        assertThat(Figures.percentRange(new Interval(-0.06, 0.02))).isEqualTo("−6 to 2\u202f%");
        assertThat(Figures.benefitRange(Measures.DROP, Optional.of(new Interval(40, 52.4))))
                .isEqualTo("40–52°");
        assertThat(Figures.benefitRange(Measures.PULL, Optional.empty())).isEqualTo("no interval");
    }

    @Test
    void smallPValuesAreNotZeroAndTypedNumbersKeepTheirDigits() {
        assertThat(Figures.p(0.00004)).isEqualTo("< 0.001");
        assertThat(Figures.p(0.0456)).isEqualTo("0.046");
        assertThat(Figures.typed(9.80)).isEqualTo("9.8");
        assertThat(Figures.typed(1e-2)).isEqualTo("0.01");
        assertThat(Figures.typed(120)).isEqualTo("120");
    }

    @Test
    void coordinatesReadBackWithinHalfAHundredth() {
        Random random = new Random(4);
        for (int i = 0; i < 2000; i++) {
            double value = (random.nextDouble() - 0.5) * 3000;
            String text = Figures.svg(value);
            assertThat(text).matches("-?\\d+(\\.\\d{1,2})?").doesNotMatch(".*\\.\\d?0$");
            assertThat(Math.abs(Double.parseDouble(text) - value)).isLessThanOrEqualTo(0.00501);
        }
        assertThat(Figures.svg(-0.001)).isEqualTo("0");
        assertThat(Figures.svg(0.05)).isEqualTo("0.05");
    }
}
