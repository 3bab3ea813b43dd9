package org.evensheen.app.mixer;

import jakarta.servlet.http.HttpServletResponse;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Filled;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.PriceLine;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.TypedVolume;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Several products sold together for one price. */
@Controller
class BundleController {
    private static final int MOST_ITEMS = 6;
    private static final int MOST_NAMES = 300;

    private final ProductStore products;
    private final CostStore costs;
    private final Clock clock;

    BundleController(ProductStore products, CostStore costs, Clock clock) {
        this.products = products;
        this.costs = costs;
        this.clock = clock;
    }

    @GetMapping("/mixer/bundles/new")
    String form(@RequestParam(defaultValue = "") String job, Model model) {
        return show(job, Filled.NOTHING, model);
    }

    private String show(String job, Filled filled, Model model) {
        model.addAttribute("job", job);
        model.addAttribute("filled", filled);
        model.addAttribute("items", IntStream.range(0, MOST_ITEMS).boxed().toList());
        model.addAttribute("names", products.names(MOST_NAMES));
        model.addAttribute("key", UUID.randomUUID());
        return "mixer/bundle";
    }

    /** Keeps a bundle: products sold together for one price. */
    @PostMapping("/mixer/bundles")
    String bundle(
            @RequestParam Map<String, String> typed,
            @RequestParam UUID key,
            HttpServletResponse response,
            Model model) {
        Map<String, String> problems = new LinkedHashMap<>();
        String name = PlainText.line(typed.getOrDefault("bundleName", ""));
        if (!PlainText.readable(name) || name.length() > 80) {
            problems.put("bundleName", "Give the bundle a name of up to 80 characters.");
        }
        PriceLine.Typed price = PriceLine.read(typed.getOrDefault("bundlePrice", ""), products.usualCurrency());
        price.problem().ifPresent(p -> problems.put("bundlePrice", p));
        List<CostStore.DraftItem> items = items(typed, price.price(), problems);
        if (items.size() < 2 && problems.isEmpty()) {
            problems.put("item0", "A bundle holds two products or more.");
        }
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return show(typed.getOrDefault("job", ""), new Filled("bundle", typed, problems), model);
        }
        costs.keepBundle(name, price.price().orElseThrow(), LocalDate.now(clock), items, key);
        return "redirect:/mixer/cost?job=" + URLEncoder.encode(typed.getOrDefault("job", ""), StandardCharsets.UTF_8);
    }

    private List<CostStore.DraftItem> items(
            Map<String, String> typed, Optional<Money> price, Map<String, String> problems) {
        List<CostStore.DraftItem> items = new ArrayList<>();
        for (int i = 0; i < MOST_ITEMS; i++) {
            String field = "item" + i;
            String name = typed.getOrDefault(field, "").strip();
            if (name.isEmpty()) {
                continue;
            }
            Optional<Product> product = products.named(name);
            TypedVolume size = TypedVolume.read(typed.getOrDefault("size" + i, ""), "bottle", 1, 250_000);
            PriceLine.Typed list = PriceLine.read(typed.getOrDefault("list" + i, ""), price.map(Money::currency));
            if (product.isEmpty()) {
                problems.put(field, "“%s” is not on the Shelf. Put it there first.".formatted(name));
            } else if (items.stream()
                    .anyMatch(item -> item.product() == product.get().id())) {
                problems.put(field, "“%s” is listed twice. One line for each product.".formatted(name));
            } else if (size instanceof TypedVolume.Refused refused) {
                problems.put(field, refused.message());
            } else if (list.price().isEmpty()) {
                problems.put(field, "Its list price: " + list.problem().orElse(""));
            } else if (price.isPresent()
                    && !list.price().get().currency().equals(price.get().currency())) {
                problems.put(
                        field,
                        "Write its list price in %s, like the bundle's."
                                .formatted(price.get().currency()));
            } else {
                items.add(new CostStore.DraftItem(
                        product.get().id(),
                        ((TypedVolume.Read) size).ml(),
                        list.price().get().amount()));
            }
        }
        return items;
    }
}
