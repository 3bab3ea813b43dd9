package org.evensheen.app.backups;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

@ExtendWith(LiveApp.class)
class BackupTest {
    @TempDir
    Path folder;

    private static String url() {
        return LiveApp.bean(Environment.class).getProperty("spring.datasource.url");
    }

    private static long latest() {
        return LiveApp.database()
                .sql("select max(id) from backup")
                .query(Long.class)
                .single();
    }

    private static void photo(Study study) throws IOException {
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB), "jpg", jpeg);
        Web.upload(
                "/studies/" + study.id() + "/photos?day=8&stage=rewetted&key=" + UUID.randomUUID(),
                "photo",
                jpeg.toByteArray());
    }

    /** Everything of a database in a sum a table: rows as text, in order. */
    private static String sums(JdbcClient database) {
        StringBuilder sums = new StringBuilder();
        for (String table : database.sql("""
                        select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'
                          and table_name <> 'backup' order by 1""").query(String.class).list()) {
            sums.append(table)
                    .append(' ')
                    .append(database.sql("select md5(coalesce(string_agg(t::text, '' order by t::text), '')) from "
                                    + table + " t")
                            .query(String.class)
                            .single())
                    .append('\n');
        }
        return sums.toString();
    }

    @Test
    void aBackupMadeByATapHoldsEverythingAndComesBackTheSameToTheLastRow() throws Exception {
        Study study = SampleStudy.read();
        photo(study);
        assertThat(Web.post("/backups", Map.of()).statusCode()).isEqualTo(302);
        assertThat(Web.get("/backups").body()).contains("The last backup was made just now.", "Take it elsewhere");
        HttpResponse<byte[]> file = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(LiveApp.url() + "/backups/" + latest() + "/file"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
        Path kept = Files.write(folder.resolve("b.zip"), file.body());
        assertThat(LiveApp.database()
                        .sql("select sha256 from backup where id = :id")
                        .param("id", latest())
                        .query(String.class)
                        .single())
                .isEqualTo(Archive.sum(kept));

        LiveApp.database().sql("create database brought_back").update();
        try {
            String back = url().replaceFirst("/[^/?]+\\?", "/brought_back?");
            assertThat(Program.run(List.of("restore", kept.toString(), "even_sheen=" + back)))
                    .contains("Brought back");
            assertThat(sums(JdbcClient.create(new DriverManagerDataSource(back))))
                    .isEqualTo(sums(LiveApp.database()));
            assertThatThrownBy(() -> Program.run(List.of("restore", kept.toString(), "even_sheen=" + back)))
                    .as("only into an empty one")
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("already exists");
        } finally {
            LiveApp.database().sql("drop database brought_back with (force)").update();
        }
    }

    @Test
    void aBackupByCommandIsNotedAndNothingIsOverwritten() throws Exception {
        Path file = folder.resolve("c.zip");
        assertThat(Program.run(List.of("backup", file.toString(), "even_sheen=" + url())))
                .startsWith("Kept and read back: ")
                .endsWith(Archive.sum(file));
        assertThat(Web.get("/backups").body()).contains(file.toString(), "./run backup");
        assertThatThrownBy(() -> Program.run(List.of("backup", file.toString(), "even_sheen=" + url())))
                .hasMessageContaining("is there already");
        assertThatThrownBy(() ->
                        Program.run(List.of("backup", folder.resolve("no/d.zip").toString(), "even_sheen=" + url())))
                .hasMessageContaining("no folder that can be written to");
        assertThat(Files.list(folder)).as("nothing half is left").containsExactly(file);
    }

    @Test
    void aFileThatIsNotAsItWasWrittenIsFoundOutBeforeAnythingIsBroughtBack() throws Exception {
        Path file = folder.resolve("d.zip");
        Archive.write(
                file,
                List.of(new Archive.Source() {
                    @Override
                    public String name() {
                        return "even_sheen";
                    }

                    @Override
                    public void dump(Path to) throws IOException {
                        Files.writeString(to, "rows ".repeat(4000));
                    }
                }),
                Instant.EPOCH,
                "Ana");
        assertThat(Archive.verify(file).parts()).singleElement().satisfies(p -> {
            assertThat(p.database()).isEqualTo("even_sheen");
            assertThat(p.bytes()).isEqualTo(20_000);
        });
        byte[] whole = Files.readAllBytes(file);
        byte[] half = java.util.Arrays.copyOf(whole, whole.length / 2);
        damaged(half, "breaks off");
        damaged("no zip".getBytes(StandardCharsets.UTF_8), "breaks off");
        byte[] other = whole.clone();
        other[60] ^= 1;
        damaged(other, "Nothing was changed|nothing was changed");
    }

    private void damaged(byte[] content, String saying) throws IOException {
        Path file = Files.write(folder.resolve("damaged.zip"), content);
        assertThatThrownBy(() -> Archive.verify(file))
                .isInstanceOf(IOException.class)
                .hasMessageFindingMatch(saying);
    }

    /** Eight days are more than a week, seven are not; and without anything kept since there is nothing to save. */
    @Test
    void theBenchRemindsOfABackupThatIsOldOnceSomethingWasKeptSince() {
        Web.post("/backups", Map.of());
        assertThat(Web.get("/").body()).doesNotContain("The last backup is");
        age("8 days");
        assertThat(Web.get("/").body()).as("nothing kept since").doesNotContain("The last backup is");
        Study study = SampleStudy.make();
        age("0 days");
        assertThat(Web.get("/").body()).contains("The last backup is 8 days old, and something was kept since.");
        LiveApp.database()
                .sql("update backup set made_at = now() - interval '7 days' + interval '1 minute' where id = "
                        + latest())
                .update();
        assertThat(Web.get("/").body()).as("a week is not more than a week").doesNotContain("The last backup is");
        assertThat(LiveApp.bean(BackupStore.class).due()).isEmpty();
        assertThat(study.id()).isPositive();
    }

    @Test
    void backupsMadeWithinASecondHaveNamesOfTheirOwn() {
        long before = count();
        for (int i = 0; i < 3; i++) {
            assertThat(Web.post("/backups", Map.of()).statusCode()).isEqualTo(302);
        }
        assertThat(count()).isEqualTo(before + 3);
    }

    private static long count() {
        return LiveApp.database()
                .sql("select count(distinct file) from backup")
                .query(Long.class)
                .single();
    }

    @Test
    void aStrikeAndAChangeOfAPlanAreSomethingKeptToo() {
        BackupStore store = LiveApp.bean(BackupStore.class);
        Study study = SampleStudy.read();
        long before = store.kept();
        long reading = study.readings().get(0).id();
        Map<String, String> form =
                SampleStudy.firstPull(study.readings().get(0).reading().section(), "9", UUID.randomUUID());
        form.putAll(Map.of("action", "strike", "because", "slipped"));
        Web.post("/studies/" + study.id() + "/readings/" + reading, form);
        assertThat(store.kept()).isGreaterThan(before);
    }

    private static void age(String by) {
        LiveApp.database()
                .sql("update backup set made_at = made_at - interval '" + by + "' where id = " + latest())
                .update();
    }
}
