package org.evensheen.app.studies;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.Seen.Why;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Who saw what the codes of a study stand for, and who opened its key. */
@Component
class SeenStore {
    private final JdbcClient database;

    SeenStore(JdbcClient database) {
        this.database = database;
    }

    /** Keeps that names were seen, once by the page's key. */
    void keep(long study, int day, Why why, List<String> sections, UUID key, Hands hands, Instant at) {
        database.sql("""
                        insert into names_seen (study_id, day, why, sections, seen_at, seen_by, page_key)
                        values (:study, :day, :why, string_to_array(:sections, ' '), :at, :by, :key)
                        on conflict (page_key) do nothing""")
                .param("study", study)
                .param("day", day)
                .param("why", why.code())
                .param("sections", String.join(" ", sections))
                .param("at", Timestamp.from(at))
                .param("by", hands.name())
                .param("key", key)
                .update();
    }

    /** Opens the key; opened once, it stays open. */
    void open(long study, Hands hands) {
        database.sql("""
                        update study set key_opened_at = now(), key_opened_by = :by, revision = revision + 1
                        where id = :id and key_opened_at is null""").param("id", study).param("by", hands.name()).update();
    }
}
