package org.evensheen.standins;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToDoubleBiFunction;
import java.util.function.ToDoubleFunction;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.WaterGrade;
import org.evensheen.core.schedule.Plan.Planned;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.SessileDrop;
import org.evensheen.core.water.WaterKind;

/**
 * A bed with products on it whose truth is known. Each section has its own lasting offset, each day its own warmth, each
 * reading its own noise; all three follow from the seed and from what is read, in whatever order it is read.
 */
public final class SimulatedBed {
    private static final double MOST_ANGLE = 125;
    private static final double DROP_WIDTH = 3.4;
    /** Height of the flattest drop that is read, hundredths of a millimetre. */
    private static final int SHALLOWEST = 6;
    /** Contact angle half-way between a height, in hundredths of a millimetre, and the next; a drop's profile takes its time. */
    private static final Map<Integer, Double> ANGLES = new ConcurrentHashMap<>();
    /** What scatter is a share of where the value is an angle: bare paint's own angle is small, its scatter is not. */
    private static final double DEGREES = 100;
    /** The same for gloss, GU: it differs little from place to place on one panel. */
    private static final double UNITS = 30;

    private final StudyRecord study;
    private final Paint paint;
    private final Map<Integer, Coating> coatings;
    private final int freshDay;
    private final long seed;
    private final Hardship hardship;

    /** A bed on which nothing but weeks wears. */
    public SimulatedBed(StudyRecord study, Paint paint, Map<Integer, Coating> coatings, int freshDay, long seed) {
        this(study, paint, coatings, freshDay, seed, Hardship.NONE);
    }

    /**
     * @param study layout and contenders; its readings are not looked at
     * @param coatings truth by contender number; bare has none
     * @param freshDay the day from which wear counts
     * @param hardship what wears it besides weeks, and what hides it
     */
    public SimulatedBed(
            StudyRecord study,
            Paint paint,
            Map<Integer, Coating> coatings,
            int freshDay,
            long seed,
            Hardship hardship) {
        this.study = study;
        this.paint = paint;
        this.coatings = Map.copyOf(coatings);
        this.freshDay = freshDay;
        this.seed = seed;
        this.hardship = hardship;
    }

    /** Every reading the plan asks for on one section at one occasion. */
    public List<Reading> read(Section section, Occasion at) {
        List<Reading> readings = new ArrayList<>();
        for (Planned planned : study.plan().measures()) {
            for (int repeat = 1; repeat <= planned.repeats(); repeat++) {
                readings.add(read(section, at, planned.measure(), repeat));
            }
        }
        return readings;
    }

    /** One reading. */
    public Reading read(Section section, Occasion at, Measure measure, int repeat) {
        return new Reading(section.code(), at.day(), at.stage(), repeat, see(section, at, measure, repeat));
    }

    /**
     * The true mean of a contender over all sections it could stand on, free of warmth, place and noise: N, degrees,
     * g/m² or GU.
     */
    public double truth(Contender contender, Occasion at, Measure measure) {
        double bare = bare(measure);
        Coating coating = coatings.get(contender.number());
        if (coating == null || at.stage().untouched()) {
            return bare;
        }
        double fresh = physics(measure).fresh().applyAsDouble(coating, paint);
        return bare + (fresh - bare) * coating.left(at.day() - freshDay);
    }

    /** The true value of a section as it shows at a moment: worn by what it went through, hidden by what dirt is still on it. */
    private double shown(Section section, Occasion at, Measure measure) {
        Contender contender = study.contenderOn(section);
        Coating coating = coatings.get(contender.number());
        if (hardship.equals(Hardship.NONE) || coating == null || at.stage().untouched()) {
            return truth(contender, at, measure);
        }
        double bare = bare(measure);
        double fresh = physics(measure).fresh().applyAsDouble(coating, paint);
        double low = middleRow() <= 1 ? 0 : (section.row() - 1) / (2 * (middleRow() - 1));
        double left = coating.left(hardship.days(Math.max(0, at.day() - freshDay), washes(at), low));
        return bare + (fresh - bare) * left * (1 - hardship.hidden(at.stage(), low));
    }

    private long washes(Occasion at) {
        return study.happenings().stream()
                .filter(h -> h.kind() == Happening.Kind.WASHED && h.day() > freshDay && h.day() <= at.day())
                .count();
    }

    private double bare(Measure measure) {
        return physics(measure).bare().applyAsDouble(paint);
    }

    private static Physics physics(Measure measure) {
        Physics physics = PHYSICS.get(measure);
        if (physics == null) {
            throw new IllegalArgumentException("the stand-ins know nothing of %s".formatted(measure));
        }
        return physics;
    }

