package org.evensheen.app.demo;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.LabelKeeper;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.labels.StockStore;
import org.evensheen.app.page.Sheet;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Puts the demo's products on the Shelf. */
@Component
@ConditionalOnProperty("even-sheen.demo")
class DemoShelfLoader {
    private static final String WHO = "Demo";

    private final JdbcClient database;
    private final ProductStore products;
    private final LabelKeeper labels;
    private final StockStore stock;

    DemoShelfLoader(JdbcClient database, ProductStore products, LabelKeeper labels, StockStore stock) {
        this.database = database;
        this.products = products;
        this.labels = labels;
        this.stock = stock;
    }

    void loadIfEmpty(LocalDate today) {
        if (database.sql("select not exists (select 1 from label)")
                .query(Boolean.class)
                .single()) {
            load(today);
        }
    }

    private void load(LocalDate today) {
        Map<String, Long> ids = new HashMap<>();
        for (Sheet.Row told : DemoShelf.products()) {
            ids.put(told.at("name"), product(told, today));
        }
        database.sql("update vessel set seconds_to_empty = 90, nozzle_ml_per_second = 120 where shape = 'foam-bottle'")
                .update();
        for (DemoShelf.Mixed mixed : DemoShelf.mixes()) {
            stock.keep(new StockStore.Draft(
                    ids.get(mixed.product()),
                    "mixed",
                    mixed.productMl(),
                    Optional.of(mixed.waterMl()),
                    mixed.job(),
                    database.sql("select id from vessel where name = :name")
                            .param("name", mixed.vessel())
                            .query(Long.class)
                            .optional(),
                    Optional.empty(),
                    today.minusDays(mixed.daysAgo()),
                    UUID.randomUUID(),
                    WHO));
        }
        strip(ids.get("Sallow Plain Soap"), 8.5, today.minusDays(20));
        strip(ids.get("Clearpane"), 7, today.minusDays(9));
        strip(ids.get("Brackwater Wheel Acid"), 1, today.minusDays(12));
        bundle(
                ids,
                "Spring box",
                "34.00",
                today.minusDays(120),
                "Pailmate Rinseless",
                500,
                "18.40",
                "Lowlight Mist",
                500,
                "13.90",
                "Curlew Foam",
                500,
                "11.90");
        bundle(
                ids,
                "Wheel pair",
                "36.00",
                today.minusDays(100),
                "Rustmoth Iron Wash",
                1000,
                "15.50",
                "Brackwater Wheel Acid",
                5000,
                "28.00");
        database.sql("""
                        insert into exchange_rate (base, quote, worth, stated_on, page_key)
                        values ('USD', 'EUR', 0.92, :day, gen_random_uuid())""").param("day", today.minusDays(23)).update();
    }

    private long product(Sheet.Row told, LocalDate today) {
        String line = told.at("label");
        var outcome = labels.keep(new LabelKeeper.Draft(
                products.named(told.at("name")).map(Product::id),
                told.at("name"),
                ProductKind.ofCode(told.at("kind")).orElseThrow(),
                0,
                line,
                LabelLine.read(line).label(),
                UUID.randomUUID(),
                WHO));
        long id = ((LabelKeeper.Outcome.Kept) outcome).product();
        Optional<LocalDate> opened = number(told, "opened_days_ago").map(days -> today.minusDays(days.longValue()));
        stock.keepBottle(
                id,
                number(told, "size_ml").orElseThrow(),
                told.at("come_by"),
                number(told, "came_days_ago").map(days -> today.minusDays(days.longValue())),
                opened,
                UUID.randomUUID(),
                WHO);
        number(told, "gone_ml")
                .ifPresent(gone -> stock.keep(new StockStore.Draft(
                        id,
                        "poured",
                        gone,
                        Optional.empty(),
                        "",
                        Optional.empty(),
                        Optional.empty(),
                        today.minusDays(
                                number(told, "opened_days_ago").orElse(0.0).longValue() / 2),
                        UUID.randomUUID(),
                        WHO)));
        number(told, "spray_ml").ifPresent(ml -> calibration(id, ml, opened.orElse(today)));
        return id;
    }

    private static Optional<Double> number(Sheet.Row told, String column) {
        return told.at(column).isEmpty() ? Optional.empty() : Optional.of(Double.valueOf(told.at(column)));
    }

    /** Twenty sprays weighed on the day the bottle was opened. */
    private void calibration(long product, double sprayMl, LocalDate on) {
        database.sql("""
                        insert into calibration (product_id, counter, ml_each, grams_lost, count, density, kept_at, kept_by,
                                                 page_key)
                        values (:product, 'spray', :ml, :grams, 20, 1, :at, :by, gen_random_uuid())""")
                .param("product", product)
                .param("ml", sprayMl)
                .param("grams", sprayMl * 20)
                .param(
                        "at",
                        java.sql.Timestamp.from(on.atTime(LocalTime.NOON)
                                .atZone(ZoneId.systemDefault())
                                .toInstant()))
                .param("by", WHO)
                .update();
    }

    private void strip(long product, double ph, LocalDate on) {
        database.sql("""
                        insert into ph_strip (product_id, ph, read_on, kept_by, page_key)
                        values (:product, :ph, :day, :by, gen_random_uuid())""")
                .param("product", product)
                .param("ph", ph)
                .param("day", on)
                .param("by", WHO)
                .update();
    }

    /** A bundle in euro; then name, mL and list price of each thing in it. */
    private void bundle(Map<String, Long> ids, String name, String price, LocalDate on, Object... items) {
        long id = database.sql("""
                        insert into bundle (name, price, currency, bought_on, page_key)
                        values (:name, :price::numeric, 'EUR', :day, gen_random_uuid()) returning id""")
                .param("name", name)
                .param("price", price)
                .param("day", on)
                .query(Long.class)
                .single();
        for (int i = 0; i < items.length; i += 3) {
            database.sql("""
                            insert into bundle_item (bundle_id, product_id, size_ml, list_price)
                            values (:bundle, :product, :size, :list::numeric)""")
                    .param("bundle", id)
                    .param("product", ids.get((String) items[i]))
                    .param("size", items[i + 1])
                    .param("list", items[i + 2])
                    .update();
        }
    }
}
