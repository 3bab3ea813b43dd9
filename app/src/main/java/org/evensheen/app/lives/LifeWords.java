package org.evensheen.app.lives;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Study;
import org.evensheen.core.comparing.Absent;
import org.evensheen.core.comparing.Compared;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.wear.Axis;
import org.evensheen.core.wear.ByChemical;
import org.evensheen.core.wear.Curves.Oddity;
import org.evensheen.core.wear.Fitted;
import org.evensheen.core.wear.Lives;
import org.evensheen.core.wear.MethodChange;
import org.evensheen.core.wear.Outlay;
import org.evensheen.core.wear.Promise;
import org.evensheen.core.wear.Wear;

/** The one place where what was found about lives is told in words. */
final class LifeWords {
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    /** Below this many a figure has a decimal. */
    private static final double COARSE = 20;

    private LifeWords() {}

    /** An amount of an axis as a bare figure: weeks to a tenth, what is counted in whole numbers where it is large. */
    static String figure(Axis axis, double amount) {
        return switch (axis) {
            case WEEKS -> Figures.number(amount, amount < COARSE ? 1 : 0);
            case WASHES, DOSES -> Figures.number(amount, amount < COARSE && amount != Math.rint(amount) ? 1 : 0);
            case KM -> Figures.compact(amount, 3);
        };
    }

    /** A number that somebody claimed, as it was written: 26, 4.5. */
    static String claimed(double amount) {
        return amount == Math.rint(amount) ? Figures.compact(amount, 4) : Figures.number(amount, amount < 10 ? 1 : 0);
    }

    static String range(Axis axis, Interval i) {
        return Double.isInfinite(i.high())
                ? figure(axis, i.low()) + " and more"
                : figure(axis, i.low()) + "–" + figure(axis, i.high());
    }

    /** "week 8.9", "8.9 washes". */
    private static String at(Axis axis, double amount) {
        return axis == Axis.WEEKS ? "week " + figure(axis, amount) : figure(axis, amount) + " " + axis.several();
    }

    private static String amount(Axis axis, String figure) {
        return figure + " " + (figure.equals("1") ? axis.one() : axis.several());
    }

    /** How long a product lasts, in a sentence. */
    static String life(Axis axis, Lives.Told told, double span) {
        if (told.goOn() == told.sections()) {
            return "Not spent after %s: it lasts %s at least."
                    .formatted(
                            amount(axis, figure(axis, span)),
                            figure(axis, told.interval().low()));
        }
        if (told.median().isEmpty()) {
            return "Lasts longer than can be told yet: %s at least."
                    .formatted(amount(axis, figure(axis, told.interval().low())));
        }
        return "Spent %s %s (%s)."
                .formatted(
                        axis == Axis.WEEKS ? "in" : "after",
                        at(axis, told.median().getAsDouble()),
                        range(axis, told.interval()));
    }

    /** The word for how a promise stands. */
    static String state(Promise.State state) {
        return switch (state) {
            case HOLDS_UP -> "holds up";
            case FALLS_SHORT -> "falls short";
            case NOT_SETTLED -> "not settled";
            case ON_COURSE -> "on course";
            case BEHIND -> "behind";
            case TOO_EARLY -> "too early to say";
            case NOT_LOGGED -> "not counted";
            case NO_CURVE -> "no curve";
        };
    }

    /** A promise against what was found, in a sentence. */
    static String promise(Study study, LocalDate today, Wear wear, Promise p) {
        String says = "Its label says “%s”%s."
                .formatted(
                        p.said(),
                        p.said().contains(p.axis().one())
                                        || p.said().contains(p.axis().several())
                                ? ""
                                : ", %s %s"
                                        .formatted(
                                                claimed(p.claimed()), p.axis().several()));
        String chance = p.chance().isPresent()
                ? " (chance that it holds: %s)".formatted(chance(p.chance().getAsDouble()))
                : "";
        String gone = "%s of %s %s gone%s: "
                .formatted(
                        figure(p.axis(), p.elapsed() * p.claimed()),
                        claimed(p.claimed()),
                        p.axis().several(),
                        p.left().isPresent() ? ", " + Figures.percent(p.left().getAsDouble()) + " left" : "");
        return switch (p.state()) {
            case FALLS_SHORT, HOLDS_UP -> "%s %s%s.".formatted(says, capital(state(p.state())), chance);
            case NOT_SETTLED ->
                p.elapsed() >= 1
                        ? "%s Not settled%s.".formatted(says, chance)
                        : capital(gone) + "can't say yet" + chance + "." + settles(study, today, wear, p);
            case ON_COURSE, BEHIND, TOO_EARLY ->
                capital(gone) + state(p.state()) + chance + "." + settles(study, today, wear, p);
            case NOT_LOGGED ->
                says
                        + " No %s was logged, so it can't be set against that."
                                .formatted(p.axis().one());
            case NO_CURVE -> says + " There is nothing here to set it against.";
        };
    }

