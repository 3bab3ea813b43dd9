package org.evensheen.app.studies;

import java.util.UUID;
import org.evensheen.core.study.Happening;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Notches on the tape: kept once by their key, undone rather than deleted. */
@Component
public class HappeningStore {
    private final JdbcClient database;

    HappeningStore(JdbcClient database) {
        this.database = database;
    }

    public void keep(long study, Happening happening, UUID key, String by) {
        database.sql("""
                        insert into happening (study_id, day, step, minute, kind, note, kept_by, page_key)
                        values (:study, :day, :step, :minute, :kind, :note, :by, :key) on conflict (page_key) do nothing""")
                .param("study", study)
                .param("day", happening.day())
                .param("step", happening.step())
                .param("minute", happening.minute().orElse(null), java.sql.Types.SMALLINT)
                .param("kind", happening.kind().code())
                .param("note", happening.note())
                .param("by", by)
                .param("key", key)
                .update();
    }

    public void undo(long study, UUID key, String by) {
        database.sql("""
                        update happening set undone_at = now(), undone_by = :by
                        where page_key = :key and study_id = :study and undone_at is null""")
                .param("key", key)
                .param("study", study)
                .param("by", by)
                .update();
    }
}
