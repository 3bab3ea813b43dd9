package org.evensheen.core.sidebyside;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.Reading;
import org.evensheen.core.units.Decimal;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.TypedVolume;

/**
 * How much went on a place, as somebody wrote it: "45 mL in 10 L", "1:9", "50 mL", "12 sprays".
 *
 * @param share product as a share of what went on, 0 to 1; where two readings are possible both ends; empty if it was not mixed
 * @param ml product that went on, mL; empty if it can't be told
 * @param count sprays, caps or pumps; empty if none were counted
 * @param dose as the Mixer reads it; empty for a plain volume or count
 */
public record Dosed(Optional<Span> share, OptionalDouble ml, OptionalDouble count, Optional<Dose> dose) {

    /** Reads it; empty for words that say no amount. */
    public static Optional<Dosed> read(String text, Collection<Calibration> known) {
        String typed = text.strip();
        if (typed.matches("[\\d.,]+ *\\p{L}+")) {
            return counted(typed, known).or(() -> volume(typed));
        }
        return LabelLine.readDose(typed).dose().filter(Dose::mixed).map(d -> mixed(d, known));
    }

    private static Optional<Dosed> counted(String typed, Collection<Calibration> known) {
        int end = Decimal.end(Decimal.latin(typed), 0);
        return Counter.named(typed.substring(end).strip()).flatMap(counter -> {
            try {
                double count = Decimal.read(typed.substring(0, end)).doubleValue();
                OptionalDouble ml = known.stream()
                        .filter(c -> c.counter() == counter)
                        .mapToDouble(c -> c.mlEach() * count)
                        .findFirst();
                return count > 0
                        ? Optional.of(new Dosed(Optional.empty(), ml, OptionalDouble.of(count), Optional.empty()))
                        : Optional.empty();
            } catch (NumberFormatException | Decimal.Ambiguous e) {
                return Optional.empty();
            }
        });
    }

    private static Optional<Dosed> volume(String typed) {
        return TypedVolume.read(typed, "amount", 0.01, 200_000) instanceof TypedVolume.Read read
                ? Optional.of(new Dosed(
                        Optional.empty(), OptionalDouble.of(read.ml()), OptionalDouble.empty(), Optional.empty()))
                : Optional.empty();
    }

    private static Dosed mixed(Dose dose, Collection<Calibration> known) {
        OptionalDouble ml = dose instanceof Dose.PerVolume p
                ? OptionalDouble.of(p.unit().toCanonical(p.amount().middle()))
                : OptionalDouble.empty();
        Optional<Span> share = dose instanceof Dose.Dilution d && d.n().low() > 1
                ? Optional.of(new Span(Reading.PARTS.share(d.n().high()), Reading.SHARE.share(d.n().low())))
                : dose.shares(known);
        return new Dosed(share, ml, OptionalDouble.empty(), Optional.of(dose));
    }

    /** The use of a label that it is nearest to: the same bottle may be a foam and a bucket wash; empty if none can be compared with it. */
    public Optional<String> use(Label label, List<Calibration> calibrations) {
        return label.uses().stream()
                .flatMap(u -> against(new Bottle(
                                List.of(u.dose()),
                                calibrations,
                                Optional.empty(),
                                Optional.empty(),
                                OptionalDouble.empty(),
                                Map.of(),
                                false))
                        .stream()
                        .map(d -> Map.entry(u.name(), Math.abs(Math.log(d.factor())))))
                .min(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey);
    }

    /** How it stands to what a label asks, by the use that it is nearest to; empty if the two can't be compared. */
    public Optional<Departure> against(Bottle bottle) {
        return share.flatMap(s -> bottle.asked().stream()
                .filter(Dose::mixed)
                .flatMap(d -> d.shares(bottle.calibrations()).stream())
                .filter(a -> a.low() > 0)
                .map(a -> against(s, a))
                .min(Comparator.comparingDouble(d -> Math.abs(Math.log(d.factor())))));
    }

    /** A ratio can be read in two ways; only what departs in both does. */
    private static Departure against(Span share, Span asked) {
        Departure low = Departure.of(share.low(), asked);
        Departure high = Departure.of(share.high(), asked);
        return low.side() != high.side()
                ? new Departure(Departure.Side.WITHIN, 1)
                : Math.abs(Math.log(low.factor())) < Math.abs(Math.log(high.factor())) ? low : high;
    }

    /** How many times as much as another, 1 or more; empty if the two were told in different ways. */
    public OptionalDouble times(Dosed other) {
        double ratio = Double.NaN;
        if (count.isPresent() && other.count.isPresent()) {
            ratio = count.getAsDouble() / other.count.getAsDouble();
        } else if (share.isPresent() && other.share.isPresent()) {
            ratio = share.get().middle() / other.share.get().middle();
        } else if (ml.isPresent() && other.ml.isPresent()) {
            ratio = ml.getAsDouble() / other.ml.getAsDouble();
        }
        return Double.isNaN(ratio) ? OptionalDouble.empty() : OptionalDouble.of(Math.max(ratio, 1 / ratio));
    }
}
