package org.evensheen.app.shelf;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.labels.StockStore;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.stock.Remaining;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Finds what stands on the Shelf. */
@Component
class ShelfStore {
    /** How many products a page of the Shelf has. */
    static final int PAGE = 20;

    private final JdbcClient database;
    private final ProductStore products;

    ShelfStore(JdbcClient database, ProductStore products) {
        this.database = database;
        this.products = products;
    }

    /** A product with what is left of it. */
    record Listed(long id, String name, ProductKind kind, Label label, Remaining remaining) {}

    /** Products by part of a name and by kind, in order of name; pages count from 0, and one more than fits is given. */
    List<Listed> list(String text, Optional<ProductKind> kind, int page) {
        return database.sql("""
                        with page as (
                            select id, name, kind from product
                            where position(lower(:text) in lower(name)) > 0 and (:kind = '' or kind = :kind)
                            order by lower(name) limit :size offset :skipped)
                        select p.id, p.name, p.kind, l.id as label_id, l.line,
                               array(select b.size_ml from bottle b where b.product_id = p.id
                                     order by b.opened_on nulls last, b.id) as sizes,
                               (select coalesce(sum(u.product_ml), 0) from pour u
                                where u.product_id = p.id and u.undone_at is null) as used
                        from page p
                        left join lateral (
                            select id, line from label where product_id = p.id order by number desc limit 1) l on true
                        order by lower(p.name)""")
                .param("text", text.strip())
                .param("kind", kind.map(ProductKind::code).orElse(""))
                .param("size", PAGE + 1)
                .param("skipped", PAGE * page)
                .query((row, n) -> new Listed(
                        row.getLong("id"),
                        row.getString("name"),
                        ProductKind.ofCode(row.getString("kind")).orElse(ProductKind.OTHER),
                        row.getString("line") == null
                                ? Label.BLANK
                                : products.label(row.getLong("label_id"), row.getString("line")),
                        Remaining.of(StockStore.sizes(row.getArray("sizes")), row.getDouble("used"))))
                .list();
    }

    /** Every product with its first bottle and what is left, in order of name. */
    List<ProductsFile.Line> everything() {
        return database.sql("""
                        select p.name, p.kind, l.id as label_id, l.line, b.size_ml, b.come_by, b.come_by_on, b.opened_on,
                               (select sum(size_ml) from bottle where product_id = p.id)
                                   - (select coalesce(sum(u.product_ml), 0) from pour u
                                      where u.product_id = p.id and u.undone_at is null) as left_ml
                        from product p
                        left join lateral (
                            select id, line from label where product_id = p.id order by number desc limit 1) l on true
                        left join lateral (select * from bottle where product_id = p.id order by id limit 1) b on true
                        order by lower(p.name)""")
                .query((row, n) -> new ProductsFile.Line(
                        row.getString("name"),
                        ProductKind.ofCode(row.getString("kind")).orElse(ProductKind.OTHER),
                        "",
                        row.getString("line") == null
                                ? Label.BLANK
                                : products.label(row.getLong("label_id"), row.getString("line")),
                        Optional.ofNullable(row.getBigDecimal("size_ml")).map(size -> bottle(size.doubleValue(), row))))
                .list();
    }

    private static ProductsFile.Bottle bottle(double size, ResultSet row) {
        try {
            return new ProductsFile.Bottle(
                    size,
                    row.getString("come_by"),
                    Optional.ofNullable(row.getObject("come_by_on", LocalDate.class)),
                    Optional.ofNullable(row.getObject("opened_on", LocalDate.class)),
                    Optional.of(Math.max(0, row.getDouble("left_ml"))));
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }
}
