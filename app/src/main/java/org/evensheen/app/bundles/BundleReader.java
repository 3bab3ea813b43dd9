package org.evensheen.app.bundles;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.pictures.Picture;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Takes a bundle apart, in memory and within limits; nothing is ever written to a path that a bundle names. */
final class BundleReader {
    static final long MOST_BYTES = 96L * 1024 * 1024;
    private static final int MOST_FILES = 40;
    private static final int BUFFER = 16 * 1024;

    /** Rows by table, or what is wrong. */
    record Parts(Map<Table, List<Sheet.Row>> tables, List<String> problems) {
        static Parts wrong(String... problems) {
            return new Parts(Map.of(), List.of(problems));
        }
    }

    private BundleReader() {}

    /** Takes a bundle apart; its photos stay in the file and are read when each is kept. */
    static Parts read(Path bundle, JsonMapper json) {
        Map<String, byte[]> files = new HashMap<>();
        long left = MOST_BYTES;
        try (ZipFile zip = new ZipFile(bundle.toFile(), StandardCharsets.UTF_8)) {
            Set<String> names = new HashSet<>();
            for (ZipEntry entry : Collections.list(zip.entries())) {
                String name = entry.getName();
                if (name.contains("..") || name.startsWith("/") || name.contains("\\") || name.contains(":")) {
                    return Parts.wrong(
                            "The bundle holds a file that would climb out of its folder: “%s”. Nothing was stored."
                                    .formatted(Sheet.shown(name)));
                }
                if (!names.add(name)) {
                    return Parts.wrong("The bundle holds “%s” twice.".formatted(Sheet.shown(name)));
                }
                if (name.startsWith(BundlePhotoStore.FOLDER)) {
                    continue;
                }
                if (files.size() >= MOST_FILES) {
                    return Parts.wrong("The bundle holds more than %d files besides photos; ours has %d."
                            .formatted(MOST_FILES, Table.values().length + 1));
                }
                byte[] content = content(zip.getInputStream(entry), left);
                left -= content.length;
                files.put(name, content);
            }
        } catch (TooLarge e) {
            return Parts.wrong("Unpacked, the bundle is larger than %d MB. Nothing was stored."
                    .formatted(MOST_BYTES / 1024 / 1024));
        } catch (IOException | IllegalArgumentException e) {
            return Parts.wrong(
                    "The bundle breaks off or is no zip file. Choose the .zip that “Files” exports; nothing was stored.");
        }
        return files.isEmpty()
                ? Parts.wrong("This is no zip file. Choose the .zip that “Files” exports; nothing was stored.")
                : tables(files, json);
    }

    /** The file of a photo, if it is there and no larger than one that is kept can be. */
    static byte[] photo(Path bundle, String name) throws IOException {
        try (ZipFile zip = new ZipFile(bundle.toFile(), StandardCharsets.UTF_8)) {
            ZipEntry entry = name.startsWith(BundlePhotoStore.FOLDER) ? zip.getEntry(name) : null;
            if (entry == null) {
                throw new IOException("The file of this photo is missing.");
            }
            return content(zip.getInputStream(entry), Picture.MOST_BYTES);
        }
    }

    private static final class TooLarge extends IOException {
        private static final long serialVersionUID = 1;

        TooLarge() {
            super("It is too large.");
        }
    }

    private static byte[] content(InputStream zip, long left) throws IOException {
        ByteArrayOutputStream content = new ByteArrayOutputStream();
        byte[] buffer = new byte[BUFFER];
        for (int read = zip.read(buffer); read >= 0; read = zip.read(buffer)) {
            if (content.size() + read > left) {
                throw new TooLarge();
            }
            content.write(buffer, 0, read);
        }
        return content.toByteArray();
    }

    private static Parts tables(Map<String, byte[]> files, JsonMapper json) {
        byte[] descriptor = files.get(BundleWriter.DESCRIPTOR);
        if (descriptor == null) {
            return Parts.wrong(
                    "The bundle has no %s, so what its files mean is not known.".formatted(BundleWriter.DESCRIPTOR));
        }
        Map<Table, String> paths = new EnumMap<>(Table.class);
        int version;
        try {
            JsonNode root = json.readTree(descriptor);
            version = root.path("evenSheenVersion").asInt(0);
            if (version < 1) {
                return Parts.wrong(
                        "%s does not say that this is a study of Even Sheen.".formatted(BundleWriter.DESCRIPTOR));
            }
            if (version > BundleWriter.VERSION) {
                return Parts.wrong(
                        "The bundle is of version %d; this program reads up to %d. Bring it in with a newer Even Sheen. Nothing was stored."
                                .formatted(version, BundleWriter.VERSION));
            }
            for (JsonNode resource : root.path("resources")) {
                Table.at(resource.path("name").asString("") + ".csv")
                        .ifPresent(t -> paths.put(t, resource.path("path").asString("")));
            }
        } catch (JacksonException e) {
            return Parts.wrong("%s breaks off or is no JSON.".formatted(BundleWriter.DESCRIPTOR));
        }
        Map<Table, List<Sheet.Row>> tables = new EnumMap<>(Table.class);
        List<String> problems = new ArrayList<>();
        for (Table table : Table.values()) {
            byte[] file = files.get(paths.getOrDefault(table, ""));
            if (file == null && table.since() > version) {
                tables.put(table, List.of());
                continue;
            }
            if (file == null) {
                problems.add("The table %s is missing.".formatted(table.title()));
                continue;
            }
            Sheet sheet = Sheet.read(file, table.names(version), table.everNames(), table.most());
            sheet.problems().forEach(p -> problems.add(table.path() + ": " + p));
            tables.put(table, sheet.rows());
        }
        return problems.isEmpty()
                ? new Parts(tables, List.of())
                : new Parts(Map.of(), problems.stream().limit(8).toList());
    }
}
