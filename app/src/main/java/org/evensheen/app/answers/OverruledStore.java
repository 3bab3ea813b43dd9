package org.evensheen.app.answers;

import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What a reviewer said against derived advice; the latest of a product stands. */
@Component
class OverruledStore {
    private final JdbcClient database;

    OverruledStore(JdbcClient database) {
        this.database = database;
    }

    /** Another advice, with its reason. */
    record Overruled(int contender, String advice, String reason, String by) {}

    Map<Integer, Overruled> of(long study) {
        Map<Integer, Overruled> latest = new TreeMap<>();
        database
                .sql("""
                        select distinct on (contender) contender, advice, reason, said_by from overruled
                        where study_id = :study order by contender, id desc""")
                .param("study", study)
                .query((row, n) -> new Overruled(
                        row.getInt("contender"),
                        row.getString("advice"),
                        row.getString("reason"),
                        row.getString("said_by")))
                .list()
                .stream()
                .filter(o -> !o.advice().equals("derived"))
                .forEach(o -> latest.put(o.contender(), o));
        return latest;
    }

    /** Keeps it once by the page's key. */
    void keep(long study, Overruled overruled, UUID key) {
        database.sql("""
                        insert into overruled (study_id, contender, advice, reason, said_by, page_key)
                        values (:study, :contender, :advice, :reason, :by, :key) on conflict (page_key) do nothing""")
                .param("study", study)
                .param("contender", overruled.contender())
                .param("advice", overruled.advice())
                .param("reason", overruled.reason())
                .param("by", overruled.by())
                .param("key", key)
                .update();
    }
}
