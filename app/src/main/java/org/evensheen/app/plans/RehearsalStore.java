package org.evensheen.app.plans;

import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** How far rehearsals are and what they found; in the database, so that any copy of the application can tell. */
@Component
class RehearsalStore {
    private final JdbcClient database;
    private final JsonMapper json;

    RehearsalStore(JdbcClient database, JsonMapper json) {
        this.database = database;
        this.json = json;
    }

    /**
     * A rehearsal.
     *
     * @param state running, finished, cancelled or broken; running but long untouched means that its process ended
     */
    record Stored(int version, UUID run, int total, int done, String state, boolean stale, Optional<Found> found) {
        boolean running() {
            return state.equals("running") && !stale;
        }
    }

    Optional<Stored> load(long plan) {
        return database.sql("""
                        select version, run, total, done, state, result, touched_at < now() - interval '15 seconds' as stale
                        from rehearsal where plan_id = :plan""")
                .param("plan", plan)
                .query((row, n) -> new Stored(
                        row.getInt("version"),
                        row.getObject("run", UUID.class),
                        row.getInt("total"),
                        row.getInt("done"),
                        row.getString("state"),
                        row.getBoolean("stale"),
                        Optional.ofNullable(row.getString("result")).map(r -> json.readValue(r, Found.class))))
                .optional();
    }

    void begin(long plan, int version, UUID run, int total) {
        database.sql("""
                        insert into rehearsal (plan_id, version, run, total, state)
                        values (:plan, :version, :run, :total, 'running')
                        on conflict (plan_id) do update set version = :version, run = :run, total = :total, done = 0,
                            state = 'running', result = null, touched_at = now()""")
                .param("plan", plan)
                .param("version", version)
                .param("run", run)
                .param("total", total)
                .update();
    }

    /** Notes how far a run is; false if it was cancelled or another has taken its place. */
    boolean progress(UUID run, int done) {
        return database.sql("""
                                update rehearsal set done = greatest(done, :done), touched_at = now()
                                where run = :run and state = 'running'""").param("run", run).param("done", done).update() == 1;
    }

    void finish(UUID run, Found found) {
        database.sql("""
                        update rehearsal set state = 'finished', done = total, result = :found::jsonb, touched_at = now()
                        where run = :run and state = 'running'""")
                .param("run", run)
                .param("found", json.writeValueAsString(found))
                .update();
    }

    void end(long plan, String state) {
        database.sql("update rehearsal set state = :state, result = null where plan_id = :plan and state = 'running'")
                .param("plan", plan)
                .param("state", state)
                .update();
    }
}
