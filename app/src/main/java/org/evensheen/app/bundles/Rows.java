package org.evensheen.app.bundles;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.studies.ApplicationStore;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.schedule.OurTime;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.CodeOrder;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Deviation;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.water.WaterKind;

/** What the rows of a bundle mean; one that can't be read is told with its file and line. */
final class Rows {
    private static final int LONGEST_GIVEN = 200;

    private Rows() {}

    /** A cell that can't be, with its place. */
    static final class Wrong extends RuntimeException {
        Wrong(String message) {
            super(message);
        }
    }

    static Sheet.Row only(Map<Table, List<Sheet.Row>> tables, Table table) {
        List<Sheet.Row> rows = tables.get(table);
        if (rows.size() != 1) {
            throw new Wrong("%s must have one line; it has %d.".formatted(table.path(), rows.size()));
        }
        return rows.get(0);
    }

    /** Reads a row; what can't be read is told with its file and line. */
    static <T> T at(Sheet.Row row, Table table, Function<Sheet.Row, T> read) {
        try {
            return read.apply(row);
        } catch (RuntimeException e) {
            throw e instanceof Wrong
                    ? e
                    : new Wrong("%s, line %d can't be read: %s. Nothing was stored."
                            .formatted(table.path(), row.line(), String.valueOf(e.getMessage())));
        }
    }

    static String text(Sheet.Row row, String column) {
        if (row.at(column).isEmpty()) {
            throw new Wrong("Line %d has no %s.".formatted(row.line(), column));
        }
        return row.at(column);
    }

    /** A name on one line, with something to know it by. */
    static String name(Sheet.Row row, String column) {
        String name = PlainText.line(text(row, column));
        if (!PlainText.readable(name)) {
            throw new Wrong("Line %d: a %s needs a letter or a digit.".formatted(row.line(), column));
        }
        return name;
    }

    static double number(Sheet.Row row, String column) {
        double value = Double.parseDouble(text(row, column));
        if (!Double.isFinite(value)) {
            throw new NumberFormatException(column + " is no number");
        }
        return value;
    }

    static int whole(Sheet.Row row, String column) {
        return Integer.parseInt(text(row, column));
    }

    /** One of the codes that a column may hold. */
    private static <T> T known(Sheet.Row row, String column, Function<String, Optional<T>> ofCode) {
        return ofCode.apply(row.at(column))
                .orElseThrow(() -> new IllegalArgumentException(
                        "“%s” is no %s that is known here".formatted(Sheet.shown(row.at(column)), column)));
    }

    /** One of the words that a column may hold. */
    private static <E extends Enum<E>> E one(Class<E> of, Sheet.Row row, String column) {
        return known(
                row,
                column,
                word -> Stream.of(of.getEnumConstants())
                        .filter(e -> e.name().toLowerCase(Locale.ROOT).equals(word.toLowerCase(Locale.ROOT)))
                        .findFirst());
    }

    static Contender contender(Sheet.Row row) {
        Contender.Role role = one(Contender.Role.class, row, "role");
        int number = whole(row, "number");
        if (role.control()) {
            return Contender.control(number, role);
        }
        Contender.Source source = one(Contender.Source.class, row, "source");
        Optional<WaterKind> water = row.at("water_kind").isEmpty()
                ? Optional.empty()
                : Optional.of(known(row, "water_kind", WaterKind::ofCode));
        // Bundles up to version 4 know products and stacks of them only, each with its water kind.
        Contender.Kind kind = row.at("kind").isEmpty()
                ? row.at("name").contains(Contender.OVER) ? Contender.Kind.STACK : Contender.Kind.PRODUCT
                : known(row, "kind", Contender.Kind::ofCode);
        return new Contender(
                number,
                kind.hasProduct() ? name(row, "name") : "",
                role,
                water,
                source,
                kind,
                row.at("way").isEmpty() ? "" : name(row, "way"));
    }

    /** The course that a study runs; bundles up to version 4 are of visits over weeks. */
    static Course course(Sheet.Row row) {
        return row.at("course").isEmpty() ? Course.VISITS : known(row, "course", Course::ofCode);
    }

    static Section section(Sheet.Row row) {
        return new Section(
                text(row, "code"),
                whole(row, "contender"),
                whole(row, "block"),
                number(row, "x_mm"),
                number(row, "y_mm"),
                number(row, "width_mm"),
                number(row, "height_mm"),
                Boolean.parseBoolean(row.at("by_hand")),
                row.at("name").isEmpty() ? "" : name(row, "name"));
    }

