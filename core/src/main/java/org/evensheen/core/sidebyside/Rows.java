package org.evensheen.core.sidebyside;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.core.comparing.Davidson;
import org.evensheen.core.comparing.Drawn;
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.sidebyside.Comparison.Ballot;
import org.evensheen.core.sidebyside.Sheet.Outcome;
import org.evensheen.core.sidebyside.Sheet.Row;
import org.evensheen.core.sidebyside.Sheet.Standing;
import org.evensheen.core.study.StudyRecord;

/** How each question came out. */
final class Rows {
    private Rows() {}

    static Optional<Row> pairs(Comparison c, Question q, Set<String> unused) {
        List<Ballot> all = c.ballots(q).stream()
                .filter(b -> !c.on(b.step().places().get(0))
                        .equals(c.on(b.step().places().get(1))))
                .toList();
        if (all.isEmpty()) {
            return Optional.empty();
        }
        List<Ballot> used =
                all.stream().filter(b -> !unused.contains(b.said().by())).toList();
        if (used.isEmpty()) {
            List<Integer> met = met(c, all);
            List<Standing> standings = met.stream()
                    .map(i -> new Standing(i, List.of(), wins(c, all, i), asked(c, all, i), OptionalDouble.empty()))
                    .sorted(Comparator.comparingInt(s -> -s.wins()))
                    .toList();
            return Optional.of(new Row(q, Outcome.UNUSED, standings, Optional.empty(), all.size()));
        }
        List<Integer> met = met(c, used);
        Davidson worths = worths(c, used, met);
        double[] first = worths.chancesOfFirst(c.seed());
        List<Standing> standings = java.util.stream.IntStream.range(0, met.size())
                .boxed()
                .sorted(Comparator.comparingDouble(i -> -worths.worths()[i]))
                .map(i -> new Standing(
                        met.get(i),
                        List.of(),
                        wins(c, used, met.get(i)),
                        asked(c, used, met.get(i)),
                        OptionalDouble.of(first[i])))
                .toList();
        int best = met.indexOf(standings.get(0).contender());
        boolean settled = standings.stream().skip(1).allMatch(s -> {
            var d = worths.difference(best, met.indexOf(s.contender()));
            return d.value() > CRITICAL * d.standardError();
        });
        return Optional.of(new Row(
                q,
                settled ? Outcome.SETTLED : first[best] >= Sheet.AHEAD ? Outcome.AHEAD : Outcome.EVEN,
                standings,
                Optional.empty(),
                used.size()));
    }

    private static Davidson worths(Comparison c, List<Ballot> used, List<Integer> met) {
        return Davidson.fit(met.size(), tallies(c, used, met), true);
    }

    /** Preferences on the scale behind the answers about pairs, without those who answer as by chance; empty if nothing can be used. */
    static Optional<Drawn> preferred(Comparison c, Question q, Set<String> unused) {
        List<Ballot> used = c.ballots(q).stream()
                .filter(b -> !unused.contains(b.said().by()))
                .filter(b -> !c.on(b.step().places().get(0))
                        .equals(c.on(b.step().places().get(1))))
                .toList();
        List<Integer> met = met(c, used);
        return met.size() < 2
                ? Optional.empty()
                : Optional.of(worths(c, used, met).drawn(met, c.seed()));
    }

    /** Answers counted by pair. */
    private static List<Davidson.Tally> tallies(Comparison c, List<Ballot> ballots, List<Integer> met) {
        Map<List<Integer>, Davidson.Tally> counted = new LinkedHashMap<>();
        for (Ballot b : ballots) {
            List<Integer> pair = List.of(met.indexOf(first(c, b)), met.indexOf(second(c, b)));
            Davidson.Tally one = new Davidson.Tally(
                    pair.get(0), pair.get(1), b.way() > 0 ? 1 : 0, b.way() < 0 ? 1 : 0, b.way() == 0 ? 1 : 0);
            counted.merge(pair, one, Davidson.Tally::plus);
        }
        return List.copyOf(counted.values());
    }

    private static int first(Comparison c, Ballot b) {
        return c.on(b.step().places().get(0)).number();
    }

    private static int second(Comparison c, Ballot b) {
        return c.on(b.step().places().get(1)).number();
    }

    private static List<Integer> met(Comparison c, List<Ballot> ballots) {
        return List.copyOf(ballots.stream()
                .flatMap(b -> Stream.of(first(c, b), second(c, b)))
                .collect(Collectors.toCollection(TreeSet::new)));
    }

