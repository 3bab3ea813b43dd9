package org.evensheen.app.bundles;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.labels.LabelStore;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Errors;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.readings.ReadingBatchStore;
import org.evensheen.app.studies.ApplicationStore;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.NewStudyStore;
import org.evensheen.app.studies.StudyDraft;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.layout.Zone;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.schedule.OurTime;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.CodeOrder;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.units.PlainText;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Brings the parts of a bundle in as a study: all of it or nothing. */
@Component
class BundleKeeper {
    private final BundleStore store;
    private final BundleDayStore days;
    private final BundleTakeStore takes;
    private final BundlePhotoStore photos;
    private final NewStudyStore maker;
    private final Key names;
    private final ReadingBatchStore readings;
    private final ApplicationStore applications;
    private final ProductStore products;
    private final LabelStore labels;
    private final TransactionTemplate transaction;

    BundleKeeper(
            BundleStore store,
            BundleDayStore days,
            BundleTakeStore takes,
            BundlePhotoStore photos,
            NewStudyStore maker,
            Key names,
            ReadingBatchStore readings,
            ApplicationStore applications,
            ProductStore products,
            LabelStore labels,
            TransactionTemplate transaction) {
        this.store = store;
        this.days = days;
        this.takes = takes;
        this.photos = photos;
        this.maker = maker;
        this.names = names;
        this.readings = readings;
        this.applications = applications;
        this.products = products;
        this.labels = labels;
        this.transaction = transaction;
    }

    /** A study brought in, or what is wrong with the bundle. */
    record Outcome(Optional<Long> study, List<String> problems) {}

    Outcome bringIn(Map<Table, List<Sheet.Row>> tables, BundlePhotoStore.Files files, UUID key, Hands hands) {
        Optional<Long> before = store.broughtIn(key);
        if (before.isPresent()) {
            return new Outcome(before, List.of());
        }
        try {
            return new Outcome(
                    Optional.ofNullable(transaction.execute(status -> keep(tables, files, key, hands))), List.of());
        } catch (Rows.Wrong e) {
            return new Outcome(Optional.empty(), List.of(String.valueOf(e.getMessage())));
        } catch (DataIntegrityViolationException e) {
            return new Outcome(
                    Optional.empty(),
                    List.of("The bundle holds something that can't be: %s. Nothing was stored."
                            .formatted(Errors.constraint(e))));
        } catch (IllegalArgumentException e) {
            return new Outcome(
                    Optional.empty(),
                    List.of("The bundle holds something that can't be: %s. Nothing was stored."
                            .formatted(e.getMessage())));
        }
    }

