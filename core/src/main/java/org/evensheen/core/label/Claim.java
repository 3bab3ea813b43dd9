package org.evensheen.core.label;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.cost.Money;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;

/** One thing a label says, in the units it says it in. Each prints as the label line reads it back. */
public sealed interface Claim {

    /** As a label line writes it. */
    String print();

    /** Whether a label may say this more than once. */
    default boolean repeatable() {
        return false;
    }

    /**
     * A use with its dose.
     *
     * @param name what it is used as; empty if the label names one use only
     */
    record Use(String name, Dose dose) implements Claim {
        public static final int LONGEST = 60;

        public Use {
            require(name.length() <= LONGEST && name.equals(name.strip()), "a use has a short name");
        }

        @Override
        public boolean repeatable() {
            return true;
        }

        @Override
        public String print() {
            return name.isEmpty() ? dose.print() : name + " " + dose.print();
        }
    }

    /** Time from spreading to buffing or rinsing. */
    record Wait(Span amount, Unit unit) implements Claim {
        public Wait {
            requireTime(amount, unit);
        }

        public Span seconds() {
            return amount.times(unit.toCanonical(1));
        }

        @Override
        public String print() {
            return "wait " + timed(amount, unit);
        }
    }

    /** What is done when the wait is over. */
    record Finish(How how) implements Claim {
        /** How. */
        public enum How {
            BUFF,
            NO_BUFF,
            RINSE_OFF
        }

