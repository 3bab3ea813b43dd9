package org.evensheen.core.sidebyside;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
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
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.cost.Money;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.sidebyside.Comparison.Ballot;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.StudyRecord;

/**
 * What an afternoon has come to so far: who leads at what, how far that can be trusted, and what would help most. Facts only; the application words them.
 *
 * @param rows one for each question with an answer on two contenders or more, in the order in which they were asked
 * @param spent what went on, cost and took, for each contender of whom something is known
 * @param trust the highest that all doubts allow
 * @param helps what would help, the one thing that would help most first
 * @param steadiness how far those who were asked pairs twice agree with themselves
 */
public record Sheet(
        List<Row> rows,
        List<Spent> spent,
        Trust trust,
        List<Doubt> doubts,
        List<Help> helps,
        List<Steadiness> steadiness) {
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
        /** Something went wrong that spoils it. */
        SPOILT(Trust.STORY),
        /** One place each: the place may have done it. */
        ONE_PLACE_EACH(Trust.HINT),
        /** Each step of a ladder came on top of those before. */
        STACKED(Trust.HINT),
        /** Somebody chose which stands where, instead of the lot. */
        PLACED_BY_HAND(Trust.HINT),
        /** More went on than a label asks, or more of one than of the other. */
        UNEQUAL_DOSE(Trust.HINT),
        /** Something went wrong that may have favoured one. */
        MISHAP(Trust.HINT),
        /** Who answered knew which is which, and was given one of them. */
        GIFT_KNOWN(Trust.HINT),
        /** Somebody's answers to the same pair differ as by chance. */
        UNSTEADY(Trust.HINT),
        /** Who answered knew which is which. */
        NAMES_KNOWN(Trust.FAIR),
        /** Nobody said how much went on. */
        DOSE_UNKNOWN(Trust.FAIR),
        /** Something not meant for paint went on paint. */
        NOT_FOR_PAINT(Trust.FAIR);

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
        SOMEBODY_WHO_DOES_NOT_KNOW,
        ONE_MORE_PAIR,
        SAY_HOW_MUCH
    }

    /**
     * Something that would help.
     *
     * @param minutes what it takes, going by this round
     * @param step where it is done; empty for a round more
     */
    public record Help(Remedy remedy, long minutes, Trust from, Trust to, String step) {}

    /** How a question came out. */
    public enum Outcome {
        /** The first is told apart from all others. */
        SETTLED,
        /** The first is likely ahead. */
        AHEAD,
        /** Only one reading each, so that no chance can be given; the first had more. */
        ONLY_SEEN,
        /** Nothing between them that can be told. */
        EVEN,
        /** What was answered is shown, but not used. */
        UNUSED,
        /** Noted, and nothing to be better at. */
        NOTED
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
     * A question.
     *
     * @param standings best first
     * @param told the measure whose score stands behind it; empty for pairs
     * @param ballots how many answers it rests on; for pairs only
     */
    public record Row(
            Question question, Outcome outcome, List<Standing> standings, Optional<Measure> told, int ballots) {}

    /**
     * What a contender took.
     *
     * @param ml product that went on, mL, over all its places; empty if it can't be told
     * @param cost of that; empty without a price
     * @param staysSeconds how long it stayed on, s, the longest of its places; empty if no clock ran
     * @param departure how it stood to its label; empty if the two can't be compared
     */
    public record Spent(
            int contender,
            OptionalDouble ml,
            Optional<Money> cost,
            OptionalDouble staysSeconds,
            Optional<Departure> departure) {}

    /** Works it out. */
    public static Sheet of(Comparison c, Instant now) {
        List<Ballot> ballots =
                c.questions().stream().flatMap(q -> c.ballots(q).stream()).toList();
        List<Steadiness> steadiness = Steadiness.of(ballots);
        Set<String> unused =
                steadiness.stream().filter(s -> !s.counts()).map(Steadiness::by).collect(Collectors.toSet());
        List<Row> rows = new ArrayList<>();
        for (Question q : c.questions()) {
            switch (q.form()) {
                case PAIR -> pairs(c, q, unused).ifPresent(rows::add);
                case RUNG -> {}
                case LEVEL, NUMBER, MARKS -> places(c, q).ifPresent(rows::add);
            }
        }
        ladder(c).ifPresent(rows::add);
        List<Spent> spent = spent(c);
        List<Doubt> doubts = doubts(c, spent, !unused.isEmpty());
        Trust trust = trust(doubts);
        return new Sheet(List.copyOf(rows), spent, trust, doubts, helps(c, rows, doubts, trust, now), steadiness);
    }

    /** The one thing that would help most; empty if nothing on hand would. */
    public Optional<Help> help() {
        return helps.stream().findFirst();
    }

    private static Trust trust(List<Doubt> doubts) {
        return doubts.stream().map(Doubt::most).min(Comparator.naturalOrder()).orElse(Trust.FAIR);
    }

    private static Optional<Row> pairs(Comparison c, Question q, Set<String> unused) {
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
                    .map(i -> new Standing(i, List.of(), wins(c, all, i), OptionalDouble.empty()))
                    .sorted(Comparator.comparingInt(s -> -s.wins()))
                    .toList();
            return Optional.of(new Row(q, Outcome.UNUSED, standings, Optional.empty(), all.size()));
        }
        List<Integer> met = met(c, used);
        Davidson worths = Davidson.fit(met.size(), tallies(c, used, met), true);
        double[] first = worths.chancesOfFirst(c.seed());
        List<Standing> standings = java.util.stream.IntStream.range(0, met.size())
                .boxed()
                .sorted(Comparator.comparingDouble(i -> -worths.worths()[i]))
                .map(i -> new Standing(met.get(i), List.of(), wins(c, used, met.get(i)), OptionalDouble.of(first[i])))
                .toList();
        int best = met.indexOf(standings.get(0).contender());
        boolean settled = standings.stream().skip(1).allMatch(s -> {
            var d = worths.difference(best, met.indexOf(s.contender()));
            return d.value() > CRITICAL * d.standardError();
        });
        return Optional.of(new Row(
                q,
                settled ? Outcome.SETTLED : first[best] >= AHEAD ? Outcome.AHEAD : Outcome.EVEN,
                standings,
                Optional.empty(),
                used.size()));
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

    /** What a difference of worths must exceed in its standard errors; with weak priors that is never met by one or two ballots. */
    private static final double CRITICAL = 1.96;

    private static Optional<Row> places(Comparison c, Question q) {
        Measure asked = q.measure().orElseThrow();
        if (q.better().isEmpty()) {
            return noted(c, q);
        }
        // Where more than half of a foam still stood at its last mark, what is left after five minutes is the next
        // best.
        boolean standing = q.form() == Question.Form.MARKS
                && c.places().stream()
                        .flatMap(p -> c.seen(q, p.code()).stream())
                        .anyMatch(o -> asked.score(o, Double.NaN).isEmpty());
        Measure told = standing ? Measures.FOAM_LEFT : asked;
        return judged(c, q, told, c.record(q, told));
    }

    /** How many steps of the ladder each stood: an order, as grades are. */
    private static Optional<Row> ladder(Comparison c) {
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
            return chance.getAsDouble() >= AHEAD ? Outcome.AHEAD : Outcome.EVEN;
        }
        return v.mean(v.results().get(0)) == v.mean(v.results().get(1)) ? Outcome.EVEN : Outcome.ONLY_SEEN;
    }

    private static List<Spent> spent(Comparison c) {
        List<Spent> all = new ArrayList<>();
        for (var x : c.contenders()) {
            List<Section> places =
                    c.places().stream().filter(p -> p.contender() == x.number()).toList();
            List<Dosed> doses =
                    places.stream().flatMap(p -> c.dosed(p.code()).stream()).toList();
            OptionalDouble ml = doses.isEmpty() || doses.stream().anyMatch(d -> d.ml().isEmpty())
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(doses.stream()
                            .mapToDouble(d -> d.ml().getAsDouble())
                            .sum());
            OptionalDouble stays = c.answers()
                    .under("stays/")
                    .filter(s -> places.stream().anyMatch(p -> s.step().endsWith("/" + p.code())))
                    .mapToDouble(s -> Double.parseDouble(s.value()))
                    .filter(s -> s > 0)
                    .max();
            Optional<Departure> departure = doses.stream()
                    .flatMap(d -> d.against(c.bottle(x.number())).stream())
                    .max(Comparator.comparingDouble(d -> Math.abs(Math.log(d.factor()))));
            if (ml.isPresent() || stays.isPresent() || departure.isPresent()) {
                Optional<Money> cost = ml.isPresent()
                        ? c.bottle(x.number()).perMl().map(m -> m.times(ml.getAsDouble()))
                        : Optional.empty();
                all.add(new Spent(x.number(), ml, cost, stays, departure));
            }
        }
        return all;
    }

    private static List<Doubt> doubts(Comparison c, List<Spent> spent, boolean unsteady) {
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
        if (c.rungs().size() > 1) {
            doubts.add(Doubt.STACKED);
        }
        boolean knew = c.steps().stream()
                .filter(s -> s.type() == Step.Type.PAIR || s.type() == Step.Type.LEVEL || s.type() == Step.Type.RUNG)
                .flatMap(s -> c.answers().of(s.key()).stream())
                .filter(s -> !s.value().equals(Said.SKIP))
                .anyMatch(Said::knew);
        if (knew) {
            doubts.add(Doubt.NAMES_KNOWN);
            boolean gift = c.contenders().stream()
                    .flatMap(x -> c.came(x.number()).stream())
                    .anyMatch(came -> !came.equals("bought"));
            if (gift) {
                doubts.add(Doubt.GIFT_KNOWN);
            }
        }
        c.slips().forEach(s -> doubts.add(s.most() == Trust.STORY ? Doubt.SPOILT : Doubt.MISHAP));
        if (unsteady) {
            doubts.add(Doubt.UNSTEADY);
        }
        if (c.kind().dosed() && !dosesSaid(c)) {
            doubts.add(Doubt.DOSE_UNKNOWN);
        }
        if (spent.stream()
                        .anyMatch(s -> s.departure()
                                .filter(d -> d.factor() > Departure.GRAVE || d.factor() < 1 / Departure.GRAVE)
                                .isPresent())
                || unequal(c)) {
            doubts.add(Doubt.UNEQUAL_DOSE);
        }
        if (c.said("paint/1").filter(Said.PAINT::equals).isPresent()
                && c.said("paint/2").filter(Said.SPARE::equals).isEmpty()) {
            doubts.add(Doubt.NOT_FOR_PAINT);
        }
        return List.copyOf(doubts);
    }

    private static boolean dosesSaid(Comparison c) {
        return c.steps().stream()
                .filter(s -> s.type() == Step.Type.DOSE)
                .allMatch(s ->
                        s.answer().filter(a -> !a.value().equals(Said.SKIP)).isPresent());
    }

    /** Whether more went on one than on another in the same round, where no label asks for it. */
    private static boolean unequal(Comparison c) {
        for (int round = 1; round <= c.rounds(); round++) {
            List<Section> places = c.round(round).stream()
                    .filter(p -> c.dosed(p.code()).isPresent())
                    .filter(p -> c.dosed(p.code())
                            .orElseThrow()
                            .against(c.bottle(p.contender()))
                            .isEmpty())
                    .toList();
            for (Section one : places) {
                for (Section other : places) {
                    OptionalDouble times = c.dosed(one.code())
                            .orElseThrow()
                            .times(c.dosed(other.code()).orElseThrow());
                    if (times.orElse(1) > Departure.GRAVE) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    private static boolean answeredIn(Comparison c, int round) {
        return c.steps().stream()
                .anyMatch(s -> s.round() == round
                        && s.question().isPresent()
                        && s.answer().filter(a -> !a.value().equals(Said.SKIP)).isPresent());
    }

    /** What would help: first whatever raises it most, of two that raise it alike the one that is done sooner. */
    private static List<Help> helps(Comparison c, List<Row> rows, List<Doubt> doubts, Trust trust, Instant now) {
        List<Help> helps = new ArrayList<>();
        List<Doubt> exchanged = doubts.stream()
                .filter(d -> d != Doubt.ONE_PLACE_EACH && d != Doubt.UNLIKE_BEFORE && d != Doubt.PLACED_BY_HAND)
                .toList();
        if (exchanged.size() < doubts.size()) {
            helps.add(new Help(Remedy.EXCHANGE_SIDES, Math.max(1, minutes(c, now)), trust, trust(exchanged), ""));
        }
        if (doubts.contains(Doubt.NAMES_KNOWN)) {
            Trust to = trust(doubts.stream()
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
                    trust(doubts.stream().filter(d -> d != Doubt.DOSE_UNKNOWN).toList()),
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

    /** Rows in which a contender is first, settled or ahead. */
    public List<Row> ledBy(int contender) {
        return rows.stream()
                .filter(r -> (r.outcome == Outcome.SETTLED || r.outcome == Outcome.AHEAD)
                        && r.standings.get(0).contender() == contender)
                .toList();
    }
}
