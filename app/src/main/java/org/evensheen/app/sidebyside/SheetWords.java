package org.evensheen.app.sidebyside;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Level;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Sheet;
import org.evensheen.core.sidebyside.Sheet.Doubt;
import org.evensheen.core.sidebyside.Sheet.Outcome;
import org.evensheen.core.sidebyside.Sheet.Row;
import org.evensheen.core.sidebyside.Sheet.Trust;

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
        List<String> seen = sheet.rows().stream()
                .filter(r -> r.outcome() == Outcome.ONLY_SEEN)
                .map(r -> "%s did best at %s here"
                        .formatted(
                                name(c, r.standings().get(0).contender()),
                                r.question().label()))
                .toList();
        if (!seen.isEmpty()) {
            said.add(listed(seen) + ", once, which proves nothing yet.");
        }
        List<String> even = sheet.rows().stream()
                .filter(r -> r.outcome() == Outcome.EVEN)
                .map(r -> verb(c, r))
                .toList();
        if (!even.isEmpty()) {
            said.add((c.contenders().size() == 2 ? "Neither " : "None surely ") + listedOr(even) + ".");
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

    /** How a row came out: "Curlew Foam, 86 %", "tied", "A 92 mm". */
    static String outcome(Comparison c, Row row) {
        Sheet.Standing first = row.standings().get(0);
        OptionalDouble chance = first.chance();
        return switch (row.outcome()) {
            case SETTLED -> name(c, first.contender()) + ", told apart";
            case AHEAD -> "%s, %s sure".formatted(name(c, first.contender()), Figures.percent(chance.orElse(0)));
            case EVEN -> "too close to say";
            case ONLY_SEEN -> name(c, first.contender()) + ", seen once";
        };
    }

    /** What was seen of a contender in a row. */
    static String seen(Row row, Sheet.Standing standing) {
        if (row.told().isEmpty()) {
            return standing.wins() + " of " + row.ballots();
        }
        Measure measure = row.told().get();
        return standing.seen().stream().map(o -> score(measure, o)).collect(Collectors.joining(", "));
    }

    private static String score(Measure measure, Observation seen) {
        if (measure instanceof Level level) {
            return level.said((int) Math.round(seen.amount()));
        }
        OptionalDouble score = measure.score(seen, Double.NaN);
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
            case ONE_PLACE_EACH -> "One %s each, so the place may have done it.".formatted(singular(c.shape()));
            case PLACED_BY_HAND -> "Somebody chose which stands where; a draw favours nobody.";
            case NAMES_KNOWN -> "Whoever looked knew which is which.";
            case DOSE_UNKNOWN -> "Nobody wrote down how much went on.";
        };
    }

    private static String singular(Places shape) {
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
            case ITEMS -> "item";
        };
    }

    /** The one thing that would help most: its button and what it brings. */
    static String help(Sheet.Help help) {
        return switch (help.remedy()) {
            case EXCHANGE_SIDES ->
                "Swap sides and do it again, %s".formatted(Figures.count(help.minutes(), "minute", "minutes"));
            case SOMEBODY_WHO_DOES_NOT_KNOW -> "Let somebody answer who doesn't know which is which";
        };
    }

    static String brings(Sheet.Help help) {
        return help.from() == help.to()
                ? "Then names can't have swayed it."
                : "From %s to %s.".formatted(trust(help.from()), trust(help.to()));
    }

    /** The sheet as Markdown. */
    static String markdown(Comparison c, Sheet sheet, String when) {
        StringBuilder text =
                new StringBuilder("# %s%n%n%s, %s.%n%n".formatted(plain(sentence(c, sheet)), plain(what(c)), when));
        text.append("| place | what stood on it |%n|---|---|%n".formatted());
        c.places()
                .forEach(p -> text.append("| %s, %s | %s |%n"
                        .formatted(p.code(), p.name(), plain(c.on(p.code()).name()))));
        text.append("%n| looked at | came out | %s |%n|---|---|---|%n".formatted("seen"));
        sheet.rows()
                .forEach(r -> text.append("| %s | %s | %s |%n"
                        .formatted(
                                r.question().label(),
                                plain(outcome(c, r)),
                                r.standings().stream()
                                        .map(s -> plain(name(c, s.contender())) + ": " + seen(r, s))
                                        .collect(Collectors.joining("; ")))));
        text.append("%nHow far to trust it: **%s**.%n%n".formatted(trust(sheet.trust())));
        sheet.doubts().forEach(d -> text.append("- %s%n".formatted(doubt(c, d))));
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
