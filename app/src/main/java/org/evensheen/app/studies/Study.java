package org.evensheen.app.studies;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.beds.Bed;
import org.evensheen.core.label.Label;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.StudyRecord;

/**
 * A study as stored, at one revision.
 *
 * @param readings all of them, struck ones too, in the order they were kept
 * @param labels what the labels of its products say now, by the contender's number
 * @param works dated work as it was planned
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
        Map<Integer, Label> labels,
        List<Work> works,
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

    /** The same study with another record, for supposing. */
    public Study with(StudyRecord supposed) {
        return new Study(id, question, bed, firstDay, keyOpened, revision, readings, labels, works, supposed);
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
