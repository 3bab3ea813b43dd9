package org.evensheen.app.answers;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Units;
import org.evensheen.app.photos.PhotoStore;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.UnitSystem;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.json.JsonMapper;

/** Publishes the report of a study: a page that needs nothing else, Markdown and JSON, kept as they went out. */
@Controller
class PublishController {
    private static final int HEADLINE = 120;
    private static final int WORDS = 4000;
    private static final int CAPTION = 160;
    private static final int PHOTOS = 10;

    private final StudyStore studies;
    private final Reporting reporting;
    private final ReportPages pages;
    private final EditionStore editions;
    private final ProfileStore profiles;
    private final PhotoStore photos;
    private final JsonMapper json;
    private final Clock clock;

    PublishController(
            StudyStore studies,
            Reporting reporting,
            ReportPages pages,
            EditionStore editions,
            ProfileStore profiles,
            PhotoStore photos,
            JsonMapper json,
            Clock clock) {
        this.studies = studies;
        this.reporting = reporting;
        this.pages = pages;
        this.editions = editions;
        this.profiles = profiles;
        this.photos = photos;
        this.json = json;
        this.clock = clock;
    }

    /** A photo to choose. */
    record Choice(long id, String what, boolean chosen, String caption) {}

    /** An edition in the list. */
    record Line(int number, String headline, String changed, String when, String seal) {}

    @GetMapping("/studies/{id}/publish")
    String publish(@PathVariable long id, Model model) {
        return show(id, Filled.NOTHING, model);
    }

    private String show(long id, Filled filled, Model model) {
        Study study = studies.load(id);
        model.addAttribute("study", study);
        if (study.judgedByCode()) {
            return "answers/closed";
        }
        model.addAttribute("filled", filled);
        model.addAttribute("readers", profiles.all());
        model.addAttribute(
                "photos",
                photos.of(id).stream()
                        .map(p -> new Choice(
                                p.id(),
                                "%s, day %d".formatted(p.section().orElse("whole bed"), p.day()),
                                filled.in("photo" + p.id()).equals("on"),
                                filled.in("caption" + p.id(), p.note())))
                        .toList());
        model.addAttribute(
                "editions",
                editions.of(id).stream()
                        .map(e -> new Line(
                                e.number(),
                                e.headline().isEmpty() ? study.question() : e.headline(),
                                e.changed(),
                                "%s, by %s".formatted(Figures.moment(e.at(), clock.getZone()), e.by()),
                                e.seal().substring(0, 12)))
                        .toList());
        model.addAttribute("key", UUID.randomUUID());
        return "answers/publish";
    }

