package org.evensheen.app.lives;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.studies.Study;
import org.evensheen.core.wear.Wear;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Lives as they were first told. Those of a study that is judged by code are not kept: they hold names. */
@Component
class LifeOutcomeStore {
    private static final Logger LOG = LoggerFactory.getLogger(LifeOutcomeStore.class);
    private static final int LISTED = 60;

    private final JdbcClient database;
    private final JsonMapper json;

    LifeOutcomeStore(JdbcClient database, JsonMapper json) {
        this.database = database;
        this.json = json;
    }

    /** A life as it was told. */
    record Kept(long id, String measure, String axis, int day, int method, String sentence, Instant on) {}

    /** Keeps what was told, if it says anything that was not kept yet. That it can't be kept just now keeps nobody from reading it. */
    void keep(Study study, LifeDocument document, String sentence) {
        if (study.judgedByCode() || document.curves().isEmpty()) {
            return;
        }
        try {
            database.sql("""
                            insert into life_outcome (study_id, revision, measure, axis, day, method, sentence, document)
                            values (:study, :revision, :measure, :axis, :day, :method, :sentence, :document::jsonb)
                            on conflict do nothing""")
                    .param("study", study.id())
                    .param("revision", study.revision())
                    .param("measure", document.measure())
                    .param("axis", document.axis())
                    .param("day", document.until())
                    .param("method", Wear.METHOD)
                    .param("sentence", sentence)
                    .param("document", json.writeValueAsString(document))
                    .update();
        } catch (DataAccessException e) {
            LOG.warn("A life of study {} could not be kept as it was", study.id(), e);
        }
    }

    /** Those of a study, the youngest first. */
    List<Kept> of(long study) {
        return database.sql("""
                        select id, measure, axis, day, method, sentence, kept_at from life_outcome
                        where study_id = :study order by id desc limit :most""")
                .param("study", study)
                .param("most", LISTED)
                .query((row, n) -> new Kept(
                        row.getLong("id"),
                        row.getString("measure"),
                        row.getString("axis"),
                        row.getInt("day"),
                        row.getInt("method"),
                        row.getString("sentence"),
                        row.getTimestamp("kept_at").toInstant()))
                .list();
    }

    /** The document of one, as it was kept. */
    Optional<String> document(long study, long id) {
        return database.sql("select document::text from life_outcome where study_id = :study and id = :id")
                .param("study", study)
                .param("id", id)
                .query(String.class)
                .optional();
    }
}
