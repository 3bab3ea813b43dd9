package org.evensheen.app.shelf;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.labels.StockStore;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.pictures.Picture;
import org.evensheen.core.stock.Remaining;
import org.evensheen.core.units.TypedNumber;
import org.evensheen.core.units.TypedVolume;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** A product's page, and what is kept on it: bottles, what was poured, strips and photos. */
@Controller
class ProductController {
    private final ProductStore products;
    private final StockStore stock;
    private final RecordStore records;
    private final StandingStore standings;
    private final Clock clock;

    ProductController(
            ProductStore products, StockStore stock, RecordStore records, StandingStore standings, Clock clock) {
        this.products = products;
        this.stock = stock;
        this.records = records;
        this.standings = standings;
        this.clock = clock;
    }

    @GetMapping("/shelf/{id}")
    String product(@PathVariable long id, Model model) {
        return show(id, Filled.NOTHING, model);
    }

    private String show(long id, Filled filled, Model model) {
        Product product = products.load(id);
        StockStore.Stock kept = stock.stock(id);
        model.addAttribute(
                "page",
                ProductPage.of(
                        product,
                        kept.bottles(),
                        kept.pours(),
                        records.takings(id),
                        records.found(id),
                        LocalDate.now(clock)));
        model.addAttribute("filled", filled);
        model.addAttribute("sources", LabelForm.SOURCES);
        model.addAttribute("key", UUID.randomUUID());
        model.addAttribute("today", LocalDate.now(clock));
        return "shelf/product";
    }

    private String refuse(
            long id,
            Map<String, String> typed,
            Map<String, String> problems,
            HttpServletResponse response,
            Model model) {
        response.setStatus(422);
        return show(id, new Filled(problems.keySet().iterator().next(), typed, problems), model);
    }

    /** How it stands in each of its studies; asked for once the page stands. */
    @GetMapping("/shelf/{id}/standings")
    String standings(@PathVariable long id, Model model) {
        Map<Long, String> lines = new LinkedHashMap<>();
        standings.parts(List.of(id)).stream().limit(10).forEach(p -> lines.put(p.study(), standings.workedOut(p)));
        model.addAttribute("lines", lines);
        return "shelf/product :: standings";
    }

    @PostMapping("/shelf/{id}/bottles")
    String bottle(
            @PathVariable long id,
            @RequestParam Map<String, String> typed,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Map<String, String> problems = new LinkedHashMap<>();
        TypedVolume size = TypedVolume.read(
                typed.getOrDefault("size", ""), "bottle", LabelForm.SMALLEST_BOTTLE, LabelForm.LARGEST_BOTTLE);
        if (size instanceof TypedVolume.Refused refused) {
            problems.put("size", refused.message());
        }
        Optional<LocalDate> came = LabelForm.date("comeByOn", typed.getOrDefault("comeByOn", ""), problems);
        String comeBy = typed.getOrDefault("comeBy", "");
        if (!LabelForm.SOURCES.containsKey(comeBy)) {
            problems.put("comeBy", "Choose how it was come by.");
        }
        if (!problems.isEmpty()) {
            return refuse(id, typed, problems, response, model);
        }
        products.load(id);
        stock.keepBottle(
                id,
                ((TypedVolume.Read) size).ml(),
                comeBy,
                came,
                Optional.empty(),
                key,
                Hands.of(request).name());
        return "redirect:/shelf/" + id;
    }

    @PostMapping("/shelf/{id}/bottles/{bottle}/open")
    String open(@PathVariable long id, @PathVariable long bottle) {
        LocalDate today = LocalDate.now(clock);
        stock.stock(id).bottles().stream()
                .filter(b -> b.id() == bottle && b.openedOn().isEmpty())
                .forEach(b -> stock.openBottle(
                        id, bottle, b.comeByOn().filter(today::isBefore).orElse(today)));
        return "redirect:/shelf/" + id;
    }

