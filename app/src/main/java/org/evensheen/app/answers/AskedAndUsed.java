package org.evensheen.app.answers;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Study;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.PerUse;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Contender;
import org.evensheen.core.units.Span;
import org.evensheen.core.wear.Upkeep;

/** What labels ask for a section beside what went on, and what a bottle does of either. */
final class AskedAndUsed {
    private AskedAndUsed() {}

    /** A line a product of whose applications an amount is known. */
    static List<String> lines(Study study) {
        return study.entrants().stream()
                .filter(e -> !e.contender().isControl())
                .flatMap(e -> line(study, e).stream())
                .toList();
    }

    /** mL that went on a section at a time, upkeep aside; empty if no amount is known. */
    static OptionalDouble used(Study study, Contender c) {
        return study.record().applications().stream()
                .filter(a -> a.contender() == c.number() && !Upkeep.noted(a.given()))
                .flatMapToDouble(a -> ml(a).stream().mapToDouble(m -> m))
                .average();
    }

    private static Optional<String> line(Study study, Entrant entrant) {
        Contender c = entrant.contender();
        OptionalDouble used = used(study, c);
        Optional<Entrant.Layer> layer = entrant.layers().stream()
                .findFirst()
                .filter(l -> entrant.layers().size() == 1);
        if (used.isEmpty() || layer.isEmpty()) {
            return Optional.empty();
        }
        double ml = used.getAsDouble();
        Optional<Span> asked = layer.get().mlEach();
        boolean alike = asked.filter(a -> ml > a.low() * (1 - ALIKE) && ml < a.high() * (1 + ALIKE))
                .isPresent();
        StringBuilder words = new StringBuilder("%s: %s went on a section".formatted(c.name(), Figures.volume(ml)));
        asked.ifPresent(a ->
                words.append(alike ? ", as its label asks" : " where its label asks " + Figures.volume(a.middle())));
        bottle(layer.get().label()).map(b -> new PerUse(ml, b.ml(), b.price())).ifPresent(each -> {
            words.append("; a bottle of %s does %s of these"
                    .formatted(Figures.volume(each.bottleMl()), Figures.compact(each.uses(), 2)));
            asked.filter(a -> !alike).ifPresent(a -> {
                double promised = each.bottleMl() / a.middle();
                words.append(", %s by its label: %s as much a section"
                        .formatted(Figures.compact(promised, 2), Figures.times(each.timesPromised(promised))));
            });
        });
        return Optional.of(words.append('.').toString());
    }

    /** Closer than that to what the label asks is as it asks. */
    private static final double ALIKE = 0.05;

    private record Sized(double ml, Optional<Money> price) {}

    /** The largest bottle with a price, else the largest. */
    private static Optional<Sized> bottle(Label label) {
        return label.offers().stream()
                .max(java.util.Comparator.comparing((Claim.Offer o) -> o.price().isPresent())
                        .thenComparingDouble(Claim.Offer::ml))
                .map(o -> new Sized(o.ml(), o.price()));
    }

    private static Optional<Double> ml(Application a) {
        return a.dose().flatMap(d -> d.onPlace(a.calibrations())).map(s -> s.middle());
    }
}
