package org.evensheen.app.backups;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.evensheen.app.page.Figures;

/**
 * The backups.
 *
 * @param last when the last one was made, in words
 * @param problem why none could be made; empty if that was not tried
 */
record BackupPage(String last, List<Row> rows, String folder, String problem) {

    /** A backup; without an address if it is not in this home. */
    record Row(String when, String by, String size, String sum, String file, String address) {}

    static BackupPage of(List<BackupStore.Made> made, Path folder, String problem, Clock clock) {
        DateTimeFormatter when =
                DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH).withZone(clock.getZone());
        return new BackupPage(
                made.isEmpty()
                        ? "No backup was made yet."
                        : "The last backup was made " + ago(made.get(0).madeAt(), clock.instant()) + ".",
                made.stream()
                        .map(m -> {
                            Path file = Path.of(m.file());
                            boolean here = file.startsWith(folder) && Files.isReadable(file);
                            return new Row(
                                    when.format(m.madeAt()),
                                    m.madeBy(),
                                    size(m.bytes()),
                                    m.sha256(),
                                    m.file(),
                                    here ? "/backups/%d/file".formatted(m.id()) : "");
                        })
                        .toList(),
                folder.toString(),
                problem);
    }

    private static String ago(Instant at, Instant now) {
        Duration ago = Duration.between(at, now);
        return ago.toMinutes() < 2
                ? "just now"
                : ago.toHours() < 2
                        ? ago.toMinutes() + " minutes ago"
                        : ago.toDays() < 2 ? ago.toHours() + " hours ago" : ago.toDays() + " days ago";
    }

    private static String size(long bytes) {
        return bytes < 1_000_000
                ? Figures.withUnit(Figures.compact(bytes / 1000.0, 3), "kB")
                : Figures.withUnit(Figures.compact(bytes / 1e6, 3), "MB");
    }
}