        @Override
        public String print() {
            return how.name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /** How many coats. */
    record Coats(Span number) implements Claim {
        public Coats {
            require(number.low() >= 1 && number.high() <= 20, "from 1 to 20 coats");
            require(
                    number.low() == Math.rint(number.low()) && number.high() == Math.rint(number.high()),
                    "whole coats");
        }

        @Override
        public String print() {
            return number.written() + (number.high() == 1 ? " coat" : " coats");
        }
    }

    /** The size to work at a time, cm. */
    record SectionSize(double width, double height) implements Claim {
        public SectionSize {
            require(width >= 5 && height >= 5 && width <= 500 && height <= 500, "a section of 5 to 500 cm");
        }

        @Override
        public String print() {
            return "section " + Span.of(width).written() + " × "
                    + Span.of(height).written() + " cm";
        }
    }

    /** Time before it may get wet. */
    record KeepDry(Span amount, Unit unit) implements Claim {
        public KeepDry {
            requireTime(amount, unit);
        }

        @Override
        public String print() {
            return "dry " + timed(amount, unit);
        }
    }

    /** Time before another layer may go on. */
    record NextLayer(Span amount, Unit unit) implements Claim {
        public NextLayer {
            requireTime(amount, unit);
        }

        @Override
        public String print() {
            return "next layer " + timed(amount, unit);
        }
    }

    /** Limits of the panel's temperature; one of them at least. */
    record PanelTemperature(Optional<Double> low, Optional<Double> high, boolean fahrenheit) implements Claim {
        public PanelTemperature {
            require(low.isPresent() || high.isPresent(), "one limit at least");
            require(low.isEmpty() || high.isEmpty() || low.get() < high.get(), "a range runs upwards");
            for (Optional<Double> end : java.util.List.of(low, high)) {
                end.map(e -> celsius(e, fahrenheit))
                        .ifPresent(c -> require(c >= -40 && c <= 150, "from −40 to 150 °C"));
            }
        }

        public Optional<Double> lowCelsius() {
            return low.map(t -> celsius(t, fahrenheit));
        }

        public Optional<Double> highCelsius() {
            return high.map(t -> celsius(t, fahrenheit));
        }

        private static double celsius(double t, boolean fahrenheit) {
            return fahrenheit ? (t - 32) / 1.8 : t;
        }

        @Override
        public String print() {
            String unit = fahrenheit ? " °F" : " °C";
            if (low.isEmpty()) {
                return "panel below " + Span.of(high.orElseThrow()).written() + unit;
            }
            return high.map(h -> "panel " + new Span(low.get(), h).written() + unit)
                    .orElseGet(() -> "panel above " + Span.of(low.get()).written() + unit);
        }
    }

    /** Whether it may be used in the sun. */
    record Sun(boolean allowed) implements Claim {
        @Override
        public String print() {
            return allowed ? "sun allowed" : "no sun";
        }
    }

    /** What it may be used on. */
    record For(SortedSet<Surface> surfaces) implements Claim {
        public For {
            surfaces = some(surfaces);
        }

        @Override
        public String print() {
            return "for " + listed(surfaces, Surface::word);
        }
    }

    /** What it must not be used on. */
    record NotFor(SortedSet<Surface> surfaces) implements Claim {
        public NotFor {
            surfaces = some(surfaces);
        }

        @Override
        public String print() {
            return "not for " + listed(surfaces, Surface::word);
        }
    }

    /** How long it is said to last, in weeks, months or years on the road. */
    record Lasts(Span amount, Unit unit) implements Claim {
        public Lasts {
            requireTime(amount, unit);
            require(
                    EnumSet.of(Unit.DAY, Unit.WEEK, Unit.MONTH, Unit.YEAR).contains(unit),
                    "days, weeks, months or years");
        }

        public Span weeks() {
            return amount.times(unit.toCanonical(1) / Unit.WEEK.toCanonical(1));
        }

        @Override
        public String print() {
            return "lasts " + timed(amount, unit);
        }
    }

    /** How many washes it is said to last. */
    record LastsWashes(Span number) implements Claim {
        public LastsWashes {
            require(number.low() > 0 && number.high() <= 1000, "from 1 to 1000 washes");
        }

        @Override
        public String print() {
            return "lasts " + number.written() + " washes";
        }
    }

    /**
     * How often it asks to be put on again.
     *
     * @param every 1 to 100
     */
    record Renew(int every, Per per) implements Claim {
        public Renew {
            require(every >= 1 && every <= 100, "every 1 to 100 washes or weeks");
        }

        /** What it is counted in. */
        public enum Per {
            WASH("wash", "washes"),
            WEEK("week", "weeks");

            private final String one;
            private final String several;

            Per(String one, String several) {
                this.one = one;
                this.several = several;
            }

            public String counted(int number) {
                return number == 1 ? one : number + " " + several;
            }
        }

        @Override
        public String print() {
            return "renew every " + per.counted(every);
        }
    }

    /** How much a bottle is said to do, of what. */
    record Yield(Span number, Of of) implements Claim {
        public Yield {
            require(number.low() > 0 && number.high() <= 10_000, "from 1 to 10000 a bottle");
        }

        /** What is counted. */
        public enum Of {
            CARS("car", "cars"),
            WHEELS("wheel", "wheels"),
            PANELS("panel", "panels");

            private final String one;
            private final String several;

            Of(String one, String several) {
                this.one = one;
                this.several = several;
            }

            /** One of them: "car". */
            public String one() {
                return one;
            }

            public String several() {
                return several;
            }
        }

        @Override
        public String print() {
            return "does %s %s a bottle".formatted(number.written(), of.several());
        }
    }

    /** That it leaves no marks. */
    record NoMarks() implements Claim {
        @Override
        public String print() {
            return "no marks";
        }
    }

    /** pH as it comes. */
    record Ph(Span value) implements Claim {
        public Ph {
            require(value.low() >= 0 && value.high() <= 14, "pH from 0 to 14");
        }

        @Override
        public String print() {
            return "pH " + value.written();
        }
    }

    /**
     * A size it is sold in, with its price if the label or the shop told it.
     *
     * @param size above 0, a volume, or a mass for pastes
     */
    record Offer(double size, Unit unit, Optional<Money> price) implements Claim {
        /** Density taken for a paste sold by mass, g/mL; said wherever it is used. */
        public static final double PASTE_DENSITY = 1.0;

        public Offer {
            require(unit.family() == Unit.Family.VOLUME || unit.family() == Unit.Family.MASS, "a volume or a mass");
            double canonical = unit.toCanonical(size);
            require(canonical >= 1 && canonical <= 250_000, "from 1 mL to 250 L");
        }

        /** mL, or grams over {@link #PASTE_DENSITY}. */
        public double ml() {
            return unit.family() == Unit.Family.MASS ? unit.toCanonical(size) / PASTE_DENSITY : unit.toCanonical(size);
        }

        public String sized() {
            return Span.of(size).written() + " " + unit.symbol();
        }

        @Override
        public boolean repeatable() {
            return true;
        }

        @Override
        public String print() {
            return sized() + price.map(p -> " " + p.print()).orElse("");
        }
    }

    /** How long it keeps once opened. */
    record Keeps(Span amount, Unit unit) implements Claim {
        public Keeps {
            requireTime(amount, unit);
        }

        @Override
        public String print() {
            return "keeps " + timed(amount, unit);
        }
    }

    /** How long it keeps once mixed. */
    record MixKeeps(Span amount, Unit unit) implements Claim {
        public MixKeeps {
            requireTime(amount, unit);
        }

        @Override
        public String print() {
            return "mix keeps " + timed(amount, unit);
        }
    }

    /** What it smells of; empty for nothing. */
    record Scent(String of) implements Claim {
        public Scent {
            require(of.length() <= 60 && of.equals(of.strip()), "a scent has a short name");
        }

        @Override
        public String print() {
            return of.isEmpty() ? "no scent" : "scent " + of;
        }
    }

    /** What its label or its safety data sheet warns of. */
    record Caution(SortedSet<Hazard> hazards) implements Claim {
        public Caution {
            hazards = some(hazards);
        }

        @Override
        public String print() {
            return "caution " + listed(hazards, Hazard::word);
        }
    }

    private static <T> String listed(Set<T> items, Function<T, String> word) {
        return items.stream().map(word).collect(Collectors.joining(", "));
    }

    private static <T extends Comparable<T>> SortedSet<T> some(SortedSet<T> items) {
        require(!items.isEmpty(), "names one at least");
        return java.util.Collections.unmodifiableSortedSet(new TreeSet<>(items));
    }

    private static String timed(Span amount, Unit unit) {
        String symbol = unit.symbol();
        boolean one = amount.high() == 1 && symbol.endsWith("s") && symbol.length() > 1;
        return amount.written() + " " + (one ? symbol.substring(0, symbol.length() - 1) : symbol);
    }

    private static void requireTime(Span amount, Unit unit) {
        require(unit.family() == Unit.Family.DURATION, "a time");
        require(
                amount.low() > 0 && unit.toCanonical(amount.high()) <= Unit.YEAR.toCanonical(50),
                "from above 0 to 50 years");
    }

    private static void require(boolean holds, String otherwise) {
        if (!holds) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
