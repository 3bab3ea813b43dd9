package org.evensheen.app.studies;

import java.util.List;
import java.util.stream.Collectors;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.WaterKind;

/**
 * A study as it may be seen while its key is closed: contenders go by the codes of their sections, and nothing is left of what would give
 * them away: part, kind, source, label, dose, wait, and the seed from which the lots could be drawn again.
 */
public final class Coded {
    private Coded() {}

    static StudyRecord record(StudyRecord behind) {
        return new StudyRecord(
                0,
                behind.contenders().stream().map(c -> contender(c, behind)).toList(),
                behind.sections(),
                behind.plan(),
                behind.happenings(),
                List.of(),
                behind.deviations(),
                behind.readings());
    }

    private static Contender contender(Contender c, StudyRecord behind) {
        return c.isControl()
                ? c
                : new Contender(
                        c.number(),
                        behind.sectionsOf(c).map(Section::code).sorted().collect(Collectors.joining("·")),
                        Role.PRODUCT,
                        WaterKind.REPELS,
                        Source.UNDISCLOSED);
    }

    static List<Entrant> entrants(StudyRecord coded) {
        return coded.contenders().stream().map(c -> new Entrant(c, List.of())).toList();
    }

    static List<Work> works(List<Work> behind) {
        return behind.stream()
                .map(w -> new Work(
                        w.key(), w.day(), w.kind(), title(w.kind(), w.title()), why(w.kind(), w.why()), w.moved()))
                .toList();
    }

    /** What dated work is called without saying which product it is for. */
    public static String title(Calendar.Kind kind, String title) {
        return kind == Calendar.Kind.COAT ? "A further coat" : title;
    }

    /** Why it is done on its day, without saying which label asks it. */
    public static String why(Calendar.Kind kind, String why) {
        return switch (kind) {
            case COAT -> "A label asks time between coats.";
            case CURE -> "A label asks to keep dry until then; a shower before that spoils it.";
            default -> why;
        };
    }
}
