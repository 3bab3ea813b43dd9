package org.evensheen.app.studies;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Lists studies, page by page. */
@Component
public class StudyListStore {
    private final JdbcClient database;

    StudyListStore(JdbcClient database) {
        this.database = database;
    }

    /** A line of the list of studies. */
    /**
     * A study in the list.
     *
     * @param sentence what it came to; empty while its key is closed or it was not gone through yet
     * @param footing how far that can be trusted; empty with it
     * @param next the day of its next visit; empty if none is to come
     */
    public record Listed(
            long id,
            String question,
            String bed,
            LocalDate firstDay,
            int products,
            String sentence,
            String footing,
            Optional<LocalDate> next,
            boolean closed,
            Small panel) {}

    /** A bed with its sections, small. */
    public record Small(double width, double height, List<Patch> patches) {}

    /** A section, mm, and whether it is a control. */
    public record Patch(double x, double y, double width, double height, boolean control) {
        private static Patch of(String text) {
            String[] parts = text.split(" ");
            return new Patch(
                    Double.parseDouble(parts[0]),
                    Double.parseDouble(parts[1]),
                    Double.parseDouble(parts[2]),
                    Double.parseDouble(parts[3]),
                    parts[4].equals("1"));
        }
    }

    /** How many studies a page of the list has. */
    public static final int PAGE = 12;

    /** A page of all studies, the youngest first; pages count from 0. */
    public List<Listed> list(int page, LocalDate today) {
        return database.sql("""
                        with page as (
                            select * from study order by first_day desc, id desc limit :size offset :skipped)
                        select s.id, s.question, b.name as bed, s.first_day,
                               (select count(*) from contender c where c.study_id = s.id and c.role not in ('bare', 'untreated')) as products,
                               coalesce(f.sentence, '') as sentence, coalesce(f.footing, '') as footing, s.key_opened_at is null as closed,
                               (select min(s.first_day + v.day) from planned_visit v
                                where v.study_id = s.id and s.first_day + v.day >= :today) as next,
                               b.width_mm, b.height_mm,
                               array(select concat_ws(' ', x.x_mm, x.y_mm, x.width_mm, x.height_mm, (c.role in ('bare', 'untreated'))::int)
                                     from section x join contender c on c.id = x.contender_id
                                     where x.study_id = s.id order by x.code) as patches
                        from page s join bed b on b.id = s.bed_id left join finding_source f on f.study_id = s.id
                        order by s.first_day desc, s.id desc""")
                .param("size", PAGE)
                .param("skipped", PAGE * page)
                .param("today", today)
                .query((row, n) -> new Listed(
                        row.getLong("id"),
                        row.getString("question"),
                        row.getString("bed"),
                        row.getObject("first_day", LocalDate.class),
                        row.getInt("products"),
                        row.getString("sentence"),
                        row.getString("footing"),
                        Optional.ofNullable(row.getObject("next", LocalDate.class)),
                        row.getBoolean("closed"),
                        new Small(
                                row.getDouble("width_mm"),
                                row.getDouble("height_mm"),
                                Stream.of((String[]) row.getArray("patches").getArray())
                                        .map(Patch::of)
                                        .toList())))
                .list();
    }
}
