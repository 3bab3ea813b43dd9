package org.evensheen.app.studies;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.core.comparing.BlockModel;
import org.evensheen.core.comparing.HouseScatter;
import org.evensheen.core.study.Measure;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Scatter between sections from earlier replicated studies, for a study that can't estimate its own. Pull is pooled over
 * the latest visits of the five youngest other studies that were read and have two sections of a product; other measures have no house
 * scatter.
 */
@Component
public class HouseScatterStore {
    private final JdbcClient database;

    HouseScatterStore(JdbcClient database) {
        this.database = database;
    }

    Optional<HouseScatter> borrowedFor(Study study, Measure measure) {
        return measure == Measure.PULL && needs(study) ? ofPulls(study.id()) : Optional.empty();
    }

    /** Scatter of pulls from section to section, from all studies but one; 0 leaves none out. */
    public Optional<HouseScatter> ofPulls(long but) {
        Map<Long, List<BlockModel.Unit>> sections = new HashMap<>();
        database.sql("""
                        with latest as (
                            select r.study_id, max(r.day) as day
                            from reading r
                            where r.measure = 'pull' and r.stage = 'rewetted' and r.struck_at is null
                              and r.study_id in (
                                  select s.id from study s
                                  where s.id <> :study and exists (
                                      select 1 from section one join section two
                                        on two.contender_id = one.contender_id and two.id > one.id
                                      join contender c on c.id = one.contender_id and c.role <> 'bare'
                                      where one.study_id = s.id)
                                    and exists (
                                        select 1 from reading r where r.study_id = s.id and r.measure = 'pull'
                                          and r.stage = 'rewetted' and r.struck_at is null)
                                  order by s.first_day desc limit 5)
                            group by r.study_id)
                        select r.study_id, c.number, s.block, avg(r.amount) as mean
                        from latest l
                        join reading r on r.study_id = l.study_id and r.day = l.day and r.measure = 'pull'
                            and r.stage = 'rewetted' and r.struck_at is null
                        join section s on s.id = r.section_id
                        join contender c on c.id = s.contender_id
                        group by r.study_id, c.number, s.block, s.id""").param("study", but).query(row -> {
            sections.computeIfAbsent(row.getLong("study_id"), s -> new java.util.ArrayList<>())
                    .add(new BlockModel.Unit(row.getInt("number"), row.getInt("block"), row.getDouble("mean")));
        });
        return pooled(sections);
    }

    /** Whether no contender, bare included, stands on two sections. */
    private static boolean needs(Study study) {
        return study.record().contenders().stream()
                .allMatch(c -> study.record().sectionsOf(c).count() < 2);
    }

    private static Optional<HouseScatter> pooled(Map<Long, List<BlockModel.Unit>> studies) {
        double squares = 0;
        double freedom = 0;
        for (List<BlockModel.Unit> units : studies.values()) {
            BlockModel model = BlockModel.fit(units);
            squares += model.variance() * model.freedom();
            freedom += model.freedom();
        }
        return freedom > 0 && squares > 0
                ? Optional.of(new HouseScatter(
                        squares / freedom,
                        freedom,
                        "%d earlier %s with repeated sections"
                                .formatted(studies.size(), studies.size() == 1 ? "study" : "studies")))
                : Optional.empty();
    }
}
