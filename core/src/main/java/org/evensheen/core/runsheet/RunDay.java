package org.evensheen.core.runsheet;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.units.UnitSystem;
import org.evensheen.core.weather.PanelAir;
import org.evensheen.core.weather.Site;

/**
 * What a day's sheet is made from.
 *
 * @param works dated work of the whole study
 * @param entrants contenders with what their labels ask, by number
 * @param chemicals products that the day's doses name
 * @param marks of this day, in the order of their times
 * @param cureFrom when the final coat was finished; empty if that was not marked
 * @param air what was noted of the weather last, and when
 * @param limit when work in the dry must be over: rain, dew or dark; empty if nothing is known of it
 * @param now by the server's clock
 * @param told the units that the sheet is told in
 */
public record RunDay(
        StudyRecord study,
        int day,
        List<Work> works,
        List<Entrant> entrants,
        List<Entrant.Layer> chemicals,
        List<Mark> marks,
        Optional<Instant> cureFrom,
        Optional<Noted> air,
        Optional<Instant> limit,
        Instant now,
        UnitSystem told) {

    /** Air, panel and place at a time. */
    public record Noted(PanelAir air, Site site, Instant at) {
        /** Everything that is out of the labels' limits or near them, told in units of a system. */
        public List<PanelAir.Word> words(List<Entrant> entrants, UnitSystem told) {
            return Stream.concat(
                            air.words(Entrant.limits(entrants), told).stream(),
                            site.words(Entrant.shaded(entrants), told).stream())
                    .toList();
        }
    }

    public RunDay {
        works = List.copyOf(works);
        entrants = List.copyOf(entrants);
        chemicals = List.copyOf(chemicals);
        marks = List.copyOf(marks);
    }

    Optional<Mark> mark(String step) {
        return marks.stream().filter(m -> m.step().equals(step)).findFirst();
    }
}
