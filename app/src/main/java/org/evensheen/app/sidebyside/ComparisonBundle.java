package org.evensheen.app.sidebyside;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.evensheen.app.page.Refused;
import org.evensheen.app.pictures.Picture;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** A comparison as one file with everything in it, and back; docs/formats.md describes it. */
@Component
class ComparisonBundle {
    static final String FORMAT = "even-sheen-comparison/1";
    private static final String DOCUMENT = "comparison.json";
    static final long MOST_BYTES = 64L * 1024 * 1024;
    private static final int MOST_FILES = 400;
    private static final int MOST_SAID = 4000;

    private final ComparisonStore store;
    private final ComparisonBundleStore rows;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    ComparisonBundle(
            ComparisonStore store, ComparisonBundleStore rows, TransactionTemplate transaction, JsonMapper json) {
        this.store = store;
        this.rows = rows;
        this.transaction = transaction;
        this.json = json;
    }

    /** Everything of a comparison but the pictures themselves. */
    record Document(
            String format,
            UUID key,
            String kind,
            String shape,
            long seed,
            List<String> asked,
            Instant begun,
            String by,
            List<Contender> contenders,
            List<Place> places,
            List<Answer> said,
            List<Photo> photos) {}

    record Contender(int number, String name, String way) {}

    record Place(
            String code,
            int contender,
            int round,
            double x,
            double y,
            double width,
            double height,
            boolean byHand,
            String name) {}

    record Answer(String step, String value, String by, boolean knew, Instant at, UUID key) {}

    record Photo(String file, String code, String step, Instant at, String by, UUID key) {}

    byte[] write(long id) {
        Document document = rows.document(id);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes, StandardCharsets.UTF_8)) {
            zip.putNextEntry(new ZipEntry(DOCUMENT));
            zip.write(json.writerWithDefaultPrettyPrinter().writeValueAsBytes(document));
            for (Photo photo : document.photos()) {
                zip.putNextEntry(new ZipEntry(photo.file()));
                zip.write(rows.picture(photo.key()));
            }
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /**
     * Brings one in, whole or not at all; once, however often it is sent.
     *
     * @return its id
     * @throws Refused if it is no such bundle, with what is wrong
     */
    long read(byte[] file) {
        Map<String, byte[]> files = unpacked(file);
        Document document = document(files);
        Map<Photo, Picture> pictures = new HashMap<>();
        for (Photo photo : document.photos()) {
            byte[] bytes = files.get(photo.file());
            if (bytes == null) {
                throw new Refused("The photo “%s” is missing from the bundle. Nothing was stored."
                        .formatted(org.evensheen.app.page.Sheet.shown(photo.file())));
            }
            try {
                pictures.put(photo, Picture.of(() -> bytes));
            } catch (Picture.Unfit | IOException e) {
                throw new Refused(
                        "A photo of the bundle can't be read: %s Nothing was stored.".formatted(e.getMessage()));
            }
        }
        Long id = transaction.execute(status -> {
            long made = rows.keep(document, pictures);
            try {
                store.load(made);
            } catch (RuntimeException e) {
                throw new Refused(
                        "The bundle does not hold together: %s. Nothing was stored.".formatted(e.getMessage()));
            }
            return made;
        });
        return id;
    }

    private Document document(Map<String, byte[]> files) {
        byte[] text = files.get(DOCUMENT);
        if (text == null) {
            throw new Refused(
                    "This bundle holds no comparison. Choose the .zip that a sheet exports; nothing was stored.");
        }
        try {
            Document d = json.readValue(text, Document.class);
            if (!FORMAT.equals(d.format())) {
                throw new Refused("This bundle is not %s. Nothing was stored.".formatted(FORMAT));
            }
            boolean whole = d.key() != null
                    && d.contenders() != null
                    && d.places() != null
                    && d.said() != null
                    && d.photos() != null
                    && d.asked() != null
                    && d.begun() != null
                    && d.said().size() <= MOST_SAID;
            if (!whole) {
                throw new Refused("The bundle breaks off: something of the comparison is missing. Nothing was stored.");
            }
            return d;
        } catch (JacksonException e) {
            throw new Refused("The bundle's %s can't be read. Nothing was stored.".formatted(DOCUMENT));
        }
    }

    private static Map<String, byte[]> unpacked(byte[] file) {
        Map<String, byte[]> files = new HashMap<>();
        long left = MOST_BYTES;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file), StandardCharsets.UTF_8)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                byte[] content = zip.readNBytes((int) Math.min(Integer.MAX_VALUE - 8, left + 1));
                left -= content.length;
                if (left < 0 || files.size() >= MOST_FILES) {
                    throw new Refused("Unpacked, the bundle is larger than a comparison can be. Nothing was stored.");
                }
                files.put(entry.getName(), content);
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new Refused(
                    "The bundle breaks off or is no zip file. Choose the .zip that a sheet exports; nothing was stored.");
        }
        return files;
    }
}
