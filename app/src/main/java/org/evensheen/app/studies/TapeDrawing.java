package org.evensheen.app.studies;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evensheen.app.page.Figures;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.schedule.Visit;
import org.evensheen.core.study.Happening;

/**
 * Time as a steel tape: a tick a day, a number a week, a notch for everything done or planned. Places are per cent of the
 * blade's length.
 *
 * @param dayTicks one path for all day ticks, in days
 */
public record TapeDrawing(
        String address,
        int day,
        int today,
        int lastDay,
        String stage,
        String dayWords,
        String spoken,
        String dayTicks,
        List<Week> weeks,
        List<Notch> notches,
        String hook,
        String hookAnchor) {

    /** A numbered mark; the number stands before it at the blade's end. */
    public record Week(String at, String number, boolean before, boolean odd) {}

    /**
     * Something on the tape; its shape is drawn once for the page, its title says it in words.
     *
     * @param lesser whether it lies under another on a narrow tape, and is not drawn there
     */
    public record Notch(
            String at, String shape, String title, String caption, String anchor, boolean captioned, boolean lesser) {}

    /** What stands out on a narrow tape, the weightiest first: what was read and what is due before what was done between. */
    private static final List<String> WEIGHT = List.of(
            "due",
            "applied",
            "missed",
            "partly",
            "done",
            "ahead",
            "dosed",
            "topped",
            "washed",
            "gauge-checked",
            "odometer",
            "wetted",
            "weather-noted");

    /** What stands below the blade. */
    private static final Set<String> BELOW = Set.of("gauge-checked", "odometer", "wetted", "weather-noted");

    /** Room that a notch wants on a narrow tape, as a share of it. */
    private static final double ROOM = 0.05;

    private static final double ROOM_BELOW = 0.12;

    /** A notch before it is known what lies beside it. */
    private record Mark(int day, String kind, String title, String caption) {}

    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    static TapeDrawing of(Study study, Selection selection) {
        return of(study, selection, "/studies/" + study.id());
    }

    /** The same tape on another page of the study, which is asked for again when it is pulled. */
    public static TapeDrawing of(Study study, Selection selection, String address) {
        int last = Selection.lastDay(study, selection.today());
        int step = last > 420 ? 8 : last > 210 ? 4 : last > 120 ? 2 : 1;
        String ticks = IntStream.rangeClosed(0, last)
                .filter(d -> last <= 150 || d % 7 == 0)
                .mapToObj(d -> "M%d,0V1".formatted(d))
                .collect(Collectors.joining());
        List<Week> weeks = IntStream.rangeClosed(0, last / 7)
                .filter(w -> w % step == 0)
                .mapToObj(w -> new Week(at(7 * w, last), String.valueOf(w), 7 * w > 0.97 * last, w / step % 2 == 1))
                .toList();
        int day = selection.at().day();
        double share = day / (double) last;
        return new TapeDrawing(
                address,
                day,
                selection.today(),
                last,
                selection.at().stage().code(),
                words(selection, day),
                "%s, %s, %s"
                        .formatted(
                                words(selection, day),
                                study.dateOf(day).format(DATE),
                                selection.at().stage().label()),
                ticks,
                weeks,
                notches(study, selection, last),
                at(day, last),
                share < 0.08 ? "start" : share > 0.92 ? "end" : "middle");
    }

    private static String words(Selection selection, int day) {
        return (day == selection.today() ? "Today, day " : "Day ") + day;
    }

    private static List<Notch> notches(Study study, Selection selection, int last) {
        List<Mark> marks = marks(study, selection, last);
        List<Mark> outstanding = new ArrayList<>();
        marks.stream()
                .sorted(Comparator.comparingInt((Mark m) -> WEIGHT.indexOf(m.kind))
                        .thenComparing(m -> m.caption.isEmpty())
                        .thenComparing(Comparator.comparingInt(Mark::day).reversed()))
                .filter(m -> outstanding.stream().noneMatch(o -> crowds(o, m, last)))
                .forEach(outstanding::add);
        return marks.stream()
                .map(m -> notch(study, m, last, !outstanding.contains(m)))
                .toList();
    }

    private static boolean crowds(Mark one, Mark other, int last) {
        boolean below = BELOW.contains(one.kind);
        return below == BELOW.contains(other.kind)
                && Math.abs(one.day - other.day) < (below ? ROOM_BELOW : ROOM) * last;
    }

    private static List<Mark> marks(Study study, Selection selection, int last) {
        List<Mark> notches = new ArrayList<>();
        for (Happening happening : study.record().happenings()) {
            String caption = happening.kind() == Happening.Kind.APPLIED ? "applied" : "";
            notches.add(new Mark(happening.day(), happening.kind().code(), words(happening), caption));
        }
        for (Visit visit : Visit.of(study.record(), selection.today())) {
            String state = visit.state().name().toLowerCase(Locale.ROOT);
            String caption = switch (visit.state()) {
                case MISSED -> "missed";
                case AHEAD -> visit.occasion().day() == study.record().plan().lastDay() ? "verdict" : "";
                default -> "";
            };
            notches.add(new Mark(
                    visit.occasion().day(),
                    state,
                    "%s: %s, %d of %d readings"
                            .formatted(
                                    visit.occasion().stage().label(),
                                    spoken(visit.state()),
                                    visit.taken(),
                                    visit.expected()),
                    caption));
        }
        for (Work work : study.works()) {
            boolean shown = work.kind() == Calendar.Kind.WASH || work.kind() == Calendar.Kind.DOSE;
            if (shown && work.day() > selection.today() && work.day() <= last) {
                notches.add(new Mark(work.day(), "ahead", "Planned: " + work.title() + ". " + work.why(), ""));
            }
        }
        return notches;
    }

    /** A happening in words, with its note. */
    static String words(Happening happening) {
        return happening.kind().label() + (happening.note().isEmpty() ? "" : ": " + happening.note());
    }

    private static String spoken(Visit.State state) {
        return switch (state) {
            case DONE -> "read";
            case DUE -> "due today";
            case PARTLY -> "partly read";
            case MISSED -> "missed";
            case AHEAD -> "planned";
        };
    }

    private static Notch notch(Study study, Mark mark, int last, boolean lesser) {
        int day = mark.day;
        double share = day / (double) last;
        return new Notch(
                at(day, last),
                "#n-" + mark.kind,
                "Day %d, %s. %s".formatted(day, study.dateOf(day).format(DATE), mark.title),
                mark.caption,
                share < 0.04 ? "start" : share > 0.96 ? "end" : "middle",
                !mark.caption.isEmpty(),
                lesser);
    }

    private static String at(int day, int last) {
        return Figures.svg(100.0 * day / last) + "%";
    }
}
