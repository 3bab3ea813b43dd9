package org.evensheen.app.studies;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.BedStore;
import org.evensheen.app.kit.Instrument;
import org.evensheen.app.kit.InstrumentStore;
import org.evensheen.app.labels.Layers;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Missing;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Deviation;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.StudyRecord;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Loads studies whole. A study that has not changed since it was last loaded costs one statement: its revision in the
 * database says so, and any change by any copy of the application raises it.
 */
@Component
public class StudyStore {
    private final JdbcClient database;
    private final ProductStore products;
    private final Layers layers;
    private final InstrumentStore instruments;
    private final JsonMapper json;
    private final Cache<Long, Loaded> loaded =
            Caffeine.newBuilder().maximumSize(40).build();

    /** What a loaded study rests on, as the database counts its changes. */
    private record Stamp(long revision, Optional<Study.Opened> keyOpened, long kit) {}

    private record Loaded(Study study, Stamp stamp) {}

    StudyStore(
            JdbcClient database, ProductStore products, Layers layers, InstrumentStore instruments, JsonMapper json) {
        this.json = json;
        this.database = database;
        this.products = products;
        this.layers = layers;
        this.instruments = instruments;
    }

    /**
     * Loads a study.
     *
     * @throws Missing if there is none by that number
     */
    public Study load(long id) {
        Optional<Loaded> known = Optional.ofNullable(loaded.getIfPresent(id));
        Head head = head(id, known);
        if (known.isPresent() && known.get().stamp.equals(head.stamp)) {
            return known.get().study;
        }
        Study fresh = loadBehind(head.laid.isPresent() ? head : head(id, Optional.empty()));
        loaded.put(id, new Loaded(fresh, head.stamp));
        return fresh;
    }

    private record Head(
            long id,
            String question,
            Bed bed,
            LocalDate firstDay,
            long seed,
            Course course,
            Stamp stamp,
            List<Instrument> instruments,
            Optional<String> laid) {}

    /** The head of a study; what is large in it is asked for only if it is not what is known already. */
    private Head head(long id, Optional<Loaded> known) {
        return database.sql("""
                        select s.id, s.question, s.first_day, s.seed, s.course, s.revision, s.key_opened_at, s.key_opened_by,
                               k.revision as kit_revision,
                               case when k.revision = :kit then null else\s""" + InstrumentStore.LINKED_AS_JSON
                        + "::text end as linked, case when s.revision = :revision and k.revision = :kit then null else "
                        + LAID + "::text end as laid, " + BedStore.columnsUnless("s.revision = :revision")
                        + " from study s join bed b on b.id = s.bed_id cross join kit_revision k where s.id = :id")
                .param("id", id)
                .param("revision", known.map(k -> k.stamp.revision).orElse(-1L))
                .param("kit", known.map(k -> k.stamp.kit).orElse(-1L))
                .query((row, n) -> {
                    Stamp stamp = stamp(row);
                    Optional<Loaded> atThatRevision = known.filter(k -> k.stamp.revision == stamp.revision);
                    Optional<Loaded> withThatKit = known.filter(k -> k.stamp.kit == stamp.kit);
                    return new Head(
                            row.getLong("id"),
                            row.getString("question"),
                            atThatRevision.isPresent()
                                    ? atThatRevision.get().study.bed()
                                    : BedStore.bed(row),
                            row.getObject("first_day", LocalDate.class),
                            row.getLong("seed"),
                            Course.ofCode(row.getString("course")).orElseThrow(),
                            stamp,
                            withThatKit.isPresent()
                                    ? withThatKit.get().study.instruments()
                                    : instruments.read(row.getString("linked")),
                            Optional.ofNullable(row.getString("laid")));
                })
                .optional()
                .orElseThrow(() -> new Missing("There is no study " + id + ". The list of studies has them all."));
    }

    private static Stamp stamp(ResultSet row) throws SQLException {
        return new Stamp(
                row.getLong("revision"),
                Optional.ofNullable(row.getTimestamp("key_opened_at"))
                        .map(at -> new Study.Opened(at.toInstant(), text(row, "key_opened_by"))),
                row.getLong("kit_revision"));
    }

