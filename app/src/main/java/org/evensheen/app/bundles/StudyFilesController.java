package org.evensheen.app.bundles;

import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.SealedPage;
import org.evensheen.app.studies.Seen;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.json.JsonMapper;

/** Takes a study out as a bundle, and brings one in. */
@Controller
class StudyFilesController {
    private final StudyStore studies;
    private final ProductStore products;
    private final BundleStore store;
    private final BundleDayStore days;
    private final BundleKeeper keeper;
    private final BundleTakeStore takes;
    private final BundlePhotoStore photos;
    private final JsonMapper json;
    private final Key names;
    private final Clock clock;

    StudyFilesController(
            StudyStore studies,
            ProductStore products,
            BundleStore store,
            BundleDayStore days,
            BundleKeeper keeper,
            BundleTakeStore takes,
            BundlePhotoStore photos,
            JsonMapper json,
            Key names,
            Clock clock) {
        this.studies = studies;
        this.products = products;
        this.store = store;
        this.days = days;
        this.keeper = keeper;
        this.takes = takes;
        this.photos = photos;
        this.json = json;
        this.names = names;
        this.clock = clock;
    }

    @GetMapping("/studies/{id}/bundle")
    String files(@PathVariable long id, @ModelAttribute("hands") Hands hands, Model model) {
        Study study = studies.load(id);
        if (named(study, hands).isEmpty()) {
            model.addAttribute(
                    "sealed",
                    SealedPage.of(
                            study,
                            Math.max(0, study.dayOf(clock)),
                            Seen.Why.FILE,
                            SealedPage.products(study),
                            "Take it out",
                            "/studies/" + id + "/bundle"));
        }
        model.addAttribute("study", study.id());
        model.addAttribute("question", study.question());
        return show(List.of(), UUID.randomUUID(), model);
    }

    /** The study as it goes into a file: with its names, for hands that may have them. */
    private Optional<Study> named(Study study, Hands hands) {
        return names.named(study, Math.max(0, study.dayOf(clock)), Seen.Why.FILE, hands);
    }

    @GetMapping("/studies/import")
    String empty(Model model) {
        return show(List.of(), UUID.randomUUID(), model);
    }

    private static String show(List<String> problems, UUID key, Model model) {
        model.addAttribute("problems", problems);
        model.addAttribute("key", key);
        return "bundles/bundle";
    }

    @GetMapping("/studies/{id}/bundle.zip")
    void export(@PathVariable long id, @ModelAttribute("hands") Hands hands, HttpServletResponse response)
            throws IOException {
        Study study = named(studies.load(id), hands)
                .orElseThrow(
                        () -> new Refused(
                                "The key of this study is closed, and a bundle holds the names. Ask for them on the page “Files”; that you did is kept."));
        List<String> names = study.record().contenders().stream()
                .filter(c -> !c.isControl())
                .flatMap(c -> c.layers().stream())
                .distinct()
                .toList();
        // Written whole before a byte of it leaves, so that nobody takes half a study for one.
        Path zip = Files.createTempFile("even-sheen-", ".zip");
        try {
            write(study, names, zip);
            response.setContentType("application/zip");
            response.setContentLengthLong(Files.size(zip));
            response.setHeader(
                    HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"even-sheen-study-%d.zip\"".formatted(id));
            Files.copy(zip, response.getOutputStream());
        } finally {
            Files.deleteIfExists(zip);
        }
    }

    private void write(Study study, List<String> names, Path zip) throws IOException {
        long id = study.id();
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(zip))) {
            new BundleWriter(
                            study,
                            products.allNamed(names),
                            store.exposures(id),
                            store.noted(id),
                            days.steps(id),
                            days.weather(id),
                            takes.of(id),
                            takes.ofReadings(id),
                            photos.of(id))
                    .write(out, json, clock.instant(), photos::picture);
        }
    }

    @PostMapping("/studies/import")
    String bringIn(
            @RequestParam MultipartFile file,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands,
            HttpServletResponse response,
            Model model)
            throws IOException {
        Path bundle = Files.createTempFile("even-sheen-", ".zip");
        try {
            try (InputStream in = file.getInputStream()) {
                Files.copy(in, bundle, StandardCopyOption.REPLACE_EXISTING);
            }
            BundleKeeper.Outcome outcome = bringIn(bundle, key, hands);
            if (outcome.study().isPresent()) {
                return "redirect:/studies/" + outcome.study().get();
            }
            response.setStatus(422);
            return show(outcome.problems(), key, model);
        } finally {
            Files.deleteIfExists(bundle);
        }
    }

    /** One at a time: the tables of a large study fill a good part of the memory. */
    private synchronized BundleKeeper.Outcome bringIn(Path bundle, UUID key, Hands hands) {
        BundleReader.Parts parts = BundleReader.read(bundle, json);
        return parts.problems().isEmpty()
                ? keeper.bringIn(parts.tables(), name -> BundleReader.photo(bundle, name), key, hands)
                : new BundleKeeper.Outcome(Optional.empty(), parts.problems());
    }
}
