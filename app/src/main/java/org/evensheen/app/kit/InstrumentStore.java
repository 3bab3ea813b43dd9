package org.evensheen.app.kit;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.Types;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.evensheen.app.page.Missing;
import org.evensheen.core.instruments.LinePattern;
import org.evensheen.core.instruments.Probe;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Keeps links to instruments, their checks, and what was taken with them. */
@Component
public class InstrumentStore {
    private static final String INSTRUMENT = """
            select i.*, k.amount, k.should_be, k.tolerance, k.at as checked_at,
                   array(select distinct (c.at::date)::text from instrument_check c
                         where c.instrument_id = i.id and abs(c.amount - c.should_be) <= c.tolerance
                         order by 1 desc limit 100) as held
            from instrument i
            left join lateral (
                select * from instrument_check where instrument_id = i.id order by at desc, id desc limit 1) k on true
            """;

    private final JdbcClient database;
    private final JsonMapper json;

    InstrumentStore(JdbcClient database, JsonMapper json) {
        this.database = database;
        this.json = json;
    }

    /** Instruments in use, in order of their kinds and names. */
    public List<Instrument> linked() {
        return read(database.sql("select " + LINKED_AS_JSON + "::text")
                .query(String.class)
                .single());
    }

    /** Instruments in use as one JSON text, for statements that ask for more than them; {@link #read} reads it. */
    public static final String LINKED_AS_JSON =
            "(select coalesce(jsonb_agg(to_jsonb(j) order by array_position(array['force', 'scale', 'air', 'surface', 'gloss', 'ph'], j.probe), lower(j.name)), '[]') from ("
                    + INSTRUMENT + " where i.retired_at is null) j)";

    private record Row(
            long id,
            String name,
            String probe,
            String address,
            String pattern,
            String unit,
            String asks,
            @Nullable Double check_value,
            @Nullable Double check_tolerance,
            int revision,
            @Nullable Double amount,
            @Nullable Double should_be,
            @Nullable Double tolerance,
            @Nullable OffsetDateTime checked_at,
            List<String> held) {

        Instrument instrument() {
            return new Instrument(
                    id,
                    name,
                    Probe.ofCode(probe).orElseThrow(),
                    address,
                    stored(pattern),
                    unit,
                    asks,
                    check_value == null || check_tolerance == null
                            ? Optional.empty()
                            : Optional.of(new Instrument.Known(check_value, check_tolerance)),
                    amount == null || should_be == null || tolerance == null || checked_at == null
                            ? Optional.empty()
                            : Optional.of(new Instrument.Checked(
                                    amount, new Instrument.Known(should_be, tolerance), checked_at.toInstant())),
                    held.stream().map(LocalDate::parse).toList(),
                    revision);
        }
    }

    /** Reads what {@link #LINKED_AS_JSON} gave. */
    public List<Instrument> read(String linked) {
        return known.get(
                linked,
                text -> Stream.of(json.readValue(text, Row[].class))
                        .map(Row::instrument)
                        .toList());
    }

    /** The same text is the same instruments. */
    private final Cache<String, List<Instrument>> known =
            Caffeine.newBuilder().maximumSize(50).build();

    /**
     * Loads an instrument in use.
     *
     * @throws Missing if there is none by that number
     */
    Instrument load(long id) {
        return linked().stream()
                .filter(i -> i.id() == id)
                .findFirst()
                .orElseThrow(() -> new Missing("There is no instrument " + id + ". The Kit has them all."));
    }

    private static LinePattern stored(String pattern) {
        try {
            return LinePattern.of(pattern);
        } catch (LinePattern.Unfit e) {
            throw new IllegalStateException("a stored pattern does not read: " + pattern, e);
        }
    }

    /** A link as it is to be kept. */
    public record Draft(
            String name,
            Probe probe,
            String address,
            LinePattern pattern,
            String unit,
            String asks,
            Optional<Instrument.Known> check) {}