    private Study loadBehind(Head head) {
        TreeMap<Integer, Contender> contenders = new TreeMap<>();
        TreeMap<Integer, Entrant> entrants = new TreeMap<>();
        List<Section> sections = sections(head.laid.orElseThrow(), contenders, entrants);
        Marks marks = marks(head);
        List<KeptReading> readings = readings(head.id);
        StudyRecord record = new StudyRecord(
                head.seed,
                List.copyOf(contenders.values()),
                sections,
                new Plan(marks.measures, marks.visits, head.course),
                marks.happenings,
                marks.applications,
                marks.deviations,
                readings.stream()
                        .filter(KeptReading::stands)
                        .map(KeptReading::reading)
                        .toList());
        return Study.of(
                head.id,
                head.question,
                head.bed,
                head.firstDay,
                head.stamp.keyOpened,
                head.stamp.revision,
                readings,
                head.instruments,
                marks.seen,
                new Behind(record, List.copyOf(entrants.values()), marks.works));
    }

    /** Contenders and their places as one JSON text; {@link Laid} reads it. */
    private static final String LAID = """
            (with made as materialized (
                select c.id as contender,
                       string_agg(q.name, ' over ' order by q.layer) as name,
                       jsonb_agg(jsonb_build_object(
                           'name', q.name, 'label', l.id, 'line', l.line,
                           'strip', (select s.ph from ph_strip s where s.product_id = q.id order by s.id desc limit 1),
                           'calibrations', (
                               select coalesce(jsonb_object_agg(k.counter, k.ml_each), '{}') from (
                                   select distinct on (counter) counter, ml_each from calibration
                                   where product_id = q.id order by counter, id desc) k))
                           order by q.layer desc)::text as layers
                from contender c
                cross join lateral (
                    select p.id, p.name, 0 as layer from product p where p.id = c.product_id
                    union all
                    select p.id, p.name, k.layer from contender_layer k join product p on p.id = k.product_id
                    where k.contender_id = c.id) q
                left join lateral (
                    select id, line from label where product_id = q.id order by number desc limit 1) l on true
                where c.study_id = s.id group by c.id)
             select coalesce(jsonb_agg(jsonb_build_object(
                        'number', c.number, 'role', c.role, 'water', c.water_kind, 'source', c.source, 'kind', c.kind,
                        'way', c.way, 'name', m.name, 'layers', m.layers, 'code', x.code, 'block', x.block, 'x', x.x_mm, 'y', x.y_mm,
                        'width', x.width_mm, 'height', x.height_mm, 'hand', x.by_hand, 'place', x.name) order by x.id), '[]')
             from section x
             join contender c on c.id = x.contender_id and c.study_id = s.id
             left join made m on m.contender = c.id
             where x.study_id = s.id)""";

    private List<Section> sections(
            String laid, TreeMap<Integer, Contender> contenders, TreeMap<Integer, Entrant> entrants) {
        List<Laid> all = List.of(json.readValue(laid, Laid[].class));
        for (Laid l : all) {
            if (!contenders.containsKey(l.number())) {
                contenders.put(l.number(), l.contender());
                entrants.put(l.number(), new Entrant(l.contender(), layers.read(l.layers())));
            }
        }
        return all.stream().map(Laid::section).toList();
    }

    private record Marks(
            List<Plan.Planned> measures,
            List<Occasion> visits,
            List<Happening> happenings,
            List<Application> applications,
            List<Deviation> deviations,
            List<Work> works,
            List<Seen> seen) {}

