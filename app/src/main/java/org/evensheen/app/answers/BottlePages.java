package org.evensheen.app.answers;

import java.util.List;
import java.util.Map;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.mixer.CostStore;
import org.evensheen.app.mixer.RateStore;
import org.springframework.stereotype.Component;

/** Looks up what is for sale of the products of an answer. */
@Component
class BottlePages {
    private final ProductStore products;
    private final CostStore costs;
    private final RateStore rates;

    BottlePages(ProductStore products, CostStore costs, RateStore rates) {
        this.products = products;
        this.costs = costs;
        this.rates = rates;
    }

    /**
     * What a place costs by what was bought.
     *
     * @param used mL that went on a place, by product
     */
    ByBottle of(Map<String, Double> used, String place) {
        List<Product> known = products.allNamed(used.keySet());
        return ByBottle.of(known, costs.bundled(known.stream().map(Product::id).toList()), rates.rates(), used, place);
    }
}
