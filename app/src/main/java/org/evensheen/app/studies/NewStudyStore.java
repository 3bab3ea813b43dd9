package org.evensheen.app.studies;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.function.LongConsumer;
import org.evensheen.app.beds.BedStore;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;
import org.evensheen.core.water.WaterKind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Stores new studies, whole or not at all. */
@Component
public class NewStudyStore {
    private final JdbcClient database;
    private final BedStore beds;
    private final TransactionTemplate transaction;

    NewStudyStore(JdbcClient database, BedStore beds, TransactionTemplate transaction) {
        this.database = database;
        this.beds = beds;
        this.transaction = transaction;
    }

    /**
     * Makes a study and returns its id; a draft that was made before, by its key, is not made again. Its contenders are numbered in the
     * order of their codes.
     */
    public long make(StudyDraft asked) {
        return make(asked, made -> {});
    }

    /** The same with what comes along, kept with it or not at all; it is given the number of the study. */
    public long make(StudyDraft asked, LongConsumer along) {
        StudyDraft draft = asked.inOrder();
        return transaction.execute(status -> {
            long bed = draft.bed().id() > 0 ? draft.bed().id() : beds.keep(draft.bed(), UUID.randomUUID());
            Optional<Long> study = database.sql("""
                            insert into study (question, bed_id, first_day, seed, course, page_key)
                            values (:question, :bed, :first, :seed, :course, :key)
                            on conflict (page_key) do nothing returning id""")
                    .param("question", draft.question())
                    .param("bed", bed)
                    .param("first", draft.firstDay())
                    .param("seed", draft.seed())
                    .param("course", draft.plan().course().code())
                    .param("key", draft.key())
                    .query(Long.class)
                    .optional();
            if (study.isEmpty()) {
                status.setRollbackOnly();
                return database.sql("select id from study where page_key = :key")
                        .param("key", draft.key())
                        .query(Long.class)
                        .single();
            }
            draft.contenders().forEach(c -> contender(study.get(), c));
            draft.sections().forEach(s -> section(study.get(), s));
            plan(study.get(), draft);
            works(study.get(), draft);
            along.accept(study.get());
            return study.get();
        });
    }

    private void works(long study, StudyDraft draft) {
        for (int i = 0; i < draft.works().size(); i++) {
            Work work = draft.works().get(i);
            database.sql("""
                            insert into planned_work (study_id, position, day, kind, title, why)
                            values (:study, :position, :day, :kind, :title, :why)""")
                    .param("study", study)
                    .param("position", i)
                    .param("day", work.day())
                    .param("kind", work.kind().code())
                    .param("title", work.title())
                    .param("why", work.why())
                    .update();
        }
    }

    private void contender(long study, Contender contender) {
        boolean control = contender.isControl();
        List<String> layers = contender.layers();
        long id = database.sql("""
                        insert into contender (study_id, number, role, product_id, water_kind, source, kind, way)
                        values (:study, :number, :role, :product, :water, :source, :kind, :way) returning id""")
                .param("study", study)
                .param("number", contender.number())
                .param("role", word(contender.role()))
                .param("product", layers.isEmpty() ? null : product(layers.get(0)), java.sql.Types.BIGINT)
                .param("water", contender.water().map(WaterKind::code).orElse(null), java.sql.Types.VARCHAR)
                .param("source", control ? null : word(contender.source()), java.sql.Types.VARCHAR)
                .param("kind", contender.kind().code())
                .param("way", contender.way())
                .query(Long.class)
                .single();
        for (int layer = 1; layer < layers.size(); layer++) {
            database.sql("insert into contender_layer (contender_id, layer, product_id) values (:id, :layer, :product)")
                    .param("id", id)
                    .param("layer", layer)
                    .param("product", product(layers.get(layer)))
                    .update();
        }
    }

    /** The product by that name, put on the shelf if it is new there. */
    private long product(String name) {
        return database.sql("""
                        insert into product (name) values (:name)
                        on conflict (lower(name)) do update set name = product.name
                        returning id""").param("name", name).query(Long.class).single();
    }

    private void section(long study, Section section) {
        database.sql("""
                        insert into section (study_id, contender_id, code, block, x_mm, y_mm, width_mm, height_mm, by_hand, name)
                        select c.study_id, c.id, :code, :block, :x, :y, :width, :height, :hand, :name
                        from contender c where c.study_id = :study and c.number = :contender""")
                .param("study", study)
                .param("contender", section.contender())
                .param("code", section.code())
                .param("block", section.row())
                .param("x", section.xMm())
                .param("y", section.yMm())
                .param("width", section.widthMm())
                .param("height", section.heightMm())
                .param("hand", section.byHand())
                .param("name", section.name())
                .update();
    }

    private void plan(long study, StudyDraft draft) {
        int position = 0;
        for (var planned : draft.plan().measures()) {
            database.sql("""
                            insert into planned_measure (study_id, position, measure, repeats)
                            values (:study, :position, :measure, :repeats)""")
                    .param("study", study)
                    .param("position", position++)
                    .param("measure", planned.measure().code())
                    .param("repeats", planned.repeats())
                    .update();
        }
        for (var visit : draft.plan().visits()) {
            database.sql("insert into planned_visit (study_id, day, stage) values (:study, :day, :stage)")
                    .param("study", study)
                    .param("day", visit.day())
                    .param("stage", visit.look().code())
                    .update();
        }
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }
}
