package org.evensheen.app.calendar;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.page.Missing;
import org.evensheen.app.sidebyside.LookStore;
import org.evensheen.app.studies.Upkeeps;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The calendar, as a page and as a file that others can subscribe to. */
@Controller
class CalendarController {
    private static final int DAYS_BACK = 7;
    private static final int DAYS_AHEAD = 70;
    private static final int FEED_BACK = 60;
    private static final int FEED_AHEAD = 800;

    private final DatedStore dated;
    private final LookStore looks;
    private final Upkeeps upkeeps;
    private final Clock clock;

    CalendarController(DatedStore dated, LookStore looks, Upkeeps upkeeps, Clock clock) {
        this.dated = dated;
        this.looks = looks;
        this.upkeeps = upkeeps;
        this.clock = clock;
    }

    @GetMapping("/calendar")
    String calendar(HttpServletRequest request, Model model) {
        LocalDate today = LocalDate.now(clock);
        model.addAttribute(
                "page",
                CalendarPage.of(
                        dated.between(today.minusDays(DAYS_BACK), today.plusDays(DAYS_AHEAD), Optional.empty()),
                        looks(today.minusDays(DAYS_BACK), today.plusDays(DAYS_AHEAD)),
                        today,
                        address(request) + "/calendar/" + dated.address() + ".ics"));
        return "calendar/calendar";
    }

    /** What is subscribed to: made afresh whenever it is fetched. */
    @GetMapping("/calendar/{secret}.ics")
    ResponseEntity<String> feed(@PathVariable UUID secret, HttpServletRequest request) {
        if (!secret.equals(dated.address())) {
            throw new Missing("There is no calendar at this address. The Calendar page has the right one.");
        }
        return file(Optional.empty(), request, "even-sheen.ics");
    }

    @GetMapping("/studies/{id}/calendar.ics")
    ResponseEntity<String> study(@PathVariable long id, HttpServletRequest request) {
        return file(Optional.of(id), request, "study-" + id + ".ics");
    }

    private ResponseEntity<String> file(Optional<Long> study, HttpServletRequest request, String name) {
        LocalDate today = LocalDate.now(clock);
        LocalDate from = study.isPresent() ? today.minusYears(12) : today.minusDays(FEED_BACK);
        LocalDate to = study.isPresent() ? today.plusYears(12) : today.plusDays(FEED_AHEAD);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "text/calendar;charset=utf-8")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(CalendarFile.of(
                        dated.between(from, to, study),
                        study.isPresent() ? List.of() : looks(from, to),
                        upkeeps.standing(study),
                        address(request),
                        clock.instant()));
    }

    private List<LookStore.Due> looks(LocalDate from, LocalDate to) {
        ZoneId zone = ZoneId.systemDefault();
        return looks.between(
                from.atStartOfDay(zone).toInstant(),
                to.plusDays(1).atStartOfDay(zone).toInstant());
    }

    private static String address(HttpServletRequest request) {
        return "%s://%s:%d".formatted(request.getScheme(), request.getServerName(), request.getServerPort());
    }
}
