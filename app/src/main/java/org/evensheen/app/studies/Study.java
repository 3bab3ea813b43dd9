package org.evensheen.app.studies;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.kit.Instrument;
import org.evensheen.core.label.Label;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.StudyRecord;

/**
 * A study as stored, at one revision, as it may be seen: while its key is closed, contenders go by code and nothing tells what they are.
 * {@link Key} gives the same study by name to those who may have it.
 *
 * @param readings all of them, struck ones too, in the order they were kept
 * @param entrants its contenders with what their labels ask now, by number; nothing is known of labels while they go by code
 * @param works dated work as it was planned
 * @param instruments that are linked now and can fill a reading; not part of the revision
 * @param record what stands, for the arithmetic
 * @param seen who saw names while the key was closed
 * @param behind what the codes stand for, shut to all but the gate
 */
public record Study(
        long id,
        String question,
        Bed bed,
        LocalDate firstDay,
        Optional<Opened> keyOpened,
        long revision,
        List<KeptReading> readings,
        List<Entrant> entrants,
        List<Work> works,
        List<Instrument> instruments,
        StudyRecord record,
        List<Seen> seen,
        Behind behind) {

    /** That the key was opened for everybody. */
    public record Opened(Instant at, String by) {}

    /** A study as its key lets it be seen. */
    static Study of(
            long id,
            String question,
            Bed bed,
            LocalDate firstDay,
            Optional<Opened> keyOpened,
            long revision,
            List<KeptReading> readings,
            List<Instrument> instruments,
            List<Seen> seen,
            Behind behind) {
        Study named = new Study(
                id,
                question,
                bed,
                firstDay,
                keyOpened,
                revision,
                readings,
                behind.entrants(),
                behind.works(),
                instruments,
                behind.record(),
                List.copyOf(seen),
                behind);
        if (keyOpened.isPresent()) {
            return named;
        }
        StudyRecord coded = Coded.record(behind.record());
        return named.shown(coded, Coded.entrants(coded), Coded.works(behind.works()), behind);
    }

    /** The same study by name; for the gate. */
    Study named() {
        return shown(behind.record(), behind.entrants(), behind.works(), behind);
    }

    private Study shown(StudyRecord record, List<Entrant> entrants, List<Work> works, Behind behind) {
        return new Study(
                id,
                question,
                bed,
                firstDay,
                keyOpened,
                revision,
                readings,
                entrants,
                works,
                instruments,
                record,
                seen,
                behind);
    }

    /** The same layout, lots, plan and seed for another go, without readings. */
    public StudyDraft again(java.util.UUID key) {
        return new StudyDraft(
                question,
                bed,
                firstDay,
                record.seed(),
                record.contenders(),
                record.sections(),
                record.plan(),
                works,
                key);
    }

    /** The same study with one more reading, for supposing. */
    public Study with(Reading supposed) {
        return shown(
                record.with(supposed),
                entrants,
                works,
                behind.with(behind.record().with(supposed)));
    }

    /** What the label of a contender's own product says now; empty for bare, by code, and while none is entered. */
    public Optional<Label> label(int contender) {
        List<Entrant.Layer> layers = entrants.get(contender).layers();
        return layers.isEmpty()
                ? Optional.empty()
                : Optional.of(layers.get(layers.size() - 1).label()).filter(l -> !l.equals(Label.BLANK));
    }

    /** Days since the first day, by the server's calendar; negative before it. */
    public int dayOf(Clock clock) {
        return (int) ChronoUnit.DAYS.between(firstDay, LocalDate.now(clock));
    }

    public LocalDate dateOf(int day) {
        return firstDay.plusDays(day);
    }

    public boolean judgedByCode() {
        return keyOpened.isEmpty();
    }

    public String codesOf(Contender contender) {
        return record.sectionsOf(contender)
                .map(s -> s.code())
                .sorted()
                .collect(java.util.stream.Collectors.joining("·"));
    }
}
