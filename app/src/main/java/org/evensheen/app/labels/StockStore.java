package org.evensheen.app.labels;

import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
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

    /** Bottles, the first to come first, and pours, undone ones too, the last first. */
    public record Stock(List<Bottle> bottles, List<Pour> pours) {}

    /** Everything that came of a product, and everything that was taken. */
    public Stock stock(long product) {
        Stock stock = new Stock(new ArrayList<>(), new ArrayList<>());
        database.sql("""
                        select 'bottle' as what, id, size_ml as ml, come_by as word, come_by_on as day, opened_on,
                               null::numeric as water_ml, '' as job, null::bigint as vessel_id, null as vessel_name,
                               null::bigint as study_id, kept_by, false as undone, id as rank
                        from bottle where product_id = :product
                        union all
                        select 'pour', p.id, p.product_ml, p.kind, p.poured_on, null, p.water_ml, p.job, p.vessel_id, v.name,
                               p.study_id, p.kept_by, p.undone_at is not null,
                               -row_number() over (order by p.poured_on, p.id)
                        from pour p left join vessel v on v.id = p.vessel_id where p.product_id = :product
                        order by what, rank""").param("product", product).query(row -> {
            if (row.getString("what").equals("bottle")) {
                stock.bottles.add(new Bottle(
                        row.getLong("id"),
                        row.getDouble("ml"),
                        row.getString("word"),
                        Optional.ofNullable(row.getObject("day", LocalDate.class)),
                        Optional.ofNullable(row.getObject("opened_on", LocalDate.class))));
            } else {
                stock.pours.add(pour(row, product));
            }
        });
        return stock;
    }

    private static Pour pour(ResultSet row, long product) throws SQLException {
        return new Pour(
                row.getLong("id"),
                product,
                row.getString("word"),
                row.getDouble("ml"),
                Optional.ofNullable(row.getBigDecimal("water_ml")).map(Number::doubleValue),
                row.getString("job"),
                Optional.ofNullable(row.getObject("vessel_id", Long.class)),
                Optional.ofNullable(row.getString("vessel_name")),
                Optional.ofNullable(row.getObject("study_id", Long.class)),
                row.getObject("day", LocalDate.class),
                row.getString("kept_by"),
                row.getBoolean("undone"));
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

    /** Undoes what was kept under a key, if anything was. */
    public void undo(UUID key, String by) {
        database.sql("update pour set undone_at = now(), undone_by = :by where page_key = :key and undone_at is null")
                .param("key", key)
                .param("by", by)
                .update();
    }
}
