package org.evensheen.core.sidebyside;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.PerUse;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.sidebyside.Comparison.Ballot;

/**
 * What an afternoon has come to so far: who leads at what, how far that can be trusted, and what would help most. Facts only; the application words them.
 *
 * @param rows one for each question with an answer on two contenders or more, in the order in which they were asked
 * @param spent what went on, cost and took, for each contender of whom something is known
 * @param trust the highest that all doubts allow
 * @param helps what would help, the one thing that would help most first
 * @param steadiness how far those who were asked pairs twice agree with themselves
 * @param agreement whether those who answered the same question about pairs prefer the same
 */
public record Sheet(
        List<Row> rows,
        List<Spent> spent,
        Trust trust,
        List<Doubt> doubts,
        List<Help> helps,
        List<Steadiness> steadiness,
        List<Agreement> agreement) {
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
        /** Those who answered don't prefer the same. */
        TASTES_DIFFER(Trust.HINT),
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
     * @param asked ballots that it stood in; for pairs only
     * @param chance of being first; empty if there is none to give
     */
    public record Standing(int contender, List<Observation> seen, int wins, int asked, OptionalDouble chance) {}

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
     * @param each what one of its places takes out of a bottle; empty unless amount and bottle are known
     * @param dose mL that one of its places took; empty unless it is known of all that were dosed
     * @param minutes that one of its places took; empty if none was timed
     */
    public record Spent(
            int contender,
            OptionalDouble ml,
            Optional<Money> cost,
            OptionalDouble staysSeconds,
            Optional<Departure> departure,
            Optional<PerUse> each,
            Optional<Each> dose,
            Optional<Each> minutes) {}

    /** Works it out. */
    public static Sheet of(Comparison c, Instant now) {
        List<Ballot> ballots =
                c.questions().stream().flatMap(q -> c.ballots(q).stream()).toList();
        List<Steadiness> steadiness = Steadiness.of(ballots);
        Set<String> unused = unused(steadiness);
        List<Row> rows = new ArrayList<>();
        for (Question q : c.questions()) {
            switch (q.form()) {
                case PAIR -> Rows.pairs(c, q, unused).ifPresent(rows::add);
                case RUNG -> {}
                case LEVEL, NUMBER, MARKS -> Rows.places(c, q).ifPresent(rows::add);
            }
        }
        Rows.ladder(c).ifPresent(rows::add);
        List<Spent> spent = SpentOn.all(c);
        List<Agreement> agreement = Agreement.of(c, unused);
        List<Doubt> doubts =
                Doubts.of(c, spent, !unused.isEmpty(), agreement.stream().anyMatch(Agreement::differ));
        Trust trust = trust(doubts);
        return new Sheet(
                List.copyOf(rows), spent, trust, doubts, Helps.of(c, rows, doubts, trust, now), steadiness, agreement);
    }

    /** Whose answers about pairs are not used. */
    static Set<String> unused(List<Steadiness> steadiness) {
        return steadiness.stream().filter(s -> !s.counts()).map(Steadiness::by).collect(Collectors.toSet());
    }

    /** The one thing that would help most; empty if nothing on hand would. */
    public Optional<Help> help() {
        return helps.stream().findFirst();
    }

    /** The most that doubts allow. */
    static Trust trust(List<Doubt> doubts) {
        return doubts.stream().map(Doubt::most).min(Comparator.naturalOrder()).orElse(Trust.FAIR);
    }

    /** Rows in which a contender is first, settled or ahead. */
    public List<Row> ledBy(int contender) {
        return rows.stream()
                .filter(r -> (r.outcome == Outcome.SETTLED || r.outcome == Outcome.AHEAD)
                        && r.standings.get(0).contender() == contender)
                .toList();
    }
}
