package org.evensheen.core.sidebyside;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.study.Section;

/**
 * What was seen first on a place, as a study of weeks takes it: what was counted, timed, weighed or graded there. Answers about pairs are of two places and
 * stay with the afternoon.
 *
 * @param place its code
 * @param by whose hands
 */
public record First(String place, Observation seen, String by, Instant at) {

    /**
     * Of the places as they lie after the last round. Of several looks at the same thing, suds after a panel and after six, the last counts; what is noted
     * and not compared is no reading.
     */
    public static List<First> of(Comparison c) {
        Map<Measure, Question> last = new LinkedHashMap<>();
        c.questions().stream()
                .filter(q -> q.form() != Question.Form.RUNG && !q.better().isEmpty())
                .forEach(q -> q.measure().filter(Measure::comparable).ifPresent(m -> last.put(m.readAs(), q)));
        return c.round(c.rounds()).stream()
                .flatMap(place -> last.values().stream().flatMap(q -> on(c, q, place)))
                .toList();
    }

    private static Stream<First> on(Comparison c, Question q, Section place) {
        String code = place.code();
        if (q.form() != Question.Form.MARKS) {
            return c.answers().of(q.code() + "/" + code).stream()
                    .flatMap(s -> Comparison.observed(q, s.value()).map(o -> new First(code, o, s.by(), s.at())));
        }
        Said lastMark = c.answers()
                .under("foam/" + code + "/")
                .reduce((a, b) -> a.at().isAfter(b.at()) ? a : b)
                .orElse(null);
        return lastMark == null
                ? Stream.empty()
                : c.seen(q, code).stream().map(o -> new First(code, o, lastMark.by(), lastMark.at()));
    }
}
