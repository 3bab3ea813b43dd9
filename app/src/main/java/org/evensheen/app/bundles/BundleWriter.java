package org.evensheen.app.bundles;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.labels.Product;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.studies.KeptReading;
import org.evensheen.app.studies.Study;
import org.evensheen.core.label.Label;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.study.Contender;
import org.evensheen.core.water.WaterKind;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/** Writes a study as a bundle after the Frictionless Data Package standard, version 2. */
final class BundleWriter {
    /** Version of the bundle's tables; a reader refuses newer ones. */
    static final int VERSION = 5;

    static final String DESCRIPTOR = "datapackage.json";

    private final Study study;
    private final List<Product> products;
    private final List<BundleStore.Exposure> exposures;
    private final List<BundleStore.Noted> noted;
    private final List<BundleDayStore.Step> steps;
    private final List<BundleDayStore.Weather> weather;
    private final List<BundleTakeStore.Take> takes;
    private final Map<Long, Integer> takeOf;
    private final List<BundlePhotoStore.Photo> photos;

    BundleWriter(
            Study study,
            List<Product> products,
            List<BundleStore.Exposure> exposures,
            List<BundleStore.Noted> noted,
            List<BundleDayStore.Step> steps,
            List<BundleDayStore.Weather> weather,
            List<BundleTakeStore.Take> takes,
            Map<Long, Integer> takeOf,
            List<BundlePhotoStore.Photo> photos) {
        this.study = study;
        this.products = products;
        this.exposures = exposures;
        this.noted = noted;
        this.steps = steps;
        this.weather = weather;
        this.takes = takes;
        this.takeOf = takeOf;
        this.photos = photos;
    }

