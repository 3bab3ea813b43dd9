package org.evensheen.app.sidebyside;

import java.sql.Timestamp;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Refused;
import org.evensheen.app.pictures.Picture;
import org.evensheen.app.sidebyside.ComparisonBundle.Answer;
import org.evensheen.app.sidebyside.ComparisonBundle.Contender;
import org.evensheen.app.sidebyside.ComparisonBundle.Document;
import org.evensheen.app.sidebyside.ComparisonBundle.Photo;
import org.evensheen.app.sidebyside.ComparisonBundle.Place;
import org.evensheen.core.sidebyside.Kind;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.core.study.Section;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Rows of a comparison as its bundle carries them. */
@Component
class ComparisonBundleStore {
    private final JdbcClient database;
    private final ProductStore products;
    private final ShotStore shots;
    private final ComparisonStore store;

    ComparisonBundleStore(JdbcClient database, ProductStore products, ShotStore shots, ComparisonStore store) {
        this.database = database;
        this.products = products;
        this.shots = shots;
        this.store = store;
    }

    Document document(long id) {
        List<Contender> contenders = database.sql(
                        "select number, name, way from comparison_contender where comparison_id = :id order by number")
                .param("id", id)
                .query((row, n) -> new Contender(row.getInt("number"), row.getString("name"), row.getString("way")))
                .list();
        List<Place> places = database.sql(
                        "select * from comparison_place where comparison_id = :id order by round, x_mm")
                .param("id", id)
                .query((row, n) -> new Place(
                        row.getString("code"),
                        row.getInt("contender"),
                        row.getInt("round"),
                        row.getDouble("x_mm"),
                        row.getDouble("y_mm"),
                        row.getDouble("width_mm"),
                        row.getDouble("height_mm"),
                        row.getBoolean("by_hand"),
                        row.getString("name")))
                .list();
        List<Answer> said = database.sql("select * from comparison_said where comparison_id = :id order by id")
                .param("id", id)
                .query((row, n) -> new Answer(
                        row.getString("step"),
                        row.getString("value"),
                        row.getString("said_by"),
                        row.getBoolean("knew"),
                        row.getTimestamp("said_at").toInstant(),
                        row.getObject("page_key", UUID.class)))
                .list();
        List<Photo> photos = database.sql("""
                        select id, code, step, at, kept_by, page_key from comparison_photo
                        where comparison_id = :id and taken_back_at is null order by id""")
                .param("id", id)
                .query((row, n) -> new Photo(
                        "photos/%04d.jpg".formatted(n + 1),
                        row.getString("code"),
                        row.getString("step"),
                        row.getTimestamp("at").toInstant(),
                        row.getString("kept_by"),
                        row.getObject("page_key", UUID.class)))
                .list();
        return database.sql("select * from comparison where id = :id")
                .param("id", id)
                .query((row, n) -> new Document(
                        ComparisonBundle.FORMAT,
                        row.getObject("page_key", UUID.class),
                        row.getString("kind"),
                        row.getString("shape"),
                        row.getLong("seed"),
                        Arrays.asList((String[]) row.getArray("asked").getArray()),
                        row.getTimestamp("begun_at").toInstant(),
                        row.getString("begun_by"),
                        contenders,
                        places,
                        said,
                        photos))
                .optional()
                .orElseThrow(() -> new Missing("There is no comparison %d. The Bench has the latest.".formatted(id)));
    }

    byte[] picture(UUID key) {
        return database.sql("select picture from comparison_photo where page_key = :key")
                .param("key", key)
                .query((row, n) -> row.getBytes(1))
                .single();
    }

    /**
     * Keeps a comparison; what is there already under its key stays as it is.
     *
     * @throws Refused if the schema would not have it
     */
    long keep(Document d, Map<Photo, Picture> pictures) {
        if (Kind.ofCode(d.kind()).isEmpty() || Stored.shape(d.shape()).isEmpty()) {
            throw new Refused("The bundle is of a kind that is not known here. Nothing was stored.");
        }
        try {
            Optional<Long> made = database.sql("""
                            insert into comparison (kind, shape, seed, asked, begun_at, begun_by, page_key)
                            values (:kind, :shape, :seed, :asked, :begun, :by, :key)
                            on conflict (page_key) do nothing returning id""")
                    .param("kind", d.kind())
                    .param("shape", d.shape())
                    .param("seed", d.seed())
                    .param("asked", d.asked().toArray(String[]::new))
                    .param("begun", Timestamp.from(d.begun()))
                    .param("by", d.by())
                    .param("key", d.key())
                    .query(Long.class)
                    .optional();
            if (made.isEmpty()) {
                return database.sql("select id from comparison where page_key = :key")
                        .param("key", d.key())
                        .query(Long.class)
                        .single();
            }
            long id = made.get();
            d.contenders().forEach(c -> store.contender(id, c.number(), entrant(c)));
            d.places().forEach(p -> store.place(id, section(p)));
            d.said().forEach(a -> answer(id, a));
            pictures.forEach((p, picture) -> shots.keep(id, p.code(), p.step(), picture, p.at(), p.key(), p.by()));
            return id;
        } catch (DataIntegrityViolationException | IllegalArgumentException | NullPointerException e) {
            throw new Refused("The bundle holds something that can't be. Nothing was stored.");
        }
    }

    private ComparisonStore.Entrant entrant(Contender c) {
        return new ComparisonStore.Entrant(products.named(c.name()).map(p -> p.id()), c.name(), c.way());
    }

    private static Section section(Place p) {
        return new Section(
                p.code(), p.contender(), p.round(), p.x(), p.y(), p.width(), p.height(), p.byHand(), p.name());
    }

    private void answer(long id, Answer a) {
        if (!store.say(id, new Said(a.step(), a.value(), a.by(), a.knew(), a.at()), a.key())) {
            throw new Refused("The bundle holds an answer that belongs to another comparison. Nothing was stored.");
        }
    }
}
