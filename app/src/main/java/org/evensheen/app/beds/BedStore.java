package org.evensheen.app.beds;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.beds.Bed.Hardness;
import org.evensheen.app.beds.Bed.Kind;
import org.evensheen.app.beds.Bed.Traits;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Missing;
import org.evensheen.core.label.Claim;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.BedShape.Trim;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.layout.Zone;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps beds with their trims and zones. */
@Component
public class BedStore {
    /** A bed with its trims and zones as arrays of texts; {@code b} is the bed. */
    public static final String COLUMNS = columnsUnless("false");

    /** The same, without trims and zones where a condition holds: whoever asks knows them. */
    public static String columnsUnless(String known) {
        return """
                b.id as bed_id, b.name, b.vehicle, b.kind as bed_kind, b.width_mm, b.height_mm, b.outline, b.tilt_deg, b.colour,
                b.hardness, b.carries, b.lives,
                case when %1$s then null else
                    array(select t.label || E'\\n' || t.outline from bed_trim t where t.bed_id = b.id order by t.label) end as trims,
                case when %1$s then null else
                    array(select concat_ws(E'\\n', z.kind, z.label, z.x_mm, z.y_mm, z.width_mm, z.height_mm)
                          from bed_zone z where z.bed_id = b.id order by z.label) end as zones
                """.formatted(known);
    }

    private final JdbcClient database;
    private final ProductStore products;
    private final TransactionTemplate transaction;

    BedStore(JdbcClient database, ProductStore products, TransactionTemplate transaction) {
        this.database = database;
        this.products = products;
        this.transaction = transaction;
    }

    /** Every bed, by vehicle and name; at most {@code most}. */
    public List<Bed> all(int most) {
        return all(most, 0);
    }

    /** The same with a certain bed, 0 for none, before all others; so it is among them however many there are. */
    public List<Bed> all(int most, long first) {
        return database.sql(
                        "select " + COLUMNS
                                + " from bed b where b.kind <> 'places' order by b.id <> :first, lower(b.vehicle) = '', lower(b.vehicle), b.id limit :most")
                .param("first", first)
                .param("most", most)
                .query((row, n) -> bed(row))
                .list();
    }

    /**
     * Loads a bed.
     *
     * @throws Missing if there is none by that number
     */
    public Bed load(long id) {
        return find(id).orElseThrow(() -> new Missing("There is no bed " + id + ". The list of beds has them all."));
    }

    public Optional<Bed> find(long id) {
        return database.sql("select " + COLUMNS + " from bed b where b.id = :id")
                .param("id", id)
                .query((row, n) -> bed(row))
                .optional();
    }

    /** A shape as it is stored; what is read of it can't change. */
    private record Drawn(
            @Nullable String outline, double width, double height, List<String> trims, List<String> zones) {}

    private static final Cache<Drawn, BedShape> SHAPES =
            Caffeine.newBuilder().maximumSize(300).build();

    private static BedShape shape(Drawn drawn) {
        List<Trim> trims = new ArrayList<>();
        for (String text : drawn.trims) {
            String[] parts = text.split("\n");
            trims.add(new Trim(parts[0], Outline.parse(parts[1])));
        }
        List<Zone> zones = new ArrayList<>();
        for (String text : drawn.zones) {
            String[] parts = text.split("\n");
            zones.add(new Zone(
                    Zone.Kind.ofCode(parts[0]).orElseThrow(),
                    parts[1],
                    Double.parseDouble(parts[2]),
                    Double.parseDouble(parts[3]),
                    Double.parseDouble(parts[4]),
                    Double.parseDouble(parts[5])));
        }
        return new BedShape(
                drawn.outline == null
                        ? Outline.rectangle(0, 0, drawn.width, drawn.height)
                        : Outline.parse(drawn.outline),
                trims,
                zones);
    }

    /** The bed of a row that has {@link #COLUMNS}. */
    public static Bed bed(ResultSet row) throws SQLException {
        return new Bed(
                row.getLong("bed_id"),
                row.getString("name"),
                row.getString("vehicle"),
                Kind.ofCode(row.getString("bed_kind")).orElseThrow(),
                SHAPES.get(
                        new Drawn(
                                row.getString("outline"),
                                row.getDouble("width_mm"),
                                row.getDouble("height_mm"),
                                List.of((String[]) row.getArray("trims").getArray()),
                                List.of((String[]) row.getArray("zones").getArray())),
                        BedStore::shape),
                new Traits(
                        row.getDouble("tilt_deg"),
                        row.getString("colour"),
                        Hardness.ofCode(row.getString("hardness")).orElseThrow(),
                        row.getString("carries"),
                        row.getString("lives")));
    }

