package org.evensheen.app.studies;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Refused;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Dates of a study that has begun: moved before they come, or added; with who, when and why. */
@Component
class DatesStore {
    private final JdbcClient database;
    private final TransactionTemplate transaction;

    DatesStore(JdbcClient database, TransactionTemplate transaction) {
        this.database = database;
        this.transaction = transaction;
    }

    /**
     * A move.
     *
     * @param from the day that it was planned for; empty for a look that was added
     */
    record Move(Optional<Integer> from, int to, String why, String by) {}

    /** Moves all that is planned for a day, once by the page's key. */
    void move(long study, int from, int to, String why, UUID key, String by, String told) {
        transaction.executeWithoutResult(status -> {
            if (!log(study, Optional.of(from), to, why, key, by)) {
                return;
            }
            if (database.sql("select count(*) from planned_visit where study_id = :study and day = :to")
                            .param("study", study)
                            .param("to", to)
                            .query(Integer.class)
                            .single()
                    > 0) {
                throw new Refused("There is a look on that day already. Choose another; nothing was moved.");
            }
            int moved = database.sql("update planned_visit set day = :to where study_id = :study and day = :from")
                    .param("study", study)
                    .param("from", from)
                    .param("to", to)
                    .update();
            if (moved == 0) {
                throw new Refused("That look is not there any more; somebody moved it. Look at the dates again.");
            }
            database.sql("""
                            update planned_work set day = :to, why = why || :told
                            where study_id = :study and day = :from and kind in ('visit', 'check', 'fresh', 'bare')""")
                    .param("study", study)
                    .param("from", from)
                    .param("to", to)
                    .param("told", " " + told)
                    .update();
            grow(study);
        });
    }

    /** Adds a look, once by the page's key. */
    void add(long study, int day, String stage, String why, UUID key, String by) {
        transaction.executeWithoutResult(status -> {
            if (!log(study, Optional.empty(), day, why, key, by)) {
                return;
            }
            int added = database.sql("""
                            insert into planned_visit (study_id, day, stage) values (:study, :day, :stage)
                            on conflict do nothing""")
                    .param("study", study)
                    .param("day", day)
                    .param("stage", stage)
                    .update();
            if (added == 0) {
                throw new Refused("There is a look on that day already. Choose another; nothing was added.");
            }
            database.sql("""
                            insert into planned_work (study_id, position, day, kind, title, why)
                            select :study, coalesce(max(position), -1) + 1, :day, 'visit', 'Follow up', :why
                            from planned_work where study_id = :study""")
                    .param("study", study)
                    .param("day", day)
                    .param("why", why)
                    .update();
            grow(study);
        });
    }

    private boolean log(long study, Optional<Integer> from, int to, String why, UUID key, String by) {
        return database.sql("""
                        insert into date_moved (study_id, from_day, to_day, why, moved_by, page_key)
                        values (:study, :from, :to, :why, :by, :key) on conflict (page_key) do nothing""")
                        .param("study", study)
                        .param("from", from.orElse(null))
                        .param("to", to)
                        .param("why", why)
                        .param("by", by)
                        .param("key", key)
                        .update()
                > 0;
    }

    private void grow(long study) {
        database.sql("update study set revision = revision + 1 where id = :study")
                .param("study", study)
                .update();
    }

    /** What was moved and added, the first first. */
    List<Move> of(long study) {
        return database.sql(
                        "select from_day, to_day, why, moved_by from date_moved where study_id = :study order by id")
                .param("study", study)
                .query((row, n) -> new Move(
                        Optional.ofNullable((Integer) row.getObject("from_day")),
                        row.getInt("to_day"),
                        row.getString("why"),
                        row.getString("moved_by")))
                .list();
    }
}
