package org.evensheen.app.answers;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Units;
import org.evensheen.core.units.UnitSystem;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Gives leaflets as reports: one page that needs nothing else, Markdown, and JSON with a seal. Told in metric units. */
@Component
public class Leaflets {
    private static final ReportPages.Own NOBODY = new ReportPages.Own("", List.of(), "", "", List.of());

    private final ReportPages pages;
    private final ProductStore products;
    private final JsonMapper json;

    Leaflets(ReportPages pages, ProductStore products, JsonMapper json) {
        this.pages = pages;
        this.products = products;
        this.json = json;
    }

    /** As {@code html}, {@code md} or {@code json}. */
    public ResponseEntity<String> as(String form, Leaflet of) {
        Report report = report(of);
        return switch (form) {
            case "html" ->
                ResponseEntity.ok()
                        .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
                        .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"report.html\"")
                        .header(
                                "Content-Security-Policy",
                                "default-src 'none'; img-src data:; style-src 'unsafe-inline'")
                        .body(Units.in(UnitSystem.METRIC, () -> pages.html(report, NOBODY)));
            case "md" ->
                ResponseEntity.ok()
                        .contentType(new MediaType("text", "markdown", StandardCharsets.UTF_8))
                        .body(Units.in(UnitSystem.METRIC, () -> pages.markdown(report, NOBODY)));
            default ->
                ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(json.writeValueAsString(report));
        };
    }

    private Report report(Leaflet l) {
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
                List.of(),
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