    /** Something poured out, or what was found to be left. */
    @PostMapping("/shelf/{id}/pours")
    String pour(
            @PathVariable long id,
            @RequestParam Map<String, String> typed,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        boolean weighed = "left".equals(typed.get("what"));
        Map<String, String> problems = new LinkedHashMap<>();
        double lowest = weighed ? 0 : 0.1;
        TypedVolume read =
                TypedVolume.read(typed.getOrDefault("amount", ""), "bottle", lowest, LabelForm.LARGEST_BOTTLE);
        Optional<Long> study = study(id, typed.getOrDefault("study", ""), problems);
        if (read instanceof TypedVolume.Refused refused) {
            problems.put("amount", refused.message());
        }
        Remaining remaining = products.load(id).remaining();
        double left = remaining.leftMl();
        if (problems.isEmpty() && remaining.sizeMl() == 0) {
            problems.put("amount", "There is no bottle to take it from. Put one on the Shelf first, beside this.");
        }
        if (problems.isEmpty() && !weighed && ((TypedVolume.Read) read).ml() > left + 0.5) {
            problems.put(
                    "amount",
                    "Only %s are left. Put the new bottle on the Shelf first, or write what is left now."
                            .formatted(org.evensheen.app.page.Figures.millilitres(left)));
        }
        if (!problems.isEmpty()) {
            return refuse(id, typed, problems, response, model);
        }
        double ml = ((TypedVolume.Read) read).ml();
        stock.keep(new StockStore.Draft(
                id,
                weighed ? "weighed" : "poured",
                weighed ? left - ml : ml,
                Optional.empty(),
                "",
                Optional.empty(),
                study,
                LocalDate.now(clock),
                key,
                Hands.of(request).name()));
        return "redirect:/shelf/" + id;
    }

    private Optional<Long> study(long product, String typed, Map<String, String> problems) {
        if (typed.isBlank()) {
            return Optional.empty();
        }
        Optional<Long> study = records.takings(product).stream()
                .map(ProductStock.Taking::study)
                .filter(s -> String.valueOf(s).equals(typed))
                .findFirst();
        if (study.isEmpty()) {
            problems.put("amount", "It is in no study by that number. Choose one from the list.");
        }
        return study;
    }

    @PostMapping("/shelf/{id}/pours/{pour}/undo")
    String undo(@PathVariable long id, @PathVariable long pour, HttpServletRequest request) {
        stock.undo(pour, Hands.of(request).name());
        return "redirect:/shelf/" + id;
    }

    @PostMapping("/shelf/{id}/strips")
    String strip(
            @PathVariable long id,
            @RequestParam Map<String, String> typed,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        TypedNumber ph = TypedNumber.read(typed.getOrDefault("ph", ""), "pH", "pH", 0, 14);
        if (ph instanceof TypedNumber.Refused refused) {
            return refuse(id, typed, Map.of("ph", refused.message()), response, model);
        }
        products.load(id);
        products.keepStrip(
                id,
                ((TypedNumber.Read) ph).value(),
                shortened(typed.getOrDefault("by", "")),
                LocalDate.now(clock),
                key,
                Hands.of(request).name());
        return "redirect:/shelf/" + id;
    }

    private static String shortened(String name) {
        return name.strip().substring(0, Math.min(60, name.strip().length()));
    }

    @PostMapping("/shelf/{id}/photos")
    String photo(
            @PathVariable long id,
            @RequestParam MultipartFile photo,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model)
            throws IOException {
        products.load(id);
        try {
            records.keepPhoto(
                    id, Picture.of(photo::getBytes), key, Hands.of(request).name());
            return "redirect:/shelf/" + id;
        } catch (Picture.Unfit e) {
            return refuse(id, Map.of(), Map.of("photo", String.valueOf(e.getMessage())), response, model);
        }
    }

    @GetMapping("/shelf/{id}/photos/{photo}.jpg")
    ResponseEntity<byte[]> picture(
            @PathVariable long id, @PathVariable long photo, @RequestParam(defaultValue = "false") boolean small) {
        byte[] jpeg = records.picture(id, photo, small)
                .orElseThrow(() -> new Missing("There is no such photo of this product. Its page shows them all."))
                .bytes();
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .header(HttpHeaders.CACHE_CONTROL, "private, max-age=31536000, immutable")
                .body(jpeg);
    }
}
