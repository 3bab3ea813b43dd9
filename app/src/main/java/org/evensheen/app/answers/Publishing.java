package org.evensheen.app.answers;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Units;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.UnitSystem;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tools.jackson.databind.json.JsonMapper;

/** Publishes reports, of whatever they are: a page that needs nothing else, Markdown and JSON, kept as they went out. Told in metric units. */
@Component
public class Publishing {
    private static final int HEADLINE = 120;
    private static final int WORDS = 4000;
    private static final int CAPTION = 160;
    private static final int PHOTOS = 10;

    private final ReportPages pages;
    private final EditionStore editions;
    private final JsonMapper json;
    private final Clock clock;

    Publishing(ReportPages pages, EditionStore editions, JsonMapper json, Clock clock) {
        this.pages = pages;
        this.editions = editions;
        this.json = json;
        this.clock = clock;
    }

    /**
     * What is published.
     *
     * @param base its address
     * @param query what is asked for there; empty if nothing
     * @param back where its answer stands
     * @param readers whether it is weighed for somebody
     * @param readings where the readings are, for whoever wants to check; empty if nowhere
     * @param report as of today, for a reader by their code; the first for one that is not known
     */
    public record Subject(
            Matter of,
            String base,
            String query,
            String back,
            String question,
            boolean readers,
            String readings,
            Supplier<List<Photo>> photos,
            Function<String, Report> report) {
        /** Address of a part of it. */
        public String at(String part) {
            return base + part + (query.isEmpty() ? "" : "?" + query);
        }
    }

    /** A photo that can go along. */
    public record Photo(long id, String small, String what, String note, Supplier<Optional<byte[]>> picture) {}

    /** A photo to choose. */
    record Choice(long id, String small, String what, boolean chosen, String caption) {}

    /** An edition in the list. */
    record Line(int number, String headline, String changed, String when, String seal) {}

    String show(Subject s, Filled filled, Model model) {
        model.addAttribute("subject", s);
        model.addAttribute("filled", filled);
        EditionStore.Shown shown = editions.of(s.of());
        List<Profile> readers = new ArrayList<>(Profile.shipped());
        readers.addAll(shown.own());
        model.addAttribute("readers", s.readers() ? readers : List.of());
        model.addAttribute(
                "photos",
                s.photos().get().stream()
                        .map(p -> new Choice(
                                p.id(),
                                p.small(),
                                p.what(),
                                filled.in("photo" + p.id()).equals("on"),
                                filled.in("caption" + p.id(), p.note())))
                        .toList());
        model.addAttribute(
                "editions",
                shown.editions().stream()
                        .map(e -> new Line(
                                e.number(),
                                e.headline().isEmpty() ? s.question() : e.headline(),
                                e.changed(),
                                "%s, by %s".formatted(Figures.moment(e.at(), clock.getZone()), e.by()),
                                e.seal().substring(0, 12)))
                        .toList());
        model.addAttribute("key", UUID.randomUUID());
        return "answers/publish";
    }

    private static Report report(Subject s, String reader) {
        return Units.in(UnitSystem.METRIC, () -> s.report().apply(reader));
    }

    /** The report as it would be, before anything is published: as {@code html}, {@code md} or {@code json}. */
    ResponseEntity<?> as(String form, Subject s, String reader) {
        Report report = report(s, reader);
        ReportPages.Own nobody = new ReportPages.Own("", List.of(), "Not published.", "", List.of());
        return switch (form) {
            case "html" -> html(Units.in(UnitSystem.METRIC, () -> pages.html(report, nobody)));
            case "md" -> markdown(Units.in(UnitSystem.METRIC, () -> pages.markdown(report, nobody)));
            default ->
                ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(report);
        };
    }

    /** The report as a card to share. */
    ResponseEntity<byte[]> card(Subject s, String reader) {
        Report report = report(s, reader);
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .body(Units.in(UnitSystem.METRIC, () -> Card.png(report)));
    }

