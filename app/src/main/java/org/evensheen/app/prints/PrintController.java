package org.evensheen.app.prints;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.label.Label;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.study.Contender;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Everything on paper for the day. */
@Controller
class PrintController {
    private final StudyStore studies;
    private final ProductStore products;

    PrintController(StudyStore studies, ProductStore products) {
        this.studies = studies;
        this.products = products;
    }

    @GetMapping("/studies/{id}/print")
    String print(@PathVariable long id, HttpServletRequest request, Model model) {
        Study study = studies.load(id);
        List<String> names = study.record().contenders().stream()
                .filter(c -> !c.isBare())
                .flatMap(c -> c.layers().stream())
                .toList();
        Map<String, Product> known = products.allNamed(names).stream()
                .collect(Collectors.toMap(p -> p.name().toLowerCase(Locale.ROOT), p -> p));
        List<Entrant> entrants = study.record().contenders().stream()
                .map(c -> new Entrant(c, c.isBare() ? List.of() : layers(c, known)))
                .toList();
        String address = "%s://%s:%d".formatted(request.getScheme(), request.getServerName(), request.getServerPort());
        model.addAttribute("page", PrintPage.of(study, entrants, address));
        return "prints/print";
    }

    /** From the paint outwards. */
    private static List<Entrant.Layer> layers(Contender contender, Map<String, Product> known) {
        List<Entrant.Layer> layers = new ArrayList<>();
        for (String name : contender.layers()) {
            Optional<Product> product = Optional.ofNullable(known.get(name.toLowerCase(Locale.ROOT)));
            layers.add(new Entrant.Layer(
                    name,
                    product.map(Product::label).orElse(Label.BLANK),
                    product.map(Product::hazards).orElseGet(TreeSet::new),
                    product.map(Product::calibrations).orElse(List.of())));
        }
        Collections.reverse(layers);
        return layers;
    }
}
