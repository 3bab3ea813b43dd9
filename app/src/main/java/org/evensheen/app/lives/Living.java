package org.evensheen.app.lives;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.evensheen.app.studies.Study;
import org.evensheen.core.label.Label;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Contender;
import org.evensheen.core.wear.Axis;
import org.evensheen.core.wear.Wear;
import org.springframework.stereotype.Component;

/** How long products last, worked out once for a revision of a study and what its labels say; neither can change behind it. */
@Component
public class Living {
    private final Cache<Case, Wear> known =
            Caffeine.newBuilder().maximumSize(200).build();

    private record Case(
            long study,
            long revision,
            boolean byCode,
            Measure measure,
            Axis axis,
            int until,
            Map<Integer, Label> labels) {}

    /** Until a day. */
    public Wear of(Study study, Measure measure, Axis axis, int until) {
        Map<Integer, Label> labels = labels(study);
        return known.get(
                new Case(study.id(), study.revision(), study.judgedByCode(), measure, axis, until, labels),
                c -> Wear.of(study.record(), measure, axis, until, labels));
    }

    /** How the promises of labels to last stand, in words, each with its product; by the measure that tells most. */
    public List<String> promises(Study study, Measure measure, LocalDate today) {
        int until = Math.max(0, (int) ChronoUnit.DAYS.between(study.firstDay(), today));
        Wear wear = of(study, measure, Axis.WEEKS, until);
        return wear.promises().stream()
                .map(p -> study.record().contenders().get(p.contender()).name() + ": "
                        + LifeWords.promise(study, today, wear, p))
                .toList();
    }

    /** What labels say, as far as it may be seen: while products go by code, nothing. */
    public static Map<Integer, Label> labels(Study study) {
        Map<Integer, Label> labels = new TreeMap<>();
        for (Contender c : study.record().contenders()) {
            study.label(c.number()).ifPresent(l -> labels.put(c.number(), l));
        }
        return labels;
    }
}