    /** When a promise in weeks can be settled. */
    private static String settles(Study study, LocalDate today, Wear wear, Promise p) {
        if (p.axis() != Axis.WEEKS) {
            return " A visit after %s settles it.".formatted(amount(p.axis(), claimed(p.claimed())));
        }
        int from = wear.curves().first().stream()
                .filter(c -> c.contender() == p.contender())
                .mapToInt(c -> c.from())
                .min()
                .orElse(0);
        LocalDate date = study.dateOf(from + (int) Math.ceil(7 * p.claimed()));
        return date.isAfter(today)
                ? " A visit on %s or later settles it.".formatted(DATE.format(date))
                : " Its time is over: a visit now settles it.";
    }

    /** The study's lives in a sentence or two. */
    static String[] headline(Study study, Wear wear) {
        if (wear.lives().isEmpty()) {
            return new String[] {"There is no life to tell yet.", "It takes first readings and one visit after them."};
        }
        Lives lives = wear.lives().get();
        long visits = wear.curves().first().stream()
                .flatMap(c -> c.points().stream())
                .map(p -> p.at())
                .distinct()
                .count();
        List<Lives.Told> told = lives.products().stream().map(lives::told).toList();
        boolean spent = told.stream().anyMatch(t -> t.goOn() < t.sections());
        String rest = promises(wear);
        if (!spent) {
            return new String[] {
                visits < 3
                        ? "Too early to say: %s, nothing spent.".formatted(Figures.count(visits, "visit", "visits"))
                        : "Nothing is spent after %s."
                                .formatted(amount(wear.axis(), figure(wear.axis(), lives.span()))),
                rest
            };
        }
        if (wear.ranking().isEmpty()) {
            return new String[] {
                names(study, lives.products()) + ": " + lower(life(wear.axis(), told.get(0), lives.span())), rest
            };
        }
        Lives.Ranking ranking = wear.ranking().get();
        List<Integer> first = new ArrayList<>();
        for (int i = 0; i < ranking.ranked().size(); i++) {
            if (ranking.places().get(i) == 1) {
                first.add(ranking.ranked().get(i));
            }
        }
        String lead = first.size() == ranking.ranked().size()
                ? "None of the %d can be told apart by how long it lasts.".formatted(first.size())
                : first.size() == 1 ? names(study, first) + " lasts longest." : names(study, first) + " last longest.";
        Fitted best = wear.fitted().get(first.get(0));
        String life = first.size() == 1
                ? life(wear.axis(), lives.told(first.get(0)), best == null ? lives.span() : best.span()) + " "
                : "";
        return new String[] {lead, life + rest};
    }

    private static String promises(Wear wear) {
        long shorts = wear.promises().stream()
                .filter(p -> p.state() == Promise.State.FALLS_SHORT)
                .count();
        long holds = wear.promises().stream()
                .filter(p -> p.state() == Promise.State.HOLDS_UP)
                .count();
        List<String> said = new ArrayList<>();
        if (shorts > 0) {
            said.add("%s more than was found.".formatted(counted(shorts, "label promises", "labels promise")));
        }
        if (holds > 0) {
            said.add("%s up.".formatted(counted(holds, "promise holds", "promises hold")));
        }
        return String.join(" ", said);
    }

    /** A number at the head of a sentence: a word up to nine. */
    private static String counted(long number, String one, String several) {
        String[] words = {"No", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine"};
        return (number < words.length ? words[(int) number] : "" + number) + " " + (number == 1 ? one : several);
    }

    private static String names(Study study, List<Integer> numbers) {
        List<String> names = numbers.stream()
                .map(n -> study.record().contenders().get(n).name())
                .toList();
        int last = names.size() - 1;
        return last < 1 ? names.get(0) : String.join(", ", names.subList(0, last)) + " and " + names.get(last);
    }

    /** Why a product has no curve. */
    static String without(Absent why) {
        return switch (why) {
            case SHEETS -> "It lets water run off in a sheet, so the angle of a drop is no mark of it.";
            case NOT_READ_WHEN_FRESH -> "It was never read when fresh, so there is nothing to keep.";
            case NO_CONTROL_WHEN_FRESH ->
                "Neither was bare read on the day of its first readings, nor its own place before.";
            case MADE_WORSE -> "It made things worse from the first day.";
            default -> "Its first effect can't be told from none.";
        };
    }

    /** What is odd about the readings. */
    static String odd(Oddity odd) {
        return switch (odd) {
            case READ_BEFORE_APPLIED -> "A visit lies before anything went on; its readings were left out.";
            case BARE_MISSED ->
                "Bare was not read at every visit; where it wasn't, nothing can be said of what is left.";
            case COATED_AGAIN -> "Something went on again: curves end there, and begin anew with first readings.";
            case APPLIED_UNKNOWN -> "Nothing says when it went on; the day of the first readings is taken.";
            case WETTED_OTHERWISE ->
                "At some visit it was wetted in another way than for the first readings; that visit was left out.";
            case EXPOSURE_UNKNOWN ->
                "The odometer was not read around every visit, or ran backwards; those visits were left out.";
        };
    }

    /** What was done otherwise at a visit than at first. */
    static String otherwise(MethodChange change, int day) {
        return switch (change.kind()) {
            case OBSERVERS ->
                "First readings were taken by %s, those of day %d by %s: part of a difference may be the hand."
                        .formatted(change.first(), day, change.later());
            case REPEATS ->
                "First readings had %s repeats on a section, day %d has %s."
                        .formatted(change.first(), day, change.later());
            case WETTING ->
                "First readings were wetted by %s, day %d by %s: the two are not set against each other."
                        .formatted(change.first(), day, change.later());
            case SECTIONS -> "Read first, but not on day %d: %s.".formatted(day, change.later());
        };
    }

    /** That one had more to bear than another, so that averages over time are not fair; empty if they had alike. */
    static Optional<String> uneven(Study study, Wear wear) {
        Map<Integer, Double> spans = wear.unevenExposure();
        return spans.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        "Not all had alike, so what is left on a day is no fair comparison: %s. Lives take it into account; or count in something else."
                                .formatted(spans.entrySet().stream()
                                        .map(e -> "%s %s"
                                                .formatted(
                                                        study.record()
                                                                .contenders()
                                                                .get(e.getKey())
                                                                .name(),
                                                        amount(wear.axis(), figure(wear.axis(), e.getValue()))))
                                        .collect(Collectors.joining(", "))));
    }

