package org.evensheen.core.footing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.core.footing.Finding.Kind;
import org.evensheen.core.footing.LabelDeparture.What;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Deviation;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.units.Rounded;

/** Looks a study over and lists what limits it, gravest first. */
public final class FootingReview {
    /** Days for which a gauge check holds: eight weeks. */
    public static final int GAUGE_CHECK_HOLDS = 56;

    private static final int MOST_TOLD = 3;

    private final StudyRecord study;
    private final Measure measure;
    private final Optional<Occasion> at;
    private final List<Integer> checked;
    private final List<Finding> findings = new ArrayList<>();

    private FootingReview(StudyRecord study, Measure measure, Optional<Occasion> at, List<Integer> checked) {
        this.checked = checked;
        this.study = study;
        this.measure = measure;
        this.at = at;
    }

    /**
     * Findings on a study as judged on one measure.
     *
     * @param day the day up to which it is judged
     */
    public static List<Finding> of(StudyRecord study, Measure measure, int day) {
        return of(study, measure, day, List.of());
    }

    /**
     * The same, with checks of instruments that were made outside the study.
     *
     * @param checked days of the study on which one that reads the measure was checked and held; below 0 before the first day
     */
    public static List<Finding> of(StudyRecord study, Measure measure, int day, List<Integer> checked) {
        FootingReview review = new FootingReview(study, measure, study.judgedBy(day, measure), checked);
        if (measure.needsBare()) {
            review.control();
        }
        if (measure.needsBare() && study.plan().course() == Course.VISITS) {
            review.baseline();
        }
        review.findings.addAll(DesignFindings.of(study.contenders(), study.sections(), review.read()));
        review.conduct(day);
        review.labels();
        review.deviations(day);
        return review.findings.stream()
                .sorted(Comparator.comparing((Finding f) -> f.kind().atMost()))
                .toList();
    }

    /** The sections that are compared: those read at the moment that is judged, or all while there is none. */
    private List<Section> read() {
        return at.map(o -> sections(s -> study.mean(s, o, measure).isPresent())).orElse(study.sections());
    }

    private void control() {
        List<Section> bare = study.bareSections().toList();
        if (bare.isEmpty() && ownBefore()) {
            boolean twice = study.contenders().stream()
                    .filter(c -> !c.isControl())
                    .allMatch(c -> read().stream()
                                    .filter(s -> s.contender() == c.number())
                                    .map(Section::row)
                                    .distinct()
                                    .count()
                            > 1);
            add(
                    twice ? Kind.OWN_BEFORE : Kind.OWN_BEFORE_ONCE,
                    "No place was kept bare; each is set against itself as it was before. Day, temperature and the first wash are in it.",
                    twice
                            ? "Keep a bare place beside them, read at the same time."
                            : "Exchange the places and do it again, or keep a bare place beside them.");
        } else if (bare.isEmpty()) {
            add(
                    Kind.NO_BARE_SECTION,
                    "All %d sections carry a product."
                            .formatted(study.sections().size()),
                    "Leave two sections untreated in the next study; nothing can be set against bare in this one.");
        } else {
            at.ifPresent(o -> {
                if (bare.stream().noneMatch(s -> study.mean(s, o, measure).isPresent())) {
                    add(
                            Kind.NO_BARE_READING,
                            "None of %s was read for %s on day %d."
                                    .formatted(codes(bare), measure.words().at(), o.day()),
                            "Read %s on the same day, before the panel changes.".formatted(codes(bare)));
                }
            });
        }
    }

    /** Whether every place that is compared was read before anything was done to it. */
    private boolean ownBefore() {
        List<Section> compared = at.isPresent() ? read() : List.of();
        return !compared.isEmpty()
                && compared.stream()
                        .allMatch(s -> study.occasionsRead(s, measure).stream()
                                .anyMatch(o -> o.stage().untouched() && at.get().compareTo(o) > 0));
    }

    private void baseline() {
        List<Section> beading = sections(this::beadsAtStart);
        List<Section> unproven = sections(s -> water(s).findAny().isEmpty());
        if (!beading.isEmpty()) {
            add(
                    Kind.BASELINE_NOT_BARE,
                    "Water stood on %s before anything was applied (a drop above 45°, or graded above 0)."
                            .formatted(codes(beading)),
                    "Strip again until water lies flat everywhere, and start over.");
        } else if (!unproven.isEmpty()) {
            add(
                    Kind.BASELINE_UNPROVEN,
                    "No drop and no grade on %s of %d sections before anything was applied."
                            .formatted(
                                    unproven.size() == study.sections().size() ? "any" : codes(unproven),
                                    study.sections().size()),
                    "Next time, wet every stripped section and grade it, or measure a drop, before applying.");
        }
    }

