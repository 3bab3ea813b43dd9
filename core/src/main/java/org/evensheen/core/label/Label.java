package org.evensheen.core.label;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.core.cautions.Acidity;
import org.evensheen.core.cautions.Hazard;

/**
 * What a maker's label says, claim by claim, in the order it was written.
 *
 * @throws IllegalArgumentException if a claim that can stand only once stands twice, or two uses have one name
 */
public record Label(List<Claim> claims) {
    public static final Label BLANK = new Label(List.of());

    public Label {
        claims = List.copyOf(claims);
        Set<Object> seen = new HashSet<>();
        for (Claim claim : claims) {
            if (!seen.add(slot(claim))) {
                throw new IllegalArgumentException("is said twice: " + claim.print());
            }
        }
    }

    /** What may not be said twice: the kind of claim, a use's name, a size. */
    static Object slot(Claim claim) {
        if (claim instanceof Claim.Use use) {
            return List.of("use", use.name().toLowerCase(java.util.Locale.ROOT));
        }
        if (claim instanceof Claim.Offer offer) {
            return List.of("offer", offer.ml());
        }
        return claim.getClass();
    }

    public <C extends Claim> Stream<C> all(Class<C> kind) {
        return claims.stream().filter(kind::isInstance).map(kind::cast);
    }

    public <C extends Claim> Optional<C> one(Class<C> kind) {
        return all(kind).findFirst();
    }

    public List<Claim.Use> uses() {
        return all(Claim.Use.class).toList();
    }

    public List<Claim.Offer> offers() {
        return all(Claim.Offer.class).toList();
    }

    /** Hazards that the label names, and the one that its pH makes. */
    public SortedSet<Hazard> hazards() {
        TreeSet<Hazard> hazards = new TreeSet<>();
        one(Claim.Caution.class).ifPresent(c -> hazards.addAll(c.hazards()));
        one(Claim.Ph.class).ifPresent(ph -> {
            Acidity.hazard(ph.value().low()).ifPresent(hazards::add);
            Acidity.hazard(ph.value().high()).ifPresent(hazards::add);
        });
        return hazards;
    }

    /**
     * Two claims that can't both hold: to last, and to ask to be put on again before that is over.
     *
     * @param washesAWeek how often is taken to be washed where one is told in washes and the other in weeks
     */
    public record Contradiction(Claim lasts, Claim.Renew renew, double washesAWeek) {}

    /** Taken where a label sets washes against weeks: one wash a week. */
    public static final double WASHES_A_WEEK = 1;

    /** Where it contradicts itself about how long it lasts. */
    public List<Contradiction> contradictions() {
        return one(Claim.Renew.class).stream()
                .flatMap(renew -> {
                    double every = renew.every();
                    boolean washes = renew.per() == Claim.Renew.Per.WASH;
                    Stream<Claim> weeks = all(Claim.Lasts.class)
                            .filter(l -> l.weeks().low() > (washes ? every / WASHES_A_WEEK : every))
                            .map(l -> (Claim) l);
                    Stream<Claim> number = all(Claim.LastsWashes.class)
                            .filter(l -> l.number().low() > (washes ? every : every * WASHES_A_WEEK))
                            .map(l -> (Claim) l);
                    return Stream.concat(weeks, number).map(l -> new Contradiction(l, renew, WASHES_A_WEEK));
                })
                .toList();
    }

    /**
     * How many a bottle of some size is said to do, in the middle of what is said; empty if nothing is. What is said is taken for the largest
     * size that it is sold in, and goes by size.
     *
     * @param bottleMl mL, above 0
     */
    public OptionalDouble promised(Claim.Yield.Of of, double bottleMl) {
        OptionalDouble largest = offers().stream().mapToDouble(Claim.Offer::ml).max();
        return all(Claim.Yield.class)
                .filter(y -> y.of() == of)
                .mapToDouble(y -> y.number().middle() * bottleMl / largest.orElse(bottleMl))
                .findFirst();
    }

    /** The label in one line, as {@link LabelLine} reads it back. */
    public String print() {
        return claims.stream().map(Claim::print).collect(Collectors.joining("; "));
    }
}
