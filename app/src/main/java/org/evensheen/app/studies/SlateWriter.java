package org.evensheen.app.studies;

import java.time.Clock;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Slate.Chip;
import org.evensheen.app.studies.Slate.Choice;
import org.evensheen.app.studies.Slate.Row;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.schedule.NextReading;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.evensheen.core.study.StudyRecord;
import org.springframework.stereotype.Component;

/** Writes the Slate for a selection. */
@Component
class SlateWriter {
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH);

    private final ZoneId zone;

    SlateWriter(Clock clock) {
        zone = clock.getZone();
    }

    /** What was typed and what came of it; empty when the page is only looked at. */
    record Typed(
            Optional<TypedEntry> entry, Optional<Long> correcting, Optional<Slate.Notice> notice, Optional<UUID> key) {
        static final Typed NOTHING = new Typed(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    Slate write(Study study, Selection selection, String standing, Typed typed) {
        StudyRecord record = study.record();
        NextReading next = NextReading.on(record, selection.at(), selection.section(), selection.measure());
        Optional<Slate.Correction> correction =
                typed.correcting().flatMap(id -> correction(study, selection, id, typed));
        boolean ahead = selection.at().day() > selection.today();
        return new Slate(
                selection.section().code(),
                selection.at().look().code(),
                selection.measure().code(),
                correction.isPresent() || ahead ? null : entry(study, selection, next, typed),
                correction.orElse(null),
                typed.notice().orElse(null),
                Effect.words(record, selection.section(), selection.at(), selection.measure()),
                standing,
                ahead
                        ? "Day %d is still to come. What is drawn is what was last read."
                                .formatted(selection.at().day())
                        : done(study, selection),
                neighbours(study, selection));
    }

    Slate.Read read(Study study, Selection selection) {
        return new Slate.Read(
                "/studies/" + study.id(),
                selection.at().day(),
                selection.section().code(),
                selection.section().name(),
                when(selection),
                study.record().happenings().stream()
                        .filter(h -> h.day() == selection.at().day())
                        .map(TapeDrawing::words)
                        .collect(java.util.stream.Collectors.joining("; ")),
                stages(study, selection),
                rows(study, selection));
    }

    /** How the bed is wetted for this look, as it was last said. */
    private static String wetted(Study study, Selection selection, Measure measure) {
        return Optional.of(selection.at().day())
                .filter(d -> measure.wetted())
                .flatMap(study.record()::wettedOn)
                .map(w -> "Wetted by %s.".formatted(w.label()))
                .orElse("");
    }

    private static String done(Study study, Selection selection) {
        return NextReading.after(study.record(), selection.at(), selection.measure(), Optional.of(selection.section()))
                        .isPresent()
                ? ""
                : "All that was planned for %s is read."
                        .formatted(selection.at().day() == selection.today() ? "today" : "this day");
    }

    private static String when(Selection selection) {
        int ago = selection.today() - selection.at().day();
        return switch (ago) {
            case 0 -> "today";
            case 1 -> "yesterday";
            default -> ago > 0 ? ago + " days ago" : "in " + Figures.count(-ago, "day", "days");
        };
    }

    private static List<Choice> stages(Study study, Selection selection) {
        return looks(study, selection)
                .map(look -> new Choice(
                        look.code(),
                        look.label(),
                        new Selection(
                                        new Occasion(selection.at().day(), look),
                                        selection.today(),
                                        selection.section(),
                                        selection.measure())
                                .address(study),
                        look.equals(selection.at().look())))
                .toList();
    }

    /** Every stage of the course after the step that is looked at, and whatever else was read that day. */
    private static Stream<Look> looks(Study study, Selection selection) {
        int step = selection.at().look().step();
        return Stream.concat(
                        study.record().plan().course().stages().stream().map(s -> new Look(s, step)),
                        study.record().readings().stream()
                                .filter(r -> r.day() == selection.at().day())
                                .map(r -> r.at().look()))
                .distinct()
                .sorted();
    }

    private List<Row> rows(Study study, Selection selection) {
        List<Measure> planned = study.record().plan().measures().stream()
                .map(Plan.Planned::measure)
                .toList();
        List<KeptReading> here = study.readings().stream()
                .filter(k -> k.occasion().equals(selection.at())
                        && k.reading().section().equals(selection.section().code()))
                .toList();
        return study.record().measures().stream()
                .filter(m -> m.readAs() == m)
                .sorted(Comparator.comparingInt(m -> planned.contains(m) ? planned.indexOf(m) : 99))
                .map(measure -> row(study, selection, measure, here))
                .toList();
    }

    private Row row(Study study, Selection selection, Measure measure, List<KeptReading> here) {
        Section section = selection.section();
        List<Chip> chips = here.stream()
                .filter(k -> measure == selection.measure() && k.reading().measure() == measure)
                .sorted(Comparator.comparingInt((KeptReading k) -> k.reading().repeat())
                        .thenComparing(k -> k.stands() ? 1 : 0))
                .map(k -> chip(study, selection, k))
                .toList();
        Optional<Spread> spread = study.record().mean(section, selection.at(), measure);
        String mean = spread.map(s -> Figures.score(measure, s.mean()) + spread(measure, s))
                .orElse("");
        boolean complete =
                NextReading.on(study.record(), selection.at(), section, measure).extra();
        return new Row(
                measure.label(),
                selection.address(study, section.code(), measure),
                measure == selection.measure(),
                complete && spread.isPresent(),
                chips,
                mean,
                Effect.against(study.record(), section, selection.at(), measure));
    }

    private static String spread(Measure measure, Spread spread) {
        return spread.deviation().isPresent()
                ? " ± "
                        + Figures.bare(
                                spread.deviation().getAsDouble(),
                                measure.scoreUnit(),
                                Math.max(1, measure.scoreDecimals()))
                : "";
    }

    private Chip chip(Study study, Selection selection, KeptReading kept) {
        String title = kept.strike()
                .map(s -> "Struck out by %s, %s: %s".formatted(s.by(), WHEN.format(s.at().atZone(zone)), s.because()))
                .orElse("Kept by %s, %s. Correct or strike it out."
                        .formatted(kept.keptBy(), WHEN.format(kept.keptAt().atZone(zone))));
        return new Chip(
                kept.id(),
                Figures.seenBare(kept.reading().seen()),
                !kept.stands(),
                title,
                new Selection(
                                        selection.at(),
                                        selection.today(),
                                        selection.section(),
                                        kept.reading().measure())
                                .address(study)
                        + "&correct=" + kept.id());
    }

    private static Slate.Entry entry(Study study, Selection selection, NextReading next, Typed typed) {
        Measure measure = selection.measure();
        TypedEntry what = typed.entry().orElse(TypedEntry.blank(measure));
        int planned = study.record().plan().repeatsOf(measure);
        boolean inPlan = study.record().plan().asksFor(measure);
        String draft = "%d/%d/%s/%s/%s/%d"
                        .formatted(
                                study.id(),
                                selection.at().day(),
                                selection.at().look().code(),
                                next.section().code(),
                                measure.code(),
                                next.repeat())
                + what.draft();
        return new Slate.Entry(
                typed.key().orElseGet(UUID::randomUUID),
                selection.at().day(),
                selection.at().look().code(),
                next.section().code(),
                measure.code(),
                next.repeat(),
                asked(measure, next.repeat()),
                what.fields(),
                what.choices(before(study, selection)),
                wetted(study, selection, measure),
                next.extra()
                        ? inPlan
                                ? "The plan's %s in. This would be one on top."
                                        .formatted(planned == 1 ? "one is" : planned + " are")
                                : "Not in the plan. It is kept all the same."
                        : "",
                takes(study, measure),
                draft);
    }

    private static String asked(Measure measure, int repeat) {
        String once = measure.words().once();
        return once.isEmpty() || repeat > 1
                ? Figures.ordinal(repeat) + " " + measure.words().one()
                : once;
    }

    private static List<Slate.Take> takes(Study study, Measure measure) {
        return study.instruments().stream()
                .filter(i -> measure.probe().equals(Optional.of(i.probe())))
                .map(i -> new Slate.Take(i.id(), i.name()))
                .toList();
    }

    /**
     * What was chosen before on this section comes chosen, all but what keeps the reading: its water kind, its jar. A product's own kind would
     * give it away.
     */
    private static Map<String, String> before(Study study, Selection selection) {
        return study.record().readings().stream()
                .filter(r -> r.section().equals(selection.section().code()) && r.measure() == selection.measure())
                .map(r -> r.seen().typed())
                .reduce((first, last) -> last)
                .orElse(Map.of());
    }

    private Optional<Slate.Correction> correction(Study study, Selection selection, long id, Typed typed) {
        return study.readings().stream().filter(k -> k.id() == id).findFirst().map(kept -> {
            Measure measure = kept.reading().measure();
            TypedEntry what = typed.entry().orElse(TypedEntry.of(kept.reading().seen()));
            return new Slate.Correction(
                    typed.key().orElseGet(UUID::randomUUID),
                    id,
                    "%s %s on %s"
                            .formatted(
                                    Figures.ordinal(kept.reading().repeat()),
                                    measure.words().one(),
                                    kept.reading().section()),
                    Figures.seen(kept.reading().seen()),
                    what.fields(),
                    what.choices(Map.of()),
                    what.because(),
                    what.becauseProblem(),
                    selection.address(study),
                    kept.stands(),
                    history(study, kept));
        });
    }

    /** Who kept, struck and replaced what in this slot, oldest first. */
    private List<String> history(Study study, KeptReading of) {
        List<String> lines = new ArrayList<>();
        for (KeptReading kept : study.readings()) {
            boolean same = kept.reading().section().equals(of.reading().section())
                    && kept.occasion().equals(of.occasion())
                    && kept.reading().measure() == of.reading().measure()
                    && kept.reading().repeat() == of.reading().repeat();
            if (same) {
                lines.add("%s kept by %s, %s"
                        .formatted(
                                Figures.seenBare(kept.reading().seen()),
                                kept.keptBy(),
                                WHEN.format(kept.keptAt().atZone(zone))));
                kept.strike()
                        .ifPresent(s -> lines.add("struck by %s, %s: %s"
                                .formatted(s.by(), WHEN.format(s.at().atZone(zone)), s.because())));
            }
        }
        return lines;
    }

    private static Slate.Neighbours neighbours(Study study, Selection selection) {
        List<Section> all = study.record().sections();
        int here = all.indexOf(selection.section());
        return new Slate.Neighbours(
                selection.address(
                        study, all.get((here + all.size() - 1) % all.size()).code(), selection.measure()),
                selection.address(study, all.get((here + 1) % all.size()).code(), selection.measure()));
    }
}
