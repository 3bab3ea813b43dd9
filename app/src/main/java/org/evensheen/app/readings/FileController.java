package org.evensheen.app.readings;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.NewStudyStore;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyScreen;
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

/** Takes a study's readings out as a file, and brings a file in. */
@Controller
class FileController {
    private final StudyStore studies;
    private final StudyScreen screen;
    private final NewStudyStore maker;
    private final ReadingBatchStore batch;
    private final Key names;

    FileController(StudyStore studies, StudyScreen screen, NewStudyStore maker, ReadingBatchStore batch, Key names) {
        this.studies = studies;
        this.screen = screen;
        this.maker = maker;
        this.batch = batch;
        this.names = names;
    }

    /** What the page says after a file was tried. */
    record Tried(boolean stored, String summary, java.util.List<String> problems) {}

    @GetMapping("/studies/{id}/readings")
    String page(@PathVariable long id, Model model) {
        return show(studies.load(id), model);
    }

    @GetMapping("/studies/{id}/readings.csv")
    ResponseEntity<byte[]> export(@PathVariable long id) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "text/csv;charset=UTF-8")
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"even-sheen-readings-%d.csv\"".formatted(id))
                .body(ReadingsFile.write(studies.load(id)).getBytes(StandardCharsets.UTF_8));
    }

    @PostMapping("/studies/{id}/readings/file")
    String bringIn(
            @PathVariable long id,
            @RequestParam MultipartFile file,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model)
            throws IOException {
        Study study = studies.load(id);
        ReadingsFile.Contents contents = file.isEmpty()
                ? ReadingsFile.Contents.wrong("No file was chosen, or it is empty. Choose a CSV file first.")
                : file.getSize() > Sheet.MOST_BYTES
                        ? ReadingsFile.Contents.wrong(Sheet.TOO_LARGE)
                        : ReadingsFile.read(file.getBytes(), study, screen.today(study), Hands.of(request));
        if (!contents.problems().isEmpty()) {
            response.setStatus(422);
            model.addAttribute("tried", new Tried(false, "Nothing was stored.", contents.problems()));
        } else {
            int kept = contents.fresh().isEmpty() ? 0 : batch.keep(id, contents.fresh());
            model.addAttribute(
                    "tried",
                    new Tried(
                            true,
                            "%s kept; %d were here already."
                                    .formatted(Figures.count(kept, "reading", "readings"), contents.known()),
                            java.util.List.of()));
        }
        return show(studies.load(id), model);
    }

    /** Makes a study with the same layout, plan and seed, and no readings. */
    @PostMapping("/studies/{id}/copy")
    String copy(@PathVariable long id, @RequestParam java.util.UUID key, @ModelAttribute("hands") Hands hands) {
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            throw new Refused(
                    "The key of this study is closed. A second study with the same lots would give it away once its own key is opened: open this one first, or plan a new study with lots of its own.");
        }
        long copy = maker.make(study.again(key));
        // Its lots are those of a study whose key is open, so it can't be judged blind.
        names.open(copy, hands);
        return "redirect:/studies/%d/readings".formatted(copy);
    }

    private static String show(Study study, Model model) {
        model.addAttribute("study", study);
        model.addAttribute("standing", study.record().readings().size());
        model.addAttribute(
                "struck", study.readings().size() - study.record().readings().size());
        model.addAttribute("header", String.join(",", ReadingsFile.REQUIRED));
        model.addAttribute("key", java.util.UUID.randomUUID());
        return "readings/file";
    }
}
