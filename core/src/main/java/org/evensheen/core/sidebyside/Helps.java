package org.evensheen.core.sidebyside;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.evensheen.core.sidebyside.Sheet.Doubt;
import org.evensheen.core.sidebyside.Sheet.Help;
import org.evensheen.core.sidebyside.Sheet.Outcome;
import org.evensheen.core.sidebyside.Sheet.Remedy;
import org.evensheen.core.sidebyside.Sheet.Row;
import org.evensheen.core.sidebyside.Sheet.Trust;
import org.evensheen.core.study.Section;

/** What would help an afternoon. */
final class Helps {
    private Helps() {}

    /** What would help: first whatever raises it most, of two that raise it alike the one that is done sooner. */
    static List<Help> of(Comparison c, List<Row> rows, List<Doubt> doubts, Trust trust, Instant now) {
        List<Help> helps = new ArrayList<>();
        List<Doubt> exchanged = doubts.stream()
                .filter(d -> d != Doubt.ONE_PLACE_EACH && d != Doubt.UNLIKE_BEFORE && d != Doubt.PLACED_BY_HAND)
                .toList();
        if (exchanged.size() < doubts.size()) {
            helps.add(new Help(Remedy.EXCHANGE_SIDES, Math.max(1, minutes(c, now)), trust, Sheet.trust(exchanged), ""));
        }
        if (doubts.contains(Doubt.NAMES_KNOWN)) {
            Trust to = Sheet.trust(doubts.stream()
                    .filter(d -> d != Doubt.NAMES_KNOWN && d != Doubt.GIFT_KNOWN)
                    .toList());
            helps.add(new Help(Remedy.SOMEBODY_WHO_DOES_NOT_KNOW, 3, trust, to, pairStep(c)));
        }
        rows.stream()
                .filter(r -> r.question().form() == Question.Form.PAIR
                        && r.standings().size() > 2)
                .filter(r -> r.outcome() == Outcome.AHEAD || r.outcome() == Outcome.EVEN)
                .findFirst()
                .ifPresent(r -> helps.add(new Help(Remedy.ONE_MORE_PAIR, 1, trust, trust, closest(c, r))));
        if (doubts.contains(Doubt.DOSE_UNKNOWN)) {
            helps.add(new Help(
                    Remedy.SAY_HOW_MUCH,
                    1,
                    trust,
                    Sheet.trust(
                            doubts.stream().filter(d -> d != Doubt.DOSE_UNKNOWN).toList()),
                    "dose/1"));
        }
        helps.sort(Comparator.<Help, Trust>comparing(h -> h.to()).reversed());
        return List.copyOf(helps);
    }

    private static String pairStep(Comparison c) {
        return c.steps().stream()
                .filter(s -> s.type() == Step.Type.PAIR || s.type() == Step.Type.LEVEL)
                .map(Step::key)
                .findFirst()
                .orElse("");
    }

    /** The leader so far against the next, in the last round in which both stand. */
    private static String closest(Comparison c, Row row) {
        int leader = row.standings().get(0).contender();
        int next = row.standings().get(1).contender();
        List<Section> round = c.round(c.rounds());
        return "%s/%s/%s/more".formatted(row.question().code(), code(round, leader), code(round, next));
    }

    private static String code(List<Section> round, int contender) {
        return round.stream()
                .filter(p -> p.contender() == contender)
                .map(Section::code)
                .findFirst()
                .orElseThrow();
    }

    /** Minutes from the beginning to the last answer of the first round. */
    private static long minutes(Comparison c, Instant now) {
        Instant last = c.steps().stream()
                .filter(s -> s.round() == 1)
                .filter(s -> s.question().flatMap(Question::later).isEmpty())
                .flatMap(s -> s.answer().stream())
                .map(Said::at)
                .max(Comparator.naturalOrder())
                .orElse(now);
        return Math.max(0, Duration.between(c.begun(), last).toMinutes());
    }
}
