package org.evensheen.app.studies;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The dates of a study that has begun: those ahead can be moved, and a look can be added, also years later. */
@Controller
class StudyDatesController {
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);
    private static final int LONGEST_WHY = 200;
    /** The schema's limit. */
    private static final int LAST_DAY = 3660;

    private final StudyStore studies;
    private final DatesStore dates;
    private final Clock clock;

    StudyDatesController(StudyStore studies, DatesStore dates, Clock clock) {
        this.studies = studies;
        this.dates = dates;
        this.clock = clock;
    }

    /** A look ahead, as its form has it. */
    record Ahead(int day, String when, String what, UUID key, String typed, String why, String problem) {}

    /** What was typed and could not be done, for the look of a day; {@link #ADDED} for one to be added. */
    private record Refusal(int from, String date, String why, UUID key, String problem) {}

    private static final int ADDED = -1;

    @GetMapping("/studies/{id}/dates")
    String dates(@PathVariable long id, Model model) {
        show(studies.load(id), Optional.empty(), model);
        return "studies/dates";
    }

    @PostMapping("/studies/{id}/dates")
    String move(
            @PathVariable long id,
            @RequestParam(defaultValue = "-1") int from,
            @RequestParam(defaultValue = "") String date,
            @RequestParam(defaultValue = "") String why,
            @RequestParam UUID key,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Study study = studies.load(id);
        Optional<LocalDate> to = date(date);
        String reason = why.strip();
        String problem = problem(study, from, to, reason);
        if (!problem.isEmpty()) {
            response.setStatus(422);
            show(study, Optional.of(new Refusal(from, date, why, key, problem)), model);
            return "studies/dates";
        }
        int day = (int) ChronoUnit.DAYS.between(study.firstDay(), to.orElseThrow());
        String by = Hands.of(request).name();
        if (from == ADDED) {
            dates.add(id, day, study.record().plan().course().last().code(), reason, key, by);
        } else if (day != from) {
            dates.move(
                    id,
                    from,
                    day,
                    reason,
                    key,
                    by,
                    "Moved from %s: %s.".formatted(study.dateOf(from).format(DATE), reason));
        }
        return "redirect:/studies/%d/dates".formatted(id);
    }

    private String problem(Study study, int from, Optional<LocalDate> to, String why) {
        LocalDate today = LocalDate.now(clock);
        if (to.isEmpty()) {
            return "Choose a day, like %s.".formatted(today.plusWeeks(1));
        }
        if (to.get().isBefore(today)) {
            return "That day is over. Choose today or later.";
        }
        if (ChronoUnit.DAYS.between(study.firstDay(), to.get()) > LAST_DAY) {
            return "A study is followed for ten years at most, until %s."
                    .formatted(study.dateOf(LAST_DAY).format(DATE));
        }
        if (from != ADDED && !study.dateOf(from).isAfter(today)) {
            return "What was planned for a day that has come can't be moved; read it, or let it be missed.";
        }
        if (why.isEmpty()) {
            return "Say why, in a few words: it stands beside the date.";
        }
        return why.length() > LONGEST_WHY
                ? "Say it in %d characters; this has %d.".formatted(LONGEST_WHY, why.length())
                : "";
    }

    private static Optional<LocalDate> date(String typed) {
        try {
            return Optional.of(LocalDate.parse(typed.strip())).filter(d -> d.getYear() > 1900 && d.getYear() < 2200);
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    private void show(Study study, Optional<Refusal> refusal, Model model) {
        LocalDate today = LocalDate.now(clock);
        List<Ahead> ahead = study.record().plan().visits().stream()
                .map(v -> v.day())
                .distinct()
                .sorted()
                .filter(d -> study.dateOf(d).isAfter(today))
                .map(d -> ahead(study, d, refusal))
                .toList();
        model.addAttribute("id", study.id());
        model.addAttribute("question", study.question());
        model.addAttribute("ahead", ahead);
        Optional<Refusal> added = refusal.filter(r -> r.from() == ADDED);
        model.addAttribute(
                "added",
                new Ahead(
                        ADDED,
                        "",
                        "",
                        added.map(Refusal::key).orElseGet(UUID::randomUUID),
                        added.map(Refusal::date).orElse(""),
                        added.map(Refusal::why).orElse(""),
                        added.map(Refusal::problem).orElse("")));
        model.addAttribute(
                "stray",
                refusal.filter(r -> r.from() != ADDED && ahead.stream().noneMatch(a -> a.day() == r.from()))
                        .map(Refusal::problem)
                        .orElse(""));
        model.addAttribute(
                "moves",
                dates.of(study.id()).stream()
                        .map(m -> m.from()
                                .map(f -> "%s became %s: %s (%s)"
                                        .formatted(
                                                study.dateOf(f).format(DATE),
                                                study.dateOf(m.to()).format(DATE),
                                                m.why(),
                                                m.by()))
                                .orElseGet(() -> "%s was added: %s (%s)"
                                        .formatted(study.dateOf(m.to()).format(DATE), m.why(), m.by())))
                        .toList());
    }

    private static Ahead ahead(Study study, int day, Optional<Refusal> refusal) {
        Optional<Refusal> here = refusal.filter(r -> r.from() == day);
        String what = study.works().stream()
                .filter(w -> w.day() == day)
                .map(w -> w.title())
                .findFirst()
                .orElse("Visit");
        return new Ahead(
                day,
                study.dateOf(day).format(DATE),
                what,
                here.map(Refusal::key).orElseGet(UUID::randomUUID),
                here.map(Refusal::date).orElse(study.dateOf(day).toString()),
                here.map(Refusal::why).orElse(""),
                here.map(Refusal::problem).orElse(""));
    }
}
