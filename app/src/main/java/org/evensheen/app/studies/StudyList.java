package org.evensheen.app.studies;

import static org.evensheen.app.page.Figures.svg;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import org.evensheen.app.page.Figures;

/** The list of studies in words. */
record StudyList(
        String address,
        String question,
        String about,
        String when,
        String sentence,
        String trust,
        String next,
        Small panel) {

    /** The bed with its sections as a small drawing. */
    record Small(String viewBox, List<Patch> patches) {}

    /** A section; a control is drawn empty. */
    record Patch(String x, String y, String width, String height, boolean control) {}

    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    static List<StudyList> of(List<StudyListStore.Listed> studies, Clock clock) {
        LocalDate today = LocalDate.now(clock);
        return studies.stream()
                .map(s -> new StudyList(
                        "/studies/" + s.id(),
                        s.question(),
                        "%s, %s".formatted(s.bed(), Figures.count(s.products(), "product", "products")),
                        "begun %s, day %d today"
                                .formatted(s.firstDay().format(DATE), ChronoUnit.DAYS.between(s.firstDay(), today)),
                        s.sentence(),
                        s.closed() ? "judged by code" : s.footing(),
                        s.next()
                                .map(d -> d.equals(today) ? "due today" : "next on " + Figures.day(d, today))
                                .orElse(""),
                        small(s.panel())))
                .toList();
    }

    private static Small small(StudyListStore.Small of) {
        return new Small(
                "0 0 %s %s".formatted(svg(of.width()), svg(of.height())),
                of.patches().stream()
                        .map(p -> new Patch(svg(p.x()), svg(p.y()), svg(p.width()), svg(p.height()), p.control()))
                        .toList());
    }
}
