package org.evensheen.core.sidebyside;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.evensheen.core.comparing.Davidson;
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.study.Section;

/**
 * What an afternoon has come to so far: who leads at what, how far that can be trusted, and the one thing that would help most. Facts only;
 * the application words them.
 *
 * @param rows one for each question with an answer on two contenders or more, in the order in which they were asked
 * @param trust the highest that all doubts allow
 * @param help what would raise it; empty if nothing on hand would
 */
public record Sheet(List<Row> rows, Trust trust, List<Doubt> doubts, Optional<Help> help) {
    /** From this chance on somebody is said to be ahead. */
    public static final double AHEAD = 0.8;

    /** How far a sheet can be trusted, from least to most. */
    public enum Trust {
        STORY,
        HINT,
        FAIR
    }

    /** Why not further, each with the most it allows. */
    public enum Doubt {
        /** A place was already cleaner, hotter or in the sun, and sides were never exchanged. */
        UNLIKE_BEFORE(Trust.STORY),
        /** One place each: the place may have done it. */
        ONE_PLACE_EACH(Trust.HINT),
        /** Somebody chose which stands where, instead of the lot. */
        PLACED_BY_HAND(Trust.HINT),
        /** Who answered knew which is which. */
        NAMES_KNOWN(Trust.FAIR),
        /** Nobody said how much went on. */
        DOSE_UNKNOWN(Trust.FAIR);

        private final Trust most;

        Doubt(Trust most) {
            this.most = most;
        }

        public Trust most() {
            return most;
        }
    }

    /** What would help. */
    public enum Remedy {
        EXCHANGE_SIDES,
        SOMEBODY_WHO_DOES_NOT_KNOW
    }

    /**
     * @param minutes what it takes, going by this round
     */
    public record Help(Remedy remedy, long minutes, Trust from, Trust to) {}

    /** How a question came out. */
    public enum Outcome {
        /** The first is told apart from all others. */
        SETTLED,
        /** The first is likely ahead. */
        AHEAD,
        /** Only one reading each, so that no chance can be given; the first had more. */
        ONLY_SEEN,
        /** Nothing between them that can be told. */
        EVEN
    }

    /**
     * A contender in a row.
     *
     * @param seen what was seen on its places, in order of the rounds; empty for pairs
     * @param wins ballots that it won; for pairs only
     * @param chance of being first; empty if there is none to give
     */
    public record Standing(int contender, List<Observation> seen, int wins, OptionalDouble chance) {}

    /**
     * @param standings best first
     * @param told the measure whose score stands behind it; empty for pairs
     * @param ballots how many answers it rests on; for pairs only
     */
    public record Row(
            Question question, Outcome outcome, List<Standing> standings, Optional<Measure> told, int ballots) {}

    /** Works it out. */
    public static Sheet of(Comparison c, Instant now) {
        List<Row> rows = new ArrayList<>();
        for (Question q : c.questions()) {
            (q.form() == Question.Form.PAIR ? pairs(c, q) : places(c, q)).ifPresent(rows::add);
        }
        List<Doubt> doubts = doubts(c);
        Trust trust = trust(doubts);
        return new Sheet(List.copyOf(rows), trust, doubts, help(c, doubts, trust, now));
    }

    private static Trust trust(List<Doubt> doubts) {
        return doubts.stream().map(Doubt::most).min(Comparator.naturalOrder()).orElse(Trust.FAIR);
    }

    private static Optional<Row> pairs(Comparison c, Question q) {
        List<Step> ballots = c.ballots(q).toList();
        if (ballots.isEmpty()) {
            return Optional.empty();
        }
        int n = c.contenders().size();
        List<Davidson.Tally> tallies = ballots.stream()
                .map(b -> {
                    String said = b.answer().orElseThrow().value();
                    boolean first = said.equals(b.places().get(0));
                    boolean second = said.equals(b.places().get(1));
                    return new Davidson.Tally(
                            c.on(b.places().get(0)).number(),
                            c.on(b.places().get(1)).number(),
                            first ? 1 : 0,
                            second ? 1 : 0,
                            first || second ? 0 : 1);
                })
                .filter(t -> t.first() != t.second())
                .toList();
        Set<Integer> met = new java.util.TreeSet<>();
        tallies.forEach(t -> {
            met.add(t.first());
            met.add(t.second());
        });
        Davidson worths = Davidson.fit(n, tallies, true);
        double[] first = worths.chancesOfFirst(c.seed());
        List<Standing> standings = met.stream()
                .sorted(Comparator.comparingDouble(i -> -worths.worths()[i]))
                .map(i -> new Standing(
                        i,
                        List.of(),
                        tallies.stream()
                                .mapToInt(t -> t.first() == i ? t.firstWins() : t.second() == i ? t.secondWins() : 0)
                                .sum(),
                        OptionalDouble.of(first[i])))
                .toList();
        int best = standings.get(0).contender();
        boolean settled = standings.stream().skip(1).allMatch(s -> {
            var d = worths.difference(best, s.contender());
            return d.value() > CRITICAL * d.standardError();
        });
        double chance = first[best];
        return Optional.of(new Row(
                q,
                settled ? Outcome.SETTLED : chance >= AHEAD ? Outcome.AHEAD : Outcome.EVEN,
                standings,
                Optional.empty(),
                tallies.size()));
    }

    /** What a difference of worths must exceed in its standard errors; with weak priors that is never met by one or two ballots. */
    private static final double CRITICAL = 1.96;