    /** Keeps a new link, once by its key; whether its name was free. */
    public boolean keep(Draft draft, UUID key, String by) {
        int kept = params(database.sql("""
                        insert into instrument (name, probe, address, pattern, unit, asks, check_value, check_tolerance,
                                                kept_by, page_key)
                        values (:name, :probe, :address, :pattern, :unit, :asks, :value, :tolerance, :by, :key)
                        on conflict do nothing"""), draft, by).param("key", key).update();
        return kept == 1
                || database.sql("select exists (select 1 from instrument where page_key = :key)")
                        .param("key", key)
                        .query(Boolean.class)
                        .single();
    }

    /** Changes a link that nobody changed meanwhile. */
    boolean change(long id, int revision, Draft draft, String by) {
        return params(database.sql("""
                        update instrument set name = :name, probe = :probe, address = :address, pattern = :pattern,
                               unit = :unit, asks = :asks, check_value = :value, check_tolerance = :tolerance, kept_by = :by,
                               kept_at = now(), revision = revision + 1
                        where id = :id and revision = :revision and retired_at is null
                          and not exists (select 1 from instrument o where lower(o.name) = lower(:name) and o.id <> :id
                                          and o.retired_at is null)"""), draft, by)
                        .param("id", id)
                        .param("revision", revision)
                        .update()
                == 1;
    }

    private static JdbcClient.StatementSpec params(JdbcClient.StatementSpec sql, Draft draft, String by) {
        return sql.param("name", draft.name())
                .param("probe", draft.probe().code())
                .param("address", draft.address())
                .param("pattern", draft.pattern().written())
                .param("unit", draft.unit())
                .param("asks", draft.asks())
                .param("value", draft.check().map(Instrument.Known::shouldBe).orElse(null), Types.NUMERIC)
                .param(
                        "tolerance",
                        draft.check().map(Instrument.Known::tolerance).orElse(null),
                        Types.NUMERIC)
                .param("by", by);
    }

    /** Puts an instrument away; what was taken with it stays. */
    void retire(long id) {
        database.sql("update instrument set retired_at = now() where id = :id and retired_at is null")
                .param("id", id)
                .update();
    }

    /** Brings the address of an instrument up to date. */
    public void moved(String name, String address) {
        database.sql("""
                        update instrument set address = :address, revision = revision + 1
                        where name = :name and address <> :address and retired_at is null""").param("name", name).param("address", address).update();
    }

    void checked(Instrument instrument, double said, UUID key, String by) {
        instrument
                .check()
                .ifPresent(known -> database.sql("""
                        insert into instrument_check (instrument_id, amount, should_be, tolerance, kept_by, page_key)
                        values (:id, :said, :value, :tolerance, :by, :key) on conflict (page_key) do nothing""")
                        .param("id", instrument.id())
                        .param("said", said)
                        .param("value", known.shouldBe())
                        .param("tolerance", known.tolerance())
                        .param("by", by)
                        .param("key", key)
                        .update());
    }

    /** Keeps what an instrument gave. */
    void took(Instrument instrument, Optional<Long> study, Taken taken, String by) {
        database.sql("""
                        insert into take (id, instrument_id, study_id, amount, second, hertz, samples, said, kept_by)
                        values (:id, :instrument, (select s.id from study s where s.id = :study), :amount, :second, :hertz,
                                :samples::real[], :said, :by)""")
                .param("id", taken.id())
                .param("instrument", instrument.id())
                .param("study", study.orElse(null), Types.BIGINT)
                .param("amount", taken.value())
                .param("second", taken.second().orElse(null), Types.NUMERIC)
                .param("hertz", taken.samples().isEmpty() ? null : taken.hertz(), Types.NUMERIC)
                .param(
                        "samples",
                        taken.samples().isEmpty()
                                ? null
                                : taken.samples().stream()
                                        .map(f -> String.valueOf(f.floatValue()))
                                        .collect(java.util.stream.Collectors.joining(",", "{", "}")),
                        Types.VARCHAR)
                .param("said", taken.said())
                .param("by", by)
                .update();
    }
}
