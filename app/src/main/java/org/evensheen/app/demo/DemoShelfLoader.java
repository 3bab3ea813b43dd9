package org.evensheen.app.demo;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.LabelStore;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.labels.StockStore;
import org.evensheen.app.page.Sheet;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Puts the demo's products on the Shelf. */
@Component
@ConditionalOnProperty("even-sheen.demo")
class DemoShelfLoader {
    private static final String WHO = "Demo";

    private final DemoStore store;
    private final ProductStore products;
    private final LabelStore labels;
    private final StockStore stock;

    DemoShelfLoader(DemoStore store, ProductStore products, LabelStore labels, StockStore stock) {
        this.store = store;
        this.products = products;
        this.labels = labels;
        this.stock = stock;
    }

    void loadIfEmpty(LocalDate today) {
        if (store.shelfIsEmpty()) {
            load(today);
        }
    }

    private void load(LocalDate today) {
        Map<String, Long> ids = new HashMap<>();
        for (Sheet.Row told : DemoShelf.products()) {
            ids.put(told.at("name"), product(told, today));
        }
        store.timeFoamBottle();
        for (DemoShelf.Mixed mixed : DemoShelf.mixes()) {
            stock.keep(new StockStore.Draft(
                    ids.get(mixed.product()),
                    "mixed",
                    mixed.productMl(),
                    Optional.of(mixed.waterMl()),
                    mixed.job(),
                    store.vessel(mixed.vessel()),
                    Optional.empty(),
                    today.minusDays(mixed.daysAgo()),
                    UUID.randomUUID(),
                    WHO));
        }
        store.strip(ids.get("Sallow Plain Soap"), 8.5, today.minusDays(20));
        store.strip(ids.get("Clearpane"), 7, today.minusDays(9));
        store.strip(ids.get("Brackwater Wheel Acid"), 1, today.minusDays(12));
        store.bundle(
                ids,
                "Spring box",
                "34.00",
                today.minusDays(120),
                "Pailmate Rinseless",
                500,
                "18.40",
                "Lowlight Mist",
                500,
                "13.90",
                "Curlew Foam",
                500,
                "11.90");
        store.bundle(
                ids,
                "Wheel pair",
                "36.00",
                today.minusDays(100),
                "Rustmoth Iron Wash",
                1000,
                "15.50",
                "Brackwater Wheel Acid",
                5000,
                "28.00");
        store.rate(today.minusDays(23));
    }

    private long product(Sheet.Row told, LocalDate today) {
        String line = told.at("label");
        var outcome = labels.keep(new LabelStore.Draft(
                products.named(told.at("name")).map(Product::id),
                told.at("name"),
                ProductKind.ofCode(told.at("kind")).orElseThrow(),
                0,
                line,
                LabelLine.read(line).label(),
                UUID.randomUUID(),
                WHO));
        long id = ((LabelStore.Outcome.Kept) outcome).product();
        Optional<LocalDate> opened = number(told, "opened_days_ago").map(days -> today.minusDays(days.longValue()));
        stock.keepBottle(
                id,
                number(told, "size_ml").orElseThrow(),
                told.at("come_by"),
                number(told, "came_days_ago").map(days -> today.minusDays(days.longValue())),
                opened,
                UUID.randomUUID(),
                WHO);
        number(told, "gone_ml")
                .ifPresent(gone -> stock.keep(new StockStore.Draft(
                        id,
                        "poured",
                        gone,
                        Optional.empty(),
                        "",
                        Optional.empty(),
                        Optional.empty(),
                        today.minusDays(
                                number(told, "opened_days_ago").orElse(0.0).longValue() / 2),
                        UUID.randomUUID(),
                        WHO)));
        number(told, "spray_ml").ifPresent(ml -> store.calibration(id, ml, opened.orElse(today)));
        return id;
    }

    private static Optional<Double> number(Sheet.Row told, String column) {
        return told.at(column).isEmpty() ? Optional.empty() : Optional.of(Double.valueOf(told.at(column)));
    }
}
