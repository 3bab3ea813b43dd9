package org.evensheen.app.studies;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.Seen.Why;
import org.springframework.stereotype.Component;

/**
 * The one gate to what the codes of a study stand for. A study that is loaded goes by code until its key is opened; whoever must know names
 * before that, to put products on or to take the study out, asks for them here, and that they did is kept.
 */
@Component
public class Key {
    private final SeenStore seen;
    private final Clock clock;

    Key(SeenStore seen, Clock clock) {
        this.seen = seen;
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
        seen.keep(study, day, why, sections, key, hands, clock.instant());
    }

    /** Opens the key for everybody: from now on products go by their names. Opened once, it stays open. */
    public void open(long study, Hands hands) {
        seen.open(study, hands);
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
