package org.evensheen.core.mixing;

import static org.evensheen.core.units.Decimal.write;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Collection;
import java.util.Optional;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;

/**
 * How much product, as a label asks for it. Each form prints as the label line reads it back.
 *
 * <p>"In" a volume means in the finished mix, so 1–3 US fl oz in 5 US gal is 1.5625–4.6875 mL/L.
 */
public sealed interface Dose {

    /** Weakest N of 1:N that is taken for a ratio. */
    double MOST_PARTS = 100_000;

    /**
     * 1:N, from the strongest to the weakest.
     *
     * @param n the span of N; above 0 as parts, above 1 as a share, at most {@link #MOST_PARTS}
     */
    record Dilution(Span n, Reading reading) implements Dose {
        public Dilution {
            reading.share(n.low());
            require(n.high() <= MOST_PARTS, "thinner than 1:" + MOST_PARTS);
        }

        @Override
        public Optional<Span> shares(Collection<Calibration> known) {
            return Optional.of(new Span(reading.share(n.high()), reading.share(n.low())));
        }

        @Override
        public String print() {
            return (reading == Reading.PARTS ? "1:" : "1 in ") + n.written();
        }

        @Override
        public Optional<Dose> at(double share, int digits, Collection<Calibration> known) {
            return share >= 1
                    ? Optional.empty()
                    : Optional.of(new Dilution(Span.of(rounded(reading.partsFor(share), digits)), reading));
        }
    }

    /**
     * Per cent of the mix.
     *
     * @param percent above 0, at most 100
     */
    record Percent(Span percent) implements Dose {
        public Percent {
            require(percent.low() > 0 && percent.high() <= 100, "a mix holds above 0 and up to 100 % product");
        }

        @Override
        public Optional<Span> shares(Collection<Calibration> known) {
            return Optional.of(percent.times(0.01));
        }

        @Override
        public String print() {
            return percent.written() + " %";
        }

        @Override
        public Optional<Dose> at(double share, int digits, Collection<Calibration> known) {
            return Optional.of(new Percent(Span.of(Math.min(100, rounded(share * 100, digits)))));
        }
    }

    /**
     * A volume of product in a volume of mix.
     *
     * @param amount above 0, in {@code unit}
     * @param in above 0, in {@code inUnit}; not less than the product
     */
    record PerVolume(Span amount, Unit unit, double in, Unit inUnit) implements Dose {
        public PerVolume {
            require(amount.low() > 0 && in > 0, "a dose is above zero");
            require(unit.toCanonical(amount.high()) <= inUnit.toCanonical(in), "more product than mix");
        }

        @Override
        public Optional<Span> shares(Collection<Calibration> known) {
            return Optional.of(amount.times(unit.toCanonical(1) / inUnit.toCanonical(in)));
        }

        @Override
        public String print() {
            return "%s %s in %s %s".formatted(amount.written(), unit.symbol(), write(in), inUnit.symbol());
        }

        @Override
        public Optional<Dose> at(double share, int digits, Collection<Calibration> known) {
            double product = rounded(unit.fromCanonical(share * inUnit.toCanonical(in)), digits);
            return Optional.of(new PerVolume(Span.of(product), unit, in, inUnit));
        }
    }

    /**
     * Caps, pumps or sprays in a volume of mix.
     *
     * @param count above 0
     * @param in above 0, in {@code inUnit}
     */
    record Counted(Counter counter, Span count, double in, Unit inUnit) implements Dose {
        public Counted {
            require(count.low() > 0 && in > 0, "a dose is above zero");
        }

        @Override
        public Optional<Span> shares(Collection<Calibration> known) {
            return mlEach(counter, known)
                    .map(ml -> count.times(ml / inUnit.toCanonical(in)))
                    .filter(s -> s.high() <= 1);
        }

        @Override
        public String print() {
            return "%s %s in %s %s".formatted(count.written(), counted(counter, count), write(in), inUnit.symbol());
        }

        @Override
        public Optional<Dose> at(double share, int digits, Collection<Calibration> known) {
            return mlEach(counter, known)
                    .map(ml -> new Counted(
                            counter, Span.of(rounded(share * inUnit.toCanonical(in) / ml, digits)), in, inUnit));
        }
    }

    /**
     * Caps, pumps or sprays straight onto a place.
     *
     * @param count above 0
     */
    record CountedOn(Counter counter, Span count, Place place) implements Dose {
        public CountedOn {
            require(count.low() > 0, "a dose is above zero");
        }

        @Override
        public Optional<Span> onPlace(Collection<Calibration> known) {
            return mlEach(counter, known).map(count::times);
        }

        @Override
        public String print() {
            return "%s %s per %s".formatted(count.written(), counted(counter, count), place.word());
        }
    }

    /**
     * A volume straight onto a place.
     *
     * @param amount above 0, in {@code unit}
     */
    record VolumeOn(Span amount, Unit unit, Place place) implements Dose {
        public VolumeOn {
            require(amount.low() > 0, "a dose is above zero");
        }

        @Override
        public Optional<Span> onPlace(Collection<Calibration> known) {
            return Optional.of(amount.times(unit.toCanonical(1)));
        }

        @Override
        public String print() {
            return "%s %s per %s".formatted(amount.written(), unit.symbol(), place.word());
        }
    }

    /** As it comes; the label names no amount. */
    record ReadyToUse() implements Dose {
        @Override
        public String print() {
            return "ready to use";
        }
    }

    /** Product as a share of the mix, 0 to 1; a whole share for what is not mixed; empty if a calibration is wanting. */
    default Optional<Span> shares(Collection<Calibration> known) {
        return Optional.of(Span.of(1));
    }

    /** mL of product on the place it is counted for; empty if it is mixed, open, or a calibration is wanting. */
    default Optional<Span> onPlace(Collection<Calibration> known) {
        return Optional.empty();
    }

    /** The place a direct dose is counted for. */
    default Optional<Place> countedFor() {
        return this instanceof CountedOn on
                ? Optional.of(on.place())
                : this instanceof VolumeOn on ? Optional.of(on.place()) : Optional.empty();
    }

    /** The counter without whose calibration this dose is no volume. */
    default Optional<Counter> countedIn() {
        return this instanceof Counted mixed
                ? Optional.of(mixed.counter())
                : this instanceof CountedOn on ? Optional.of(on.counter()) : Optional.empty();
    }

    /** Whether water is added. */
    default boolean mixed() {
        return this instanceof Dilution
                || this instanceof Percent
                || this instanceof PerVolume
                || this instanceof Counted;
    }

    /** A single dose of the same form with this share of product, to so many digits; empty if the form has none. */
    default Optional<Dose> at(double share, int digits, Collection<Calibration> known) {
        return Optional.empty();
    }

    /** As a label line writes it. */
    String print();

    private static Optional<Double> mlEach(Counter counter, Collection<Calibration> known) {
        return known.stream()
                .filter(c -> c.counter() == counter)
                .map(Calibration::mlEach)
                .findFirst();
    }

    private static String counted(Counter counter, Span count) {
        return count.single() && count.low() == 1 ? counter.word() : counter.words();
    }

    private static double rounded(double value, int digits) {
        return new BigDecimal(value).round(new MathContext(digits)).doubleValue();
    }

    private static void require(boolean holds, String otherwise) {
        if (!holds) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
