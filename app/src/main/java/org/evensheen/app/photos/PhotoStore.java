package org.evensheen.app.photos;

import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.pictures.Picture;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps photos of sections: once by their key, taken back rather than deleted. */
@Component
public class PhotoStore {
    private final JdbcClient database;

    PhotoStore(JdbcClient database) {
        this.database = database;
    }

    /** A photo about to be kept; without a section it is of the whole bed. */
    public record Draft(
            long study,
            Optional<String> section,
            Occasion at,
            String note,
            Picture picture,
            Instant taken,
            UUID key,
            String by) {}

    public void keep(Draft draft) {
        database.sql("""
                        insert into section_photo (study_id, section_id, day, stage, note, picture, small, width, height, at,
                                                   kept_by, page_key)
                        values (:study, (select id from section where study_id = :study and code = :section), :day, :stage,
                                :note, :picture, :small, :width, :height, :at, :by, :key)
                        on conflict (page_key) do nothing""")
                .param("study", draft.study())
                .param("section", draft.section().orElse(null), Types.VARCHAR)
                .param("day", draft.at().day())
                .param("stage", draft.at().look().code())
                .param("note", draft.note())
                .param("picture", draft.picture().large())
                .param("small", draft.picture().small())
                .param("width", draft.picture().width())
                .param("height", draft.picture().height())
                .param("at", Timestamp.from(draft.taken()))
                .param("by", draft.by())
                .param("key", draft.key())
                .update();
    }

    /** A photo without its picture; a section of nothing is the whole bed. */
    public record Listed(long id, Optional<String> section, int day, Look look, String note, String by) {}

    /** Photos of a study that were not taken back. */
    public List<Listed> of(long study) {
        return database.sql("""
                        select p.id, s.code, p.day, p.stage, p.note, p.kept_by
                        from section_photo p left join section s on s.id = p.section_id
                        where p.study_id = :study and p.taken_back_at is null
                        order by s.code nulls first, p.day, p.at, p.id""")
                .param("study", study)
                .query((row, n) -> new Listed(
                        row.getLong("id"),
                        Optional.ofNullable(row.getString("code")),
                        row.getInt("day"),
                        Look.ofCode(row.getString("stage")).orElseThrow(),
                        row.getString("note"),
                        row.getString("kept_by")))
                .list();
    }

    /** A photo's JPEG. */
    public Optional<byte[]> picture(long id, boolean small) {
        return database.sql("select " + (small ? "small" : "picture")
                        + " from section_photo where id = :id and taken_back_at is null")
                .param("id", id)
                .query((row, n) -> row.getBytes(1))
                .optional();
    }

    void takeBack(long study, long id, String by) {
        database.sql("""
                        update section_photo set taken_back_at = now(), taken_back_by = :by
                        where id = :id and study_id = :study and taken_back_at is null""").param("by", by).param("id", id).param("study", study).update();
    }
}
