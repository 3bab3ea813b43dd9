package org.evensheen.app.studies;

import java.util.List;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.study.StudyRecord;

/**
 * What stands behind the codes of a study: names, labels, what was put on and how, whatever its key. Only this package can look into it, and
 * within it only {@link Key} and {@link Judging} do; everybody else asks {@link Key}.
 */
public final class Behind {
    private final StudyRecord record;
    private final List<Entrant> entrants;
    private final List<Work> works;

    Behind(StudyRecord record, List<Entrant> entrants, List<Work> works) {
        this.record = record;
        this.entrants = List.copyOf(entrants);
        this.works = List.copyOf(works);
    }

    StudyRecord record() {
        return record;
    }

    List<Entrant> entrants() {
        return entrants;
    }

    List<Work> works() {
        return works;
    }

    Behind with(StudyRecord other) {
        return new Behind(other, entrants, works);
    }
}
