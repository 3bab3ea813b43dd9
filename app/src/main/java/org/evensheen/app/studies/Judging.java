package org.evensheen.app.studies;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.FootingReview;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Occasion;
import org.springframework.stereotype.Component;

/** Verdicts and findings on stored studies. A judged revision of a study is remembered; it can't change. */
@Component
public class Judging {
    private final HouseScatterStore house;
    private final Cache<Case, Outcome> known =
            Caffeine.newBuilder().maximumSize(200).build();

    private record Case(long study, long revision, boolean keyOpen, Measure measure, Optional<Occasion> at, int day) {}

    /** A verdict, if there is one yet, and what limits it. */
    public record Outcome(Optional<Verdict> verdict, List<Finding> findings) {}

    Judging(HouseScatterStore house) {
        this.house = house;
    }

    /** The outcome as of a day. */
    public Outcome judge(Study study, Measure measure, int day) {
        Optional<Occasion> at = study.record().judgedBy(day, measure);
        int findingsDay = at.map(Occasion::day).orElse(day);
        Case key = new Case(study.id(), study.revision(), study.keyOpened().isPresent(), measure, at, findingsDay);
        return known.get(key, k -> outcome(study, measure, day));
    }

    /** The outcome of a study as it would be; nothing of it is stored or remembered. */
    Outcome suppose(Study study, Measure measure, int day) {
        return outcome(study, measure, day);
    }

    private Outcome outcome(Study study, Measure measure, int day) {
        return new Outcome(
                Judge.verdict(study.record(), measure, day, house.borrowedFor(study, measure)),
                FootingReview.of(study.record(), measure, day));
    }
}
