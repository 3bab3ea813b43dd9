package org.evensheen.app.bundles;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Rows of a study that nothing else needs one by one. */
@Component
class BundleStore {
    private final JdbcClient database;

    BundleStore(JdbcClient database) {
        this.database = database;
    }

    /** Something done to the whole bed, with who noted it. */
    record Exposure(int day, String kind, String note, Instant keptAt, String keptBy) {}

    List<Exposure> exposures(long study) {
        return database.sql(
                        "select day, kind, note, kept_at, kept_by from happening where study_id = :study order by id")
                .param("study", study)
                .query((row, n) -> new Exposure(
                        row.getInt("day"),
                        row.getString("kind"),
                        row.getString("note"),
                        row.getTimestamp("kept_at").toInstant(),
                        row.getString("kept_by")))
                .list();
    }

    void keep(long study, List<Exposure> exposures, UUID key) {
        for (int i = 0; i < exposures.size(); i++) {
            Exposure e = exposures.get(i);
            database.sql("""
                            insert into happening (study_id, day, kind, note, kept_at, kept_by, page_key)
                            values (:study, :day, :kind, :note, :at, :by, :key)""")
                    .param("study", study)
                    .param("day", e.day())
                    .param("kind", e.kind())
                    .param("note", e.note())
                    .param("at", java.sql.Timestamp.from(e.keptAt()))
                    .param("by", e.keptBy().isBlank() ? Hands.UNNAMED.name() : e.keptBy())
                    .param(
                            "key",
                            UUID.nameUUIDFromBytes(
                                    (key + " exposure " + i).getBytes(java.nio.charset.StandardCharsets.UTF_8)))
                    .update();
        }
    }

    /** The study that was brought in with a key, if any. */
    Optional<Long> broughtIn(UUID key) {
        return database.sql("select id from study where page_key = :key")
                .param("key", key)
                .query(Long.class)
                .optional();
    }

    /** A bed of that name and outline, so that a study comes back onto the bed it was on. */
    Optional<Long> bed(String name, String outline) {
        return database.sql("select id from bed where name = :name and outline = :outline order by id limit 1")
                .param("name", name)
                .param("outline", outline)
                .query(Long.class)
                .optional();
    }
}
