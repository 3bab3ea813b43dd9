package org.evensheen.app.bundles;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.labels.LabelKeeper;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.readings.ReadingBatch;
import org.evensheen.app.studies.ApplicationStore;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.app.studies.StudyMaker;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.layout.Zone;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Deviation;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Observation;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.water.WaterKind;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Brings the parts of a bundle in as a study: all of it or nothing. */
@Component
class BundleKeeper {
    private final BundleStore store;
    private final BundleDay days;
    private final StudyMaker maker;
    private final StudyStore studies;
    private final ReadingBatch readings;
    private final ApplicationStore applications;
    private final ProductStore products;
    private final LabelKeeper labels;
    private final TransactionTemplate transaction;

    BundleKeeper(
            BundleStore store,
            BundleDay days,
            StudyMaker maker,
            StudyStore studies,
            ReadingBatch readings,
            ApplicationStore applications,
            ProductStore products,
            LabelKeeper labels,
            TransactionTemplate transaction) {
        this.store = store;
        this.days = days;
        this.maker = maker;
        this.studies = studies;
        this.readings = readings;
        this.applications = applications;
        this.products = products;
        this.labels = labels;
        this.transaction = transaction;
    }

    /** A study brought in, or what is wrong with the bundle. */
    record Outcome(Optional<Long> study, List<String> problems) {}

    /** A cell that can't be, with its place. */
    private static final class Wrong extends RuntimeException {
        Wrong(String message) {
            super(message);
        }
    }

    Outcome bringIn(Map<Table, List<Sheet.Row>> tables, UUID key, String by) {
        Optional<Long> before = store.broughtIn(key);
        if (before.isPresent()) {
            return new Outcome(before, List.of());
        }
        try {
            return new Outcome(Optional.ofNullable(transaction.execute(status -> keep(tables, key, by))), List.of());
        } catch (Wrong e) {
            return new Outcome(Optional.empty(), List.of(String.valueOf(e.getMessage())));
        } catch (DataIntegrityViolationException e) {
            return new Outcome(
                    Optional.empty(),
                    List.of("The bundle holds something that can't be: %s. Nothing was stored."
                            .formatted(constraint(e))));
        } catch (IllegalArgumentException e) {
            return new Outcome(
                    Optional.empty(),
                    List.of("The bundle holds something that can't be: %s. Nothing was stored."
                            .formatted(e.getMessage())));
        }
    }

    private static String constraint(DataIntegrityViolationException e) {
        String message = String.valueOf(e.getMostSpecificCause().getMessage());
        var named = java.util.regex.Pattern.compile("constraint \"(\\w+)\"").matcher(message);
        return named.find() ? named.group(1).replace('_', ' ') : "a value outside its range";
    }

    private long keep(Map<Table, List<Sheet.Row>> tables, UUID key, String by) {
        Sheet.Row head = only(tables, Table.STUDY);
        shelve(tables, key, by);
        List<Contender> contenders = tables.get(Table.CONTENDERS).stream()
                .map(row -> at(row, Table.CONTENDERS, BundleKeeper::contender))
                .sorted(java.util.Comparator.comparingInt(Contender::number))
                .toList();
        List<Section> sections = tables.get(Table.SECTIONS).stream()
                .map(row -> at(row, Table.SECTIONS, BundleKeeper::section))
                .toList();
        if (contenders.isEmpty() || sections.isEmpty()) {
            throw new Wrong("The bundle has no contenders or no sections. Nothing was stored.");
        }
        for (int i = 0; i < contenders.size(); i++) {
            if (contenders.get(i).number() != i) {
                throw new Wrong("contenders.csv: numbers must run from 0 without a gap.");
            }
        }
        sections.stream()
                .filter(s -> s.contender() < 0 || s.contender() >= contenders.size())
                .findFirst()
                .ifPresent(s -> {
                    throw new Wrong(
                            "sections.csv: section %s carries contender %d, and there is none of that number. Nothing was stored."
                                    .formatted(Sheet.shown(s.code()), s.contender()));
                });
        List<Plan.Planned> measures = new ArrayList<>();
        List<Occasion> visits = new ArrayList<>();
        List<Calendar.Work> works = new ArrayList<>();
        tables.get(Table.PLAN).forEach(row -> at(row, Table.PLAN, r -> plan(r, measures, visits, works)));
        long study = maker.make(new StudyDraft(
                text(head, "question"),
                at(only(tables, Table.BED), Table.BED, row -> bed(row, tables)),
                at(head, Table.STUDY, r -> LocalDate.parse(r.at("first_day"))),
                at(head, Table.STUDY, r -> Long.parseLong(r.at("seed"))),
                contenders,
                sections,
                new Plan(measures, visits),
                works,
                key));
        store.keep(
                study,
                tables.get(Table.EXPOSURES).stream()
                        .map(row -> at(row, Table.EXPOSURES, BundleKeeper::exposure))
                        .toList(),
                key);
        store.keepNoted(
                study,
                tables.get(Table.NOTED).stream()
                        .map(row -> at(row, Table.NOTED, BundleKeeper::noted))
                        .toList(),
                key);
        days.keep(
                study,
                tables.get(Table.STEPS).stream()
                        .map(row -> at(row, Table.STEPS, BundleDay::step))
                        .toList(),
                tables.get(Table.WEATHER).stream()
                        .map(row -> at(row, Table.WEATHER, BundleDay::weather))
                        .toList(),
                key);
        readings(study, tables.get(Table.READINGS), sections);
        for (Sheet.Row row : tables.get(Table.DEVIATIONS)) {
            applications.keep(at(row, Table.DEVIATIONS, r -> application(study, r, by)));
        }
        if (Boolean.parseBoolean(head.at("key_open"))) {
            studies.openKey(study);
        }
        return study;
    }

