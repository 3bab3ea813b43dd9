package org.evensheen.app.backups;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * Backups by the command line, for {@code ./run}.
 *
 * <pre>
 * backup FILE NAME=JDBC …     writes a backup of databases and reads it back
 * verify FILE                 reads a backup, and prints the names of its databases
 * restore FILE NAME=JDBC …    brings its databases into empty ones
 * </pre>
 *
 * <p>Passwords come in {@code EVEN_SHEEN_DB_PASSWORD}. What goes wrong is said in one line, and the exit code is 1.
 */
public final class Program {
    private Program() {}

    @SuppressWarnings("PMD.SystemPrintln")
    public static void main(String[] arguments) {
        try {
            System.out.println(run(List.of(arguments)));
        } catch (IOException | SQLException | IllegalArgumentException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }

    static String run(List<String> arguments) throws IOException, SQLException {
        if (arguments.size() < 2) {
            throw new IllegalArgumentException(
                    "usage: backup FILE NAME=JDBC … | verify FILE | restore FILE NAME=JDBC …");
        }
        Path file = Path.of(arguments.get(1));
        List<String> databases = arguments.subList(2, arguments.size());
        return switch (arguments.get(0)) {
            case "backup" -> backup(file, databases);
            case "verify" -> names(file);
            case "restore" -> restore(file, databases);
            default -> throw new IllegalArgumentException("There is no command " + arguments.get(0) + ".");
        };
    }

    private static String backup(Path file, List<String> databases) throws IOException, SQLException {
        List<Archive.Source> sources = new ArrayList<>();
        List<Long> kept = new ArrayList<>();
        for (String database : databases) {
            sources.add(database(database));
            kept.add(kept(database));
        }
        Archive.write(file, sources, Instant.now(), "./run backup");
        String sum = Archive.sum(file);
        for (int i = 0; i < databases.size(); i++) {
            note(databases.get(i), file, sum, kept.get(i));
        }
        return "Kept and read back: %s, %d kB, SHA-256 %s".formatted(file, Files.size(file) / 1024, sum);
    }

    private static String names(Path file) throws IOException {
        if (!Files.isReadable(file)) {
            throw new IOException("There is no file %s that can be read.".formatted(file));
        }
        return String.join(
                "\n",
                Archive.verify(file).parts().stream()
                        .map(Archive.Part::database)
                        .toList());
    }

    private static String restore(Path file, List<String> databases) throws IOException {
        Archive.Manifest manifest = Archive.verify(file);
        for (Archive.Part part : manifest.parts()) {
            String database = databases.stream()
                    .filter(d -> d.startsWith(part.database() + "="))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("There is no place for " + part.database() + "."));
            Path dump = Files.createTempFile("even-sheen-", ".dump");
            try {
                Archive.extract(file, part, dump);
                database(database).restore(dump);
            } finally {
                Files.deleteIfExists(dump);
            }
        }
        return "Brought back what was kept by %s.".formatted(manifest.made());
    }

    private static Database database(String named) {
        return Database.of(named.split("=", 2)[0], jdbc(named), "", password());
    }

    private static String jdbc(String named) {
        String[] parts = named.split("=", 2);
        if (parts.length < 2) {
            throw new IllegalArgumentException("A database is written NAME=JDBC.");
        }
        return parts[1];
    }

    private static String password() {
        String password = System.getenv("EVEN_SHEEN_DB_PASSWORD");
        return password == null ? "" : password;
    }

    private static Connection connect(String named) throws SQLException {
        java.util.Properties properties = new java.util.Properties();
        if (!password().isEmpty()) {
            properties.put("password", password());
        }
        return DriverManager.getConnection(jdbc(named), properties);
    }

    /** How much was ever kept; 0 in a database that has no records yet, or is of a version before there were backups. */
    private static long kept(String named) throws SQLException {
        try (Connection connection = connect(named);
                var statement = connection.createStatement();
                var there = statement.executeQuery("select to_regclass('backup') is not null")) {
            there.next();
            if (!there.getBoolean(1)) {
                return -1;
            }
            try (var row = statement.executeQuery("select " + BackupStore.KEPT)) {
                row.next();
                return row.getLong(1);
            }
        }
    }

    private static void note(String named, Path file, String sum, long kept) throws SQLException, IOException {
        if (kept < 0) {
            return;
        }
        try (Connection connection = connect(named);
                var insert = connection.prepareStatement(BackupStore.INSERT)) {
            insert.setString(1, "./run backup");
            insert.setString(2, file.toAbsolutePath().toString());
            insert.setLong(3, Files.size(file));
            insert.setString(4, sum);
            insert.setLong(5, kept);
            insert.executeUpdate();
        }
    }
}
