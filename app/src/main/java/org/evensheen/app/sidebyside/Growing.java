package org.evensheen.app.sidebyside;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.page.Missing;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.First;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;
import org.springframework.stereotype.Component;

/** Hands an afternoon over to a study that goes on with it. */
@Component
public class Growing {
    private final ComparisonStore comparisons;
    private final Clock clock;

    Growing(ComparisonStore comparisons, Clock clock) {
        this.comparisons = comparisons;
        this.clock = clock;
    }

    /** How an afternoon was left, by its number as a plan has it; empty if there is none, and for a ladder, which took everything off again. */
    public Optional<Laid> laid(String number) {
        if (!number.matches("[1-9]\\d{0,17}")) {
            return Optional.empty();
        }
        try {
            return Optional.of(comparisons.load(Long.parseLong(number)))
                    .filter(c -> c.rungs().isEmpty())
                    .map(this::laid);
        } catch (Missing gone) {
            return Optional.empty();
        }
    }

    private Laid laid(Comparison c) {
        List<Section> places = c.round(c.rounds());
        double right =
                places.stream().mapToDouble(p -> p.xMm() + p.widthMm()).max().orElseThrow();
        double top = places.stream().mapToDouble(Section::yMm).min().orElseThrow() - GAP;
        String word = c.shape().word();
        return new Laid(
                Bed.places(
                        Character.toUpperCase(word.charAt(0)) + word.substring(1),
                        right + GAP,
                        places.get(0).heightMm() + 2 * GAP),
                places.stream().map(p -> down(p, top)).toList(),
                c.contenders().stream().map(Contender::name).toList(),
                LocalDate.ofInstant(c.begun(), clock.getZone()),
                First.of(c));
    }

    /** Room around the places of a sketch, mm. */
    private static final double GAP = 40;

    /** A place of a later round, drawn where the first was. */
    private static Section down(Section p, double by) {
        return new Section(
                p.code(), p.contender(), 1, p.xMm(), p.yMm() - by, p.widthMm(), p.heightMm(), p.byHand(), p.name());
    }
}
