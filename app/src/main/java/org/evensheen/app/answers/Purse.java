package org.evensheen.app.answers;

import java.util.Collection;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.Rate;

/**
 * How money counts for whoever asks.
 *
 * @param rates the latest of each pair of currencies
 * @param hour what an hour of their hands is worth; empty if hands cost nothing
 */
record Purse(List<Rate> rates, Optional<Money> hour) {
    static final Purse EMPTY = new Purse(List.of(), Optional.empty());

    /** The currency of most; what is in another is turned into it. */
    static Optional<Currency> usual(Collection<Money> spent) {
        return spent.stream().collect(Collectors.groupingBy(Money::currency, Collectors.counting())).entrySet().stream()
                .max(Map.Entry.<Currency, Long>comparingByValue()
                        .thenComparing(e -> e.getKey().getCurrencyCode()))
                .map(Map.Entry::getKey);
    }

    /** All of it in one currency; what no rate leads to is left out. */
    Map<Integer, Money> in(Currency wanted, Map<Integer, Money> spent) {
        Map<Integer, Money> turned = new TreeMap<>();
        spent.forEach((number, money) -> Rate.convert(money, wanted, rates).ifPresent(m -> turned.put(number, m)));
        return turned;
    }

    /** What a minute of hands is worth in a currency; empty if hands cost nothing, or no rate leads there. */
    Optional<Money> minute(Currency wanted) {
        return hour.flatMap(h -> Rate.convert(h, wanted, rates)).map(h -> h.over(60));
    }
}
