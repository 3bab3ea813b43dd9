package org.evensheen.core.sidebyside;

import java.util.List;
import java.util.Optional;
import org.evensheen.core.comparing.Drawn;
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.measure.Scale;

/**
 * What an afternoon of several rounds found in amounts, counts or times, so that it can be set beside what others found. Answers about pairs and levels have no unit that two afternoons
 * share, and one round can't tell a product from its place.
 *
 * @param alike only what has the same words here is compared
 * @param scale on which the means lie
 * @param names of the contenders, in the order of {@link Drawn#products()}
 */
public record Found(Quality quality, String alike, Scale scale, List<String> names, Drawn drawn) {

    /** All that was found, question by question. */
    public static List<Found> of(Comparison c) {
        return c.questions().stream()
                .filter(q -> q.form() != Question.Form.RUNG && !q.better().isEmpty())
                .flatMap(q -> of(c, q).stream())
                .toList();
    }

    private static Optional<Found> of(Comparison c, Question q) {
        Optional<Measure> measure =
                q.measure().map(m -> Rows.told(c, q, m)).filter(m -> m.scale().linear());
        return measure.filter(m -> m.quality().isPresent())
                .flatMap(m -> Judge.drawn(c.record(q, m), m, 0, Optional.empty())
                        .map(d -> new Found(
                                m.quality().orElseThrow(),
                                m.words().at() + ", " + q.label() + ", side by side",
                                m.scale(),
                                d.products().stream()
                                        .map(n -> c.contenders().get(n).name())
                                        .toList(),
                                d)));
    }

    /** Whether differences are of logarithms, and told as times as much. */
    public boolean asTimes() {
        return scale == Scale.LOG;
    }
}
