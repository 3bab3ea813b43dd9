package org.evensheen.app.beds;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Zone;
import org.evensheen.core.schedule.OurTime;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Beds: drawn once, used for years. */
@Controller
class BedController {
    private static final int MOST = 120;
    private static final double WIDE = 700;
    private static final double TALL = 620;

    private final BedStore beds;
    private final Clock clock;

    BedController(BedStore beds, Clock clock) {
        this.beds = beds;
        this.clock = clock;
    }

    @GetMapping("/beds")
    String list(Model model) {
        model.addAttribute("vehicles", BedPage.list(beds.all(MOST), today()));
        return "beds/list";
    }

    @GetMapping("/beds/new")
    String blank(@RequestParam(defaultValue = "") String vehicle, Model model) {
        Map<String, String> typed = Map.of(
                "vehicle", vehicle, "kind", "board", "hardness", "average", "outline", "1500 × 1000", "tilt", "0");
        show(0, new Filled("bed", typed, Map.of()), BedForm.read(0, typed).shape(), UUID.randomUUID(), model);
        return "beds/bed";
    }

    @GetMapping("/beds/{id}")
    String bed(@PathVariable long id, Model model) {
        Bed bed = beds.load(id);
        show(id, new Filled("bed", BedForm.of(bed), Map.of()), Optional.of(bed.shape()), UUID.randomUUID(), model);
        return "beds/bed";
    }

    /** The drawing as it would be, while the form is filled in. */
    @PostMapping("/beds/drawing")
    String drawing(@RequestParam Map<String, String> typed, @RequestParam(defaultValue = "0") long id, Model model) {
        BedForm.Outcome outcome = BedForm.read(id, typed);
        show(id, new Filled("bed", typed, outcome.problems()), outcome.shape(), UUID.randomUUID(), model);
        return "beds/bed :: drawing";
    }

    @PostMapping("/beds")
    String keep(
            @RequestParam Map<String, String> typed,
            @RequestParam(defaultValue = "0") long id,
            @RequestParam UUID key,
            HttpServletResponse response,
            Model model) {
        BedForm.Outcome outcome = BedForm.read(id, typed);
        Map<String, String> problems = new java.util.LinkedHashMap<>(outcome.problems());
        if (id > 0) {
            outcome.bed()
                    .flatMap(b -> offTheEdge(b, beds.inUse(id)))
                    .ifPresent(wrong -> problems.put("outline", wrong));
        }
        if (problems.isEmpty()) {
            Bed bed = outcome.bed().orElseThrow();
            if (id > 0) {
                beds.load(id);
                beds.change(bed);
                return "redirect:/beds/" + id;
            }
            return "redirect:/beds/" + beds.keep(bed, key);
        }
        response.setStatus(422);
        show(id, new Filled("bed", typed, problems), outcome.shape(), key, model);
        return "beds/bed";
    }

    @PostMapping("/beds/{id}/strips")
    String strip(
            @PathVariable long id,
            @RequestParam UUID key,
            @RequestParam(defaultValue = "") String day,
            @ModelAttribute("hands") Hands hands) {
        beds.load(id);
        LocalDate on;
        try {
            on = day.isBlank() ? today() : OurTime.day(day);
        } catch (IllegalArgumentException e) {
            throw new Refused("Write the day like " + today() + ".");
        }
        if (on.isAfter(today())) {
            throw new Refused("That day is still to come. Note it when the bed has been stripped.");
        }
        beds.strip(id, on, key, hands.name());
        return "redirect:/beds/" + id;
    }

    private static Optional<String> offTheEdge(Bed bed, List<PlaceInUse> uses) {
        List<String> off = uses.stream()
                .filter(u -> !bed.shape().outline().holds(u.xMm(), u.yMm(), u.widthMm(), u.heightMm()))
                .map(u -> u.code() + " of “" + u.question() + "”")
                .limit(3)
                .toList();
        return off.isEmpty()
                ? Optional.empty()
                : Optional.of("Sections of a study would fall off: %s. Draw a new bed instead."
                        .formatted(String.join(", ", off)));
    }

    private void show(long id, Filled filled, Optional<BedShape> shape, UUID key, Model model) {
        List<PlaceInUse> uses = id > 0 ? beds.inUse(id) : List.of();
        model.addAttribute("id", id);
        model.addAttribute("filled", filled);
        model.addAttribute("key", key);
        model.addAttribute(
                "drawing",
                shape.map(s -> BedDrawing.fitting(s, WIDE, TALL, uses, today())).orElse(null));
        model.addAttribute("kinds", Bed.drawn());
        model.addAttribute("hardnesses", Bed.Hardness.values());
        model.addAttribute("zoneKinds", Zone.Kind.values());
        model.addAttribute(
                "rows",
                java.util.stream.IntStream.range(0, BedForm.ROWS).boxed().toList());
        model.addAttribute("studies", BedPage.studies(uses, today()));
        model.addAttribute("today", today().toString());
    }

    private LocalDate today() {
        return LocalDate.now(clock);
    }
}
