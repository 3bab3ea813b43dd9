package org.evensheen.app.answers;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.core.answer.Onward;
import org.evensheen.core.answer.Weighed;

/**
 * What would settle an answer, as its page shows it.
 *
 * @param lead the one of the least work, in a sentence
 * @param lines each kind of way, that of the least work first
 */
record NextPage(String lead, List<Line> lines) {
    private static final long SEED = 20_260_201;

    /** A way of going on. */
    record Line(String what, String work, String share, boolean parts, int percent) {}

    static NextPage of(AnswerOf of, Weighed w, List<Onward.Way> ways) {
        if (w.lines().size() < 2) {
            return new NextPage("", List.of());
        }
        String leader = name(of, w, 0);
        List<Onward.Rehearsed> all = Onward.rehearse(w, ways, SEED);
        if (all.isEmpty()) {
            return new NextPage("For this reader it is settled: %s stands alone.".formatted(leader), List.of());
        }
        String two = "%s and %s".formatted(leader, name(of, w, 1));
        Optional<Onward.Rehearsed> least = Onward.least(all);
        return new NextPage(
                least.map(r -> "%s: %s. It would part %s in %s of 100 rehearsals."
                                .formatted(what(r.way()), work(r.way()), two, hundredths(r)))
                        .orElseGet(() -> nothing(all, two)),
                Onward.eachKind(all).stream()
                        .map(r -> new Line(
                                what(r.way()),
                                work(r.way()),
                                "parts them in %s of 100".formatted(hundredths(r)),
                                r.parts() >= Onward.MOSTLY,
                                (int) Math.round(100 * r.parts())))
                        .toList());
    }

    private static String nothing(List<Onward.Rehearsed> all, String two) {
        String nearest = all.stream()
                .max(Comparator.comparingDouble(Onward.Rehearsed::parts))
                .map(r -> " What comes closest is %s: it parts them in %s of 100."
                        .formatted(small(what(r.way())), hundredths(r)))
                .orElse("");
        return "Nothing that was rehearsed parts %s in 80 of 100.%s They may be too alike for what matters here: move on, or ask what else parts them."
                .formatted(two, nearest);
    }

    private static String small(String words) {
        return Character.toLowerCase(words.charAt(0)) + words.substring(1);
    }

    private static String hundredths(Onward.Rehearsed r) {
        return Figures.number(100 * r.parts(), 0);
    }

    private static String name(AnswerOf of, Weighed w, int nth) {
        return of.contenders().get(w.lines().get(nth).contender()).name();
    }

    private static String what(Onward.Way way) {
        return switch (way.kind()) {
            case SECTIONS -> "%s of each, with first readings".formatted(more(way, "section", "sections"));
            case VISITS ->
                "%s, one %s"
                        .formatted(
                                more(way, "visit", "visits"),
                                way.weeks() > way.times() ? "every " + weeks(way.weeks() / way.times()) : "a week");
            case AGAIN ->
                "The study once more, with %s of each".formatted(Figures.count(way.times(), "section", "sections"));
            case ROUNDS -> "%s with sides exchanged".formatted(more(way, "round", "rounds"));
            case TWO_ALONE -> "%s of these two alone".formatted(more(way, "round", "rounds"));
            case MEETINGS -> more(way, "meeting", "meetings");
        };
    }

    private static String more(Onward.Way way, String one, String several) {
        return way.times() == 1 ? "One more " + one : "%d more %s".formatted(way.times(), several);
    }

    /** "2.5 h in 4 weeks". */
    private static String work(Onward.Way way) {
        return "about " + hours(way.minutes()) + (way.weeks() > 0 ? " over " + weeks(way.weeks()) : "");
    }

    private static String weeks(double weeks) {
        return Figures.count((int) Math.round(weeks), "week", "weeks");
    }

    private static String hours(double minutes) {
        return minutes < 90
                ? "%s min".formatted(Figures.number(Math.max(5, 5 * Math.ceil(minutes / 5)), 0))
                : "%s h".formatted(Figures.compact(minutes / 60, 2));
    }
}
