package org.evensheen.core.instruments;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.units.Unit;

/**
 * A kind of instrument: what it measures, in which units its lines may be, and what it can't have read. Values are handed on in the
 * first unit of the kind.
 */
public enum Probe {
    /** A force gauge on the sled; the pull is a whole trace. */
    FORCE("force", "Force gauge", "N", -50, 500),
    SCALE("scale", "Scale", "g", -100, 60_000),
    REFLECTOMETER("gloss", "Gloss meter", "GU", 0, 2000),
    /** Air temperature first, humidity second. */
    AIR("air", "Thermo-hygrometer", "°C", -60, 60),
    SURFACE("surface", "Surface thermometer", "°C", -60, 200),
    PH("ph", "pH meter", "pH", 0, 14);

    private final String code;
    private final String label;
    private final String unit;
    private final double lowest;
    private final double highest;

    Probe(String code, String label, String unit, double lowest, double highest) {
        this.code = code;
        this.label = label;
        this.unit = unit;
        this.lowest = lowest;
        this.highest = highest;
    }

    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    /** The unit values are handed on in. */
    public String unit() {
        return unit;
    }

    /** Whether a value, in {@link #unit()}, could be one of this instrument's. */
    public boolean plausible(double value) {
        return value >= lowest && value <= highest;
    }

    public double lowest() {
        return lowest;
    }

    public double highest() {
        return highest;
    }

    /** Every unit its lines may be in, with a factor and what is added after it to come to {@link #unit()}. */
    private Map<String, double[]> units() {
        Map<String, double[]> units = new LinkedHashMap<>();
        switch (this) {
            case FORCE -> family(units, Unit.Family.FORCE);
            case SCALE -> family(units, Unit.Family.MASS);
            case REFLECTOMETER -> units.put("GU", new double[] {1, 0});
            case AIR, SURFACE -> {
                for (String name : new String[] {"°C", "C", "degC"}) {
                    units.put(name, new double[] {1, 0});
                }
                for (String name : new String[] {"°F", "F", "degF"}) {
                    units.put(name, new double[] {1 / 1.8, -32 / 1.8});
                }
            }
            case PH -> units.put("pH", new double[] {1, 0});
        }
        return units;
    }

    private static void family(Map<String, double[]> units, Unit.Family family) {
        Stream.of(Unit.values())
                .filter(u -> u.family() == family && u != Unit.MILLILITRE_OF_WATER)
                .forEach(u -> u.names().forEach(n -> units.putIfAbsent(n, new double[] {u.toCanonical(1), 0})));
    }

    /** Units that a line may name, for a person to choose from. */
    public Stream<String> unitNames() {
        return units().keySet().stream();
    }

    /** A value in {@link #unit()}; empty if the unit is none of this instrument's. */
    public Optional<Double> canonical(double value, String unitName) {
        return units().entrySet().stream()
                .filter(e -> e.getKey().equalsIgnoreCase(unitName))
                .map(e -> value * e.getValue()[0] + e.getValue()[1])
                .findFirst();
    }

    public static Optional<Probe> ofCode(String code) {
        return Stream.of(values()).filter(p -> p.code.equals(code)).findFirst();
    }
}
