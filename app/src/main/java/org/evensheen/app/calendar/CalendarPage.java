package org.evensheen.app.calendar;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evensheen.app.calendar.DatedStore.Dated;
import org.evensheen.app.page.Figures;
import org.evensheen.app.sidebyside.LookStore;

/**
 * The calendar of all studies.
 *
 * @param address where it can be subscribed to
 */
record CalendarPage(List<Week> weeks, String address) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("'At' H:mm", Locale.ENGLISH);

    /** Seconds a reading takes on the whole; for adding days up. */
    private static final double READING = 40;

    /** A week. */
    record Week(String title, List<Day> days) {}

    /** A day with work. */
    record Day(String date, boolean today, List<Item> items, String clash) {}

    /** A piece of work. */
    record Item(String address, String title, String question, String more) {}

    static CalendarPage of(List<Dated> works, List<LookStore.Due> looks, LocalDate today, String address) {
        Map<LocalDate, List<Item>> items = new TreeMap<>();
        works.forEach(d -> items.computeIfAbsent(d.date(), day -> new ArrayList<>())
                .add(new Item("/studies/" + d.study(), d.title(), d.question(), "%s. %s".formatted(d.bed(), d.why()))));
        looks.forEach(l -> items.computeIfAbsent(
                        l.at().atZone(ZoneId.systemDefault()).toLocalDate(), day -> new ArrayList<>())
                .add(new Item(
                        l.address(),
                        l.what(),
                        l.names(),
                        l.at().atZone(ZoneId.systemDefault()).format(TIME))));
        Map<LocalDate, List<Dated>> byDay = works.stream().collect(Collectors.groupingBy(Dated::date));
        Map<LocalDate, List<Day>> byWeek = new LinkedHashMap<>();
        items.forEach((date, all) -> byWeek.computeIfAbsent(
                        date.minusDays(date.getDayOfWeek().getValue() - 1L), w -> new ArrayList<>())
                .add(new Day(date.format(DAY), date.equals(today), all, clash(byDay.getOrDefault(date, List.of())))));
        return new CalendarPage(
                byWeek.entrySet().stream()
                        .map(e -> new Week(title(e.getKey(), today), e.getValue()))
                        .toList(),
                address);
    }

    private static String title(LocalDate monday, LocalDate today) {
        long weeks =
                ChronoUnit.WEEKS.between(today.minusDays(today.getDayOfWeek().getValue() - 1L), monday);
        String said = weeks == 0
                ? "This week"
                : weeks == 1 ? "Next week" : weeks < 0 ? "Last week" : "In %d weeks".formatted(weeks);
        return said + ", from " + Figures.day(monday, today);
    }

    /** What two studies on one day mean for one pair of hands. */
    static String clash(List<Dated> day) {
        long studies = day.stream().map(Dated::study).distinct().count();
        if (studies < 2) {
            return "";
        }
        double hours = day.stream().mapToInt(Dated::readings).sum() * READING / 3600;
        long beds = day.stream().map(Dated::bedId).distinct().count();
        return "%d studies want hands on this day%s%s."
                .formatted(
                        studies,
                        hours >= 0.1 ? ", about %s h of readings".formatted(Figures.compact(hours, 2)) : "",
                        beds < studies ? ", two of them on one bed" : "");
    }
}
