package org.evensheen.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.label.ProductKind;

/**
 * What is read on a place. Each measure has its parts, one score with a unit and one way up, and limits outside which a reading is refused.
 *
 * <p>A new one is a class here and its line in {@link Measures}; whatever it does not say otherwise is as most have it.
 */
public abstract class Measure {

    /** The word used in addresses, files and the database: small letters and hyphens. */
    public abstract String code();

    public abstract Words words();

    /** What is typed for one reading, in order; one or more. */
    public abstract List<Part> parts();

    /**
     * The number that is averaged and compared, in {@link #scoreUnit()}.
     *
     * @param seen an observation of {@link #readAs()}
     * @param areaSquareMetres area of the place, m²; not a number for a place that has none
     * @return empty if what was seen has no such number: foam that was not half gone by the last mark
     */
    public abstract OptionalDouble score(Observation seen, double areaSquareMetres);

    /** Unit of the score: N, degrees, g/m², grades, GU, min. */
    public abstract String scoreUnit();

    public abstract int scoreDecimals();

    public abstract boolean moreIsBetter();

    /** The measure whose readings this one is worked out from; itself unless it is another look at the same readings. */
    public Measure readAs() {
        return this;
    }

    /** Refuses values, one a part and each within its limits, that could not be real together. */
    void check(List<Value> values) {}

    public Scale scale() {
        return Scale.AMOUNT;
    }

    /** Whether the benefit against bare is a share of the bare reading (pull, water left) or a plain difference. */
    public boolean benefitIsShare() {
        return false;
    }

    /** What it tells a reader of; empty for what is only noted. */
    public Optional<Quality> quality() {
        return Optional.empty();
    }

    /** Whether it is read against the place's own first reading, so that first readings are alike and only later ones tell anything. */
    public boolean againstItsFirst() {
        return false;
    }

    /** Whether it can be looked at again on another day without doing the whole job over, as water can and dirt that went can't. */
    public boolean lasts() {
        return true;
    }

    /** Whether it is set against bare paint; what stands in a jar has no such zero. */
    public boolean needsBare() {
        return true;
    }

    /** Whether a product that is meant to let water run off in a sheet is judged by it too. */
    public boolean judgesSheeting() {
        return true;
    }

    /** Whether it looks at what water does, so that it matters what water is meant to do. */
    public boolean looksAtWater() {
        return false;
    }

    /** Whether the panel is wetted for it, so that only looks wetted in the same way can be set against each other. */
    public boolean wetted() {
        return false;
    }

    /** Whether it is read with the eye alone, so that knowing names can sway it. */
    public boolean byEye() {
        return false;
    }

    /** The score above which a stripped place is not bare; empty if it tells nothing of that. */
    public OptionalDouble bareUpTo() {
        return OptionalDouble.empty();
    }

    /** Hands' time for one reading, s. */
    public abstract double seconds();

    /** Repeats that a plan begins with; 0 where it is not asked for unless somebody wants it. */
    public abstract int usualRepeats();

    /** Fewest repeats on a place that mean something. */
    public int leastRepeats() {
        return 1;
    }

    /** Why so many, for whoever plans fewer; empty if one will do. */
    public String whyRepeats() {
        return "";
    }

    /** Kinds of product that it is asked for by default. */
    public abstract Set<ProductKind> askedFor();

    /** The kind of instrument that can fill its first number. */
    public Optional<Probe> probe() {
        return Optional.empty();
    }

    /** Its usual reading on bare paint, in the unit of what is typed or per m²; there if studies of it can be rehearsed. */
    public OptionalDouble rehearsedBare() {
        return OptionalDouble.empty();
    }

    /** Whether scatter between sections of earlier studies may be borrowed for it. */
    public boolean lendsScatter() {
        return false;
    }

    /** Whether what is read grows with the area of the place. */
    public boolean growsWithArea() {
        return false;
    }

    public Drawing drawing() {
        return Drawing.NONE;
    }

    /** Whether the score says more than what was typed, and is told while it is being typed. */
    public boolean scoreIsNews() {
        return false;
    }

    /** What makes a score doubtful, to stand after it; empty if nothing does. */
    public String doubt(Observation seen) {
        return "";
    }

    /** Whether places can be compared on it: on amounts through the block model, on an order by its lots; answers about pairs are not of places. */
    public boolean comparable() {
        return scale() != Scale.PAIR;
    }

    public String label() {
        return words().label();
    }

    /** Its first number, in every form and file. */
    public Optional<Part.Number> number() {
        return numbers().findFirst();
    }

    private Stream<Part.Number> numbers() {
        return parts().stream().filter(Part.Number.class::isInstance).map(Part.Number.class::cast);
    }

    /** Unit of what is typed first. */
    public String unit() {
        return parts().stream()
                .map(p -> p instanceof Part.Number n ? n.unit() : p instanceof Part.Series s ? s.unit() : "")
                .filter(u -> !u.isEmpty())
                .findFirst()
                .orElse(scoreUnit());
    }

    /** An observation of numbers, one for each part. */
    public Observation of(double first, double... more) {
        List<Value> values = new java.util.ArrayList<>(List.of(new Value.Number(first)));
        for (double number : more) {
            values.add(new Value.Number(number));
        }
        return new Observation(this, values);
    }

    @Override
    public final String toString() {
        return code();
    }
}
