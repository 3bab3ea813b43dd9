package org.evensheen.app.bundles;

import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Sheet;
import org.evensheen.core.schedule.OurTime;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What was done step by step on the days of a study, and the air and place as they were noted: out into a bundle and back. */
@Component
class BundleDayStore {
    private final JdbcClient database;

    BundleDayStore(JdbcClient database) {
        this.database = database;
    }

    /** A step that was taken and stands. */
    record Step(
            int day,
            String step,
            boolean passed,
            String note,
            @Nullable Double given,
            String used,
            Instant at,
            String keptBy) {}

    /** The air and the place at a time. */
    record Weather(
            int day,
            double airC,
            double humidity,
            double panelC,
            @Nullable Double windMS,
            String light,
            @Nullable Double hardnessMgL,
            @Nullable Instant darkAt,
            Instant at,
            String keptBy) {}

    List<Step> steps(long study) {
        return database.sql("""
                        select day, step, passed, note, given, used, at, kept_by from step_mark
                        where study_id = :study and undone_at is null order by id""").param("study", study).query(Step.class).list();
    }

    List<Weather> weather(long study) {
        return database.sql("""
                        select day, air_c, humidity, panel_c, wind_m_s, light, hardness_mg_l, dark_at, at, kept_by
                        from conditions where study_id = :study order by id""").param("study", study).query(Weather.class).list();
    }

    /** Reads a line of {@link Table#STEPS}. */
    static Step step(Sheet.Row row) {
        return new Step(
                Rows.whole(row, "day"),
                Rows.text(row, "step"),
                Boolean.parseBoolean(row.at("passed")),
                row.at("note"),
                optional(row, "given"),
                row.at("used"),
                OurTime.time(row.at("at")),
                row.at("kept_by"));
    }

    /** Reads a line of {@link Table#WEATHER}. */
    static Weather weather(Sheet.Row row) {
        return new Weather(
                Rows.whole(row, "day"),
                Rows.number(row, "air_c"),
                Rows.number(row, "humidity"),
                Rows.number(row, "panel_c"),
                optional(row, "wind_m_s"),
                row.at("light"),
                optional(row, "hardness_mg_l"),
                row.at("dark_at").isEmpty() ? null : OurTime.time(row.at("dark_at")),
                OurTime.time(row.at("at")),
                row.at("kept_by"));
    }

    private static @Nullable Double optional(Sheet.Row row, String column) {
        return row.at(column).isEmpty() ? null : Rows.number(row, column);
    }

    void keep(long study, List<Step> steps, List<Weather> weather, UUID key) {
        for (int i = 0; i < steps.size(); i++) {
            Step s = steps.get(i);
            database.sql("""
                            insert into step_mark (study_id, day, step, passed, note, given, used, at, kept_by, page_key)
                            values (:study, :day, :step, :passed, :note, :given, :used, :at, :by, :key)""")
                    .param("study", study)
                    .param("day", s.day)
                    .param("step", s.step)
                    .param("passed", s.passed)
                    .param("note", s.note)
                    .param("given", s.given, Types.NUMERIC)
                    .param("used", s.used)
                    .param("at", Timestamp.from(s.at))
                    .param("by", named(s.keptBy))
                    .param("key", derived(key, "step", i))
                    .update();
        }
        for (int i = 0; i < weather.size(); i++) {
            Weather w = weather.get(i);
            database.sql("""
                            insert into conditions (study_id, day, air_c, humidity, panel_c, wind_m_s, light, hardness_mg_l, dark_at,
                                                    at, kept_by, page_key)
                            values (:study, :day, :air, :humidity, :panel, :wind, :light, :hardness, :dark, :at, :by, :key)""")
                    .param("study", study)
                    .param("day", w.day)
                    .param("air", w.airC)
                    .param("humidity", w.humidity)
                    .param("panel", w.panelC)
                    .param("wind", w.windMS, Types.NUMERIC)
                    .param("light", w.light)
                    .param("hardness", w.hardnessMgL, Types.NUMERIC)
                    .param(
                            "dark",
                            Optional.ofNullable(w.darkAt).map(Timestamp::from).orElse(null),
                            Types.TIMESTAMP)
                    .param("at", Timestamp.from(w.at))
                    .param("by", named(w.keptBy))
                    .param("key", derived(key, "weather", i))
                    .update();
        }
    }

    private static String named(String by) {
        return by.isBlank() ? Hands.UNNAMED.name() : by;
    }

    private static UUID derived(UUID key, String what, int n) {
        return UUID.nameUUIDFromBytes((key + " " + what + " " + n).getBytes(StandardCharsets.UTF_8));
    }
}
