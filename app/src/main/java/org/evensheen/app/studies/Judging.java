package org.evensheen.app.studies;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.comparing.Drawn;
import org.evensheen.core.comparing.HouseScatter;
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.footing.BlindReview;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.FootingReview;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Occasion;
import org.springframework.stereotype.Component;

/**
 * Verdicts and findings on stored studies. A judged revision of a study is remembered, with the scatter that it borrowed;
 * it can't change.
 */
@Component
public class Judging {
    private final HouseScatterStore house;
    private final Cache<Case, Outcome> known =
            Caffeine.newBuilder().maximumSize(200).build();

    private record Case(
            long study,
            long revision,
            boolean byCode,
            Measure measure,
            Optional<Occasion> at,
            int day,
            Optional<HouseScatter> borrowed,
            List<Integer> checked) {}

    /** A verdict, if there is one yet, and what limits it. */
    public record Outcome(Optional<Verdict> verdict, List<Finding> findings) {}

    Judging(HouseScatterStore house) {
        this.house = house;
    }

    /** The outcome as of a day. */
    public Outcome judge(Study study, Measure measure, int day) {
        Optional<Occasion> at = study.record().judgedBy(day, measure);
        int findingsDay = at.map(Occasion::day).orElse(day);
        Optional<HouseScatter> borrowed = house.borrowedFor(study, measure, at);
        Case key = new Case(
                study.id(),
                study.revision(),
                study.judgedByCode(),
                measure,
                at,
                findingsDay,
                borrowed,
                checked(study, measure));
        return known.get(key, k -> outcome(study, measure, day, borrowed));
    }

    /** What is true of each product on a measure as far as it is known, judged as of a day; empty where nothing can be drawn of it. */
    public Optional<Drawn> drawn(Study study, Measure measure, int day) {
        return Judge.drawn(
                study.record(),
                measure,
                day,
                house.borrowedFor(study, measure, study.record().judgedBy(day, measure)));
    }

    /** The outcome of a study as it would be; nothing of it is stored or remembered. */
    Outcome suppose(Study study, Measure measure, int day) {
        return outcome(
                study,
                measure,
                day,
                house.borrowedFor(study, measure, study.record().judgedBy(day, measure)));
    }

    private static Outcome outcome(Study study, Measure measure, int day, Optional<HouseScatter> borrowed) {
        // What limits a study follows from what is behind its codes, and is told in counts; places go by what may be
        // seen.
        List<Finding> findings =
                new ArrayList<>(FootingReview.of(study.behind().record(), measure, day, checked(study, measure)));
        if (measure.byEye()) {
            byEye(study).ifPresent(findings::add);
            findings.sort(Comparator.comparing(f -> f.kind().atMost()));
        }
        return new Outcome(
                Judge.verdict(study.record().drawnWith(study.behind().record().seed()), measure, day, borrowed),
                List.copyOf(findings));
    }

    /** Days of the study on which an instrument of the Kit that reads the measure was checked, and held. */
    private static List<Integer> checked(Study study, Measure measure) {
        return study.instruments().stream()
                .filter(i -> measure.probe().equals(Optional.of(i.probe())))
                .flatMap(i -> i.heldOn().stream())
                .map(on -> (int) ChronoUnit.DAYS.between(study.firstDay(), on))
                .sorted()
                .toList();
    }

    /** What limits the readings by eye of a study: whether those who looked had seen names; empty if all looked blind. */
    public static Optional<Finding> byEye(Study study) {
        return BlindReview.of(
                study.readings().stream()
                        .filter(KeptReading::stands)
                        .filter(k -> k.reading().measure().byEye()
                                && !k.reading().stage().untouched())
                        .map(k -> new BlindReview.Look(k.reading().section(), k.keptAt(), k.keptBy()))
                        .toList(),
                study.seen().stream()
                        .map(s -> new BlindReview.Seen(s.sections(), s.at(), s.by()))
                        .toList(),
                study.keyOpened().map(Study.Opened::at),
                study.behind().record().contenders().stream()
                        .anyMatch(c ->
                                !c.isControl() && (c.source() == Source.GIFTED || c.source() == Source.SPONSORED)));
    }
}