    private long keep(Map<Table, List<Sheet.Row>> tables, BundlePhotoStore.Files files, UUID key, Hands hands) {
        Sheet.Row head = Rows.only(tables, Table.STUDY);
        shelve(tables, key, hands.name());
        List<Contender> contenders = tables.get(Table.CONTENDERS).stream()
                .map(row -> Rows.at(row, Table.CONTENDERS, Rows::contender))
                .sorted(java.util.Comparator.comparingInt(Contender::number))
                .toList();
        List<Section> sections = tables.get(Table.SECTIONS).stream()
                .map(row -> Rows.at(row, Table.SECTIONS, Rows::section))
                .toList();
        if (contenders.isEmpty() || sections.isEmpty()) {
            throw new Rows.Wrong("The bundle has no contenders or no sections. Nothing was stored.");
        }
        for (int i = 0; i < contenders.size(); i++) {
            if (contenders.get(i).number() != i) {
                throw new Rows.Wrong("contenders.csv: numbers must run from 0 without a gap.");
            }
        }
        sections.stream()
                .filter(s -> s.contender() < 0 || s.contender() >= contenders.size())
                .findFirst()
                .ifPresent(s -> {
                    throw new Rows.Wrong(
                            "sections.csv: section %s carries contender %d, and there is none of that number. Nothing was stored."
                                    .formatted(Sheet.shown(s.code()), s.contender()));
                });
        contenders.stream()
                .filter(c -> sections.stream().noneMatch(s -> s.contender() == c.number()))
                .findFirst()
                .ifPresent(c -> {
                    throw new Rows.Wrong(
                            "contenders.csv: no section holds contender %d. Nothing was stored.".formatted(c.number()));
                });
        CodeOrder order = CodeOrder.of(contenders, sections);
        List<Plan.Planned> measures = new ArrayList<>();
        List<Occasion> visits = new ArrayList<>();
        List<Calendar.Work> works = new ArrayList<>();
        tables.get(Table.PLAN).forEach(row -> Rows.at(row, Table.PLAN, r -> Rows.plan(r, measures, visits, works)));
        Course course = Rows.at(head, Table.STUDY, Rows::course);
        Bed bed = Rows.at(Rows.only(tables, Table.BED), Table.BED, row -> bed(row, tables));
        sections.stream()
                .filter(s -> !bed.shape().outline().holds(s.xMm(), s.yMm(), s.widthMm(), s.heightMm()))
                .findFirst()
                .ifPresent(s -> {
                    throw new Rows.Wrong("sections.csv: section %s does not lie on the bed. Nothing was stored."
                            .formatted(Sheet.shown(s.code())));
                });
        long study = maker.make(new StudyDraft(
                Rows.name(head, "question"),
                bed,
                Rows.at(head, Table.STUDY, r -> OurTime.day(r.at("first_day"))),
                Rows.at(head, Table.STUDY, r -> Long.parseLong(r.at("seed"))),
                contenders,
                sections,
                new Plan(measures, visits, course),
                works,
                key));
        store.keep(
                study,
                tables.get(Table.EXPOSURES).stream()
                        .map(row -> Rows.at(row, Table.EXPOSURES, Rows::exposure))
                        .toList(),
                key);
        store.keepNoted(
                study,
                tables.get(Table.NOTED).stream()
                        .map(row -> Rows.at(row, Table.NOTED, Rows::noted))
                        .toList(),
                key);
        days.keep(
                study,
                tables.get(Table.STEPS).stream()
                        .map(row -> Rows.at(row, Table.STEPS, BundleDayStore::step))
                        .toList(),
                tables.get(Table.WEATHER).stream()
                        .map(row -> Rows.at(row, Table.WEATHER, BundleDayStore::weather))
                        .toList(),
                key);
        takes.keep(
                study,
                tables.get(Table.TAKES).stream()
                        .map(row -> Rows.at(row, Table.TAKES, BundleTakeStore::take))
                        .toList(),
                key);
        readings(study, course, tables.get(Table.READINGS), sections, takes(tables.get(Table.READINGS), key));
        for (Sheet.Row row : tables.get(Table.PHOTOS)) {
            if (!row.at("section").isEmpty()
                    && sections.stream().noneMatch(s -> s.code().equals(row.at("section")))) {
                throw new Rows.Wrong("photos.csv, line %d: there is no section %s. Nothing was stored."
                        .formatted(row.line(), Sheet.shown(row.at("section"))));
            }
            Rows.at(row, Table.PHOTOS, r -> {
                photos.keep(study, r, files, key);
                return r;
            });
        }
        tables.get(Table.SEEN)
                .forEach(row -> Rows.at(row, Table.SEEN, r -> {
                    store.keepSeen(
                            study,
                            r,
                            UUID.nameUUIDFromBytes((key + " seen " + r.line()).getBytes(StandardCharsets.UTF_8)));
                    return r;
                }));
        for (Sheet.Row row : tables.get(Table.DEVIATIONS)) {
            applications.keep(
                    Rows.at(row, Table.DEVIATIONS, r -> Rows.application(study, r, order, sections, hands.name())));
        }
        if (Boolean.parseBoolean(head.at("key_open"))) {
            names.open(study, hands);
        }
        return study;
    }

    /** Which take filled which reading, by the reading's number in the bundle. */
    private static Map<Long, UUID> takes(List<Sheet.Row> rows, UUID key) {
        Map<Long, UUID> takes = new HashMap<>();
        rows.stream()
                .filter(row -> !row.at("take").isEmpty())
                .forEach(row -> Rows.at(
                        row,
                        Table.READINGS,
                        r -> takes.put(Long.parseLong(r.at("id")), BundleTakeStore.id(key, Rows.whole(r, "take")))));
        return takes;
    }

