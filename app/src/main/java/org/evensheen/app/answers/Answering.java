package org.evensheen.app.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Currency;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.evensheen.app.lives.Living;
import org.evensheen.app.mixer.RateStore;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.Study;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.comparing.Absent;
import org.evensheen.core.comparing.Drawn;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.cost.Money;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.label.Label;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.planning.Effort;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;
import org.evensheen.core.wear.Axis;
import org.evensheen.core.wear.Curves;
import org.evensheen.core.wear.Lives;
import org.evensheen.core.wear.Outlay;
import org.evensheen.core.wear.Wear;
import org.springframework.stereotype.Component;

/** Puts every quality of a study on one scale, once for a revision of it and what labels say. */
@Component
public class Answering {
    /** Weeks that a product is taken to last which did nothing from the beginning. */
    private static final double NO_TIME = 0.01;

    private final Judging judging;
    private final Living living;
    private final RateStore rates;
    private final Cache<Case, Answer> known =
            Caffeine.newBuilder().maximumSize(12).build();

    private record Case(
            long study,
            long revision,
            int day,
            Map<Integer, Label> labels,
            Optional<Verdict.Scatter> scatter,
            Purse purse) {}

    Answering(Judging judging, Living living, RateStore rates) {
        this.rates = rates;
        this.judging = judging;
        this.living = living;
    }

    /** A study's answer in a sentence, for the first reader who comes with the program, and how far it can be trusted. */
    public record Told(String sentence, Footing footing) {}

    public Told told(Study study, int today) {
        Answer answer = of(study, today, new Purse(rates.rates(), Optional.empty()));
        return new Told(
                new AnswerWords(study, answer)
                        .first(answer.forReader(Profile.shipped().get(0))),
                answer.footing());
    }

    /** The answer as of a day; of a study whose key is open. */
    Answer of(Study study, int today, Purse purse) {
        Judging.Outcome main = judging.judge(study, main(study), today);
        return known.get(
                new Case(
                        study.id(),
                        study.revision(),
                        today,
                        Living.labels(study),
                        main.verdict().flatMap(Verdict::scatter),
                        purse),
                c -> answer(study, today, purse, main.findings()));
    }

    private static Measure main(Study study) {
        return study.record().plan().main().filter(Measure::comparable).orElse(Measures.PULL);
    }

    private Answer answer(Study study, int today, Purse purse, List<Finding> findings) {
        Optional<Integer> reference = study.record().contenders().stream()
                .filter(c -> c.role() == Contender.Role.REFERENCE)
                .map(Contender::number)
                .findFirst();
        Map<Quality, QualityScale> scales = new EnumMap<>(Quality.class);
        Map<Quality, String> unscored = new EnumMap<>(Quality.class);
        for (Measure measure : read(study)) {
            measure.quality()
                    .filter(q -> !scales.containsKey(q))
                    .ifPresent(q -> scale(study, measure, q, today, reference)
                            .ifPresentOrElse(
                                    s -> {
                                        scales.put(q, s);
                                        unscored.remove(q);
                                    },
                                    () -> unscored.putIfAbsent(q, why(study, measure, today))));
        }
        Map<Integer, double[]> lives = lives(study, today);
        QualityScale.ofLogs(Quality.LIFE, "life", lives, true, reference).ifPresent(s -> scales.put(Quality.LIFE, s));
        Map<Integer, Money> own = spent(study, today);
        Optional<Currency> currency = Purse.usual(own.values());
        Optional<Money> minute = currency.flatMap(purse::minute);
        Map<Integer, double[]> costs = new TreeMap<>();
        boolean aWeek = !lives.isEmpty();
        currency.map(c -> purse.in(c, own)).orElse(Map.of()).forEach((number, money) -> {
            Money all = minute.map(m -> money.plus(m.times(minutes(study, number, today))))
                    .orElse(money);
            cost(all, lives.get(number), aWeek).ifPresent(c -> costs.put(number, c));
        });
        QualityScale.ofLogs(Quality.COST, "cost", costs, false, reference).ifPresent(s -> scales.put(Quality.COST, s));
        return new Answer(
                products(study, scales),
                List.copyOf(scales.values()),
                costs,
                currency,
                aWeek,
                purse.hour().isEmpty()
                        ? Answer.Hands.FREE
                        : minute.isPresent() ? Answer.Hands.COUNTED : Answer.Hands.NOT_KNOWN,
                Footing.under(findings),
                findings,
                unscored,
                new ConcurrentHashMap<>(),
                new ConcurrentHashMap<>());
    }

