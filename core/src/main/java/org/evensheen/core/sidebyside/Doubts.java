package org.evensheen.core.sidebyside;

import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.sidebyside.Sheet.Doubt;
import org.evensheen.core.sidebyside.Sheet.Spent;
import org.evensheen.core.sidebyside.Sheet.Trust;
import org.evensheen.core.study.Section;

/** Why an afternoon can be trusted no further. */
final class Doubts {
    private Doubts() {}

    static List<Doubt> of(Comparison c, List<Spent> spent, boolean unsteady, boolean unlike) {
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
        if (unlike) {
            doubts.add(Doubt.TASTES_DIFFER);
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
}
