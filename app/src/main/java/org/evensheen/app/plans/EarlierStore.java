package org.evensheen.app.plans;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.studies.HouseScatterStore;
import org.evensheen.core.comparing.HouseScatter;
import org.evensheen.core.comparing.Rehearsal.Supposed;
import org.evensheen.core.measure.Measures;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What earlier studies say about products and scatter, as a supposition for a rehearsal. */
@Component
class EarlierStore {
    /** Pull on bare paint that is taken if no study has any, N. */
    static final double BARE = 18;

    private final JdbcClient database;
    private final HouseScatterStore house;

    EarlierStore(JdbcClient database, HouseScatterStore house) {
        this.database = database;
        this.house = house;
    }

    /**
     * What is supposed unless something else is typed.
     *
     * @param bare pull on bare paint, N
     * @param seen by the product's name in small letters, with the study it comes from
     */
    record Earlier(double bare, Optional<HouseScatter> scatter, Optional<Double> repeats, Map<String, Seen> seen) {}

    /** A product as a study saw it. */
    record Seen(Supposed supposed, String question) {}

    private record Mean(String name, long study, String question, String stage, int day, double mean, double bare) {}

    Earlier about(Collection<String> names) {
        List<Mean> means = names.isEmpty() ? List.of() : means(names);
        double bare = means.stream().mapToDouble(Mean::bare).average().orElse(BARE);
        Map<String, Seen> seen = new HashMap<>();
        means.stream()
                .filter(m -> m.stage.equals("fresh") && m.mean < m.bare)
                .forEach(fresh -> means.stream()
                        .filter(m -> m.study == fresh.study && m.name.equals(fresh.name) && m.day > fresh.day)
                        .reduce((a, b) -> b)
                        .ifPresent(later -> seen.putIfAbsent(
                                fresh.name.toLowerCase(Locale.ROOT),
                                new Seen(
                                        Supposed.seen(
                                                bare,
                                                fresh.bare,
                                                fresh.mean,
                                                later.bare,
                                                later.mean,
                                                (later.day - fresh.day) / 7.0),
                                        fresh.question))));
        return new Earlier(bare, house.of(Measures.PULL), repeats(), seen);
    }

    /** Mean pulls of products and of bare on the same days, the youngest study first, days in order. */
    private List<Mean> means(Collection<String> names) {
        return database
                .sql("""
                        with mine as (
                            select c.study_id, c.id, p.name,
                                   row_number() over (partition by p.id order by s.first_day desc, s.id desc) as nth
                            from product p
                            join contender c on c.product_id = p.id
                            join study s on s.id = c.study_id
                            where lower(p.name) in (:names) and s.key_opened_at is not null
                              and exists (select 1 from reading r where r.study_id = s.id and r.measure = 'pull')
                              and not exists (select 1 from contender_layer k where k.contender_id = c.id)),
                        late as (select * from mine where nth <= 3)
                        select l.name, s.id as study, s.question, r.stage, r.day, avg(r.amount) as mean,
                               (select avg(b.amount) from reading b
                                join section t on t.id = b.section_id join contender c on c.id = t.contender_id
                                where b.study_id = s.id and c.role = 'bare' and b.measure = 'pull' and b.day = r.day
                                  and b.stage = r.stage and b.struck_at is null) as bare
                        from late l
                        join study s on s.id = l.study_id
                        join section t on t.contender_id = l.id
                        join reading r on r.section_id = t.id and r.study_id = s.id and r.measure = 'pull'
                            and r.stage in ('fresh', 'rewetted') and r.struck_at is null
                        group by l.name, l.nth, s.id, r.stage, r.day
                        order by l.name, l.nth, r.day""")
                .param(
                        "names",
                        names.stream().map(n -> n.toLowerCase(Locale.ROOT)).toList())
                .query((row, n) -> new Mean(
                        row.getString("name"),
                        row.getLong("study"),
                        row.getString("question"),
                        row.getString("stage"),
                        row.getInt("day"),
                        row.getDouble("mean"),
                        row.getDouble("bare")))
                .list()
                .stream()
                .filter(m -> m.bare > 0)
                .toList();
    }

    /** Scatter of repeated pulls on one section, pooled over the five youngest studies, N. */
    private Optional<Double> repeats() {
        return database.sql("""
                        select sqrt(sum(v * (n - 1)) / nullif(sum(n - 1), 0))
                        from (select var_samp(amount) as v, count(*) as n from reading
                              where measure = 'pull' and struck_at is null
                                and study_id in (
                                  select s.id from study s
                                  where exists (select 1 from reading r where r.study_id = s.id and r.measure = 'pull')
                                  order by s.first_day desc, s.id desc limit 5)
                              group by section_id, day, stage having count(*) > 1) pooled""")
                .query((row, n) -> Optional.ofNullable(row.getBigDecimal(1)).map(Number::doubleValue))
                .single();
    }
}