    /** Products that are scored on something; those on nothing can't be ranked. */
    private static List<Integer> products(Study study, Map<Quality, QualityScale> scales) {
        return study.record().contenders().stream()
                .filter(c -> !c.isControl())
                .map(Contender::number)
                .filter(n -> scales.values().stream().anyMatch(s -> s.scores().containsKey(n)))
                .toList();
    }

    private static List<Measure> read(Study study) {
        List<Measure> read = new ArrayList<>();
        study.record().plan().measures().forEach(p -> read.add(p.measure()));
        study.record().measures().stream().filter(m -> !read.contains(m)).forEach(read::add);
        return read.stream().filter(Measure::comparable).toList();
    }

    /** First readings tell what a product does; how long it does so is a quality of its own. Without any, the latest. */
    public static int judgedOn(Study study, Measure measure, int today) {
        if (measure.againstItsFirst()) {
            return today;
        }
        OptionalInt fresh = study.record().sections().stream()
                .flatMap(s -> study.record().occasionsRead(s, measure).stream())
                .filter(o -> o.stage() == Stage.FRESH && o.day() <= today)
                .mapToInt(Occasion::day)
                .min();
        return fresh.orElse(today);
    }

    private Optional<QualityScale> scale(
            Study study, Measure measure, Quality quality, int today, Optional<Integer> reference) {
        int day = judgedOn(study, measure, today);
        Optional<Drawn> drawn = judging.drawn(study, measure, day);
        return drawn.flatMap(d -> QualityScale.of(
                quality, measure.code(), d, reference.filter(r -> d.products().contains(r))));
    }

    private String why(Study study, Measure measure, int today) {
        Optional<Verdict> verdict =
                judging.judge(study, measure, judgedOn(study, measure, today)).verdict();
        if (verdict.isEmpty()) {
            return "";
        }
        return verdict.get().ofAnOrder()
                ? judging.drawn(study, measure, judgedOn(study, measure, today)).isPresent()
                        ? "at the latest look none was graded above bare"
                        : "graded by eye, on one place each: nothing tells a product from its place"
                : verdict.get().scatter().isEmpty()
                        ? "one section each, so nothing tells chance from product"
                        : "the reference gains nothing on bare";
    }

    /** How long its products last, by what tells most of it. */
    Wear wear(Study study, int today) {
        Measure measure = Optional.of(main(study))
                .filter(Curves::keeps)
                .or(() -> study.record().plan().measures().stream()
                        .map(p -> p.measure())
                        .filter(Curves::keeps)
                        .findFirst())
                .orElse(Measures.PULL);
        return living.of(study, measure, Axis.WEEKS, today);
    }

    public Map<Integer, double[]> lives(Study study, int today) {
        Wear wear = wear(study, today);
        Map<Integer, double[]> logs = new TreeMap<>();
        Optional<Lives> lives = wear.lives();
        if (lives.isEmpty()) {
            return logs;
        }
        double[][] draws = lives.get().draws(study.record().seed() + 5);
        for (int i = 0; i < draws.length; i++) {
            logs.put(lives.get().products().get(i), draws[i]);
        }
        wear.curves().without().forEach((number, absent) -> {
            if (absent == Absent.NO_FIRST_EFFECT || absent == Absent.MADE_WORSE) {
                double[] none = new double[Lives.DRAWS];
                Arrays.fill(none, Math.log(NO_TIME));
                logs.put(number, none);
            }
        });
        return logs;
    }

    private static Map<Integer, Money> spent(Study study, int today) {
        Map<Integer, Money> spent = new TreeMap<>();
        study.record().contenders().stream()
                .filter(c -> !c.isControl())
                .forEach(c -> Outlay.spent(study.record(), c, today)
                        .filter(m -> m.amount().signum() > 0)
                        .ifPresent(m -> spent.put(c.number(), m)));
        return spent;
    }

    /** Minutes of practised hands that putting it on one section took, all coats and all upkeep. */
    private static double minutes(Study study, int contender, int today) {
        return study.record().applications().stream()
                .filter(a -> a.contender() == contender && a.day() <= today)
                .mapToDouble(a -> a.coats().orElse(1) * Effort.APPLYING_EACH)
                .sum();
    }

    private static Optional<double[]> cost(
            Money spent, double @org.jspecify.annotations.Nullable [] life, boolean aWeek) {
        double log = Math.log(spent.amount().doubleValue());
        if (!aWeek) {
            double[] same = new double[Lives.DRAWS];
            Arrays.fill(same, log);
            return Optional.of(same);
        }
        return life == null
                ? Optional.empty()
                : Optional.of(Arrays.stream(life).map(l -> log - l).toArray());
    }
}
