package org.evensheen.app.labels;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Missing;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.stock.Remaining;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Loads products with their labels. A label never changes, so each is read from its line once. */
@Component
public class ProductStore {
    /** A product with the label that counts, its calibrations, its last strip and its stock; {@code p} is the product. */
    private static final String PRODUCT = """
            select p.id, p.name, p.kind, l.id as label_id, l.number, l.written, l.line,
                   array(select distinct on (c.counter) c.counter || ' ' || c.ml_each from calibration c
                         where c.product_id = p.id order by c.counter, c.id desc) as calibrations,
                   (select s.ph from ph_strip s where s.product_id = p.id order by s.id desc limit 1) as strip,
                   array(select b.size_ml from bottle b where b.product_id = p.id
                         order by b.opened_on nulls last, b.id) as sizes,
                   (select coalesce(sum(u.product_ml), 0) from pour u
                    where u.product_id = p.id and u.undone_at is null) as used
            from product p
            left join lateral (select * from label where product_id = p.id order by number desc limit 1) l on true
            """;

    private final JdbcClient database;
    private final Cache<Long, Label> read =
            Caffeine.newBuilder().maximumSize(4000).build();

    ProductStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * Loads a product.
     *
     * @throws Missing if there is none by that number
     */
    public Product load(long id) {
        return find(id).orElseThrow(() -> new Missing("There is no product " + id + ". The Shelf has them all."));
    }

    /** A product, if there is one by that number. */
    public Optional<Product> find(long id) {
        return database.sql(PRODUCT + " where p.id = :id")
                .param("id", id)
                .query((row, n) -> product(row))
                .optional();
    }

    /** The product of that name, whatever the case. */
    public Optional<Product> named(String name) {
        return database.sql(PRODUCT + " where lower(p.name) = lower(:name)")
                .param("name", name.strip())
                .query((row, n) -> product(row))
                .optional();
    }

    /** Names of products, in order, at most so many. */
    public List<String> names(int most) {
        return database.sql("select name from product order by lower(name) limit :most")
                .param("most", most)
                .query(String.class)
                .list();
    }

    /** Products by their names, whatever the case. */
    public List<Product> allNamed(Collection<String> names) {
        return names.isEmpty()
                ? List.of()
                : database.sql(PRODUCT + " where lower(p.name) in (:names) order by lower(p.name)")
                        .param(
                                "names",
                                names.stream()
                                        .map(name -> name.strip().toLowerCase(Locale.ROOT))
                                        .toList())
                        .query((row, n) -> product(row))
                        .list();
    }

    /** Products by their numbers. */
    public List<Product> all(Collection<Long> ids) {
        return ids.isEmpty()
                ? List.of()
                : database.sql(PRODUCT + " where p.id in (:ids)")
                        .param("ids", ids)
                        .query((row, n) -> product(row))
                        .list();
    }

    /** Products whose labels offer a job, in order of name; at most {@code most}. */
    public List<Product> offering(String job, int most) {
        return database.sql(PRODUCT + """
                         where p.id in (
                             select l.product_id from label_use u join label l on l.id = u.label_id
                             where u.job = :job and not exists (
                                 select 1 from label n where n.product_id = l.product_id and n.number > l.number)
                             limit :most)
                         order by lower(p.name)""")
                .param("job", job.strip().toLowerCase(Locale.ROOT))
                .param("most", most)
                .query((row, n) -> product(row))
                .list();
    }

    /** A product by its name alone. */
    public record Named(long id, String name) {}

    /** Products whose names hold a text, in order of name; at most {@code most}. */
    public List<Named> search(String text, int most) {
        return database.sql("""
                        select id, name from product where position(lower(:text) in lower(name)) > 0
                        order by lower(name) limit :most""")
                .param("text", text.strip())
                .param("most", most)
                .query(Named.class)
                .list();
    }

    /** Products that were mixed last, the last first; then others by name; at most {@code most}. */
    public List<Named> lastUsed(int most) {
        return database.sql("""
                        with poured as (
                            select product_id as id, max(id) as at
                            from (select id, product_id from pour where kind = 'mixed' order by id desc limit 200) late
                            group by product_id),
                        named as (select id, 0 as at from product order by lower(name) limit :most),
                        chosen as (
                            select id, max(at) as at from (select * from poured union all select * from named) either
                            group by id order by max(at) desc limit :most)
                        select p.id, p.name from chosen join product p on p.id = chosen.id
                        order by chosen.at desc, lower(p.name)""").param("most", most).query(Named.class).list();
    }

    /**
     * Keeps a pH that was read of a product, once by its key.
     *
     * @param ph 0 to 14
     * @param meter the instrument; empty for a strip
     */
    public void keepStrip(long product, double ph, String meter, LocalDate on, UUID key, String by) {
        database.sql("""
                        insert into ph_strip (product_id, ph, meter, read_on, kept_by, page_key)
                        values (:product, :ph, :meter, :day, :by, :key) on conflict (page_key) do nothing""")
                .param("product", product)
                .param("ph", ph)
                .param("meter", meter)
                .param("day", on)
                .param("by", by)
                .param("key", key)
                .update();
    }

    /** The currency that most of the latest prices on labels are in; what a price means that says none. */
    public Optional<Currency> usualCurrency() {
        Map<Currency, Integer> counted = new LinkedHashMap<>();
        database.sql("select id, line from label where line ~ '[0-9] [A-Z]{3}(;|$)' order by id desc limit 40")
                .query((row, n) -> label(row.getLong("id"), row.getString("line")))
                .list()
                .forEach(label -> label.offers()
                        .forEach(o -> o.price().ifPresent(p -> counted.merge(p.currency(), 1, Integer::sum))));
        return counted.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
    }

    /** The label of that number, as it was then. */
    public Label label(long labelId, String line) {
        return read.get(labelId, id -> LabelLine.read(line).label());
    }

    private Product product(ResultSet row) throws SQLException {
        long labelId = row.getLong("label_id");
        boolean labelled = !row.wasNull();
        double strip = row.getDouble("strip");
        boolean stripped = !row.wasNull();
        return new Product(
                row.getLong("id"),
                row.getString("name"),
                ProductKind.ofCode(row.getString("kind")).orElse(ProductKind.OTHER),
                labelled ? Optional.of(labelId) : Optional.empty(),
                row.getInt("number"),
                labelled ? row.getString("written") : "",
                labelled ? label(labelId, row.getString("line")) : Label.BLANK,
                calibrations(row.getArray("calibrations")),
                stripped ? Optional.of(strip) : Optional.empty(),
                Remaining.of(StockStore.sizes(row.getArray("sizes")), row.getDouble("used")));
    }

    /** Calibrations from the array of "counter mL" that statements on products give. */
    public static List<Calibration> calibrations(Array array) throws SQLException {
        return calibrations(List.of((String[]) array.getArray()));
    }

    /** Calibrations from texts of "counter mL". */
    public static List<Calibration> calibrations(List<String> texts) {
        List<Calibration> calibrations = new ArrayList<>();
        for (String each : texts) {
            String[] pair = each.split(" ");
            calibrations.add(new Calibration(Counter.named(pair[0]).orElseThrow(), Double.parseDouble(pair[1])));
        }
        return calibrations;
    }
}
