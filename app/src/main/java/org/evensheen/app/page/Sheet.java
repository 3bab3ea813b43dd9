package org.evensheen.app.page;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

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
    public record Row(long line, Map<String, String> cells) {
        /** A cell without blanks around it; empty if the column is not there. */
        public String at(String column) {
            return cells.getOrDefault(column, "").strip();
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
            Map<String, String> cells = new HashMap<>();
            for (int i = 0; i < names.size(); i++) {
                cells.put(names.get(i), record.get(i));
            }
            rows.add(new Row(parser.getCurrentLineNumber(), cells));
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
                .ifPresent(n -> problems.add("Line 1: the column “%s” stands twice.".formatted(shown(n))));
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
