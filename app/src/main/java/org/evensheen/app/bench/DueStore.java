package org.evensheen.app.bench;

import java.time.LocalDate;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Finds planned visits of all studies around a day. */
@Component
class DueStore {
    static final int DAYS_BACK = 7;
    static final int DAYS_AHEAD = 10;
    /** Days after which nothing that was put on still cures. */
    private static final int LONGEST_CURE = 3;

    private static final int MOST_UNDER_WAY = 3;

    private final JdbcClient database;

    DueStore(JdbcClient database) {
        this.database = database;
    }

    /** A planned visit with how many of its readings are taken. */
    record Due(
            long study, String question, String bed, LocalDate date, int day, String stage, int expected, int taken) {}

    /** Visits from a week before a day to ten days after it, the 150 nearest to it, in order of date. */
    List<Due> around(LocalDate today) {
        return database.sql("""
                        with visit as (
                            select s.id, s.question, s.bed_id, s.first_day + v.day as date, v.day, v.stage
                            from study s join planned_visit v on v.study_id = s.id
                            where s.first_day + v.day between :from and :to
                            order by abs(s.first_day + v.day - :today), s.id desc
                            limit 150)
                        select v.id as study, v.question, b.name as bed, v.date, v.day, v.stage,
                               (select count(*) from section x where x.study_id = v.id) * plan.each as expected,
                               (select count(*) from reading r
                                where r.study_id = v.id and r.day = v.day and r.stage = v.stage and r.struck_at is null
                                  and r.repeat <= coalesce((plan.repeats ->> r.measure)::integer, 0)) as taken
                        from visit v join bed b on b.id = v.bed_id
                        cross join lateral (
                            select jsonb_object_agg(m.measure, m.repeats) as repeats, sum(m.repeats) as each
                            from planned_measure m where m.study_id = v.id) plan
                        order by v.date, v.id""")
                .param("today", today)
                .param("from", today.minusDays(DAYS_BACK))
                .param("to", today.plusDays(DAYS_AHEAD))
                .query((row, n) -> new Due(
                        row.getLong("study"),
                        row.getString("question"),
                        row.getString("bed"),
                        row.getObject("date", LocalDate.class),
                        row.getInt("day"),
                        row.getString("stage"),
                        row.getInt("expected"),
                        row.getInt("taken")))
                .list();
    }

    /** A day of a study that hands were at within the last days; something may run by itself there. */
    record UnderWay(long study, int day) {}

    /** Days that steps were taken on lately, the latest first. */
    List<UnderWay> underWay() {
        return database.sql("""
                        select m.study_id as study, m.day from step_mark m
                        where m.undone_at is null and m.at > now() - make_interval(days => :days)
                        group by m.study_id, m.day order by max(m.at) desc limit :most""")
                .param("days", LONGEST_CURE)
                .param("most", MOST_UNDER_WAY)
                .query(UnderWay.class)
                .list();
    }

    /** A section and a measure, with how many readings are wanting on a visit. */
    record Cell(
            String code,
            double x,
            double y,
            double width,
            double height,
            double bedWidth,
            double bedHeight,
            String measure,
            int wanting) {}

    /** Every section with every planned measure, in reading order and the order of the measures. */
    List<Cell> cells(Due due) {
        return database.sql("""
                        select s.code, s.x_mm as x, s.y_mm as y, s.width_mm as width, s.height_mm as height,
                               b.width_mm as bed_width, b.height_mm as bed_height, m.measure,
                               m.repeats - count(r.id) as wanting
                        from section s
                        join study t on t.id = s.study_id
                        join bed b on b.id = t.bed_id
                        join planned_measure m on m.study_id = s.study_id
                        left join reading r on r.study_id = s.study_id and r.section_id = s.id and r.day = :day
                            and r.stage = :stage and r.measure = m.measure and r.struck_at is null
                            and r.repeat <= m.repeats
                        where s.study_id = :study
                        group by s.id, b.id, m.measure, m.repeats, m.position
                        order by s.y_mm, s.x_mm, m.position""")
                .param("study", due.study())
                .param("day", due.day())
                .param("stage", due.stage())
                .query((row, n) -> new Cell(
                        row.getString("code"),
                        row.getDouble("x"),
                        row.getDouble("y"),
                        row.getDouble("width"),
                        row.getDouble("height"),
                        row.getDouble("bed_width"),
                        row.getDouble("bed_height"),
                        row.getString("measure"),
                        row.getInt("wanting")))
                .list();
    }
}
