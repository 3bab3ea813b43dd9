package org.evensheen.core.cost;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Currency;
import java.util.Optional;

/**
 * What one currency was worth in another on a day.
 *
 * @param worth units of {@code to} for one of {@code from}, above 0
 */
public record Rate(Currency from, Currency to, BigDecimal worth, LocalDate on) {
    public Rate {
        if (worth.signum() <= 0 || from.equals(to)) {
            throw new IllegalArgumentException("a rate is above zero, between two currencies");
        }
    }

    /**
     * Money in another currency, by a rate for the pair in either direction; empty if there is none.
     *
     * @param rates the latest of each pair
     */
    public static Optional<Money> convert(Money money, Currency wanted, Collection<Rate> rates) {
        if (money.currency().equals(wanted)) {
            return Optional.of(money);
        }
        return between(money.currency(), wanted, rates)
                .map(r -> new Money(
                        r.from.equals(money.currency())
                                ? money.amount().multiply(r.worth, Money.PRECISION)
                                : money.amount().divide(r.worth, Money.PRECISION),
                        wanted));
    }

    /** The rate between two currencies, whichever way round it was stated; the direct one first. */
    public static Optional<Rate> between(Currency from, Currency to, Collection<Rate> rates) {
        return rates.stream()
                .filter(r -> r.from.equals(from) && r.to.equals(to))
                .findFirst()
                .or(() -> rates.stream()
                        .filter(r -> r.from.equals(to) && r.to.equals(from))
                        .findFirst());
    }
}
