package org.evensheen.core.units;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The units a person sees and types. Everything is kept and reckoned in metric units; this is where they turn into others and back.
 *
 * <p>What a ruler or a camera reads on a place (mm of a drop or of foam), g/m², GU and angles are the same for everybody.
 */
public enum UnitSystem {
    METRIC,
    US;

    private static final double FAHRENHEIT = 1.8;

    /** What stands after a number. */
    private static final Pattern TAIL = Pattern.compile("(?<=[\\d.,\\s])[\\p{L}°][^\\d]*$");

    /** Digits that a typed number keeps when it is converted. */
    private static final MathContext CONVERTED = new MathContext(4);

    /**
     * How a metric unit is shown: {@code metric × factor + offset}.
     *
     * @param unit its sign
     * @param finer decimals more than the metric number has, as the unit is larger
     */
    public record Shown(String unit, double factor, double offset, int finer) {
        public double of(double metric) {
            return metric * factor + offset;
        }

        public double metric(double shown) {
            return (shown - offset) / factor;
        }

        public boolean differs() {
            return factor != 1 || offset != 0;
        }
    }

    /** How a metric unit is shown; K is a difference of temperatures, °C a temperature. */
    public Shown shown(String metric) {
        Shown same = new Shown(metric, 1, 0, 0);
        return this == METRIC
                ? same
                : switch (metric) {
                    case "N" -> new Shown("lbf", Unit.POUND_FORCE.fromCanonical(1), 0, 1);
                    case "°C" -> new Shown("°F", FAHRENHEIT, 32, 0);
                    case "K" -> new Shown("°F", FAHRENHEIT, 0, 0);
                    case "m/s" -> new Shown("mph", Unit.HOUR.toCanonical(1) / Unit.MILE.toCanonical(1) * 1000, 0, 0);
                    default -> same;
                };
    }

    /** A number with its unit and one decimal at most: 3 K, 5.4 °F. */
    public String write(double metric, String unit) {
        Shown shown = shown(unit);
        return String.format(Locale.ROOT, "%.1f", shown.of(metric)).replaceFirst("\\.0$", "") + " " + shown.unit;
    }

    /** How a length along a tape is shown, of mm. */
    public Shown tape() {
        return this == METRIC ? new Shown("mm", 1, 0, 0) : new Shown("in", Unit.INCH.fromCanonical(1), 0, 1);
    }

    /**
     * Reads a number as {@link TypedNumber} does. A bare one is of this system's unit, one with a unit of its own is of that; both come
     * back in the metric unit.
     */
    public TypedNumber read(String typed, String what, String unit, double lowest, double highest) {
        Matcher tail = TAIL.matcher(typed.strip());
        String own = tail.find() ? tail.group().toLowerCase(Locale.ROOT).replaceFirst("^(?=[cf]$)", "°") : "";
        Shown shown = shown(unit);
        if (unit.equals("°C") && own.startsWith("°")) {
            shown = (own.equals("°f") ? US : METRIC).shown(unit);
        } else if (!own.isEmpty() && !own.equals(shown.unit)) {
            shown = METRIC.shown(unit);
        }
        String bare = unit.equals("°C") && own.startsWith("°") ? tail.replaceFirst("") : typed;
        if (!shown.differs()) {
            return TypedNumber.read(bare, what, unit, lowest, highest);
        }
        TypedNumber read =
                TypedNumber.read(bare, what, shown.unit, rounded(shown.of(lowest)), rounded(shown.of(highest)));
        return read instanceof TypedNumber.Read r
                ? new TypedNumber.Read(Math.max(lowest, Math.min(highest, rounded(shown.metric(r.value())))))
                : read;
    }

    private static double rounded(double value) {
        return new BigDecimal(value).round(CONVERTED).doubleValue();
    }

    /** The system by its code in a form or a cookie: {@code us}; metric for anything else. */
    public static UnitSystem ofCode(String code) {
        return code.equals(US.code()) ? US : METRIC;
    }

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
