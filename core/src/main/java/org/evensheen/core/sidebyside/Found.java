package org.evensheen.core.sidebyside;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.evensheen.core.comparing.Drawn;
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.measure.Scale;

/**
 * What an afternoon found on one quality, as amounts with their uncertainty.
 *
 * @param label of the question
 * @param alike only what has the same words here is compared
 * @param scale on which the means lie
 * @param names of the contenders, in the order of {@link Drawn#products()}
 */
public record Found(Quality quality, String label, String alike, Scale scale, List<String> names, Drawn drawn) {

    /**
     * Everything on which contenders lie apart in a way that can be weighed, question by question: amounts, counts and times of several rounds; levels of several rounds and answers about pairs
     * on the scale behind them.
     */
    public static List<Found> all(Comparison c) {
        Set<String> unused = Sheet.unused(Steadiness.of(
                c.questions().stream().flatMap(q -> c.ballots(q).stream()).toList()));
        return c.questions().stream()
                .filter(q -> comparable(c, q))
                .flatMap(q -> q.form() == Question.Form.PAIR
                        ? Rows.preferred(c, q, unused).stream().map(d -> found(c, q, Scale.PAIR, "", d))
                        : judged(c, q, m -> true).stream())
                .flatMap(Optional::stream)
                .toList();
    }

    /**
     * What can be set beside what others found: amounts, counts or times. Answers about pairs and levels have no unit that two afternoons share, and one round can't tell a product from its place.
     */
    public static List<Found> of(Comparison c) {
        return c.questions().stream()
                .filter(q -> comparable(c, q))
                .flatMap(q -> judged(c, q, m -> m.scale().linear()).stream())
                .flatMap(Optional::stream)
                .toList();
    }

    /** Whether it was looked at in one way, and says which is better. */
    private static boolean comparable(Comparison c, Question q) {
        return q.form() != Question.Form.RUNG
                && !q.better().isEmpty()
                && c.wetted(q.after()).size() < 2;
    }

    private static List<Optional<Found>> judged(Comparison c, Question q, Predicate<Measure> taken) {
        return q.measure().map(m -> Rows.told(c, q, m)).filter(taken).stream()
                .flatMap(m -> Judge.drawn(c.record(q, m), m, 0, Optional.empty()).stream()
                        .map(d -> found(c, q, m.scale(), m.words().at(), d)))
                .toList();
    }

    private static Optional<Found> found(Comparison c, Question q, Scale scale, String at, Drawn d) {
        return q.quality()
                .map(quality -> new Found(
                        quality,
                        q.label(),
                        at + ", " + q.label() + ", side by side"
                                + c.wetted(q.after()).stream()
                                        .map(w -> ", wetted by " + w.label())
                                        .collect(Collectors.joining()),
                        scale,
                        d.products().stream()
                                .map(n -> c.contenders().get(n).name())
                                .toList(),
                        d));
    }

    /** Whether differences are of logarithms, and told as times as much. */
    public boolean asTimes() {
        return scale == Scale.LOG;
    }
}
