package org.evensheen.app.studies;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.Seen.Why;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * The one gate to what the codes of a study stand for. A study that is loaded goes by code until its key is opened; whoever must know names
 * before that, to put products on or to take the study out, asks for them here, and that they did is kept.
 */
@Component
public class Key {
    private final JdbcClient database;
    private final Clock clock;

    Key(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * A study by name: if its key is open, or if these hands asked for the names today for this work.
     *
     * @param day the day of the study whose work it is
     */
    public Optional<Study> named(Study study, int day, Why why, Hands hands) {
        boolean asked = study.seen().stream()
                .anyMatch(s -> s.why() == why
                        && s.day() == day
                        && s.by().equals(hands.name())
                        && LocalDate.ofInstant(s.at(), clock.getZone()).equals(LocalDate.now(clock)));
        return study.judgedByCode() && !asked ? Optional.empty() : Optional.of(study.named());
    }

    /** Keeps that these hands see what codes stand for from now on today; once by the page's key. */
    public void see(long study, int day, Why why, List<String> sections, UUID key, Hands hands) {
        database.sql("""
                        insert into names_seen (study_id, day, why, sections, seen_at, seen_by, page_key)
                        values (:study, :day, :why, string_to_array(:sections, ' '), :at, :by, :key)
                        on conflict (page_key) do nothing""")
                .param("study", study)
                .param("day", day)
                .param("why", why.code())
                .param("sections", String.join(" ", sections))
                .param("at", java.sql.Timestamp.from(clock.instant()))
                .param("by", hands.name())
                .param("key", key)
                .update();
    }

    /** Opens the key for everybody: from now on products go by their names. Opened once, it stays open. */
    public void open(long study, Hands hands) {
        database.sql("""
                        update study set key_opened_at = now(), key_opened_by = :by, revision = revision + 1
                        where id = :id and key_opened_at is null""").param("id", study).param("by", hands.name()).update();
    }

    /** What stands behind the codes, for the simulated world that made it. */
    public Study forTheStandIns(Study study) {
        return study.named();
    }

    /** A study by name for reckoning only: nothing of it may be shown as it is. */
    public Study forReckoning(Study study) {
        return study.named();
    }
}
