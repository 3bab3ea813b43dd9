package org.evensheen.app.studies;

import java.util.Comparator;
import java.util.Optional;
import org.evensheen.app.page.Missing;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.NextReading;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;

/**
 * What a person is looking at on the study screen: a day and stage, a section, and the measure in hand.
 *
 * @param today today as a day of the study
 */
public record Selection(Occasion at, int today, Section section, Measure measure) {

    /** What the address asks for; all of it may be wanting. */
    public record Asked(
            Optional<Integer> day, Optional<String> stage, Optional<String> section, Optional<String> measure) {
        public static final Asked NOTHING =
                new Asked(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    /**
     * Fills in what the address leaves open: today (within the planned days), its planned stage, and the section and
     * measure that are expected next.
     *
     * @throws Missing if a day, section, stage or measure is named that does not exist
     */
    public static Selection of(Study study, Asked asked, int today) {
        int last = lastDay(study, today);
        int day = asked.day().orElse(Math.max(0, Math.min(today, last)));
        if (day < 0) {
            throw new Missing("Day %d lies before the study's first day, %s. Choose day 0 or later."
                    .formatted(day, study.firstDay()));
        }
        if (day > last) {
            throw new Missing(
                    "Day %d lies beyond the end of the tape, day %d. Choose an earlier day.".formatted(day, last));
        }
        Look look = asked.stage()
                .map(s -> look(study, s).orElseThrow(() -> new Missing("There is no stage called “" + s + "”.")))
                .orElseGet(() -> lookOn(study, day));
        Optional<Measure> measure = asked.measure()
                .map(m -> Measures.ofCode(m)
                        .map(Measure::readAs)
                        .orElseThrow(() -> new Missing("There is no measure called “" + m + "”.")));
        Optional<Section> section = asked.section()
                .map(code -> study.record()
                        .section(code.strip().toUpperCase(java.util.Locale.ROOT))
                        .orElseThrow(() -> new Missing("There is no section “%s” in this study; they are %s."
                                .formatted(code, String.join(", ", codes(study))))));
        Occasion at = new Occasion(day, look);
        Measure first = study.record().plan().measures().isEmpty()
                ? Measures.PULL
                : study.record().plan().measures().get(0).measure();
        if (section.isPresent() && measure.isPresent()) {
            return new Selection(at, today, section.get(), measure.get());
        }
        Optional<NextReading> next = NextReading.after(study.record(), at, measure.orElse(first), section)
                .filter(n -> section.map(s -> s.equals(n.section())).orElse(true));
        return new Selection(
                at,
                today,
                section.or(() -> next.map(NextReading::section))
                        .orElseGet(() -> study.record().sections().get(0)),
                measure.or(() -> next.map(NextReading::measure)).orElse(first));
    }

    /** A look by its code, if the study's course has such a stage. */
    public static Optional<Look> look(Study study, String code) {
        return Look.ofCode(code)
                .filter(l -> study.record().plan().course().stages().contains(l.stage()));
    }

    private static Iterable<String> codes(Study study) {
        return study.record().sections().stream().map(Section::code).sorted().toList();
    }

    /** The planned look of a day, or the last one read on it, or what it most likely is. */
    private static Look lookOn(Study study, int day) {
        return study.record()
                .plan()
                .visitOn(day)
                .map(Occasion::look)
                .or(() -> study.record().measures().stream()
                        .flatMap(m -> study.record().occasionsRead(m).stream())
                        .filter(o -> o.day() == day)
                        .map(Occasion::look)
                        .max(Comparator.naturalOrder()))
                .orElseGet(() -> Look.at(study.record().plan().stageOn(day)));
    }

    /** The last day on the tape: the last planned day or today, whichever is later, but not long after the plan. */
    /** The last day of the tape. */
    public static int lastDay(Study study, int today) {
        int planned = study.record().plan().lastDay();
        int read =
                study.record().readings().stream().mapToInt(r -> r.day()).max().orElse(0);
        int past = Math.max(planned, read);
        return Math.max(1, Math.max(past, Math.min(today, past + 28)));
    }

    public Selection with(NextReading next) {
        return new Selection(at, today, next.section(), next.measure());
    }

    /** The address of this selection. */
    public String address(Study study) {
        return address(study, section.code(), measure);
    }

    String address(Study study, String sectionCode, Measure chosen) {
        return "/studies/%d?day=%d&stage=%s&section=%s&measure=%s"
                .formatted(study.id(), at.day(), at.look().code(), sectionCode, chosen.code());
    }
}