    /** Occasions at the bare stage with a look at water on this section. */
    private Stream<Occasion> water(Section section) {
        return Measures.all().stream()
                .filter(m -> m.bareUpTo().isPresent())
                .flatMap(m -> study.firstRead(section, Stage.BARE, m).stream());
    }

    private boolean beadsAtStart(Section section) {
        return Measures.all().stream()
                .filter(m -> m.bareUpTo().isPresent())
                .anyMatch(m -> over(section, m, m.bareUpTo().getAsDouble()));
    }

    private boolean over(Section section, Measure water, double limit) {
        Optional<Occasion> last = study.occasionsRead(water).stream()
                .filter(o -> o.stage() == Stage.BARE
                        && !study.readings(section, o, water).isEmpty())
                .max(Comparator.naturalOrder());
        return last.flatMap(o -> study.mean(section, o, water))
                .filter(spread -> spread.mean() > limit)
                .isPresent();
    }

    private void conduct(int day) {
        at.ifPresent(o -> {
            List<Section> unread = sections(s -> study.mean(s, o, measure).isEmpty());
            if (!unread.isEmpty()) {
                add(
                        Kind.SECTIONS_UNREAD,
                        "%d of %d sections have no %s on day %d."
                                .formatted(
                                        unread.size(),
                                        study.sections().size(),
                                        measure.words().one(),
                                        o.day()),
                        "Read %s too, on the same day.".formatted(codes(unread)));
            }
        });
        int judged = at.map(Occasion::day).orElse(day);
        happened(Happening.Kind.TOPPED)
                .filter(d -> d <= judged)
                .findFirst()
                .ifPresent(d -> add(
                        Kind.TOPPED_MIDWAY,
                        "Something was put on top on day %d.".formatted(d),
                        "Judge day %d or earlier, or start over without toppers.".formatted(Math.max(0, d - 1))));
        Optional<Integer> last = Stream.concat(happened(Happening.Kind.GAUGE_CHECKED), checked.stream())
                .filter(d -> d <= judged)
                .max(Comparator.naturalOrder());
        if (measure.probe().isPresent()
                && last.filter(d -> judged - d <= GAUGE_CHECK_HOLDS).isEmpty()) {
            add(
                    Kind.GAUGE_UNCHECKED,
                    last.map(d -> "Last checked on day %d, %d days before.".formatted(d, judged - d))
                            .orElse("No check of the gauge is on the tape."),
                    "Check the gauge against a known weight and mark it on the tape.");
        }
        wetting(judged);
        if (happened(Happening.Kind.WEATHER_NOTED).noneMatch(d -> d == judged)) {
            add(
                    Kind.WEATHER_UNLOGGED,
                    "No air or panel temperature is on the tape for day %d.".formatted(judged),
                    "Note the weather on the tape when you read.");
        }
    }

    /** Looks that were wetted otherwise than the first ones are set against nothing before. */
    private void wetting(int judged) {
        study.sections().stream()
                .flatMap(s -> study.firstRead(s, Stage.FRESH, measure).stream())
                .map(Occasion::day)
                .filter(d -> d <= judged && !study.wettedAlike(measure, d, judged))
                .min(Comparator.naturalOrder())
                .ifPresent(d -> add(
                        Kind.WETTED_OTHERWISE,
                        "Day %d was wetted by %s, day %d by %s."
                                .formatted(
                                        d,
                                        study.wettedOn(d).orElseThrow().label(),
                                        judged,
                                        study.wettedOn(judged).orElseThrow().label()),
                        "Wet it as for the first readings and look again; what is left is not told until then."));
    }

    /** What went otherwise by the day that is judged. */
    private void deviations(int day) {
        int judged = at.map(Occasion::day).orElse(day);
        List<Deviation> all =
                study.deviations().stream().filter(d -> d.day() <= judged).toList();
        said(
                all,
                Deviation.Kind.BARE_GATE,
                Kind.BASELINE_UNPROVEN,
                "Start over from a bare bed for a result to publish.");
        said(all, Deviation.Kind.RESIDUE_GATE, Kind.RESIDUE_LEFT, "Rinse, dry, wet again and read once more.");
        said(
                all,
                Deviation.Kind.CURE_GATE,
                Kind.CURE_CUT_SHORT,
                "Wait out the cure next time; the label says how long.");
        said(
                all,
                Deviation.Kind.WEATHER,
                Kind.OUT_OF_WEATHER,
                "Apply again inside the limits, or say so in the verdict.");
        said(
                all,
                Deviation.Kind.NOTED,
                Kind.DEVIATION_NOTED,
                "Say it in the verdict; leave such a section out of a retest.");
    }

