package org.evensheen.core.footing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.study.Application;
import org.evensheen.core.units.Span;

/**
 * What was done, set against what the label asks.
 *
 * @param done as it was done
 * @param asked as the label asks
 * @param departure how the one stands to the other; empty if they can't be compared
 */
public record LabelDeparture(What what, String done, String asked, Optional<Departure> departure) {

    /** What of an application is compared. */
    public enum What {
        DOSE,
        WAIT,
        COATS
    }

    /** Whether it is known to lie outside of the label. */
    public boolean departed() {
        return departure.filter(d -> !d.within()).isPresent();
    }

    /** Whether it is so far above the label that a result on it is thin. */
    public boolean grave() {
        return departure.filter(Departure::grave).isPresent();
    }

    /** Everything of an application that the label says something of. */
    public static List<LabelDeparture> of(Application application) {
        List<LabelDeparture> compared = new ArrayList<>();
        application.label().ifPresent(label -> {
            application
                    .dose()
                    .ifPresent(done -> use(label, application.job())
                            .map(Claim.Use::dose)
                            .ifPresent(asked -> compared.add(dose(done, asked, application))));
            application
                    .waitSeconds()
                    .ifPresent(seconds -> label.one(Claim.Wait.class)
                            .ifPresent(wait -> compared.add(new LabelDeparture(
                                    What.WAIT,
                                    Span.of(wait.unit().fromCanonical(seconds)).written() + " "
                                            + wait.unit().symbol(),
                                    wait.amount().written() + " " + wait.unit().symbol(),
                                    Optional.of(Departure.of(seconds, wait.seconds()))))));
            application
                    .coats()
                    .ifPresent(coats -> label.one(Claim.Coats.class)
                            .ifPresent(asked -> compared.add(new LabelDeparture(
                                    What.COATS,
                                    new Claim.Coats(Span.of(coats)).print(),
                                    asked.print(),
                                    Optional.of(Departure.of(coats, asked.number()))))));
        });
        return compared;
    }

    /** The use that was meant: by its name, or the label's first. */
    public static Optional<Claim.Use> use(Label label, String job) {
        return label.uses().stream()
                .filter(u -> u.name().equalsIgnoreCase(job))
                .findFirst()
                .or(() -> label.uses().stream().findFirst());
    }

    private static LabelDeparture dose(Dose done, Dose asked, Application application) {
        return new LabelDeparture(What.DOSE, done.print(), asked.print(), compared(done, asked, application));
    }

    /** Two doses that come to shares, to mL on the same place, or to counts of the same thing. */
    private static Optional<Departure> compared(Dose done, Dose asked, Application application) {
        var known = application.calibrations();
        if (done.mixed() && asked.mixed()) {
            return done.shares(known).flatMap(d -> asked.shares(known).map(a -> Departure.of(d.middle(), a)));
        }
        if (done instanceof Dose.CountedOn d && asked instanceof Dose.CountedOn a) {
            return d.counter() == a.counter() && d.place() == a.place()
                    ? Optional.of(Departure.of(d.count().middle(), a.count()))
                    : Optional.empty();
        }
        return done.countedFor().isPresent() && done.countedFor().equals(asked.countedFor())
                ? done.onPlace(known).flatMap(d -> asked.onPlace(known).map(a -> Departure.of(d.middle(), a)))
                : Optional.empty();
    }
}
