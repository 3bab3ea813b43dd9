package org.evensheen.app.studies;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.comparing.HouseScatter;
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.FootingReview;
import org.evensheen.core.study.Measure;
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
            Measure measure,
            Optional<Occasion> at,
            int day,
            Optional<HouseScatter> borrowed) {}

    /** A verdict, if there is one yet, and what limits it. */
    public record Outcome(Optional<Verdict> verdict, List<Finding> findings) {}

    Judging(HouseScatterStore house) {
        this.house = house;
    }

    /** The outcome as of a day. */
    public Outcome judge(Study study, Measure measure, int day) {
        Optional<Occasion> at = study.record().judgedBy(day, measure);
        int findingsDay = at.map(Occasion::day).orElse(day);
        Optional<HouseScatter> borrowed = house.borrowedFor(study, measure);
        Case key = new Case(study.id(), study.revision(), measure, at, findingsDay, borrowed);
        return known.get(key, k -> outcome(study, measure, day, borrowed));
    }

    /** The outcome of a study as it would be; nothing of it is stored or remembered. */
    Outcome suppose(Study study, Measure measure, int day) {
        return outcome(study, measure, day, house.borrowedFor(study, measure));
    }

    private static Outcome outcome(Study study, Measure measure, int day, Optional<HouseScatter> borrowed) {
        return new Outcome(
                Judge.verdict(study.record(), measure, day, borrowed), FootingReview.of(study.record(), measure, day));
    }
}
