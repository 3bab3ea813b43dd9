package org.evensheen.core.study;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.water.Wetting;

/** Everything that is known of a study at one moment; it never changes, a new reading makes a new record. */
public final class StudyRecord {
    private final long seed;
    private final List<Contender> contenders;
    private final List<Section> sections;
    private final Plan plan;
    private final List<Happening> happenings;
    private final List<Application> applications;
    private final List<Deviation> deviations;
    private final List<Reading> readings;
    private final Map<String, Section> byCode = new HashMap<>();
    private final Map<Slot, List<Reading>> bySlot = new HashMap<>();
    private final Map<Score, Optional<Spread>> means = new ConcurrentHashMap<>();

    private final Map<Measure, List<Occasion>> byMeasure;
    private final Map<Line, List<Occasion>> byLine;

    private record Slot(String section, Occasion at, Measure measure) {}

    /** A measure of what stands in a slot, which may be one of several looks at the same readings. */
    private record Score(Slot slot, Measure measure) {}

    private record Line(String section, Measure measure) {}

    /**
     * @param seed the stored seed behind the lots and every draw
     * @param contenders in the order of their numbers, from 0
     * @throws IllegalArgumentException if a section names no contender, a code stands twice, a reading names no
     *     section, or the same repeat stands twice
     */
    public StudyRecord(
            long seed,
            List<Contender> contenders,
            List<Section> sections,
            Plan plan,
            List<Happening> happenings,
            List<Application> applications,
            List<Deviation> deviations,
            List<Reading> readings) {
        this.seed = seed;
        this.contenders = List.copyOf(contenders);
        this.sections = sections.stream()
                .sorted(Comparator.comparingDouble(Section::yMm).thenComparingDouble(Section::xMm))
                .toList();
        this.plan = plan;
        this.happenings = List.copyOf(happenings);
        this.applications = List.copyOf(applications);
        this.deviations = List.copyOf(deviations);
        this.readings = List.copyOf(readings);
        for (Section section : sections) {
            Objects.checkIndex(section.contender(), contenders.size());
            require(byCode.put(section.code(), section) == null, () -> "two sections are coded " + section.code());
        }
        for (Reading reading : readings) {
            require(byCode.containsKey(reading.section()), () -> "there is no section " + reading.section());
            List<Reading> slot = bySlot.computeIfAbsent(
                    new Slot(reading.section(), reading.at(), reading.measure()), s -> new ArrayList<>());
            require(
                    slot.stream()
                            .noneMatch(r -> r.repeat() == reading.repeat()
                                    && r.observer().equals(reading.observer())),
                    () -> "a repeat stands twice: " + reading);
            slot.add(reading);
        }
        bySlot.values().forEach(slot -> slot.sort(Comparator.comparingInt(Reading::repeat)));
        byMeasure = occasions(Slot::measure);
        byLine = occasions(slot -> new Line(slot.section, slot.measure));
    }

    /** A study without deviations. */
    public StudyRecord(
            long seed,
            List<Contender> contenders,
            List<Section> sections,
            Plan plan,
            List<Happening> happenings,
            List<Application> applications,
            List<Reading> readings) {
        this(seed, contenders, sections, plan, happenings, applications, List.of(), readings);
    }

    /** A study of whose applications nothing was noted. */
    public StudyRecord(
            long seed,
            List<Contender> contenders,
            List<Section> sections,
            Plan plan,
            List<Happening> happenings,
            List<Reading> readings) {
        this(seed, contenders, sections, plan, happenings, List.of(), List.of(), readings);
    }

    /** The occasions of all slots that share a key, in order. */
    private <K> Map<K, List<Occasion>> occasions(Function<Slot, K> key) {
        return bySlot.keySet().stream()
                .collect(Collectors.groupingBy(
                        key,
                        Collectors.collectingAndThen(
                                Collectors.mapping(Slot::at, Collectors.toCollection(TreeSet::new)), List::copyOf)));
    }

    private static void require(boolean holds, Supplier<String> otherwise) {
        if (!holds) {
            throw new IllegalArgumentException(otherwise.get());
        }
    }

    public long seed() {
        return seed;
    }

    public List<Contender> contenders() {
        return contenders;
    }

    /** What a place of it can be read with: every measure of a study, and whatever else was planned or read. */
    public List<Measure> measures() {
        return Stream.concat(
                        Measures.all().stream(),
                        Stream.concat(
                                plan.measures().stream().map(Plan.Planned::measure),
                                byMeasure.keySet().stream().sorted(Comparator.comparing(Measure::code))))
                .distinct()
                .toList();
    }

    /** How the bed was wetted for looks on a day, as it was last said by then; empty if it never was. */
    public Optional<Wetting> wettedOn(int day) {
        return happenings.stream()
                .filter(h -> h.day() <= day && h.wetting().isPresent())
                .reduce((one, next) -> next.day() >= one.day() ? next : one)
                .flatMap(Happening::wetting);
    }