    /** Sections of the studies on a bed since it was last stripped, the youngest first, at most 600. */
    public List<PlaceInUse> inUse(long bed) {
        return database.sql("""
                        select s.id as study, s.question, s.first_day, t.code, t.x_mm, t.y_mm, t.width_mm, t.height_mm,
                               case when s.key_opened_at is null and p.id is not null then 'a product under a closed key' else p.name end as name,
                               (select max(v.day) from planned_visit v where v.study_id = s.id) as last_day,
                               case when s.key_opened_at is not null then l.id end as label_id,
                               case when s.key_opened_at is not null then l.line end as line
                        from study s
                        join section t on t.study_id = s.id
                        join contender c on c.id = t.contender_id
                        left join product p on p.id = c.product_id
                        left join lateral (
                            select id, line from label where product_id = p.id order by number desc limit 1) l on true
                        where s.bed_id = :bed and s.first_day >= coalesce(
                            (select max(stripped_on) from bed_strip b where b.bed_id = s.bed_id), '-infinity'::date)
                        order by s.first_day desc, s.id, t.code limit 600""")
                .param("bed", bed)
                .query((row, n) -> new PlaceInUse(
                        row.getLong("study"),
                        row.getString("question"),
                        row.getString("code"),
                        Optional.ofNullable(row.getString("name")),
                        row.getDouble("x_mm"),
                        row.getDouble("y_mm"),
                        row.getDouble("width_mm"),
                        row.getDouble("height_mm"),
                        row.getObject("first_day", LocalDate.class),
                        row.getObject("first_day", LocalDate.class).plusDays(row.getInt("last_day")),
                        row.getString("line") == null
                                ? Optional.empty()
                                : products.label(row.getLong("label_id"), row.getString("line"))
                                        .one(Claim.Lasts.class)
                                        .map(l -> l.weeks().high())))
                .list();
    }

    /** Keeps a new bed, once by its key, and returns its id. */
    public long keep(Bed bed, UUID key) {
        return transaction.execute(status -> {
            Optional<Long> id = database.sql("""
                            insert into bed (name, vehicle, kind, width_mm, height_mm, outline, tilt_deg, colour, hardness,
                                             carries, lives, page_key)
                            values (:name, :vehicle, :kind, :width, :height, :outline, :tilt, :colour, :hardness, :carries,
                                    :lives, :key)
                            on conflict (page_key) do nothing returning id""")
                    .params(columns(bed))
                    .param("key", key)
                    .query(Long.class)
                    .optional();
            if (id.isEmpty()) {
                return database.sql("select id from bed where page_key = :key")
                        .param("key", key)
                        .query(Long.class)
                        .single();
            }
            parts(id.get(), bed);
            return id.get();
        });
    }

    /** Keeps a bed as it is now, in place of what it was. */
    public void change(Bed bed) {
        transaction.executeWithoutResult(status -> {
            database.sql("""
                            update bed set name = :name, vehicle = :vehicle, kind = :kind, width_mm = :width,
                                height_mm = :height, outline = :outline, tilt_deg = :tilt, colour = :colour,
                                hardness = :hardness, carries = :carries, lives = :lives
                            where id = :id""").params(columns(bed)).param("id", bed.id()).update();
            database.sql("delete from bed_trim where bed_id = :id")
                    .param("id", bed.id())
                    .update();
            database.sql("delete from bed_zone where bed_id = :id")
                    .param("id", bed.id())
                    .update();
            parts(bed.id(), bed);
            // What is remembered of its studies is keyed by their revisions.
            database.sql("update study set revision = revision + 1 where bed_id = :id")
                    .param("id", bed.id())
                    .update();
        });
    }

    private static java.util.Map<String, Object> columns(Bed bed) {
        return new java.util.HashMap<>(java.util.Map.ofEntries(
                java.util.Map.entry("name", bed.name()),
                java.util.Map.entry("vehicle", bed.vehicle()),
                java.util.Map.entry("kind", bed.kind().code()),
                java.util.Map.entry("width", bed.widthMm()),
                java.util.Map.entry("height", bed.heightMm()),
                java.util.Map.entry("outline", bed.shape().outline().print()),
                java.util.Map.entry("tilt", bed.traits().tiltDegrees()),
                java.util.Map.entry("colour", bed.traits().colour()),
                java.util.Map.entry("hardness", bed.traits().hardness().code()),
                java.util.Map.entry("carries", bed.traits().carries()),
                java.util.Map.entry("lives", bed.traits().lives())));
    }

    private void parts(long id, Bed bed) {
        for (Trim trim : bed.shape().trims()) {
            database.sql("insert into bed_trim (bed_id, label, outline) values (:bed, :label, :outline)")
                    .param("bed", id)
                    .param("label", trim.label())
                    .param("outline", trim.outline().print())
                    .update();
        }
        for (Zone zone : bed.shape().zones()) {
            database.sql("""
                            insert into bed_zone (bed_id, kind, label, x_mm, y_mm, width_mm, height_mm)
                            values (:bed, :kind, :label, :x, :y, :width, :height)""")
                    .param("bed", id)
                    .param("kind", zone.kind().code())
                    .param("label", zone.label())
                    .param("x", zone.xMm())
                    .param("y", zone.yMm())
                    .param("width", zone.widthMm())
                    .param("height", zone.heightMm())
                    .update();
        }
    }

    /** Notes that everything was stripped off a bed on a day. */
    public void strip(long bed, LocalDate day, UUID key, String by) {
        database.sql("""
                        insert into bed_strip (bed_id, stripped_on, kept_by, page_key) values (:bed, :day, :by, :key)
                        on conflict (page_key) do nothing""")
                .param("bed", bed)
                .param("day", day)
                .param("by", by)
                .param("key", key)
                .update();
    }
}
