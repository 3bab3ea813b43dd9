package org.evensheen.core.cost;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class CostTest {
    private static final Currency EURO = Currency.getInstance("EUR");

    @Test
    void aUseCostsItsShareOfTheBottle() {
        // A 12 L bucket at 1:240 holds 49.79 mL of a 500 mL bottle at 18.40 EUR.
        Costs costs = Costs.of(new Costs.Assumed(1 / 241.0, 12_000, 10, 12_000), Money.of("18.40", "EUR"), 500);
        assertThat(costs.perUse().amount().doubleValue()).isCloseTo(49.7925 * 18.40 / 500, within(1e-4));
        assertThat(costs.carsPerBottle()).isCloseTo(10.04, within(0.005));
        assertThat(costs.perPanel().amount().doubleValue() * 10)
                .isCloseTo(costs.perCar().amount().doubleValue(), within(1e-9));
        assertThat(costs.perProtectedWeek(4).amount().doubleValue())
                .isCloseTo(costs.perCar().amount().doubleValue() / 4, within(1e-9));
        Costs neat = Costs.of(new Costs.Assumed(1, 120, 12, 240), Money.of("12", "USD"), 480);
        assertThat(neat.perUse().amount()).as("a fill of 240 mL, neat").isEqualByComparingTo("6");
        assertThat(neat.perCar().amount()).isEqualByComparingTo("3");
        assertThat(neat.perLitre().amount()).isEqualByComparingTo("25");
    }

    @Property
    void costIsLinearInThePrice(
            @ForAll @DoubleRange(min = 0.01, max = 500) double price,
            @ForAll @DoubleRange(min = 0.01, max = 1) double share,
            @ForAll @IntRange(min = 1, max = 30) int times) {
        Costs.Assumed assumed = new Costs.Assumed(share, 5000, 12, 1000);
        Costs once = Costs.of(assumed, new Money(BigDecimal.valueOf(price), EURO), 750);
        Costs many =
                Costs.of(assumed, new Money(BigDecimal.valueOf(price).multiply(BigDecimal.valueOf(times)), EURO), 750);
        assertThat(many.perUse().amount().doubleValue())
                .isCloseTo(once.perUse().amount().doubleValue() * times, within(1e-9 * price * times));
        assertThat(many.productPerCar()).isEqualTo(once.productPerCar());
    }

    @Test
    void aBundleIsSplitByListPrices() {
        assertThat(Bundle.split(
                        Money.of("30.00", "EUR"),
                        List.of(Money.of("20", "EUR"), Money.of("15", "EUR"), Money.of("10", "EUR"))))
                .containsExactly(Money.of("13.33", "EUR"), Money.of("10.00", "EUR"), Money.of("6.67", "EUR"));
        assertThatThrownBy(() -> Bundle.split(Money.of("30", "EUR"), List.of(Money.of("20", "USD"))))
                .hasMessageContaining("in EUR");
    }

    @Property
    void thePartsOfABundleAddUpToItsPrice(
            @ForAll @IntRange(min = 1, max = 500_000) int cents,
            @ForAll @Size(min = 1, max = 9) List<@IntRange(min = 1, max = 99_999) Integer> lists) {
        Money price = new Money(BigDecimal.valueOf(cents, 2), EURO);
        List<Money> parts = Bundle.split(
                price,
                lists.stream()
                        .map(l -> new Money(BigDecimal.valueOf(l, 2), EURO))
                        .toList());
        assertThat(parts.stream().reduce(Money::plus).orElseThrow().amount()).isEqualByComparingTo(price.amount());
        int all = lists.stream().mapToInt(l -> l).sum();
        for (int i = 0; i < parts.size(); i++) {
            double exact = (double) cents * lists.get(i) / all;
            assertThat(parts.get(i).amount().movePointRight(2).doubleValue()).isCloseTo(exact, within(1.0));
        }
    }

    @Test
    void moneyIsConvertedByAStatedRateOnly() {
        Rate stated = new Rate(Currency.getInstance("USD"), EURO, new BigDecimal("0.92"), LocalDate.of(2026, 11, 2));
        assertThat(Rate.convert(Money.of("10", "USD"), EURO, List.of(stated))).contains(Money.of("9.20", "EUR"));
        assertThat(Rate.convert(Money.of("9.20", "EUR"), Currency.getInstance("USD"), List.of(stated))
                        .orElseThrow()
                        .amount())
                .isEqualByComparingTo("10");
        assertThat(Rate.convert(Money.of("10", "GBP"), EURO, List.of(stated))).isEmpty();
        assertThatThrownBy(() -> Money.of("1", "EUR").plus(Money.of("1", "USD")))
                .hasMessageContaining("add up");
        assertThat(Money.currency("eur")).contains(EURO);
        assertThat(Money.currency("XAU")).as("gold is not spent").isEmpty();
    }
}
