package org.evensheen.app.sidebyside;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Device;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Refused;
import org.evensheen.app.pictures.Picture;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.units.PlainText;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** What an afternoon came to, as a page and as what goes out; with the photos of its places. */
@Controller
class SheetController {
    private static final int LONGEST_NAME = 40;

    private final ComparisonStore store;
    private final ShotStore shots;
    private final OwnKindStore own;
    private final Sheets sheets;
    private final SheetFile file;
    private final ComparisonBundle bundle;
    private final StudyStore studies;
    private final Clock clock;

    SheetController(
            ComparisonStore store,
            ShotStore shots,
            OwnKindStore own,
            Sheets sheets,
            SheetFile file,
            ComparisonBundle bundle,
            StudyStore studies,
            Clock clock) {
        this.store = store;
        this.shots = shots;
        this.own = own;
        this.sheets = sheets;
        this.file = file;
        this.bundle = bundle;
        this.studies = studies;
        this.clock = clock;
    }

    @GetMapping("/compare/{id}/sheet")
    String sheet(@PathVariable long id, Model model) {
        Comparison c = store.load(id);
        model.addAttribute("id", id);
        model.addAttribute("page", SheetPage.of(c, sheets.of(id, c), when(c), shots.of(id)));
        return "sidebyside/sheet";
    }

    /** What was seen first of what a study watches for weeks; nothing while its key is closed, as it tells names. */
    @GetMapping("/compare/first")
    String first(@RequestParam long study, Model model) {
        Optional<Long> grown = store.grownInto(study);
        boolean closed = grown.isPresent() && studies.load(study).judgedByCode();
        model.addAttribute("closed", closed);
        if (grown.isPresent() && !closed) {
            Comparison c = store.load(grown.get());
            model.addAttribute("page", SheetPage.of(c, sheets.of(grown.get(), c), when(c), List.of()));
            model.addAttribute("id", grown.get());
        }
        return "sidebyside/first";
    }

    /** What was seen first, for a plan that grew out of it. */
    @GetMapping("/compare/{id}/first")
    String firstOf(@PathVariable long id, Model model) {
        Comparison c = store.load(id);
        model.addAttribute("closed", false);
        model.addAttribute("page", SheetPage.of(c, sheets.of(id, c), when(c), List.of()));
        model.addAttribute("id", id);
        return "sidebyside/first";
    }

    @GetMapping("/compare/{id}/sheet.json")
    ResponseEntity<SheetDocument> json(@PathVariable long id) {
        Comparison c = store.load(id);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(SheetDocument.of(c, sheets.of(id, c)));
    }

    @GetMapping("/compare/{id}/sheet.md")
    ResponseEntity<String> markdown(@PathVariable long id) {
        Comparison c = store.load(id);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "markdown", StandardCharsets.UTF_8))
                .body(SheetWords.markdown(c, sheets.of(id, c), when(c)));
    }

    /** One page with its pictures inside, to keep or to send. */
    @GetMapping("/compare/{id}/sheet.html")
    ResponseEntity<String> html(@PathVariable long id) {
        Comparison c = store.load(id);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"side-by-side-%d.html\"".formatted(id))
                .body(file.html(SheetPage.of(c, sheets.of(id, c), when(c), shots.of(id))));
    }

    /** Everything, to keep elsewhere or bring in again. */
    @GetMapping("/compare/{id}/bundle.zip")
    ResponseEntity<byte[]> out(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("application", "zip"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"comparison-%d.zip\"".formatted(id))
                .body(bundle.write(id));
    }

    @PostMapping("/compare/bundle")
    String in(@RequestParam MultipartFile file) throws IOException {
        if (file.getSize() > ComparisonBundle.MOST_BYTES) {
            throw new Refused("A bundle of a comparison has up to 64 MB; this one has more. Nothing was stored.");
        }
        return "redirect:/compare/%d/sheet".formatted(bundle.read(file.getBytes()));
    }

    /** Says how the contenders were come by, on the sheet. */
    @PostMapping("/compare/{id}/came")
    String came(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestParam UUID key,
            HttpServletRequest request) {
        Comparison c = store.load(id);
        for (int i = 0; i < c.contenders().size(); i++) {
            String step = "came/" + i;
            String value = sent.getOrDefault(step, "");
            if (value.isEmpty() || c.said(step).filter(value::equals).isPresent()) {
                continue;
            }
            c.wrong(step, value).ifPresent(problem -> {
                throw new Refused(problem);
            });
            store.say(
                    id,
                    new org.evensheen.core.sidebyside.Said(
                            step, value, Hands.of(request).name(), true, Instant.now(clock)),
                    UUID.nameUUIDFromBytes((key + step).getBytes(StandardCharsets.UTF_8)));
        }
        return "redirect:/compare/%d/sheet".formatted(id);
    }

    /** Keeps the questions of a comparison as a kind of one's own. */
    @PostMapping("/compare/{id}/kind")
    String keepQuestions(@PathVariable long id, @RequestParam String name, @RequestParam UUID key) {
        Comparison c = store.load(id);
        String line = PlainText.line(name);
        if (!PlainText.readable(line) || line.length() > LONGEST_NAME) {
            throw new Refused(
                    "Give these questions a name that can be read, in up to %d characters.".formatted(LONGEST_NAME));
        }
        own.keep(line, c.kind(), c.shape(), c.asked(), key);
        return "redirect:/compare";
    }

    @PostMapping("/compare/{id}/photos")
    Object photo(
            @PathVariable long id,
            @RequestParam MultipartFile photo,
            @RequestParam String code,
            @RequestParam String step,
            @RequestParam(defaultValue = "0") long ago,
            @RequestParam UUID key,
            @RequestHeader(defaultValue = "") String accept,
            HttpServletRequest request)
            throws IOException {
        Comparison c = store.load(id);
        if (c.places().stream().noneMatch(p -> p.code().equals(code))) {
            throw new Refused("There is no such place. The photo was not kept; open the comparison again.");
        }
        if (c.steps().stream().noneMatch(s -> s.key().equals(step))) {
            throw new Refused("There is no such step here. The photo was not kept; open the comparison again.");
        }
        if (photo.getSize() > Picture.MOST_BYTES) {
            throw new Refused("That photo has more than 20 MB. Send a smaller one.");
        }
        try {
            shots.keep(
                    id,
                    code,
                    step,
                    Picture.of(photo::getBytes),
                    Device.at(ago, clock.instant()),
                    key,
                    Hands.of(request).name());
        } catch (Picture.Unfit e) {
            throw new Refused(String.valueOf(e.getMessage()));
        }
        return accept.contains("application/json")
                ? ResponseEntity.ok(Map.of("said", "The photo is kept.", "now", clock.millis()))
                : "redirect:/compare/" + id;
    }

    @PostMapping("/compare/{id}/photos/{photo}/back")
    String takeBack(@PathVariable long id, @PathVariable long photo, HttpServletRequest request) {
        shots.takeBack(id, photo, Hands.of(request).name());
        return "redirect:/compare/%d/sheet".formatted(id);
    }

    @GetMapping("/compare/photos/{photo}/{size}.jpg")
    ResponseEntity<byte[]> picture(@PathVariable long photo, @PathVariable String size) {
        return shots.picture(photo, size.equals("small"))
                .map(bytes -> ResponseEntity.ok()
                        .contentType(MediaType.IMAGE_JPEG)
                        .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                        .body(bytes))
                .orElseThrow(() -> new Missing("There is no photo %d, or it was taken back.".formatted(photo)));
    }

    private static String when(Comparison c) {
        return Figures.moment(c.begun(), ZoneId.systemDefault());
    }
}
