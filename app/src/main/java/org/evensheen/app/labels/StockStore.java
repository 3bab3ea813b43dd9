package org.evensheen.app.labels;

import java.sql.Array;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.evensheen.core.stock.Remaining;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What there is of a product, and what was taken of it. */
@Component
public class StockStore {
    private final JdbcClient database;

    StockStore(JdbcClient database) {
        this.database = database;
    }

    /** A bottle that came to the Shelf. */
    public record Bottle(
            long id, double sizeMl, String comeBy, Optional<LocalDate> comeByOn, Optional<LocalDate> openedOn) {}

    /**
     * Something taken from a product's bottles.
     *
     * @param kind mixed, poured, or weighed
     * @param waterMl water it was mixed with, if it was
     * @param vessel the vessel's id and name, if one was named
     */
    public record Pour(
            long id,
            long product,
            String kind,
            double productMl,
            Optional<Double> waterMl,
            String job,
            Optional<Long> vessel,
            Optional<String> vesselName,
            Optional<Long> study,
            LocalDate on,
            String by,
            boolean undone) {}

    /** A pour about to be kept. */
    public record Draft(
            long product,
            String kind,
            double productMl,
            Optional<Double> waterMl,
            String job,
            Optional<Long> vessel,
            Optional<Long> study,
            LocalDate on,
            UUID key,
            String by) {}

    /** Every bottle of a product, the first to come first. */
    public List<Bottle> bottles(long product) {
        return database.sql("""
                        select id, size_ml, come_by, come_by_on, opened_on from bottle where product_id = :product
                        order by id""")
                .param("product", product)
                .query((row, n) -> new Bottle(
                        row.getLong("id"),
                        row.getDouble("size_ml"),
                        row.getString("come_by"),
                        Optional.ofNullable(row.getObject("come_by_on", LocalDate.class)),
                        Optional.ofNullable(row.getObject("opened_on", LocalDate.class))))
                .list();
    }

    /** Every pour of a product, undone ones too, the last first. */
    public List<Pour> pours(long product) {
        return database.sql("""
                        select p.id, p.product_id, p.kind, p.product_ml, p.water_ml, p.job, p.vessel_id,
                               v.name as vessel_name, p.study_id, p.poured_on, p.kept_by,
                               p.undone_at is not null as undone
                        from pour p left join vessel v on v.id = p.vessel_id
                        where p.product_id = :product order by p.poured_on desc, p.id desc""")
                .param("product", product)
                .query((row, n) -> new Pour(
                        row.getLong("id"),
                        row.getLong("product_id"),
                        row.getString("kind"),
                        row.getDouble("product_ml"),
                        Optional.ofNullable(row.getBigDecimal("water_ml")).map(Number::doubleValue),
                        row.getString("job"),
                        Optional.ofNullable(row.getObject("vessel_id", Long.class)),
                        Optional.ofNullable(row.getString("vessel_name")),
                        Optional.ofNullable(row.getObject("study_id", Long.class)),
                        row.getObject("poured_on", LocalDate.class),
                        row.getString("kept_by"),
                        row.getBoolean("undone")))
                .list();
    }

    /** What is left of a product. */
    public Remaining remaining(long product) {
        return database.sql("""
                        select array(select b.size_ml from bottle b where b.product_id = :product
                                     order by b.opened_on nulls last, b.id) as sizes,
                               (select coalesce(sum(u.product_ml), 0) from pour u
                                where u.product_id = :product and u.undone_at is null) as used""")
                .param("product", product)
                .query((row, n) -> Remaining.of(sizes(row.getArray("sizes")), row.getDouble("used")))
                .single();
    }

    /** Bottle sizes from the array that statements give. */
    public static List<Double> sizes(Array array) throws SQLException {
        return Stream.of((Object[]) array.getArray())
                .map(size -> ((Number) size).doubleValue())
                .toList();
    }

    /** A pour that was just kept, in a line. */
    public record Sent(long id, long product, String name, double productMl, boolean undone) {}

    /** The pour that a page sent under a key. */
    public Optional<Sent> sent(UUID key) {
        return database.sql("""
                        select u.id, u.product_id as product, p.name, u.product_ml, u.undone_at is not null as undone
                        from pour u join product p on p.id = u.product_id where u.page_key = :key""").param("key", key).query(Sent.class).optional();
    }

    /** Keeps a bottle once, however often it is sent. */
    public void keepBottle(
            long product,
            double sizeMl,
            String comeBy,
            Optional<LocalDate> comeByOn,
            Optional<LocalDate> openedOn,
            UUID key,
            String by) {
        database.sql("""
                        insert into bottle (product_id, size_ml, come_by, come_by_on, opened_on, kept_by, page_key)
                        values (:product, :size, :source, :came, :opened, :by, :key) on conflict (page_key) do nothing""")
                .param("product", product)
                .param("size", sizeMl)
                .param("source", comeBy)
                .param("came", comeByOn.orElse(null), Types.DATE)
                .param("opened", openedOn.orElse(null), Types.DATE)
                .param("by", by)
                .param("key", key)
                .update();
    }

    /** Notes the day a bottle was opened, unless it is noted already. */
    public void openBottle(long product, long bottle, LocalDate on) {
        database.sql("""
                        update bottle set opened_on = :day
                        where id = :bottle and product_id = :product and opened_on is null""")
                .param("day", on)
                .param("bottle", bottle)
                .param("product", product)
                .update();
    }

    /** Keeps a pour once, however often it is sent. */
    public void keep(Draft pour) {
        database.sql("""
                        insert into pour (product_id, kind, product_ml, water_ml, job, vessel_id, study_id, poured_on, kept_by,
                                          page_key)
                        values (:product, :kind, :ml, :water, :job, :vessel, :study, :day, :by, :key)
                        on conflict (page_key) do nothing""")
                .param("product", pour.product())
                .param("kind", pour.kind())
                .param("ml", pour.productMl())
                .param("water", pour.waterMl().orElse(null), Types.NUMERIC)
                .param("job", pour.job())
                .param("vessel", pour.vessel().orElse(null), Types.BIGINT)
                .param("study", pour.study().orElse(null), Types.BIGINT)
                .param("day", pour.on())
                .param("by", pour.by())
                .param("key", pour.key())
                .update();
    }

    /** Undoes a pour: what it took is there again. Undone once, it stays so. */
    public void undo(long pour, String by) {
        database.sql("update pour set undone_at = now(), undone_by = :by where id = :id and undone_at is null")
                .param("id", pour)
                .param("by", by)
                .update();
    }
}
