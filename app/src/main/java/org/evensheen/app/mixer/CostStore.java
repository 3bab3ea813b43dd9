package org.evensheen.app.mixer;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.core.cost.Bundle;
import org.evensheen.core.cost.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** What costs are reckoned from besides labels: jobs and bundles. */
@Component
public class CostStore {
    private static final int MOST_JOBS = 24;

    private final JdbcClient database;
    private final TransactionTemplate transaction;

    CostStore(JdbcClient database, TransactionTemplate transaction) {
        this.database = database;
        this.transaction = transaction;
    }

    /** A job that labels offer, and how many products do. */
    record Job(String name, int products) {}

    /** Jobs that most products offer, first. */
    List<Job> jobs() {
        return database.sql("""
                        select u.job as name, count(*) as products
                        from label_use u join label l on l.id = u.label_id
                        where not exists (select 1 from label n where n.product_id = l.product_id and n.number > l.number)
                        group by u.job order by count(*) desc, u.job limit :most""").param("most", MOST_JOBS).query(Job.class).list();
    }

    /**
     * A product's part of a bundle, at its share of the price.
     *
     * @param paid its share of the bundle's price, by list prices
     */
    public record Bundled(long product, String bundle, double sizeMl, Money paid) {}

    /** Bundles that hold any of some products, each split by list prices. */
    public List<Bundled> bundled(Collection<Long> products) {
        if (products.isEmpty()) {
            return List.of();
        }
        Map<Long, List<Item>> bundles = new LinkedHashMap<>();
        database.sql("""
                        select b.id, b.name, b.price, b.currency, i.product_id, i.size_ml, i.list_price
                        from bundle b join bundle_item i on i.bundle_id = b.id
                        where b.id in (select bundle_id from bundle_item where product_id in (:products))
                        order by b.id, i.product_id""").param("products", products).query(row -> {
            Currency currency = Currency.getInstance(row.getString("currency"));
            bundles.computeIfAbsent(row.getLong("id"), id -> new ArrayList<>())
                    .add(new Item(
                            row.getString("name"),
                            new Money(row.getBigDecimal("price"), currency),
                            row.getLong("product_id"),
                            row.getDouble("size_ml"),
                            new Money(row.getBigDecimal("list_price"), currency)));
        });
        List<Bundled> bundled = new ArrayList<>();
        for (List<Item> items : bundles.values()) {
            List<Money> parts = Bundle.split(
                    items.get(0).price, items.stream().map(Item::list).toList());
            for (int i = 0; i < items.size(); i++) {
                Item item = items.get(i);
                if (products.contains(item.product)) {
                    bundled.add(new Bundled(item.product, item.bundle, item.sizeMl, parts.get(i)));
                }
            }
        }
        return bundled;
    }

    private record Item(String bundle, Money price, long product, double sizeMl, Money list) {}

    /** A product of a bundle about to be kept. */
    record DraftItem(long product, double sizeMl, BigDecimal listPrice) {}

    /** Keeps a bundle once, however often it is sent. */
    void keepBundle(String name, Money price, LocalDate on, List<DraftItem> items, UUID key) {
        transaction.executeWithoutResult(status -> insert(name, price, on, items, key));
    }

    private void insert(String name, Money price, LocalDate on, List<DraftItem> items, UUID key) {
        database.sql("""
                        insert into bundle (name, price, currency, bought_on, page_key)
                        values (:name, :price, :currency, :day, :key) on conflict (page_key) do nothing returning id""")
                .param("name", name)
                .param("price", price.amount())
                .param("currency", price.currency().getCurrencyCode())
                .param("day", on)
                .param("key", key)
                .query(Long.class)
                .optional()
                .ifPresent(id -> items.forEach(item -> database.sql("""
                                insert into bundle_item (bundle_id, product_id, size_ml, list_price)
                                values (:bundle, :product, :size, :list)""")
                        .param("bundle", id)
                        .param("product", item.product)
                        .param("size", item.sizeMl)
                        .param("list", item.listPrice)
                        .update()));
    }
}