    /**
     * How a measure comes about.
     *
     * @param number in the draws, so that another measure changes none of these
     * @param scale what scatter is a share of: 0 for the value on bare paint
     * @param warm whether a warm day raises it
     */
    private record Physics(
            int number,
            ToDoubleFunction<Paint> bare,
            ToDoubleBiFunction<Coating, Paint> fresh,
            double scale,
            boolean warm,
            Sight sight) {}

    /** What is seen of a value. */
    private interface Sight {
        Observation see(SimulatedBed bed, Section section, Occasion at, double value);
    }

    private static final Map<Measure, Physics> PHYSICS = Map.of(
            Measures.PULL,
            new Physics(
                    0,
                    Paint::pull,
                    (c, p) -> c.freshPull(),
                    0,
                    true,
                    (bed, section, at, v) -> Measures.PULL.of(rounded(Math.max(0.5, v), 10))),
            Measures.DROP,
            new Physics(
                    1,
                    Paint::angle,
                    (c, p) -> c.freshAngle(),
                    DEGREES,
                    false,
                    (bed, section, at, v) -> dropOf(Math.max(8, Math.min(MOST_ANGLE, v)))),
            Measures.LEFT_BEHIND,
            new Physics(
                    2,
                    Paint::left,
                    (c, p) -> c.freshLeft(),
                    0,
                    false,
                    (bed, section, at, v) ->
                            Measures.LEFT_BEHIND.of(rounded(Math.max(0, v) * section.areaSquareMetres(), 100))),
            Measures.WATER_GRADE,
            new Physics(3, Paint::angle, (c, p) -> c.freshAngle(), DEGREES, false, SimulatedBed::grade),
            Measures.GLOSS,
            new Physics(
                    4,
                    Paint::gloss,
                    (c, p) -> p.gloss() + c.gleam(p),
                    UNITS,
                    false,
                    (bed, section, at, v) -> Measures.GLOSS.of(rounded(Math.max(0, Math.min(200, v)), 10))));

    private Observation see(Section section, Occasion at, Measure measure, int repeat) {
        Physics physics = physics(measure);
        double scale = physics.scale() > 0 ? physics.scale() : bare(measure);
        double place = paint.betweenSections() * gaussian("place", section.code(), 0, measure, 0)
                + paint.rowStep() * (section.row() - middleRow());
        double warmth = physics.warm() ? Math.exp(paint.warmth() * gaussian("warmth", "", at.day(), measure, 0)) : 1;
        double noise = paint.betweenRepeats() * gaussian(at.stage().code(), section.code(), at.day(), measure, repeat);
        double value = warmth * (shown(section, at, measure) + scale * (place + noise));
        return physics.sight().see(this, section, at, value);
    }

    /** A drop on a fixed base with this contact angle; heights are read to a hundredth of a millimetre. */
    private static Observation dropOf(double angle) {
        int low = SHALLOWEST;
        int high = (int) (100 * DROP_WIDTH);
        while (low < high) {
            int middle = (low + high) / 2;
            if (ANGLES.computeIfAbsent(middle, h -> SessileDrop.contactAngle((h + 0.5) / 100, DROP_WIDTH)) < angle) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return Measures.DROP.of(low / 100.0, DROP_WIDTH);
    }

    private Observation grade(Section section, Occasion at, double angle) {
        Contender contender = study.contenderOn(section);
        double fresh = truth(contender, new Occasion(freshDay, Stage.FRESH), Measures.DROP);
        double share = fresh == paint.angle() ? 0 : (angle - paint.angle()) / (fresh - paint.angle());
        boolean nothing = at.stage().untouched() || contender.isControl();
        return WaterGrade.seen(
                contender.water().orElse(WaterKind.REPELS),
                nothing ? 0 : (int) Math.max(0, Math.min(4, Math.round(4 * share))));
    }

    private double middleRow() {
        return (1 + study.sections().stream().mapToInt(Section::row).max().orElse(1)) / 2.0;
    }

    private double gaussian(String what, String section, int day, Measure measure, int repeat) {
        long mixed = seed;
        for (long part : new long[] {
            what.hashCode(), section.hashCode(), day, physics(measure).number(), repeat
        }) {
            mixed = (mixed ^ part) * 0x9E3779B97F4A7C15L;
            mixed ^= mixed >>> 29;
        }
        return new Random(mixed).nextGaussian();
    }

    private static double rounded(double value, int perUnit) {
        return Math.round(value * perUnit) / (double) perUnit;
    }
}
