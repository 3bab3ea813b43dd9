package org.evensheen.app.answers;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.evensheen.app.labels.ProductStore;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Makes reports of leaflets, with a seal. */
@Component
public class Leaflets {
    private final ProductStore products;
    private final JsonMapper json;

    Leaflets(ProductStore products, JsonMapper json) {
        this.products = products;
        this.json = json;
    }

    public Report report(Leaflet l) {
        Report report = new Report(
                Report.FORMAT,
                l.question(),
                l.on(),
                l.day().toString(),
                0,
                "",
                l.sentence(),
                "",
                new Report.Trust(
                        "as each study stands",
                        "Beside each line stands the best footing of what it rests on.",
                        List.of()),
                l.places(),
                List.of(),
                l.lines(),
                List.of(),
                List.of(),
                List.of(),
                l.notes(),
                l.method(),
                List.of(),
                List.of(),
                Reporting.cautions(products.allNamed(l.products())),
                new TreeMap<>(Map.of(Report.LEAGUE, l.version())),
                Reporting.hash(l.data()),
                "");
        return report.sealed(Reporting.hash(json.writeValueAsString(report)));
    }
}
