package org.evensheen.app.answers;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.Rate;
import org.junit.jupiter.api.Test;

/** How money counts for whoever asks. */
class PurseTest {
    private static final Currency EUR = Currency.getInstance("EUR");
    private static final List<Rate> RATES =
            List.of(new Rate(Currency.getInstance("USD"), EUR, new BigDecimal("0.5"), LocalDate.of(2026, 1, 2)));

    @Test
    void mostPricesDecideTheCurrencyAndOthersAreTurnedByAStatedRate() {
        Map<Integer, Money> spent = Map.of(
                0, Money.of("3", "EUR"), 1, Money.of("2", "EUR"), 2, Money.of("8", "USD"), 3, Money.of("9", "DKK"));
        assertThat(Purse.usual(spent.values())).contains(EUR);
        assertThat(new Purse(RATES, Optional.empty()).in(EUR, spent))
                .as("no rate leads from DKK")
                .containsOnlyKeys(0, 1, 2)
                .containsEntry(2, Money.of("4", "EUR"));
        assertThat(Purse.EMPTY.in(EUR, spent)).containsOnlyKeys(0, 1);
        assertThat(Purse.usual(List.of())).isEmpty();
    }

    @Test
    void aMinuteIsASixtiethOfAnHourInTheCurrencyOfTheCosts() {
        Purse purse = new Purse(RATES, Optional.of(Money.of("60", "USD")));
        assertThat(purse.minute(EUR)).contains(Money.of("0.5", "EUR"));
        assertThat(purse.minute(Currency.getInstance("DKK"))).isEmpty();
        assertThat(Purse.EMPTY.minute(EUR)).isEmpty();
    }
}
