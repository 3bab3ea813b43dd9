package org.evensheen.app.answers;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.core.answer.Profile;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Reports as they were published. Nothing of them is ever changed; the schema sees to that. */
@Component
public class EditionStore {
    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final ProfileStore profiles;

    EditionStore(JdbcClient database, TransactionTemplate transaction, ProfileStore profiles) {
        this.profiles = profiles;
        this.database = database;
        this.transaction = transaction;
    }

    /** An edition without its pages. */
    record Listed(int number, String headline, String changed, String seal, String by, Instant at) {}

    /** What goes out. */
    record Pages(String report, String html, String markdown) {}

    /** An edition about to be published. */
    record Draft(
            String headline, String words, String changed, Pages pages, String seal, String by, Instant at, UUID key) {}

    /** Editions, the latest first, and readers of the reviewer's own, in one statement. */
    record Shown(List<Listed> editions, List<Profile> own) {}

    Shown of(Matter what) {
        List<Listed> editions = new ArrayList<>();
        List<Profile> own = new ArrayList<>();
        database.sql("""
                        (select 'edition' as what, number, headline, changed, seal, published_by, published_at from edition
                         where %s = :id order by number desc limit 200)
                        union all
                        select 'reader', id, name, weights::text, '', '', null from profile
                        order by what, number desc""".formatted(what.column())).param("id", what.key()).query(row -> {
            if (row.getString("what").equals("reader")) {
                own.add(0, profiles.own(row.getLong("number"), row.getString("headline"), row.getString("changed")));
            } else {
                editions.add(new Listed(
                        row.getInt("number"),
                        row.getString("headline"),
                        row.getString("changed"),
                        row.getString("seal"),
                        row.getString("published_by"),
                        row.getTimestamp("published_at").toInstant()));
            }
        });
        return new Shown(editions, own);
    }

    Optional<Pages> pages(Matter what, long number) {
        return database.sql("select report::text, html, markdown from edition where " + what.column()
                        + " = :id and number = :number")
                .param("id", what.key())
                .param("number", number)
                .query((row, n) -> new Pages(row.getString("report"), row.getString("html"), row.getString("markdown")))
                .optional();
    }

    /** The report of the latest edition. */
    Optional<String> latest(Matter what) {
        return database.sql("select report::text from edition where " + what.column()
                        + " = :id order by number desc limit 1")
                .param("id", what.key())
                .query(String.class)
                .optional();
    }

    /** Publishes once by the page's key, and gives the edition's number. */
    int publish(Matter what, Draft draft) {
        return transaction.execute(status -> {
            database.sql("select 1 from (select pg_advisory_xact_lock(hashtextextended(:what, 0))) l")
                    .param("what", "edition " + what)
                    .query(Integer.class)
                    .single();
            Optional<Integer> there = database.sql("select number from edition where page_key = :key")
                    .param("key", draft.key())
                    .query(Integer.class)
                    .optional();
            return there.orElseGet(() -> database.sql("""
                            insert into edition (%1$s, number, headline, words, changed, report, html, markdown, seal,
                                                 published_by, published_at, page_key)
                            values (:of, (select coalesce(max(number), 0) + 1 from edition where %1$s = :of), :headline, :words,
                                    :changed, :report::jsonb, :html, :markdown, :seal, :by, :at, :key) returning number""".formatted(what.column()))
                    .param("of", what.key())
                    .param("headline", draft.headline())
                    .param("words", draft.words())
                    .param("changed", draft.changed())
                    .param("report", draft.pages().report())
                    .param("html", draft.pages().html())
                    .param("markdown", draft.pages().markdown())
                    .param("seal", draft.seal())
                    .param("by", draft.by())
                    .param("at", java.sql.Timestamp.from(draft.at()))
                    .param("key", draft.key())
                    .query(Integer.class)
                    .single());
        });
    }
}
