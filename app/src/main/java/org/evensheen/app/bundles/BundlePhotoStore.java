package org.evensheen.app.bundles;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.pictures.Picture;
import org.evensheen.core.schedule.OurTime;
import org.evensheen.core.study.Look;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Photos of a study, each a file of its own in a bundle: out and back, one in the memory at a time. */
@Component
class BundlePhotoStore {
    static final String FOLDER = "photos/";

    private final JdbcClient database;

    BundlePhotoStore(JdbcClient database) {
        this.database = database;
    }

    /** A photo without its picture. */
    record Photo(
            long id,
            @Nullable String section,
            int day,
            String stage,
            String note,
            Instant at,
            Instant keptAt,
            String keptBy) {}

    /** Where the file of a photo is found in the bundle. */
    interface Files {
        byte[] read(String file) throws IOException;
    }

    List<Photo> of(long study) {
        return database.sql("""
                        select p.id, s.code as section, p.day, p.stage, p.note, p.at, p.kept_at, p.kept_by
                        from section_photo p left join section s on s.id = p.section_id
                        where p.study_id = :study and p.taken_back_at is null order by p.id""").param("study", study).query(Photo.class).list();
    }

    byte[] picture(long id) {
        return database.sql("select picture from section_photo where id = :id")
                .param("id", id)
                .query((row, n) -> row.getBytes(1))
                .single();
    }

    /** Brings a line of {@link Table#PHOTOS} back with its file. */
    void keep(long study, Sheet.Row row, Files files, UUID key) {
        String file = Rows.text(row, "file");
        Picture picture;
        try {
            picture = Picture.again(() -> files.read(file));
        } catch (Picture.Unfit | IOException e) {
            throw new Rows.Wrong("photos.csv, line %d, %s: %s Nothing was stored."
                    .formatted(row.line(), Sheet.shown(file), String.valueOf(e.getMessage())));
        }
        database.sql("""
                        insert into section_photo (study_id, section_id, day, stage, note, picture, small, width, height, at, kept_at,
                                                   kept_by, page_key)
                        values (:study, (select id from section where study_id = :study and code = :section), :day, :stage, :note,
                                :picture, :small, :width, :height, :at, :kept, :by, :key)""")
                .param("study", study)
                .param("section", row.at("section").isEmpty() ? null : row.at("section"), Types.VARCHAR)
                .param("day", Rows.whole(row, "day"))
                .param("stage", Look.ofCode(row.at("stage")).orElseThrow().code())
                .param("note", row.at("note"))
                .param("picture", picture.large())
                .param("small", picture.small())
                .param("width", picture.width())
                .param("height", picture.height())
                .param("at", Timestamp.from(OurTime.time(row.at("at"))))
                .param("kept", Timestamp.from(OurTime.time(row.at("kept_at"))))
                .param("by", Rows.text(row, "kept_by"))
                .param("key", UUID.nameUUIDFromBytes((key + " photo " + file).getBytes(StandardCharsets.UTF_8)))
                .update();
    }
}
