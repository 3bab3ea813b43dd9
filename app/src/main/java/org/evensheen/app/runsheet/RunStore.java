package org.evensheen.app.runsheet;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.app.plans.ForecastStore;
import org.evensheen.core.runsheet.Mark;
import org.evensheen.core.runsheet.RunDay.Noted;
import org.evensheen.core.study.Deviation;
import org.evensheen.core.weather.Air;
import org.evensheen.core.weather.PanelAir;
import org.evensheen.core.weather.Site;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps what was marked on days: steps, air and panel, deviations. Everything is kept once by its key and undone, not deleted. */
@Component
class RunStore {
    private final JdbcClient database;

    RunStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * A step that was taken, with what was given.
     *
     * @param given sprays, caps or pumps, or mL; empty if nothing was noted
     * @param used towel or media, in words
     */
    record Taken(Mark mark, Optional<Double> given, String used, UUID key) {}

    /**
     * What is known of a day.
     *
     * @param air what was noted last on that day
     * @param coatedAt when the final coat of the study was finished, on whatever day
     * @param forecast the latest forecast's number
     */
    record Kept(List<Taken> taken, Optional<Noted> air, Optional<Instant> coatedAt, Optional<Long> forecast) {
        Optional<Taken> step(String key) {
            return taken.stream().filter(t -> t.mark().step().equals(key)).findFirst();
        }
    }

    /** Everything of a day and what is around it, in one statement. */
    Kept load(long study, int day) {
        List<Taken> taken = new ArrayList<>();
        List<Noted> air = new ArrayList<>();
        List<Instant> coated = new ArrayList<>();
        List<Long> forecast = new ArrayList<>();
        database.sql("""
                        select 'mark' as what, step, passed, note, given, used, at, kept_by, page_key,
                               null::numeric as air_c, null::numeric as humidity, null::numeric as panel_c,
                               null::numeric as wind_m_s, null as light, null::numeric as hardness_mg_l,
                               null::timestamptz as dark_at
                        from step_mark where study_id = :study and day = :day and undone_at is null
                        union all
                        (select 'air', '', false, '', null, '', at, kept_by, page_key, air_c, humidity, panel_c,
                                 wind_m_s, light, hardness_mg_l, dark_at
                         from conditions where study_id = :study and day = :day order by at desc, id desc limit 1)
                        union all
                        select 'coated', '', false, '', null, '', max(at), '', null, null, null, null, null, null, null, null
                        from step_mark
                        where study_id = :study and undone_at is null and step like 'coat%/%' having max(at) is not null
                        union all
                        select 'around', '', false, '',
                        """ + ForecastStore.LATEST + """
                               , '', now(), '', null, null, null, null, null, null, null, null
                        order by at, step""")
                .param("study", study)
                .param("day", day)
                .query(row -> {
                    Instant at = row.getTimestamp("at").toInstant();
                    switch (row.getString("what")) {
                        case "air" -> air.add(noted(row, at));
                        case "around" -> {
                            Optional.ofNullable(row.getBigDecimal("given"))
                                    .map(Number::longValue)
                                    .ifPresent(forecast::add);
                        }
                        case "coated" -> coated.add(at);
                        default -> taken.add(taken(row, at));
                    }
                });
        return new Kept(
                List.copyOf(taken),
                air.stream().findFirst(),
                coated.stream().findFirst(),
                forecast.stream().findFirst());
    }

    private static Noted noted(ResultSet row, Instant at) throws SQLException {
        return new Noted(
                new PanelAir(new Air(row.getDouble("air_c"), row.getDouble("humidity")), row.getDouble("panel_c")),
                new Site(
                        Optional.ofNullable(row.getBigDecimal("wind_m_s")).map(Number::doubleValue),
                        row.getString("light").equals("sun"),
                        Optional.ofNullable(row.getBigDecimal("hardness_mg_l")).map(Number::doubleValue),
                        Optional.ofNullable(row.getTimestamp("dark_at")).map(Timestamp::toInstant)),
                at);
    }

