package org.evensheen.app.washes;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.sql.Types;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.evensheen.app.labels.StockStore;
import org.evensheen.app.page.Missing;
import org.evensheen.app.studies.HappeningStore;
import org.evensheen.core.stock.RealYield;
import org.evensheen.core.study.Happening;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps ordinary washes, and marks with each the tape of every study that runs on the vehicle. */
@Component
class WashStore {
    private static final int MOST = 12;

    /** A study runs from its first day to its last planned visit. */
    private static final String RUNS = """
            s.first_day <= :today and exists (
                select 1 from planned_visit v where v.study_id = s.id and s.first_day + v.day >= :today)""";

    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final HappeningStore happenings;
    private final StockStore stock;

    WashStore(JdbcClient database, TransactionTemplate transaction, HappeningStore happenings, StockStore stock) {
        this.database = database;
        this.transaction = transaction;
        this.happenings = happenings;
        this.stock = stock;
    }

    /**
     * Something that is washed.
     *
     * @param running how many studies run on it
     * @param last when it was washed last, by what was logged here or on a tape
     */
    record Vehicle(String name, int running, Optional<LocalDate> last) {}

    /** Vehicles that have a bed or were washed before: the last washed first, then those that most studies run on. */
    List<Vehicle> vehicles(LocalDate today) {
        return database.sql("""
                        with named as (
                            select vehicle from bed where btrim(vehicle) <> ''
                            union select vehicle from wash where undone_at is null)
                        select n.vehicle,
                               (select count(*) from study s join bed b on b.id = s.bed_id
                                where b.vehicle = n.vehicle and\s""" + RUNS + """
                               ) as running,
                               greatest(max(w.washed_on),
                                   (select max(s.first_day + h.day) from happening h join study s on s.id = h.study_id
                                    join bed b on b.id = s.bed_id
                                    where b.vehicle = n.vehicle and h.kind = 'washed' and h.undone_at is null)) as last
                        from named n left join wash w on w.vehicle = n.vehicle and w.undone_at is null
                        group by n.vehicle order by max(w.id) desc nulls last, running desc, lower(n.vehicle) limit :most""")
                .param("today", today)
                .param("most", MOST)
                .query((row, n) -> new Vehicle(
                        row.getString("vehicle"),
                        row.getInt("running"),
                        Optional.ofNullable(row.getObject("last", LocalDate.class))))
                .list();
    }

    /**
     * What a vehicle may be washed with.
     *
     * @param lastMl how much of it went on the last wash with it
     */
    record Soap(long id, String name, Optional<Double> lastMl) {}

    /** Soaps and their like, the last used first. */
    List<Soap> soaps() {
        return database.sql("""
                        select p.id, p.name, w.product_ml from product p
                        left join lateral (select id, product_ml from wash where product_id = p.id and undone_at is null
                                           order by id desc limit 1) w on true
                        where p.kind in ('soap', 'foam', 'rinseless', 'waterless')
                        order by w.id desc nulls last, lower(p.name) limit :most""")
                .param("most", MOST)
                .query((row, n) -> new Soap(
                        row.getLong("id"),
                        row.getString("name"),
                        Optional.ofNullable(row.getBigDecimal("product_ml")).map(BigDecimal::doubleValue)))
                .list();
    }

    /** A wash that was logged. */
    record Washed(
            long id, String vehicle, LocalDate on, Optional<String> product, Optional<Double> ml, boolean undone) {}

    /** The latest, undone ones too. */
    List<Washed> lately() {
        return database.sql("""
                        select w.id, w.vehicle, w.washed_on, p.name, w.product_ml, w.undone_at is not null as undone
                        from wash w left join product p on p.id = w.product_id order by w.id desc limit :most""")
                .param("most", MOST)
                .query((row, n) -> new Washed(
                        row.getLong("id"),
                        row.getString("vehicle"),
                        row.getObject("washed_on", LocalDate.class),
                        Optional.ofNullable(row.getString("name")),
                        Optional.ofNullable(row.getBigDecimal("product_ml")).map(BigDecimal::doubleValue),
                        row.getBoolean("undone")))
                .list();
    }

    /** A wash about to be logged. */
    record Draft(String vehicle, LocalDate on, Optional<Long> product, Optional<Double> ml, UUID key, String by) {}

    /** Logs it once by its key, on the tape of every study that runs there and was not washed that day. */
    void log(Draft wash) {
        transaction.executeWithoutResult(status -> {
            boolean fresh = database.sql("""
                            insert into wash (vehicle, washed_on, product_id, product_ml, kept_by, page_key)
                            values (:vehicle, :on, :product, :ml, :by, :key) on conflict (page_key) do nothing""")
                            .param("vehicle", wash.vehicle())
                            .param("on", wash.on())
                            .param("product", wash.product().orElse(null), Types.BIGINT)
                            .param("ml", wash.ml().orElse(null), Types.NUMERIC)
                            .param("by", wash.by())
                            .param("key", wash.key())
                            .update()
                    > 0;
            if (!fresh) {
                return;
            }
            running(wash.vehicle(), wash.on())
                    .forEach((study, day) -> happenings.keep(
                            study,
                            new Happening(day, Happening.Kind.WASHED, "an ordinary wash"),
                            of(wash.key(), study),
                            wash.by()));
            wash.ml()
                    .ifPresent(ml -> stock.keep(new StockStore.Draft(
                            wash.product().orElseThrow(),
                            "poured",
                            ml,
                            Optional.empty(),
                            RealYield.WASH,
                            Optional.empty(),
                            Optional.empty(),
                            wash.on(),
                            wash.key(),
                            wash.by())));
        });
    }

    /** Studies that run on a vehicle and were not washed that day, with its number in each. */
    private Map<Long, Integer> running(String vehicle, LocalDate today) {
        return database
                .sql("""
                        select s.id, :today - s.first_day as day from study s join bed b on b.id = s.bed_id
                        where b.vehicle = :vehicle and\s""" + RUNS + """
                         and not exists (select 1 from happening h where h.study_id = s.id and h.kind = 'washed'
                                         and h.day = :today - s.first_day and h.undone_at is null)""")
                .param("vehicle", vehicle)
                .param("today", today)
                .query((row, n) -> Map.entry(row.getLong("id"), row.getInt("day")))
                .list()
                .stream()
                .collect(java.util.stream.Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** Takes a wash back: its marks on tapes and what it took from a bottle too. Taken back once, it stays so. */
    void undo(long id, String by) {
        transaction.executeWithoutResult(status -> {
            UUID key = database.sql("select page_key from wash where id = :id")
                    .param("id", id)
                    .query(UUID.class)
                    .optional()
                    .orElseThrow(() -> new Missing("There is no wash %d.".formatted(id)));
            database.sql("update wash set undone_at = now(), undone_by = :by where id = :id and undone_at is null")
                    .param("id", id)
                    .param("by", by)
                    .update();
            marked(id).forEach(study -> happenings.undo(study, of(key, study), by));
            stock.undo(key, by);
        });
    }

    private Stream<Long> marked(long id) {
        return database.sql("""
                        select s.id from wash w join bed b on b.vehicle = w.vehicle join study s on s.bed_id = b.id where w.id = :id""").param("id", id).query(Long.class).list().stream();
    }

    private static UUID of(UUID key, long study) {
        return UUID.nameUUIDFromBytes("%s/%d".formatted(key, study).getBytes(StandardCharsets.UTF_8));
    }
}
