package org.evensheen.app.mixer;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import java.util.UUID;
import org.evensheen.core.cost.Rate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What currencies were worth in each other, as the reviewer stated it. */
@Component
public class RateStore {
    /** The latest of each pair, for statements that ask for more than them; {@link #rate} reads a row. */
    public static final String LATEST = """
            select distinct on (base, quote) base, quote, worth, stated_on from exchange_rate
            order by base, quote, stated_on desc, id desc""";

    private final JdbcClient database;

    RateStore(JdbcClient database) {
        this.database = database;
    }

    /** The latest stated rate of each pair. */
    public List<Rate> rates() {
        return database.sql(LATEST).query((row, n) -> rate(row)).list();
    }

    /** A row of {@link #LATEST}. */
    public static Rate rate(ResultSet row) throws SQLException {
        return new Rate(
                Currency.getInstance(row.getString("base")),
                Currency.getInstance(row.getString("quote")),
                row.getBigDecimal("worth"),
                row.getObject("stated_on", LocalDate.class));
    }

    void keep(Rate rate, UUID key) {
        database.sql("""
                        insert into exchange_rate (base, quote, worth, stated_on, page_key)
                        values (:from, :to, :worth, :day, :key) on conflict (page_key) do nothing""")
                .param("from", rate.from().getCurrencyCode())
                .param("to", rate.to().getCurrencyCode())
                .param("worth", rate.worth())
                .param("day", rate.on())
                .param("key", key)
                .update();
    }
}
