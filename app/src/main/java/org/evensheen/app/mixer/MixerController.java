package org.evensheen.app.mixer;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.Cautions;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.labels.ProductStore.Named;
import org.evensheen.app.labels.StockStore;
import org.evensheen.app.mixer.VesselStore.Vessel;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.core.mixing.Mix;
import org.evensheen.core.stock.Remaining;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Millilitres for a vessel. */
@Controller
class MixerController {
    private static final int MOST_CHIPS = 8;

    private final ProductStore products;
    private final StockStore stock;
    private final VesselStore vessels;
    private final Clock clock;

    MixerController(ProductStore products, StockStore stock, VesselStore vessels, Clock clock) {
        this.products = products;
        this.stock = stock;
        this.vessels = vessels;
        this.clock = clock;
    }

    @GetMapping("/mixer")
    String mixer(Asked asked, @RequestParam Optional<UUID> kept, Model model) {
        kept.flatMap(stock::sent)
                .filter(p -> !p.undone())
                .ifPresent(p -> model.addAttribute("kept", new Kept(p.id(), p.product(), keptWords(p))));
        return show(asked, Filled.NOTHING, model);
    }

    /** A mix that was just kept, for undoing it. */
    record Kept(long pour, long product, String words) {}

    private static String keptWords(StockStore.Sent pour) {
        return "Kept: %s of %s are gone from the bottle.".formatted(Figures.millilitres(pour.productMl()), pour.name());
    }

    /** The result alone, while the slider moves. */
    @GetMapping("/mixer/mix")
    String mix(Asked asked, HttpServletResponse response, Model model) {
        Settled settled = settle(asked);
        String dose = settled.setup.dose().map(d -> d.print()).orElse("");
        Asked now = new Asked(
                asked.product(),
                asked.job(),
                asked.vessel(),
                asked.volume(),
                dose,
                null,
                asked.seconds(),
                asked.flow(),
                null);
        model.addAttribute(
                "page",
                MixerPage.of(now, settled.setup, List.of(), settled.vessels, settled.remaining, settled.result));
        model.addAttribute("outOfBand", true);
        model.addAttribute("key", UUID.randomUUID());
        response.setHeader("HX-Replace-Url", now.address("/mixer"));
        return "mixer/mixer :: mix";
    }

    String show(Asked asked, Filled filled, Model model) {
        Settled settled = settle(asked);
        String search = Asked.text(asked.search());
        List<Named> recent =
                new ArrayList<>(search.isEmpty() ? products.lastUsed(MOST_CHIPS) : products.search(search, MOST_CHIPS));
        settled.setup.product().ifPresent(p -> {
            recent.removeIf(r -> r.id() == p.id());
            recent.add(0, new Named(p.id(), p.name()));
        });
        model.addAttribute(
                "page", MixerPage.of(asked, settled.setup, recent, settled.vessels, settled.remaining, settled.result));
        model.addAttribute("filled", filled);
        model.addAttribute("key", UUID.randomUUID());
        return "mixer/mixer";
    }

    private record Settled(
            MixSetup setup, List<Vessel> vessels, Optional<Remaining> remaining, Optional<MixResult> result) {}

    private Settled settle(Asked asked) {
        Optional<Product> product = asked.productChosen().map(products::load);
        List<Vessel> all = vessels.all();
        MixSetup setup = MixSetup.of(asked, product, all);
        Optional<Remaining> remaining = product.map(Product::remaining);
        List<String> meetings = product.flatMap(p -> setup.vessel()
                        .flatMap(Vessel::lastProduct)
                        .filter(last -> last != p.id() && !p.hazards().isEmpty())
                        .map(last -> Cautions.meetings(List.of(products.load(last), p))))
                .orElse(List.of());
        List<String> warnings = meetings.stream()
                .map(m -> "This vessel held the other one last. %s Rinse it out well, or take another vessel."
                        .formatted(m))
                .toList();
        return new Settled(
                setup,
                all,
                remaining,
                MixResult.of(setup, new MixResult.Known(remaining, warnings, LocalDate.now(clock))));
    }

    /** Keeps a mix: its product is gone from the bottle. */
    @PostMapping("/mixer/mixes")
    String keep(
            Asked asked,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        MixSetup setup = settle(asked).setup;
        if (setup.product().isEmpty()
                || setup.share().isEmpty()
                || setup.totalMl().isEmpty()) {
            response.setStatus(422);
            return show(asked, Filled.NOTHING, model);
        }
        Mix mix = Mix.of(setup.totalMl().get(), setup.share().get());
        stock.keep(new StockStore.Draft(
                setup.product().get().id(),
                "mixed",
                mix.productMl(),
                Optional.of(mix.waterMl()),
                setup.job(),
                setup.vessel().map(Vessel::id),
                Optional.empty(),
                LocalDate.now(clock),
                key,
                Hands.of(request).name()));
        String address = asked.address("/mixer");
        return "redirect:%s%skept=%s".formatted(address, address.contains("?") ? "&" : "?", key);
    }

    @PostMapping("/mixer/mixes/{pour}/undo")
    String undo(@PathVariable long pour, Asked asked, HttpServletRequest request) {
        stock.undo(pour, Hands.of(request).name());
        return "redirect:" + asked.address("/mixer");
    }
}
