package org.evensheen.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Objects;
import org.evensheen.app.page.Sheet;

/** The invented products of the demo, with their labels, bottles, and what was poured. Days count back from today. */
final class DemoShelf {
    private static final List<String> COLUMNS = List.of(
            "name", "kind", "size_ml", "come_by", "came_days_ago", "opened_days_ago", "spray_ml", "gone_ml", "label");

    private DemoShelf() {}

    /** A mix that was made. */
    record Mixed(String product, String job, String vessel, double productMl, double waterMl, int daysAgo) {}

    /** The products, a row each; demo/products.csv. */
    static List<Sheet.Row> products() {
        try (InputStream file = Objects.requireNonNull(DemoShelf.class.getResourceAsStream("/demo/products.csv"))) {
            Sheet sheet = Sheet.read(file.readAllBytes(), COLUMNS, List.of(), 100);
            if (!sheet.problems().isEmpty()) {
                throw new IllegalStateException(String.join(" ", sheet.problems()));
            }
            return sheet.rows();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static List<Mixed> mixes() {
        return List.of(
                new Mixed("Brackwater Wheel Acid", "wheels", "Spray bottle", 83.3, 416.7, 12),
                new Mixed("Pailmate Rinseless", "drying aid", "Pump sprayer", 32.8, 1967.2, 10),
                new Mixed("Curlew Foam", "foam", "Foam bottle", 90, 810, 18),
                new Mixed("Curlew Foam", "foam", "Foam bottle", 120, 1080, 11),
                new Mixed("Curlew Foam", "foam", "Foam bottle", 100, 900, 4),
                new Mixed("Pailmate Rinseless", "rinseless", "Bucket", 49.8, 11_950.2, 3));
    }
}
