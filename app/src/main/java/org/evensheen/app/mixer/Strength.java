package org.evensheen.app.mixer;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.Reading;
import org.evensheen.core.units.Span;

/**
 * The slider: shares of product from weak to strong on a logarithmic scale, a quarter of the label's weakest to four times
 * its strongest.
 *
 * @param weakest share at its left end
 * @param strongest share at its right end
 * @param label the label's span of shares, if there is a label
 * @param form the dose whose form is kept
 */
record Strength(double weakest, double strongest, Optional<Span> label, Dose form, List<Calibration> calibrations) {
    static final int STEPS = 1000;
    private static final double REACH = 4;
    private static final double NEAR = 7;
    private static final int DIGITS = 3;

    /** For a label's dose; empty if that is not mixed, or a calibration is wanting. */
    static Optional<Strength> of(Dose labelled, List<Calibration> calibrations) {
        if (!labelled.mixed()) {
            return Optional.empty();
        }
        return labelled.shares(calibrations).map(span -> {
            double strongest = Math.min(Math.max(0.5, span.high()), span.high() * REACH);
            return new Strength(span.low() / REACH, strongest, Optional.of(span), labelled, calibrations);
        });
    }

    /** Without a label: from 1:2000 to 1:1. */
    static Strength free(Dose form) {
        Dose parts = form.mixed() && form.countedIn().isEmpty() ? form : new Dose.Dilution(Span.of(10), Reading.PARTS);
        return new Strength(1.0 / 2001, 0.5, Optional.empty(), parts, List.of());
    }

    double place(double share) {
        double place = STEPS * Math.log(share / weakest) / Math.log(strongest / weakest);
        return Math.max(0, Math.min(STEPS, place));
    }

    /** The dose at a place, at the label's own end where it is that near. */
    Optional<Dose> dose(int place) {
        double share = weakest * Math.pow(strongest / weakest, (double) place / STEPS);
        if (label.isPresent()) {
            for (double end : new double[] {label.get().low(), label.get().high()}) {
                if (Math.abs(place(end) - place) < NEAR) {
                    share = end;
                }
            }
        }
        return form.at(share, DIGITS, calibrations);
    }

    /** What to begin with: the label's only strength, or a round one midway between its ends on the slider. */
    Optional<Dose> usual() {
        return label.flatMap(span -> {
            double middle = Math.sqrt(span.low() * span.high());
            return IntStream.rangeClosed(1, DIGITS)
                    .mapToObj(digits -> form.at(middle, digits, calibrations))
                    .flatMap(Optional::stream)
                    .filter(dose -> inside(dose, span))
                    .findFirst()
                    .or(() -> form.at(middle, DIGITS, calibrations));
        });
    }

    /** Within the label, and not at one of its two ends. */
    private boolean inside(Dose dose, Span span) {
        double share = dose.shares(calibrations).orElseThrow().low();
        double slack = span.single() ? -1e-9 : (span.high() - span.low()) * 0.02;
        return share > span.low() + slack && share < span.high() - slack;
    }
}
