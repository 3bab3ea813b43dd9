package org.evensheen.app.readings;

import java.sql.Types;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Reading;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps and strikes readings. A reading is never rewritten; a correction strikes it and keeps another in its place. */
@Component
public class ReadingStore {
    private final JdbcClient database;
    private final SharedWriteStore writes;
    private final TransactionTemplate transaction;

    ReadingStore(JdbcClient database, SharedWriteStore writes, TransactionTemplate transaction) {
        this.database = database;
        this.writes = writes;
        this.transaction = transaction;
    }

    /** What became of a request to keep or strike. */
    public enum Outcome {
        /** It is so now, by this request or by the same one sent before. */
        DONE,
        /** Somebody else was there first. */
        TAKEN
    }

    /** Keeps a reading in its slot, unless one stands there already. */
    public Outcome keep(long study, Reading reading, UUID key, Hands hands) {
        return keep(study, reading, key, hands, Optional.empty());
    }

    /**
     * Keeps a reading in its slot, unless one stands there already.
     *
     * @param take what an instrument gave for it; one that is not known is left out
     */
    Outcome keep(long study, Reading reading, UUID key, Hands hands, Optional<UUID> take) {
        return writes.update(study, INSERT, row(study, reading, key, hands, null, take)) == 1
                        || sentBefore(study, key, reading.seen())
                ? Outcome.DONE
                : Outcome.TAKEN;
    }

    /** Strikes a reading and keeps another in its place, both or neither. */
    public Outcome correct(long study, long struck, Reading by, UUID key, Hands hands, String because) {
        return transaction.execute(status -> {
            if (sentBefore(study, key, by.seen())) {
                return Outcome.DONE;
            }
            if (strike(study, struck, hands, because) == Outcome.TAKEN
                    || database.sql(INSERT)
                                    .paramSource(row(study, by, key, hands, struck, Optional.empty()))
                                    .update()
                            != 1) {
                status.setRollbackOnly();
                return Outcome.TAKEN;
            }
            return Outcome.DONE;
        });
    }

    /** Strikes a reading that stands. */
    public Outcome strike(long study, long reading, Hands hands, String because) {
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

    private static final String INSERT = """
            insert into reading (study_id, section_id, day, stage, measure, repeat,
                                 amount, seen, apart, kept_by, page_key, replaces, take_id)
            select s.study_id, s.id, :day, :stage, :measure, :repeat,
                   :amount, :seen, :apart, :by, :key, :replaces,
                   (select t.id from take t where t.id = :take)
            from section s where s.study_id = :study and s.code = :section
            on conflict do nothing""";

    private static MapSqlParameterSource row(
            long study, Reading reading, UUID key, Hands hands, @Nullable Long replaces, Optional<UUID> take) {
        Observation seen = reading.seen();
        return new MapSqlParameterSource()
                .addValue("day", reading.day())
                .addValue("stage", reading.at().look().code())
                .addValue("measure", reading.measure().code())
                .addValue("repeat", reading.repeat())
                .addValue("amount", seen.amount(), Types.NUMERIC)
                .addValue("seen", seen.line())
                .addValue("apart", seen.measure().byEye() ? hands.name() : "")
                .addValue("by", hands.name())
                .addValue("key", key)
                .addValue("replaces", replaces, Types.BIGINT)
                .addValue("take", take.orElse(null), Types.OTHER)
                .addValue("study", study)
                .addValue("section", reading.section());
    }

    /** What stands in the slot of a reading, as it was typed, with who kept it; and the first repeat that is free. */
    record Standing(String what, String by, int free) {}

    Optional<Standing> standing(long study, Reading reading) {
        return database.sql("""
                        select r.seen, r.kept_by,
                               (select max(o.repeat) + 1 from reading o where o.study_id = r.study_id
                                and o.section_id = r.section_id and o.day = r.day and o.stage = r.stage
                                and o.measure = r.measure and o.struck_at is null) as free
                        from reading r join section s on s.id = r.section_id
                        where r.study_id = :study and s.code = :section and r.day = :day and r.stage = :stage
                          and r.measure = :measure and r.repeat = :repeat and r.struck_at is null
                        limit 1""")
                .param("study", study)
                .param("section", reading.section())
                .param("day", reading.day())
                .param("stage", reading.at().look().code())
                .param("measure", reading.measure().code())
                .param("repeat", reading.repeat())
                .query((row, n) -> new Standing(
                        Figures.seen(Observation.read(reading.measure(), row.getString("seen"))),
                        row.getString("kept_by"),
                        row.getInt("free")))
                .optional();
    }

    /** What of a study never changes once it has begun. */
    record Begun(LocalDate firstDay, Course course) {}

    Optional<Begun> begun(long study) {
        return database.sql("select first_day, course from study where id = :study")
                .param("study", study)
                .query((row, n) -> new Begun(
                        row.getObject("first_day", LocalDate.class),
                        Course.ofCode(row.getString("course")).orElseThrow()))
                .optional();
    }

    /** Whether this very request was carried out before, with the same value. */
    private boolean sentBefore(long study, UUID key, Observation seen) {
        return database.sql("select seen from reading where page_key = :key and study_id = :study")
                .param("key", key)
                .param("study", study)
                .query(String.class)
                .optional()
                .filter(seen.line()::equals)
                .isPresent();
    }
}
