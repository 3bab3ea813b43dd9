package org.evensheen.app.plans;

import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evensheen.app.page.Figures;
import org.evensheen.core.planning.Calendar.Kind;
import org.evensheen.core.planning.Calendar.Work;

/**
 * The Tape of a plan: every dated work as a notch that can be dragged. Places are per cent of the blade.
 *
 * @param ban from when to when nothing may be put on top
 */
record PlanTape(int last, String dayTicks, List<Week> weeks, List<Notch> notches, String ban) {
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    /** A numbered mark. */
    record Week(String at, String number, boolean before) {}

    /** Dated work. */
    record Notch(String key, String at, String shape, String title, String caption, String anchor) {}

    static PlanTape of(Design design) {
        int last = Math.max(7, design.calendar().lastDay());
        int step = last > 420 ? 8 : last > 210 ? 4 : last > 120 ? 2 : 1;
        return new PlanTape(
                last,
                IntStream.rangeClosed(0, last)
                        .filter(d -> last <= 150 || d % 7 == 0)
                        .mapToObj(d -> "M%d,0V1".formatted(d))
                        .collect(Collectors.joining()),
                IntStream.rangeClosed(0, last / 7)
                        .filter(w -> w % step == 0)
                        .mapToObj(w -> new Week(at(7 * w, last), String.valueOf(w), 7 * w > 0.97 * last))
                        .toList(),
                design.calendar().works().stream()
                        .filter(w -> w.kind() != Kind.STRIP)
                        .map(w -> notch(design, w, last))
                        .toList(),
                "From applying to the last reading nothing may go on top: no topper, no drying aid.");
    }

    private static Notch notch(Design design, Work work, int last) {
        String shape = switch (work.kind()) {
            case APPLY, COAT -> "applied";
            case WASH -> "washed";
            case DOSE -> "dosed";
            case CHECK -> "gauge-checked";
            case CURE -> "weather-noted";
            case BARE -> "partly";
            case FRESH -> "due";
            default -> "ahead";
        };
        String caption = switch (work.kind()) {
            case APPLY -> "apply";
            case FRESH -> work.day() > last / 12 ? "first readings" : "";
            default -> work.day() == last ? "verdict" : "";
        };
        double share = work.day() / (double) last;
        return new Notch(
                work.key(),
                at(work.day(), last),
                "#n-" + shape,
                "Day %d, %s. %s. %s"
                        .formatted(work.day(), design.dateOf(work.day()).format(DATE), work.title(), work.why()),
                caption,
                share < 0.04 ? "start" : share > 0.96 ? "end" : "middle");
    }

    private static String at(int day, int last) {
        return Figures.svg(100.0 * day / last) + "%";
    }
}
