package org.evensheen.app.answers;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.mixer.CostStore;
import org.evensheen.app.mixer.RateStore;
import org.evensheen.app.page.Missing;
import org.evensheen.app.sidebyside.Weighable;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** What the products of an answer cost by size, out of kits, as concentrates or ready to use. */
@Controller
class BottleController {
    private final StudyStore studies;
    private final AfternoonAnswering afternoons;
    private final ProductStore products;
    private final CostStore costs;
    private final RateStore rates;

    BottleController(
            StudyStore studies,
            AfternoonAnswering afternoons,
            ProductStore products,
            CostStore costs,
            RateStore rates) {
        this.studies = studies;
        this.afternoons = afternoons;
        this.products = products;
        this.costs = costs;
        this.rates = rates;
    }

    @GetMapping("/studies/{id}/answer/bottles")
    String study(@PathVariable long id, Model model) {
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            throw new Missing("This study is judged by code; its answer waits for its key.");
        }
        Map<String, Double> used = new TreeMap<>();
        study.record().contenders().stream()
                .filter(c -> c.layers().size() == 1)
                .forEach(c -> AskedAndUsed.used(study, c).ifPresent(ml -> used.putIfAbsent(c.made(), ml)));
        return show(used, "section", model);
    }

    @GetMapping("/compare/{id}/answer/bottles")
    String afternoon(@PathVariable long id, Model model) {
        Weighable w = afternoons.weighable(id);
        Map<String, Double> used = new TreeMap<>();
        w.took()
                .forEach((number, t) -> t.ml().ifPresent(ml ->
                        used.putIfAbsent(w.contenders().get(number).made(), ml.mean())));
        return show(used, w.place(), model);
    }

    private String show(Map<String, Double> used, String place, Model model) {
        List<Product> known = products.allNamed(used.keySet());
        model.addAttribute(
                "bottles",
                ByBottle.of(
                        known, costs.bundled(known.stream().map(Product::id).toList()), rates.rates(), used, place));
        return "answers/bottles :: bottles";
    }
}
