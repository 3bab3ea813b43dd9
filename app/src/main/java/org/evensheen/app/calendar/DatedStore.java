package org.evensheen.app.calendar;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.studies.Coded;
import org.evensheen.core.planning.Calendar;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Dated work across studies. */
@Component
public class DatedStore {
    /** Work as it may be told: while a study's key is closed, without the product it is for. */
    private static Dated told(ResultSet row) throws SQLException {
        String kind = row.getString("kind");
        boolean closed = row.getBoolean("closed") && !kind.equals("visit");
        Optional<Calendar.Kind> known =
                closed ? Optional.of(Calendar.Kind.valueOf(kind.toUpperCase(Locale.ROOT))) : Optional.empty();
        String title = row.getString("title");
        String why = row.getString("why");
        return new Dated(
                row.getLong("study"),
                row.getString("question"),
                row.getLong("bed_id"),
                row.getString("bed"),
                row.getObject("date", LocalDate.class),
                row.getInt("day"),
                kind,
                known.map(k -> Coded.title(k, title)).orElse(title),
                known.map(k -> Coded.why(k, why)).orElse(why),
                row.getInt("readings"));
    }

    private static final int MOST = 3000;

    private final JdbcClient database;

    DatedStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * A piece of dated work.
     *
     * @param kind visit, or a kind of planned work
     * @param title what is done
     * @param why the reason for the date; empty where none was kept
     * @param readings how many readings a visit asks for; 0 for other work
     */
    public record Dated(
            long study,
            String question,
            long bedId,
            String bed,
            LocalDate date,
            int day,
            String kind,
            String title,
            String why,
            int readings) {}

    /** Work of all studies, or of one, from a day to another, both included, in order of date. */
    public List<Dated> between(LocalDate from, LocalDate to, Optional<Long> study) {
        return database.sql("""
                        with work as (
                            select v.study_id, v.day, 'visit' as kind,
                                   case v.stage when 'bare' then 'Prove bare and read' when 'fresh' then 'First readings'
                                        else 'Visit' end as title,
                                   coalesce((select min(w.why) from planned_work w where w.study_id = v.study_id
                                             and w.day = v.day and w.kind in ('bare', 'fresh', 'visit')), '') as why
                            from planned_visit v
                            union all
                            select study_id, day, kind, title, why from planned_work
                            where kind not in ('bare', 'fresh', 'visit'))
                        select s.id as study, s.question, b.id as bed_id, b.name as bed, s.first_day + w.day as date, w.day,
                               w.kind, w.title, w.why, s.key_opened_at is null as closed,
                               case when w.kind = 'visit' then
                                   (select count(*) from section x where x.study_id = s.id)
                                   * coalesce((select sum(m.repeats) from planned_measure m where m.study_id = s.id), 0)
                                   else 0 end as readings
                        from work w join study s on s.id = w.study_id join bed b on b.id = s.bed_id
                        where s.first_day + w.day between :from and :to and (:study::bigint is null or s.id = :study)
                        order by date, s.id,
                            array_position(array['check','strip','Prove bare and read','apply','coat','cure','First readings','wash','dose'],
                                case w.kind when 'visit' then w.title else w.kind end) limit :most""")
                .param("from", from)
                .param("to", to)
                .param("study", study.orElse(null), java.sql.Types.BIGINT)
                .param("most", MOST)
                .query((row, n) -> told(row))
                .list();
    }

    /** Work besides readings that is planned for a day. */
    public List<Dated> workOn(LocalDate day) {
        return database.sql("""
                        select s.id as study, s.question, b.id as bed_id, b.name as bed, :day::date as date, w.day, w.kind, w.title,
                               w.why, 0 as readings, s.key_opened_at is null as closed
                        from planned_work w join study s on s.id = w.study_id join bed b on b.id = s.bed_id
                        where s.first_day + w.day = :day and w.kind not in ('bare', 'fresh', 'visit')
                        order by s.id, w.position limit 20""").param("day", day).query((row, n) -> told(row)).list();
    }

    /** The secret part of the address under which the calendar can be subscribed to. */
    UUID address() {
        return database.sql("select address from calendar_feed")
                .query(UUID.class)
                .single();
    }
}