    /** Everything small that belongs to a study, in one statement. */
    private Marks marks(Head head) {
        Marks marks = new Marks(
                new ArrayList<>(),
                new ArrayList<>(),
                new ArrayList<>(),
                new ArrayList<>(),
                new ArrayList<>(),
                new ArrayList<>(),
                new ArrayList<>());
        database.sql("""
                        select 'measure' as what, measure as code, repeats as n, position as place,
                               '' as label, null::numeric as x, null::numeric as y,
                               null::numeric as w, null::numeric as h, '' as line, null::text[] as calibrations,
                               '' as section, '' as given, null::timestamptz as at
                        from planned_measure where study_id = :study
                        union all
                        select 'visit', stage, day, 0, '', null, null, null, null, '', null, '', '', null
                        from planned_visit where study_id = :study
                        union all
                        select 'happening', kind, day, step, note, minute, null, null, id, '', null, '', '', null
                        from happening where study_id = :study and undone_at is null
                        union all
                        select 'application', coalesce(a.dose, ''), a.day, c.number, a.job, a.wait_seconds, a.coats, a.label_id,
                               a.id, l.line,
                               array(select distinct on (k.counter) k.counter || ' ' || k.ml_each from calibration k
                                     where k.product_id = coalesce(l.product_id, c.product_id) and k.kept_at <= a.kept_at
                                     order by k.counter, k.id desc),
                               coalesce(s.code, ''), a.given, null
                        from application a
                        join contender c on c.id = a.contender_id
                        left join label l on l.id = a.label_id
                        left join section s on s.id = a.section_id
                        where a.study_id = :study and a.undone_at is null
                        union all
                        select 'deviation', d.kind, d.day, 0, d.words, null, null, null, null, '', null, coalesce(s.code, ''), '', null
                        from deviation d left join section s on s.id = d.section_id
                        where d.study_id = :study and d.undone_at is null
                        union all
                        select 'work', kind, day, position, title, null, null, null, null, why, null, '', '', null
                        from planned_work where study_id = :study
                        union all
                        select 'seen', why, day, 0, seen_by, null, null, null, null, array_to_string(sections, ' '), null, '', '', seen_at
                        from names_seen where study_id = :study
                        order by what, place, n, h""").param("study", head.id).query(row -> {
            String code = row.getString("code");
            int n = row.getInt("n");
            switch (row.getString("what")) {
                case "measure" ->
                    marks.measures.add(new Plan.Planned(Measures.ofCode(code).orElseThrow(), n));
                case "visit" ->
                    marks.visits.add(new Occasion(n, Look.ofCode(code).orElseThrow()));
                case "happening" ->
                    marks.happenings.add(new Happening(
                            n,
                            row.getInt("place"),
                            Optional.ofNullable(row.getBigDecimal("x")).map(Number::intValue),
                            Happening.Kind.ofCode(code).orElseThrow(),
                            row.getString("label")));
                case "deviation" ->
                    marks.deviations.add(new Deviation(
                            n,
                            Deviation.Kind.ofCode(code).orElseThrow(),
                            named(row, "section"),
                            row.getString("label")));
                case "work" ->
                    marks.works.add(new Work(
                            "",
                            n,
                            Calendar.Kind.valueOf(code.toUpperCase(Locale.ROOT)),
                            row.getString("label"),
                            row.getString("line"),
                            false));
                case "seen" ->
                    marks.seen.add(new Seen(
                            n,
                            Seen.Why.ofCode(code).orElseThrow(),
                            Set.of(row.getString("line").split(" ")),
                            row.getTimestamp("at").toInstant(),
                            row.getString("label")));
                default -> marks.applications.add(application(row));
            }
        });
        return marks;
    }

    private static Optional<String> named(ResultSet row, String column) throws SQLException {
        return Optional.of(row.getString(column)).filter(text -> !text.isEmpty());
    }

    private Application application(ResultSet row) throws SQLException {
        long label = row.getLong("w");
        boolean labelled = !row.wasNull();
        return new Application(
                row.getLong("h"),
                row.getInt("place"),
                row.getInt("n"),
                row.getString("label"),
                LabelLine.readDose(row.getString("code")).dose(),
                Optional.ofNullable(row.getBigDecimal("x")).map(Number::doubleValue),
                Optional.ofNullable(row.getBigDecimal("y")).map(Number::intValue),
                named(row, "section"),
                row.getString("given"),
                labelled ? Optional.of(products.label(label, row.getString("line"))) : Optional.empty(),
                ProductStore.calibrations(row.getArray("calibrations")));
    }

    private List<KeptReading> readings(long study) {
        return database.sql("""
                        select r.id, s.code, r.day, r.stage, r.measure, r.repeat, r.seen,
                               r.kept_at, r.kept_by, r.replaces, r.struck_at, r.struck_by, r.struck_because
                        from reading r join section s on s.id = r.section_id
                        where r.study_id = :study
                        order by r.id""")
                .param("study", study)
                .query((row, n) -> new KeptReading(
                        row.getLong("id"),
                        new Reading(
                                row.getString("code"),
                                new Occasion(
                                        row.getInt("day"),
                                        Look.ofCode(row.getString("stage")).orElseThrow()),
                                row.getInt("repeat"),
                                observation(row)),
                        row.getTimestamp("kept_at").toInstant(),
                        row.getString("kept_by"),
                        Optional.ofNullable(row.getObject("replaces", Long.class)),
                        Optional.ofNullable(row.getTimestamp("struck_at"))
                                .map(at -> new KeptReading.Strike(
                                        at.toInstant(), text(row, "struck_by"), text(row, "struck_because")))))
                .list();
    }

    private static String text(ResultSet row, String column) {
        try {
            return row.getString(column);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Observation observation(ResultSet row) throws SQLException {
        Measure measure = Measures.ofCode(row.getString("measure")).orElseThrow();
        return Observation.read(measure, row.getString("seen"));
    }
}
