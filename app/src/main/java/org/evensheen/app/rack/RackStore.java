package org.evensheen.app.rack;

import java.util.List;
import java.util.Optional;
import org.evensheen.core.label.ProductKind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Which mitts, sponges and towels there are, and where each was looked at. */
@Component
class RackStore {
    private final JdbcClient database;

    RackStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * An item in a comparison of its kind, or one on the Shelf that was in none yet.
     *
     * @param number its contender's number in that comparison
     */
    record Met(String name, Optional<Long> product, Optional<Long> comparison, int number) {}

    /** All of them, the latest comparisons first; those of the latest {@code most} comparisons only. */
    List<Met> met(String kind, int most) {
        return database.sql("""
                        select e.name, e.product_id, e.comparison_id, e.number
                        from (select id from comparison where kind = :kind order by id desc limit :most) c
                        join comparison_contender e on e.comparison_id = c.id
                        union all
                        select name, id, null, 0 from product where kind = :media
                        order by comparison_id desc nulls last, number, name""")
                .param("kind", kind)
                .param("most", most)
                .param("media", ProductKind.MEDIA.code())
                .query((row, n) -> new Met(
                        row.getString("name"),
                        Optional.ofNullable(row.getObject("product_id", Long.class)),
                        Optional.ofNullable(row.getObject("comparison_id", Long.class)),
                        row.getInt("number")))
                .list();
    }
}
