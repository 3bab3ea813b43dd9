package org.evensheen.core.units;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The one table of units that are read or shown. Factors are exact by definition (SI; US customary and imperial units after
 * NIST Handbook 44, appendix C), save for the month, which is a twelfth of a Gregorian year.
 */
public enum Unit {
    MILLILITRE(Family.VOLUME, 1, "mL", "millilitre", "millilitres", "milliliter", "milliliters", "cc"),
    CENTILITRE(Family.VOLUME, 10, "cL"),
    LITRE(Family.VOLUME, 1000, "L", "litre", "litres", "liter", "liters", "ltr"),
    US_FLUID_OUNCE(
            Family.VOLUME,
            29.5735295625,
            "US fl oz",
            "fl oz",
            "fl. oz.",
            "fl. oz",
            "floz",
            "fluid ounces",
            "oz",
            "ounce",
            "ounces"),
    US_QUART(Family.VOLUME, 946.352946, "US qt", "qt", "quart", "quarts"),
    US_GALLON(Family.VOLUME, 3785.411784, "US gal", "gal", "gallon", "gallons"),
    IMPERIAL_FLUID_OUNCE(Family.VOLUME, 28.4130625, "imp fl oz"),
    IMPERIAL_GALLON(Family.VOLUME, 4546.09, "imp gal"),

    GRAM(Family.MASS, 1, "g", "gram", "grams"),
    KILOGRAM(Family.MASS, 1000, "kg"),
    MILLIGRAM(Family.MASS, 1e-3, "mg"),
    OUNCE(Family.MASS, 28.349523125, "oz"),
    /** A towel's water is weighed; who reads a cylinder instead means this. */
    MILLILITRE_OF_WATER(Family.MASS, 0.9982, "mL"),

    NEWTON(Family.FORCE, 1, "N"),
    KILOGRAM_FORCE(Family.FORCE, 9.80665, "kgf", "kg", "kilograms"),
    GRAM_FORCE(Family.FORCE, 9.80665e-3, "gf", "g"),
    POUND_FORCE(Family.FORCE, 4.4482216152605, "lbf", "lb", "lbs", "pounds"),

    MILLIMETRE(Family.LENGTH, 1, "mm"),
    MICROMETRE(Family.LENGTH, 1e-3, "µm"),
    CENTIMETRE(Family.LENGTH, 10, "cm"),
    METRE(Family.LENGTH, 1000, "m"),
    INCH(Family.LENGTH, 25.4, "in", "inch", "inches"),
    MILE(Family.LENGTH, 1_609_344, "mi", "mile", "miles"),

    SECOND(Family.DURATION, 1, "s", "sec", "secs", "second", "seconds"),
    MINUTE(Family.DURATION, 60, "min", "mins", "minute", "minutes"),
    HOUR(Family.DURATION, 3600, "h", "hr", "hrs", "hour", "hours"),
    DAY(Family.DURATION, 86_400, "days", "day", "d"),
    WEEK(Family.DURATION, 604_800, "weeks", "week", "wk"),
    MONTH(Family.DURATION, 2_629_746, "months", "month", "mo"),
    YEAR(Family.DURATION, 31_556_952, "years", "year", "yr");

    /** What a unit measures; the canonical unit has the factor 1. */
    public enum Family {
        VOLUME,
        MASS,
        FORCE,
        LENGTH,
        DURATION
    }

    private final Family family;
    private final double factor;
    private final String symbol;
    private final List<String> others;

    Unit(Family family, double factor, String symbol, String... others) {
        this.family = family;
        this.factor = factor;
        this.symbol = symbol;
        this.others = List.of(others);
    }

    public Family family() {
        return family;
    }

    public String symbol() {
        return symbol;
    }

    /** An amount of this unit in the canonical unit of its family: mL, g, N, mm, s. */
    public double toCanonical(double amount) {
        return amount * factor;
    }

    /** An amount in the canonical unit of this family in this unit. */
    public double fromCanonical(double canonical) {
        return canonical / factor;
    }

    /** Every way of writing it, its symbol first. */
    public Stream<String> names() {
        return Stream.concat(Stream.of(symbol), others.stream());
    }

    /** The unit of a family by any of its names, whatever the case. */
    public static Optional<Unit> named(Family family, String name) {
        String wanted = name.toLowerCase(Locale.ROOT);
        return Stream.of(values())
                .filter(u -> u.family == family
                        && u.names().anyMatch(n -> n.toLowerCase(Locale.ROOT).equals(wanted)))
                .findFirst();
    }
}
