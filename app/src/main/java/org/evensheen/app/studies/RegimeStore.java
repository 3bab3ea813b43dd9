package org.evensheen.app.studies;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Finds studies with a regime in them. */
@Component
class RegimeStore {
    private static final int MOST = 12;

    private final JdbcClient database;

    RegimeStore(JdbcClient database) {
        this.database = database;
    }

    /** The youngest of those whose key is open; what goes on in the others would tell a name. */
    List<Long> open() {
        return database.sql("""
                        select distinct c.study_id from contender c join study s on s.id = c.study_id
                        where c.kind = 'regime' and s.key_opened_at is not null
                        order by c.study_id desc limit :most""").param("most", MOST).query(Long.class).list();
    }
}
