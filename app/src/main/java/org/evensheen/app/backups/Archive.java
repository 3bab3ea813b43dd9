package org.evensheen.app.backups;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * The file of a backup: a zip of one dump a database and a manifest with the sum of each. docs/formats.md describes it. It appears under its
 * name only when it is whole and was read back.
 */
final class Archive {
    static final String FORMAT = "even-sheen-backup/1";
    private static final String MANIFEST = "manifest.json";
    private static final JsonMapper JSON = new JsonMapper();

    private Archive() {}

    /** A database in it: its name, and the file of its dump with length and SHA-256. */
    record Part(String database, String file, long bytes, String sha256) {}

    /** What is in a backup, and when it was made. */
    record Manifest(String format, Instant made, String by, List<Part> parts) {}

    /** The file is not what it should be; the message says what is wrong and what to do. */
    static final class Damaged extends IOException {
        private static final long serialVersionUID = 1;

        Damaged(String message) {
            super(message);
        }

        Damaged(String message, Throwable cause) {
            super(message, cause);
        }
    }

    /** Something that can be dumped. */
    interface Source {
        String name();

        /** Writes its dump into a file. */
        void dump(Path to) throws IOException;
    }

    /**
     * Writes a backup and reads it back.
     *
     * @param file where it is to be; what is there already is not touched
     * @throws IOException if it is there already, can't be written, or does not read back as it was written
     */
    static Manifest write(Path file, List<? extends Source> sources, Instant now, String by) throws IOException {
        if (Files.exists(file)) {
            throw new IOException("%s is there already. Choose another name; nothing was overwritten.".formatted(file));
        }
        Path folder = file.toAbsolutePath().getParent();
        if (!Files.isDirectory(folder) || !Files.isWritable(folder)) {
            throw new IOException("%s is no folder that can be written to.".formatted(folder));
        }
        Path begun = Files.createTempFile(folder, ".even-sheen-", ".part");
        try {
            List<Part> parts = new ArrayList<>();
            try (OutputStream out = Files.newOutputStream(begun);
                    ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
                zip.setLevel(1);
                for (Source source : sources) {
                    parts.add(add(zip, source, folder));
                }
                zip.putNextEntry(new ZipEntry(MANIFEST));
                zip.write(
                        JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(new Manifest(FORMAT, now, by, parts)));
                zip.closeEntry();
            }
            Manifest read = verify(begun);
            // A hard link fails where somebody made the name meanwhile; a move would overwrite.
            Files.move(begun, file, StandardCopyOption.ATOMIC_MOVE);
            return read;
        } finally {
            Files.deleteIfExists(begun);
        }
    }

    private static Part add(ZipOutputStream zip, Source source, Path folder) throws IOException {
        Path dump = Files.createTempFile(folder, ".even-sheen-", ".dump");
        try {
            source.dump(dump);
            String name = source.name() + ".dump";
            zip.putNextEntry(new ZipEntry(name));
            try (InputStream in = Files.newInputStream(dump)) {
                in.transferTo(zip);
            }
            zip.closeEntry();
            return new Part(source.name(), name, Files.size(dump), sum(Files.newInputStream(dump)));
        } finally {
            Files.deleteIfExists(dump);
        }
    }

    /**
     * Reads a backup whole and holds every part against its sum.
     *
     * @throws Damaged if anything of it is not as it was written
     */
    static Manifest verify(Path file) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8)) {
            ZipEntry entry = zip.getEntry(MANIFEST);
            if (entry == null) {
                throw new Damaged("%s is no backup of Even Sheen: it has no manifest.".formatted(file));
            }
            Manifest manifest = JSON.readValue(zip.getInputStream(entry).readAllBytes(), Manifest.class);
            if (!FORMAT.equals(manifest.format()) || manifest.parts() == null) {
                throw new Damaged(
                        "%s is of the format %s; this program reads %s. Bring it back with the Even Sheen that made it."
                                .formatted(file, manifest.format(), FORMAT));
            }
            for (Part part : manifest.parts()) {
                ZipEntry dump = zip.getEntry(part.file());
                if (dump == null || !sum(zip.getInputStream(dump)).equals(part.sha256())) {
                    throw new Damaged(
                            "%s is damaged: %s is not as it was written. Take an older backup; nothing was changed."
                                    .formatted(file, part.file()));
                }
            }
            return manifest;
        } catch (java.util.zip.ZipException | JacksonException | IllegalArgumentException e) {
            throw new Damaged("%s breaks off or is no backup of Even Sheen. Nothing was changed.".formatted(file), e);
        }
    }

    /** Takes a part out into a file. */
    static void extract(Path file, Part part, Path to) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8);
                InputStream in = zip.getInputStream(zip.getEntry(part.file()))) {
            Files.copy(in, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** SHA-256 of a file, as hexadecimal digits. */
    static String sum(Path file) throws IOException {
        return sum(Files.newInputStream(file));
    }

    private static String sum(InputStream from) throws IOException {
        try (DigestInputStream in = new DigestInputStream(from, MessageDigest.getInstance("SHA-256"))) {
            in.transferTo(OutputStream.nullOutputStream());
            return HexFormat.of().formatHex(in.getMessageDigest().digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
