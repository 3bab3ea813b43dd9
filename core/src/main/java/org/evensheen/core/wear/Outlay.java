package org.evensheen.core.wear;

import java.util.Currency;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.units.Span;

/**
 * What a protected week cost as found: all that went on a section of a product, over the weeks for which more than a quarter was left.
 *
 * @param spent on one section, all coats and all upkeep
 * @param aWeek that over the weeks
 * @param atMost whether it still goes on, so that a week costs less with each that passes
 */
public record Outlay(Money spent, Money aWeek, boolean atMost) {

    /** Works it out; empty where an amount or a price is not known, or nothing lasted. */
    public static Optional<Outlay> of(StudyRecord study, Contender contender, int until, Lives.Told told, double span) {
        OptionalDouble median = told.median();
        double weeks = median.orElse(span);
        Optional<Money> spent = spent(study, contender, until);
        return weeks > 0 ? spent.map(s -> new Outlay(s, s.over(weeks), median.isEmpty())) : Optional.empty();
    }

    /** All that went on one section of a contender; empty where an amount or a price is not known, prices are in several currencies, or nothing went on. */
    public static Optional<Money> spent(StudyRecord study, Contender contender, int until) {
        return spent(study.applications().stream()
                .filter(a -> a.contender() == contender.number() && a.day() <= until)
                .toList());
    }

    /**
     * Why it is not known what went on a contender.
     *
     * @param unmeasured how often something went on of which no amount is known
     * @param unpriced how often something went on whose label has no price
     * @param of how often something went on
     * @param currencies in how many currencies its prices are; more than one don't add up
     */
    public record Wanting(long unmeasured, long unpriced, long of, long currencies) {}

    /** What is missing for it; empty if nothing is, or nothing went on. */
    public static Optional<Wanting> wanting(StudyRecord study, Contender contender, int until) {
        List<Application> on = study.applications().stream()
                .filter(a -> a.contender() == contender.number() && a.day() <= until)
                .toList();
        long unmeasured = on.stream().filter(a -> ml(a).isEmpty()).count();
        long unpriced = on.stream()
                .filter(a -> a.label().flatMap(Outlay::perMl).isEmpty())
                .count();
        long currencies = on.stream()
                .flatMap(a -> a.label().flatMap(Outlay::perMl).stream())
                .map(Money::currency)
                .distinct()
                .count();
        return unmeasured + unpriced == 0 && currencies < 2
                ? Optional.empty()
                : Optional.of(new Wanting(unmeasured, unpriced, on.size(), currencies));
    }

    private static Optional<Money> spent(List<Application> applications) {
        Optional<Money> sum = Optional.empty();
        for (Application a : applications) {
            Optional<Money> one = cost(a);
            Optional<Currency> before = sum.map(Money::currency);
            if (one.isEmpty()
                    || before.filter(c -> !c.equals(one.get().currency())).isPresent()) {
                return Optional.empty();
            }
            sum = Optional.of(sum.map(s -> s.plus(one.get())).orElse(one.get()));
        }
        return sum;
    }

    private static Optional<Money> cost(Application a) {
        Optional<Span> ml = ml(a);
        Optional<Money> perMl = a.label().flatMap(Outlay::perMl);
        return ml.isEmpty() || perMl.isEmpty()
                ? Optional.empty()
                : Optional.of(perMl.get().times(ml.get().middle() * a.coats().orElse(1)));
    }

    private static Optional<Span> ml(Application a) {
        return a.dose().flatMap(d -> d.onPlace(a.calibrations()));
    }

    private static Optional<Money> perMl(Label label) {
        return label.offers().stream()
                .filter(o -> o.price().isPresent())
                .findFirst()
                .map((Claim.Offer o) -> o.price().get().over(o.ml()));
    }
}
