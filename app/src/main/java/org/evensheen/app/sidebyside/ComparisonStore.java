package org.evensheen.app.sidebyside;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Missing;
import org.evensheen.core.layout.Places;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Kind;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.core.study.Section;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Comparisons of an afternoon: made whole or not at all, and what was said of them, which is only ever added to. */
@Component
public class ComparisonStore {
    private final JdbcClient database;
    private final TransactionTemplate transaction;

    private final ProductStore products;
    private final JsonMapper json;

    ComparisonStore(JdbcClient database, TransactionTemplate transaction, ProductStore products, JsonMapper json) {
        this.database = database;
        this.transaction = transaction;
        this.products = products;
        this.json = json;
    }

    /**
     * A contender about to be compared.
     *
     * @param product on the Shelf, if it is there
     * @param way how it is used, if in a way of its own
     */
    public record Entrant(Optional<Long> product, String name, String way) {}

    /** The comparison that a study of weeks grew out of, by what its plan says; empty if it began as a plan. */
    Optional<Long> grownInto(long study) {
        return database.sql("""
                        select c.id from plan p
                        join lateral (select typed from plan_version where plan_id = p.id order by number desc limit 1) v on true
                        join comparison c on c.id::text = v.typed ->> 'grown'
                        where p.study_id = :study
                        """).param("study", study).query(Long.class).optional();
    }

    /** Makes a comparison once by its key, and returns its id. */
    public long make(
            Kind kind,
            Places shape,
            long seed,
            List<Entrant> entrants,
            Set<String> asked,
            String by,
            Instant now,
            UUID key) {
        return transaction.execute(status -> {
            Optional<Long> made = database.sql("""
                            insert into comparison (kind, shape, seed, asked, begun_at, begun_by, page_key)
                            values (:kind, :shape, :seed, :asked, :now, :by, :key)
                            on conflict (page_key) do nothing returning id""")
                    .param("kind", kind.code())
                    .param("shape", Stored.word(shape))
                    .param("seed", seed)
                    .param("asked", asked.toArray(String[]::new))
                    .param("now", Timestamp.from(now))
                    .param("by", by)
                    .param("key", key)
                    .query(Long.class)
                    .optional();
            if (made.isEmpty()) {
                return database.sql("select id from comparison where page_key = :key")
                        .param("key", key)
                        .query(Long.class)
                        .single();
            }
            for (int i = 0; i < entrants.size(); i++) {
                contender(made.get(), i, entrants.get(i));
            }
            places(made.get(), shape.deal(entrants.size(), 1, seed));
            return made.get();
        });
    }

    private void places(long id, List<Section> places) {
        places.forEach(p -> place(id, p));
    }

    /** Adds a place; the schema refuses one that is there already. */
    void place(long id, Section place) {
        database.sql("""
                        insert into comparison_place (comparison_id, code, contender, round, x_mm, y_mm, width_mm, height_mm, by_hand, name)
                        values (:id, :code, :contender, :round, :x, :y, :width, :height, :hand, :name)""")
                .param("id", id)
                .param("code", place.code())
                .param("contender", place.contender())
                .param("round", place.row())
                .param("x", place.xMm())
                .param("y", place.yMm())
                .param("width", place.widthMm())
                .param("height", place.heightMm())
                .param("hand", place.byHand())
                .param("name", place.name())
                .update();
    }

    /** Adds a contender; the schema refuses one that is there already. */
    void contender(long id, int number, Entrant e) {
        database.sql("""
                        insert into comparison_contender (comparison_id, number, product_id, name, way)
                        values (:id, :number, :product, :name, :way)""")
                .param("id", id)
                .param("number", number)
                .param("product", e.product().orElse(null), java.sql.Types.BIGINT)
                .param("name", e.name())
                .param("way", e.way())
                .update();
    }

    /**
     * What a comparison follows from, as one text: how many answers there are and which is the last, where its places lie, and the labels and counters of its products. Its contenders never change.
     */
    private static final String STAND = """
            concat_ws('|',
                (select count(*) || ' ' || coalesce(max(s.id), 0) from comparison_said s where s.comparison_id = c.id),
                (select string_agg(concat_ws(' ', p.code, p.contender, p.round, p.by_hand), ',' order by p.code)
                 from comparison_place p where p.comparison_id = c.id),
                (select string_agg(concat_ws(' ', e.product_id,
                     (select max(l.id) from label l where l.product_id = e.product_id),
                     (select max(k.id) from calibration k where k.product_id = e.product_id)), ',' order by e.number)
                 from comparison_contender e where e.comparison_id = c.id and e.product_id is not null))""";

    private static final String WHOLE = """
            jsonb_build_object(
                'kind', c.kind, 'shape', c.shape, 'seed', c.seed, 'asked', c.asked, 'begun_at', c.begun_at,
                'contenders', (select jsonb_agg(to_jsonb(e) - 'comparison_id' || jsonb_build_object(
                                   'label', (select jsonb_build_object('id', l.id, 'line', l.line) from label l
                                             where l.product_id = e.product_id order by l.number desc limit 1),
                                   'counters', array(select distinct on (k.counter) k.counter || ' ' || k.ml_each from calibration k
                                                     where k.product_id = e.product_id order by k.counter, k.id desc)) order by e.number)
                               from comparison_contender e where e.comparison_id = c.id),
                'places', (select jsonb_agg(to_jsonb(p) - 'comparison_id' order by p.round, p.x_mm, p.code)
                           from comparison_place p where p.comparison_id = c.id),
                'said', (select coalesce(jsonb_agg(to_jsonb(s) - array['id', 'comparison_id', 'kept_at', 'page_key'] order by s.id), '[]')
                         from comparison_said s where s.comparison_id = c.id))::text""";

