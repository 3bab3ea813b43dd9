package org.evensheen.app.sidebyside;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Missing;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.Surface;
import org.evensheen.core.layout.Places;
import org.evensheen.core.sidebyside.Bottle;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Kind;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Section;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Comparisons of an afternoon: made whole or not at all, and what was said of them, which is only ever added to. */
@Component
public class ComparisonStore {
    private final JdbcClient database;
    private final TransactionTemplate transaction;

    private final ProductStore products;

    ComparisonStore(JdbcClient database, TransactionTemplate transaction, ProductStore products) {
        this.database = database;
        this.transaction = transaction;
        this.products = products;
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

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    static Optional<Places> shape(String word) {
        return Arrays.stream(Places.values()).filter(p -> word(p).equals(word)).findFirst();
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
                    .param("shape", word(shape))
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

    private record Head(long id, Kind kind, Places shape, long seed, Set<String> asked, Instant begun) {}

    private record Entered(Head head, Contender contender, Optional<Long> product) {}

    private record Of<T>(long comparison, T what) {}

    /**
     * What a comparison follows from, told by one statement: how many answers there are and which is the last, where its places lie, and the labels and counters of its products. Its contenders never change.
     */
    private record Stand(long id, String all) {}

    private final Cache<Stand, Comparison> known =
            Caffeine.newBuilder().maximumSize(100).build();

    /** A comparison as it stands; put together anew only if anything of it has changed, here or by another copy of the application. */
    public Comparison load(long id) {
        Stand stand = database.sql("""
                        select concat_ws('|',
                            (select count(*) || ' ' || coalesce(max(s.id), 0) from comparison_said s where s.comparison_id = c.id),
                            (select string_agg(concat_ws(' ', p.code, p.contender, p.round, p.by_hand), ',' order by p.code)
                             from comparison_place p where p.comparison_id = c.id),
                            (select string_agg(concat_ws(' ', e.product_id,
                                 (select max(l.id) from label l where l.product_id = e.product_id),
                                 (select max(k.id) from calibration k where k.product_id = e.product_id)), ',' order by e.number)
                             from comparison_contender e where e.comparison_id = c.id and e.product_id is not null)) as stand
                        from comparison c where c.id = :id""")
                .param("id", id)
                .query((row, n) -> new Stand(id, row.getString("stand")))
                .optional()
                .orElseThrow(() -> missing(id));
        return known.get(
                stand, s -> Optional.ofNullable(load(List.of(id)).get(id)).orElseThrow(() -> missing(id)));
    }

    private static Missing missing(long id) {
        return new Missing("There is no comparison %d. The Bench has the latest.".formatted(id));
    }

    /** Comparisons as they stand, by their ids in the order given, in as many statements as one takes. */
    public Map<Long, Comparison> load(List<Long> ids) {
        Long[] wanted = ids.toArray(Long[]::new);
        Map<Long, List<Entered>> entered = entered(wanted);
        Map<Long, List<Section>> places =
                byComparison(database.sql("select * from comparison_place where comparison_id = any(:ids)")
                        .param("ids", wanted)
                        .query((row, n) -> new Of<>(
                                row.getLong("comparison_id"),
                                new Section(
                                        row.getString("code"),
                                        row.getInt("contender"),
                                        row.getInt("round"),
                                        row.getDouble("x_mm"),
                                        row.getDouble("y_mm"),
                                        row.getDouble("width_mm"),
                                        row.getDouble("height_mm"),
                                        row.getBoolean("by_hand"),
                                        row.getString("name"))))
                        .list());
        Map<Long, List<Said>> said = byComparison(database.sql("""
                        select comparison_id, step, value, said_by, knew, said_at from comparison_said
                        where comparison_id = any(:ids) order by id""")
                .param("ids", wanted)
                .query((row, n) -> new Of<>(
                        row.getLong("comparison_id"),
                        new Said(
                                row.getString("step"),
                                row.getString("value"),
                                row.getString("said_by"),
                                row.getBoolean("knew"),
                                row.getTimestamp("said_at").toInstant())))
                .list());
        Map<Long, Bottle> bottles = products
                .all(entered.values().stream()
                        .flatMap(List::stream)
                        .flatMap(e -> e.product().stream())
                        .collect(Collectors.toSet()))
                .stream()
                .collect(Collectors.toMap(Product::id, ComparisonStore::bottle));
        Map<Long, Comparison> loaded = new LinkedHashMap<>();
        ids.stream()
                .filter(entered::containsKey)
                .forEach(id -> loaded.put(
                        id,
                        comparison(
                                entered.get(id),
                                bottles,
                                places.getOrDefault(id, List.of()),
                                said.getOrDefault(id, List.of()))));
        return loaded;
    }

    private static <T> Map<Long, List<T>> byComparison(List<Of<T>> rows) {
        return rows.stream()
                .collect(Collectors.groupingBy(Of::comparison, Collectors.mapping(Of::what, Collectors.toList())));
    }

    private Map<Long, List<Entered>> entered(Long[] ids) {
        return database
                .sql("""
                        select c.id, c.kind, c.shape, c.seed, c.asked, c.begun_at, e.number, e.name, e.way, e.product_id
                        from comparison c join comparison_contender e on e.comparison_id = c.id
                        where c.id = any(:ids) order by c.id, e.number""")
                .param("ids", ids)
                .query((row, n) -> new Entered(
                        new Head(
                                row.getLong("id"),
                                Kind.ofCode(row.getString("kind")).orElseThrow(),
                                shape(row.getString("shape")).orElseThrow(),
                                row.getLong("seed"),
                                new LinkedHashSet<>(Arrays.asList(
                                        (String[]) row.getArray("asked").getArray())),
                                row.getTimestamp("begun_at").toInstant()),
                        contender(
                                row.getInt("number"),
                                row.getString("name"),
                                row.getString("way"),
                                row.getObject("product_id") != null),
                        Optional.ofNullable(row.getObject("product_id", Long.class))))
                .list()
                .stream()
                .collect(Collectors.groupingBy(e -> e.head().id()));
    }

    private static Comparison comparison(
            List<Entered> entered, Map<Long, Bottle> bottles, List<Section> places, List<Said> said) {
        Head head = entered.get(0).head();
        return new Comparison(
                head.kind(),
                head.shape(),
                head.seed(),
                entered.stream().map(Entered::contender).toList(),
                entered.stream()
                        .map(e -> e.product().map(bottles::get).orElse(Bottle.UNKNOWN))
                        .toList(),
                places,
                head.asked(),
                said,
                head.begun());
    }

    /** What the label says that an afternoon can use; the price by the largest bottle that has one. */
    private static Bottle bottle(Product product) {
        Label label = product.label();
        return new Bottle(
                label.uses().stream().map(Claim.Use::dose).toList(),
                product.calibrations(),
                label.one(Claim.Wait.class).map(Claim.Wait::seconds),
                label.offers().stream()
                        .filter(o -> o.price().isPresent())
                        .max(Comparator.comparingDouble(Claim.Offer::ml))
                        .map(o -> o.price().orElseThrow().over(o.ml())),
                label.offers().stream()
                        .max(Comparator.comparing((Claim.Offer o) -> o.price().isPresent())
                                .thenComparingDouble(Claim.Offer::ml))
                        .map(o -> OptionalDouble.of(o.ml()))
                        .orElse(OptionalDouble.empty()),
                label.one(Claim.NotFor.class)
                        .filter(f -> f.surfaces().contains(Surface.PAINT))
                        .isPresent());
    }

    /** What is on the Shelf is a product, also by a way of its own; what was only typed is told in words. */
    private static Contender contender(int number, String name, String way, boolean product) {
        return product
                ? new Contender(
                        number,
                        name,
                        Role.PRODUCT,
                        Optional.empty(),
                        Source.UNDISCLOSED,
                        way.isEmpty() ? Contender.Kind.PRODUCT : Contender.Kind.METHOD,
                        way)
                : new Contender(
                        number,
                        "",
                        Role.PRODUCT,
                        Optional.empty(),
                        Source.UNDISCLOSED,
                        Contender.Kind.ROUTINE,
                        way.isEmpty() ? name : shortened(name + ", " + way));
    }

    private static String shortened(String text) {
        return text.length() <= Contender.WAY ? text : text.substring(0, Contender.WAY);
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