    static Sheet.Row plan(
            Sheet.Row row, List<Plan.Planned> measures, List<Occasion> visits, List<Calendar.Work> works) {
        switch (row.at("what")) {
            case "measure" ->
                measures.add(new Plan.Planned(known(row, "code", Measures::ofCode), whole(row, "repeats")));
            case "visit" -> visits.add(new Occasion(whole(row, "day"), known(row, "code", Look::ofCode)));
            case "work" ->
                works.add(new Calendar.Work(
                        "",
                        whole(row, "day"),
                        one(Calendar.Kind.class, row, "code"),
                        text(row, "title"),
                        row.at("why"),
                        false));
            default ->
                throw new IllegalArgumentException("“%s” is no part of a plan".formatted(Sheet.shown(row.at("what"))));
        }
        return row;
    }

    static BundleStore.Exposure exposure(Sheet.Row row) {
        Happening.Kind kind = known(row, "kind", Happening.Kind::ofCode);
        return new BundleStore.Exposure(
                whole(row, "day"),
                kind.code(),
                row.at("note"),
                OurTime.time(row.at("kept_at")),
                row.at("kept_by"),
                row.at("step").isEmpty() ? 0 : whole(row, "step"),
                row.at("minute").isEmpty() ? Optional.empty() : Optional.of(whole(row, "minute")));
    }

    static BundleStore.Noted noted(Sheet.Row row) {
        return new BundleStore.Noted(
                new Deviation(
                        whole(row, "day"),
                        known(row, "kind", Deviation.Kind::ofCode),
                        Optional.of(row.at("section")).filter(s -> !s.isEmpty()),
                        row.at("words")),
                OurTime.time(row.at("at")),
                row.at("kept_by"));
    }

    static KeptReading reading(Sheet.Row row) {
        Measure measure = known(row, "measure", Measures::ofCode);
        return new KeptReading(
                Long.parseLong(text(row, "id")),
                new Reading(
                        text(row, "section"),
                        new Occasion(whole(row, "day"), known(row, "stage", Look::ofCode)),
                        whole(row, "repeat"),
                        Observation.read(measure, row.at("seen").isEmpty() ? seenBefore(row) : row.at("seen"))),
                OurTime.time(row.at("kept_at")),
                text(row, "kept_by"),
                row.at("replaces").isEmpty() ? Optional.empty() : Optional.of(Long.parseLong(row.at("replaces"))),
                row.at("struck_at").isEmpty()
                        ? Optional.empty()
                        : Optional.of(new KeptReading.Strike(
                                OurTime.time(row.at("struck_at")),
                                text(row, "struck_by"),
                                text(row, "struck_because"))));
    }

    /** What was seen, as bundles up to version 3 have it in three fields. */
    private static String seenBefore(Sheet.Row row) {
        String kind = row.at("water_kind").isEmpty() ? "" : "kind=" + row.at("water_kind") + ";";
        String width = row.at("width_mm").isEmpty() ? "" : ";width=" + row.at("width_mm");
        // Grades were written as numbers with decimals.
        String amount = row.at("amount").replaceFirst("\\.0+$", "");
        return kind + "amount=" + amount + width;
    }

    private static Optional<String> section(Sheet.Row row, List<Section> sections) {
        Optional<String> code = Optional.of(row.at("section")).filter(c -> !c.isEmpty());
        if (code.filter(c -> sections.stream().noneMatch(s -> s.code().equals(c)))
                .isPresent()) {
            throw new IllegalArgumentException("there is no section " + code.get());
        }
        return code;
    }

    private static String given(Sheet.Row row) {
        if (row.at("given").length() > LONGEST_GIVEN) {
            throw new IllegalArgumentException("what was given is longer than %d characters".formatted(LONGEST_GIVEN));
        }
        return row.at("given");
    }

    static ApplicationStore.Draft application(
            long study, Sheet.Row row, CodeOrder order, List<Section> sections, String by) {
        int contender = whole(row, "contender");
        if (contender < 0 || contender >= order.numbers().size()) {
            throw new IllegalArgumentException("there is no contender " + contender);
        }
        return new ApplicationStore.Draft(
                study,
                order.of(contender),
                whole(row, "day"),
                row.at("job"),
                LabelLine.readDose(row.at("dose")).dose(),
                row.at("wait_seconds").isEmpty() ? Optional.empty() : Optional.of(number(row, "wait_seconds")),
                row.at("coats").isEmpty() ? Optional.empty() : Optional.of(whole(row, "coats")),
                section(row, sections),
                given(row),
                UUID.randomUUID(),
                by);
    }
}
