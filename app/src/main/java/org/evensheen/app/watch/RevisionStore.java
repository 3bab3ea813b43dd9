package org.evensheen.app.watch;

import java.sql.Array;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Which revision each study stands at. */
@Component
class RevisionStore {
    private final JdbcClient database;
    private final JdbcTemplate connections;

    RevisionStore(JdbcClient database, JdbcTemplate connections) {
        this.database = database;
        this.connections = connections;
    }

    private record Revision(long id, long revision) {}

    Map<Long, Long> revisions(Set<Long> studies) {
        Array ids = connections.execute(
                (ConnectionCallback<Array>) connection -> connection.createArrayOf("bigint", studies.toArray()));
        return database
                .sql("select id, revision from study where id = any(:ids)")
                .param("ids", ids)
                .query(Revision.class)
                .list()
                .stream()
                .collect(Collectors.toMap(Revision::id, Revision::revision));
    }
}