    /** Whether looks on two days may be set against each other: not if what they look at is known to have been wetted in different ways. */
    public boolean wettedAlike(Measure measure, int one, int other) {
        return !measure.wetted()
                || wettedOn(one).isEmpty()
                || wettedOn(other).isEmpty()
                || wettedOn(one).equals(wettedOn(other));
    }

    /** Sections in reading order: row by row from the top, left to right. */
    public List<Section> sections() {
        return sections;
    }

    public Plan plan() {
        return plan;
    }

    public List<Happening> happenings() {
        return happenings;
    }

    /** How products were put on, as far as it was noted. */
    public List<Application> applications() {
        return applications;
    }

    /** What went otherwise than it should. */
    public List<Deviation> deviations() {
        return deviations;
    }

    public List<Reading> readings() {
        return readings;
    }

    public Optional<Section> section(String code) {
        return Optional.ofNullable(byCode.get(code));
    }

    public Contender contenderOn(Section section) {
        return contenders.get(section.contender());
    }

    public Stream<Section> sectionsOf(Contender contender) {
        return sections.stream().filter(s -> s.contender() == contender.number());
    }

    /** Sections of the control: the bare ones, or without any the untreated ones. */
    public Stream<Section> bareSections() {
        List<Section> bare =
                sections.stream().filter(s -> contenderOn(s).isBare()).toList();
        return bare.isEmpty() ? sections.stream().filter(s -> contenderOn(s).isControl()) : bare.stream();
    }

    /** Readings that stand in one slot, by repeat. */
    public List<Reading> readings(Section section, Occasion at, Measure measure) {
        return bySlot.getOrDefault(slot(section, at, measure), List.of());
    }

    private static Slot slot(Section section, Occasion at, Measure measure) {
        return new Slot(section.code(), at, measure.readAs());
    }

    /**
     * Mean and spread of the repeats in one slot, in the measure's score unit; empty if nothing was read, or if what was seen in any of
     * them has no such score.
     */
    public Optional<Spread> mean(Section section, Occasion at, Measure measure) {
        return means.computeIfAbsent(new Score(slot(section, at, measure), measure), score -> {
            List<Double> scores = scores(section, at, measure);
            return scores.isEmpty() ? Optional.empty() : Optional.of(Spread.of(scores));
        });
    }

    /** Scores of the repeats in one slot; empty if any of them has none. */
    public List<Double> scores(Section section, Occasion at, Measure measure) {
        List<OptionalDouble> scores = readings(section, at, measure).stream()
                .map(r -> measure.score(r.seen(), section.areaSquareMetres()))
                .toList();
        return scores.stream().allMatch(OptionalDouble::isPresent)
                ? scores.stream().map(OptionalDouble::getAsDouble).toList()
                : List.of();
    }

    /** Every occasion on which this measure was read on any section, in order. */
    public List<Occasion> occasionsRead(Measure measure) {
        return byMeasure.getOrDefault(measure.readAs(), List.of());
    }

    /** Every occasion on which this measure was read on this section, in order. */
    public List<Occasion> occasionsRead(Section section, Measure measure) {
        return byLine.getOrDefault(new Line(section.code(), measure.readAs()), List.of());
    }

    /** The first occasion of a stage on which this measure was read on this section. */
    public Optional<Occasion> firstRead(Section section, Stage stage, Measure measure) {
        return occasionsRead(section, measure).stream()
                .filter(o -> o.stage() == stage)
                .findFirst();
    }

    /** The same study with another seed behind its draws. */
    public StudyRecord drawnWith(long other) {
        return other == seed
                ? this
                : new StudyRecord(other, contenders, sections, plan, happenings, applications, deviations, readings);
    }

    /** The same study with one more reading: what the standing would be if it were kept. */
    public StudyRecord with(Reading reading) {
        return new StudyRecord(
                seed,
                contenders,
                sections,
                plan,
                happenings,
                applications,
                deviations,
                Stream.concat(readings.stream(), Stream.of(reading)).toList());
    }

    /** Whether products may be compared at a moment. */
    public boolean counts(Occasion at) {
        return plan.course().counts(at.stage());
    }

    /** The latest judged occasion up to a day on which at least two products were read; empty if there is none. */
    public Optional<Occasion> judgedBy(int day, Measure measure) {
        return occasionsRead(measure).stream()
                .filter(o -> o.day() <= day && counts(o))
                .filter(o -> contenders.stream()
                                .filter(c -> !c.isControl())
                                .filter(c -> sectionsOf(c)
                                        .anyMatch(s -> mean(s, o, measure).isPresent()))
                                .count()
                        >= 2)
                .max(Comparator.naturalOrder());
    }
}
