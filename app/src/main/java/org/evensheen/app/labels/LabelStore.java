package org.evensheen.app.labels;

import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.ProductKind;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps products and their labels. A label is never rewritten: a correction is the next number. */
@Component
public class LabelStore {
    private final JdbcClient database;
    private final TransactionTemplate transaction;

    LabelStore(JdbcClient database, TransactionTemplate transaction) {
        this.database = database;
        this.transaction = transaction;
    }

    /**
     * A label about to be kept.
     *
     * @param product the product, or empty for one that is not on the Shelf yet
     * @param over the number of the label it was edited from, 0 for the first
     * @param written as it was typed
     */
    public record Draft(
            Optional<Long> product,
            String name,
            ProductKind kind,
            int over,
            String written,
            Label label,
            UUID key,
            String by) {}

    /** What became of it. */
    public sealed interface Outcome {
        /** It is kept, now or when it was sent before. */
        record Kept(long product) implements Outcome {}

        /** Another product has that name. */
        record NameTaken(long product) implements Outcome {}

        /** Somebody kept another label in the meantime; nothing of this one is stored. */
        record Overtaken() implements Outcome {}
    }

    public Outcome keep(Draft draft) {
        try {
            return transaction.execute(status -> {
                Outcome outcome = keepWithin(draft);
                if (!(outcome instanceof Outcome.Kept)) {
                    status.setRollbackOnly();
                }
                return outcome;
            });
        } catch (DuplicateKeyException e) {
            // Somebody was quicker by a moment: with this very form, with the name, or with the next label.
            Optional<Outcome> kept = sent(draft.key()).map(Outcome.Kept::new);
            return kept.or(() -> named(draft.name())
                            .filter(id -> !Optional.of(id).equals(draft.product()))
                            .map(Outcome.NameTaken::new))
                    .orElseGet(Outcome.Overtaken::new);
        }
    }

    private Optional<Long> named(String name) {
        return database.sql("select id from product where lower(name) = lower(:name)")
                .param("name", name)
                .query(Long.class)
                .optional();
    }

    private Optional<Long> sent(UUID key) {
        return database.sql("select product_id from label where page_key = :key")
                .param("key", key)
                .query(Long.class)
                .optional();
    }

    private Outcome keepWithin(Draft draft) {
        Optional<Long> before = sent(draft.key());
        if (before.isPresent()) {
            return new Outcome.Kept(before.get());
        }
        Optional<Long> named = named(draft.name());
        if (named.isPresent() && !named.equals(draft.product())) {
            return new Outcome.NameTaken(named.get());
        }
        long product = draft.product().isPresent() ? draft.product().get() : made(draft);
        database.sql("update product set name = :name, kind = :kind where id = :id")
                .param("name", draft.name())
                .param("kind", draft.kind().code())
                .param("id", product)
                .update();
        int last = database.sql("select coalesce(max(number), 0) from label where product_id = :product")
                .param("product", product)
                .query(Integer.class)
                .single();
        if (last != draft.over()) {
            return new Outcome.Overtaken();
        }
        label(product, draft);
        return new Outcome.Kept(product);
    }

    private long made(Draft draft) {
        return database.sql("insert into product (name, kind, page_key) values (:name, :kind, :key) returning id")
                .param("name", draft.name())
                .param("kind", draft.kind().code())
                .param("key", draft.key())
                .query(Long.class)
                .single();
    }

    private void label(long product, Draft draft) {
        long label = database.sql("""
                        insert into label (product_id, number, line, written, kept_by, page_key)
                        values (:product, :number, :line, :written, :by, :key) returning id""")
                .param("product", product)
                .param("number", draft.over() + 1)
                .param("line", draft.label().print())
                .param("written", draft.written())
                .param("by", draft.by())
                .param("key", draft.key())
                .query(Long.class)
                .single();
        for (String job : draft.label().uses().stream()
                .map(u -> (u.name().isEmpty() ? draft.kind().label() : u.name()).toLowerCase(Locale.ROOT))
                .collect(Collectors.toSet())) {
            database.sql("insert into label_use (label_id, job) values (:label, :job)")
                    .param("label", label)
                    .param("job", job)
                    .update();
        }
    }
}
