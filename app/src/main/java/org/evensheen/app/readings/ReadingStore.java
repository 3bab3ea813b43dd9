package org.evensheen.app.readings;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.core.study.Observation;
import org.evensheen.core.study.Reading;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps and strikes readings. A reading is never rewritten; a correction strikes it and keeps another in its place. */
@Component
class ReadingStore {
    private final JdbcClient database;
    private final TransactionTemplate transaction;

    ReadingStore(JdbcClient database, TransactionTemplate transaction) {
        this.database = database;
        this.transaction = transaction;
    }

    /** What became of a request to keep or strike. */
    enum Outcome {
        /** It is so now, by this request or by the same one sent before. */
        DONE,
        /** Somebody else was there first. */
        TAKEN
    }

    /** Keeps a reading in its slot, unless one stands there already. */
    Outcome keep(long study, Reading reading, UUID key, Hands hands) {
        return insert(study, reading, key, hands, null) || sentBefore(study, key, reading.seen())
                ? Outcome.DONE
                : Outcome.TAKEN;
    }

    /** Strikes a reading and keeps another in its place, both or neither. */
    Outcome correct(long study, long struck, Reading by, UUID key, Hands hands, String because) {
        return transaction.execute(status -> {
            if (sentBefore(study, key, by.seen())) {
                return Outcome.DONE;
            }
            if (strike(study, struck, hands, because) == Outcome.TAKEN || !insert(study, by, key, hands, struck)) {
                status.setRollbackOnly();
                return Outcome.TAKEN;
            }
            return Outcome.DONE;
        });
    }

    /** Strikes a reading that stands. */
    Outcome strike(long study, long reading, Hands hands, String because) {
        int struck = database.sql("""
                        update reading set struck_at = now(), struck_by = :by, struck_because = :because
                        where id = :id and study_id = :study and struck_at is null""")
                .param("by", hands.name())
                .param("because", because)
                .param("id", reading)
                .param("study", study)
                .update();
        return struck == 1 ? Outcome.DONE : Outcome.TAKEN;
    }

    private boolean insert(long study, Reading reading, UUID key, Hands hands, @Nullable Long replaces) {
        Observation seen = reading.seen();
        return database.sql("""
                        insert into reading (study_id, section_id, day, stage, measure, repeat,
                                             amount, width_mm, water_kind, kept_by, page_key, replaces)
                        select s.study_id, s.id, :day, :stage, :measure, :repeat,
                               :amount, :width, :kind, :by, :key, :replaces
                        from section s where s.study_id = :study and s.code = :section
                        on conflict do nothing""")
                        .param("day", reading.day())
                        .param("stage", reading.stage().code())
                        .param("measure", reading.measure().code())
                        .param("repeat", reading.repeat())
                        .param("amount", Columns.amount(seen))
                        .param("width", Columns.width(seen))
                        .param("kind", Columns.kind(seen))
                        .param("by", hands.name())
                        .param("key", key)
                        .param("replaces", replaces, java.sql.Types.BIGINT)
                        .param("study", study)
                        .param("section", reading.section())
                        .update()
                == 1;
    }

    /** Whether this very request was carried out before, with the same value. */
    private boolean sentBefore(long study, UUID key, Observation seen) {
        Optional<BigDecimal> amount = database.sql(
                        "select amount from reading where page_key = :key and study_id = :study")
                .param("key", key)
                .param("study", study)
                .query(BigDecimal.class)
                .optional();
        return amount.filter(a -> a.compareTo(Columns.amount(seen)) == 0).isPresent();
    }
}
