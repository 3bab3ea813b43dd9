package org.evensheen.app.live;

import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.LabelStore;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.labels.StockStore;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;

/** Stored products with names of their own. */
public final class SampleProduct {
    private SampleProduct() {}

    /** A name that nothing else has. */
    public static String name(String begins) {
        return begins + " " + UUID.randomUUID().toString().substring(0, 8);
    }

    /** A product with a label and, above 0 mL, one bottle of it. */
    public static long make(String name, String kind, String line, double bottleMl) {
        var kept = (LabelStore.Outcome.Kept) LiveApp.bean(LabelStore.class)
                .keep(new LabelStore.Draft(
                        Optional.empty(),
                        name,
                        ProductKind.ofCode(kind).orElseThrow(),
                        0,
                        line,
                        LabelLine.read(line).label(),
                        UUID.randomUUID(),
                        "Ana"));
        if (bottleMl > 0) {
            LiveApp.bean(StockStore.class)
                    .keepBottle(
                            kept.product(),
                            bottleMl,
                            "bought",
                            Optional.of(LocalDate.now().minusDays(30)),
                            Optional.of(LocalDate.now().minusDays(20)),
                            UUID.randomUUID(),
                            "Ana");
        }
        return kept.product();
    }

    /** What is left of it, mL. */
    public static double left(long product) {
        return LiveApp.bean(ProductStore.class).load(product).remaining().leftMl();
    }
}
