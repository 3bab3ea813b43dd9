package org.evensheen.app.league;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.measure.Quality;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** What studies and afternoons add to the league; of studies whose key is open only, as it holds names. */
@Component
class FindingStore {
    /** So many findings of one quality enter a table, the latest first. */
    static final int MOST = 4000;

    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    FindingStore(JdbcClient database, TransactionTemplate transaction, JsonMapper json) {
        this.database = database;
        this.transaction = transaction;
        this.json = json;
    }

    /** What found it; the words are columns, and nothing that anybody typed. */
    record Source(String table, long id) {
        static Source study(long id) {
            return new Source("study", id);
        }

        static Source comparison(long id) {
            return new Source("comparison", id);
        }

        private String column() {
            return table + "_id";
        }

        /** Where it tells what it found. */
        String address() {
            return table.equals("study") ? "/studies/%d/answer".formatted(id) : "/compare/%d/sheet".formatted(id);
        }

        @Override
        public String toString() {
            return table + " " + id;
        }
    }

    /**
     * What stands behind a finding.
     *
     * @param paint how easily the paint takes marks; empty if that is not known
     * @param told {@code times} for logarithms, {@code share} for shares of bare, else in the unit of the score
     * @param means more being better, in a unit that all findings of its likeness share
     */
    record Document(
            String question,
            String bed,
            String paint,
            String told,
            List<String> products,
            List<Double> means,
            List<List<Double>> covariance) {}

    /** A finding of one quality. */
    record Finding(Quality quality, String alike, Document document) {}

    /** A finding as it stands in the table. */
    record Kept(Source source, String alike, String footing, LocalDate on, Document document) {}

    /**
     * What a study or a comparison came to.
     *
     * @param revision its state: revision of a study, answers and places of a comparison
     */
    record Answered(Source source, long revision, String sentence, String footing, LocalDate on) {}

    /** Studies that have moved on since they were gone through, the latest first. */
    List<Long> stale(int method, int most) {
        return database.sql("""
                        select s.id from study s left join finding_source f on f.study_id = s.id
                        where s.key_opened_at is not null
                          and (f.study_id is null or f.revision <> s.revision or f.method <> :method)
                        order by s.id desc limit :most""")
                .param("method", method)
                .param("most", most)
                .query(Long.class)
                .list();
    }

    /** A comparison that has moved on, with its state. */
    record Moved(long id, long revision) {}

    /** Comparisons that have moved on since they were gone through, the latest first. */
    List<Moved> moved(int method, int most) {
        return database.sql("""
                        select c.id, n.answers + n.places as revision
                        from comparison c
                        cross join lateral (
                            select (select count(*) from comparison_said a where a.comparison_id = c.id) as answers,
                                   (select count(*) from comparison_place p where p.comparison_id = c.id) as places) n
                        left join finding_source f on f.comparison_id = c.id
                        where f.comparison_id is null or f.revision <> n.answers + n.places or f.method <> :method
                        order by c.id desc limit :most""")
                .param("method", method)
                .param("most", most)
                .query(Moved.class)
                .list();
    }

    /** Puts what a study adds in the place of what it added before. */
    void keep(Answered answered, int method, List<Finding> findings) {
        transaction.executeWithoutResult(status -> {
            String column = answered.source().column();
            database.sql("""
                            insert into finding_source (%1$s, revision, method, sentence, footing)
                            values (:source, :revision, :method, :sentence, :footing)
                            on conflict (%1$s) do update set revision = excluded.revision, method = excluded.method,
                                sentence = excluded.sentence, footing = excluded.footing""".formatted(column))
                    .param("source", answered.source().id())
                    .param("revision", answered.revision())
                    .param("method", method)
                    .param("sentence", answered.sentence())
                    .param("footing", answered.footing())
                    .update();
            database.sql("delete from finding where " + column + " = :source")
                    .param("source", answered.source().id())
                    .update();
            findings.forEach(f -> database.sql("""
                            insert into finding (%1$s, revision, quality, alike, method, footing, found_on, document)
                            values (:source, :revision, :quality, :alike, :method, :footing, :on, :document::jsonb)""".formatted(column))
                    .param("source", answered.source().id())
                    .param("revision", answered.revision())
                    .param("quality", f.quality().code())
                    .param("alike", f.alike())
                    .param("method", method)
                    .param("footing", answered.footing())
                    .param("on", answered.on())
                    .param("document", json.writeValueAsString(f.document()))
                    .update());
        });
    }

