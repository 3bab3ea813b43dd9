package org.evensheen.app.photos;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.page.Device;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Refused;
import org.evensheen.app.page.Sheet;
import org.evensheen.app.pictures.Picture;
import org.evensheen.app.studies.Selection;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Photos of a study's sections. */
@Controller
class PhotoController {
    private final StudyStore studies;
    private final PhotoStore store;
    private final Clock clock;

    PhotoController(StudyStore studies, PhotoStore store, Clock clock) {
        this.studies = studies;
        this.store = store;
        this.clock = clock;
    }

    @GetMapping("/studies/{id}/photos")
    String photos(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String section,
            @RequestParam Optional<Long> a,
            @RequestParam Optional<Long> b,
            Model model) {
        return show(studies.load(id), section, a, b, "", model);
    }

    private String show(Study study, String section, Optional<Long> a, Optional<Long> b, String problem, Model model) {
        model.addAttribute(
                "page",
                PhotosPage.of(
                        study,
                        store.of(study.id()),
                        section.equals("-") ? "" : section,
                        a,
                        b,
                        study.dayOf(clock),
                        problem));
        return "photos/photos";
    }

    @PostMapping("/studies/{id}/photos")
    Object keep(
            @PathVariable long id,
            @RequestParam MultipartFile photo,
            @RequestParam(defaultValue = "") String section,
            @RequestParam int day,
            @RequestParam String stage,
            @RequestParam(defaultValue = "") String note,
            @RequestParam(defaultValue = "0") long ago,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model)
            throws IOException {
        Study study = studies.load(id);
        boolean program =
                Optional.ofNullable(request.getHeader("Accept")).orElse("").contains("json");
        Look known = Selection.look(study, stage)
                .orElseThrow(() -> new Refused("There is no stage called “" + stage + "”."));
        if (day < 0 || day > Math.max(0, study.dayOf(clock))) {
            throw new Refused("A photo is of a day from 0 to today, day %d.".formatted(study.dayOf(clock)));
        }
        Optional<String> code = Optional.of(section).filter(s -> !s.isEmpty() && !s.equals("-"));
        if (code.filter(c -> study.record().section(c).isEmpty()).isPresent()) {
            throw new Refused("There is no section “%s” in this study; they are %s. The photo was not kept."
                    .formatted(
                            Sheet.shown(section),
                            study.record().sections().stream()
                                    .map(s -> s.code())
                                    .sorted()
                                    .collect(Collectors.joining(", "))));
        }
        if (photo.getSize() > Picture.MOST_BYTES) {
            throw new Refused("That photo has more than 20 MB. Send a smaller one.");
        }
        try {
            store.keep(new PhotoStore.Draft(
                    id,
                    code,
                    new Occasion(day, known),
                    note.strip().substring(0, Math.min(200, note.strip().length())),
                    Picture.of(photo::getBytes),
                    Device.at(ago, clock.instant()),
                    key,
                    Hands.of(request).name()));
        } catch (Picture.Unfit e) {
            if (program) {
                throw new Refused(String.valueOf(e.getMessage()));
            }
            response.setStatus(422);
            return show(study, section, Optional.empty(), Optional.empty(), String.valueOf(e.getMessage()), model);
        }
        return program
                ? ResponseEntity.ok(Map.of("said", "The photo is kept.", "now", clock.millis()))
                : "redirect:/studies/%d/photos?section=%s".formatted(id, code.orElse("-"));
    }

    @PostMapping("/studies/{id}/photos/{photo}/back")
    String takeBack(
            @PathVariable long id, @PathVariable long photo, @RequestParam String section, HttpServletRequest request) {
        store.takeBack(id, photo, Hands.of(request).name());
        return "redirect:/studies/%d/photos?section=%s".formatted(id, section.matches("[A-Z]{1,2}") ? section : "-");
    }

    @GetMapping("/photos/{id}/{size}.jpg")
    ResponseEntity<byte[]> picture(@PathVariable long id, @PathVariable String size) {
        return store.picture(id, size.equals("small"))
                .map(bytes -> ResponseEntity.ok()
                        .contentType(MediaType.IMAGE_JPEG)
                        .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                        .body(bytes))
                .orElseThrow(() -> new Missing("There is no photo " + id + ", or it was taken back."));
    }
}
