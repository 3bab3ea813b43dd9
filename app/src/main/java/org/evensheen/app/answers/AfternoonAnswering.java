package org.evensheen.app.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Currency;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.evensheen.app.sidebyside.Weighable;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.cost.Money;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.sidebyside.Each;
import org.evensheen.core.sidebyside.Found;
import org.evensheen.core.wear.Lives;
import org.springframework.stereotype.Component;

/** Puts every quality that an afternoon looked at on one scale, once for what was said. */
@Component
class AfternoonAnswering {
    private record Case(Weighable of, Purse purse) {}

    private final Cache<Case, Answer> known =
            Caffeine.newBuilder().maximumSize(40).build();

    Answer of(Weighable w, Purse purse) {
        return known.get(new Case(w, purse), c -> answer(c.of, c.purse));
    }

    static AnswerOf what(Weighable w) {
        String base = "/compare/" + w.id();
        return new AnswerOf(
                base,
                base + "/sheet",
                base + "/sheet",
                "How far to trust it",
                w.question(),
                w.contenders(),
                false,
                w.place(),
                w.went());
    }

    private Answer answer(Weighable w, Purse purse) {
        Map<Quality, QualityScale> scales = new EnumMap<>(Quality.class);
        Map<Quality, String> level = new EnumMap<>(Quality.class);
        for (Found f : w.found().get()) {
            if (!scales.containsKey(f.quality())) {
                QualityScale.of(f.quality(), f.label(), f.drawn(), Optional.empty())
                        .ifPresentOrElse(
                                s -> scales.put(f.quality(), s),
                                () -> level.put(f.quality(), "looked at, and nothing lies between them"));
            }
        }
        level.keySet().removeAll(scales.keySet());
        Map<Integer, Money> own = new TreeMap<>();
        w.took()
                .forEach((number, t) -> t.ml().flatMap(ml -> t.perMl().map(p -> p.times(ml.mean())))
                        .ifPresent(m -> own.put(number, m)));
        Optional<Currency> currency = Purse.usual(own.values());
        Map<Integer, Money> spent = currency.map(c -> purse.in(c, own)).orElse(Map.of());
        Optional<Money> minute = currency.flatMap(purse::minute)
                .filter(m -> spent.keySet().stream()
                        .allMatch(n -> w.took().get(n).minutes().isPresent()));
        Map<Integer, double[]> costs = new TreeMap<>();
        spent.forEach((number, money) -> {
            if (money.amount().signum() > 0) {
                costs.put(number, logs(w, number, money, minute));
            }
        });
        QualityScale.ofLogs(Quality.COST, "cost", costs, false, Optional.empty())
                .ifPresent(s -> scales.put(Quality.COST, s));
        List<Integer> products = w.contenders().stream()
                .map(c -> c.number())
                .filter(n -> scales.values().stream()
                        .filter(s -> s.quality() != Quality.COST)
                        .anyMatch(s -> s.scores().containsKey(n)))
                .toList();
        return new Answer(
                products,
                List.copyOf(scales.values()),
                costs,
                currency,
                false,
                purse.hour().isEmpty()
                        ? Answer.Hands.FREE
                        : minute.isPresent() ? Answer.Hands.COUNTED : Answer.Hands.NOT_KNOWN,
                w.footing(),
                List.of(),
                level,
                new ConcurrentHashMap<>(),
                new ConcurrentHashMap<>());
    }

    /** What a place costs as it may be, on the log scale: amounts and minutes as surely as the places tell. */
    private static double[] logs(Weighable w, int number, Money money, Optional<Money> minute) {
        Weighable.Took took = w.took().get(number);
        Random random = new Random(w.id() * 31 + number);
        double product = money.amount().doubleValue();
        double hands = minute.map(m ->
                        m.amount().doubleValue() * took.minutes().orElseThrow().mean())
                .orElse(0.0);
        double ofProduct = took.ml().map(Each::error).orElse(0.0);
        double ofHands = took.minutes().map(Each::error).orElse(0.0);
        double[] logs = new double[Lives.DRAWS];
        for (int d = 0; d < logs.length; d++) {
            logs[d] = Math.log(product * Math.exp(ofProduct * random.nextGaussian())
                    + hands * Math.exp(ofHands * random.nextGaussian()));
        }
        return logs;
    }
}
