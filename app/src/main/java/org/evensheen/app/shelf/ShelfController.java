package org.evensheen.app.shelf;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.evensheen.app.shelf.ShelfStore.Listed;
import org.evensheen.app.shelf.StandingStore.Part;
import org.evensheen.core.label.ProductKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** All products, as they stand on the Shelf. */
@Controller
class ShelfController {
    private static final int MOST_ASKED = 40;

    private final ShelfStore shelf;
    private final StandingStore standings;

    ShelfController(ShelfStore shelf, StandingStore standings) {
        this.shelf = shelf;
        this.standings = standings;
    }

    @GetMapping("/shelf")
    String shelf(
            @RequestParam(defaultValue = "") String text,
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "0") int page,
            Model model) {
        int shown = Math.max(0, Math.min(page, 10_000));
        var only = ProductKind.ofCode(kind);
        List<Listed> listed = shelf.list(text, only, shown);
        List<Part> parts = standings.parts(listed.stream().map(Listed::id).toList());
        model.addAttribute("shelf", ShelfPage.of(text.strip(), only, shown, listed, parts, standings));
        return "shelf/shelf";
    }

    /** StandingStore that were not worked out when the Shelf was printed; the page asks for them once it stands. */
    @GetMapping("/shelf/standings")
    String standings(@RequestParam List<Long> products, Model model) {
        Map<Long, String> lines = new LinkedHashMap<>();
        for (Part part : standings.parts(products.stream().limit(MOST_ASKED).toList())) {
            lines.computeIfAbsent(part.product(), product -> standings.workedOut(part));
        }
        model.addAttribute("lines", lines);
        return "shelf/shelf :: standings";
    }
}
