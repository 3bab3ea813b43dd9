package org.evensheen.core.schedule;

import java.util.List;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.StudyRecord;

/**
 * How far the readings of a planned occasion have come.
 *
 * @param expected readings the plan asks for, over all sections and measures
 * @param taken of those
 */
public record Visit(Occasion occasion, State state, int expected, int taken) {

    /** What a visit looks like on the tape. */
    public enum State {
        /** Every expected reading stands. */
        DONE,
        /** Its day is today, and readings are wanting. */
        DUE,
        /** Its day has passed with some readings taken. */
        PARTLY,
        /** Its day has passed with none. */
        MISSED,
        /** Its day is still to come. */
        AHEAD
    }

    public int wanting() {
        return expected - taken;
    }

    /** Every planned visit as it stands on a day. */
    public static List<Visit> of(StudyRecord study, int today) {
        return study.plan().visits().stream().map(o -> of(study, o, today)).toList();
    }

    private static Visit of(StudyRecord study, Occasion occasion, int today) {
        int expected = 0;
        int taken = 0;
        for (Plan.Planned planned : study.plan().measures()) {
            for (var section : study.sections()) {
                expected += planned.repeats();
                taken += Math.min(
                        planned.repeats(),
                        study.readings(section, occasion, planned.measure()).size());
            }
        }
        State state;
        if (expected > 0 && taken == expected) {
            state = State.DONE;
        } else if (occasion.day() == today) {
            state = State.DUE;
        } else if (occasion.day() > today) {
            state = State.AHEAD;
        } else {
            state = taken > 0 ? State.PARTLY : State.MISSED;
        }
        return new Visit(occasion, state, expected, taken);
    }
}
