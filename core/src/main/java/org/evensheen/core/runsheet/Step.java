package org.evensheen.core.runsheet;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.planning.Entrant.Layer;
import org.evensheen.core.study.Stage;
import org.evensheen.core.units.Span;

/**
 * One step of a day.
 *
 * @param key names it for good: a mark bears it
 * @param title what to do, in a few words
 * @param detail with what, and how
 * @param sections where; empty for the whole bed
 * @param act what the hands do to a section
 * @param reading what is read
 * @param from not before; empty for at once
 * @param until begin before then, if there is an end
 * @param mark how it was taken; empty while it is open
 */
public record Step(
        String key,
        Part part,
        Kind kind,
        String title,
        String detail,
        String why,
        List<String> sections,
        Optional<Act> act,
        Optional<Asked> reading,
        Optional<Instant> from,
        Optional<Instant> until,
        Optional<Mark> mark) {

    /** Which part of the day it belongs to. */
    public enum Part {
        AIR("Air and panel"),
        CHECK("Check the gauge"),
        STRIP("Strip"),
        BARE("Prove bare"),
        APPLY("Apply"),
        CURE("Cure"),
        FRESH("First readings"),
        WASH("Wash"),
        DOSE("Dose"),
        VISIT("Visit");

        private final String label;

        Part(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What a person does with it. */
    public enum Kind {
        /** Notes air and panel. */
        CONDITIONS,
        /** Checks the gauge with a known weight. */
        CHECK,
        /** Does it, and says so. */
        TASK,
        /** Looks at one section: does water lie flat? */
        LOOK,
        /** Says that something holds, before anything goes on. */
        GATE,
        SPREAD,
        FINISH,
        /** Waits until a time. */
        HOLD,
        READ
    }

    /**
     * What the hands do to a section.
     *
     * @param contender its number
     * @param coat from 1
     * @param finalCoat whether it is the final coat of all
     * @param window of the label between spreading and finishing, s; empty if it says none
     * @param seconds how long it takes these hands
     */
    public record Act(int contender, Layer layer, int coat, boolean finalCoat, Optional<Span> window, double seconds) {}

    /** A reading that is asked for. */
    public record Asked(Stage stage, Measure measure, int repeat) {}

    static Step task(String key, Part part, String title, String detail, String why) {
        return simple(key, part, Kind.TASK, title, detail, why, List.of());
    }

    static Step simple(
            String key, Part part, Kind kind, String title, String detail, String why, List<String> sections) {
        return new Step(
                key,
                part,
                kind,
                title,
                detail,
                why,
                sections,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    public boolean open() {
        return mark.isEmpty();
    }

    Step taken(Mark by) {
        return new Step(key, part, kind, title, detail, why, sections, act, reading, from, until, Optional.of(by));
    }

    Step between(Optional<Instant> begin, Optional<Instant> end) {
        return new Step(key, part, kind, title, detail, why, sections, act, reading, begin, end, mark);
    }
}
