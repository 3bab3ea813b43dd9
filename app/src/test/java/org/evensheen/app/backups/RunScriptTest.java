package org.evensheen.app.backups;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What {@code ./run} refuses, before it builds or touches anything: one line with the remedy, no trace. */
class RunScriptTest {
    @TempDir
    Path home;

    private record Said(int code, String words) {}

    /** PostgreSQL's own user looks into the folder. */
    @BeforeEach
    void everybodyMayLook() throws IOException {
        Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwxr-xr-x"));
    }

    private static Path root() {
        Path here = Path.of("").toAbsolutePath();
        return Files.exists(here.resolve("run")) ? here : here.getParent();
    }

    private Said run(Path at, String... arguments) throws Exception {
        String[] command = Stream.concat(Stream.of(root().resolve("run").toString()), Stream.of(arguments))
                .toArray(String[]::new);
        ProcessBuilder process = new ProcessBuilder(command).redirectErrorStream(true);
        process.environment().put("EVEN_SHEEN_HOME", at.toString());
        process.environment().remove("EVEN_SHEEN_DB_URL");
        Process running = process.start();
        String words = new String(running.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(running.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return new Said(running.exitValue(), words);
    }

    private void refuses(Said said, String... words) {
        assertThat(said.words).contains(words).doesNotContain("Building", "Traceback", "line ");
        assertThat(said.words.strip().lines()).hasSize(1);
        assertThat(said.code).isIn(1, 2);
    }

    private Path put(String file, String content) throws IOException {
        Path path = home.resolve(file);
        Files.createDirectories(path.getParent());
        return Files.writeString(path, content);
    }

    @ParameterizedTest
    @ValueSource(strings = {"80000", "65536", "9", "0", "web", "", "-1", "99999999999999999999"})
    void aPortThatIsNone(String port) throws Exception {
        refuses(run(home, "--port", port), "--port wants a number from 10 to 65535.");
    }

    @Test
    void aHomeThatCantBeWrittenTo() throws Exception {
        refuses(run(Path.of("/proc/none")), "Records can't be kept in /proc/none", "EVEN_SHEEN_HOME");
        refuses(run(Files.writeString(home.resolve("file"), "").resolve("in")), "Records can't be kept in");
    }

    /** A copy half-way, a mount that is missing, the wrong user: whatever is there stays. */
    @Test
    void aFolderThatIsNotEmptyAndNoDatabaseIsNeverRemoved() throws Exception {
        Path page = put("postgres/base/16384/2619", "a season of readings");
        put("db-password", "secret");
        for (String[] how :
                List.of(new String[] {}, new String[] {"--empty"}, new String[] {"--reset-demo"}, new String[] {
                    "backup", home + "/../b.zip"
                })) {
            refuses(
                    run(home, how),
                    "is not empty and holds no whole database",
                    "Nothing was touched",
                    "move this folder elsewhere");
        }
        assertThat(Files.readString(page)).isEqualTo("a season of readings");
    }

    @Test
    void aDatabaseWhoseFolderIsGoneIsNotBegunAnew() throws Exception {
        put("db-password", "secret");
        refuses(run(home), "There was a database in", "mount it", "remove");
        assertThat(home.resolve("postgres")).doesNotExist();
    }

    @Test
    void aPasswordThatIsLostCanBeMadeAnew() throws Exception {
        put("postgres/PG_VERSION", "15");
        refuses(run(home), "db-password", "./run --new-password");
        assertThat(home.resolve("db-password")).doesNotExist();
    }

    @Test
    void aDatabaseOfAnotherVersionOfPostgresql() throws Exception {
        put("postgres/PG_VERSION", "9");
        put("db-password", "secret");
        refuses(run(home), "kept by PostgreSQL 9", "Install postgresql-9");
    }

    @Test
    void aBackupOfNothingOrOverSomethingAndARestoreIntoRecordsOrOfNoFile() throws Exception {
        refuses(run(home, "backup", home + "/b.zip"), "There are no records in");
        put("b.zip", "mine");
        refuses(run(home, "backup", home + "/b.zip"), "is there already");
        refuses(run(home, "backup", home + "/none/b.zip"), "no folder");
        refuses(run(home, "backup"), "wants a file");
        refuses(run(home, "restore", home + "/other.zip"), "no file");
        put("postgres/PG_VERSION", "15");
        put("db-password", "secret");
        refuses(run(home, "restore", home + "/b.zip"), "There are records in", "without records");
        assertThat(Files.readString(home.resolve("b.zip"))).isEqualTo("mine");
    }
}
