package org.evensheen.app.readings;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.namedparam.SqlParameterSource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Rows of one study that come at the same time are written in one transaction: they would wait for each other anyway, and what takes
 * long is the disk's word that they are safe. Nobody is told before that word is there.
 */
@Component
class SharedWriteStore {
    private static final int MOST = 64;
    private static final int LANES = 16;

    private final NamedParameterJdbcTemplate database;
    private final TransactionTemplate transaction;
    private final Map<Long, Lane> lanes = new ConcurrentHashMap<>();

    SharedWriteStore(NamedParameterJdbcTemplate database, TransactionTemplate transaction) {
        this.database = database;
        this.transaction = transaction;
    }

    /** Studies that share a queue and its one writer. */
    private static final class Lane {
        final Queue<Row> waiting = new ConcurrentLinkedQueue<>();
        final AtomicBoolean writing = new AtomicBoolean();

        List<Row> next() {
            List<Row> rows = new ArrayList<>();
            while (rows.size() < MOST && waiting.peek() != null) {
                rows.add(waiting.remove());
            }
            return rows;
        }
    }

    private static final class Row {
        final String sql;
        final SqlParameterSource values;
        final Semaphore signal = new Semaphore(0);
        int changed;

        @Nullable
        RuntimeException failed;

        volatile boolean over;

        Row(String sql, SqlParameterSource values) {
            this.sql = sql;
            this.values = values;
        }

        void end() {
            over = true;
            signal.release();
        }
    }

    /**
     * Carries a statement out; how many rows it changed. What is part of a larger piece of work stays part of that, and is kept or not
     * with it.
     *
     * @throws DataAccessException as if it had been carried out alone
     */
    int update(long study, String sql, MapSqlParameterSource values) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            return database.update(sql, values);
        }
        Lane lane = lanes.computeIfAbsent(study % LANES, n -> new Lane());
        Row mine = new Row(sql, values);
        lane.waiting.add(mine);
        while (!mine.over) {
            if (lane.writing.compareAndSet(false, true)) {
                try {
                    write(lane.next());
                } finally {
                    lane.writing.set(false);
                }
                // Whoever waits first writes for the next ones; what came in the meantime is never left standing.
                Row first = lane.waiting.peek();
                if (first != null) {
                    first.signal.release();
                }
            } else {
                mine.signal.acquireUninterruptibly();
            }
        }
        if (mine.failed != null) {
            throw mine.failed;
        }
        return mine.changed;
    }

    private void write(List<Row> rows) {
        try {
            transaction.executeWithoutResult(status -> rows.stream()
                    .map(r -> r.sql)
                    .distinct()
                    .forEach(sql -> batch(
                            sql, rows.stream().filter(r -> r.sql.equals(sql)).toList())));
        } catch (RuntimeException e) {
            if (rows.size() > 1 && e instanceof DataIntegrityViolationException) {
                // One of them can't be: each is tried alone, so that it spoils nobody else's. A database that is away
                // is away for all.
                rows.forEach(row -> write(List.of(row)));
            } else {
                rows.forEach(row -> row.failed = e);
            }
        } finally {
            rows.forEach(Row::end);
        }
    }

    private void batch(String sql, List<Row> rows) {
        int[] changed =
                database.batchUpdate(sql, rows.stream().map(r -> r.values).toArray(SqlParameterSource[]::new));
        for (int i = 0; i < changed.length; i++) {
            rows.get(i).changed = changed[i];
        }
    }
}
