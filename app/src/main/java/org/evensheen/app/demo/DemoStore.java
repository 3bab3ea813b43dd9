package org.evensheen.app.demo;

import java.sql.Timestamp;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What the demo asks of the database and puts into it past the pages. */
@Component
@ConditionalOnProperty("even-sheen.demo")
class DemoStore {
    private static final String WHO = "Demo";

    private final JdbcClient database;

    DemoStore(JdbcClient database) {
        this.database = database;
    }

    /** Holds back every other copy until the transaction ends. */
    void lockStudies() {
        database.sql("lock table study in exclusive mode").update();
    }

    boolean hasNoStudy() {
        return database.sql("select not exists (select 1 from study)")
                .query(Boolean.class)
                .single();
    }

    boolean shelfIsEmpty() {
        return database.sql("select not exists (select 1 from label)")
                .query(Boolean.class)
                .single();
    }

    UUID pageKey(long study) {
        return database.sql("select page_key from study where id = :id")
                .param("id", study)
                .query(UUID.class)
                .single();
    }

    Optional<Long> vessel(String name) {
        return database.sql("select id from vessel where name = :name")
                .param("name", name)
                .query(Long.class)
                .optional();
    }

    void timeFoamBottle() {
        database.sql("update vessel set seconds_to_empty = 90, nozzle_ml_per_second = 120 where shape = 'foam-bottle'")
                .update();
    }

    void rate(LocalDate on) {
        database.sql("""
                        insert into exchange_rate (base, quote, worth, stated_on, page_key)
                        values ('USD', 'EUR', 0.92, :day, gen_random_uuid())""").param("day", on).update();
    }

    /** Twenty sprays weighed on the day the bottle was opened. */
    void calibration(long product, double sprayMl, LocalDate on) {
        database.sql("""
                        insert into calibration (product_id, counter, ml_each, grams_lost, count, density, kept_at, kept_by,
                                                 page_key)
                        values (:product, 'spray', :ml, :grams, 20, 1, :at, :by, gen_random_uuid())""")
                .param("product", product)
                .param("ml", sprayMl)
                .param("grams", sprayMl * 20)
                .param(
                        "at",
                        Timestamp.from(on.atTime(LocalTime.NOON)
                                .atZone(ZoneId.systemDefault())
                                .toInstant()))
                .param("by", WHO)
                .update();
    }

    void strip(long product, double ph, LocalDate on) {
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
    void bundle(Map<String, Long> ids, String name, String price, LocalDate on, Object... items) {
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
