package org.evensheen.app.washes;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.TypedVolume;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** An ordinary wash, logged in a few taps. */
@Controller
class WashController {
    private static final int NAME = 80;
    private static final double MOST_ML = 10_000;

    private final WashStore washes;
    private final ProductStore products;
    private final Clock clock;

    WashController(WashStore washes, ProductStore products, Clock clock) {
        this.washes = washes;
        this.products = products;
        this.clock = clock;
    }

    @GetMapping("/washes")
    String washes(Model model) {
        return show(Filled.NOTHING, model);
    }

    @PostMapping("/washes")
    String log(
            @RequestParam Map<String, String> sent,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands,
            HttpServletResponse response,
            Model model) {
        Map<String, String> problems = new LinkedHashMap<>();
        String vehicle = PlainText.line(
                sent.getOrDefault("other", "").isBlank() ? sent.getOrDefault("vehicle", "") : sent.get("other"));
        if (vehicle.isEmpty() || vehicle.length() > NAME || !PlainText.readable(vehicle)) {
            problems.put("vehicle", "Say what was washed, in up to %d characters.".formatted(NAME));
        }
        Optional<Product> product = product(sent, problems);
        String typed = sent.getOrDefault("amount", "").strip();
        Optional<Double> ml = Optional.empty();
        if (!typed.isEmpty()) {
            TypedVolume read = TypedVolume.read(typed, "amount", 0.1, MOST_ML);
            if (product.isEmpty() && !problems.containsKey("with")) {
                problems.put("amount", "Choose what it was washed with, or leave the amount out.");
            } else if (read instanceof TypedVolume.Refused refused) {
                problems.put("amount", refused.message());
            } else if (read instanceof TypedVolume.Read amount) {
                ml = Optional.of(amount.ml());
            }
        }
        String ago = sent.getOrDefault("ago", "0");
        if (!ago.matches("[0-7]")) {
            problems.put("ago", "It is logged for today, or up to seven days back.");
        }
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return show(new Filled("wash", sent, problems), model);
        }
        washes.log(new WashStore.Draft(
                vehicle,
                LocalDate.now(clock).minusDays(Integer.parseInt(ago)),
                product.map(Product::id),
                ml,
                key,
                hands.name()));
        return "redirect:/washes";
    }

    /** What was named counts before what was chosen. */
    private Optional<Product> product(Map<String, String> sent, Map<String, String> problems) {
        String named = PlainText.line(sent.getOrDefault("with", ""));
        if (!named.isEmpty()) {
            Optional<Product> found = products.named(named);
            if (found.isEmpty()) {
                problems.put(
                        "with",
                        "Nothing on the Shelf is called “%s”. Put it there first, or leave it out.".formatted(named));
            }
            return found;
        }
        String chosen = sent.getOrDefault("product", "");
        Optional<Product> found =
                chosen.matches("\\d{1,18}") ? products.find(Long.parseLong(chosen)) : Optional.empty();
        if (found.isEmpty() && !chosen.isEmpty()) {
            problems.put("with", "That is not on the Shelf. Choose what it was washed with, or leave it out.");
        }
        return found;
    }

    @PostMapping("/washes/{id}/undo")
    String undo(@PathVariable long id, @ModelAttribute("hands") Hands hands) {
        washes.undo(id, hands.name());
        return "redirect:/washes";
    }

    private String show(Filled filled, Model model) {
        LocalDate today = LocalDate.now(clock);
        model.addAttribute("page", WashPage.of(washes.vehicles(today), washes.soaps(), washes.lately(), filled, today));
        return "washes/washes";
    }
}
