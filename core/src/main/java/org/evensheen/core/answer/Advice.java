package org.evensheen.core.answer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.footing.Footing;

/**
 * What a reader does best with a product, derived from places, cost and footing.
 *
 * @param onlyFor other readers for whom it is first, the likeliest first
 * @param close whether it could well be otherwise
 * @param beatenBy what is better: cheaper too, if anything is; of what shares the first place, the one that is ahead; empty for the leader
 * @param cheaperToo whether that is cheaper too
 */
public record Advice(
        int contender, Kind kind, List<String> onlyFor, boolean close, Optional<Integer> beatenBy, boolean cheaperToo) {
    /** From this chance of being first on a product is said to be for a reader. */
    static final double FOR = 0.5;
    /** Between these chances of being first it is close. */
    static final double CLOSE_FROM = 0.3;

    static final double CLOSE_TO = 0.7;

    /** The advice. */
    public enum Kind {
        /** Among the first for this reader. */
        KEEP,
        /** First for other readers only. */
        ONLY_FOR,
        /** Nothing is both cheaper and better, so it is for whoever has to save. */
        IF_IT_MUST_COST_LESS,
        /** Something else does better. */
        SKIP,
        /** The evidence carries no advice. */
        OPEN
    }

    /**
     * Derives it for all products.
     *
     * @param chosen for the reader who asks
     * @param others for the other readers
     */
    public static List<Advice> of(Weighed chosen, List<Weighed> others, Worth worth, Footing footing) {
        List<Advice> all = new ArrayList<>();
        for (Weighed.Line line : chosen.lines()) {
            all.add(one(line, chosen, others, worth, footing));
        }
        return List.copyOf(all);
    }

    private static Advice one(Weighed.Line line, Weighed chosen, List<Weighed> others, Worth worth, Footing footing) {
        int own = line.contender();
        double first = chosen.chanceFirst(own);
        boolean close = first > CLOSE_FROM && first < CLOSE_TO;
        if (footing == Footing.ANECDOTE) {
            return new Advice(own, Kind.OPEN, List.of(), true, Optional.empty(), false);
        }
        if (line.place() == 1) {
            int leader = chosen.lines().get(0).contender();
            return new Advice(
                    own, Kind.KEEP, List.of(), close, leader == own ? Optional.empty() : Optional.of(leader), false);
        }
        List<String> onlyFor = others.stream()
                .filter(w -> !w.profile().code().equals(chosen.profile().code()))
                .filter(w -> w.first().contains(own) && w.chanceFirst(own) >= FOR)
                .sorted((a, b) -> Double.compare(b.chanceFirst(own), a.chanceFirst(own)))
                .map(w -> w.profile().name())
                .toList();
        Optional<Worth.Point> point = worth.of(own);
        Optional<Integer> cheaper = point.flatMap(Worth.Point::beatenBy);
        Optional<Integer> better =
                cheaper.or(() -> Optional.of(chosen.lines().get(0).contender()));
        if (!onlyFor.isEmpty()) {
            return new Advice(own, Kind.ONLY_FOR, onlyFor, close, better, cheaper.isPresent());
        }
        boolean cheapEdge = point.filter(Worth.Point::edge)
                .filter(p -> p.cost()
                        < worth.of(chosen.lines().get(0).contender())
                                .map(Worth.Point::cost)
                                .orElse(Double.POSITIVE_INFINITY))
                .isPresent();
        return cheapEdge
                ? new Advice(own, Kind.IF_IT_MUST_COST_LESS, List.of(), close, better, false)
                : new Advice(own, Kind.SKIP, List.of(), close, better, cheaper.isPresent());
    }
}
