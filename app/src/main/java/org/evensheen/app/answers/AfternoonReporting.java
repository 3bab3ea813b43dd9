package org.evensheen.app.answers;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.sidebyside.Telling;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes the report of an afternoon, in the words of its sheet. */
@Component
class AfternoonReporting {
    /** Version of how an afternoon is judged. */
    private static final int METHOD = 1;

    private final ProductStore products;
    private final JsonMapper json;

    AfternoonReporting(ProductStore products, JsonMapper json) {
        this.products = products;
        this.json = json;
    }

    /** The report with its seal; who led at what stands in {@code scales}, as there are no places on one scale. */
    Report of(Telling t) {
        Report report = new Report(
                Report.FORMAT,
                t.question(),
                t.what(),
                t.day().toString(),
                0,
                "",
                t.sentence(),
                "",
                new Report.Trust(t.trust(), "", t.why()),
                List.of(),
                List.of(),
                t.lines(),
                t.spent(),
                List.of(),
                List.of(),
                t.unanswered(),
                t.method(),
                t.slips(),
                t.came(),
                Reporting.cautions(products.allNamed(t.products())),
                new TreeMap<>(Map.of(Report.SIDE_BY_SIDE, METHOD)),
                Reporting.hash(t.said()),
                "");
        return report.sealed(Reporting.hash(json.writeValueAsString(report)));
    }
}
