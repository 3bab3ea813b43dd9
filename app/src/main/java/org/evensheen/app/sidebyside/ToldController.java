package org.evensheen.app.sidebyside;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Sheet;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What afternoons came to, each in its sentence: for Verdicts, and for the page of a product. */
@Controller
class ToldController {
    private static final int PAGE = 12;
    private static final int FARTHEST = 10_000;

    private final ComparisonStore store;
    private final ComparisonListStore lists;
    private final Sheets sheets;
    private final Clock clock;

    ToldController(ComparisonStore store, ComparisonListStore lists, Sheets sheets, Clock clock) {
        this.store = store;
        this.lists = lists;
        this.sheets = sheets;
        this.clock = clock;
    }

    /** An afternoon in words. */
    record Told(long id, String what, String names, String sentence, String trust, String when) {}

    @GetMapping("/compare/told")
    String told(@RequestParam Optional<Long> product, @RequestParam(defaultValue = "0") int page, Model model) {
        int shown = Math.max(0, Math.min(page, FARTHEST));
        List<Long> ids = lists.with(product, PAGE, shown * PAGE);
        List<Told> told = store.load(ids).entrySet().stream().map(this::told).toList();
        model.addAttribute("told", told);
        model.addAttribute("older", told.size() == PAGE ? shown + 1 : null);
        model.addAttribute("product", product.orElse(null));
        return "sidebyside/told";
    }

    private Told told(Map.Entry<Long, Comparison> of) {
        Comparison c = of.getValue();
        Sheet sheet = sheets.of(of.getKey(), c);
        return new Told(
                of.getKey(),
                SheetWords.what(c),
                String.join(" / ", c.contenders().stream().map(x -> x.name()).toList()),
                SheetWords.sentence(c, sheet),
                sheet.rows().isEmpty() ? "" : SheetWords.trust(sheet.trust()),
                Figures.day(c.begun().atZone(clock.getZone()).toLocalDate(), LocalDate.now(clock)));
    }
}