    private static Taken taken(ResultSet row, Instant at) throws SQLException {
        return new Taken(
                new Mark(
                        row.getString("step"),
                        row.getBoolean("passed"),
                        at,
                        row.getString("kept_by"),
                        row.getString("note")),
                Optional.ofNullable(row.getBigDecimal("given")).map(Number::doubleValue),
                row.getString("used"),
                row.getObject("page_key", UUID.class));
    }

    /** Marks a step, unless it is marked already; whether this or the same request before did it. */
    boolean mark(long study, int day, Taken taken) {
        int kept = database.sql("""
                        insert into step_mark (study_id, day, step, passed, note, given, used, at, kept_by, page_key)
                        values (:study, :day, :step, :passed, :note, :given, :used, :at, :by, :key)
                        on conflict do nothing""")
                .param("study", study)
                .param("day", day)
                .param("step", taken.mark().step())
                .param("passed", taken.mark().passed())
                .param("note", taken.mark().note())
                .param("given", taken.given().map(BigDecimal::valueOf).orElse(null), Types.NUMERIC)
                .param("used", taken.used())
                .param("at", Timestamp.from(taken.mark().at()))
                .param("by", taken.mark().by())
                .param("key", taken.key())
                .update();
        return kept == 1;
    }

    /** Undoes a step; the key it was kept under, if it stood. */
    Optional<UUID> undo(long study, int day, String step, Hands hands) {
        return database.sql("""
                        update step_mark set undone_at = now(), undone_by = :by
                        where study_id = :study and day = :day and step = :step and undone_at is null
                        returning page_key""")
                .param("by", hands.name())
                .param("study", study)
                .param("day", day)
                .param("step", step)
                .query(UUID.class)
                .optional();
    }

    /** Air and panel as somebody noted them. */
    record Conditions(Noted noted, String light, UUID key) {}

    void keep(long study, int day, Conditions conditions, Hands hands) {
        Noted noted = conditions.noted();
        database.sql("""
                        insert into conditions (study_id, day, air_c, humidity, panel_c, wind_m_s, light, hardness_mg_l,
                                                dark_at, at,
                                                kept_by, page_key)
                        values (:study, :day, :air, :humidity, :panel, :wind, :light, :hardness, :dark, :at, :by, :key)
                        on conflict (page_key) do nothing""")
                .param("study", study)
                .param("day", day)
                .param("air", noted.air().air().celsius())
                .param("humidity", noted.air().air().humidity())
                .param("panel", noted.air().panelCelsius())
                .param("wind", noted.site().wind().orElse(null), Types.NUMERIC)
                .param("light", conditions.light())
                .param("hardness", noted.site().hardness().orElse(null), Types.NUMERIC)
                .param("dark", noted.site().dark().map(Timestamp::from).orElse(null), Types.TIMESTAMP)
                .param("at", Timestamp.from(noted.at()))
                .param("by", hands.name())
                .param("key", conditions.key())
                .update();
    }

    void keep(long study, Deviation deviation, Instant at, UUID key, Hands hands) {
        database.sql("""
                        insert into deviation (study_id, day, section_id, kind, words, at, kept_by, page_key)
                        values (:study, :day, (select id from section where study_id = :study and code = :section), :kind,
                                :words, :at, :by, :key)
                        on conflict (page_key) do nothing""")
                .param("study", study)
                .param("day", deviation.day())
                .param("section", deviation.section().orElse(null), Types.VARCHAR)
                .param("kind", deviation.kind().code())
                .param("words", deviation.words())
                .param("at", Timestamp.from(at))
                .param("by", hands.name())
                .param("key", key)
                .update();
    }

    void undoDeviation(long study, UUID key, Hands hands) {
        database.sql("""
                        update deviation set undone_at = now(), undone_by = :by
                        where page_key = :key and study_id = :study and undone_at is null""")
                .param("by", hands.name())
                .param("key", key)
                .param("study", study)
                .update();
    }
}