    private static Sheet.Row only(Map<Table, List<Sheet.Row>> tables, Table table) {
        List<Sheet.Row> rows = tables.get(table);
        if (rows.size() != 1) {
            throw new Wrong("%s must have one line; it has %d.".formatted(table.path(), rows.size()));
        }
        return rows.get(0);
    }

    /** Reads a row; what can't be read is told with its file and line. */
    private static <T> T at(Sheet.Row row, Table table, Function<Sheet.Row, T> read) {
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

    /** Products that are not on the Shelf yet are put there, with their labels. */
    private void shelve(Map<Table, List<Sheet.Row>> tables, UUID key, String by) {
        Map<String, String> claims = new HashMap<>();
        tables.get(Table.CLAIMS).forEach(r -> claims.put(r.at("product").toLowerCase(Locale.ROOT), r.at("label")));
        for (Sheet.Row row : tables.get(Table.PRODUCTS)) {
            String name = text(row, "name");
            String line = claims.getOrDefault(name.toLowerCase(Locale.ROOT), "");
            Optional<Product> there = products.named(name);
            if (line.isEmpty() || there.flatMap(Product::labelId).isPresent()) {
                continue;
            }
            labels.keep(new LabelKeeper.Draft(
                    there.map(Product::id),
                    name,
                    ProductKind.ofCode(row.at("kind")).orElse(ProductKind.OTHER),
                    0,
                    line,
                    LabelLine.read(line).label(),
                    UUID.nameUUIDFromBytes((key + " " + name).getBytes(java.nio.charset.StandardCharsets.UTF_8)),
                    by));
        }
    }

    private Bed bed(Sheet.Row row, Map<Table, List<Sheet.Row>> tables) {
        Outline outline = Outline.parse(row.at("outline"));
        BedShape shape = new BedShape(
                outline,
                tables.get(Table.TRIMS).stream()
                        .map(r -> at(
                                r,
                                Table.TRIMS,
                                t -> new BedShape.Trim(text(t, "label"), Outline.parse(t.at("outline")))))
                        .toList(),
                tables.get(Table.ZONES).stream()
                        .map(r -> at(
                                r,
                                Table.ZONES,
                                z -> new Zone(
                                        Zone.Kind.ofCode(z.at("kind")).orElseThrow(),
                                        text(z, "label"),
                                        number(z, "x_mm"),
                                        number(z, "y_mm"),
                                        number(z, "width_mm"),
                                        number(z, "height_mm"))))
                        .toList());
        return new Bed(
                store.bed(text(row, "name"), outline.print()).orElse(0L),
                text(row, "name"),
                row.at("vehicle"),
                Bed.Kind.ofCode(row.at("kind")).orElse(Bed.Kind.OTHER),
                shape,
                new Bed.Traits(
                        number(row, "tilt_deg"),
                        row.at("colour"),
                        Bed.Hardness.ofCode(row.at("hardness")).orElse(Bed.Hardness.AVERAGE),
                        row.at("carries"),
                        row.at("lives")));
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

    private static Contender contender(Sheet.Row row) {
        Contender.Role role = Contender.Role.valueOf(text(row, "role").toUpperCase(Locale.ROOT));
        boolean bare = role == Contender.Role.BARE;
        return new Contender(
                whole(row, "number"),
                bare ? "Bare" : text(row, "name"),
                role,
                bare ? WaterKind.REPELS : WaterKind.ofCode(row.at("water_kind")).orElseThrow(),
                bare
                        ? Contender.Source.BOUGHT
                        : Contender.Source.valueOf(text(row, "source").toUpperCase(Locale.ROOT)));
    }

    private static Section section(Sheet.Row row) {
        return new Section(
                text(row, "code"),
                whole(row, "contender"),
                whole(row, "block"),
                number(row, "x_mm"),
                number(row, "y_mm"),
                number(row, "width_mm"),
                number(row, "height_mm"),
                Boolean.parseBoolean(row.at("by_hand")));
    }

    private static Sheet.Row plan(
            Sheet.Row row, List<Plan.Planned> measures, List<Occasion> visits, List<Calendar.Work> works) {
        switch (row.at("what")) {
            case "measure" ->
                measures.add(new Plan.Planned(Measure.ofCode(row.at("code")).orElseThrow(), whole(row, "repeats")));
            case "visit" ->
                visits.add(new Occasion(
                        whole(row, "day"), Stage.ofCode(row.at("code")).orElseThrow()));
            case "work" ->
                works.add(new Calendar.Work(
                        "",
                        whole(row, "day"),
                        Calendar.Kind.valueOf(row.at("code").toUpperCase(Locale.ROOT)),
                        text(row, "title"),
                        row.at("why"),
                        false));
            default ->
                throw new IllegalArgumentException("“%s” is no part of a plan".formatted(Sheet.shown(row.at("what"))));
        }
        return row;
    }

    private static BundleStore.Exposure exposure(Sheet.Row row) {
        Happening.Kind kind = Happening.Kind.ofCode(row.at("kind")).orElseThrow();
        return new BundleStore.Exposure(
                whole(row, "day"), kind.code(), row.at("note"), Instant.parse(row.at("kept_at")), row.at("kept_by"));
    }

    private static BundleStore.Noted noted(Sheet.Row row) {
        return new BundleStore.Noted(
                new Deviation(
                        whole(row, "day"),
                        Deviation.Kind.ofCode(row.at("kind")).orElseThrow(),
                        Optional.of(row.at("section")).filter(s -> !s.isEmpty()),
                        row.at("words")),
                Instant.parse(row.at("at")),
                row.at("kept_by"));
    }

    /** Readings in generations, as one that replaces another must come after it. */
    private void readings(long study, List<Sheet.Row> rows, List<Section> sections) {
        Set<String> codes = new HashSet<>();
        sections.forEach(s -> codes.add(s.code()));
        List<KeptReading> waiting = new ArrayList<>();
        for (Sheet.Row row : rows) {
            KeptReading reading = at(row, Table.READINGS, BundleKeeper::reading);
            if (!codes.contains(reading.reading().section())) {
                throw new Wrong("readings.csv, line %d: there is no section %s. Nothing was stored."
                        .formatted(row.line(), Sheet.shown(reading.reading().section())));
            }
            waiting.add(reading);
        }
        Set<Long> kept = new HashSet<>();
        while (!waiting.isEmpty()) {
            List<KeptReading> next = waiting.stream()
                    .filter(r -> r.replaces().filter(b -> !kept.contains(b)).isEmpty())
                    .toList();
            if (next.isEmpty()) {
                throw new Wrong("readings.csv: reading %d replaces one that is not there. Nothing was stored."
                        .formatted(waiting.get(0).id()));
            }
            if (readings.keep(study, next) != next.size()) {
                throw new Wrong("readings.csv: not every reading found its section. Nothing was stored.");
            }
            next.forEach(r -> kept.add(r.id()));
            waiting.removeAll(new HashSet<>(next));
        }
    }

    private static KeptReading reading(Sheet.Row row) {
        Measure measure = Measure.ofCode(row.at("measure")).orElseThrow();
        double amount = number(row, "amount");
        Observation seen = switch (measure) {
            case PULL -> new Observation.Pull(amount);
            case DROP -> new Observation.DropShape(amount, number(row, "width_mm"));
            case LEFT_BEHIND -> new Observation.LeftBehind(amount);
            case GLOSS -> new Observation.Gloss(amount);
            case WATER_GRADE ->
                new Observation.Graded(WaterKind.ofCode(row.at("water_kind")).orElseThrow(), (int) amount);
        };
        return new KeptReading(
                Long.parseLong(text(row, "id")),
                new Reading(
                        text(row, "section"),
                        whole(row, "day"),
                        Stage.ofCode(row.at("stage")).orElseThrow(),
                        whole(row, "repeat"),
                        seen),
                Instant.parse(row.at("kept_at")),
                text(row, "kept_by"),
                row.at("replaces").isEmpty() ? Optional.empty() : Optional.of(Long.parseLong(row.at("replaces"))),
                row.at("struck_at").isEmpty()
                        ? Optional.empty()
                        : Optional.of(new KeptReading.Strike(
                                Instant.parse(row.at("struck_at")),
                                text(row, "struck_by"),
                                text(row, "struck_because"))));
    }

    private static ApplicationStore.Draft application(long study, Sheet.Row row, String by) {
        return new ApplicationStore.Draft(
                study,
                whole(row, "contender"),
                whole(row, "day"),
                row.at("job"),
                LabelLine.readDose(row.at("dose")).dose(),
                row.at("wait_seconds").isEmpty() ? Optional.empty() : Optional.of(number(row, "wait_seconds")),
                row.at("coats").isEmpty() ? Optional.empty() : Optional.of(whole(row, "coats")),
                UUID.randomUUID(),
                by);
    }
}
