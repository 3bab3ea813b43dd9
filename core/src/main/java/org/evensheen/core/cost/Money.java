package org.evensheen.core.cost;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Currency;
import java.util.Locale;
import java.util.Optional;
import org.evensheen.core.units.Decimal;

/**
 * An amount of money in an ISO 4217 currency, with the decimals of its currency or more; exact, and rounded only where it is
 * shown.
 *
 * @param amount not below 0
 */
public record Money(BigDecimal amount, Currency currency) {
    /** Precision of quotients. */
    public static final MathContext PRECISION = MathContext.DECIMAL64;

    public Money {
        if (amount.signum() < 0) {
            throw new IllegalArgumentException("a price can't be below zero");
        }
        BigDecimal shortest = amount.stripTrailingZeros();
        amount = shortest.setScale(Math.max(shortest.scale(), Math.max(0, currency.getDefaultFractionDigits())));
    }

    public static Money of(String amount, String currency) {
        return new Money(new BigDecimal(amount), Currency.getInstance(currency));
    }

    /** The currency by its ISO 4217 code, whatever the case; empty if there is none, or it is not spent (gold, test codes). */
    public static Optional<Currency> currency(String code) {
        try {
            return Optional.of(Currency.getInstance(code.toUpperCase(Locale.ROOT)))
                    .filter(c -> c.getDefaultFractionDigits() >= 0);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    public Money times(double factor) {
        return new Money(amount.multiply(BigDecimal.valueOf(factor), PRECISION), currency);
    }

    /** @throws ArithmeticException if the divisor is 0 */
    public Money over(double divisor) {
        return new Money(amount.divide(BigDecimal.valueOf(divisor), PRECISION), currency);
    }

    /** @throws IllegalArgumentException if the currencies differ */
    public Money plus(Money other) {
        if (!currency.equals(other.currency)) {
            throw new IllegalArgumentException(currency + " and " + other.currency + " don't add up");
        }
        return new Money(amount.add(other.amount), currency);
    }

    /** As a label line writes it: "18.40 EUR". */
    public String print() {
        return Decimal.write(amount) + " " + currency.getCurrencyCode();
    }
}