    private static Optional<Row> places(Comparison c, Question q) {
        Measure asked = q.measure().orElseThrow();
        // Where more than half of a foam still stood at its last mark, what is left after five minutes is the next
        // best.
        boolean standing = q.form() == Question.Form.MARKS
                && c.places().stream()
                        .flatMap(p -> c.seen(q, p.code()).stream())
                        .anyMatch(o -> asked.score(o, Double.NaN).isEmpty());
        Measure told = standing ? Measures.FOAM_LEFT : asked;
        Optional<Verdict> verdict = Judge.verdict(c.record(q, told), told, 0, Optional.empty());
        // One place each says nothing of how places differ, whatever a model makes of it.
        boolean once = c.contenders().stream()
                .allMatch(x -> c.places().stream()
                                .filter(p -> p.contender() == x.number())
                                .flatMap(p -> c.seen(q, p.code()).stream())
                                .count()
                        < 2);
        return verdict.map(v -> {
            List<Standing> standings = v.results().stream()
                    .map(r -> new Standing(
                            r.contender().number(),
                            c.places().stream()
                                    .filter(p -> p.contender() == r.contender().number())
                                    .flatMap(p -> c.seen(q, p.code()).stream())
                                    .toList(),
                            0,
                            once || r.chances().isEmpty()
                                    ? OptionalDouble.empty()
                                    : OptionalDouble.of(r.chances().get(0))))
                    .toList();
            return new Row(q, outcome(v, standings), standings, Optional.of(told), 0);
        });
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
            return chance.getAsDouble() >= AHEAD ? Outcome.AHEAD : Outcome.EVEN;
        }
        double first = standings.get(0).seen().get(0).amount();
        double second = standings.get(1).seen().get(0).amount();
        if (!v.ofAnOrder()) {
            first = v.mean(v.results().get(0));
            second = v.mean(v.results().get(1));
        }
        return first == second ? Outcome.EVEN : Outcome.ONLY_SEEN;
    }

    private static List<Doubt> doubts(Comparison c) {
        EnumSet<Doubt> doubts = EnumSet.noneOf(Doubt.class);
        if (c.rounds() == 1 || !answeredIn(c, 2)) {
            doubts.add(Doubt.ONE_PLACE_EACH);
            List<Integer> before = c.round(1).stream()
                    .flatMap(p -> c.before(p.code()).stream())
                    .toList();
            boolean uneven = !before.isEmpty()
                    && before.stream().mapToInt(b -> b).max().orElse(0)
                                    - before.stream().mapToInt(b -> b).min().orElse(0)
                            > 1;
            boolean odd = c.round(1).stream()
                    .map(Section::code)
                    .anyMatch(p -> c.odd(p).isPresent());
            if (uneven || odd) {
                doubts.add(Doubt.UNLIKE_BEFORE);
            }
        }
        if (c.rounds() == 1 && c.places().stream().anyMatch(Section::byHand)) {
            doubts.add(Doubt.PLACED_BY_HAND);
        }
        boolean byEye = c.steps().stream()
                .filter(s -> s.type() == Step.Type.PAIR || s.type() == Step.Type.LEVEL)
                .flatMap(s -> s.answer().stream())
                .anyMatch(Said::knew);
        if (byEye) {
            doubts.add(Doubt.NAMES_KNOWN);
        }
        boolean doses = c.steps().stream()
                .filter(s -> s.type() == Step.Type.DOSE)
                .allMatch(s ->
                        s.answer().filter(a -> !a.value().equals(Said.SKIP)).isPresent());
        if (!doses && c.kind() != Kind.MEDIA) {
            doubts.add(Doubt.DOSE_UNKNOWN);
        }
        return List.copyOf(doubts);
    }

    private static boolean answeredIn(Comparison c, int round) {
        return c.steps().stream()
                .anyMatch(s -> s.round() == round
                        && s.question().isPresent()
                        && s.answer().filter(a -> !a.value().equals(Said.SKIP)).isPresent());
    }

    /** The one thing that raises it most; of two that raise it alike, the one that is done sooner. */
    private static Optional<Help> help(Comparison c, List<Doubt> doubts, Trust trust, Instant now) {
        long minutes = Math.max(1, minutes(c, now));
        List<Doubt> exchanged = doubts.stream()
                .filter(d -> d != Doubt.ONE_PLACE_EACH && d != Doubt.UNLIKE_BEFORE && d != Doubt.PLACED_BY_HAND)
                .toList();
        if (exchanged.size() < doubts.size()) {
            return Optional.of(new Help(Remedy.EXCHANGE_SIDES, minutes, trust, trust(exchanged)));
        }
        return doubts.contains(Doubt.NAMES_KNOWN)
                ? Optional.of(new Help(Remedy.SOMEBODY_WHO_DOES_NOT_KNOW, 3, trust, trust))
                : Optional.empty();
    }

    /** Minutes from the beginning to the last answer of the first round. */
    private static long minutes(Comparison c, Instant now) {
        Instant last = c.steps().stream()
                .filter(s -> s.round() == 1)
                .flatMap(s -> s.answer().stream())
                .map(Said::at)
                .max(Comparator.naturalOrder())
                .orElse(now);
        return Math.max(0, Duration.between(c.begun(), last).toMinutes());
    }

    /** Rows in which a contender is first, settled or ahead. */
    public List<Row> ledBy(int contender) {
        return rows.stream()
                .filter(r -> (r.outcome == Outcome.SETTLED || r.outcome == Outcome.AHEAD)
                        && r.standings.get(0).contender() == contender)
                .toList();
    }
}
