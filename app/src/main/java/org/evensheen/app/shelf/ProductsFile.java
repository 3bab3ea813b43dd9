package org.evensheen.app.shelf;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.page.Sheet;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.units.Decimal;
import org.evensheen.core.units.PlainText;
import org.jspecify.annotations.Nullable;

/** Products as a CSV file; docs/formats.md describes it. */
final class ProductsFile {
    static final List<String> REQUIRED = List.of("name", "kind", "label");
    static final List<String> OPTIONAL = List.of("size_ml", "come_by", "come_by_on", "opened_on", "left_ml");
    static final int MOST_ROWS = 5000;
    private static final int MOST_PROBLEMS = 20;

    private ProductsFile() {}

    /** A product with its first bottle, as a line of the file. */
    record Line(String name, ProductKind kind, String written, Label label, Optional<Bottle> bottle) {}

    /**
     * A bottle.
     *
     * @param leftMl mL left in all of the product's bottles
     */
    record Bottle(
            double sizeMl,
            String comeBy,
            Optional<LocalDate> comeByOn,
            Optional<LocalDate> openedOn,
            Optional<Double> leftMl) {}

    /** What a file holds, or what is wrong with it. */
    record Contents(List<Line> lines, List<String> problems) {}

    static String write(List<Line> lines) {
        List<String> header = new ArrayList<>(REQUIRED);
        header.addAll(OPTIONAL);
        return Sheet.write(header, lines.stream().map(ProductsFile::row).toList());
    }

    private static List<@Nullable Object> row(Line line) {
        Optional<Bottle> bottle = line.bottle;
        return Arrays.asList(
                line.name,
                line.kind.code(),
                line.label.print(),
                bottle.map(b -> plain(b.sizeMl)).orElse(null),
                bottle.map(Bottle::comeBy).orElse(null),
                bottle.flatMap(Bottle::comeByOn).orElse(null),
                bottle.flatMap(Bottle::openedOn).orElse(null),
                bottle.flatMap(Bottle::leftMl).map(ProductsFile::plain).orElse(null));
    }

    private static String plain(double ml) {
        return Decimal.write(Math.round(ml * 100) / 100.0);
    }

    static Contents read(byte[] bytes) {
        Sheet sheet = Sheet.read(bytes, REQUIRED, OPTIONAL, MOST_ROWS);
        List<String> problems = new ArrayList<>(sheet.problems());
        List<Line> lines = new ArrayList<>();
        Map<String, Long> seen = new HashMap<>();
        for (Sheet.Row row : sheet.rows()) {
            if (problems.size() >= MOST_PROBLEMS) {
                problems.add("… and perhaps more; put these right first.");
                break;
            }
            Long before = seen.putIfAbsent(row.at("name").toLowerCase(Locale.ROOT), row.line());
            if (before != null) {
                problems.add("Line %d, name: “%s” stands in line %d already."
                        .formatted(row.line(), Sheet.shown(row.at("name")), before));
                continue;
            }
            line(row, problems).ifPresent(lines::add);
        }
        return new Contents(problems.isEmpty() ? lines : List.of(), problems);
    }

    private static Optional<Line> line(Sheet.Row row, List<String> problems) {
        int before = problems.size();
        String name = PlainText.line(row.at("name"));
        if (!PlainText.readable(name) || name.length() > 80) {
            problems.add("Line %d, name: a name has 1 to 80 characters, a letter or a digit among them."
                    .formatted(row.line()));
        }
        Optional<ProductKind> kind = ProductKind.ofCode(row.at("kind").toLowerCase(Locale.ROOT));
        if (kind.isEmpty()) {
            problems.add("Line %d, kind: “%s” is not one of %s."
                    .formatted(row.line(), Sheet.shown(row.at("kind")), kinds()));
        }
        LabelLine.Outcome label = LabelLine.read(row.at("label"));
        for (LabelLine.Problem p : label.problems()) {
            problems.add("Line %d, label, at “%s”: %s"
                    .formatted(row.line(), Sheet.shown(label.line().substring(p.start(), p.end())), p.message()));
        }
        Optional<Bottle> bottle = row.at("size_ml").isEmpty() ? Optional.empty() : bottle(row, problems);
        return problems.size() == before
                ? Optional.of(new Line(name, kind.orElseThrow(), row.at("label"), label.label(), bottle))
                : Optional.empty();
    }

    private static String kinds() {
        return java.util.Arrays.stream(ProductKind.values())
                .map(ProductKind::code)
                .collect(java.util.stream.Collectors.joining(", "));
    }

    private static Optional<Bottle> bottle(Sheet.Row row, List<String> problems) {
        Optional<Double> size = ml(row, "size_ml", LabelForm.SMALLEST_BOTTLE, problems);
        Optional<Double> left = row.at("left_ml").isEmpty() ? Optional.empty() : ml(row, "left_ml", 0, problems);
        String comeBy =
                row.at("come_by").isEmpty() ? "undisclosed" : row.at("come_by").toLowerCase(Locale.ROOT);
        if (!LabelForm.SOURCES.containsKey(comeBy)) {
            problems.add("Line %d, come_by: “%s” is not one of %s."
                    .formatted(row.line(), Sheet.shown(comeBy), String.join(", ", LabelForm.SOURCES.keySet())));
        }
        Map<String, String> days = new LinkedHashMap<>();
        Optional<LocalDate> came = LabelForm.date("come_by_on", row.at("come_by_on"), days);
        Optional<LocalDate> opened = LabelForm.date("opened_on", row.at("opened_on"), days);
        days.forEach((field, problem) -> problems.add("Line %d, %s: %s".formatted(row.line(), field, problem)));
        if (came.isPresent() && opened.isPresent() && opened.get().isBefore(came.get())) {
            problems.add("Line %d, opened_on: it can't have been opened before it came.".formatted(row.line()));
        }
        return size.map(ml -> new Bottle(ml, comeBy, came, opened, left));
    }

    private static Optional<Double> ml(Sheet.Row row, String column, double least, List<String> problems) {
        String text = Decimal.latin(row.at(column));
        try {
            if (!text.isEmpty() && Decimal.end(text, 0) == text.length()) {
                double ml = Decimal.read(text).doubleValue();
                if (ml >= least && ml <= LabelForm.LARGEST_BOTTLE) {
                    return Optional.of(ml);
                }
            }
            problems.add("Line %d, %s: “%s” is not mL from %s to %s."
                    .formatted(
                            row.line(),
                            column,
                            Sheet.shown(text),
                            Decimal.write(least),
                            Decimal.write(LabelForm.LARGEST_BOTTLE)));
        } catch (Decimal.Ambiguous | NumberFormatException e) {
            problems.add("Line %d, %s: %s".formatted(row.line(), column, e.getMessage()));
        }
        return Optional.empty();
    }
}
