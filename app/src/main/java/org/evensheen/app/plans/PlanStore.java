package org.evensheen.app.plans;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Refused;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Keeps what was typed for plans, a version for each change; nothing typed is ever lost, and undoing is a version too. */
@Component
public class PlanStore {
    private static final TypeReference<TreeMap<String, String>> FIELDS = new TypeReference<>() {};

    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    PlanStore(JdbcClient database, TransactionTemplate transaction, JsonMapper json) {
        this.database = database;
        this.transaction = transaction;
        this.json = json;
    }

    /**
     * A plan at its latest version.
     *
     * @param study the study it became
     * @param back the version that undoing goes back to; 0 for none
     */
    record Version(long plan, Optional<Long> study, int number, int back, Map<String, String> typed, String by) {}

    /**
     * What became of a change.
     *
     * @param overruled fields that somebody else had changed meanwhile; this change stands now, undoing brings theirs back
     */
    record Changed(Version now, List<String> overruled) {}

    /** Makes a plan, once by its key, and returns its id. */
    public long make(Map<String, String> typed, UUID key, String by) {
        return transaction.execute(status -> {
            Optional<Long> id = database.sql(
                            "insert into plan (page_key) values (:key) on conflict (page_key) do nothing returning id")
                    .param("key", key)
                    .query(Long.class)
                    .optional();
            if (id.isEmpty()) {
                return database.sql("select id from plan where page_key = :key")
                        .param("key", key)
                        .query(Long.class)
                        .single();
            }
            keep(id.get(), 1, 0, typed, "begun", by);
            return id.get();
        });
    }

    /**
     * The latest version of a plan.
     *
     * @throws Missing if there is no such plan
     */
    Version load(long id) {
        return at(id, Integer.MAX_VALUE)
                .orElseThrow(() -> new Missing("There is no plan " + id + ". The list of studies has them all."));
    }

    private Optional<Version> at(long id, int most) {
        return database.sql("""
                        select p.id, p.study_id, v.number, v.back, v.typed, v.kept_by
                        from plan p join plan_version v on v.plan_id = p.id
                        where p.id = :id and v.number <= :most order by v.number desc limit 1""")
                .param("id", id)
                .param("most", most)
                .query((row, n) -> version(row))
                .optional();
    }

    private Version version(ResultSet row) throws SQLException {
        return new Version(
                row.getLong("id"),
                Optional.ofNullable(row.getObject("study_id", Long.class)),
                row.getInt("number"),
                row.getInt("back"),
                json.readValue(row.getString("typed"), FIELDS),
                row.getString("kept_by"));
    }

    /**
     * Keeps the fields that differ from what the sender saw, on top of what stands now.
     *
     * @param base the version the sender saw
     * @param sent fields as sent
     */
    Changed change(long id, int base, Map<String, String> sent, String said, String by) {
        return transaction.execute(status -> {
            Version now = lock(id);
            Map<String, String> seen = at(id, base).map(Version::typed).orElse(Map.of());
            Map<String, String> next = new TreeMap<>(now.typed());
            List<String> overruled = new ArrayList<>();
            sent.forEach((field, value) -> {
                String before = seen.getOrDefault(field, "");
                String stands = now.typed().getOrDefault(field, "");
                if (!value.equals(before) && !value.equals(stands)) {
                    if (!stands.equals(before)) {
                        overruled.add(field);
                    }
                    next.put(field, value);
                }
            });
            if (next.equals(now.typed())) {
                return new Changed(now, List.of());
            }
            keep(id, now.number() + 1, now.number(), next, said, by);
            return new Changed(load(id), overruled);
        });
    }

    /** Goes one change back, as a new version. */
    Version undo(long id, String by) {
        return transaction.execute(status -> {
            Version now = lock(id);
            at(id, now.back())
                    .filter(v -> now.back() > 0)
                    .ifPresent(v -> keep(id, now.number() + 1, v.back(), v.typed(), "undone", by));
            return load(id);
        });
    }

    /** Notes which study a plan became; once. */
    void became(long id, long study) {
        database.sql("update plan set study_id = :study where id = :id and study_id is null")
                .param("study", study)
                .param("id", id)
                .update();
    }

    /** The version that stands, held against other changes until the transaction ends; a plan that has begun is not changed. */
    private Version lock(long id) {
        database.sql("select 1 from plan where id = :id for update")
                .param("id", id)
                .query(Integer.class)
                .optional();
        Version now = load(id);
        now.study().ifPresent(study -> {
            throw new Refused(
                    "This plan has become a study; what is planned stands as it was. The study has its own pages.");
        });
        return now;
    }

    private void keep(long id, int number, int back, Map<String, String> typed, String said, String by) {
        database.sql("""
                        insert into plan_version (plan_id, number, back, typed, said, kept_by)
                        values (:id, :number, :back, :typed::jsonb, :said, :by)""")
                .param("id", id)
                .param("number", number)
                .param("back", back)
                .param("typed", json.writeValueAsString(typed))
                .param("said", said)
                .param("by", by)
                .update();
    }

    /** A plan on the list. */
    record Listed(long id, String question, int changes) {}

    /** Plans that have not begun, the youngest first. */
    List<Listed> onPaper(int most) {
        return database.sql("""
                        select p.id, v.typed ->> 'question' as question, v.number as changes
                        from plan p
                        join lateral (select * from plan_version where plan_id = p.id order by number desc limit 1) v on true
                        where p.study_id is null order by p.id desc limit :most""").param("most", most).query(Listed.class).list();
    }
}
