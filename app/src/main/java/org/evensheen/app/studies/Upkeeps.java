package org.evensheen.app.studies;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.wear.Axis;
import org.evensheen.core.wear.Upkeep;
import org.springframework.stereotype.Component;

/** How the upkeep of all studies whose key is open stands today. */
@Component
public class Upkeeps {
    private final RegimeStore regimes;
    private final StudyStore studies;
    private final Clock clock;

    Upkeeps(RegimeStore regimes, StudyStore studies, Clock clock) {
        this.regimes = regimes;
        this.studies = studies;
        this.clock = clock;
    }

    /**
     * An upkeep.
     *
     * @param on day on which it falls due: from what was logged, else by the washes that are planned; empty where neither tells
     */
    public record Standing(Study study, Upkeep.Due due, int today, Optional<LocalDate> on) {
        /** What goes on. */
        public String what() {
            return due.upkeep().with().isEmpty()
                    ? "the same again"
                    : due.upkeep().with();
        }
    }

    /** All of them, of one study or of all. */
    public List<Standing> standing(Optional<Long> only) {
        return regimes.open().stream()
                .filter(id -> only.isEmpty() || only.get().equals(id))
                .map(studies::load)
                .flatMap(study -> of(study, study.dayOf(clock)).stream())
                .toList();
    }

    static List<Standing> of(Study study, int today) {
        return Upkeep.of(study.record(), today).stream()
                .map(d -> {
                    OptionalInt on = d.on().isPresent() ? d.on() : byPlan(study, d, today);
                    return new Standing(
                            study,
                            d,
                            today,
                            on.isPresent() ? Optional.of(study.dateOf(on.getAsInt())) : Optional.empty());
                })
                .toList();
    }

    /** The day of the planned wash after which so many will have been done; at a visit it is washed, too. */
    private static OptionalInt byPlan(Study study, Upkeep.Due due, int today) {
        return due.upkeep().axis() == Axis.WASHES
                ? study.works().stream()
                        .filter(w ->
                                (w.kind() == Calendar.Kind.WASH || w.kind() == Calendar.Kind.VISIT) && w.day() > today)
                        .mapToInt(Calendar.Work::day)
                        .sorted()
                        .distinct()
                        .skip(Math.max(0, due.upkeep().every() - Math.round(due.gone()) - 1))
                        .findFirst()
                : OptionalInt.empty();
    }
}
