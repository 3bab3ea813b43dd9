package org.evensheen.app.plans;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.core.weather.Air;
import org.evensheen.core.weather.DryWindow;
import org.evensheen.core.weather.DryWindow.Hour;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Keeps forecasts; the latest counts. */
@Component
public class ForecastStore {
    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final Clock clock;
    private final Cache<Long, List<Hour>> fetched =
            Caffeine.newBuilder().maximumSize(3).build();

    ForecastStore(JdbcClient database, TransactionTemplate transaction, JsonMapper json, Clock clock) {
        this.database = database;
        this.transaction = transaction;
        this.json = json;
        this.clock = clock;
    }

    /** Keeps a forecast, once by its key. */
    public void keep(List<Hour> hours, UUID key, String by) {
        List<Map<String, Object>> rows = hours.stream()
                .map(h -> {
                    Map<String, Object> row = new java.util.TreeMap<>();
                    row.put("at", h.at().toString());
                    row.put("air", h.air().celsius());
                    row.put("humidity", h.air().humidity());
                    row.put("rain", h.rainMm());
                    h.panelCelsius().ifPresent(p -> row.put("panel", p));
                    return row;
                })
                .toList();
        transaction.executeWithoutResult(status -> database.sql(
                        "insert into forecast (kept_by, page_key) values (:by, :key) on conflict (page_key) do nothing returning id")
                .param("by", by)
                .param("key", key)
                .query(Long.class)
                .optional()
                .ifPresent(id -> database.sql("""
                                insert into forecast_hour (forecast_id, at, air_c, humidity, rain_mm, panel_c)
                                select :id, r.at, r.air, r.humidity, r.rain, r.panel
                                from jsonb_to_recordset(:rows::jsonb)
                                    as r(at timestamptz, air numeric, humidity numeric, rain numeric, panel numeric)""")
                        .param("id", id)
                        .param("rows", json.writeValueAsString(rows))
                        .update()));
    }

    /** Finds the number of the latest forecast, inside of other statements too. */
    public static final String LATEST = "(select max(id) from forecast)";

    /** The latest forecast, as far as it still lies ahead; a forecast never changes, so its hours are fetched once. */
    Optional<Forecast> latest() {
        if (fetched.asMap().isEmpty()) {
            fetch(database.sql("""
                            select forecast_id, at, air_c, humidity, rain_mm, panel_c from forecast_hour
                            where forecast_id = """ + LATEST + " order by at"));
            return ahead(fetched.asMap().keySet().stream().findFirst());
        }
        return ahead(database.sql("select " + LATEST)
                .query((row, n) -> Optional.ofNullable(row.getObject(1, Long.class)))
                .single());
    }

    /** What lies ahead of a forecast by its number. */
    private Optional<Forecast> ahead(Optional<Long> id) {
        Instant from = clock.instant().minusSeconds(3600);
        List<Hour> ahead = id.map(i -> fetched.get(i, this::hours)).orElse(List.of()).stream()
                .filter(h -> !h.at().isBefore(from))
                .toList();
        return ahead.isEmpty() ? Optional.empty() : Optional.of(new Forecast(ahead, clock.getZone()));
    }

    /** The forecast's hour that we are in. */
    public Optional<Hour> current() {
        Instant now = clock.instant();
        return latest().flatMap(f -> f.hours().stream()
                .filter(h -> !h.at().isAfter(now) && h.at().plusSeconds(3600).isAfter(now))
                .findFirst());
    }

    /** When the panel stops being dry, and by what. */
    public record Turn(Instant at, String words) {}

    /**
     * When the dry hours that we are in will end by the forecast; empty without a forecast, when it is not dry now, or when no end
     * is in sight.
     *
     * @param id the forecast's number, as {@link #LATEST} finds it
     */
    public Optional<Turn> turn(Optional<Long> id, DryWindow.Limits limits) {
        Instant now = clock.instant();
        return ahead(id)
                .flatMap(forecast -> forecast.windows(limits, 0, 0).stream()
                        .filter(w -> !w.from().isAfter(now) && w.until().isAfter(now))
                        .findFirst()
                        .filter(w -> forecast.hours().stream().anyMatch(h -> !h.at().isBefore(w.until())))
                        .map(w -> {
                            boolean rain =
                                    forecast.hours().stream().anyMatch(h -> h.at().equals(w.until()) && h.rainMm() > 0);
                            return new Turn(
                                    w.until(),
                                    "%s is forecast for %s."
                                            .formatted(rain ? "Rain" : "Dew on the panel", forecast.clock(w.until())));
                        }));
    }

    private List<Hour> hours(long id) {
        return database.sql("""
                        select forecast_id, at, air_c, humidity, rain_mm, panel_c from forecast_hour
                        where forecast_id = :id order by at""").param("id", id).query(ForecastStore::hour).list();
    }

    /** Fetches the hours of whatever forecast they are of. */
    private void fetch(JdbcClient.StatementSpec hours) {
        Map<Long, List<Hour>> found = new java.util.HashMap<>();
        hours.query(row -> {
            found.computeIfAbsent(row.getLong("forecast_id"), id -> new java.util.ArrayList<>())
                    .add(hour(row, 0));
        });
        found.forEach((id, all) -> fetched.put(id, List.copyOf(all)));
    }

    private static Hour hour(ResultSet row, int number) throws SQLException {
        return new Hour(
                row.getTimestamp("at").toInstant(),
                new Air(row.getDouble("air_c"), row.getDouble("humidity")),
                row.getDouble("rain_mm"),
                Optional.ofNullable(row.getBigDecimal("panel_c")).map(Number::doubleValue));
    }
}
