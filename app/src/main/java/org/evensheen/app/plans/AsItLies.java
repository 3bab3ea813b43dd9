package org.evensheen.app.plans;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.app.sidebyside.Laid;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.study.Contender;

/** A plan that goes on with an afternoon, on its places. */
final class AsItLies {
    private AsItLies() {}

    /** What a plan can ask for: every measure of a study, and what an afternoon looked at and can be seen again. */
    static List<Measure> measures(Optional<Laid> laid) {
        return Stream.concat(Measures.read().stream(), laid.stream().flatMap(l -> l.lasting().stream()))
                .distinct()
                .toList();
    }

    /** Everything where it was put that afternoon, if that is what is compared. */
    static Optional<Layout> of(Laid laid, List<Entrant> entrants, Fields fields) {
        List<Contender> now = entrants.stream()
                .map(Entrant::contender)
                .filter(c -> !c.isControl())
                .toList();
        for (int i = 0; i < now.size(); i++) {
            if (i >= laid.names().size()
                    || !now.get(i).name().equalsIgnoreCase(laid.names().get(i))) {
                fields.wrong(
                        "name" + i,
                        "%s lay there that afternoon. To compare something else, draw lots anew: choose sections of a bed above."
                                .formatted(
                                        i < laid.names().size()
                                                ? "“" + laid.names().get(i) + "”"
                                                : "Nothing of this"));
                return Optional.empty();
            }
        }
        if (now.size() < laid.names().size()) {
            fields.wrong(
                    "name" + now.size(),
                    "“%s” lies there too.".formatted(laid.names().get(now.size())));
            return Optional.empty();
        }
        return Optional.of(new Layout(laid.places(), List.of(), Layout.GAP));
    }
}
