package org.evensheen.app.league;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.studies.StudyListStore;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** Verdicts: the league of every product ever tested, and what each study came to. */
@Controller
class LeagueController {
    private static final int FARTHEST = 10_000;

    private final FindingStore store;
    private final Tables tables;
    private final Clock clock;

    LeagueController(FindingStore store, Tables tables, Clock clock) {
        this.store = store;
        this.tables = tables;
        this.clock = clock;
    }

    @GetMapping("/verdicts")
    String league(@RequestParam Map<String, String> sent, @RequestParam(defaultValue = "0") int page, Model model) {
        int shown = Math.max(0, Math.min(page, FARTHEST));
        List<FindingStore.Row> studies = store.studies(shown, StudyListStore.PAGE);
        model.addAttribute("page", tables.table(sent).on(LocalDate.now(clock)));
        model.addAttribute("studies", studies);
        model.addAttribute("older", studies.size() == StudyListStore.PAGE ? shown + 1 : null);
        return "league/league";
    }

    /** What a place of a table rests on. */
    @GetMapping("/verdicts/behind")
    String behind(
            @RequestParam Map<String, String> sent,
            @RequestParam String product,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> part,
            Model model) {
        Tables.Table table = tables.table(sent);
        model.addAttribute("behind", Behind.of(table, product, LocalDate.now(clock)));
        model.addAttribute("back", "/verdicts?" + table.on(LocalDate.now(clock)).query());
        return part.isPresent() ? "league/behind :: body" : "league/behind";
    }

    /** Where a product of the Shelf stands in every table it is in. */
    @GetMapping("/shelf/{id}/league")
    String product(@PathVariable long id, Model model) {
        model.addAttribute("lines", tables.standing(tables.named(id)).lines());
        model.addAttribute("product", id);
        return "league/league :: product";
    }
}