    /** Products that are not on the Shelf yet are put there, with their labels. */
    private void shelve(Map<Table, List<Sheet.Row>> tables, UUID key, String by) {
        Map<String, String> claims = new HashMap<>();
        tables.get(Table.CLAIMS).forEach(r -> claims.put(r.at("product").toLowerCase(Locale.ROOT), r.at("label")));
        for (Sheet.Row row : tables.get(Table.PRODUCTS)) {
            String name = Rows.name(row, "name");
            String line = claims.getOrDefault(name.toLowerCase(Locale.ROOT), "");
            Optional<Product> there = products.named(name);
            if (line.isEmpty() || there.flatMap(Product::labelId).isPresent()) {
                continue;
            }
            labels.keep(new LabelStore.Draft(
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
                        .map(r -> Rows.at(
                                r,
                                Table.TRIMS,
                                t -> new BedShape.Trim(Rows.name(t, "label"), Outline.parse(t.at("outline")))))
                        .toList(),
                tables.get(Table.ZONES).stream()
                        .map(r -> Rows.at(
                                r,
                                Table.ZONES,
                                z -> new Zone(
                                        Zone.Kind.ofCode(z.at("kind")).orElseThrow(),
                                        Rows.name(z, "label"),
                                        Rows.number(z, "x_mm"),
                                        Rows.number(z, "y_mm"),
                                        Rows.number(z, "width_mm"),
                                        Rows.number(z, "height_mm"))))
                        .toList());
        return new Bed(
                store.bed(Rows.name(row, "name"), outline.print()).orElse(0L),
                Rows.name(row, "name"),
                PlainText.line(row.at("vehicle")),
                Bed.Kind.ofCode(row.at("kind")).orElse(Bed.Kind.OTHER),
                shape,
                new Bed.Traits(
                        Rows.number(row, "tilt_deg"),
                        row.at("colour"),
                        Bed.Hardness.ofCode(row.at("hardness")).orElse(Bed.Hardness.AVERAGE),
                        row.at("carries"),
                        row.at("lives")));
    }

    /** Readings in generations, as one that replaces another must come after it. */
    private void readings(
            long study, Course course, List<Sheet.Row> rows, List<Section> sections, Map<Long, UUID> takeOf) {
        Set<String> codes = new HashSet<>();
        sections.forEach(s -> codes.add(s.code()));
        List<KeptReading> waiting = new ArrayList<>();
        for (Sheet.Row row : rows) {
            KeptReading reading = Rows.at(row, Table.READINGS, Rows::reading);
            if (!codes.contains(reading.reading().section())) {
                throw new Rows.Wrong("readings.csv, line %d: there is no section %s. Nothing was stored."
                        .formatted(row.line(), Sheet.shown(reading.reading().section())));
            }
            if (!course.stages().contains(reading.reading().stage())) {
                throw new Rows.Wrong("readings.csv, line %d: %s has no stage “%s”. Nothing was stored."
                        .formatted(row.line(), course.label(), Sheet.shown(row.at("stage"))));
            }
            waiting.add(reading);
        }
        Set<Long> kept = new HashSet<>();
        while (!waiting.isEmpty()) {
            List<KeptReading> next = waiting.stream()
                    .filter(r -> r.replaces().filter(b -> !kept.contains(b)).isEmpty())
                    .toList();
            if (next.isEmpty()) {
                throw new Rows.Wrong("readings.csv: reading %d replaces one that is not there. Nothing was stored."
                        .formatted(waiting.get(0).id()));
            }
            if (readings.keep(study, next, takeOf) != next.size()) {
                throw new Rows.Wrong("readings.csv: not every reading found its section. Nothing was stored.");
            }
            next.forEach(r -> kept.add(r.id()));
            waiting.removeAll(new HashSet<>(next));
        }
    }
}
