package org.evensheen.core.units;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RoundedTest {
    @ParameterizedTest
    @CsvSource({
        "1.94, 1.9",
        "0.5, 0.50",
        "0.051, 0.051",
        "12.4, 12",
        "99.6, 100",
        "150.2, 150",
        "12345, 12345",
        "1, 1.0"
    })
    void factorsHaveTwoDigitsAndNeverAnExponent(double factor, String told) {
        assertThat(Rounded.factor(factor)).isEqualTo(told);
        assertThat(Rounded.number(1.25, 1)).isEqualTo("1.3");
    }
}
