package org.evensheen.app.sidebyside;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.core.cost.PerUse;
import org.evensheen.core.label.Claim;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Level;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.sidebyside.Agreement;
import org.evensheen.core.sidebyside.Bottle;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Question;
import org.evensheen.core.sidebyside.Sheet;
import org.evensheen.core.sidebyside.Sheet.Doubt;
import org.evensheen.core.sidebyside.Sheet.Outcome;
import org.evensheen.core.sidebyside.Sheet.Row;
import org.evensheen.core.sidebyside.Sheet.Trust;
import org.evensheen.core.sidebyside.Slip;
import org.evensheen.core.sidebyside.Steadiness;
import org.evensheen.core.study.Section;
import org.evensheen.core.water.Wetting;

/** The one place where what an afternoon came to is told in words: for the page, the print, and what goes out. */
final class SheetWords {
    private SheetWords() {}

    /** "Two soaps, half a bonnet each". */
    static String what(Comparison c) {
        String[] numbers = {"", "", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight"};
        return "%s side by side, on %s"
                .formatted(
                        numbers[c.contenders().size()],
                        c.shape() == Places.ITEMS ? "their own" : c.shape().word());
    }

    /** The answer in a sentence or two. */
    static String sentence(Comparison c, Sheet sheet) {
        List<String> said = new ArrayList<>();
        for (int i = 0; i < c.contenders().size(); i++) {
            int number = i;
            List<String> leads = sheet.ledBy(i).stream()
                    .map(r -> (r.outcome() == Outcome.AHEAD ? "probably " : "") + verb(c, r))
                    .toList();
            if (!leads.isEmpty()) {
                said.add(c.contenders().get(number).name() + " " + listed(leads) + ".");
            }
        }
        List<String> seen = new ArrayList<>();
        for (int i = 0; i < c.contenders().size(); i++) {
            int number = i;
            List<String> did = sheet.rows().stream()
                    .filter(r -> r.outcome() == Outcome.ONLY_SEEN
                            && r.standings().get(0).contender() == number)
                    .map(r -> verb(c, r))
                    .toList();
            if (!did.isEmpty()) {
                seen.add(name(c, number) + " " + listed(did));
            }
        }
        if (!seen.isEmpty()) {
            said.add("Seen once, so not proven: " + String.join("; ", seen) + ".");
        }
        List<String> even = sheet.rows().stream()
                .filter(r -> r.outcome() == Outcome.EVEN)
                .map(r -> verb(c, r))
                .toList();
        if (!even.isEmpty()) {
            said.add(
                    c.contenders().size() == 2
                            ? "Neither " + listedOr(even) + "."
                            : "Too close to say: "
                                    + listed(sheet.rows().stream()
                                            .filter(r -> r.outcome() == Outcome.EVEN)
                                            .map(r -> r.question().label())
                                            .toList())
                                    + ".");
        }
        return said.isEmpty() ? "Nothing can be told yet." : String.join(" ", said);
    }

    private static String verb(Comparison c, Row row) {
        return c.contenders().size() == 2
                ? row.question().better()
                : row.question().best();
    }

    private static String name(Comparison c, int number) {
        return c.contenders().get(number).name();
    }

    private static String listed(List<String> words) {
        return words.size() < 2
                ? String.join("", words)
                : String.join(", ", words.subList(0, words.size() - 1)) + " and " + words.get(words.size() - 1);
    }

    private static String listedOr(List<String> words) {
        return words.size() < 2
                ? String.join("", words)
                : String.join(", ", words.subList(0, words.size() - 1)) + " or " + words.get(words.size() - 1);
    }

    /** What a row is about: "water, wetted by a fine mist", "foam, left after 5 min". */
    static String label(Comparison c, Row row) {
        Question question = row.question();
        return question.label()
                + row.told()
                        .filter(told -> !question.measure().equals(Optional.of(told)))
                        .map(told -> ", " + told.words().score())
                        .orElse("")
                + c.wetted(question.after()).stream()
                        .map(Wetting::label)
                        .reduce((one, two) -> one + " and by " + two)
                        .map(by -> ", wetted by " + by)
                        .orElse("");
    }

    /** How a row came out: "Curlew Foam, 86 %", "tied", "A 92 mm". */
    static String outcome(Comparison c, Row row) {
        Sheet.Standing first = row.standings().get(0);
        OptionalDouble chance = first.chance();
        return switch (row.outcome()) {
            case SETTLED -> name(c, first.contender()) + ", told apart";
            case AHEAD -> "%s, %s sure".formatted(name(c, first.contender()), Figures.percent(chance.orElse(0)));
            case EVEN -> "too close to say";
            case ONLY_SEEN -> name(c, first.contender()) + ", seen once";
            case UNUSED -> "not used: the same pair was answered otherwise";
            case NOTED -> "noted";
        };
    }

    /** What was seen of a contender in a row. */
    static String seen(Comparison c, Row row, Sheet.Standing standing) {
        if (row.question().form() == Question.Form.RUNG) {
            return standing.seen().stream()
                    .map(o -> stood(c, (int) Math.round(o.amount())))
                    .collect(Collectors.joining(", "));
        }
        if (row.told().isEmpty()) {
            return standing.wins() + " of " + standing.asked();
        }
        Measure measure = row.told().get();
        return standing.seen().stream().map(o -> score(measure, o)).collect(Collectors.joining(", "));
    }

    private static String stood(Comparison c, int steps) {
        List<Question> rungs = c.rungs();
        return steps >= rungs.size()
                ? "still there after %s".formatted(rungs.get(rungs.size() - 1).label())
                : "gone at %s".formatted(rungs.get(steps).label());
    }

    private static String score(Measure measure, Observation seen) {
        if (measure instanceof Level level) {
            return level.said((int) Math.round(seen.amount()));
        }
        OptionalDouble score = measure.score(seen, Double.NaN);
        if (measure.scale() == Scale.SHARE && score.isPresent()) {
            return Figures.percent(score.getAsDouble());
        }
        return score.isPresent() ? Figures.score(measure, score.getAsDouble()) : Figures.seenBare(seen);
    }

    static String trust(Trust trust) {
        return switch (trust) {
            case STORY -> "a story";
            case HINT -> "a hint";
            case FAIR -> "fair";
        };
    }

    /** Why no further, in plain words. */
    static String doubt(Comparison c, Doubt doubt) {
        return switch (doubt) {
            case UNLIKE_BEFORE -> "One place was already cleaner, hotter or in the sun, so it may have done the work.";
            case ONE_PLACE_EACH ->
                loose(c)
                        ? "One %s of each, looked at once; another one of them may do otherwise."
                                .formatted(singular(c.shape()))
                        : "One %s each, so the place may have done it.".formatted(singular(c.shape()));
            case PLACED_BY_HAND -> "Somebody chose which stands where; a draw favours nobody.";
            case NAMES_KNOWN -> "Whoever looked knew which is which.";
            case DOSE_UNKNOWN -> "Nobody wrote down how much went on.";
            case SPOILT, MISHAP -> "It was said that: %s.".formatted(slips(c, doubt.most()));
            case STACKED ->
                "Each step came on top of the ones before: it names the step at which a place gave way, not what did it.";
            case UNEQUAL_DOSE -> "More went on one than on the other, or than a label asks for.";
            case GIFT_KNOWN -> "One of them was no ordinary purchase, and whoever looked knew which is which.";
            case UNSTEADY ->
                "Somebody answered the same pair otherwise as often as by chance; their answers don't count.";
            case TASTES_DIFFER -> "Those who answered don't prefer the same, so there is no one answer for them all.";
            case NOT_FOR_PAINT -> "Something went on paint that must not go there, by its label.";
        };
    }

    private static String slips(Comparison c, Trust most) {
        return c.slips().stream().filter(s -> s.most() == most).map(Slip::words).collect(Collectors.joining("; "));
    }

    /** What a contender took: amount, cost, how long it stayed. */
    static String spent(Comparison c, Sheet.Spent spent) {
        List<String> told = new ArrayList<>();
        spent.ml().ifPresent(ml -> told.add(Figures.volume(ml)));
        spent.cost().ifPresent(cost -> told.add(Figures.money(cost)));
        spent.staysSeconds().ifPresent(s -> told.add("left on for " + StepWords.time(s)));
        spent.minutes()
                .ifPresent(m -> told.add("%s min a %s".formatted(Figures.compact(m.mean(), 2), singular(c.shape()))));
        spent.departure()
                .filter(d -> !d.within())
                .ifPresent(d -> told.add(
                        d.side() == Departure.Side.ABOVE
                                ? "%s its label's upper dose".formatted(Figures.times(d.factor()))
                                : "%s its label's lower dose".formatted(Figures.times(d.factor()))));
        spent.each().ifPresent(e -> told.add(each(c, e, c.bottle(spent.contender()))));
        return String.join(", ", told);
    }

    /** What one place takes out of a bottle; for wheels a set of four too, for quarters the car; beside what its label promises of these. */
    private static String each(Comparison c, PerUse each, Bottle bottle) {
        String one = singular(c.shape());
        List<String> told = new ArrayList<>(List.of("%s a %s".formatted(Figures.volume(each.ml()), one)));
        if (c.shape() == Places.WHEELS) {
            each.cost(1).ifPresent(m -> told.add("%s a wheel".formatted(Figures.money(m))));
            each.cost(4).ifPresent(m -> told.add("%s a set".formatted(Figures.money(m))));
        }
        if (c.shape() == Places.QUARTERS) {
            each.cost(4).ifPresent(m -> told.add("%s a car".formatted(Figures.money(m))));
        }
        told.add("a bottle of %s does %s of these"
                .formatted(Figures.volume(each.bottleMl()), Figures.compact(each.uses(), 2)));
        kept(c, each, bottle).ifPresent(told::add);
        return String.join(", ", told);
    }

    /** Real yield beside the promised one: "2.8 cars where 24 are promised: 8.6× as much a car". */
    private static Optional<String> kept(Comparison c, PerUse each, Bottle bottle) {
        Optional<Claim.Yield.Of> of = c.shape() == Places.QUARTERS
                ? Optional.of(Claim.Yield.Of.CARS)
                : c.shape() == Places.WHEELS ? Optional.of(Claim.Yield.Of.WHEELS) : Optional.empty();
        return of.filter(o -> bottle.promised().containsKey(o)).map(o -> {
            double promised = bottle.promised().get(o);
            PerUse whole = new PerUse(
                    o == Claim.Yield.Of.CARS ? QUARTERS * each.ml() : each.ml(), each.bottleMl(), each.price());
            return "%s %s where %s are promised: %s as much a %s"
                    .formatted(
                            Figures.compact(whole.uses(), 2),
                            o.several(),
                            Figures.compact(promised, 3),
                            Figures.times(whole.timesPromised(promised)),
                            o.one());
        });
    }

    /** Quarters of a car. */
    private static final int QUARTERS = 4;

    /** How far somebody agrees with themselves. */
    static String steadiness(Steadiness s) {
        String alike = s.twice() > 1
                ? s.alike() + " of them alike"
                : s.alike() == 1 ? "it alike" : "it otherwise the second time";
        return "%s was asked %s twice and answered %s (of many, %s to %s might come out alike)%s."
                .formatted(
                        s.by(),
                        Figures.count(s.twice(), "pair", "pairs"),
                        alike,
                        Figures.percent(s.share().low()),
                        Figures.percent(s.share().high()),
                        s.counts() ? "" : "; that is no more than chance, so these answers are not used");
    }

    /** Whether those who answered prefer the same. */
    static String agreement(Agreement a) {
        String people = listed(a.people());
        String same = a.both() == 0
                ? ""
                : "%s of %s at %s were answered alike by %s"
                        .formatted(
                                a.alike(),
                                Figures.count(a.both(), "pair", "pairs"),
                                a.question().label(),
                                people);
        String luck = a.differ()
                ? "they prefer differently (luck alone would set them so far apart in %s of cases)"
                        .formatted(Figures.percent(a.chance()))
                : a.canTell()
                        ? "nothing says that they prefer differently (chance %s)".formatted(Figures.percent(a.chance()))
                        : "too few answers to tell whether they prefer the same";
        return same.isEmpty()
                ? "At %s %s answered different pairs.".formatted(a.question().label(), people)
                : "%s; %s.".formatted(same, luck);
    }

    /** A job with who is ahead at how much of it: "washing with it: Fleece Mitt, 2 of 3". */
    static String job(Comparison c, Sheet sheet, List<Row> rows) {
        int most = 0;
        List<String> ahead = new ArrayList<>();
        for (int i = 0; i < c.contenders().size(); i++) {
            int number = i;
            int led = (int) rows.stream().filter(sheet.ledBy(number)::contains).count();
            if (led > most) {
                ahead.clear();
                most = led;
            }
            if (led > 0 && led == most) {
                ahead.add(name(c, number));
            }
        }
        return ahead.isEmpty() ? "nobody ahead" : "%s, ahead at %d of %d".formatted(listed(ahead), most, rows.size());
    }

    /** How contenders were come by: "Bought: Curlew Foam. Given: Sallow Soap."; empty if nobody said. */
    static String came(Comparison c) {
        Map<String, List<String>> by = new java.util.TreeMap<>();
        c.contenders()
                .forEach(x -> c.came(x.number())
                        .ifPresent(how ->
                                by.computeIfAbsent(how, k -> new ArrayList<>()).add(x.name())));
        return by.entrySet().stream()
                .map(e -> "%s%s: %s."
                        .formatted(
                                e.getKey().substring(0, 1).toUpperCase(Locale.ROOT),
                                e.getKey().substring(1),
                                String.join(", ", e.getValue())))
                .collect(Collectors.joining(" "));
    }

    /** Where a place is; nothing where it is a thing of its own. */
    static String place(Comparison c, Section place) {
        return c.shape() == Places.ITEMS ? "" : place.name();
    }

    static String singular(Places shape) {
        return switch (shape) {
            case HALVES, SEAT_HALVES -> "half";
            case QUARTERS -> "quarter";
            case THIRDS -> "third";
            case STRIPS -> "strip";
            case WHEELS -> "wheel";
            case TYRE_PARTS -> "part";
            case PANES -> "pane";
            case VEHICLE -> "area";
            case JARS -> "jar";
            case ITEMS -> "piece";
        };
    }

    /** Whether they are things of their own, without sides to exchange. */
    static boolean loose(Comparison c) {
        return c.shape() == Places.ITEMS || c.shape() == Places.JARS;
    }

    /** The one thing that would help most: its button and what it brings. */
    static String help(Comparison c, Sheet.Help help) {
        return switch (help.remedy()) {
            case EXCHANGE_SIDES ->
                (loose(c) ? "Do it all once more, %s" : "Swap sides and do it again, %s")
                        .formatted(Figures.count(help.minutes(), "minute", "minutes"));
            case SOMEBODY_WHO_DOES_NOT_KNOW -> "Let somebody answer who doesn't know which is which";
            case ONE_MORE_PAIR -> "Ask the two in front once more, a minute";
            case SAY_HOW_MUCH -> "Write down how much went on, a minute";
        };
    }

    static String brings(Comparison c, Sheet.Help help) {
        return help.from() == help.to()
                ? switch (help.remedy()) {
                    case SOMEBODY_WHO_DOES_NOT_KNOW -> "Then names can't have swayed it.";
                    case ONE_MORE_PAIR -> "They are the closest.";
                    case EXCHANGE_SIDES ->
                        loose(c) ? "Then it was no single stroke of luck." : "Then no place can have done it.";
                    case SAY_HOW_MUCH -> "Then nobody can say that one had more.";
                }
                : "From %s to %s.".formatted(trust(help.from()), trust(help.to()));
    }

    /** The sheet as Markdown. */
    static String markdown(Comparison c, Sheet sheet, String when) {
        StringBuilder text =
                new StringBuilder("# %s%n%n%s, %s.%n%n".formatted(plain(sentence(c, sheet)), plain(what(c)), when));
        text.append("| place | what stood on it |%n|---|---|%n".formatted());
        c.places()
                .forEach(p -> text.append("| %s, %s | %s |%n"
                        .formatted(p.code(), place(c, p), plain(c.on(p.code()).name()))));
        text.append("%n| looked at | came out | %s |%n|---|---|---|%n".formatted("seen"));
        sheet.rows()
                .forEach(r -> text.append("| %s | %s | %s |%n"
                        .formatted(
                                label(c, r),
                                plain(outcome(c, r)),
                                r.standings().stream()
                                        .map(s -> plain(name(c, s.contender())) + ": " + seen(c, r, s))
                                        .collect(Collectors.joining("; ")))));
        if (!sheet.spent().isEmpty()) {
            text.append("%n".formatted());
            sheet.spent().forEach(s -> text.append("- %s: %s%n".formatted(plain(name(c, s.contender())), spent(c, s))));
        }
        if (!came(c).isEmpty()) {
            text.append("%n%s%n".formatted(plain(came(c))));
        }
        text.append("%nHow far to trust it: **%s**.%n%n".formatted(trust(sheet.trust())));
        sheet.doubts().forEach(d -> text.append("- %s%n".formatted(doubt(c, d))));
        sheet.steadiness().forEach(s -> text.append("- %s%n".formatted(plain(steadiness(s)))));
        sheet.agreement().forEach(a -> text.append("- %s%n".formatted(plain(agreement(a)))));
        return text.toString().replace("\r\n", "\n");
    }

    /** Names are text: what Markdown or HTML would take for its own is set off. */
    private static String plain(String text) {
        return text.replaceAll("([\\\\`*_{}\\[\\]<>#|])", "\\\\$1").toString();
    }

    static String lower(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
