package org.evensheen.core.cost;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** Several products sold together for one price. */
public final class Bundle {

    private Bundle() {}

    /**
     * Splits a bundle's price by the list prices of what is in it: the same discount on all. Each part is rounded down to
     * the currency's smallest coin, and the coins left over go where most was cut off, so that the parts add up to the price.
     *
     * @param price what the bundle cost
     * @param lists what each thing costs on its own, above 0, in the bundle's currency
     * @throws IllegalArgumentException if nothing is in it, a list price is 0 or in another currency
     */
    public static List<Money> split(Money price, List<Money> lists) {
        BigDecimal all = BigDecimal.ZERO;
        for (Money list : lists) {
            if (list.amount().signum() <= 0 || !list.currency().equals(price.currency())) {
                throw new IllegalArgumentException("every list price is above zero and in " + price.currency());
            }
            all = all.add(list.amount());
        }
        if (lists.isEmpty()) {
            throw new IllegalArgumentException("an empty bundle");
        }
        int decimals = Math.max(
                price.currency().getDefaultFractionDigits(), price.amount().scale());
        BigDecimal coin = BigDecimal.ONE.movePointLeft(decimals);
        List<BigDecimal> exact = new ArrayList<>();
        List<BigDecimal> parts = new ArrayList<>();
        BigDecimal left = price.amount().setScale(decimals);
        for (Money list : lists) {
            BigDecimal share =
                    price.amount().multiply(list.amount()).divide(all, decimals + 12, RoundingMode.HALF_EVEN);
            exact.add(share);
            parts.add(share.setScale(decimals, RoundingMode.DOWN));
            left = left.subtract(parts.get(parts.size() - 1));
        }
        List<Integer> byCut = IntStream.range(0, parts.size())
                .boxed()
                .sorted(Comparator.comparing((Integer i) -> parts.get(i).subtract(exact.get(i))))
                .toList();
        for (int i = 0; left.signum() > 0; i = (i + 1) % parts.size()) {
            parts.set(byCut.get(i), parts.get(byCut.get(i)).add(coin));
            left = left.subtract(coin);
        }
        return parts.stream().map(p -> new Money(p, price.currency())).toList();
    }
}
