package org.evensheen.app.sidebyside;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.evensheen.core.layout.Places;
import org.evensheen.core.sidebyside.Kind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Kinds of one's own: the questions of an old comparison under a name. */
@Component
class OwnKindStore {
    /** So many are offered. */
    private static final int MOST = 12;

    private final JdbcClient database;

    OwnKindStore(JdbcClient database) {
        this.database = database;
    }

    /** One of them; it is done and asked as its kind is. */
    record Own(long id, String name, Kind kind, Places shape, Set<String> asked) {
        String code() {
            return "own-" + id;
        }
    }

    /** The latest of them. */
    List<Own> all() {
        return database.sql("select id, name, kind, shape, asked from own_kind order by id desc limit :most")
                .param("most", MOST)
                .query((row, n) -> new Own(
                        row.getLong("id"),
                        row.getString("name"),
                        Kind.ofCode(row.getString("kind")).orElseThrow(),
                        Stored.shape(row.getString("shape")).orElseThrow(),
                        new LinkedHashSet<>(
                                Arrays.asList((String[]) row.getArray("asked").getArray()))))
                .list();
    }

    Optional<Own> ofCode(String code) {
        return all().stream().filter(o -> o.code().equals(code)).findFirst();
    }

    /** Keeps one once by its key; of the same name, the later counts. */
    void keep(String name, Kind kind, Places shape, Set<String> asked, UUID key) {
        database.sql("""
                        insert into own_kind (name, kind, shape, asked, page_key) values (:name, :kind, :shape, :asked, :key)
                        on conflict (lower(name)) do update set kind = excluded.kind, shape = excluded.shape, asked = excluded.asked""")
                .param("name", name)
                .param("kind", kind.code())
                .param("shape", SheetWords.lower(shape))
                .param("asked", asked.toArray(String[]::new))
                .param("key", key)
                .update();
    }
}