    String publish(
            Subject s, Map<String, String> sent, UUID key, Hands hands, HttpServletResponse response, Model model) {
        List<Photo> chosen = s.photos().get().stream()
                .filter(p -> sent.getOrDefault("photo" + p.id(), "").equals("on"))
                .toList();
        Map<String, String> problems = problems(sent, chosen);
        if (!problems.isEmpty()) {
            response.setStatus(422);
            return show(s, new Filled("publish", sent, problems), model);
        }
        Report report = report(s, sent.getOrDefault("for", ""));
        int number = Units.in(UnitSystem.METRIC, () -> edition(s, report, sent, chosen, key, hands));
        return "redirect:%s#edition-%d".formatted(s.at("/publish"), number);
    }

    private static Map<String, String> problems(Map<String, String> sent, List<Photo> chosen) {
        Map<String, String> problems = new LinkedHashMap<>();
        String headline = headline(sent);
        int words = words(sent).length();
        if (headline.length() > HEADLINE || !headline.isEmpty() && !PlainText.readable(headline)) {
            problems.put("headline", "A headline has up to %d characters that can be read.".formatted(HEADLINE));
        }
        if (words > WORDS) {
            problems.put("words", "Your words have up to %d characters; these are %d.".formatted(WORDS, words));
        }
        if (chosen.size() > PHOTOS) {
            problems.put("photos", "A report holds up to %d photos; %d are chosen.".formatted(PHOTOS, chosen.size()));
        }
        if (sent.keySet().stream().filter(k -> k.matches("photo\\d+")).count() > chosen.size()) {
            problems.put("photos", "A photo that was chosen has been taken back since. Look again at the rest.");
        }
        if (chosen.stream().anyMatch(p -> caption(sent, p).length() > CAPTION)) {
            problems.put("photos", "A caption has up to %d characters.".formatted(CAPTION));
        }
        return problems;
    }

    private int edition(Subject s, Report report, Map<String, String> sent, List<Photo> chosen, UUID key, Hands hands) {
        Optional<Report> before = editions.latest(s.of()).map(text -> json.readValue(text, Report.class));
        String changed = before.map(b -> Changed.since(b, report)).orElse("");
        int next = editions.of(s.of()).editions().stream()
                        .mapToInt(EditionStore.Listed::number)
                        .max()
                        .orElse(0)
                + 1;
        ReportPages.Own own = new ReportPages.Own(
                headline(sent),
                Arrays.stream(words(sent).split("\\R\\s*\\R"))
                        .map(PlainText::line)
                        .filter(p -> !p.isEmpty())
                        .toList(),
                "Edition %d, %s.".formatted(next, LocalDate.now(clock)),
                changed,
                chosen.stream().map(p -> shot(sent, p)).toList());
        return editions.publish(
                s.of(),
                new EditionStore.Draft(
                        headline(sent),
                        words(sent),
                        changed,
                        new EditionStore.Pages(
                                json.writeValueAsString(report), pages.html(report, own), pages.markdown(report, own)),
                        report.seal(),
                        hands.name(),
                        Instant.now(clock),
                        key));
    }

    private static String headline(Map<String, String> sent) {
        return PlainText.line(sent.getOrDefault("headline", ""));
    }

    private static String words(Map<String, String> sent) {
        return sent.getOrDefault("words", "").strip();
    }

    private static String caption(Map<String, String> sent, Photo p) {
        return PlainText.line(sent.getOrDefault("caption" + p.id(), ""));
    }

    private static ReportPages.Shot shot(Map<String, String> sent, Photo p) {
        String caption = caption(sent, p);
        return new ReportPages.Shot(
                p.picture()
                        .get()
                        .map(b ->
                                "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(b))
                        .orElse(""),
                caption.isEmpty() ? p.what() : caption + " (" + p.what() + ")");
    }

    /** An edition as it went out. */
    ResponseEntity<String> edition(String form, Subject s, long number) {
        EditionStore.Pages kept = edition(s, number);
        return switch (form) {
            case "html" -> html(kept.html());
            case "md" -> markdown(kept.markdown());
            default ->
                ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(kept.report());
        };
    }

    private static ResponseEntity<String> markdown(String text) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "markdown", StandardCharsets.UTF_8))
                .body(text);
    }

    private EditionStore.Pages edition(Subject s, long number) {
        return editions.pages(s.of(), number)
                .orElseThrow(() -> new Missing("There is no such edition of it. Its list has them all."));
    }

    private static ResponseEntity<String> html(String page) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"report.html\"")
                .header("Content-Security-Policy", "default-src 'none'; img-src data:; style-src 'unsafe-inline'")
                .body(page);
    }
}
