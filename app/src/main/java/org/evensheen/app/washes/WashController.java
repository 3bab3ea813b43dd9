package org.evensheen.app.washes;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
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
    private final Clock clock;

    WashController(WashStore washes, Clock clock) {
        this.washes = washes;
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
        String chosen = sent.getOrDefault("product", "");
        List<WashStore.Soap> soaps = washes.soaps();
        Optional<WashStore.Soap> product =
                soaps.stream().filter(s -> chosen.equals("" + s.id())).findFirst();
        String typed = sent.getOrDefault("amount", "").strip();
        Optional<Double> ml = Optional.empty();
        if (!typed.isEmpty()) {
            TypedVolume read = TypedVolume.read(typed, "amount", 0.1, MOST_ML);
            if (product.isEmpty()) {
                problems.put("amount", "Choose what it was washed with, or leave the amount out.");
            } else if (read instanceof TypedVolume.Refused refused) {
                problems.put("amount", refused.message());
            } else {
                ml = Optional.of(((TypedVolume.Read) read).ml());
            }
        }
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return show(new Filled("wash", sent, problems), model);
        }
        washes.log(new WashStore.Draft(
                vehicle, LocalDate.now(clock), product.map(WashStore.Soap::id), ml, key, hands.name()));
        return "redirect:/washes";
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
