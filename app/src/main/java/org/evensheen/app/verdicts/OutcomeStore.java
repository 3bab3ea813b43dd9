package org.evensheen.app.verdicts;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.studies.Standing;
import org.evensheen.app.studies.Study;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Verdicts as they were when they were first worked out. Those of a study that is judged by code are not kept: they hold names. */
@Component
class OutcomeStore {
    private static final Logger LOG = LoggerFactory.getLogger(OutcomeStore.class);
    /** How many are listed of one study. */
    static final int LISTED = 60;

    private final JdbcClient database;
    private final JsonMapper json;

    OutcomeStore(JdbcClient database, JsonMapper json) {
        this.database = database;
        this.json = json;
    }

    /** A verdict as it was. */
    record Kept(
            long id,
            long revision,
            String measure,
            Occasion at,
            int method,
            String sentence,
            String footing,
            Instant on) {
        String measureLabel() {
            return Measures.ofCode(measure).map(Measure::label).orElse(measure);
        }

        String when() {
            return Standing.words(at);
        }
    }

    /** Keeps a verdict, if it says anything that was not kept yet. That it can't be kept just now keeps nobody from reading it. */
    void keep(Study study, VerdictDocument document, String sentence) {
        if (study.judgedByCode() || document.day() == null) {
            return;
        }
        try {
            database.sql("""
                            insert into outcome (study_id, revision, measure, day, stage, method, sentence, footing, document)
                            values (:study, :revision, :measure, :day, :stage, :method, :sentence, :footing, :document::jsonb)
                            on conflict do nothing""")
                    .param("study", study.id())
                    .param("revision", study.revision())
                    .param("measure", document.measure())
                    .param("day", document.day())
                    .param("stage", document.stage())
                    .param("method", Verdict.METHOD)
                    .param("sentence", sentence)
                    .param("footing", document.footing())
                    .param("document", json.writeValueAsString(document))
                    .update();
        } catch (DataAccessException e) {
            LOG.warn("A verdict of study {} could not be kept as it was", study.id(), e);
        }
    }

    /** Those of a study, the youngest first. */
    List<Kept> of(long study) {
        return database.sql(SELECT + " where study_id = :study order by id desc limit :most")
                .param("study", study)
                .param("most", LISTED)
                .query((row, n) -> kept(row))
                .list();
    }

    Optional<Kept> one(long study, long id) {
        return database.sql(SELECT + " where study_id = :study and id = :id")
                .param("study", study)
                .param("id", id)
                .query((row, n) -> kept(row))
                .optional();
    }

    /** The document of one, as it was kept. */
    Optional<VerdictDocument> document(long study, long id) {
        return database.sql("select document::text from outcome where study_id = :study and id = :id")
                .param("study", study)
                .param("id", id)
                .query(String.class)
                .optional()
                .map(text -> json.readValue(text, VerdictDocument.class));
    }

    private static final String SELECT =
            "select id, revision, measure, day, stage, method, sentence, footing, kept_at from outcome";

    private static Kept kept(java.sql.ResultSet row) throws java.sql.SQLException {
        return new Kept(
                row.getLong("id"),
                row.getLong("revision"),
                row.getString("measure"),
                new Occasion(
                        row.getInt("day"), Look.ofCode(row.getString("stage")).orElseThrow()),
                row.getInt("method"),
                row.getString("sentence"),
                row.getString("footing"),
                row.getTimestamp("kept_at").toInstant());
    }
}