    /** All that was found on a quality by the method in use, the latest first. */
    List<Kept> on(Quality quality, int method) {
        return database.sql("""
                        select study_id, comparison_id, alike, footing, found_on, document::text from finding
                        where quality = :quality and method = :method order by found_on desc, id desc limit :most""")
                .param("quality", quality.code())
                .param("method", method)
                .param("most", MOST)
                .query((row, n) -> kept(row))
                .list();
    }

    private Kept kept(ResultSet row) throws SQLException {
        return new Kept(
                row.getObject("study_id") == null
                        ? Source.comparison(row.getLong("comparison_id"))
                        : Source.study(row.getLong("study_id")),
                row.getString("alike"),
                row.getString("footing"),
                row.getObject("found_on", LocalDate.class),
                json.readValue(row.getString("document"), Document.class));
    }

    /** A finding with its quality. */
    record Of(Quality quality, Kept kept) {}

    /** All that was found in tables that a product is in, the latest first. */
    List<Of> around(String product, int method) {
        return database.sql("""
                        select quality, study_id, comparison_id, alike, footing, found_on, document::text from finding
                        where method = :method and (quality, alike) in (
                            select quality, alike from finding
                            where method = :method and jsonb_exists(document -> 'products', :product))
                        order by found_on desc, id desc limit :most""")
                .param("method", method)
                .param("product", product)
                .param("most", MOST)
                .query((row, n) ->
                        new Of(Quality.ofCode(row.getString("quality")).orElseThrow(), kept(row)))
                .list();
    }

    /** A product on the Shelf. */
    record Shelved(long id, String name, String kind, String line) {}

    /** Products of the Shelf by name. */
    List<Shelved> shelved(List<String> names) {
        return names.isEmpty()
                ? List.of()
                : database.sql("""
                                select p.id, p.name, p.kind, coalesce(l.line, '') as line
                                from product p left join lateral (
                                    select line from label where product_id = p.id order by number desc limit 1) l on true
                                where lower(p.name) = any(:names)""")
                        .param(
                                "names",
                                names.stream()
                                        .map(n -> n.toLowerCase(java.util.Locale.ROOT))
                                        .toArray(String[]::new))
                        .query(Shelved.class)
                        .list();
    }

    Optional<String> named(long product) {
        return database.sql("select name from product where id = :id")
                .param("id", product)
                .query(String.class)
                .optional();
    }

    /** Qualities of which something was found, with how many findings by the method in use, and how many that wait to be worked out by it. */
    record Count(String quality, long findings, long old) {}

    List<Count> counts(int method) {
        return database.sql("""
                        select quality, count(*) filter (where method = :method) as findings,
                               count(*) filter (where method <> :method) as old
                        from finding group by quality order by quality""").param("method", method).query(Count.class).list();
    }

    /** A study with what it came to; without a sentence while its key is closed, or it was not gone through yet. */
    record Row(
            long id,
            String question,
            String bed,
            LocalDate firstDay,
            String sentence,
            String footing,
            boolean closed) {}

    /** A page of all studies, the youngest first. */
    List<Row> studies(int page, int size) {
        return database.sql("""
                        select s.id, s.question, b.name as bed, s.first_day, coalesce(f.sentence, '') as sentence,
                               coalesce(f.footing, '') as footing, s.key_opened_at is null as closed
                        from study s join bed b on b.id = s.bed_id left join finding_source f on f.study_id = s.id
                        order by s.first_day desc, s.id desc limit :size offset :skipped""")
                .param("size", size)
                .param("skipped", page * size)
                .query(Row.class)
                .list();
    }
}
