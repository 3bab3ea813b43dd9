package org.evensheen.app.page;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Whether the database answers. */
@Component
class ProbeStore {
    private final JdbcClient database;

    ProbeStore(JdbcClient database) {
        this.database = database;
    }

    int one() {
        return database.sql("select 1").query(Integer.class).single();
    }
}
