package org.evensheen.app.league;

import java.time.LocalDate;
import java.util.List;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Missing;
import org.evensheen.core.comparing.Estimate;
import org.evensheen.core.league.Meeting;
import org.evensheen.core.league.Network;

/**
 * What a place in the league rests on.
 *
 * @param meetings each as it was found, by itself, the latest first
 */
record Behind(String title, String value, String formula, List<Met> meetings, String rests) {

    /** A study or an afternoon that it took part in. */
    record Met(String question, String address, String when, String value, String others) {}

    /**
     * Of a product in a table.
     *
     * @throws Missing if it is not in it
     */
    static Behind of(Tables.Table table, String product, LocalDate today) {
        for (Network.Part part : table.network().parts()) {
            for (Network.Line line : part.lines()) {
                if (line.product().equals(product)) {
                    return new Behind(
                            product,
                            "%s, place %d of %d"
                                    .formatted(
                                            told(table, line.value()),
                                            line.place(),
                                            part.lines().size()),
                            "β = (XᵀV⁻¹X)⁻¹XᵀV⁻¹y; what is told is β less the average of all %d, ± 1.96 standard errors"
                                    .formatted(part.lines().size()),
                            table.meetings().stream()
                                    .filter(m -> m.products().contains(product))
                                    .map(m -> met(table, m, product, today))
                                    .toList(),
                            "Below, what each meeting found by itself: the product against the average of the others there. The league weighs them by how sure each is, and adds what leads from one product to another over third ones.");
                }
            }
        }
        throw new Missing("%s is not in this table. Verdicts has them all.".formatted(product));
    }

    private static String told(Tables.Table table, Estimate e) {
        return "%s (%s to %s)"
                .formatted(
                        LeaguePage.told(table.taken(), e.value()),
                        LeaguePage.told(table.taken(), e.interval().low()),
                        LeaguePage.told(table.taken(), e.interval().high()));
    }

    private static Met met(Tables.Table table, Meeting meeting, String product, LocalDate today) {
        FindingStore.Kept kept = table.taken().stream()
                .filter(k -> k.source().toString().equals(meeting.source()))
                .findFirst()
                .orElseThrow();
        return new Met(
                kept.document().question(),
                kept.source().address(),
                "%s, %s, %s"
                        .formatted(
                                Figures.day(kept.on(), today), kept.document().bed(), kept.footing()),
                told(table, meeting.besides(product)),
                "beside "
                        + String.join(
                                ", ",
                                meeting.products().stream()
                                        .filter(p -> !p.equals(product))
                                        .toList()));
    }
}
