package org.evensheen.app.answers;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Study;
import org.evensheen.core.answer.Advice;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.answer.Weighed;
import org.evensheen.core.answer.Worth;
import org.evensheen.core.cost.Money;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Quality;

/** The one place where the answer of a study is told in words: for the page, the report, and what goes out. */
final class AnswerWords {
    private final AnswerOf of;
    private final Answer answer;

    AnswerWords(Study study, Answer answer) {
        this(AnswerOf.study(study), answer);
    }

    AnswerWords(AnswerOf of, Answer answer) {
        this.of = of;
        this.answer = answer;
    }

    String name(int contender) {
        return of.contenders().get(contender).name();
    }

    static String listed(List<String> words) {
        return words.size() < 2
                ? String.join("", words)
                : String.join(", ", words.subList(0, words.size() - 1)) + " and " + words.get(words.size() - 1);
    }

    /** "Osier and Tidewrack share first." */
    String first(Weighed w) {
        if (w.lines().isEmpty()) {
            return "Nothing can be weighed yet.";
        }
        List<String> first = w.first().stream().map(this::name).toList();
        return first.size() == 1
                ? "%s is first.".formatted(first.get(0))
                : first.size() == w.lines().size()
                        ? "No product stands out: all share first."
                        : "%s share first.".formatted(listed(first));
    }

    /** What stands behind the first sentence: for whom, by what, for what money. */
    String rest(Weighed w, Worth worth) {
        if (w.lines().isEmpty()) {
            return "It takes first readings on two products, with scatter to judge them by.";
        }
        List<String> said = new ArrayList<>();
        said.add("For “%s”, by %s."
                .formatted(
                        w.profile().name(),
                        listed(w.scales().stream()
                                .map(s -> s.quality().label().toLowerCase(java.util.Locale.ROOT))
                                .toList())));
        cheaper(w, worth).ifPresent(said::add);
        if (answer.footing() == Footing.ANECDOTE) {
            said.add("It is an anecdote: see how far it can be trusted.");
        }
        return String.join(" ", said);
    }

    /** The money between the first two. */
    private Optional<String> cheaper(Weighed w, Worth worth) {
        if (w.lines().size() < 2) {
            return Optional.empty();
        }
        Optional<Worth.Point> one = worth.of(w.lines().get(0).contender());
        Optional<Worth.Point> two = worth.of(w.lines().get(1).contender());
        if (one.isEmpty() || two.isEmpty()) {
            return Optional.empty();
        }
        Worth.Point cheap = one.get().cost() <= two.get().cost() ? one.get() : two.get();
        Worth.Point dear = cheap == one.get() ? two.get() : one.get();
        double share = cheap.cost() / dear.cost();
        return share > 0.9
                ? Optional.empty()
                : Optional.of("%s costs %s of what %s does%s."
                        .formatted(
                                name(cheap.contender()),
                                Figures.percent(share),
                                name(dear.contender()),
                                answer.aWeek() ? " a week" : ""));
    }

