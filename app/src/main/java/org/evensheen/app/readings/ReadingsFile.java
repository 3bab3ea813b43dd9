package org.evensheen.app.readings;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.TypedEntry;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Stage;

/** The readings of a study as a CSV file; docs/formats.md describes it. */
final class ReadingsFile {
    static final List<String> REQUIRED =
            List.of("section", "day", "stage", "measure", "repeat", "amount", "unit", "width_mm", "water_kind");
    static final List<String> OPTIONAL = List.of("kept_at", "kept_by", "struck_at", "struck_by", "struck_because");
    private static final int MOST_ROWS = 60_000;
    private static final int MOST_PROBLEMS = 20;
    private static final int LONGEST_TEXT = 200;

    private ReadingsFile() {}

    /** Writes every reading of a study, struck ones too. */
    static String write(Study study) {
        StringBuilder text = new StringBuilder();
        try {
            var printer = CSVFormat.RFC4180.print(text);
            List<String> header = new ArrayList<>(REQUIRED);
            header.addAll(OPTIONAL);
            printer.printRecord(header);
            for (KeptReading kept : study.readings()) {
                Reading reading = kept.reading();
                var width = Columns.width(reading.seen());
                printer.printRecord(
                        reading.section(),
                        reading.day(),
                        reading.stage().code(),
                        reading.measure().code(),
                        reading.repeat(),
                        Columns.amount(reading.seen()).toPlainString(),
                        reading.measure().unit(),
                        width == null ? null : width.toPlainString(),
                        Columns.kind(reading.seen()),
                        kept.keptAt(),
                        kept.keptBy(),
                        kept.strike().map(s -> s.at().toString()).orElse(null),
                        kept.strike().map(KeptReading.Strike::by).orElse(null),
                        kept.strike().map(KeptReading.Strike::because).orElse(null));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /**
     * What a file holds for a study.
     *
     * @param fresh readings that are not there yet, in the file's order
     * @param known how many were there already, just the same
     * @param problems what is wrong, each with its line; if there are any, nothing may be stored
     */
    record Contents(List<KeptReading> fresh, int known, List<String> problems) {
        static Contents wrong(String problem) {
            return new Contents(List.of(), 0, List.of(problem));
        }
    }

    /** Reads a file against a study. */
    static Contents read(byte[] bytes, Study study, int today, Hands hands) {
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException e) {
            return Contents.wrong("This is not a text file in UTF-8. Save it as CSV (UTF-8) and choose it again.");
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
            return new Reader(study, today, hands).read(parser);
        } catch (IOException | UncheckedIOException e) {
            return Contents.wrong("The file breaks off or a quote is left open. Export it again; nothing was stored.");
        }
    }

    private static final class Reader {
        private final Study study;
        private final int today;
        private final Hands hands;
        private final List<String> problems = new ArrayList<>();
        private final List<KeptReading> fresh = new ArrayList<>();
        private final Map<String, Long> lineOf = new HashMap<>();
        private final Map<String, KeptReading> there = new HashMap<>();
        private final Set<String> struckThere = new HashSet<>();
        private final Map<String, Integer> column = new HashMap<>();
        private int known;

        Reader(Study study, int today, Hands hands) {
            this.study = study;
            this.today = today;
            this.hands = hands;
            for (KeptReading kept : study.readings()) {
                if (kept.stands()) {
                    there.put(slot(kept.reading()), kept);
                } else {
                    struckThere.add(struckKey(kept));
                }
            }
        }

        Contents read(CSVParser parser) {
            boolean first = true;
            for (CSVRecord row : parser) {
                if (first) {
                    first = false;
                    if (!header(row)) {
                        return new Contents(List.of(), 0, problems);
                    }
                    continue;
                }
                if (fresh.size() + known > MOST_ROWS) {
                    return Contents.wrong("The file has more than %d readings. Split it.".formatted(MOST_ROWS));
                }
                if (problems.size() >= MOST_PROBLEMS) {
                    problems.add("… and perhaps more; put these right first.");
                    break;
                }
                row(row, parser.getCurrentLineNumber());
            }
            if (first) {
                return Contents.wrong("The file is empty. Its first line should be: " + String.join(",", REQUIRED));
            }
            return new Contents(fresh, known, problems);
        }

        private boolean header(CSVRecord row) {
            List<String> names = row.toList().stream().map(String::strip).toList();
            for (String name : names) {
                if (column.put(name, names.indexOf(name)) != null) {
                    problems.add("Line 1: the column “%s” stands twice.".formatted(shortened(name)));
                    return false;
                }
            }
            List<String> missing =
                    REQUIRED.stream().filter(n -> !names.contains(n)).toList();
            List<String> unknown = names.stream()
                    .filter(n -> !REQUIRED.contains(n) && !OPTIONAL.contains(n))
                    .limit(5)
                    .map(Reader::shortened)
                    .toList();
            if (!missing.isEmpty()) {
                problems.add("Line 1: the header lacks %s. It should begin: %s"
                        .formatted(String.join(", ", missing), String.join(",", REQUIRED)));
            }
            if (!unknown.isEmpty()) {
                problems.add("Line 1: unknown %s %s. Remove it, or export once more to see the right header."
                        .formatted(unknown.size() == 1 ? "column" : "columns", String.join(", ", unknown)));
            }
            return problems.isEmpty();
        }

        private void row(CSVRecord row, long line) {
            if (row.size() != column.size()) {
                problems.add("Line %d has %d fields, the header %d.".formatted(line, row.size(), column.size()));
                return;
            }
            String section = at(row, "section").toUpperCase(java.util.Locale.ROOT);
            Optional<Measure> measure = Measure.ofCode(at(row, "measure"));
            Optional<Stage> stage = Stage.ofCode(at(row, "stage"));
            Optional<Integer> day = whole(at(row, "day"));
            Optional<Integer> repeat = whole(at(row, "repeat"));
            if (study.record().section(section).isEmpty()) {
                problem(line, "section", "there is no section “%s” in this study".formatted(shortened(section)));
            } else if (measure.isEmpty()) {
                problem(
                        line,
                        "measure",
                        "“%s” is not pull, drop, left-behind or grade".formatted(shortened(at(row, "measure"))));
            } else if (stage.isEmpty()) {
                problem(line, "stage", "“%s” is not a stage".formatted(shortened(at(row, "stage"))));
            } else if (day.isEmpty() || day.get() < 0) {
                problem(
                        line,
                        "day",
                        "“%s” is not a day from 0 on; days count from the first day"
                                .formatted(shortened(at(row, "day"))));
            } else if (day.get() > today) {
                problem(line, "day", "day %d is still to come; today is day %d".formatted(day.get(), today));
            } else if (repeat.isEmpty() || repeat.get() < 1 || repeat.get() > 99) {
                problem(line, "repeat", "“%s” is not a repeat from 1 to 99".formatted(shortened(at(row, "repeat"))));
            } else if (!at(row, "unit").equals(measure.get().unit())) {
                problem(
                        line,
                        "unit",
                        "“%s” where a %s is in %s; convert it, one file has one unit for each measure"
                                .formatted(
                                        shortened(at(row, "unit")),
                                        measure.get().code(),
                                        measure.get().unit()));
            } else {
                TypedEntry typed = TypedEntry.read(
                        measure.get(), at(row, "amount"), at(row, "width_mm"), at(row, "water_kind"), "");
                if (typed.observation().isEmpty()) {
                    String what = typed.amountProblem().isEmpty() ? typed.widthProblem() : typed.amountProblem();
                    problem(line, typed.amountProblem().isEmpty() ? "width_mm" : "amount", what);
                } else {
                    add(
                            row,
                            line,
                            new Reading(
                                    section,
                                    day.get(),
                                    stage.get(),
                                    repeat.get(),
                                    typed.observation().get()));
                }
            }
        }

        private void add(CSVRecord row, long line, Reading reading) {
            KeptReading kept;
            try {
                kept = kept(row, reading);
            } catch (DateTimeParseException e) {
                problem(line, "kept_at or struck_at", "not a time like 2026-05-01T12:00:00Z");
                return;
            } catch (IllegalArgumentException e) {
                problem(line, "struck_because", String.valueOf(e.getMessage()));
                return;
            }
            if (!kept.stands()) {
                if (struckThere.add(struckKey(kept))) {
                    fresh.add(kept);
                } else {
                    known++;
                }
                return;
            }
            Long before = lineOf.putIfAbsent(slot(reading), line);
            if (before != null) {
                problem(line, "repeat", "the same section, day, stage, measure and repeat stand in line " + before);
                return;
            }
            KeptReading standing = there.get(slot(reading));
            if (standing == null) {
                fresh.add(kept);
            } else if (standing.reading().equals(reading)) {
                known++;
            } else {
                problem(
                        line,
                        "amount",
                        "the study already holds %s here, the file says %s; correct it in the study or drop the line"
                                .formatted(
                                        Columns.amount(standing.reading().seen())
                                                .toPlainString(),
                                        Columns.amount(reading.seen()).toPlainString()));
            }
        }

        private KeptReading kept(CSVRecord row, Reading reading) {
            String by = text(row, "kept_by");
            Optional<KeptReading.Strike> strike = Optional.empty();
            if (!at(row, "struck_at").isEmpty()) {
                if (text(row, "struck_by").isEmpty()
                        || text(row, "struck_because").isEmpty()) {
                    throw new IllegalArgumentException("a struck reading needs who and why");
                }
                strike = Optional.of(new KeptReading.Strike(
                        Instant.parse(at(row, "struck_at")), text(row, "struck_by"), text(row, "struck_because")));
            }
            Instant at = at(row, "kept_at").isEmpty() ? Instant.now() : Instant.parse(at(row, "kept_at"));
            return new KeptReading(0, reading, at, by.isEmpty() ? hands.name() : by, Optional.empty(), strike);
        }

        private String text(CSVRecord row, String name) {
            String text = at(row, name);
            return text.substring(0, Math.min(LONGEST_TEXT, text.length()));
        }

        private String at(CSVRecord row, String name) {
            Integer index = column.get(name);
            return index == null ? "" : row.get(index).strip();
        }

        private void problem(long line, String where, String what) {
            problems.add("Line %d, %s: %s".formatted(line, where, what));
        }

        private static Optional<Integer> whole(String text) {
            return text.matches("-?\\d{1,6}") ? Optional.of(Integer.valueOf(text)) : Optional.empty();
        }

        private static String slot(Reading r) {
            return r.section() + "/" + r.day() + "/" + r.stage() + "/" + r.measure() + "/" + r.repeat();
        }

        private static String struckKey(KeptReading kept) {
            return slot(kept.reading()) + "/" + kept.reading().seen() + "/"
                    + kept.strike().map(s -> s.at().getEpochSecond()).orElse(0L);
        }

        private static String shortened(String text) {
            return text.length() <= 30 ? text : text.substring(0, 30) + "…";
        }
    }
}
