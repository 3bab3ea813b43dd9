package org.evensheen.app.sidebyside;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Finds looks of all comparisons that fall due. */
@Component
public class LookStore {
    private static final int MOST = 200;

    private final JdbcClient database;

    LookStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * A look that falls due.
     *
     * @param what what is looked at, with its place
     * @param names what is compared
     */
    public record Due(long comparison, String step, String what, String names, Instant at) {
        /** Where it is answered. */
        public String address() {
            return "/compare/%d?step=%s".formatted(comparison, step);
        }
    }

    /** Looks from one moment to another, the earliest first. */
    public List<Due> between(Instant from, Instant to) {
        return database.sql("""
                        select l.comparison_id as comparison, l.step, l.title as what, l.due_at as at,
                               (select string_agg(e.name || case when e.way = '' then '' else ', ' || e.way end, ' / ' order by e.number)
                                from comparison_contender e where e.comparison_id = l.comparison_id) as names
                        from comparison_look l where l.due_at between :from and :to
                        order by l.due_at, l.comparison_id, l.step limit :most""")
                .param("from", Timestamp.from(from))
                .param("to", Timestamp.from(to))
                .param("most", MOST)
                .query((row, n) -> new Due(
                        row.getLong("comparison"),
                        row.getString("step"),
                        row.getString("what"),
                        row.getString("names"),
                        row.getTimestamp("at").toInstant()))
                .list();
    }
}
