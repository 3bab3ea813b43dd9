package org.evensheen.core.label;

import java.util.Currency;
import java.util.Optional;
import org.evensheen.core.cost.Money;

/** A price on its own, as typed into a field: 18.40 EUR, €18,40. */
public final class PriceLine {

    private PriceLine() {}

    /** What was read, or what is wrong with it and the remedy. */
    public record Typed(Optional<Money> price, Optional<String> problem) {}

    /** Reads a price; without a currency it is in the one of home, if there is any. */
    public static Typed read(String typed, Optional<Currency> home) {
        Cursor c = new Cursor(typed, home);
        try {
            Money price = ClaimRules.price(c);
            c.end();
            return new Typed(Optional.of(price), Optional.empty());
        } catch (Unread e) {
            return new Typed(Optional.empty(), Optional.of(String.valueOf(e.getMessage())));
        }
    }
}
