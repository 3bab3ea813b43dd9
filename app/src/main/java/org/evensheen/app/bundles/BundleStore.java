package org.evensheen.app.bundles;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Sheet;
import org.evensheen.core.schedule.OurTime;
import org.evensheen.core.study.Deviation;
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
    record Exposure(
            int day, String kind, String note, Instant keptAt, String keptBy, int step, Optional<Integer> minute) {}

    List<Exposure> exposures(long study) {
        return database.sql("""
                        select day, kind, note, kept_at, kept_by, step, minute from happening
                        where study_id = :study and undone_at is null order by id""")
                .param("study", study)
                .query((row, n) -> new Exposure(
                        row.getInt("day"),
                        row.getString("kind"),
                        row.getString("note"),
                        row.getTimestamp("kept_at").toInstant(),
                        row.getString("kept_by"),
                        row.getInt("step"),
                        Optional.ofNullable(row.getObject("minute", Integer.class))))
                .list();
    }

    void keep(long study, List<Exposure> exposures, UUID key) {
        for (int i = 0; i < exposures.size(); i++) {
            Exposure e = exposures.get(i);
            database.sql("""
                            insert into happening (study_id, day, kind, note, kept_at, kept_by, step, minute, page_key)
                            values (:study, :day, :kind, :note, :at, :by, :step, :minute, :key)""")
                    .param("study", study)
                    .param("step", e.step())
                    .param("minute", e.minute().orElse(null), java.sql.Types.SMALLINT)
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

    /** Something that went otherwise, with who noted it when. */
    record Noted(Deviation what, Instant at, String by) {}

    List<Noted> noted(long study) {
        return database.sql("""
                        select d.day, d.kind, s.code, d.words, d.at, d.kept_by
                        from deviation d left join section s on s.id = d.section_id
                        where d.study_id = :study and d.undone_at is null order by d.id""")
                .param("study", study)
                .query((row, n) -> new Noted(
                        new Deviation(
                                row.getInt("day"),
                                Deviation.Kind.ofCode(row.getString("kind")).orElseThrow(),
                                Optional.ofNullable(row.getString("code")),
                                row.getString("words")),
                        row.getTimestamp("at").toInstant(),
                        row.getString("kept_by")))
                .list();
    }

    void keepNoted(long study, List<Noted> noted, UUID key) {
        for (int i = 0; i < noted.size(); i++) {
            Noted n = noted.get(i);
            database.sql("""
                            insert into deviation (study_id, day, section_id, kind, words, at, kept_by, page_key)
                            values (:study, :day, (select id from section where study_id = :study and code = :section), :kind,
                                    :words, :at, :by, :key)""")
                    .param("study", study)
                    .param("day", n.what().day())
                    .param("section", n.what().section().orElse(null), java.sql.Types.VARCHAR)
                    .param("kind", n.what().kind().code())
                    .param("words", n.what().words())
                    .param("at", java.sql.Timestamp.from(n.at()))
                    .param("by", n.by().isBlank() ? Hands.UNNAMED.name() : n.by())
                    .param(
                            "key",
                            UUID.nameUUIDFromBytes(
                                    (key + " noted " + i).getBytes(java.nio.charset.StandardCharsets.UTF_8)))
                    .update();
        }
    }

    /** Keeps who saw names, a line of {@link Table#SEEN}. */
    void keepSeen(long study, Sheet.Row row, UUID key) {
        database.sql("""
                        insert into names_seen (study_id, day, why, sections, seen_at, seen_by, page_key)
                        values (:study, :day, :why, string_to_array(:sections, ' '), :at, :by, :key)""")
                .param("study", study)
                .param("day", Rows.whole(row, "day"))
                .param("why", row.at("why"))
                .param("sections", Rows.text(row, "sections"))
                .param("at", java.sql.Timestamp.from(OurTime.time(row.at("seen_at"))))
                .param("by", Rows.text(row, "seen_by"))
                .param("key", key)
                .update();
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