    /** What matters to the reader and is not in it. */
    List<String> missing(Weighed w) {
        Map<String, List<Quality>> byReason = w.unweighed().stream()
                .collect(Collectors.groupingBy(this::notScored, LinkedHashMap::new, Collectors.toList()));
        return byReason.entrySet().stream()
                .map(e -> "%s: %s."
                        .formatted(
                                capital(listed(e.getValue().stream()
                                        .map(AnswerWords::lower)
                                        .toList())),
                                e.getKey()))
                .toList();
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private String notScored(Quality q) {
        Optional<QualityScale> scale = answer.scale(q);
        if (scale.isPresent()) {
            List<String> without = answer.products().stream()
                    .filter(p -> !scale.get().scores().containsKey(p))
                    .map(this::name)
                    .toList();
            return q == Quality.COST
                    ? "an amount or a price in %s is wanting for %s"
                            .formatted(
                                    answer.currency()
                                            .map(c -> c.getCurrencyCode())
                                            .orElse("one currency"),
                                    listed(without))
                    : "not known of " + listed(without);
        }
        String why = answer.unscored().getOrDefault(q, "");
        return !why.isEmpty()
                ? why
                : q == Quality.COST ? "what went on is not noted, or has no price" : "not measured here";
    }

    String source(QualityScale s) {
        if (!of.weeks() && s.quality() != Quality.COST) {
            return s.source();
        }
        return switch (s.quality()) {
            case LIFE -> "weeks until a quarter is left";
            case COST -> answer.aWeek() ? "money a protected week, as it was used" : "money a " + of.place();
            default ->
                Measures.ofCode(s.source())
                                .map(m -> m.words().at()
                                        + (m.scale().linear()
                                                ? ""
                                                : ", graded by eye, spaced by how surely grades tell apart"))
                                .orElse(s.source())
                        + (Measures.ofCode(s.source())
                                        .filter(Measure::againstItsFirst)
                                        .isPresent()
                                ? ", latest readings"
                                : ", first readings");
        };
    }

    /** Where a scale has its ends. */
    String ends(QualityScale s) {
        String top = name(s.top()) + (s.referred() ? ", the reference," : ", the best,");
        return switch (s.quality()) {
            case LIFE -> top + " is 100; twice as long is 200";
            case COST -> top + " is 100; half as dear is 200";
            default -> (s.bottom() ? "bare is 0" : "the worst is 0") + ", " + top + " is 100";
        };
    }

    /** "Turns on life (71 %) and cost." */
    static String turns(Weighed w) {
        if (w.shares().isEmpty()) {
            return "";
        }
        List<Map.Entry<Quality, Double>> most = w.shares().entrySet().stream()
                .sorted(Comparator.comparingDouble(e -> -e.getValue()))
                .toList();
        Map.Entry<Quality, Double> first = most.get(0);
        Map.Entry<Quality, Double> last = most.get(most.size() - 1);
        String on = "The order turns on %s (%s of what parts them)"
                .formatted(lower(first.getKey()), Figures.percent(Math.min(1, first.getValue())));
        return most.size() < 2
                ? on + "."
                : last.getValue() < -0.02
                        ? on + "; %s works against it.".formatted(lower(last.getKey()))
                        : on
                                + ", least on %s (%s)."
                                        .formatted(lower(last.getKey()), Figures.percent(Math.max(0, last.getValue())));
    }

    static String lower(Quality q) {
        return q.label().toLowerCase(java.util.Locale.ROOT);
    }

    /** How far a weight could move. */
    static String margin(Weighed w, Quality q) {
        Weighed.Margin m = w.margins().get(q);
        if (m == null) {
            return "not measured on all, so it changes nothing";
        }
        boolean low = m.low().isPresent();
        boolean high = m.high().isPresent() && m.high().getAsDouble() < Profile.MOST;
        return low && high
                ? "order stays from %s to %s"
                        .formatted(
                                weight(m.low().getAsDouble()), weight(m.high().getAsDouble()))
                : low
                        ? "order stays down to %s".formatted(weight(m.low().getAsDouble()))
                        : high
                                ? "order stays up to %s"
                                        .formatted(weight(m.high().getAsDouble()))
                                : "the order stays whatever it weighs";
    }

    private static String weight(double w) {
        return Figures.number(w, 1);
    }

    Money money(double amount) {
        return new Money(
                new BigDecimal(amount, new MathContext(6)), answer.currency().orElseThrow());
    }

    String cost(Worth.Point p) {
        return "%s%s".formatted(Figures.money(money(p.cost())), per());
    }

    /** What a cost is for. */
    String per() {
        return (answer.aWeek() ? " a protected week and section" : " a " + of.place())
                + (answer.hands() == Answer.Hands.COUNTED ? ", hands and all" : "");
    }

    /** Why hands' time is not in what it costs; empty if it is, or nobody asked for it. */
    String hands() {
        return answer.hands() != Answer.Hands.NOT_KNOWN
                ? ""
                : answer.costs().isEmpty()
                        ? "An hour counts once it is known what went on."
                        : "Hands' time is left out: minutes are wanting for one of them, or no rate leads to its currency.";
    }

    static String word(Advice.Kind kind) {
        return switch (kind) {
            case KEEP -> "keep";
            case ONLY_FOR -> "only for";
            case IF_IT_MUST_COST_LESS -> "if it must cost less";
            case SKIP -> "skip";
            case OPEN -> "no advice";
        };
    }

    /** The advice with its reason. */
    String advice(Advice a) {
        String better = a.beatenBy().map(this::name).orElse("");
        String close = a.close() ? " A close call." : "";
        return switch (a.kind()) {
            case KEEP -> kept(a) + close;
            case ONLY_FOR ->
                "First for %s; here %s does better.%s"
                        .formatted(
                                listed(a.onlyFor().stream()
                                        .map(n -> "“%s”".formatted(n))
                                        .toList()),
                                better,
                                close);
            case IF_IT_MUST_COST_LESS ->
                "%s does better, but nothing whose cost is known does so for less.%s".formatted(better, close);
            case SKIP ->
                a.cheaperToo()
                        ? "%s is better and costs less.%s".formatted(better, close)
                        : "%s is better.%s".formatted(better, close);
            case OPEN -> "What was found is an anecdote: it carries no advice.";
        };
    }

    private String kept(Advice a) {
        return a.beatenBy().isEmpty()
                ? "First for this reader."
                : "Can't be told apart from %s, which is ahead more often."
                        .formatted(name(a.beatenBy().get()));
    }

    /** Who is first for a reader, in a line. */
    String forReader(Weighed w) {
        if (w.lines().isEmpty()) {
            return "nothing that matters to them was measured on all";
        }
        String chance = Figures.percent(w.lines().get(0).chances().get(0));
        return w.first().size() == 1
                ? "%s, ahead in %s of the draws".formatted(name(w.first().get(0)), chance)
                : "%s, which can't be told apart"
                        .formatted(w.first().stream().map(this::name).collect(Collectors.joining(", ")));
    }
}
