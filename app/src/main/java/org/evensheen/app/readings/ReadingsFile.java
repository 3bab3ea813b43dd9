package org.evensheen.app.readings;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Study;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.Part;
import org.evensheen.core.measure.TypedReading;
import org.evensheen.core.schedule.OurTime;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.jspecify.annotations.Nullable;

/** The readings of a study as a CSV file; docs/formats.md describes it. */
final class ReadingsFile {
    static final List<String> REQUIRED = List.of("section", "day", "stage", "measure", "repeat", "unit");
    private static final List<String> SEEN = List.of("seen");
    /** The same in files from before there was one field for it. */
    private static final List<String> SEEN_BEFORE = List.of("amount", "width_mm", "water_kind");

    private static final List<String> RECORD =
            List.of("kept_at", "kept_by", "struck_at", "struck_by", "struck_because");
    private static final List<String> OPTIONAL =
            Stream.of(SEEN, SEEN_BEFORE, RECORD).flatMap(List::stream).toList();
    private static final int MOST_ROWS = 60_000;
    private static final int MOST_PROBLEMS = 20;
    private static final int LONGEST_TEXT = 200;

    private ReadingsFile() {}

    /** Writes every reading of a study, struck ones too. */
    static String write(Study study) {
        List<String> header = new ArrayList<>(REQUIRED);
        header.addAll(SEEN);
        header.addAll(RECORD);
        return Sheet.write(
                header, study.readings().stream().map(ReadingsFile::row).toList());
    }

