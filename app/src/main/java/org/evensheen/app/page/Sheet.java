package org.evensheen.app.page;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.evensheen.core.units.PlainText;
import org.jspecify.annotations.Nullable;

/**
 * A CSV file as people send it: UTF-8 with or without a byte-order mark, commas or semicolons between fields, a header line
 * that names the columns in any order.
 *
 * @param problems what is wrong with the file as a whole; if there are any, there are no rows
 */
public record Sheet(List<Row> rows, List<String> problems) {
    public static final long MOST_BYTES = 8L * 1024 * 1024;
    public static final String TOO_LARGE =
            "A file may be up to 8 MB; a year of daily readings is about 3 MB. Nothing was stored.";
    private static final int LONGEST_SHOWN = 30;

    /**
     * A line of it.
     *
     * @param line its number in the file, from 1
     */
    public record Row(long line, List<String> names, String[] cells) {
        /** A cell without blanks around it; empty if the column is not there. */
        public String at(String column) {
            int at = names.indexOf(column);
            return at < 0 ? "" : cells[at].strip();
        }

        /** All of its cells by column. */
        public Map<String, String> byColumn() {
            Map<String, String> all = new LinkedHashMap<>();
            names.forEach(name -> all.put(name, at(name)));
            return all;
        }
    }

    /** Begins what a spreadsheet would work out instead of showing it. */
    private static final Pattern FORMULA =
            Pattern.compile("'*[=+\\-@\\t\\r\uff1d\uff0b\uff0d\uff20].*", Pattern.DOTALL);

    private static final Pattern NUMBER = Pattern.compile("[+-]?(\\d+(\\.\\d*)?|\\.\\d+)([eE][+-]?\\d+)?");

    /**
     * A cell as it goes into a file: what a spreadsheet would take for a formula stands behind an apostrophe, and {@link #read} takes that
     * off again. Numbers stay numbers.
     */
    public static @Nullable Object cell(@Nullable Object value) {
        return value instanceof String text
                        && FORMULA.matcher(text).matches()
                        && !NUMBER.matcher(text).matches()
                ? "'" + text
                : value;
    }

    private static String uncell(String text) {
        return text.startsWith("'") && FORMULA.matcher(text).matches() ? text.substring(1) : text;
    }

    /** A file of rows under a header, every cell as {@link #cell} writes it. */
    public static String write(List<String> header, Iterable<? extends Iterable<? extends @Nullable Object>> rows) {
        StringBuilder text = new StringBuilder();
        write(header, rows, text);
        return text.toString();
    }

    /** The same, onto the end of something. */
    public static void write(
            List<String> header, Iterable<? extends Iterable<? extends @Nullable Object>> rows, Appendable to) {
        try {
            CSVPrinter printer = CSVFormat.RFC4180.print(to);
            printer.printRecord(header);
            for (Iterable<? extends @Nullable Object> row : rows) {
                for (Object value : row) {
                    printer.print(cell(value));
                }
                printer.println();
            }
            printer.flush();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Sheet wrong(String... problems) {
        return new Sheet(List.of(), List.of(problems));
    }

    /**
     * Reads a file.
     *
     * @param required columns that must be there
     * @param optional columns that may be
     * @param most how many rows it may have
     */
    public static Sheet read(byte[] bytes, List<String> required, List<String> optional, int most) {
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException e) {
            return wrong("This is not a text file in UTF-8. Save it as CSV (UTF-8) and choose it again.");
        }
        if (text.startsWith("\uFEFF")) {
            text = text.substring(1);
        }
        String firstLine = text.lines().findFirst().orElse("");
        char separator = firstLine.contains(";") && !firstLine.contains(",") ? ';' : ',';
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            return read(parser, required, optional, most);
        } catch (IOException | UncheckedIOException e) {
            return wrong("The file breaks off or a quote is left open. Export it again; nothing was stored.");
        }
    }

    private static Sheet read(CSVParser parser, List<String> required, List<String> optional, int most) {
        List<Row> rows = new ArrayList<>();
        List<String> names = List.of();
        for (CSVRecord record : parser) {
            if (names.isEmpty()) {
                names = record.toList().stream().map(String::strip).toList();
                List<String> problems = header(names, required, optional);
                if (!problems.isEmpty()) {
                    return new Sheet(List.of(), problems);
                }
                continue;
            }
            if (rows.size() >= most) {
                return wrong("The file has more than %d lines. Split it.".formatted(most));
            }
            if (record.size() != names.size()) {
                return wrong("Line %d has %d fields, the header %d."
                        .formatted(parser.getCurrentLineNumber(), record.size(), names.size()));
            }
            String[] cells = record.values();
            for (int i = 0; i < cells.length; i++) {
                if (PlainText.broken(cells[i])) {
                    return wrong("Line %d, %s: it holds a sign that is no text (NUL). Take it out; nothing was stored."
                            .formatted(parser.getCurrentLineNumber(), names.get(i)));
                }
                cells[i] = PlainText.clean(uncell(cells[i]));
            }
            rows.add(new Row(parser.getCurrentLineNumber(), names, cells));
        }
        return names.isEmpty()
                ? wrong("The file is empty. Its first line should be: " + String.join(",", required))
                : new Sheet(rows, List.of());
    }

    private static List<String> header(List<String> names, List<String> required, List<String> optional) {
        List<String> problems = new ArrayList<>();
        names.stream()
                .filter(n -> names.indexOf(n) != names.lastIndexOf(n))
                .findFirst()
                .ifPresent(n -> problems.add("Line 1: the column “%s” is listed twice.".formatted(shown(n))));
        List<String> missing = required.stream().filter(n -> !names.contains(n)).toList();
        List<String> unknown = names.stream()
                .filter(n -> !required.contains(n) && !optional.contains(n))
                .distinct()
                .limit(5)
                .map(Sheet::shown)
                .toList();
        if (!missing.isEmpty()) {
            problems.add("Line 1: the header lacks %s. It should begin: %s"
                    .formatted(String.join(", ", missing), String.join(",", required)));
        }
        if (!unknown.isEmpty()) {
            problems.add("Line 1: unknown %s %s. Remove it, or export once more to see the right header."
                    .formatted(unknown.size() == 1 ? "column" : "columns", String.join(", ", unknown)));
        }
        return problems;
    }

    /** A text from a file, short enough for a message. */
    public static String shown(String text) {
        return text.length() <= LONGEST_SHOWN ? text : text.substring(0, LONGEST_SHOWN) + "…";
    }
}
