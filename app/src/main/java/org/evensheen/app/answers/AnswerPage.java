package org.evensheen.app.answers;

import static org.evensheen.app.page.Figures.svg;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.verdicts.Strips;
import org.evensheen.core.answer.Advice;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.answer.Weighed;
import org.evensheen.core.answer.Worth;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.cost.Money;
import org.evensheen.core.measure.Quality;
import org.jspecify.annotations.Nullable;

/** The answer as its page shows it: the sentence first, then places on one scale, then who for whom and for what money. */
record AnswerPage(
        AnswerOf of,
        String question,
        String subtitle,
        String footing,
        String first,
        String rest,
        String profile,
        List<Head> heads,
        List<Tick> ticks,
        List<Row> rows,
        List<String> missing,
        List<Reader> readers,
        List<Slider> sliders,
        String turns,
        String next,
        @Nullable Picture picture,
        String worthNote,
        String hour,
        String hands,
        List<String> asked,
        List<Said> advice,
        String problem) {
    private static final double LOW = -8;
    /** The axis reaches a little beyond the reference, and as far as any interval. */
    private static final double HIGH = 115;

    /** Beyond it marks at every 25 would touch. */
    private static final double CROWDED = 150;

    private static final double WIDTH = 560;
    private static final double HEIGHT = 250;

    /** A quality over its column. */
    record Head(String label, String source, String ends, String weight) {}

    record Tick(String x, String label) {}

    /** A product. */
    record Row(
            int number,
            String place,
            List<String> strips,
            String name,
            String cost,
            Bar total,
            String figure,
            String range,
            String chance,
            List<Cell> cells) {}

    /** An interval on the axis of totals, per cent. */
    record Bar(String low, String width, String point) {}

    /** A quality's score. */
    record Cell(
            String label,
            String figure,
            String title,
            @Nullable Bar bar,
            boolean counts) {}

    /** A reader to judge for. */
    record Reader(String code, String name, String address, boolean chosen, String who) {}

    /** A weight to move, and between what the order stays, per cent of its track. */
    record Slider(String code, String label, int weight, String from, String width, String words, boolean moves) {}

    /** Cost against result. */
    record Picture(List<Dot> dots, String edge, List<Tick> across, List<Tick> up, String words, String unit) {}

    record Dot(
            String x,
            String y,
            String left,
            String right,
            String top,
            String bottom,
            boolean edge,
            String name,
            String title,
            String anchor,
            String labelX) {}

    /** Advice on a product. */
    record Said(int number, String name, String kind, String word, String reason, String overruled) {}

    /** What was asked. */
    record Asked(Profile profile, List<Profile> all, Optional<Money> hour, String problem) {
        /** What an hour is worth, as an address carries it on. */
        private String hourOn() {
            return hour.map(h -> "&hour=" + URLEncoder.encode(h.print(), StandardCharsets.UTF_8))
                    .orElse("");
        }
    }

    static AnswerPage of(
            AnswerOf of,
            Answer answer,
            Asked asked,
            Map<Integer, OverruledStore.Overruled> overruled,
            String subtitle) {
        return new Writer(of, answer, asked, overruled).write(subtitle);
    }

    private static final class Writer {
        private final AnswerOf of;
        private final Answer answer;
        private final Asked asked;
        private final Map<Integer, OverruledStore.Overruled> overruled;
        private final AnswerWords words;
        private final Weighed weighed;
        private final List<Weighed> readers;
        private final Worth worth;
        private final double high;

        Writer(AnswerOf of, Answer answer, Asked asked, Map<Integer, OverruledStore.Overruled> overruled) {
            this.of = of;
            this.answer = answer;
            this.asked = asked;
            this.overruled = overruled;
            words = new AnswerWords(of, answer);
            weighed = Weighed.of(asked.profile(), answer.products(), answer.scales());
            readers = asked.all().stream().map(answer::forReader).toList();
            worth = Worths.of(answer, asked.profile());
            high = Math.max(
                    HIGH,
                    6
                            + weighed.lines().stream()
                                    .mapToDouble(l -> l.interval().high())
                                    .max()
                                    .orElse(0));
        }

        AnswerPage write(String subtitle) {
            return new AnswerPage(
                    of,
                    of.question(),
                    subtitle,
                    answer.footing().word(),
                    words.first(weighed),
                    words.rest(weighed, worth),
                    asked.profile().name(),
                    answer.scales().stream()
                            .map(s -> new Head(
                                    s.quality().label(),
                                    words.source(s),
                                    words.ends(s),
                                    "× " + asked.profile().weight(s.quality())))
                            .toList(),
                    (high > CROWDED ? Stream.of(0, 100, 200, 300) : Stream.of(0, 25, 50, 75, 100))
                            .filter(t -> t < high)
                            .map(t -> new Tick(
                                    percent(t, high),
                                    t == 0
                                            ? of.weeks() ? "bare" : "worst"
                                            : t == 100 ? of.weeks() ? "reference" : "best" : "" + t))
                            .toList(),
                    rows(),
                    words.missing(weighed),
                    readers(),
                    sliders(),
                    AnswerWords.turns(weighed),
                    next(),
                    picture(),
                    worth.points().size() < 2
                            ? "It takes two products whose cost is known: note the amounts that went on, and give the products a price."
                            : "",
                    asked.hour().map(Money::print).orElse(""),
                    words.hands(),
                    of.asked(),
                    advice(),
                    asked.problem());
        }

        /** Where it is told what would settle it, for this reader as the weights are; empty if nothing is ranked. */
        private String next() {
            return weighed.lines().size() < 2
                    ? ""
                    : Stream.of(Quality.values())
                            .map(q -> q.code() + "=" + asked.profile().weight(q))
                            .collect(Collectors.joining("&", of.base() + "/answer/next?", asked.hourOn()));
        }

        private static String percent(double score, double high) {
            return svg(Math.max(0, Math.min(100, 100 * (score - LOW) / (high - LOW)))) + "%";
        }

        private static Bar bar(double score, Interval i, double high) {
            double from = Math.max(LOW, i.low());
            double to = Math.min(high, i.high());
            return new Bar(
                    percent(from, high),
                    svg(Math.max(0.4, 100 * (to - from) / (high - LOW))) + "%",
                    percent(score, high));
        }

        private List<Row> rows() {
            List<List<String>> strips = Strips.of(weighed.lines().size(), this::apart);
            List<Row> rows = new ArrayList<>();
            for (int i = 0; i < weighed.lines().size(); i++) {
                Weighed.Line line = weighed.lines().get(i);
                rows.add(new Row(
                        line.contender(),
                        String.valueOf(line.place()),
                        strips.get(i),
                        words.name(line.contender()),
                        worth.of(line.contender()).map(words::cost).orElse(""),
                        bar(line.total(), line.interval(), high),
                        Figures.number(line.total(), 0),
                        Figures.range(
                                Figures.number(line.interval().low(), 0),
                                Figures.number(line.interval().high(), 0)),
                        Figures.percent(line.chances().get(0)) + " first",
                        answer.scales().stream()
                                .map(s -> cell(s, line.contender()))
                                .toList()));
            }
            return rows;
        }

        private boolean apart(int one, int other) {
            double[] a = weighed.draws().get(weighed.lines().get(one).contender());
            double[] b = weighed.draws().get(weighed.lines().get(other).contender());
            int ahead = 0;
            for (int d = 0; d < a.length; d++) {
                ahead += a[d] > b[d] ? 1 : 0;
            }
            return ahead >= Weighed.APART * a.length;
        }

        private Cell cell(QualityScale s, int contender) {
            QualityScale.Scored scored = s.scores().get(contender);
            boolean counts = weighed.scales().contains(s);
            if (scored == null) {
                return new Cell(s.quality().label(), "–", s.quality().label() + ": not known", null, counts);
            }
            String range = Figures.range(
                    Figures.number(scored.interval().low(), 0),
                    Figures.number(scored.interval().high(), 0));
            return new Cell(
                    s.quality().label(),
                    Figures.number(scored.score(), 0),
                    "%s: %s (%s)".formatted(s.quality().label(), Figures.number(scored.score(), 0), range),
                    bar(scored.score(), scored.interval(), Math.max(HIGH, scaleHigh(s))),
                    counts);
        }

        private static double scaleHigh(QualityScale s) {
            return s.scores().values().stream()
                    .mapToDouble(x -> x.interval().high())
                    .max()
                    .orElse(0);
        }

        private List<Reader> readers() {
            List<Reader> all = new ArrayList<>();
            for (int i = 0; i < readers.size(); i++) {
                Profile p = readers.get(i).profile();
                all.add(new Reader(
                        p.code(),
                        p.name(),
                        "%s/answer?for=%s%s".formatted(of.base(), p.code(), asked.hourOn()),
                        p.code().equals(asked.profile().code()),
                        words.forReader(readers.get(i))));
            }
            return all;
        }

        private List<Slider> sliders() {
            return Stream.of(Quality.values())
                    .map(q -> {
                        Weighed.Margin m = weighed.margins().get(q);
                        double low = m == null ? 0 : m.low().orElse(0);
                        double high =
                                m == null ? 0 : Math.min(Profile.MOST, m.high().orElse(Profile.MOST));
                        return new Slider(
                                q.code(),
                                q.label(),
                                asked.profile().weight(q),
                                svg(10 * low) + "%",
                                svg(Math.max(0, 10 * (high - low))) + "%",
                                answer.scale(q).isEmpty() ? "not scored here" : AnswerWords.margin(weighed, q),
                                m != null);
                    })
                    .toList();
        }

        private @Nullable Picture picture() {
            if (worth.points().size() < 2) {
                return null;
            }
            double most = worth.points().stream()
                    .mapToDouble(p -> p.costs().high())
                    .filter(Double::isFinite)
                    .max()
                    .orElse(1);
            double dear = Math.min(
                    most,
                    3
                            * worth.points().stream()
                                    .mapToDouble(Worth.Point::cost)
                                    .sorted()
                                    .skip(worth.points().size() / 2)
                                    .findFirst()
                                    .orElse(1));
            double top = Math.max(
                    100,
                    worth.points().stream()
                            .mapToDouble(p -> p.results().high())
                            .max()
                            .orElse(100));
            double bottom = Math.min(
                    0,
                    worth.points().stream()
                            .mapToDouble(p -> p.results().low())
                            .min()
                            .orElse(0));
            List<Dot> dots =
                    worth.points().stream().map(p -> dot(p, dear, bottom, top)).toList();
            StringBuilder edge = new StringBuilder();
            worth.points().stream()
                    .filter(Worth.Point::edge)
                    .forEach(p -> edge.append(edge.isEmpty() ? "M" : "L")
                            .append(x(p.cost(), dear))
                            .append(',')
                            .append(y(p.result(), bottom, top)));
            return new Picture(
                    dots,
                    edge.toString(),
                    Stream.of(0.0, 0.25, 0.5, 0.75, 1.0)
                            .map(s -> new Tick(x(s * dear, dear), Figures.compact(s * dear, 2)))
                            .toList(),
                    Stream.of(0, 25, 50, 75, 100)
                            .map(s -> new Tick(y(s, bottom, top), "" + s))
                            .toList(),
                    worth.points().stream()
                            .map(p -> "%s: %s, result %s%s"
                                    .formatted(
                                            words.name(p.contender()),
                                            words.cost(p),
                                            Figures.number(p.result(), 0),
                                            p.edge() ? ", on the edge" : ""))
                            .reduce((a, b) -> a + "; " + b)
                            .orElse(""),
                    answer.currency().map(c -> c.getCurrencyCode()).orElse("") + words.per());
        }

        private static String x(double cost, double dear) {
            return svg(WIDTH * Math.min(1, Math.max(0, cost / dear)));
        }

        private static String y(double result, double bottom, double top) {
            return svg(HEIGHT * (1 - (Math.max(bottom, Math.min(top, result)) - bottom) / (top - bottom)));
        }

        private Dot dot(Worth.Point p, double dear, double bottom, double top) {
            boolean right = p.cost() / dear > 0.7;
            double at = WIDTH * Math.min(1, p.cost() / dear);
            return new Dot(
                    x(p.cost(), dear),
                    y(p.result(), bottom, top),
                    x(p.costs().low(), dear),
                    x(p.costs().high(), dear),
                    y(p.results().high(), bottom, top),
                    y(p.results().low(), bottom, top),
                    p.edge(),
                    words.name(p.contender()),
                    "%s: %s, on the edge with a chance of %s"
                            .formatted(words.name(p.contender()), words.cost(p), Figures.percent(p.chance())),
                    right ? "end" : "start",
                    svg(at + (right ? -9 : 9)));
        }

        private List<Said> advice() {
            return Advice.of(weighed, readers, worth, answer.footing()).stream()
                    .map(a -> {
                        Optional<OverruledStore.Overruled> other = Optional.ofNullable(overruled.get(a.contender()));
                        return new Said(
                                a.contender(),
                                words.name(a.contender()),
                                other.map(OverruledStore.Overruled::advice)
                                        .orElse(a.kind()
                                                .name()
                                                .toLowerCase(java.util.Locale.ROOT)
                                                .replace('_', '-')),
                                other.map(o -> o.advice().replace('-', ' ')).orElse(AnswerWords.word(a.kind())),
                                words.advice(a),
                                other.map(o -> "%s says so against what was derived (%s): %s"
                                                .formatted(o.by(), AnswerWords.word(a.kind()), o.reason()))
                                        .orElse(""));
                    })
                    .toList();
        }
    }
}