    private static List<@Nullable Object> row(KeptReading kept) {
        Reading reading = kept.reading();
        return Arrays.asList(
                reading.section(),
                reading.day(),
                reading.at().look().code(),
                reading.measure().code(),
                reading.repeat(),
                reading.measure().unit(),
                reading.seen().line(),
                kept.keptAt(),
                kept.keptBy(),
                kept.strike().map(s -> s.at().toString()).orElse(null),
                kept.strike().map(KeptReading.Strike::by).orElse(null),
                kept.strike().map(KeptReading.Strike::because).orElse(null));
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
        Sheet sheet = Sheet.read(bytes, REQUIRED, OPTIONAL, MOST_ROWS);
        return sheet.problems().isEmpty()
                ? new Reader(study, today, hands).read(sheet)
                : new Contents(List.of(), 0, sheet.problems());
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
        private int known;

        Reader(Study study, int today, Hands hands) {
            this.study = study;
            this.today = today;
            this.hands = hands;
            for (KeptReading kept : study.readings()) {
                if (kept.stands()) {
                    there.put(slot(kept), kept);
                } else {
                    struckThere.add(struckKey(kept));
                }
            }
        }

        Contents read(Sheet sheet) {
            for (Sheet.Row row : sheet.rows()) {
                if (problems.size() >= MOST_PROBLEMS) {
                    problems.add("… and perhaps more; put these right first.");
                    break;
                }
                row(row, row.line());
            }
            return new Contents(fresh, known, problems);
        }

        private void row(Sheet.Row row, long line) {
            String section = row.at("section").toUpperCase(java.util.Locale.ROOT);
            Optional<Measure> measure = Measures.ofCode(row.at("measure"));
            Optional<Look> stage = Look.ofCode(row.at("stage"))
                    .filter(l -> study.record().plan().course().stages().contains(l.stage()));
            Optional<Integer> day = whole(row.at("day"));
            Optional<Integer> repeat = whole(row.at("repeat"));
            if (study.record().section(section).isEmpty()) {
                problem(line, "section", "there is no section “%s” in this study".formatted(Sheet.shown(section)));
            } else if (measure.isEmpty()) {
                problem(line, "measure", "“%s” is not %s".formatted(Sheet.shown(row.at("measure")), known()));
            } else if (stage.isEmpty()) {
                problem(line, "stage", "“%s” is not a stage of this study".formatted(Sheet.shown(row.at("stage"))));
            } else if (day.isEmpty() || day.get() < 0) {
                problem(
                        line,
                        "day",
                        "“%s” is not a day from 0 on; days count from the first day"
                                .formatted(Sheet.shown(row.at("day"))));
            } else if (day.get() > today) {
                problem(line, "day", "day %d is still to come; today is day %d".formatted(day.get(), today));
            } else if (repeat.isEmpty() || repeat.get() < 1 || repeat.get() > 99) {
                problem(line, "repeat", "“%s” is not a repeat from 1 to 99".formatted(Sheet.shown(row.at("repeat"))));
            } else if (!row.at("unit").equals(measure.get().unit())) {
                problem(
                        line,
                        "unit",
                        "“%s” where a %s is in %s; convert it, one file has one unit for each measure"
                                .formatted(
                                        Sheet.shown(row.at("unit")),
                                        measure.get().code(),
                                        measure.get().unit()));
            } else {
                seen(row, line, measure.get())
                        .ifPresent(seen -> add(
                                row,
                                line,
                                new Reading(section, new Occasion(day.get(), stage.get()), repeat.get(), seen)));
            }
        }

        private static String known() {
            List<String> codes = Measures.read().stream().map(Measure::code).toList();
            return String.join(", ", codes.subList(0, codes.size() - 1)) + " or " + codes.get(codes.size() - 1);
        }

        /** What was seen: as one line, or in the fields of older files, or typed by hand as a form has it. */
        private Optional<Observation> seen(Sheet.Row row, long line, Measure measure) {
            String whole = row.at("seen");
            if (whole.contains("=")) {
                try {
                    return Optional.of(Observation.read(measure, whole));
                } catch (IllegalArgumentException e) {
                    problem(line, "seen", String.valueOf(e.getMessage()));
                    return Optional.empty();
                }
            }
            TypedReading typed = TypedReading.of(
                    measure,
                    Map.of(
                            Part.FIRST,
                            whole.isEmpty() ? row.at("amount") : whole,
                            "width",
                            row.at("width_mm"),
                            "kind",
                            row.at("water_kind")));
            typed.problems().forEach((field, what) -> problem(line, whole.isEmpty() ? field : "seen", what));
            return typed.seen();
        }

        private void add(Sheet.Row row, long line, Reading reading) {
            KeptReading kept;
            try {
                kept = kept(row, reading);
            } catch (IllegalArgumentException e) {
                problem(line, "kept_at or struck", String.valueOf(e.getMessage()));
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
            Long before = lineOf.putIfAbsent(slot(kept), line);
            if (before != null) {
                problem(line, "repeat", "the same section, day, stage, measure and repeat stand in line " + before);
                return;
            }
            KeptReading standing = there.get(slot(kept));
            if (standing == null) {
                fresh.add(kept);
            } else if (standing.reading().equals(reading)) {
                known++;
            } else {
                problem(
                        line,
                        "seen",
                        "the study already holds %s here, the file says %s; correct it in the study or drop the line"
                                .formatted(
                                        standing.reading().seen().told(),
                                        reading.seen().told()));
            }
        }

        private KeptReading kept(Sheet.Row row, Reading reading) {
            String by = text(row, "kept_by");
            Optional<KeptReading.Strike> strike = Optional.empty();
            if (!row.at("struck_at").isEmpty()) {
                if (text(row, "struck_by").isEmpty()
                        || text(row, "struck_because").isEmpty()) {
                    throw new IllegalArgumentException("a struck reading needs who and why");
                }
                strike = Optional.of(new KeptReading.Strike(
                        OurTime.time(row.at("struck_at")), text(row, "struck_by"), text(row, "struck_because")));
            }
            Instant at = row.at("kept_at").isEmpty() ? Instant.now() : OurTime.time(row.at("kept_at"));
            return new KeptReading(0, reading, at, by.isEmpty() ? hands.name() : by, Optional.empty(), strike);
        }

        private String text(Sheet.Row row, String name) {
            String text = row.at(name);
            return text.substring(0, Math.min(LONGEST_TEXT, text.length()));
        }

        private void problem(long line, String where, String what) {
            problems.add("Line %d, %s: %s".formatted(line, where, what));
        }

        private static Optional<Integer> whole(String text) {
            return text.matches("-?\\d{1,6}") ? Optional.of(Integer.valueOf(text)) : Optional.empty();
        }

        private static String slot(KeptReading kept) {
            Reading r = kept.reading();
            return (r.measure().byEye() ? kept.keptBy() + "/" : "") + r.section() + "/" + r.day() + "/"
                    + r.at().look().code() + "/" + r.measure() + "/" + r.repeat();
        }

        private static String struckKey(KeptReading kept) {
            return slot(kept) + "/" + kept.reading().seen() + "/"
                    + kept.strike().map(s -> s.at().getEpochSecond()).orElse(0L);
        }
    }
}
