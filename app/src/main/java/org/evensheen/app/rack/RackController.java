package org.evensheen.app.rack;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.sidebyside.ComparisonStore;
import org.evensheen.core.sidebyside.Kind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The Rack. */
@Controller
class RackController {
    /** So many comparisons are gone through. */
    private static final int LATEST = 100;

    private final RackStore store;
    private final ComparisonStore comparisons;
    private final Clock clock;

    RackController(RackStore store, ComparisonStore comparisons, Clock clock) {
        this.store = store;
        this.comparisons = comparisons;
        this.clock = clock;
    }

    @GetMapping("/rack")
    String rack(Model model) {
        List<RackStore.Met> met = store.met(Kind.MEDIA.code(), LATEST);
        List<Long> ids = met.stream()
                .map(RackStore.Met::comparison)
                .flatMap(Optional::stream)
                .distinct()
                .toList();
        model.addAttribute("items", RackPage.of(met, comparisons.load(ids), clock));
        return "rack/rack";
    }
}