    /**
     * Writes it.
     *
     * @param pictures gives the picture of a photo by its id, one at a time
     */
    void write(OutputStream to, JsonMapper json, Instant now, LongFunction<byte[]> pictures) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(to, StandardCharsets.UTF_8)) {
            zip.putNextEntry(new ZipEntry(DESCRIPTOR));
            zip.write(json.writerWithDefaultPrettyPrinter().writeValueAsBytes(descriptor(now)));
            zip.closeEntry();
            for (Table table : Table.values()) {
                zip.putNextEntry(new ZipEntry(table.path()));
                Writer text = new OutputStreamWriter(zip, StandardCharsets.UTF_8);
                Sheet.write(table.names(), rows(table), text);
                text.flush();
                zip.closeEntry();
            }
            for (BundlePhotoStore.Photo photo : photos) {
                zip.putNextEntry(new ZipEntry(file(photo)));
                zip.write(pictures.apply(photo.id()));
                zip.closeEntry();
            }
        }
    }

    private static String file(BundlePhotoStore.Photo photo) {
        return BundlePhotoStore.FOLDER + photo.id() + ".jpg";
    }

    private Map<String, Object> descriptor(Instant now) {
        Map<String, Object> descriptor = new LinkedHashMap<>();
        descriptor.put("$schema", "https://datapackage.org/profiles/2.0/datapackage.json");
        descriptor.put("name", "study-" + study.id());
        descriptor.put("title", study.question());
        descriptor.put("created", now.toString());
        descriptor.put("evenSheenVersion", VERSION);
        descriptor.put(
                "resources",
                java.util.Arrays.stream(Table.values())
                        .map(BundleWriter::resource)
                        .toList());
        return descriptor;
    }

    private static Map<String, Object> resource(Table table) {
        Map<String, Object> resource = new LinkedHashMap<>();
        resource.put("name", table.title());
        resource.put("type", "table");
        resource.put("path", table.path());
        resource.put("scheme", "file");
        resource.put("format", "csv");
        resource.put("mediatype", "text/csv");
        resource.put("encoding", "utf-8");
        resource.put(
                "schema",
                Map.of(
                        "fields",
                        table.names().stream().map(n -> field(n, table.type(n))).toList()));
        return resource;
    }

    /** A field; times have parts of a second, which readers of the standard's first version take in no other format. */
    private static Map<String, Object> field(String name, String type) {
        return type.equals("datetime")
                ? Map.of("name", name, "type", type, "format", "any")
                : Map.of("name", name, "type", type);
    }

    private static List<@Nullable Object> row(@Nullable Object... cells) {
        List<@Nullable Object> row = new ArrayList<>();
        for (Object cell : cells) {
            row.add(cell instanceof Double d ? plain(d) : cell);
        }
        return row;
    }

    private static String plain(double value) {
        BigDecimal exact = new BigDecimal(Double.toString(value)).stripTrailingZeros();
        return exact.toPlainString();
    }

    private List<List<@Nullable Object>> rows(Table table) {
        Bed bed = study.bed();
        return switch (table) {
            case STUDY ->
                List.of(row(
                        study.question(),
                        study.firstDay(),
                        study.record().seed(),
                        study.keyOpened().isPresent(),
                        study.record().plan().course().code()));
            case BED ->
                List.of(row(
                        bed.name(),
                        bed.vehicle(),
                        bed.kind().code(),
                        bed.shape().outline().print(),
                        bed.traits().tiltDegrees(),
                        bed.traits().colour(),
                        bed.traits().hardness().code(),
                        bed.traits().carries(),
                        bed.traits().lives()));
            case TRIMS ->
                bed.shape().trims().stream()
                        .map(t -> row(t.label(), t.outline().print()))
                        .toList();
            case ZONES ->
                bed.shape().zones().stream()
                        .map(z -> row(z.kind().code(), z.label(), z.xMm(), z.yMm(), z.widthMm(), z.heightMm()))
                        .toList();
            case PRODUCTS ->
                products.stream().map(p -> row(p.name(), p.kind().code())).toList();
            case CLAIMS ->
                products.stream()
                        .filter(p -> !p.label().claims().isEmpty())
                        .map(p -> row(p.name(), p.label().print()))
                        .toList();
            case CONTENDERS ->
                study.record().contenders().stream().map(this::contender).toList();
            case SECTIONS ->
                study.record().sections().stream()
                        .map(s -> row(
                                s.code(),
                                s.contender(),
                                s.row(),
                                s.xMm(),
                                s.yMm(),
                                s.widthMm(),
                                s.heightMm(),
                                s.byHand(),
                                s.name()))
                        .toList();
            case PLAN -> plan();
            case EXPOSURES ->
                exposures.stream()
                        .map(e -> row(
                                e.day(),
                                e.kind(),
                                e.note(),
                                e.keptAt(),
                                e.keptBy(),
                                e.step(),
                                e.minute().orElse(null)))
                        .toList();
            case NOTED ->
                noted.stream()
                        .map(n -> row(
                                n.what().day(),
                                n.what().kind().code(),
                                n.what().section().orElse(null),
                                n.what().words(),
                                n.at(),
                                n.by()))
                        .toList();
            case STEPS ->
                steps.stream()
                        .map(s -> row(s.day(), s.step(), s.passed(), s.note(), s.given(), s.used(), s.at(), s.keptBy()))
                        .toList();
            case WEATHER ->
                weather.stream()
                        .map(w -> row(
                                w.day(),
                                w.airC(),
                                w.humidity(),
                                w.panelC(),
                                w.windMS(),
                                w.light(),
                                w.hardnessMgL(),
                                w.darkAt(),
                                w.at(),
                                w.keptBy()))
                        .toList();
            case SEEN ->
                study.seen().stream()
                        .map(s -> row(
                                s.day(),
                                s.why().code(),
                                s.sections().stream().sorted().collect(Collectors.joining(" ")),
                                s.at(),
                                s.by()))
                        .toList();
            case TAKES ->
                takes.stream()
                        .map(t -> row(
                                t.id(),
                                t.instrument(),
                                t.amount(),
                                t.second(),
                                t.hertz(),
                                t.samples(),
                                t.said(),
                                t.at(),
                                t.keptBy()))
                        .toList();
            case PHOTOS ->
                photos.stream()
                        .map(p ->
                                row(file(p), p.section(), p.day(), p.stage(), p.note(), p.at(), p.keptAt(), p.keptBy()))
                        .toList();
            case READINGS -> study.readings().stream().map(this::reading).toList();
            case DEVIATIONS ->
                study.record().applications().stream()
                        .map(a -> row(
                                a.contender(),
                                a.day(),
                                a.job(),
                                a.dose().map(Dose::print).orElse(null),
                                a.waitSeconds().orElse(null),
                                a.coats().orElse(null),
                                a.label().map(Label::print).orElse(null),
                                a.section().orElse(null),
                                a.given()))
                        .toList();
        };
    }

    private List<@Nullable Object> contender(Contender c) {
        return row(
                c.number(),
                c.role().name().toLowerCase(Locale.ROOT),
                c.isControl() ? c.name() : c.made(),
                c.water().map(WaterKind::code).orElse(null),
                c.isControl() ? null : c.source().name().toLowerCase(Locale.ROOT),
                c.isControl() ? null : c.kind().code(),
                c.way());
    }

    private List<List<@Nullable Object>> plan() {
        List<List<@Nullable Object>> rows = new ArrayList<>();
        var plan = study.record().plan();
        for (int i = 0; i < plan.measures().size(); i++) {
            rows.add(row(
                    "measure",
                    i,
                    null,
                    plan.measures().get(i).measure().code(),
                    plan.measures().get(i).repeats(),
                    null,
                    null));
        }
        plan.visits().forEach(v -> rows.add(row("visit", null, v.day(), v.look().code(), null, null, null)));
        for (int i = 0; i < study.works().size(); i++) {
            var work = study.works().get(i);
            rows.add(row("work", i, work.day(), work.kind().code(), null, work.title(), work.why()));
        }
        return rows;
    }

    private List<@Nullable Object> reading(KeptReading kept) {
        Observation seen = kept.reading().seen();
        return row(
                kept.id(),
                kept.reading().section(),
                kept.reading().day(),
                kept.reading().at().look().code(),
                kept.reading().measure().code(),
                kept.reading().repeat(),
                seen.line(),
                kept.keptAt(),
                kept.keptBy(),
                kept.replaces().orElse(null),
                kept.strike().map(KeptReading.Strike::at).orElse(null),
                kept.strike().map(KeptReading.Strike::by).orElse(null),
                kept.strike().map(KeptReading.Strike::because).orElse(null),
                takeOf.get(kept.id()));
    }
}