    private record Known(String stand, Comparison comparison) {}

    private record Row(String stand, Optional<String> whole) {}

    private final Cache<Long, Known> known =
            Caffeine.newBuilder().maximumSize(100).build();

    /** A comparison as it stands; put together anew only if anything of it has changed, here or by another copy of the application. */
    public Comparison load(long id) {
        Optional<Known> before = Optional.ofNullable(known.getIfPresent(id));
        Row row = database.sql("select t.stand, case when t.stand = :known then null else " + WHOLE
                        + " end as whole from comparison c cross join lateral (select " + STAND
                        + " as stand) t where c.id = :id")
                .param("id", id)
                .param("known", before.map(Known::stand).orElse(""))
                .query((r, n) -> new Row(r.getString("stand"), Optional.ofNullable(r.getString("whole"))))
                .optional()
                .orElseThrow(() -> new Missing("There is no comparison %d. The Bench has the latest.".formatted(id)));
        if (row.whole.isEmpty()) {
            return before.orElseThrow().comparison;
        }
        Comparison comparison = read(Map.of(id, row.whole.get())).get(id);
        known.put(id, new Known(row.stand, comparison));
        return comparison;
    }

    /** Comparisons as they stand, by their ids in the order given, in as many statements as one takes. */
    public Map<Long, Comparison> load(List<Long> ids) {
        Map<Long, String> found = database
                .sql("select c.id, " + WHOLE + " as whole from comparison c where c.id = any(:ids)")
                .param("ids", ids.toArray(Long[]::new))
                .query((row, n) -> Map.entry(row.getLong("id"), row.getString("whole")))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        Map<Long, Comparison> read = read(found);
        Map<Long, Comparison> loaded = new LinkedHashMap<>();
        ids.stream().filter(read::containsKey).forEach(id -> loaded.put(id, read.get(id)));
        return loaded;
    }

    private Map<Long, Comparison> read(Map<Long, String> texts) {
        Map<Long, Comparison> read = new LinkedHashMap<>();
        texts.forEach(
                (id, text) -> read.put(id, json.readValue(text, Stored.class).comparison(products::label)));
        return read;
    }

    /** Keeps an answer once by its key; false if that key was kept before. */
    public boolean say(long id, Said said, UUID key) {
        return database.sql("""
                        insert into comparison_said (comparison_id, step, value, said_by, knew, said_at, page_key)
                        values (:id, :step, :value, :by, :knew, :at, :key) on conflict (page_key) do nothing""")
                        .param("id", id)
                        .param("step", said.step())
                        .param("value", said.value())
                        .param("by", said.by())
                        .param("knew", said.knew())
                        .param("at", Timestamp.from(said.at()))
                        .param("key", key)
                        .update()
                > 0;
    }

    /**
     * A look that falls due.
     *
     * @param title what is looked at, with the place
     */
    record Look(long comparison, String step, String title, Instant due) {}

    /** Puts the looks of a comparison that are still to come in the place of those that were. */
    void keepLooks(long id, List<Look> looks) {
        transaction.executeWithoutResult(status -> {
            database.sql("select 1 from comparison where id = :id for update")
                    .param("id", id)
                    .query(Integer.class)
                    .single();
            database.sql("delete from comparison_look where comparison_id = :id")
                    .param("id", id)
                    .update();
            looks.forEach(l -> database.sql("""
                            insert into comparison_look (comparison_id, step, title, due_at) values (:id, :step, :title, :due)""")
                    .param("id", id)
                    .param("step", l.step())
                    .param("title", l.title())
                    .param("due", Timestamp.from(l.due()))
                    .update());
        });
    }

    /** Adds a round; nothing if that round is there already. */
    public void addRound(long id, List<Section> places) {
        transaction.executeWithoutResult(status -> {
            database.sql("select 1 from comparison where id = :id for update")
                    .param("id", id)
                    .query(Integer.class)
                    .single();
            boolean there = database.sql(
                            "select exists (select 1 from comparison_place where comparison_id = :id and round = :round)")
                    .param("id", id)
                    .param("round", places.get(0).row())
                    .query(Boolean.class)
                    .single();
            if (!there) {
                places(id, places);
            }
        });
    }

    /** Moves every contender on by one place, by hand; only while nothing was said. */
    boolean swap(long id, List<Section> places) {
        return Boolean.TRUE.equals(transaction.execute(status -> {
            database.sql("select 1 from comparison where id = :id for update")
                    .param("id", id)
                    .query(Integer.class)
                    .single();
            boolean begun = database.sql("select exists (select 1 from comparison_said where comparison_id = :id)")
                    .param("id", id)
                    .query(Boolean.class)
                    .single();
            if (begun) {
                return false;
            }
            database.sql("delete from comparison_place where comparison_id = :id")
                    .param("id", id)
                    .update();
            places(id, places);
            return true;
        }));
    }
}
