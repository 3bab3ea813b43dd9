package org.evensheen.app.studies;

import java.util.Locale;
import java.util.Optional;
import org.evensheen.app.beds.Bed;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Stores new studies, whole or not at all. */
@Component
public class StudyMaker {
    private final JdbcClient database;
    private final TransactionTemplate transaction;

    StudyMaker(JdbcClient database, TransactionTemplate transaction) {
        this.database = database;
        this.transaction = transaction;
    }

    /** Makes a study and returns its id; a draft that was made before, by its key, is not made again. */
    public long make(StudyDraft draft) {
        return transaction.execute(status -> {
            long bed = draft.bed().id() > 0 ? draft.bed().id() : bed(draft.bed());
            Optional<Long> study = database.sql("""
                            insert into study (question, bed_id, first_day, seed, page_key)
                            values (:question, :bed, :first, :seed, :key)
                            on conflict (page_key) do nothing returning id""")
                    .param("question", draft.question())
                    .param("bed", bed)
                    .param("first", draft.firstDay())
                    .param("seed", draft.seed())
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
            return study.get();
        });
    }

    private long bed(Bed bed) {
        long id = database.sql("""
                        insert into bed (name, width_mm, height_mm, outline)
                        values (:name, :width, :height, :outline) returning id""")
                .param("name", bed.name())
                .param("width", bed.widthMm())
                .param("height", bed.heightMm())
                .param("outline", bed.outline().orElse(null), java.sql.Types.VARCHAR)
                .query(Long.class)
                .single();
        for (Bed.Zone zone : bed.zones()) {
            database.sql("""
                            insert into bed_zone (bed_id, kind, label, x_mm, y_mm, width_mm, height_mm)
                            values (:bed, :kind, :label, :x, :y, :width, :height)""")
                    .param("bed", id)
                    .param("kind", zone.kind())
                    .param("label", zone.label())
                    .param("x", zone.xMm())
                    .param("y", zone.yMm())
                    .param("width", zone.widthMm())
                    .param("height", zone.heightMm())
                    .update();
        }
        return id;
    }

    private void contender(long study, Contender contender) {
        boolean bare = contender.isBare();
        database.sql("""
                        insert into contender (study_id, number, role, product_id, water_kind, source)
                        values (:study, :number, :role, :product, :kind, :source)""")
                .param("study", study)
                .param("number", contender.number())
                .param("role", word(contender.role()))
                .param("product", bare ? null : product(contender.name()), java.sql.Types.BIGINT)
                .param("kind", bare ? null : contender.kind().code(), java.sql.Types.VARCHAR)
                .param("source", bare ? null : word(contender.source()), java.sql.Types.VARCHAR)
                .update();
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
                        insert into section (study_id, contender_id, code, block, x_mm, y_mm, width_mm, height_mm, by_hand)
                        select c.study_id, c.id, :code, :block, :x, :y, :width, :height, :hand
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
                    .param("stage", visit.stage().code())
                    .update();
        }
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }
}
