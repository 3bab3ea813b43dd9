package org.evensheen.app.sidebyside;

import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.evensheen.core.sidebyside.Kind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Which comparisons there are, and what was asked and typed in them. */
@Component
class ComparisonListStore {
    private final JdbcClient database;

    ComparisonListStore(JdbcClient database) {
        this.database = database;
    }

    /** One of them in a list. */
    record Listed(long id, String kind, String names, Instant begun, Instant last) {}

    /** The questions that were asked the last time this kind was compared; empty if it never was. */
    Optional<Set<String>> lastAsked(Kind kind) {
        return database.sql("select asked from comparison where kind = :kind order by id desc limit 1")
                .param("kind", kind.code())
                .query((row, n) -> (Set<String>) new LinkedHashSet<>(
                        Arrays.asList((String[]) row.getArray("asked").getArray())))
                .optional();
    }

    /** Names that were typed in earlier comparisons of a kind and are on no Shelf, the latest first. */
    List<String> namesTyped(Kind kind, int most) {
        return database.sql("""
                        select e.name from comparison_contender e join comparison c on c.id = e.comparison_id
                        where c.kind = :kind and e.product_id is null
                        group by e.name order by max(c.id) desc limit :most""")
                .param("kind", kind.code())
                .param("most", most)
                .query(String.class)
                .list();
    }

    /** Ids of comparisons, the latest first; of those with a product of the Shelf only, if one is given. */
    List<Long> with(Optional<Long> product, int most, int skipped) {
        return database.sql("""
                        select c.id from comparison c
                        where :product::bigint is null
                           or exists (select 1 from comparison_contender e where e.comparison_id = c.id and e.product_id = :product)
                        order by c.id desc limit :most offset :skipped""")
                .param("product", product.orElse(null), java.sql.Types.BIGINT)
                .param("most", most)
                .param("skipped", skipped)
                .query(Long.class)
                .list();
    }

    /** The latest comparisons. */
    List<Listed> latest(int most) {
        return database.sql("""
                        select c.id, c.kind, c.begun_at,
                               (select string_agg(e.name || case when e.way = '' then '' else ', ' || e.way end, ' / ' order by e.number)
                                from comparison_contender e where e.comparison_id = c.id) as names,
                               coalesce((select max(s.said_at) from comparison_said s where s.comparison_id = c.id), c.begun_at) as last
                        from comparison c order by c.id desc limit :most""")
                .param("most", most)
                .query((row, n) -> new Listed(
                        row.getLong("id"),
                        row.getString("kind"),
                        row.getString("names"),
                        row.getTimestamp("begun_at").toInstant(),
                        row.getTimestamp("last").toInstant()))
                .list();
    }
}
