package org.evensheen.app.shelf;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.pictures.Picture;
import org.evensheen.app.shelf.ProductStock.Taking;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What was found out about a product beside its label: strips, photos, and the studies that draw on it. */
@Component
class RecordStore {
    private final JdbcClient database;

    RecordStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * A pH that was read.
     *
     * @param meter the instrument it was read with; empty for a strip
     */
    record Strip(double ph, String meter, LocalDate on, String by) {}

    /** A photo of the label. */
    record Photo(long id, int width, int height) {}

    /** Strips and photos, the last first. */
    record Found(List<Strip> strips, List<Photo> photos) {}

    /** A photo's bytes, JPEG. */
    record Jpeg(byte[] bytes) {}

    Found found(long product) {
        Found found = new Found(new ArrayList<>(), new ArrayList<>());
        database.sql("""
                        select 'strip' as what, id, ph, meter, read_on, kept_by, null::int as width, null::int as height
                        from ph_strip where product_id = :product
                        union all
                        select 'photo', id, null, null, null, kept_by, width, height from label_photo where product_id = :product
                        order by what, id desc""").param("product", product).query(row -> {
            if (row.getString("what").equals("strip")) {
                found.strips.add(new Strip(
                        row.getDouble("ph"),
                        row.getString("meter"),
                        row.getObject("read_on", LocalDate.class),
                        row.getString("kept_by")));
            } else {
                found.photos.add(new Photo(row.getLong("id"), row.getInt("width"), row.getInt("height")));
            }
        });
        return found;
    }

    /** Studies that a product is in, with what they take of it. */
    List<Taking> takings(long product) {
        return database.sql("""
                        select s.id as study, s.question, s.first_day,
                               s.first_day + coalesce(
                                   (select max(v.day) from planned_visit v where v.study_id = s.id), 0) as until,
                               exists (select 1 from happening h where h.study_id = s.id and h.kind = 'applied')
                                   or exists (select 1 from application a
                                              where a.contender_id = c.id and a.undone_at is null) as applied,
                               (select count(*) from section x where x.study_id = s.id and x.contender_id = c.id) as sections,
                               (select coalesce(sum(p.product_ml), 0) from pour p
                                where p.study_id = s.id and p.product_id = c.product_id and p.undone_at is null) as poured
                        from contender c join study s on s.id = c.study_id
                        where c.product_id = :product order by s.first_day desc, s.id desc limit 20""").param("product", product).query(Taking.class).list();
    }

    void keepPhoto(long product, Picture picture, UUID key, String by) {
        database.sql("""
                        insert into label_photo (product_id, picture, small, width, height, kept_by, page_key)
                        values (:product, :picture, :small, :width, :height, :by, :key) on conflict (page_key) do nothing""")
                .param("product", product)
                .param("picture", picture.large())
                .param("small", picture.small())
                .param("width", picture.width())
                .param("height", picture.height())
                .param("by", by)
                .param("key", key)
                .update();
    }

    Optional<Jpeg> picture(long product, long photo, boolean small) {
        return database.sql("select %s as jpeg from label_photo where id = :id and product_id = :product"
                        .formatted(small ? "small" : "picture"))
                .param("id", photo)
                .param("product", product)
                .query((row, n) -> new Jpeg(row.getBytes("jpeg")))
                .optional();
    }
}
