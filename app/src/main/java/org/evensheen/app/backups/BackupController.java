package org.evensheen.app.backups;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** Backups: when the last one was made, and another by a tap. */
@Controller
class BackupController {
    /** Less than that is no room at all, bytes. */
    private static final long LEAST_ROOM = 1_000_000;

    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss", Locale.ROOT);

    private final BackupStore store;
    private final Database database;
    private final Path folder;
    private final Clock clock;
    private final Semaphore one = new Semaphore(1);

    BackupController(
            BackupStore store,
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username:}") String user,
            @Value("${spring.datasource.password:}") String password,
            @Value("${even-sheen.home:}") String home,
            Clock clock) {
        this.store = store;
        this.clock = clock;
        database = Database.of("even_sheen", url, user, password);
        folder = (home.isBlank() ? Path.of(System.getProperty("user.home"), ".local/share/even-sheen") : Path.of(home))
                .resolve("backups");
    }

    @GetMapping("/backups")
    String backups(Model model) {
        return show("", model);
    }

    private String show(String problem, Model model) {
        List<BackupStore.Made> made = store.latest();
        model.addAttribute("page", BackupPage.of(made, folder, problem, clock));
        return "backups/backups";
    }

    @PostMapping("/backups")
    String make(@ModelAttribute("hands") Hands hands, HttpServletResponse response, Model model) {
        if (!one.tryAcquire()) {
            response.setStatus(409);
            return show("A backup is being made just now. Look again in a moment.", model);
        }
        try {
            Files.createDirectories(folder);
            Path file = free("even-sheen-" + STAMP.format(ZonedDateTime.now(clock)));
            long kept = store.kept();
            Archive.write(file, List.of(database), clock.instant(), hands.name());
            store.note(hands.name(), file.toString(), Files.size(file), Archive.sum(file), kept);
            return "redirect:/backups";
        } catch (IOException e) {
            response.setStatus(422);
            boolean full = folder.toFile().getUsableSpace() < LEAST_ROOM;
            return show(
                    "No backup was made. "
                            + (full ? "The disk is full. Make room, then make it again." : e.getMessage()),
                    model);
        } finally {
            one.release();
        }
    }

    /** A name that no backup has yet: two may be made within a second. */
    private Path free(String stem) {
        Path file = folder.resolve(stem + ".zip");
        for (int n = 2; Files.exists(file); n++) {
            file = folder.resolve(stem + "-" + n + ".zip");
        }
        return file;
    }

    /** A backup that was made here, to be taken elsewhere. */
    @GetMapping("/backups/{id}/file")
    ResponseEntity<Resource> file(@PathVariable long id) {
        Path file = store.made(id)
                .map(m -> Path.of(m.file()))
                .filter(f -> f.startsWith(folder) && Files.isReadable(f))
                .orElseThrow(() -> new Missing("That backup is not in this home any more. Make another one."));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "application/zip")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"%s\"".formatted(file.getFileName()))
                .body(new FileSystemResource(file));
    }
}
