package org.evensheen.app.bundles;

import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.page.Sheet;
import org.evensheen.core.schedule.OurTime;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What instruments gave for a study, with whole traces, and which reading each filled: out into a bundle and back. */
@Component
class BundleTakeStore {
    private final JdbcClient database;

    BundleTakeStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * A take.
     *
     * @param id its number in the bundle, from 1
     * @param samples of its trace, with blanks between; empty if it has none
     */
    record Take(
            int id,
            String instrument,
            double amount,
            @Nullable Double second,
            @Nullable Double hertz,
            String samples,
            String said,
            Instant at,
            String keptBy) {}

    List<Take> of(long study) {
        return database.sql("""
                        select row_number() over (order by t.at, t.id)::int as id, coalesce(i.name, t.instrument_name) as instrument,
                               t.amount, t.second, t.hertz, coalesce(array_to_string(t.samples, ' '), '') as samples, t.said, t.at,
                               t.kept_by
                        from take t left join instrument i on i.id = t.instrument_id
                        where t.study_id = :study order by t.at, t.id""").param("study", study).query(Take.class).list();
    }

    /** The number of the take of each reading that has one, by the reading's id. */
    Map<Long, Integer> ofReadings(long study) {
        Map<Long, Integer> takes = new HashMap<>();
        database.sql("""
                        select r.id as reading, n.number from reading r
                        join (select id, row_number() over (order by at, id)::int as number from take where study_id = :study) n
                          on n.id = r.take_id
                        where r.study_id = :study""").param("study", study).query(row -> {
            takes.put(row.getLong("reading"), row.getInt("number"));
        });
        return takes;
    }

    /** Reads a line of {@link Table#TAKES}. */
    static Take take(Sheet.Row row) {
        return new Take(
                Rows.whole(row, "id"),
                Rows.name(row, "instrument"),
                Rows.number(row, "amount"),
                row.at("second").isEmpty() ? null : Rows.number(row, "second"),
                row.at("hertz").isEmpty() ? null : Rows.number(row, "hertz"),
                row.at("samples"),
                row.at("said"),
                OurTime.time(row.at("at")),
                Rows.text(row, "kept_by"));
    }

    void keep(long study, List<Take> takes, UUID key) {
        for (Take take : takes) {
            database.sql("""
                            insert into take (id, instrument_id, instrument_name, study_id, amount, second, hertz, samples, said, at, kept_by)
                            values (:id, (select i.id from instrument i where lower(i.name) = lower(:instrument) and i.retired_at is null),
                                    :instrument, :study, :amount, :second, :hertz,
                                    case when :samples = '' then null else string_to_array(:samples, ' ')::real[] end, :said, :at, :by)""")
                    .param("id", id(key, take.id))
                    .param("instrument", take.instrument)
                    .param("study", study)
                    .param("amount", take.amount)
                    .param("second", take.second, Types.NUMERIC)
                    .param("hertz", take.hertz, Types.NUMERIC)
                    .param("samples", take.samples)
                    .param("said", take.said)
                    .param("at", Timestamp.from(take.at))
                    .param("by", take.keptBy)
                    .update();
        }
    }

    /** The id that a take of a bundle gets here. */
    static UUID id(UUID key, int number) {
        return UUID.nameUUIDFromBytes((key + " take " + number).getBytes(StandardCharsets.UTF_8));
    }
}
