package org.evensheen.app.studies;

import java.sql.Date;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.evensheen.core.comparing.BlockModel;
import org.evensheen.core.comparing.HouseScatter;
import org.evensheen.core.comparing.HouseScatter.Lender;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Occasion;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Scatter between sections from earlier replicated studies, for a study that can't estimate its own. It is pooled over
 * the latest visits of the five youngest studies that began before it and have two sections of a product, and only readings that
 * were known when the judged ones were kept count: what comes in later changes no earlier verdict. Only measures that
 * {@linkplain Measure#lendsScatter() lend} have any; their score is the number that was typed.
 */
@Component
public class HouseScatterStore {
    private final JdbcClient database;

    HouseScatterStore(JdbcClient database) {
        this.database = database;
    }

    /** What was known at a moment: studies that began before a day, or that day with a lower number, as read by a date and kept by an instant. */
    private record Known(LocalDate began, long study, LocalDate read, Instant kept) {}

    /** The scatter that a verdict on an occasion may borrow; none if the study has scatter of its own, or nothing is judged yet. */
    Optional<HouseScatter> borrowedFor(Study study, Measure measure, Optional<Occasion> at) {
        if (!measure.lendsScatter() || at.isEmpty() || !needs(study)) {
            return Optional.empty();
        }
        Instant kept = study.readings().stream()
                .filter(KeptReading::stands)
                .filter(k -> k.occasion().equals(at.get()) && k.reading().measure() == measure)
                .map(KeptReading::keptAt)
                .max(Instant::compareTo)
                .orElseGet(Instant::now);
        return of(
                measure,
                new Known(
                        study.firstDay(),
                        study.id(),
                        study.firstDay().plusDays(at.get().day()),
                        kept));
    }

    /** Scatter from section to section, from all that is known today. */
    public Optional<HouseScatter> of(Measure measure) {
        LocalDate farthest = LocalDate.of(9999, 1, 1);
        return of(measure, new Known(farthest, Long.MAX_VALUE, farthest, Instant.parse("9999-01-01T00:00:00Z")));
    }

    private Optional<HouseScatter> of(Measure measure, Known known) {
        Map<Long, List<BlockModel.Unit>> sections = new TreeMap<>();
        Map<Long, Integer> days = new TreeMap<>();
        database.sql("""
                        with known as (
                            select r.study_id, r.section_id, r.day, r.amount, s.first_day
                            from reading r join study s on s.id = r.study_id
                            where r.measure = :measure and r.stage = 'rewetted'
                              and (s.first_day, s.id) < (:began, :study) and s.first_day + r.day <= :read
                              and r.kept_at <= :kept and (r.struck_at is null or r.struck_at > :kept)),
                        lender as (
                            select k.study_id, max(k.day) as day
                            from known k
                            where exists (
                                select 1 from section one join section two
                                  on two.contender_id = one.contender_id and two.id > one.id
                                join contender c on c.id = one.contender_id and c.role not in ('bare', 'untreated')
                                where one.study_id = k.study_id)
                            group by k.study_id, k.first_day
                            order by k.first_day desc, k.study_id desc limit 5)
                        select l.study_id, l.day, c.number, s.block, avg(k.amount) as mean
                        from lender l
                        join known k on k.study_id = l.study_id and k.day = l.day
                        join section s on s.id = k.section_id
                        join contender c on c.id = s.contender_id
                        group by l.study_id, l.day, c.number, s.block, s.id""")
                .param("measure", measure.code())
                .param("began", Date.valueOf(known.began))
                .param("study", known.study)
                .param("read", Date.valueOf(known.read))
                .param("kept", Timestamp.from(known.kept))
                .query(row -> {
                    days.put(row.getLong("study_id"), row.getInt("day"));
                    sections.computeIfAbsent(row.getLong("study_id"), s -> new ArrayList<>())
                            .add(new BlockModel.Unit(row.getInt("number"), row.getInt("block"), row.getDouble("mean")));
                });
        return pooled(sections, days);
    }

    /** Whether no contender, bare included, stands on two sections. */
    private static boolean needs(Study study) {
        return study.record().contenders().stream()
                .allMatch(c -> study.record().sectionsOf(c).count() < 2);
    }

    private static Optional<HouseScatter> pooled(Map<Long, List<BlockModel.Unit>> studies, Map<Long, Integer> days) {
        List<Lender> lenders = new ArrayList<>();
        studies.forEach((study, units) -> {
            BlockModel model = BlockModel.fit(units);
            if (model.freedom() > 0) {
                lenders.add(new Lender(study, days.get(study), model.variance(), model.freedom()));
            }
        });
        double freedom = lenders.stream().mapToDouble(Lender::freedom).sum();
        double squares =
                lenders.stream().mapToDouble(l -> l.variance() * l.freedom()).sum();
        return freedom > 0 && squares > 0
                ? Optional.of(new HouseScatter(squares / freedom, freedom, lenders))
                : Optional.empty();
    }
}
