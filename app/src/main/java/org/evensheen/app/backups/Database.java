package org.evensheen.app.backups;

import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A database as PostgreSQL's own programs reach it.
 *
 * @param name what its dump is called
 * @param place host, port, database, user and password, as environment variables of those programs
 */
record Database(String name, Map<String, String> place) implements Archive.Source {
    private static final Pattern JDBC = Pattern.compile("jdbc:postgresql://([^:/?]+)(?::(\\d+))?/([^?]+)(?:\\?(.*))?");
    private static final int LONGEST_MINUTES = 60;

    /**
     * A database by its address in Java.
     *
     * @throws IllegalArgumentException if that can't be read
     */
    static Database of(String name, String jdbc, String user, String password) {
        Matcher address = JDBC.matcher(jdbc);
        if (!address.matches()) {
            throw new IllegalArgumentException("the database's address can't be read");
        }
        Map<String, String> place = new HashMap<>(Map.of(
                "PGHOST",
                address.group(1),
                "PGPORT",
                address.group(2) == null ? "5432" : address.group(2),
                "PGDATABASE",
                decoded(address.group(3)),
                "PGCONNECT_TIMEOUT",
                "5"));
        Stream.of((address.group(4) == null ? "" : address.group(4)).split("&"))
                .map(pair -> pair.split("=", 2))
                .filter(pair -> pair.length == 2)
                .forEach(pair -> {
                    switch (pair[0]) {
                        case "user" -> place.put("PGUSER", decoded(pair[1]));
                        case "password" -> place.put("PGPASSWORD", decoded(pair[1]));
                        default -> {}
                    }
                });
        if (!user.isEmpty()) {
            place.put("PGUSER", user);
        }
        if (!password.isEmpty()) {
            place.put("PGPASSWORD", password);
        }
        return new Database(name, Map.copyOf(place));
    }

    private static String decoded(String text) {
        return URLDecoder.decode(text, StandardCharsets.UTF_8);
    }

    @Override
    public void dump(Path to) throws IOException {
        run("pg_dump", "--format=custom", "--no-owner", "--no-privileges", "--file=" + to);
        run("pg_restore", "--list", to.toString());
    }

    /** Brings a dump into this database, all of it or nothing. */
    void restore(Path dump) throws IOException {
        run(
                "pg_restore",
                "--single-transaction",
                "--exit-on-error",
                "--no-owner",
                "--no-privileges",
                "--dbname=" + place.get("PGDATABASE"),
                dump.toString());
    }

    private void run(String program, String... arguments) throws IOException {
        List<String> command = new ArrayList<>(List.of(found(program)));
        command.addAll(List.of(arguments));
        Path said = Files.createTempFile("even-sheen-", ".log");
        try {
            ProcessBuilder process = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(said.toFile())
                    .redirectInput(
                            ProcessBuilder.Redirect.from(Path.of("/dev/null").toFile()));
            process.environment().putAll(place);
            Process running = process.start();
            if (!running.waitFor(LONGEST_MINUTES, TimeUnit.MINUTES)) {
                running.destroyForcibly();
                throw new IOException("%s did not come to an end within an hour.".formatted(program));
            }
            if (running.exitValue() != 0) {
                throw new IOException("%s says: %s".formatted(program, reason(said)));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        } finally {
            Files.deleteIfExists(said);
        }
    }

    private static String reason(Path said) throws IOException {
        List<String> lines = Files.readString(said, StandardCharsets.UTF_8)
                .lines()
                .filter(l -> !l.isBlank())
                .toList();
        return lines.stream()
                .filter(l -> l.contains("error:"))
                .findFirst()
                .orElse(lines.isEmpty() ? "nothing" : lines.get(lines.size() - 1));
    }

    /** Where PostgreSQL's programs are: as the start tells, or the newest that Debian's packages brought, or on the path. */
    private static String found(String program) throws IOException {
        String told = System.getenv("EVEN_SHEEN_PG_BIN");
        if (told != null && Files.isExecutable(Path.of(told, program))) {
            return Path.of(told, program).toString();
        }
        Path debian = Path.of("/usr/lib/postgresql");
        if (Files.isDirectory(debian)) {
            try (Stream<Path> versions = Files.list(debian)) {
                return versions.map(v -> v.resolve("bin").resolve(program))
                        .filter(Files::isExecutable)
                        .max(java.util.Comparator.comparing(Path::toString))
                        .map(Path::toString)
                        .orElse(program);
            }
        }
        return program;
    }
}
