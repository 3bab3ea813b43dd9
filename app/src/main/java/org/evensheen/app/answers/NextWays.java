package org.evensheen.app.answers;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.sidebyside.Weighable;
import org.evensheen.app.studies.Study;
import org.evensheen.core.answer.Onward;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.planning.Effort;
import org.evensheen.core.wear.Life;
import org.evensheen.core.wear.Lives;
import org.evensheen.core.wear.MoreVisits;

/** Ways of going on that a study or an afternoon has, with what each takes and what it makes surer. */
final class NextWays {
    private NextWays() {}

    /** Of a study: sections more, visits more while anything goes on, and all of it once more. */
    static List<Onward.Way> of(Study study, Answer answer, Optional<Lives> lives, int one, int other) {
        double read = study.record().plan().measures().stream()
                        .mapToDouble(p -> p.repeats() * p.measure().seconds() + Effort.WALKING)
                        .sum()
                / 60;
        int have = Math.max(1, Math.min(sections(study, one), sections(study, other)));
        List<Onward.Way> ways = new ArrayList<>();
        for (int more : Onward.TIMES) {
            ways.add(new Onward.Way(
                    Onward.Kind.SECTIONS,
                    more,
                    Effort.SETTING_UP + (2 * more + 1) * read + 2 * more * Effort.APPLYING_EACH,
                    0,
                    leaving(answer, Onward.left(have, more), false)));
        }
        double span = lives.map(Lives::span).orElse(0.0);
        int visits = Math.max(1, visits(study));
        double every = Math.max(1, Math.round(span / visits));
        if (span > 0) {
            for (int more : Onward.TIMES) {
                ways.add(new Onward.Way(
                        Onward.Kind.AGAIN,
                        more,
                        (visits + 1) * (Effort.SETTING_UP + (2 * more + 1) * read) + 2 * more * Effort.APPLYING_EACH,
                        Math.round(span),
                        leaving(answer, Onward.left(have, more), true)));
            }
            ways.addAll(visits(
                    answer,
                    lives.get(),
                    every,
                    one,
                    other,
                    Effort.SETTING_UP + (sections(study, one, other) + 1) * read));
        }
        return ways;
    }

    private static List<Onward.Way> visits(
            Answer answer, Lives lives, double every, int one, int other, double minutes) {
        List<Life> own = lives.lives().stream()
                .filter(l -> l.contender() == one || l.contender() == other)
                .toList();
        if (own.stream().map(Life::contender).distinct().count() < 2
                || own.stream().noneMatch(Life::goesOn)) {
            return List.of();
        }
        double[] left = MoreVisits.left(own, lives.span(), every, Onward.TIMES, 7);
        List<Onward.Way> ways = new ArrayList<>();
        for (int i = 0; i < left.length; i++) {
            int more = Onward.TIMES.get(i);
            Map<Quality, Double> of = new HashMap<>();
            of.put(Quality.LIFE, left[i]);
            if (answer.aWeek()) {
                of.put(Quality.COST, left[i]);
            }
            ways.add(new Onward.Way(Onward.Kind.VISITS, more, more * minutes, more * every, of));
        }
        return ways;
    }

    /** Of an afternoon: rounds more of all, and of the two alone. */
    static List<Onward.Way> of(Weighable w, Answer answer) {
        List<Onward.Way> ways = new ArrayList<>();
        for (int more : Onward.TIMES) {
            Map<Quality, Double> left = leaving(answer, Onward.left(w.rounds(), more), true);
            left.remove(Quality.COST);
            ways.add(new Onward.Way(Onward.Kind.ROUNDS, more, more * w.minutes(), 0, left));
            if (w.contenders().size() > 2) {
                double two = 2.0 / w.contenders().size();
                ways.add(new Onward.Way(Onward.Kind.TWO_ALONE, more, more * two * w.minutes(), 0, left));
            }
        }
        return ways;
    }

    /** What follows from first readings; also how long it lasts, and what that costs, if the whole is done again. */
    private static Map<Quality, Double> leaving(Answer answer, double left, boolean whole) {
        Map<Quality, Double> of = new HashMap<>();
        for (QualityScale s : answer.scales()) {
            boolean later = s.quality() == Quality.LIFE
                    || Measures.ofCode(s.source())
                            .filter(Measure::againstItsFirst)
                            .isPresent();
            boolean cost = s.quality() == Quality.COST;
            if (cost ? whole && answer.aWeek() : whole || !later) {
                of.put(s.quality(), left);
            }
        }
        return of;
    }

    private static int sections(Study study, Integer... contenders) {
        return (int) study.record().sections().stream()
                .filter(s -> List.of(contenders).contains(s.contender()))
                .count();
    }

    /** On how many days after the first readings it was read. */
    private static int visits(Study study) {
        return (int) study.record().readings().stream()
                        .filter(r -> study.record().plan().course().counts(r.at().stage()))
                        .map(r -> r.at().day())
                        .distinct()
                        .count()
                - 1;
    }
}