    private Study open(long id) {
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            throw new Missing("This study is judged by code: a report would give names away. Open its key first.");
        }
        return study;
    }

    private Profile reader(String code) {
        List<Profile> all = profiles.all();
        return all.stream().filter(p -> p.code().equals(code)).findFirst().orElse(all.get(0));
    }

    /** The report as it would be, before anything is published. */
    @GetMapping("/studies/{id}/report.html")
    ResponseEntity<String> preview(
            @PathVariable long id, @RequestParam(name = "for", defaultValue = "") String reader) {
        Study study = open(id);
        return html(Units.in(UnitSystem.METRIC, () -> {
            Report report = reporting.of(study, LocalDate.now(clock), reader(reader));
            return pages.html(report, new ReportPages.Own("", List.of(), "Not published.", "", List.of()));
        }));
    }

    @GetMapping("/studies/{id}/report.json")
    ResponseEntity<Report> report(@PathVariable long id, @RequestParam(name = "for", defaultValue = "") String reader) {
        Study study = open(id);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .body(Units.in(UnitSystem.METRIC, () -> reporting.of(study, LocalDate.now(clock), reader(reader))));
    }

    /** The report as a card to share. */
    @GetMapping("/studies/{id}/card.png")
    ResponseEntity<byte[]> card(@PathVariable long id, @RequestParam(name = "for", defaultValue = "") String reader) {
        Study study = open(id);
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .body(Card.png(
                        Units.in(UnitSystem.METRIC, () -> reporting.of(study, LocalDate.now(clock), reader(reader)))));
    }

    @PostMapping("/studies/{id}/publish")
    String publish(
            @PathVariable long id,
            @RequestParam Map<String, String> sent,
            @RequestParam UUID key,
            @ModelAttribute("hands") Hands hands,
            HttpServletResponse response,
            Model model) {
        Study study = open(id);
        Map<String, String> problems = new LinkedHashMap<>();
        String headline = PlainText.line(sent.getOrDefault("headline", ""));
        String words = sent.getOrDefault("words", "").strip();
        if (headline.length() > HEADLINE || !headline.isEmpty() && !PlainText.readable(headline)) {
            problems.put("headline", "A headline has up to %d characters that can be read.".formatted(HEADLINE));
        }
        if (words.length() > WORDS) {
            problems.put(
                    "words", "Your words have up to %d characters; these are %d.".formatted(WORDS, words.length()));
        }
        List<PhotoStore.Listed> chosen = photos.of(id).stream()
                .filter(p -> sent.getOrDefault("photo" + p.id(), "").equals("on"))
                .toList();
        if (chosen.size() > PHOTOS) {
            problems.put("photos", "A report holds up to %d photos; %d are chosen.".formatted(PHOTOS, chosen.size()));
        }
        long gone = sent.keySet().stream().filter(k -> k.matches("photo\\d+")).count() - chosen.size();
        if (gone > 0) {
            problems.put("photos", "A photo that was chosen has been taken back since. Look again at the rest.");
        }
        chosen.stream()
                .filter(p -> caption(sent, p).length() > CAPTION)
                .findFirst()
                .ifPresent(p -> problems.put("photos", "A caption has up to %d characters.".formatted(CAPTION)));
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return show(id, new Filled("publish", sent, problems), model);
        }
        int number = Units.in(UnitSystem.METRIC, () -> {
            Report report = reporting.of(study, LocalDate.now(clock), reader(sent.getOrDefault("for", "")));
            Optional<Report> before = editions.latest(id).map(text -> json.readValue(text, Report.class));
            String changed = before.map(b -> Changed.since(b, report)).orElse("");
            int next = editions.of(id).stream()
                            .mapToInt(EditionStore.Listed::number)
                            .max()
                            .orElse(0)
                    + 1;
            ReportPages.Own own = new ReportPages.Own(
                    headline,
                    Arrays.stream(words.split("\\R\\s*\\R"))
                            .map(PlainText::line)
                            .filter(p -> !p.isEmpty())
                            .toList(),
                    "Edition %d, %s.".formatted(next, LocalDate.now(clock)),
                    changed,
                    chosen.stream().map(p -> shot(sent, p)).toList());
            return editions.publish(
                    id,
                    new EditionStore.Draft(
                            headline,
                            words,
                            changed,
                            new EditionStore.Pages(
                                    json.writeValueAsString(report),
                                    pages.html(report, own),
                                    pages.markdown(report, own)),
                            report.seal(),
                            hands.name(),
                            Instant.now(clock),
                            key));
        });
        return "redirect:/studies/%d/publish#edition-%d".formatted(id, number);
    }

    private static String caption(Map<String, String> sent, PhotoStore.Listed p) {
        return PlainText.line(sent.getOrDefault("caption" + p.id(), ""));
    }

    private ReportPages.Shot shot(Map<String, String> sent, PhotoStore.Listed p) {
        String what = "%s, day %d, %s"
                .formatted(
                        p.section().orElse("the whole bed"),
                        p.day(),
                        p.look().stage().label());
        String caption = caption(sent, p);
        return new ReportPages.Shot(
                photos.picture(p.id(), true)
                        .map(b ->
                                "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(b))
                        .orElse(""),
                caption.isEmpty() ? what : caption + " (" + what + ")");
    }

    @GetMapping("/studies/{id}/editions/{outcome}.html")
    ResponseEntity<String> html(@PathVariable long id, @PathVariable long outcome) {
        return html(edition(id, outcome).html());
    }

    @GetMapping("/studies/{id}/editions/{outcome}.md")
    ResponseEntity<String> markdown(@PathVariable long id, @PathVariable long outcome) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "markdown", StandardCharsets.UTF_8))
                .body(edition(id, outcome).markdown());
    }

    @GetMapping("/studies/{id}/editions/{outcome}.json")
    ResponseEntity<String> json(@PathVariable long id, @PathVariable long outcome) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .body(edition(id, outcome).report());
    }

    private EditionStore.Pages edition(long id, long number) {
        open(id);
        return editions.pages(id, number)
                .orElseThrow(() -> new Missing("There is no such edition of this study. Its list has them all."));
    }

    private static ResponseEntity<String> html(String page) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"report.html\"")
                .header("Content-Security-Policy", "default-src 'none'; img-src data:; style-src 'unsafe-inline'")
                .body(page);
    }
}
