package org.evensheen.app.studies;

import java.sql.Types;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.wear.Upkeep;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps how products of studies were put on. An application is undone, never deleted. */
@Component
public class ApplicationStore {
    private final JdbcClient database;
    private final ProductStore products;

    ApplicationStore(JdbcClient database, ProductStore products) {
        this.database = database;
        this.products = products;
    }

    /** An application about to be kept. */
    public record Draft(
            long study,
            int contender,
            int day,
            String job,
            Optional<Dose> dose,
            Optional<Double> waitSeconds,
            Optional<Integer> coats,
            Optional<String> section,
            String given,
            UUID key,
            String by) {

        /** One that holds for all sections of a contender. */
        public Draft(
                long study,
                int contender,
                int day,
                String job,
                Optional<Dose> dose,
                Optional<Double> waitSeconds,
                Optional<Integer> coats,
                UUID key,
                String by) {
            this(study, contender, day, job, dose, waitSeconds, coats, Optional.empty(), "", key, by);
        }
    }

    /** Keeps an application once, against the label that counts now: that of what went on, which for upkeep may be another product. */
    public void keep(Draft draft) {
        database.sql("""
                        insert into application (study_id, contender_id, label_id, day, job, dose, wait_seconds, coats, section_id,
                                                 given, kept_by, page_key)
                        select c.study_id, c.id,
                               (select l.id from label l where l.product_id = coalesce(:other, c.product_id)
                                order by l.number desc limit 1),
                               :day, :job, :dose, :wait, :coats,
                               (select s.id from section s where s.study_id = c.study_id and s.code = :section),
                               :given, :by, :key
                        from contender c where c.study_id = :study and c.number = :contender
                        on conflict (page_key) do nothing""")
                .param("study", draft.study())
                .param("contender", draft.contender())
                .param("day", draft.day())
                .param("job", draft.job())
                .param("dose", draft.dose().map(Dose::print).orElse(null), Types.VARCHAR)
                .param("wait", draft.waitSeconds().orElse(null), Types.NUMERIC)
                .param("coats", draft.coats().orElse(null), Types.INTEGER)
                .param("section", draft.section().orElse(null), Types.VARCHAR)
                .param("given", draft.given())
                .param("other", other(draft).orElse(null), Types.BIGINT)
                .param("by", draft.by())
                .param("key", draft.key())
                .update();
    }

    /** The product that went on as upkeep, if it was another and is on the Shelf. */
    private Optional<Long> other(Draft draft) {
        return Upkeep.given(draft.given())
                .flatMap(name -> products.allNamed(List.of(name)).stream().findFirst())
                .map(Product::id);
    }

    /** Undoes an application by the key it was kept under. */
    public void undo(long study, UUID key, String by) {
        database.sql("""
                        update application set undone_at = now(), undone_by = :by
                        where page_key = :key and study_id = :study and undone_at is null""")
                .param("key", key)
                .param("study", study)
                .param("by", by)
                .update();
    }

    void undo(long study, long application, String by) {
        database.sql("""
                        update application set undone_at = now(), undone_by = :by
                        where id = :id and study_id = :study and undone_at is null""")
                .param("id", application)
                .param("study", study)
                .param("by", by)
                .update();
    }
}