    private static int wins(Comparison c, List<Ballot> ballots, int contender) {
        return (int) ballots.stream()
                .filter(b -> b.way() > 0 && first(c, b) == contender || b.way() < 0 && second(c, b) == contender)
                .count();
    }

    private static int asked(Comparison c, List<Ballot> ballots, int contender) {
        return (int) ballots.stream()
                .filter(b -> first(c, b) == contender || second(c, b) == contender)
                .count();
    }

    /** What a difference of worths must exceed in its standard errors; with weak priors that is never met by one or two ballots. */
    private static final double CRITICAL = 1.96;

    static Optional<Row> places(Comparison c, Question q) {
        Measure asked = q.measure().orElseThrow();
        if (q.better().isEmpty()) {
            return noted(c, q);
        }
        Measure told = told(c, q, asked);
        return judged(c, q, told, c.record(q, told));
    }

    /** What a question is told by: where more than half of a foam still stood at its last mark, what is left after five minutes is the next best. */
    static Measure told(Comparison c, Question q, Measure asked) {
        boolean standing = q.form() == Question.Form.MARKS
                && c.places().stream()
                        .flatMap(p -> c.seen(q, p.code()).stream())
                        .anyMatch(o -> asked.score(o, Double.NaN).isEmpty());
        return standing ? Measures.FOAM_LEFT : asked;
    }

    /** How many steps of the ladder each stood: an order, as grades are. */
    static Optional<Row> ladder(Comparison c) {
        List<Question> rungs = c.rungs();
        if (rungs.isEmpty()) {
            return Optional.empty();
        }
        Question stands = new Question(
                "ladder",
                "how much it stands",
                "",
                "",
                Question.Form.RUNG,
                Measures.ofCode("rung"),
                "",
                true,
                "stands more",
                "stands most",
                Optional.empty());
        return judged(c, stands, stands.measure().orElseThrow(), c.ladder());
    }

    private static Optional<Row> noted(Comparison c, Question q) {
        List<Standing> standings = c.contenders().stream()
                .map(x -> new Standing(
                        x.number(),
                        c.places().stream()
                                .filter(p -> p.contender() == x.number())
                                .flatMap(p -> c.seen(q, p.code()).stream())
                                .toList(),
                        0,
                        0,
                        OptionalDouble.empty()))
                .filter(s -> !s.seen().isEmpty())
                .toList();
        return standings.isEmpty()
                ? Optional.empty()
                : Optional.of(new Row(q, Outcome.NOTED, standings, q.measure(), 0));
    }

    private static Optional<Row> judged(Comparison c, Question q, Measure told, StudyRecord record) {
        Optional<Verdict> verdict = Judge.verdict(record, told, 0, Optional.empty());
        // One place each says nothing of how places differ, whatever a model makes of it.
        boolean once = c.contenders().stream()
                .allMatch(x -> seen(c, record, x.number()).stream()
                                .map(r -> r.section())
                                .distinct()
                                .count()
                        < 2);
        return verdict.map(v -> {
            List<Standing> standings = v.results().stream()
                    .map(r -> new Standing(
                            r.contender().number(),
                            seen(c, record, r.contender().number()).stream()
                                    .map(s -> s.seen())
                                    .toList(),
                            0,
                            0,
                            once || r.chances().isEmpty()
                                    ? OptionalDouble.empty()
                                    : OptionalDouble.of(r.chances().get(0))))
                    .toList();
            return new Row(q, outcome(v, standings), standings, Optional.of(told), 0);
        });
    }

    private static List<org.evensheen.core.study.Reading> seen(Comparison c, StudyRecord record, int contender) {
        return record.readings().stream()
                .filter(r -> c.on(r.section()).number() == contender)
                .toList();
    }

    private static Outcome outcome(Verdict v, List<Standing> standings) {
        int best = standings.get(0).contender();
        boolean settled = standings.stream()
                .skip(1)
                .allMatch(s -> v.pairs().stream()
                        .anyMatch(p -> p.better() == best && p.worse() == s.contender() && p.apart()));
        if (settled) {
            return Outcome.SETTLED;
        }
        OptionalDouble chance = standings.get(0).chance();
        if (chance.isPresent()) {
            return chance.getAsDouble() >= Sheet.AHEAD ? Outcome.AHEAD : Outcome.EVEN;
        }
        return v.mean(v.results().get(0)) == v.mean(v.results().get(1)) ? Outcome.EVEN : Outcome.ONLY_SEEN;
    }
}
