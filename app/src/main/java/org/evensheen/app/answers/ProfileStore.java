package org.evensheen.app.answers;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.measure.Quality;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Readers: those that come with the program, and the reviewer's own. */
@Component
class ProfileStore {
    private static final int MOST = 40;

    private final JdbcClient database;
    private final JsonMapper json;

    ProfileStore(JdbcClient database, JsonMapper json) {
        this.database = database;
        this.json = json;
    }

    List<Profile> all() {
        List<Profile> all = new ArrayList<>(Profile.shipped());
        all.addAll(database.sql("select id, name, weights::text from profile order by id limit :most")
                .param("most", MOST)
                .query((row, n) -> own(row.getLong("id"), row.getString("name"), row.getString("weights")))
                .list());
        return all;
    }

    /** One of the reviewer's own, as it is stored. */
    Profile own(long id, String name, String weights) {
        return new Profile("own-" + id, name, weights(weights));
    }

    private Map<Quality, Integer> weights(String text) {
        Map<Quality, Integer> weights = new EnumMap<>(Quality.class);
        json.readValue(text, new TypeReference<Map<String, Integer>>() {})
                .forEach((code, weight) -> Quality.ofCode(code).ifPresent(q -> weights.put(q, weight)));
        return weights;
    }

    /** Keeps one; of the same name the later counts. Gives its code. */
    String keep(String name, Map<Quality, Integer> weights, String by) {
        Map<String, Integer> told = new java.util.TreeMap<>();
        weights.forEach((q, w) -> told.put(q.code(), w));
        return "own-"
                + database.sql("""
                        insert into profile (name, weights, changed_by) values (:name, :weights::jsonb, :by)
                        on conflict (lower(name)) do update
                        set name = excluded.name, weights = excluded.weights, changed_at = now(), changed_by = excluded.changed_by
                        returning id""")
                        .param("name", name)
                        .param("weights", json.writeValueAsString(told))
                        .param("by", by)
                        .query(Long.class)
                        .single();
    }
}
