package org.evensheen.app.calendar;

import static org.assertj.core.api.Assertions.assertThat;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evensheen.app.calendar.DatedStore.Dated;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class CalendarTest {
    private static ICalendar fetch(String path) {
        ICalendar calendar = Biweekly.parse(Web.get(path).body()).first();
        assertThat(calendar.validate(biweekly.ICalVersion.V2_0).getWarnings()).isEmpty();
        return calendar;
    }

    private static String feed() {
        return "/calendar/" + LiveApp.bean(DatedStore.class).address() + ".ics";
    }

    @Test
    void theAddressStaysCurrentAndIsSecret() {
        long before = fetch(feed()).getEvents().size();
        Map<String, String> typed = SamplePlan.fair();
        typed.put("question", "Which stays in the calendar?");
        long study = SamplePlan.begin(SamplePlan.make(typed));
        List<VEvent> events = fetch(feed()).getEvents();
        assertThat(events).hasSizeGreaterThan((int) before);
        assertThat(events)
                .filteredOn(e -> e.getSummary().getValue().contains("Which stays in the calendar?"))
                .filteredOn(e -> e.getSummary().getValue().startsWith("Cured"))
                .singleElement()
                .satisfies(e -> assertThat(e.getDescription().getValue())
                        .contains("A label asks to keep dry", "/studies/" + study)
                        .doesNotContain("Osier"));
        assertThat(events).extracting(e -> e.getUid().getValue()).doesNotHaveDuplicates();
        assertThat(Web.get("/calendar/00000000-0000-0000-0000-000000000000.ics").statusCode())
                .isEqualTo(404);
        assertThat(fetch("/studies/" + study + "/calendar.ics").getEvents()).hasSizeGreaterThan(10);
    }

    @Test
    void daysStayDaysAcrossALeapDayAndAClockChange() {
        List<Dated> works = List.of(
                dated(LocalDate.of(2028, 2, 29)), dated(LocalDate.of(2027, 3, 28)), dated(LocalDate.of(2027, 10, 31)));
        String file = CalendarFile.of(
                works, List.of(), List.of(), "http://127.0.0.1:8180", Instant.parse("2026-11-25T10:00:00Z"));
        assertThat(file)
                .contains("DTSTART;VALUE=DATE:20280229", "DTEND;VALUE=DATE:20280301")
                .contains("DTSTART;VALUE=DATE:20270328", "DTEND;VALUE=DATE:20270329")
                .contains("DTSTART;VALUE=DATE:20271031", "DTEND;VALUE=DATE:20271101");
    }

    private static Dated dated(LocalDate date) {
        return new Dated(1, "Which?", 1, "Board", date, 5, "visit", "Visit", "", 30);
    }

    @Test
    void twoStudiesOnOneDayAreAClash() {
        // On days before those of other tests' studies, as only the first clashes are listed.
        Map<String, String> soon = new HashMap<>(SamplePlan.fair());
        soon.put("firstDay", LocalDate.now().plusDays(2).toString());
        soon.put("question", "Which stays?");
        SamplePlan.begin(SamplePlan.make(soon));
        long second = SamplePlan.make(soon);
        assertThat(Web.get("/plans/" + second + "/clashes").body()).contains("Which stays?");
        SamplePlan.begin(second);
        assertThat(Web.get("/calendar").body()).contains("studies want hands on this day");
    }
}
