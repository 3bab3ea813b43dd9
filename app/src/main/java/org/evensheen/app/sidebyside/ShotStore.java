package org.evensheen.app.sidebyside;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.pictures.Picture;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps photos of places: once by their key, taken back rather than deleted. */
@Component
class ShotStore {
    private final JdbcClient database;

    ShotStore(JdbcClient database) {
        this.database = database;
    }

    /** A photo of a place at a step. */
    record Shot(long id, String code, String step, Instant at, String by) {}

    /** Keeps one; nothing if its key was kept before. */
    void keep(long comparison, String code, String step, Picture picture, Instant at, UUID key, String by) {
        database.sql("""
                        insert into comparison_photo (comparison_id, code, step, picture, small, width, height, at, kept_by, page_key)
                        values (:comparison, :code, :step, :picture, :small, :width, :height, :at, :by, :key)
                        on conflict (page_key) do nothing""")
                .param("comparison", comparison)
                .param("code", code)
                .param("step", step)
                .param("picture", picture.large())
                .param("small", picture.small())
                .param("width", picture.width())
                .param("height", picture.height())
                .param("at", Timestamp.from(at))
                .param("by", by)
                .param("key", key)
                .update();
    }

    /** Those that stand, in the order in which they were taken. */
    List<Shot> of(long comparison) {
        return database.sql("""
                        select id, code, step, at, kept_by from comparison_photo
                        where comparison_id = :id and taken_back_at is null order by at, id""")
                .param("id", comparison)
                .query((row, n) -> new Shot(
                        row.getLong("id"),
                        row.getString("code"),
                        row.getString("step"),
                        row.getTimestamp("at").toInstant(),
                        row.getString("kept_by")))
                .list();
    }

    Optional<byte[]> picture(long id, boolean small) {
        return database.sql("select " + (small ? "small" : "picture")
                        + " from comparison_photo where id = :id and taken_back_at is null")
                .param("id", id)
                .query((row, n) -> row.getBytes(1))
                .optional();
    }

    void takeBack(long comparison, long id, String by) {
        database.sql("""
                        update comparison_photo set taken_back_at = now(), taken_back_by = :by
                        where id = :id and comparison_id = :comparison and taken_back_at is null""")
                .param("by", by)
                .param("id", id)
                .param("comparison", comparison)
                .update();
    }
}
