package org.evensheen.core.mixing;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Collection;
import java.util.Optional;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;

/**
 * A label's dose brought to the size of a section: amount × section's area / area the label counts for. The label's own section size is
 * that area; a panel is taken as {@link #PANEL} m²; without a size a section is a section.
 *
 * @param asked as the label has it
 * @param share of the label's place that the section is, above 0
 * @param amount in {@link #counter()}, or in mL
 */
public record SectionDose(Dose asked, double share, Span amount) {
    /** What a panel is taken as where a label counts by panels, m². */
    public static final double PANEL = 1.0;

    /**
     * The dose for one section.
     *
     * @param squareMetres area of the section, m², above 0
     * @param labelSquareMetres area of a section as the label means it, if it says so
     * @return empty for a dose that is mixed, open, or counted for something else than a section or a panel
     */
    public static Optional<SectionDose> of(Dose asked, double squareMetres, Optional<Double> labelSquareMetres) {
        Optional<Double> share = asked.countedFor().flatMap(place -> switch (place) {
            case SECTION ->
                Optional.of(labelSquareMetres.map(a -> squareMetres / a).orElse(1.0));
            case PANEL -> Optional.of(squareMetres / PANEL);
            default -> Optional.empty();
        });
        return share.map(s -> new SectionDose(asked, s, whole(asked).times(s)));
    }

    /** Sprays, caps, pumps; or mL. */
    private static Span whole(Dose asked) {
        if (asked instanceof Dose.CountedOn on) {
            return on.count();
        }
        Dose.VolumeOn on = (Dose.VolumeOn) asked;
        return on.amount().times(on.unit().toCanonical(1));
    }

    /** What it is counted in; empty for mL. */
    public Optional<Counter> counter() {
        return asked.countedIn();
    }

    /** What to give: a whole count inside the range if there is one, near its middle; mL as they are. */
    public double aim() {
        double middle = amount.middle();
        if (counter().isEmpty()) {
            return middle;
        }
        double count = Math.max(1, Math.rint(middle));
        if (!amount.holds(count)) {
            double up = Math.ceil(amount.low());
            count = amount.holds(up) ? up : count;
        }
        return count;
    }

    /** mL in the range; empty if it is counted and the counter is not calibrated. */
    public Optional<Span> ml(Collection<Calibration> known) {
        return counter().isEmpty() ? Optional.of(amount) : asked.onPlace(known).map(ml -> ml.times(share));
    }

    /**
     * What was given on the section, as a dose on the label's own place, so that it stands against the label.
     *
     * @param given in {@link #counter()} or mL, above 0
     * @return empty where the label counts by panels: how large its panel is, it does not say, so nothing can be held against it
     */
    public Optional<Dose> asLabelled(double given) {
        Place place = asked.countedFor().orElseThrow();
        if (place == Place.PANEL) {
            return Optional.empty();
        }
        return Optional.of(
                counter().isPresent()
                        ? new Dose.CountedOn(counter().get(), Span.of(rounded(given / share)), place)
                        : new Dose.VolumeOn(Span.of(rounded(given / share)), Unit.MILLILITRE, place));
    }

    /** As finely as a label is read. */
    private static double rounded(double amount) {
        return new BigDecimal(amount).round(new MathContext(3)).doubleValue();
    }

    /**
     * What was given by weight.
     *
     * @param grams that the bottle lost, above 0
     * @param density g/mL, above 0
     * @return in {@link #counter()} or mL; empty if it is counted and the counter is not calibrated
     */
    public Optional<Double> weighed(double grams, double density, Collection<Calibration> known) {
        double ml = grams / density;
        return counter().isEmpty()
                ? Optional.of(ml)
                : known.stream()
                        .filter(c -> c.counter() == counter().get())
                        .map(c -> ml / c.mlEach())
                        .findFirst();
    }
}