    /** The curve in words: how it was fitted. */
    static String fitted(Axis axis, Optional<Fitted> f) {
        return f.map(c -> "37 %% left after %s, k %s%s, %s"
                        .formatted(
                                amount(axis, figure(axis, c.tau())),
                                Figures.compact(c.k(), 2),
                                c.checkpoints() < Fitted.BENDS_FROM ? " (kept at 1 below six visits)" : "",
                                Figures.count(c.checkpoints(), "visit", "visits")))
                .orElse("no visit yet");
    }

    /** A chance to a hundredth; never nothing, never all. */
    static String chance(double chance) {
        return chance < 0.005 ? "under 0.01" : chance > 0.995 ? "over 0.99" : Figures.number(chance, 2);
    }

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    private static String lower(String words) {
        return words.substring(0, 1).toLowerCase(Locale.ROOT) + words.substring(1);
    }

    /** Which chemical did it, or why that can't be said and how to find out; empty for a study without doses. */
    static List<String> byChemical(ByChemical by) {
        return switch (by.state()) {
            case NOTHING -> List.of();
            case UNSAID ->
                List.of(
                        "Which chemical did it can't be said: a dose names none, or several went on one section at once. Note them as “iron wash on A D; tar remover on B C”.");
            case STACKED ->
                List.of(
                        "Every section had %s first, and what came later fell on what that left: which chemical did it can't be said. One chemical a section, or another first on each, would tell."
                                .formatted(by.chemicals().get(0)));
            case ONE_PLACE_EACH ->
                List.of(
                        "Each chemical was first on one section of a product only, so chemical and place can't be told from each other. Two sections each would tell.");
            case TOLD -> told(by);
        };
    }

    private static List<String> told(ByChemical by) {
        Compared compared = by.compared().orElseThrow();
        List<String> lines = new ArrayList<>();
        for (Compared.Line line : compared.lines()) {
            lines.add("%s took %s of the first effect (%s), from %s."
                    .formatted(
                            by.chemicals().get(line.contender()),
                            Figures.percent(line.mean().value()),
                            Figures.percentRange(line.mean().interval()),
                            Figures.count(line.sections(), "section", "sections")));
        }
        List<String> apart = compared.pairs().stream()
                .filter(Compared.Pair::apart)
                .map(p -> by.chemicals().get(p.better()) + " more than "
                        + by.chemicals().get(p.worse()))
                .toList();
        lines.add(apart.isEmpty() ? "They can't be told apart." : "Told apart: " + String.join(", ", apart) + ".");
        lines.add("By first doses only; later ones fall on what an earlier one left.");
        return lines;
    }

    /** Why it can't be said what a protected week cost. */
    static String wanting(Outlay.Wanting w) {
        String what = w.unmeasured() > 0
                ? "how much went on was not noted" + times(w.unmeasured(), w.of())
                : w.unpriced() > 0
                        ? "its label has no price" + times(w.unpriced(), w.of())
                        : "prices are in %d currencies".formatted(w.currencies());
        return "what a week cost can't be said: " + what;
    }

    private static String times(long wanting, long of) {
        return of == 1 ? "" : ", %d times of %d".formatted(wanting, of);
    }

    /** What was gained or lost against bare, with its sign: in points of its share, or in the score's own unit. */
    static String change(Measure measure, double change) {
        String size = measure.benefitIsShare()
                ? Figures.number(Math.abs(100 * change), 0)
                : Figures.number(Math.abs(change), Math.max(1, measure.scoreDecimals()));
        return (size.matches("[0.]+") ? "" : change > 0 ? "+" : "−") + size;
    }

    static String changeUnit(Measure measure) {
        return measure.benefitIsShare() ? "points" : measure.scoreUnit();
    }
}
