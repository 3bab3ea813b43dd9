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
import org.evensheen.core.study.StudyRecord;

/**
 * A study as stored, at one revision.
 *
 * @param readings all of them, struck ones too, in the order they were kept
 * @param entrants its contenders with what their labels ask now, by number
 * @param works dated work as it was planned
 * @param instruments that are linked now and can fill a reading; not part of the revision
 * @param record what stands, for the arithmetic
 */
public record Study(
        long id,
        String question,
        Bed bed,
        LocalDate firstDay,
        Optional<Instant> keyOpened,
        long revision,
        List<KeptReading> readings,
        List<Entrant> entrants,
        List<Work> works,
        List<Instrument> instruments,
        StudyRecord record) {

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

    /** The same study with the instruments that are linked by now. */
    Study with(List<Instrument> linked) {
        return instruments.equals(linked)
                ? this
                : new Study(
                        id, question, bed, firstDay, keyOpened, revision, readings, entrants, works, linked, record);
    }

    /** The same study with another record, for supposing. */
    public Study with(StudyRecord supposed) {
        return new Study(
                id, question, bed, firstDay, keyOpened, revision, readings, entrants, works, instruments, supposed);
    }

    /** What the label of a contender's own product says now; empty for bare, and while none is entered. */
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

    /** A product's name, or the codes of its sections while the key is closed. */
    public String nameOf(Contender contender) {
        return judgedByCode() && !contender.isBare() ? codesOf(contender) : contender.name();
    }

    public String codesOf(Contender contender) {
        return record.sectionsOf(contender)
                .map(s -> s.code())
                .sorted()
                .collect(java.util.stream.Collectors.joining("·"));
    }
}
