package org.evensheen.app.bundles;

import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
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
    private final BundleDay days;
    private final BundleKeeper keeper;
    private final JsonMapper json;
    private final Clock clock;

    StudyFilesController(
            StudyStore studies,
            ProductStore products,
            BundleStore store,
            BundleDay days,
            BundleKeeper keeper,
            JsonMapper json,
            Clock clock) {
        this.studies = studies;
        this.products = products;
        this.store = store;
        this.days = days;
        this.keeper = keeper;
        this.json = json;
        this.clock = clock;
    }

    @GetMapping("/studies/{id}/bundle")
    String files(@PathVariable long id, Model model) {
        Study study = studies.load(id);
        model.addAttribute("study", study.id());
        model.addAttribute("question", study.question());
        return show(List.of(), UUID.randomUUID(), model);
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
    ResponseEntity<byte[]> export(@PathVariable long id) throws IOException {
        Study study = studies.load(id);
        List<String> names = study.record().contenders().stream()
                .filter(c -> !c.isBare())
                .flatMap(c -> c.layers().stream())
                .distinct()
                .toList();
        ByteArrayOutputStream zip = new ByteArrayOutputStream();
        new BundleWriter(
                        study,
                        products.allNamed(names),
                        store.exposures(id),
                        store.noted(id),
                        days.steps(id),
                        days.weather(id))
                .write(zip, json, clock.instant());
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "application/zip")
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"even-sheen-study-%d.zip\"".formatted(id))
                .body(zip.toByteArray());
    }

    @PostMapping("/studies/import")
    String bringIn(
            @RequestParam MultipartFile file,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands,
            HttpServletResponse response,
            Model model)
            throws IOException {
        BundleReader.Parts parts = BundleReader.read(file.getBytes(), json);
        List<String> problems = parts.problems();
        if (problems.isEmpty()) {
            BundleKeeper.Outcome outcome = keeper.bringIn(parts.tables(), key, hands.name());
            if (outcome.study().isPresent()) {
                return "redirect:/studies/" + outcome.study().get();
            }
            problems = outcome.problems();
        }
        response.setStatus(422);
        return show(problems, key, model);
    }
}