    private void said(List<Deviation> all, Deviation.Kind what, Kind kind, String remedy) {
        List<Deviation> these = all.stream().filter(d -> d.kind() == what).toList();
        if (these.isEmpty()) {
            return;
        }
        String told = these.stream()
                .limit(MOST_TOLD)
                .map(d -> "Day %d%s: %s."
                        .formatted(
                                d.day(),
                                d.section().map(s -> ", " + s).orElse(""),
                                d.words().replaceFirst("\\.$", "")))
                .collect(Collectors.joining(" "));
        String rest = these.size() > MOST_TOLD ? " And %d more.".formatted(these.size() - MOST_TOLD) : "";
        // What was seen of the baseline says more than that somebody went on; the two are told together.
        Optional<Finding> known = findings.stream()
                .filter(f -> f.kind() == kind || kind == Kind.BASELINE_UNPROVEN && f.kind() == Kind.BASELINE_NOT_BARE)
                .findFirst();
        if (known.isPresent()) {
            Finding f = known.get();
            findings.set(findings.indexOf(f), new Finding(f.kind(), f.numbers() + " " + told + rest, f.remedy()));
        } else {
            add(kind, told + rest, remedy);
        }
    }

    private void labels() {
        List<Contender> products =
                study.contenders().stream().filter(c -> !c.isControl()).toList();
        List<Contender> unknown = products.stream()
                .filter(c -> study.applications().stream()
                        .noneMatch(a -> a.contender() == c.number() && a.label().isPresent()))
                .toList();
        if (!unknown.isEmpty()) {
            add(
                    Kind.LABEL_UNPROVEN,
                    "How %d of %d products were put on is not noted against a label."
                            .formatted(unknown.size(), products.size()),
                    "Enter their labels on the Shelf, and note dose, wait and coats under “What was done”.");
        }
        departed(
                Kind.DOSE_BEYOND_LABEL,
                d -> d.what() == What.DOSE && d.grave(),
                "went on at %s× the label's upper dose",
                "Give the label's dose in the next study; a buyer will.");
        departed(
                Kind.WAIT_OUTSIDE_LABEL,
                d -> d.what() == What.WAIT && d.departed(),
                "waited %s× the label's time before buffing or rinsing",
                "Apply fewer sections at a time, so that every window can be kept.");
        departed(
                Kind.LABEL_DEPARTED,
                d -> d.departed() && d.what() != What.WAIT && !(d.what() == What.DOSE && d.grave()),
                "got %s× what the label asks",
                "Follow the label in dose and coats, or say in the verdict why not.");
    }

    /** Adds a finding if products departed from their labels in some way; the farthest is told. */
    private void departed(Kind kind, Predicate<LabelDeparture> how, String did, String remedy) {
        Set<Integer> products = new TreeSet<>();
        List<Departure> found = new ArrayList<>();
        for (Application application : study.applications()) {
            LabelDeparture.of(application).stream().filter(how).forEach(d -> {
                products.add(application.contender());
                found.add(d.departure().orElseThrow());
            });
        }
        long all = study.contenders().stream().filter(c -> !c.isControl()).count();
        found.stream()
                .max(Comparator.comparingDouble(d -> Math.abs(Math.log(d.factor()))))
                .ifPresent(d -> add(
                        kind,
                        "%d of %d products %s."
                                .formatted(products.size(), all, did.formatted(Rounded.factor(d.factor()))),
                        remedy));
    }

    private Stream<Integer> happened(Happening.Kind kind) {
        return study.happenings().stream().filter(h -> h.kind() == kind).map(Happening::day);
    }

    private List<Section> sections(Predicate<Section> which) {
        return study.sections().stream().filter(which).toList();
    }

    private static String codes(List<Section> sections) {
        return sections.stream().map(Section::code).collect(Collectors.joining(", "));
    }

    private void add(Kind kind, String numbers, String remedy) {
        findings.add(new Finding(kind, numbers, remedy));
    }
}
