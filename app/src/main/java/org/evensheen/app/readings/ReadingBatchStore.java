package org.evensheen.app.readings;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.core.measure.Observation;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Keeps many readings at once, some thousands a statement: all of them or none. */
@Component
public class ReadingBatchStore {
    /** Rows of one statement; all of a large study in one would not fit into the memory. */
    private static final int AT_ONCE = 2000;

    private final JdbcClient database;
    private final JsonMapper json;
    private final TransactionTemplate transaction;

    ReadingBatchStore(JdbcClient database, JsonMapper json, TransactionTemplate transaction) {
        this.database = database;
        this.transaction = transaction;
        this.json = json;
    }

    /**
     * Keeps readings with their own who and when, struck ones too; their ids are given anew. One that replaces another must
     * come in a later call than that other, both with the ids they had.
     *
     * @return how many were kept
     */
    public int keep(long study, List<KeptReading> readings) {
        return keep(study, readings, Map.of());
    }

    /**
     * The same with what filled them.
     *
     * @param takes the take that filled a reading, by the id that the reading had
     */
    public int keep(long study, List<KeptReading> readings, Map<Long, UUID> takes) {
        return transaction.execute(status -> {
            int kept = 0;
            for (int from = 0; from < readings.size(); from += AT_ONCE) {
                kept += keepSome(study, readings.subList(from, Math.min(readings.size(), from + AT_ONCE)), takes);
            }
            return kept;
        });
    }

    private int keepSome(long study, List<KeptReading> readings, Map<Long, UUID> takes) {
        List<Map<String, Object>> rows = readings.stream()
                .map(r -> row(study, r, Optional.ofNullable(takes.get(r.id()))))
                .toList();
        return database.sql("""
                        insert into reading (study_id, section_id, day, stage, measure, repeat, amount, seen,
                                             apart, kept_at, kept_by, page_key, replaces, struck_at, struck_by,
                                             struck_because, take_id)
                        select s.study_id, s.id, r.day, r.stage, r.measure, r.repeat, r.amount, r.seen, r.apart,
                               r.kept_at, r.kept_by, r.key,
                               (select b.id from reading b where b.page_key = r.replaces),
                               r.struck_at, r.struck_by, r.struck_because, r.take
                        from jsonb_to_recordset(:rows::jsonb) as r(
                            section text, day int, stage text, measure text, repeat int, amount numeric, seen text,
                            apart text, kept_at timestamptz, kept_by text, key uuid, replaces uuid,
                            struck_at timestamptz, struck_by text, struck_because text, take uuid)
                        join section s on s.study_id = :study and s.code = r.section""")
                .param("rows", json.writeValueAsString(rows))
                .param("study", study)
                .update();
    }

    private static Map<String, Object> row(long study, KeptReading kept, Optional<UUID> take) {
        Map<String, Object> row = new TreeMap<>();
        Observation seen = kept.reading().seen();
        row.put("section", kept.reading().section());
        row.put("day", kept.reading().day());
        row.put("stage", kept.reading().at().look().code());
        row.put("measure", kept.reading().measure().code());
        row.put("repeat", kept.reading().repeat());
        row.put("amount", seen.amount());
        row.put("seen", seen.line());
        row.put("apart", seen.measure().byEye() ? kept.keptBy() : "");
        row.put("kept_at", kept.keptAt().toString());
        row.put("kept_by", kept.keptBy());
        row.put("key", kept.id() > 0 ? key(study, kept.id()) : UUID.randomUUID());
        take.ifPresent(t -> row.put("take", t));
        kept.replaces().ifPresent(before -> row.put("replaces", key(study, before)));
        kept.strike().ifPresent(strike -> {
            row.put("struck_at", text(strike.at()));
            row.put("struck_by", strike.by());
            row.put("struck_because", strike.because());
        });
        return row;
    }

    /** The key of a reading that had a number in the file it came from, so that what replaces it finds it. */
    private static UUID key(long study, long number) {
        return UUID.nameUUIDFromBytes(
                "reading %d of study %d".formatted(number, study).getBytes(StandardCharsets.UTF_8));
    }

    private static String text(Instant at) {
        return at.toString();
    }
}
