package org.evensheen.core.cost;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.Currency;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PerUseTest {
    private static final Money PRICE = new Money(new BigDecimal("11.40"), Currency.getInstance("EUR"));

    /** MEASURES 16: 180 mL of 500 mL at 11.40. */
    @Test
    void aWheelASetAndABottle() {
        PerUse wheel = new PerUse(180, 500, Optional.of(PRICE));
        assertThat(wheel.cost(1).orElseThrow().amount().doubleValue()).isCloseTo(4.10, within(5e-3));
        assertThat(wheel.cost(4).orElseThrow().amount().doubleValue()).isCloseTo(16.42, within(5e-3));
        assertThat(wheel.uses()).isCloseTo(2.8, within(0.05));
        assertThat(new PerUse(180, 500, Optional.empty()).cost(4)).isEmpty();
        assertThatIllegalArgumentException().isThrownBy(() -> new PerUse(0, 500, Optional.of(PRICE)));
    }

    /** MEASURES 16: 11 cars, 24 promised. */
    @Test
    void aYieldBesideThePromisedOne() {
        assertThat(new PerUse(1000 / 11.0, 1000, Optional.empty()).timesPromised(24))
                .isCloseTo(2.2, within(0.05));
    }
}
