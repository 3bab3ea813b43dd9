package org.evensheen.app.backups;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Which backups were made, and whether it is time for another. */
@Component
public class BackupStore {
    /** Days after which a backup is old, if something was kept since. */
    static final int OLD = 7;

    /** How much was ever kept: grows with every row, with every change to a study and with every change to a plan. */
    static final String KEPT = """
            (select coalesce(sum(last_value), 0) from pg_sequences
             where schemaname = current_schema() and sequencename <> 'backup_id_seq')
            + (select coalesce(sum(revision), 0) from study) + (select count(*) from plan_version)""";

    static final String INSERT = "insert into backup (made_by, file, bytes, sha256, kept) values (?, ?, ?, ?, ?)";

    private static final int MOST = 20;

    private final JdbcClient database;
    private final JdbcTemplate template;

    BackupStore(JdbcClient database, JdbcTemplate template) {
        this.database = database;
        this.template = template;
    }

    /** A backup that was made. */
    record Made(long id, Instant madeAt, String madeBy, String file, long bytes, String sha256) {}

    List<Made> latest() {
        return database.sql("select id, made_at, made_by, file, bytes, sha256 from backup order by id desc limit :most")
                .param("most", MOST)
                .query(Made.class)
                .list();
    }

    Optional<Made> made(long id) {
        return database.sql("select id, made_at, made_by, file, bytes, sha256 from backup where id = :id")
                .param("id", id)
                .query(Made.class)
                .optional();
    }

    long kept() {
        return database.sql("select " + KEPT).query(Long.class).single();
    }

    void note(String by, String file, long bytes, String sha256, long kept) {
        template.update(INSERT, by, file, bytes, sha256, kept);
    }

    /**
     * How many days ago the last backup was made, or the first record where none was, if that is more than a week and something was kept
     * since; empty if there is no need for another.
     */
    public Optional<Due> due() {
        return database.sql("""
                        with last as (select made_at, kept from backup order by id desc limit 1),
                        since as (select coalesce((select made_at from last), (select min(made_at) from study)) as at)
                        select extract(day from now() - at)::int as days, exists (select 1 from last) as any_made
                        from since where at < now() - make_interval(days => :old)
                          and\s""" + KEPT + " > coalesce((select kept from last), 0)")
                .param("old", OLD)
                .query(Due.class)
                .optional();
    }

    /**
     * That a backup is due.
     *
     * @param days since the last, or since there are records
     * @param anyMade whether there ever was one
     */
    public record Due(int days, boolean anyMade) {
        /** In a sentence. */
        public String words() {
            return anyMade
                    ? "The last backup is %d days old, and something was kept since.".formatted(days)
                    : "There are records of %d days here, and no backup yet.".formatted(days);
        }
    }
}
